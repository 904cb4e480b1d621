/** Any look or check of the path, done on the practice unit without its being asked for. */
import type { PathTest } from '@amber-gauge/core/families';
import { notNow, type Visit } from '@amber-gauge/core/training';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { Field } from '../../../shared/ui/Field.js';
import classes from './Practice.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly visit: Visit;
  readonly onDo: (test: PathTest) => void;
}

export function Checks({ visit, onDo }: Props) {
  const { tests } = visit.path;
  const [chosen, setChosen] = useState('');
  // What can be tried from outside comes first.
  const ordered = [...tests].sort((a, b) => Number(b.outside) - Number(a.outside));
  const test = tests.find(({ id }) => id === chosen) ?? ordered[0];
  return (
    <span className={classes.together}>
      <Field
        select
        label={say`Look, listen, check`}
        value={test?.id ?? ''}
        onChange={(event) => setChosen(event.target.value)}
        className={classes.wide ?? ''}
      >
        {ordered.map((one) => (
          <MenuItem key={one.id} value={one.id} disabled={notNow(visit, one) !== null}>
            {one.name}
          </MenuItem>
        ))}
      </Field>
      <Button variant="outlined" disabled={!test} onClick={() => test && onDo(test)}>{say`Do`}</Button>
    </span>
  );
}
