/** One next test in large type, with its conditions, where to put the probes, and its answers to tap. */
import { isDead, isLive, openEnds, type BenchEvent, type StageId } from '@amber-gauge/core/bench';
import { reasonOf, type TestAdvice } from '@amber-gauge/core/diagnosis';
import { familyOf, type DrivePath, type PathTest } from '@amber-gauge/core/families';
import Button from '@mui/material/Button';
import { useEffect, useState } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { useAsked } from '../asked.js';
import { numberIn } from '../numberIn.js';
import { healthyWords } from './healthyWords.js';
import { RowReadings } from './RowReadings.js';
import type { JobView } from '../useJobView.js';
import { Cautions } from '../safe/Cautions.js';
import stages from '../stages/Stages.module.css';
import classes from './Find.module.css';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly path: DrivePath;
  readonly advice: TestAdvice;
  readonly onOther: () => void;
}

export function NextTest({ view, stage, path, advice, onOther }: Props) {
  const { test } = advice;
  const signal = path.signals.find((one) => one.id === test.signal);
  const level = path.levels.find((one) => one.id === test.level);
  const live = isLive(view.state.power);
  const needsGate = test.power === 'live' && !live;
  const needsDead = test.power === 'dead' && !isDead(view.state);
  const context = path.contexts
    .filter((one) => test.context[one.id])
    .map((one) => `${one.name}: ${test.context[one.id]}`);
  const answer = (outcome: string, words: string) =>
    void submitLines(
      view.job.id,
      makeLine(stage, { kind: 'answer', testId: test.id, name: test.name, outcome, words, value: null, unit: null }),
      ...endsOf(view, stage, test),
    );
  const ask = useAsked((state) => state.ask);
  const place = signal?.measure?.place ?? null;
  useEffect(() => {
    ask({ name: test.name, place });
    return () => ask(null);
  }, [ask, test.name, place]);
  const skip = () =>
    void submitLines(view.job.id, makeLine(stage, { kind: 'unreachable', testId: test.id, name: test.name }));
  return (
    <section className="stack" aria-label="Next test">
      <h1 className="prompt">{test.name}</h1>
      <p className={classes.how}>{test.how}</p>
      {healthyWords(path, advice) && <p className={classes.healthy}>{healthyWords(path, advice)}</p>}
      {advice.forbidden && <p className={stages.caution}>{advice.forbidden}</p>}
      {needsGate && (
        <p className={stages.caution}>
          Live. Press p: through the gate first. Clip dead, step back, power, read, unplug.
        </p>
      )}
      {needsDead && <p className={stages.caution}>{live ? 'Unplug first.' : 'Prove the charge gone first.'}</p>}
      <p className="quiet">
        {[level && level.minutes > 0 && level.name, ...context, reasonOf(advice)].filter(Boolean).join(' · ')}
      </p>
      {test.opens.length > 0 && <p className="quiet">Opens what must be closed again: {openedWords(view, test)}.</p>}
      <Cautions text={`${test.name} ${test.how}`} familyId={view.job.familyId} />
      {signal?.measure && (
        <Value view={view} stage={stage} advice={advice} unit={signal.measure.unit} place={signal.measure.place} />
      )}
      {test.row && <RowReadings test={test} labels={test.row.labels} unit={test.row.unit} onAnswer={answer} />}
      <div className={classes.answers}>
        {test.outcomes.map((outcome) => (
          <Button
            key={outcome.id}
            variant="outlined"
            className={stages.big ?? ''}
            onClick={() => answer(outcome.id, outcome.words)}
          >
            {outcome.words}
          </Button>
        ))}
      </div>
      <div className="row">
        <Button onClick={skip}>Cannot reach it</Button>
        <Button onClick={onOther}>Another test</Button>
      </div>
    </section>
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

interface ValueProps {
  readonly view: JobView;
  readonly stage: StageId;
  readonly advice: TestAdvice;
  readonly unit: string;
  readonly place: string;
}

/** The value as a number: it counts for both states near the edge of a band. */
function Value({ view, stage, advice, unit, place }: ValueProps) {
  const [typed, setTyped] = useState('');
  const value = numberIn(typed);
  const keep = () => {
    if (value === null) return;
    const { id, name } = advice.test;
    void submitLines(
      view.job.id,
      makeLine(stage, { kind: 'answer', testId: id, name, outcome: null, words: '', value, unit }),
      ...endsOf(view, stage, advice.test),
    );
    setTyped('');
  };
  return (
    <div className={stages.ask}>
      <input
        className={stages.field}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && keep()}
        placeholder={unit}
        aria-label={`${place}, ${unit}`}
        autoComplete="off"
      />
      <Button variant="contained" className={stages.keep ?? ''} disabled={value === null} onClick={keep}>
        Keep reading
      </Button>
    </div>
  );
}
