/** The eight stages with what each still owes; every stage stays open. */
import { STAGE_NAMES, STAGES, type StageId } from '@amber-gauge/core/bench';
import MenuItem from '@mui/material/MenuItem';
import { Field } from '../../../shared/ui/Field.js';
import type { JobView } from '../useJobView.js';
import classes from '../Job.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly onStage: (stage: StageId) => void;
}

export function Spine({ view, stage, onStage }: Props) {
  const owes = (one: StageId) => view.owed.filter((item) => item.stage === one).length;
  return (
    <nav className={classes.spine} aria-label={say`Stages`}>
      {STAGES.map((one, i) => {
        const count = owes(one);
        return (
          <button
            key={one}
            type="button"
            className={classes.step}
            aria-current={one === stage ? 'step' : undefined}
            onClick={() => onStage(one)}
            title={say`Key ${i + 1}`}
          >
            <span>{STAGE_NAMES[one]}</span>
            {count > 0 && <span className={classes.owed}>{count === 1 ? say`owes 1` : say`owes ${count}`}</span>}
          </button>
        );
      })}
      <Field
        select
        fullWidth
        className={classes.pick ?? ''}
        value={stage}
        onChange={(event) => onStage(event.target.value as StageId)}
        slotProps={{ htmlInput: { 'aria-label': 'Stage' } }}
      >
        {STAGES.map((one) => (
          <MenuItem key={one} value={one}>
            {STAGE_NAMES[one]}
            {owes(one) > 0 ? say`, owes ${owes(one)}` : ''}
          </MenuItem>
        ))}
      </Field>
    </nav>
  );
}
