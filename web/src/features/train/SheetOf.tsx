/** The train of a model's sheet: fetched, and kept there. */
import type { Train } from '@amber-gauge/core/drive';
import { FAMILIES } from '@amber-gauge/core/families';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import { useEffect, useRef, useState } from 'react';
import { keepSheet } from '../../shared/api/keepSheet.js';
import { useSheet } from '../../shared/api/queries.js';
import { notice } from '../../shared/ui/Notice.js';
import { Field } from '../../shared/ui/Field.js';
import { say } from '@amber-gauge/core/words';

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
    const wrong = await keepSheet(family, kept, { ...kept.sheet, train });
    setProblem(wrong);
    if (wrong === null) notice(say`Kept on the sheet`);
  };
  return (
    <section aria-label={say`On the model’s sheet`} className="stack">
      <h2>{say`On the model’s sheet`}</h2>
      <div className="row" style={{ alignItems: 'flex-end' }}>
        <Field
          select
          label={say`Family`}
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
        <Field label={say`Model`} value={name} onChange={(event) => setName(event.target.value)} sx={{ width: 260 }} />
        <Button variant="contained" disabled={!train || !kept} onClick={() => void keep()}>{say`Keep it there`}</Button>
        {kept?.sheet.train && (
          <Button
            variant="outlined"
            onClick={() => kept.sheet.train && onTrain(kept.sheet.train)}
          >{say`Fetch its train`}</Button>
        )}
      </div>
      <p className="quiet">
        {kept === null && name.trim() !== ''
          ? say`The sheet cannot be had just now.`
          : say`The speed screens name lines of wow by the train of the model’s sheet.`}
      </p>
      {problem && (
        <p role="alert" className="danger">
          {problem}
        </p>
      )}
    </section>
  );
}
