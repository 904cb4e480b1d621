/** Which column of a table is what: guessed here, shown for correction, and taken as corrected. */
import type { NumberTable } from '../../formats/index.js';
import { unitNamed, unwrapCounter } from './timeBase.js';

/** Columns of pulse times (volts null: by plausibility, the times themselves or any channel) or of a capture. */
export interface PulseColumns {
  /** -1 where there is no column of time. */
  readonly time: number;
  readonly volts: number | null;
  /** Seconds in one unit of the time column; null: named by the header, or told from the nominal speed. */
  readonly timeUnitS: number | null;
}

/** A table of times has one column, or a count beside it; a capture has a level beside it. */
export function guessPulseColumns(table: NumberTable): PulseColumns {
  const time = pulseTimeColumn(table);
  return { time, volts: null, timeUnitS: time < 0 ? 1 : unitNamed(table, time) };
}

/** By stamps, by name, else the first that rises throughout; a counting column beside the times is passed over. */
function pulseTimeColumn(table: NumberTable): number {
  if (table.stamps !== null) return table.stamps;
  const named = table.names.findIndex((name) =>
    /time|zeit|stamp|elapsed|\bt\b|\bsecs?\b|seconds|\b[mµun]s\b|tick/i.test(name),
  );
  if (named >= 0) return named;
  const [first] = table.columns;
  if (first === undefined) return -1;
  if (table.columns.length === 1) return isLevel(first) ? -1 : 0;
  const rising = table.columns.findIndex((column) => mostlyRises(column));
  if (rising < 0) return -1;
  const counts = first.every((value, i) => value === (first[0] as number) + i);
  if (!counts || rising !== 0) return rising;
  const next = table.columns.findIndex((column, i) => i > 0 && mostlyRises(column));
  return next > 0 ? next : 0;
}

/** Rises, but for the wraps of a counter. */
function mostlyRises(values: Float64Array): boolean {
  let falls = 0;
  for (let i = 1; i < values.length; i++) if ((values[i] as number) < (values[i - 1] as number)) falls++;
  return falls <= 0.02 * values.length && (values[values.length - 1] as number) !== (values[0] as number);
}

/** A single column that goes up and down is a capture without times. */
function isLevel(values: Float64Array): boolean {
  let falls = 0;
  for (let i = 1; i < values.length; i++) if ((values[i] as number) < (values[i - 1] as number)) falls++;
  return values.length > 100 && falls >= 3 && unwrapCounter(values).bits === 0;
}
