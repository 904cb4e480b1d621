/** Which kind of machine is measured, and at which of its speeds. */
import { FAMILIES, type Family, type FamilySpeed } from '@amber-gauge/core/families';
import MenuItem from '@mui/material/MenuItem';
import { Field } from '../../../shared/ui/Field.js';
import classes from '../Desk.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly family: Family;
  readonly speed: FamilySpeed;
  readonly onFamily: (id: string) => void;
  readonly onSpeed: (id: string) => void;
}

export function MachineChoice({ family, speed, onFamily, onSpeed }: Props) {
  return (
    <div className={classes.choices}>
      <Field select label={say`Kind of machine`} value={family.id} onChange={(event) => onFamily(event.target.value)}>
        {FAMILIES.map((one) => (
          <MenuItem key={one.id} value={one.id}>
            {one.name}
          </MenuItem>
        ))}
      </Field>
      <Field select label={say`Speed`} value={speed.id} onChange={(event) => onSpeed(event.target.value)}>
        {family.speeds.map((one) => (
          <MenuItem key={one.id} value={one.id}>
            {one.label}
          </MenuItem>
        ))}
      </Field>
    </div>
  );
}
