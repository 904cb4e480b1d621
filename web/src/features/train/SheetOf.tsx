/** The train of a model's sheet: fetched, and kept there. */
import { keptSheetSchema } from '@amber-gauge/contract';
import type { Train } from '@amber-gauge/core/drive';
import { FAMILIES } from '@amber-gauge/core/families';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import { useEffect, useRef, useState } from 'react';
import { ApiError, call } from '../../shared/api/client.js';
import { keys, queryClient, useSheet } from '../../shared/api/queries.js';
import { notice } from '../../shared/ui/Notice.js';
import { Field } from '../../shared/ui/Field.js';

interface Props {
  readonly familyId: string | null;
  readonly model: string | null;
  /** Null while it cannot be reckoned. */
  readonly train: Train | null;
  readonly onTrain: (train: Train) => void;
}

export function SheetOf({ familyId, model, train, onTrain }: Props) {
  const [family, setFamily] = useState(familyId ?? FAMILIES[0]?.id ?? '');
  const [name, setName] = useState(model ?? '');
  const [problem, setProblem] = useState<string | null>(null);
  const kept = useSheet(family, name.trim(), name.trim() !== '');
  const begun = useRef(false);
  useEffect(() => {
    // Opened from a job, the model's own train stands there at once; what is typed later is not overwritten.
    if (begun.current || model === null || !kept) return;
    begun.current = true;
    if (kept.sheet.train) onTrain(kept.sheet.train);
  }, [kept, model, onTrain]);
  const keep = async () => {
    if (!train || !kept) return;
    setProblem(null);
    try {
      const answer = await call(`/families/${family}/sheet`, keptSheetSchema, {
        method: 'PUT',
        body: { model: name.trim(), version: kept.version, sheet: { ...kept.sheet, train } },
      });
      queryClient.setQueryData(keys.sheet(family, name.trim()), answer);
      notice('Kept on the sheet');
    } catch (error) {
      if (error instanceof ApiError && error.code === 'CONFLICT') {
        await queryClient.invalidateQueries({ queryKey: keys.sheet(family, name.trim()) });
        setProblem('Somebody changed this sheet meanwhile. Keep again to put this train on it.');
      } else setProblem(error instanceof Error ? error.message : 'It could not be kept. Try again.');
    }
  };
  return (
    <section aria-label="On the model’s sheet" className="stack">
      <h2>On the model’s sheet</h2>
      <div className="row" style={{ alignItems: 'flex-end' }}>
        <Field
          select
          label="Family"
          value={family}
          onChange={(event) => setFamily(event.target.value)}
          sx={{ width: 300 }}
        >
          {FAMILIES.map((one) => (
            <MenuItem key={one.id} value={one.id}>
              {one.name}
            </MenuItem>
          ))}
        </Field>
        <Field label="Model" value={name} onChange={(event) => setName(event.target.value)} sx={{ width: 260 }} />
        <Button variant="contained" disabled={!train || !kept} onClick={() => void keep()}>
          Keep it there
        </Button>
        {kept?.sheet.train && (
          <Button variant="outlined" onClick={() => kept.sheet.train && onTrain(kept.sheet.train)}>
            Fetch its train
          </Button>
        )}
      </div>
      <p className="quiet">
        {kept === null && name.trim() !== ''
          ? 'The sheet cannot be had just now.'
          : 'The speed screens name lines of wow by the train of the model’s sheet.'}
      </p>
      {problem && (
        <p role="alert" className="danger">
          {problem}
        </p>
      )}
    </section>
  );
}
