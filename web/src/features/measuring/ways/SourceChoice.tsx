/** Which test tape or record plays, with its tolerance. */
import type { Source } from '@amber-gauge/contract';
import MenuItem from '@mui/material/MenuItem';
import { Field } from '../../../shared/ui/Field.js';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly source: Source;
  readonly sources: readonly Source[];
  readonly onSource: (id: string) => void;
}

/** The test tape or record that was played. */
export function SourceChoice({ source, sources, onSource }: Props) {
  return (
    <Field select label={say`Test tape or record`} value={source.id} onChange={(event) => onSource(event.target.value)}>
      {sources.map((one) => (
        <MenuItem key={one.id} value={one.id}>
          {one.name}
          {one.tolerancePercent === null ? say`, tolerance not known` : `, ±${one.tolerancePercent} %`}
        </MenuItem>
      ))}
    </Field>
  );
}

/** Where there is none yet: its nominal decides the speed error. */
export const NO_SOURCE = say`Add the test tape or record in Set-up first: its nominal decides the speed error.`;
