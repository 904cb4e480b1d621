/** Suspects with their shares; opened, what speaks for and against each, and what the repairer knows better. */
import type { StageId } from '@amber-gauge/core/bench';
import { costOf, type TestAdvice } from '@amber-gauge/core/diagnosis';
import { signed } from '@amber-gauge/core/quantity';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
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
  /** Tests of a block and of what it gives, to be asked next. */
  readonly checksOf: (block: string) => readonly TestAdvice[];
  readonly onChoose: (testId: string) => void;
}

/** Suspects under this share are not listed unless they are opened. */
const LEAST_SHARE = 0.02;

export function Suspects({ view, stage, answer, suspicion, words, opened, onOpen, checksOf, onChoose }: Props) {
  const listed = answer.suspects.filter((one) => one.share >= LEAST_SHARE || one.block === opened);
  return (
    <section aria-label="Suspects">
      <ul className={classes.suspects}>
        {listed.map((one) => (
          <li key={one.block} id={`suspect-${one.block}`}>
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
            {one.block === opened && (
              <Opened
                view={view}
                stage={stage}
                one={one}
                words={words}
                checks={checksOf(one.block)}
                onChoose={onChoose}
              />
            )}
          </li>
        ))}
        {answer.healthy >= LEAST_SHARE && (
          <li className={classes.outside}>nothing wrong in this path {percent(answer.healthy)} %</li>
        )}
        {answer.outside >= LEAST_SHARE && (
          <li className={classes.outside}>something outside this model {percent(answer.outside)} %</li>
        )}
      </ul>
      <OwnFinding view={view} stage={stage} />
      {answer.outside > 0.5 && (
        <p className={classes.how}>
          What was seen fits nothing this path knows. Take the readings again that do not fit, or log what you find.
        </p>
      )}
    </section>
  );
}

/** Found by the repairer and known to no path: kept as by hand, and the outside of the model leads from then on. */
function OwnFinding({ view, stage }: { readonly view: JobView; readonly stage: StageId }) {
  const [text, setText] = useState('');
  const keep = () => {
    if (text.trim() === '') return;
    void submitLines(
      view.job.id,
      makeLine(stage, { kind: 'suspect', block: '', name: text.trim(), verdict: 'outside' }),
    );
    setText('');
  };
  return (
    <div className={`row ${classes.own}`}>
      <TextField
        label="Found something else, not in this path"
        value={text}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => event.key === 'Enter' && keep()}
        sx={{ flex: '1 1 260px' }}
      />
      <Button variant="outlined" disabled={text.trim() === ''} onClick={keep}>
        Keep the finding
      </Button>
    </div>
  );
}

function Opened({
  view,
  stage,
  one,
  words,
  checks,
  onChoose,
}: {
  readonly view: JobView;
  readonly stage: StageId;
  readonly one: SuspectView;
  readonly words: ReadonlyMap<string, string>;
  readonly checks: readonly TestAdvice[];
  readonly onChoose: (testId: string) => void;
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
      {checks.length > 0 && (
        <ul aria-label={`Checks of ${one.name}`}>
          {checks.map((check) => (
            <li key={check.test.id} className={classes.check}>
              <Button onClick={() => onChoose(check.test.id)}>{check.test.name}</Button>
              <span className="quiet small">{check.forbidden ?? costOf(check)}</span>
            </li>
          ))}
        </ul>
      )}
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
