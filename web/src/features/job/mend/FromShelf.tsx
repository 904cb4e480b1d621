/** Parts from the shelf for this job: set aside with one key, built in with another. */
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { Field } from '../../../shared/ui/Field.js';
import { useAddToShelf, useShelf } from '../../shelf/useShelf.js';
import type { JobView } from '../useJobView.js';
import { say } from '@amber-gauge/core/words';

export function FromShelf({ view }: { readonly view: JobView }) {
  const { shelf } = useShelf();
  const add = useAddToShelf();
  const [chosen, setChosen] = useState('');
  const { number } = view.job;
  const free = (shelf?.lots ?? []).filter((one) => one.free > 0);
  const aside = (shelf?.lots ?? []).filter((one) => one.reserved.has(number));
  // A practice unit takes nothing real from the shelf.
  if (view.job.practice) return null;
  if (free.length === 0 && aside.length === 0) return null;
  const move = (kind: 'reserved' | 'released' | 'used', lot: string, quantity = 1) => {
    add.mutate([{ kind, lot, quantity, job: number }]);
    setChosen('');
  };
  return (
    <section aria-label={say`From the shelf`} className="stack">
      <h2>{say`From the shelf, by hand`}</h2>
      {aside.map(({ key, lot, reserved }) => (
        <div key={key} className="row">
          <span>
            {reserved.get(number)}
            {say` × ${lot.part} set aside${lot.place ? say`, in ${lot.place}` : ''}`}
          </span>
          <Button
            variant="outlined"
            disabled={add.isPending}
            onClick={() => move('used', key, reserved.get(number) ?? 1)}
            aria-label={say`Built in: ${lot.part}`}
          >{say`Built in`}</Button>
          <Button
            disabled={add.isPending}
            onClick={() => move('released', key, reserved.get(number) ?? 1)}
            aria-label={say`Give back: ${lot.part}`}
          >{say`Give back`}</Button>
        </div>
      ))}
      {free.length > 0 && (
        <div className="row" style={{ alignItems: 'flex-end' }}>
          <Field
            select
            label={say`Part`}
            value={chosen}
            onChange={(event) => setChosen(event.target.value)}
            sx={{ width: 380 }}
          >
            {free.map((one) => (
              <MenuItem key={one.key} value={one.key}>{say`${one.lot.part}, ${one.free} free`}</MenuItem>
            ))}
          </Field>
          <Button
            variant="outlined"
            disabled={chosen === '' || add.isPending}
            onClick={() => move('reserved', chosen)}
          >{say`Set one aside for this job`}</Button>
        </div>
      )}
      {add.error && <p role="alert" className="danger">{say`${add.error.message} Nothing was changed.`}</p>}
    </section>
  );
}
