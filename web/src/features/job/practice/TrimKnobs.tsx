/** The trims of a practice unit, turned by keys: an eighth of a turn, or a hair. */
import { jobSpeeds, type StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import type { JobView } from '../useJobView.js';
import classes from './Practice.module.css';

const STEPS = [-0.05, -0.01, 0.01, 0.05] as const;

export function TrimKnobs({ view, stage }: { readonly view: JobView; readonly stage: StageId }) {
  const turn = (trim: string, turns: number) =>
    void submitLines(view.job.id, makeLine(stage, { kind: 'practice-turn', trim, name: `${trim} trim`, turns }));
  return (
    <>
      {jobSpeeds(view.job).map(({ id, label }) => (
        <span key={id} className={classes.knob} role="group" aria-label={`Turn the ${label} trim`}>
          <span>{label} trim</span>
          {STEPS.map((turns) => (
            <Button
              key={turns}
              size="small"
              variant="outlined"
              onClick={() => turn(id, turns)}
              aria-label={`${label} trim ${Math.abs(turns)} turn ${turns > 0 ? 'clockwise' : 'counter-clockwise'}`}
            >
              {turns > 0 ? '↻' : '↺'}
              {Math.abs(turns) > 0.02 ? ' more' : ' hair'}
            </Button>
          ))}
        </span>
      ))}
    </>
  );
}
