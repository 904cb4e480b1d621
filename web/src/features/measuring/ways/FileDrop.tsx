/** Dropping or choosing a file to measure: in a worker, with progress and a stop. */
import type { Answer, AskedSpeed } from '@amber-gauge/core/speed';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { useDropzone } from 'react-dropzone';
import { STOPPED_WORDS, warmWorker, type Report, type Task } from '../../../workers/speedClient.js';
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
  readonly onMeasured: (answer: SpeedAnswer & { readonly kind: 'measured' }, file: File) => Promise<unknown>;
  /** A file passed on from another way, and where one goes that this way cannot read. */
  readonly passing?: Passing | undefined;
  /** A file that a key of this way has taken. */
  readonly given?: File | null;
  readonly disabled?: boolean;
  readonly children?: ReactNode;
}

type State =
  | { readonly kind: 'idle' }
  | { readonly kind: 'busy'; readonly name: string; readonly done: number; readonly storing?: true }
  | { readonly kind: 'asked'; readonly file: File; readonly question: AskedSpeed; readonly given: Answer }
  | { readonly kind: 'refused'; readonly name: string; readonly message: string };

const NOTHING: Answer = {};

/** A file that is being measured; stopped while it is opened, its worker is ended as soon as there is one. */
interface Running {
  stopped: boolean;
  task: Task<SpeedAnswer> | null;
}

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
  const running = useRef<Running | null>(null);
  useEffect(warmWorker, []);
  const run = async (file: File, given: Answer) => {
    const { name } = file;
    const own: Running = { stopped: false, task: null };
    running.current = own;
    // Of what was stopped nothing is told any more.
    const tell = (next: State) => void (own.stopped || setState(next));
    tell({ kind: 'busy', name, done: 0 });
    try {
      if (await passing?.elsewhere(file)) return tell({ kind: 'idle' });
      if (own.stopped) return;
      own.task = await measure(file, (done) => tell({ kind: 'busy', name, done }), given);
      if (!own.task) return tell({ kind: 'idle' });
      if (own.stopped) own.task.stop();
      const answer = await own.task.answer;
      if (own.stopped) return;
      if (answer.kind === 'refused') return tell({ kind: 'refused', name, message: answer.message });
      if (answer.kind === 'asked') return tell({ kind: 'asked', file, question: answer.question, given });
      tell({ kind: 'busy', name, done: 1, storing: true });
      await onMeasured(answer, file);
      tell({ kind: 'idle' });
    } catch (error) {
      tell({ kind: 'refused', name, message: error instanceof Error ? error.message : say`It could not be measured.` });
    }
  };
  const stop = (name: string) => {
    if (running.current) running.current.stopped = true;
    running.current?.task?.stop();
    setState({ kind: 'refused', name, message: STOPPED_WORDS });
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
          {!state.storing && <Button variant="outlined" onClick={() => stop(state.name)}>{say`Stop`}</Button>}
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
