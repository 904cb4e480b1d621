/** Readings that come by themselves while an input is listened to: for warm-up, trials and the soak. */
import MenuItem from '@mui/material/MenuItem';
import { useEffect, useRef } from 'react';
import { Field } from '../../../shared/ui/Field.js';
import { say } from '@amber-gauge/core/words';

/** How often, seconds; 0 is by hand alone. */
const EVERY: readonly (readonly [number, string])[] = [
  [0, say`by hand`],
  [10, say`every 10 s`],
  [60, say`every minute`],
  [600, say`every 10 min`],
];
/** A reading is over the time since the one before, at most so long, seconds. */
const MOST_S = 60;
/** Then by hand again: forty minutes at 10 s, forty hours at ten minutes. Each is a run of its own. */
const MOST_READINGS = 240;

interface Props {
  readonly everyS: number;
  readonly onEvery: (everyS: number) => void;
  /** A tone is heard now: without one no reading is asked for. */
  readonly heard: boolean;
  readonly sample: (overS: number) => void;
}

export function BySelf({ everyS, onEvery, heard, sample }: Props) {
  const now = useRef({ heard, sample, onEvery });
  useEffect(() => {
    now.current = { heard, sample, onEvery };
  });
  // A tone that drops out for a moment does not put the next reading off.
  useEffect(() => {
    if (everyS === 0) return;
    let taken = 0;
    const timer = setInterval(() => {
      if (!now.current.heard) return;
      now.current.sample(Math.min(everyS, MOST_S));
      if (++taken >= MOST_READINGS) now.current.onEvery(0);
    }, everyS * 1000);
    return () => clearInterval(timer);
  }, [everyS]);
  return (
    <Field
      select
      label={say`Into the log`}
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
