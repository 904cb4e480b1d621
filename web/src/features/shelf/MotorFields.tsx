/** What the plate of a motor says, so that it can be laid beside any that is wanted. */
import { ownEntry } from '@amber-gauge/core/quantity';
import { CANDIDATE_FIELDS } from '@amber-gauge/core/workings';
import MenuItem from '@mui/material/MenuItem';
import { Field } from '../../shared/ui/Field.js';
import { said } from '@amber-gauge/core/words';

/** Typed texts by field. */
export type MotorTexts = Readonly<Record<string, string>>;

interface Props {
  readonly motor: MotorTexts;
  readonly onChange: (motor: MotorTexts) => void;
}

/** The plate of a motor that lies on the shelf. */
export function MotorFields({ motor, onChange }: Props) {
  return CANDIDATE_FIELDS.map((field) => (
    <Field
      key={field.id}
      label={field.label.replace('Candidate: ', 'Motor: ').replace(' (candidate)', '')}
      {...(field.unit ? { unit: field.unit } : {})}
      {...(field.choices ? { select: true } : {})}
      value={ownEntry(motor, field.id) ?? field.usual ?? ''}
      onChange={(event) => onChange({ ...motor, [field.id]: event.target.value })}
      slotProps={field.kind === 'number' ? { htmlInput: { inputMode: 'decimal' } } : {}}
    >
      {field.choices?.map((one) => (
        <MenuItem key={one} value={one}>
          {said(one)}
        </MenuItem>
      ))}
    </Field>
  ));
}

/** What was typed, and what usually stands there, without what was left empty. */
export const filled = (motor: MotorTexts): Record<string, string> =>
  Object.fromEntries(
    CANDIDATE_FIELDS.flatMap(({ id, usual }) => {
      const text = (ownEntry(motor, id) ?? usual ?? '').trim();
      return text === '' ? [] : [[id, text]];
    }),
  );
