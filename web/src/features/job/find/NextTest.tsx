/** One next test in large type, with its conditions, where to put the probes, and its answers to tap. */
import { ownEntry } from '@amber-gauge/core/quantity';
import { endWords, isDead, isLive, openEnds, saidEnds, type BenchEvent, type StageId } from '@amber-gauge/core/bench';
import { type PathSignal, familyOf, needsPower, type DrivePath, type PathTest } from '@amber-gauge/core/families';
import { reasonOf, type TestAdvice } from '@amber-gauge/core/diagnosis';
import Button from '@mui/material/Button';
import { useEffect, useMemo, useState } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { Field } from '../../../shared/ui/Field.js';
import { useAsked } from '../asked.js';
import { useGoLive } from '../parts/goLive.js';
import { POWER_KEY } from '../parts/useJobKeys.js';
import { ReadingField } from '../parts/ReadingField.js';
import { Cautions } from '../safe/Cautions.js';
import type { JobView } from '../useJobView.js';
import { healthyWords } from './healthyWords.js';
import { RowReadings } from './RowReadings.js';
import stages from '../stages/Stages.module.css';
import classes from './Find.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly speedId: string;
  readonly path: DrivePath;
  readonly advice: TestAdvice;
  /** It has just come, by itself: no key takes a tap yet. */
  readonly justCame?: boolean;
  /** Something was typed into it: it must not give way to another. */
  readonly onBegun?: () => void;
  /** It was answered, or cannot be. */
  readonly onDone?: () => void;
  readonly onOther: () => void;
  readonly onStage: (stage: StageId) => void;
}

export function NextTest({
  view,
  stage,
  speedId,
  path,
  advice,
  justCame = false,
  onBegun,
  onDone,
  onOther,
  onStage,
}: Props) {
  const { test } = advice;
  const signal = path.signals.find((one) => one.id === test.signal);
  const level = path.levels.find((one) => one.id === test.level);
  const context = path.contexts
    .filter((one) => ownEntry(test.context, one.id))
    .map((one) => `${one.name}: ${ownEntry(test.context, one.id)}`);
  const [note, setNote] = useState('');
  const said = saidEnds(note);
  const answer = (outcome: string, words: string) => {
    void submitLines(
      view.job.id,
      makeLine(stage, { kind: 'answer', testId: test.id, name: test.name, outcome, words, value: null, unit: null }),
      ...endsOf(view, stage, test),
      ...noteLines(stage, note),
    );
    setNote('');
    onDone?.();
  };
  const prompt = useAskedFor(test, signal?.measure);
  const skip = () => {
    void submitLines(view.job.id, makeLine(stage, { kind: 'unreachable', testId: test.id, name: test.name }));
    onDone?.();
  };
  const keepEnds = () => {
    const ends = [...endsOf(view, stage, test), ...noteLines(stage, note)];
    setNote('');
    onDone?.();
    if (ends.length > 0) void submitLines(view.job.id, ...ends);
  };
  // What is off cannot be tested as if it were on, and nothing dead is done on a live unit.
  const blocked = advice.putBack.length > 0 || (test.power === 'dead' && isLive(view.state.power));
  return (
    <section className="stack" aria-label={say`Next test`} onInput={onBegun}>
      <h1 className="prompt">{test.name}</h1>
      <p className={classes.how}>{test.how}</p>
      {healthyWords(path, advice) && <p className={classes.healthy}>{healthyWords(path, advice)}</p>}
      {advice.forbidden && <p className={stages.caution}>{advice.forbidden}</p>}
      {advice.putBack.length > 0 ? (
        <div className={stages.caution}>
          {say`Put back first: ${advice.putBack.join(', ')}. `}
          <Button variant="outlined" onClick={() => onStage('open-up')}>{say`Open up`}</Button>
        </div>
      ) : (
        <PowerTag view={view} test={test} onStage={onStage} />
      )}
      <p className="quiet">
        {[level && level.minutes > 0 && level.name, ...context, reasonOf(advice)].filter(Boolean).join(' · ')}
      </p>
      {test.opens.length > 0 && (
        <p className="quiet">{say`Opens what must be closed again: ${openedWords(view, test)}.`}</p>
      )}
      <Cautions text={`${test.name} ${test.how}`} familyId={view.job.familyId} />
      {signal?.measure && (
        <ReadingField
          view={view}
          stage={stage}
          speedId={speedId}
          prompt={prompt}
          placeholder={signal.measure.unit}
          label={`${signal.measure.place}, ${signal.measure.unit}`}
          disabled={blocked}
          held={justCame}
          onKept={keepEnds}
        />
      )}
      {test.row && !blocked && (
        <RowReadings test={test} labels={test.row.labels} unit={test.row.unit} onAnswer={answer} />
      )}
      <Outcomes test={test} disabled={blocked || justCame} onAnswer={answer} />
      <Field
        label={say`A note with the answer`}
        value={note}
        onChange={(event) => setNote(event.target.value)}
        helperText={said.length > 0 ? say`Opens, until it is closed: ${said.map(endWords).join('; ')}` : undefined}
      />
      <div className="row">
        <Button disabled={justCame} onClick={skip}>{say`Cannot reach it`}</Button>
        <Button disabled={justCame} onClick={onOther}>{say`Another test`}</Button>
      </div>
    </section>
  );
}

