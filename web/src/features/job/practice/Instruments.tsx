/** An instrument chosen, put to a place of the practice unit, and read. */
import { measureAt, placesOf, TOOLS, type Scoped, type ToolId, type Visit } from '@amber-gauge/core/training';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { Field } from '../../../shared/ui/Field.js';
import classes from './Practice.module.css';
import { say } from '@amber-gauge/core/words';

interface Props {
  readonly visit: Visit;
  readonly condition: Parameters<typeof measureAt>[3];
  readonly seed: number;
  readonly onDone: (scoped: Scoped) => void;
}

const IDS = Object.keys(TOOLS) as ToolId[];

export function Instruments({ visit, condition, seed, onDone }: Props) {
  const had = IDS.filter((id) => placesOf(visit, id).length > 0);
  const [chosen, setTool] = useState<ToolId>('volts-dc');
  const tool = had.includes(chosen) ? chosen : (had[0] ?? 'ohms');
  const places = placesOf(visit, tool);
  const [at, setAt] = useState('');
  const place = places.find(({ quantity }) => quantity === at) ?? places[0];
  return (
    <span className={classes.together}>
      <Field
        select
        label={say`Instrument`}
        value={tool}
        onChange={(event) => setTool(event.target.value as ToolId)}
        className={classes.choice ?? ''}
      >
        {had.map((id) => (
          <MenuItem key={id} value={id}>
            {TOOLS[id].words}
          </MenuItem>
        ))}
      </Field>
      <Field
        select
        label={say`At`}
        value={place?.quantity ?? ''}
        onChange={(event) => setAt(event.target.value)}
        className={classes.choice ?? ''}
      >
        {places.map(({ quantity, words }) => (
          <MenuItem key={quantity} value={quantity}>
            {words}
          </MenuItem>
        ))}
      </Field>
      <Button
        variant="outlined"
        disabled={!place}
        onClick={() => place && onDone(measureAt(visit, tool, place, condition, seed))}
      >{say`Read`}</Button>
    </span>
  );
}
