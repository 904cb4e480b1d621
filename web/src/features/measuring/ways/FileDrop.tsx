/** Dropping or choosing a file to measure: in a worker, with progress and a stop. */
import type { Answer, AskedSpeed } from '@amber-gauge/core/speed';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { useDropzone } from 'react-dropzone';
import { warmWorker, type Report, type Task } from '../../../workers/speedClient.js';
import type { SpeedAnswer } from '../../../workers/speed.worker.js';
import { Question } from './Question.js';
import type { Passing } from './way.js';
import classes from '../parts/Speed.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly label: string;
  readonly button: string;
  readonly or: string;
  /** `answer`: how what was asked about this file was answered. */
  readonly measure: (file: File, report: Report, answer: Answer) => Promise<Task<SpeedAnswer> | null>;
  readonly onMeasured: (answer: SpeedAnswer & { readonly kind: 'measured' }, file: File) => Promise<void>;
  /** A file passed on from another way, and where one goes that this way cannot read. */
  readonly passing?: Passing | undefined;
  /** A file that a key of this way has taken. */
  readonly given?: File | null;
  readonly disabled?: boolean;
  readonly children?: ReactNode;
}

type State =
  | { readonly kind: 'idle' }
  | { readonly kind: 'busy'; readonly name: string; readonly done: number }
  | { readonly kind: 'asked'; readonly file: File; readonly question: AskedSpeed; readonly given: Answer }
  | { readonly kind: 'refused'; readonly name: string; readonly message: string };

const NOTHING: Answer = {};

export function FileDrop({
  label,
  button,
  or,
  measure,
  onMeasured,
  passing,
  given = null,
  disabled = false,
  children,
}: Props) {
  const [state, setState] = useState<State>({ kind: 'idle' });
  const running = useRef<Task<SpeedAnswer> | null>(null);
  useEffect(warmWorker, []);
  const run = async (file: File, given: Answer) => {
    setState({ kind: 'busy', name: file.name, done: 0 });
    try {
      if (await passing?.elsewhere(file)) return setState({ kind: 'idle' });
      running.current = await measure(file, (done) => setState({ kind: 'busy', name: file.name, done }), given);
      if (!running.current) return setState({ kind: 'idle' });
      const answer = await running.current.answer;
      if (answer.kind === 'refused') return setState({ kind: 'refused', name: file.name, message: answer.message });
      if (answer.kind === 'asked') return setState({ kind: 'asked', file, question: answer.question, given });
      await onMeasured(answer, file);
      setState({ kind: 'idle' });
    } catch (error) {
      const message = error instanceof Error ? error.message : say`It could not be measured.`;
      setState({ kind: 'refused', name: file.name, message });
    }
  };
  const handed = given ?? passing?.file ?? null;
  const taken = useRef<File | null>(null);
  useEffect(() => {
    if (!handed || disabled || taken.current === handed) return;
    taken.current = handed;
    void run(handed, NOTHING);
    // The file alone decides: what measures it is of the same drawing.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [handed, disabled]);
  const { getRootProps, getInputProps, open, isDragActive } = useDropzone({
    noClick: true,
    noKeyboard: true,
    multiple: false,
    disabled,
    onDrop: ([file]) => file && void run(file, NOTHING),
  });
  return (
    <div
      {...getRootProps({ className: isDragActive ? `${classes.drop} ${classes.over}` : (classes.drop ?? '') })}
      data-testid="file-drop"
    >
      <input {...getInputProps({ 'aria-label': label })} />
      {passing?.words && <p role="status">{passing.words}</p>}
      {state.kind === 'busy' ? (
        <div className={classes.busy}>
          <span className={classes.dropWord}>{say`Measuring ${state.name}`}</span>
          <LinearProgress variant="determinate" value={100 * state.done} aria-label={say`Measuring`} />
          <Button variant="outlined" onClick={() => running.current?.stop()}>{say`Stop`}</Button>
        </div>
      ) : (
        <div className="row">
          <Button variant="contained" className={classes.main ?? ''} onClick={open} disabled={disabled}>
            {button}
          </Button>
          <span className={classes.dropWord}>{or}</span>
          {children}
        </div>
      )}
      {state.kind === 'refused' && (
        <p role="alert" className={classes.refused}>
          <strong>{state.name}</strong> {state.message}
        </p>
      )}
      {state.kind === 'asked' && (
        <Question
          question={state.question}
          onAnswer={(answer) => void run(state.file, { ...state.given, ...answer })}
          onCancel={() => setState({ kind: 'idle' })}
        />
      )}
    </div>
  );
}
