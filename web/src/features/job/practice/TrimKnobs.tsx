/** The trims of a practice unit, turned by keys: a twentieth of a turn, or a hair of a hundredth. */
import type { StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import type { JobView } from '../useJobView.js';
import classes from './Practice.module.css';
import { say } from '@amber-gauge/core/words';

const STEPS = [-0.05, -0.01, 0.01, 0.05] as const;

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly trims: readonly string[];
}

export function TrimKnobs({ view, stage, trims }: Props) {
  const turn = (trim: string, turns: number) =>
    void submitLines(view.job.id, makeLine(stage, { kind: 'practice-turn', trim, name: say`${trim} trim`, turns }));
  return (
    <>
      {trims.map((trim) => (
        <span key={trim} className={classes.knob} role="group" aria-label={say`Turn the ${trim} trim`}>
          <span>{say`${trim} trim`}</span>
          {STEPS.map((turns) => (
            <Button
              key={turns}
              size="small"
              variant="outlined"
              onClick={() => turn(trim, turns)}
              aria-label={say`${trim} trim ${Math.abs(turns)} turn
                ${turns > 0 ? say`clockwise` : say`counter-clockwise`}`}
            >
              {turns > 0 ? '↻' : '↺'}
              {Math.abs(turns) > 0.02 ? say` more` : say` hair`}
            </Button>
          ))}
        </span>
      ))}
    </>
  );
}
