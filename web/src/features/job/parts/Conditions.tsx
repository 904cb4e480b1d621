/** Under which conditions the next reading is taken: they stand with it in the log. */
import { isLive } from '@amber-gauge/core/bench';
import type { Family } from '@amber-gauge/core/families';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { Field } from '../../../shared/ui/Field.js';
import { serverNow } from '../../../shared/outbox/clock.js';
import type { JobView } from '../useJobView.js';

const PITCH = [
  'pitch at its detent',
  'pitch at its centre',
  'pitch at minus',
  'pitch at plus',
  'pitch off its detent',
] as const;
const LOADS: Readonly<Record<Family['testTone'], readonly string[]>> = {
  record: ['record on', 'platter bare'],
  tape: ['tape in play', 'no tape'],
  none: ['loaded', 'running free'],
};

/** "pitch at its detent, record on, 12 min warm"; empty while nothing is said and it is not on. */
export function useConditions(view: JobView, family: Family) {
  const [pitch, setPitch] = useState('');
  const [load, setLoad] = useState('');
  const since = isLive(view.state.power) ? view.state.powerSince : null;
  const words = () => {
    const minutes = since === null ? null : Math.floor((serverNow().getTime() - Date.parse(since)) / 60_000);
    return [pitch, load, minutes === null ? '' : `on for ${minutes} min`].filter(Boolean).join(', ');
  };
  const choice = (label: string, value: string, choices: readonly string[], onValue: (value: string) => void) => (
    <Field
      select
      label={label}
      value={value}
      onChange={(event) => onValue(event.target.value)}
      sx={{ width: 230 }}
      slotProps={{ select: { displayEmpty: true } }}
    >
      <MenuItem value="">not said</MenuItem>
      {choices.map((one) => (
        <MenuItem key={one} value={one}>
          {one}
        </MenuItem>
      ))}
    </Field>
  );
  const fields = (
    <div className="row" role="group" aria-label="Conditions">
      {family.testTone !== 'none' && choice('Pitch control', pitch, PITCH, setPitch)}
      {choice('Load', load, LOADS[family.testTone], setLoad)}
    </div>
  );
  return { words, fields };
}
