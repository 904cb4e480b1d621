/** A check left unproved on purpose: the reason stands on the sheet. */
import type { ProvingCheck, StageId } from '@amber-gauge/core/bench';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { Field } from '../../../shared/ui/Field.js';
import type { JobView } from '../useJobView.js';
import stages from '../stages/Stages.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly check: ProvingCheck;
}

export function Unproved({ view, stage, check }: Props) {
  const [why, setWhy] = useState('');
  const rest = view.state.proving.checks.filter(
    (one) => one.group === check.group && one.id !== check.id && (one.status === 'owed' || one.status === 'undone'),
  );
  const keep = (checks: readonly ProvingCheck[]) => {
    if (why.trim() === '') return;
    void submitLines(
      view.job.id,
      ...checks.map(({ id: checkId, name }) => makeLine(stage, { kind: 'unproved', checkId, name, why: why.trim() })),
    );
    setWhy('');
  };
  return (
    <details className={stages.otherWay}>
      <summary>{say`Leave it unproved`}</summary>
      <div className="row">
        <Field
          label={say`Why (stands on the sheet)`}
          placeholder={say`this unit has none; no tester here`}
          value={why}
          onChange={(event) => setWhy(event.target.value)}
          sx={{ flex: '1 1 320px' }}
        />
        <Button variant="outlined" disabled={why.trim() === ''} onClick={() => keep([check])}>{say`Not proved`}</Button>
        {rest.length > 0 && (
          <Button
            variant="outlined"
            disabled={why.trim() === ''}
            onClick={() => keep([check, ...rest])}
          >{say`Nor the other ${rest.length} of its kind`}</Button>
        )}
      </div>
    </details>
  );
}
