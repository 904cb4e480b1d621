/** Suspects with their shares; opened, what speaks for and against each, and what the repairer knows better. */
import type { StageId } from '@amber-gauge/core/bench';
import { signed } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { SuspicionShape, SUSPICION_WORDS, type Suspicion } from '../../../shared/shapes/SuspicionShape.js';
import type { FindAnswer, SuspectView } from '../../../workers/find.worker.js';
import type { JobView } from '../useJobView.js';
import { percent } from './useFind.js';
import classes from './Find.module.css';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly answer: FindAnswer;
  readonly suspicion: (suspect: SuspectView) => Suspicion;
  readonly words: ReadonlyMap<string, string>;
  readonly opened: string | null;
  readonly onOpen: (block: string | null) => void;
}

/** Suspects under this share are not listed unless they are opened. */
const LEAST_SHARE = 0.02;

export function Suspects({ view, stage, answer, suspicion, words, opened, onOpen }: Props) {
  const listed = answer.suspects.filter((one) => one.share >= LEAST_SHARE || one.block === opened);
  return (
    <section aria-label="Suspects">
      <ul className={classes.suspects}>
        {listed.map((one) => (
          <li key={one.block}>
            <button
              type="button"
              className={classes.suspect}
              aria-expanded={one.block === opened}
              onClick={() => onOpen(one.block === opened ? null : one.block)}
            >
              <SuspicionShape suspicion={suspicion(one)} size={24} />
              <span>
                {one.name} <span className="quiet small">{SUSPICION_WORDS[suspicion(one)]}</span>
              </span>
              <span className={classes.bar} aria-hidden="true">
                <span style={{ width: `${100 * one.share}%` }} />
              </span>
              <span className="mono">{percent(one.share)} %</span>
            </button>
            {one.block === opened && <Opened view={view} stage={stage} one={one} words={words} />}
          </li>
        ))}
        {answer.healthy >= LEAST_SHARE && (
          <li className={classes.outside}>nothing wrong in this path {percent(answer.healthy)} %</li>
        )}
        {answer.outside >= LEAST_SHARE && (
          <li className={classes.outside}>something outside this model {percent(answer.outside)} %</li>
        )}
      </ul>
      {answer.outside > 0.5 && (
        <p className={classes.how}>
          What was seen fits nothing this path knows. Take the readings again that do not fit, or log what you find.
        </p>
      )}
    </section>
  );
}

function Opened({
  view,
  stage,
  one,
  words,
}: {
  readonly view: JobView;
  readonly stage: StageId;
  readonly one: SuspectView;
  readonly words: ReadonlyMap<string, string>;
}) {
  const say = (verdict: 'ruled-out' | 'pinned') =>
    void submitLines(view.job.id, makeLine(stage, { kind: 'suspect', block: one.block, name: one.name, verdict }));
  return (
    <div className={classes.opened}>
      <ul>
        {one.modes
          .filter((mode) => mode.share >= 0.005)
          .map((mode) => (
            <li key={mode.mode}>
              {mode.name} <span className="mono quiet">{percent(mode.share)} %</span>
            </li>
          ))}
      </ul>
      {one.evidence.length === 0 && <p className="quiet">Nothing seen has borne on it yet.</p>}
      <ul>
        {one.evidence.map((evidence) => (
          <li key={evidence.ids.join()}>
            <span className="mono">{signed(evidence.bits, 1)} bits</span> {evidence.bits > 0 ? 'for' : 'against'}:{' '}
            {evidence.ids.map((id) => words.get(id) ?? '').join(', ')}
          </li>
        ))}
      </ul>
      <div className="row">
        <Button variant="outlined" onClick={() => say('ruled-out')}>
          I know it is not this
        </Button>
        <Button variant="outlined" onClick={() => say('pinned')}>
          I know it is this
        </Button>
      </div>
    </div>
  );
}
