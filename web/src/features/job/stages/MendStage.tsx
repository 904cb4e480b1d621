/** Mend: what to do and why, one choice at a time; then that it was done, which ends the as-found part of the job. */
import { refusalOf, WORK_ACTIONS, WORK_WORDS, type WorkAction } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useEffect, useRef, useState } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { useJobFind } from '../find/findContext.js';
import { Chosen } from '../mend/Chosen.js';
import { Decision } from '../mend/Decision.js';
import { FromShelf } from '../mend/FromShelf.js';
import { Moves } from '../mend/Moves.js';
import { Sums } from '../mend/Sums.js';
import { Terms } from '../mend/Terms.js';
import { TimerStart } from '../parts/TimerStart.js';
import { Cautions } from '../safe/Cautions.js';
import { Refused } from '../safe/Refused.js';
import { when } from '../../../shared/ui/when.js';
import type { StageProps } from './stageProps.js';
import classes from './Stages.module.css';

export function MendStage({ view, stage, prompt }: StageProps) {
  const choice = (useJobFind()?.answer?.advice.mends.length ?? 0) > 0 && view.state.work.length === 0;
  const heading = useRef<HTMLHeadingElement>(null);
  const chosenAt = view.state.decision?.at;
  const before = useRef(chosenAt);
  // What was chosen is the next thing to do: it comes into sight.
  useEffect(() => {
    if (chosenAt !== undefined && chosenAt !== before.current) heading.current?.scrollIntoView({ block: 'start' });
    before.current = chosenAt;
  }, [chosenAt]);
  const owing = view.state.speeds.filter((speed) => !speed.asFound && view.state.work.length === 0);
  return (
    <>
      <h1 className="prompt" ref={heading}>
        {view.state.decision?.name ?? (choice ? 'Choose what to mend' : prompt.text)}
      </h1>
      {owing.length > 0 && (
        <p className={classes.caution}>
          Not measured as found yet: {owing.map((speed) => speed.label).join(', ')}. After the first work it is too
          late.
        </p>
      )}
      <Chosen view={view} stage={stage} />
      <Decision view={view} stage={stage} />
      <FromShelf view={view} />
      <WorkEntry view={view} stage={stage} />
      <Moves view={view} stage={stage} kind="mend" />
      <TimerStart view={view} stage={stage} kinds={['cure', 'run-in']} />
      <Sums view={view} stage={stage} />
      <Terms view={view} stage={stage} />
      {view.state.work.length > 0 && (
        <ol className={classes.rows}>
          {[...view.state.work].reverse().map(({ key, at, work }) => (
            <li key={key} className={classes.rowLine}>
              <span className="mono small quiet">{when(at)}</span>
              <span>
                {WORK_WORDS[work.action]} {work.what}
              </span>
              <span />
            </li>
          ))}
        </ol>
      )}
    </>
  );
}

/** Work that no list names: what was done, to what. */
function WorkEntry({ view, stage }: Pick<StageProps, 'view' | 'stage'>) {
  const [action, setAction] = useState<WorkAction>('clean');
  const [what, setWhat] = useState('');
  const text = `${WORK_WORDS[action]} ${what}`;
  const refusal = refusalOf(what);
  const keep = () => {
    if (what.trim() === '' || refusal) return;
    void submitLines(view.job.id, makeLine(stage, { kind: 'work', action, what: what.trim() }));
    setWhat('');
  };
  return (
    <section className="stack" aria-label="What was done">
      <h2>Something else was done</h2>
      <ToggleButtonGroup
        exclusive
        value={action}
        onChange={(_event, value: WorkAction | null) => value && setAction(value)}
        aria-label="What was done"
        sx={{ flexWrap: 'wrap' }}
      >
        {WORK_ACTIONS.map((one) => (
          <ToggleButton key={one} value={one} className={classes.big ?? ''}>
            {WORK_WORDS[one]}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <div className={classes.ask}>
        <input
          className={`${classes.field} ${classes.words}`}
          value={what}
          onChange={(event) => setWhat(event.target.value)}
          onKeyDown={(event) => event.key === 'Enter' && keep()}
          placeholder="both trims, pitch pot"
          aria-label="What"
        />
        <Button
          variant="contained"
          className={classes.keep ?? ''}
          disabled={what.trim() === '' || refusal !== null}
          onClick={keep}
        >
          Keep it
        </Button>
      </div>
      {refusal && <Refused rule={refusal} />}
      <Cautions text={what === '' ? '' : text} familyId={view.job.familyId} />
    </section>
  );
}
