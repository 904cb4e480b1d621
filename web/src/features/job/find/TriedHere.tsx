/** What was tried at a part for a minute, and what came of it: it counts like any reading. */
import {
  RESULT_WORDS,
  resultsOf,
  TRIAL_CAUTIONS,
  TRIAL_WORDS,
  trialsAt,
  type StageId,
  type Trial,
  type TrialResult,
} from '@amber-gauge/core/bench';
import type { DrivePath } from '@amber-gauge/core/families';
import { readCell } from '@amber-gauge/core/diagnosis';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { makeLine, submitLines } from '../../../shared/outbox/outbox.js';
import { Field } from '../../../shared/ui/Field.js';
import type { JobView } from '../useJobView.js';
import classes from './Find.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly view: JobView;
  readonly stage: StageId;
  readonly path: DrivePath;
  readonly block: string;
  readonly name: string;
}

export function TriedHere({ view, stage, path, block, name }: Props) {
  const [trial, setTrial] = useState<Trial | ''>('');
  const [amps, setAmps] = useState('');
  const read = amps.trim() === '' ? null : readCell(amps);
  const bad = amps.trim() !== '' && (read === null || !Number.isFinite(read));
  const keep = (result: TrialResult) => {
    if (trial === '' || bad) return;
    void submitLines(view.job.id, makeLine(stage, { kind: 'tried', block, name, trial, result, amps: read }));
    setTrial('');
    setAmps('');
  };
  return (
    <section className={classes.tried} aria-label={say`Tried at ${name}`}>
      <Field
        select
        label={say`Tried here`}
        value={trial}
        onChange={(event) => setTrial(event.target.value as Trial)}
        helperText={trial === '' ? undefined : TRIAL_CAUTIONS[trial]}
      >
        {trialsAt(view.job.familyId, path, block).map((one) => (
          <MenuItem key={one} value={one}>
            {TRIAL_WORDS[one]}
          </MenuItem>
        ))}
      </Field>
      {trial === 'fed-direct' && (
        <Field
          label={say`Current, A (if read)`}
          value={amps}
          error={bad}
          onChange={(event) => setAmps(event.target.value)}
          helperText={bad ? say`A number of amperes, or nothing` : undefined}
        />
      )}
      {trial !== '' && (
        <div className="row">
          {resultsOf(trial).map((result) => (
            <Button key={result} variant="outlined" disabled={bad} onClick={() => keep(result)}>
              {RESULT_WORDS[result]}
            </Button>
          ))}
        </div>
      )}
    </section>
  );
}