/** Every answer as a key. */
function Outcomes({
  test,
  disabled,
  onAnswer,
}: {
  readonly test: PathTest;
  readonly disabled: boolean;
  readonly onAnswer: (outcome: string, words: string) => void;
}) {
  return (
    <div className={classes.answers}>
      {test.outcomes.map(({ id, words }) => (
        <Button
          key={id}
          variant="outlined"
          className={stages.big ?? ''}
          disabled={disabled}
          onClick={() => onAnswer(id, words)}
        >
          {words}
        </Button>
      ))}
    </div>
  );
}

/** What the entry line is asked for while this test is the next. */
function useAskedFor({ id, name }: TestAdvice['test'], measure: PathSignal['measure'] | undefined) {
  const ask = useAsked((state) => state.ask);
  const place = measure?.place ?? null;
  const unit = measure?.unit ?? null;
  const by = measure?.by;
  const prompt = useMemo(() => ({ testId: id, name, place, unit, by }), [id, name, place, unit, by]);
  useEffect(() => {
    ask(prompt);
    return () => ask(null);
  }, [ask, prompt]);
  return prompt;
}

/** A note typed with an answer, and the ends that its words open. */
function noteLines(stage: StageId, note: string): BenchEvent[] {
  if (note.trim() === '') return [];
  return [
    makeLine(stage, { kind: 'note', text: note.trim() }),
    ...saidEnds(note).map((end) =>
      makeLine(stage, { kind: 'open-end', ...end, usualId: null, stepKey: null, moveKey: null }),
    ),
  ];
}

interface TagProps {
  readonly view: JobView;
  readonly test: PathTest;
  readonly onStage: (stage: StageId) => void;
}

/** What the test asks of the power, and the way there: through the gate, whether probed or merely switched on. */
function PowerTag({ view, test, onStage }: TagProps) {
  const ask = useGoLive((state) => state.ask);
  const { power } = view.state;
  const live = isLive(power);
  if (needsPower(test)) {
    const how = test.probe
      ? say`Live: clip dead, step back, power, read, unplug.`
      : test.power === 'running'
        ? say`Running, hands clear of what turns.`
        : say`Switched on, hands off.`;
    if (live) return test.probe ? <p className={stages.caution}>{how}</p> : <p className={classes.tag}>{how}</p>;
    return (
      <div className={test.probe ? stages.caution : classes.tag}>
        {say`${how} Not on yet: ${POWER_KEY}, through the gate. `}
        <Button variant="outlined" onClick={() => ask('last')}>{say`To the gate`}</Button>
      </div>
    );
  }
  if (test.power !== 'dead' || isDead(view.state)) return null;
  if (live) return <p className={stages.caution}>{say`Unplug first.`}</p>;
  return (
    <div className={stages.caution}>
      {say`Prove the charge gone first. `}
      <Button variant="outlined" onClick={() => onStage('make-safe')}>{say`Make safe`}</Button>
    </div>
  );
}

/** What had to be opened for the test and is not listed as open yet: open from now on, until it is closed. */
function endsOf(view: JobView, stage: StageId, test: PathTest): BenchEvent[] {
  const listed = new Set(openEnds(view.state.ledger).map((end) => end.end.usualId));
  return familyOf(view.job.familyId)
    .openEnds.filter((end) => test.opens.includes(end.id) && !listed.has(end.id))
    .map(({ id, what, how }) =>
      makeLine(stage, { kind: 'open-end', what, how, usualId: id, stepKey: null, moveKey: null }),
    );
}

const openedWords = (view: JobView, test: PathTest): string =>
  familyOf(view.job.familyId)
    .openEnds.filter((end) => test.opens.includes(end.id))
    .map((end) => end.what)
    .join(', ');
