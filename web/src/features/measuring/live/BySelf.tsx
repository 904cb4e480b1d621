/** Readings that come by themselves while an input is listened to: for warm-up, trials and the soak. */
import MenuItem from '@mui/material/MenuItem';
import { useEffect } from 'react';
import { Field } from '../../../shared/ui/Field.js';

/** How often, seconds; 0 is by hand alone. */
const EVERY: readonly (readonly [number, string])[] = [
  [0, 'by hand'],
  [10, 'every 10 s'],
  [60, 'every minute'],
  [600, 'every 10 min'],
];
/** A reading is over the time since the one before, at most so long, seconds. */
const MOST_S = 60;

interface Props {
  readonly everyS: number;
  readonly onEvery: (everyS: number) => void;
  /** A tone is heard now: without one no reading is asked for. */
  readonly heard: boolean;
  readonly sample: (overS: number) => void;
}

export function BySelf({ everyS, onEvery, heard, sample }: Props) {
  useEffect(() => {
    if (everyS === 0 || !heard) return;
    const timer = setInterval(() => sample(Math.min(everyS, MOST_S)), everyS * 1000);
    return () => clearInterval(timer);
  }, [everyS, heard, sample]);
  return (
    <Field
      select
      label="Into the log"
      value={everyS}
      onChange={(event) => onEvery(Number(event.target.value))}
      sx={{ width: 190 }}
    >
      {EVERY.map(([value, words]) => (
        <MenuItem key={value} value={value}>
          {words}
        </MenuItem>
      ))}
    </Field>
  );
}
