/** Mend: what to do and why, one choice at a time; then that it was done, which ends the as-found part of the job. */
import { decisionIds, WORK_WORDS } from '@amber-gauge/core/bench';
import { mendOf, type DrivePath } from '@amber-gauge/core/families';
import { useEffect, useRef } from 'react';
import { useJobFind } from '../find/findContext.js';
import { AfterMend } from '../mend/AfterMend.js';
import { Chosen } from '../mend/Chosen.js';
import { Decision } from '../mend/Decision.js';
import { FromShelf } from '../mend/FromShelf.js';
import { Sums } from '../mend/Sums.js';
import { Terms } from '../mend/Terms.js';
import { useMendParts } from '../mend/useMendParts.js';
import { TimerStart } from '../parts/TimerStart.js';
import { when } from '../../../shared/ui/when.js';
import type { StageProps } from './stageProps.js';
import classes from './Stages.module.css';
import { say } from '@amber-gauge/core/words';

export function MendStage({ view, stage, prompt, onStage }: StageProps) {
  const parts = useMendParts(view);
  const find = useJobFind();
  const path = find?.path ?? null;
  const choice = (find?.answer?.advice.mends.length ?? 0) > 0 && view.state.work.length === 0;
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
        {presentMend(path, view) ??
          (view.state.lastMended ? say`Did it cure it?` : choice ? say`Choose what to mend` : prompt.text)}
      </h1>
      {owing.length > 0 && (
        <p
          className={classes.caution}
        >{say`Not measured as found yet: ${owing.map((speed) => speed.label).join(', ')}. After the first work it is
          too late.`}</p>
      )}
      <Chosen view={view} stage={stage} parts={parts} />
      <AfterMend view={view} onStage={onStage} />
      <Decision view={view} stage={stage} parts={parts} />
      <FromShelf view={view} />
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

/** The chosen mend; of several done together the one that is next. */
function presentMend(path: DrivePath | null, { state: { decision } }: StageProps['view']): string | null {
  if (!decision) return null;
  const next = decisionIds(decision).find((id) => !decision.mended.includes(id));
  return (decision.also !== undefined && mendOf(path, next ?? '')?.name) || decision.name;
}
