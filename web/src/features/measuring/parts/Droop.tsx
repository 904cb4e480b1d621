/** Droop under load: the speed about two marks of the series. */
import type { RunFigures } from '@amber-gauge/contract';
import { fixed, numberIn } from '@amber-gauge/core/quantity';
import { droopBetween, MARK_S } from '@amber-gauge/core/speed';
import { Field } from '../../../shared/ui/Field.js';
import { useState } from 'react';
import { say } from '@amber-gauge/core/words';

export function Droop({ series }: { readonly series: NonNullable<RunFigures['series']> }) {
  const endS = series.startS + series.stepS * (series.errorPercent.length - 1);
  const [free, setFree] = useState(String(Math.round(series.startS + 1)));
  const [loaded, setLoaded] = useState(String(Math.round(Math.max(series.startS, endS - 1))));
  const marks = [numberIn(free), numberIn(loaded)] as const;
  const arrays = {
    ...series,
    errorPercent: Float32Array.from(series.errorPercent),
    halfWidthPercent: Float32Array.from(series.halfWidthPercent),
  };
  const droop = marks[0] === null || marks[1] === null ? null : droopBetween(arrays, marks[0], marks[1]);
  const field = (label: string, value: string, set: (text: string) => void) => (
    <Field
      label={label}
      value={value}
      onChange={(event) => set(event.target.value)}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
      sx={{ width: 140 }}
    />
  );
  return (
    <div className="row">
      {field(say`Free at, s`, free, setFree)}
      {field(say`Loaded at, s`, loaded, setLoaded)}
      <span role="status">
        {droop === null
          ? say`Marks lie between the ends of the series, where it turns.`
          : say`${fixed(droop.droopPercent, 1)} % slower loaded than free (±${MARK_S} s about each mark)`}
      </span>
    </div>
  );
}
