/** Which column of a table is what: guessed here, shown for correction, and taken as corrected. */
import type { NumberTable } from '../../formats/index.js';
import { median } from '../../numeric/index.js';
import { unitNamed, unwrapCounter } from './timeBase.js';
import { FALLS_SHARE, INTERVAL_SPREAD, NEAR_SHARE } from './defaults.js';

/** A column of the time from each pulse to the next, by its name. */
const INTERVALS = /interval|period|delta|\bgap|\bdt\b|Δ/i;

/** Columns of pulse times (volts null: by plausibility, the times themselves or any channel) or of a capture. */
export interface PulseColumns {
  /** -1 where there is no column of time. */
  readonly time: number;
  readonly volts: number | null;
  /** Seconds in one unit of the time column; null: named by the header, or told from the nominal speed. */
  readonly timeUnitS: number | null;
  /** The column holds the time from each pulse to the next instead of times. */
  readonly intervals?: boolean;
}

/** A table of times has one column, or a count beside it; a capture has a level beside it. */
export function guessPulseColumns(table: NumberTable): PulseColumns {
  const gaps = intervalColumn(table);
  if (gaps >= 0) return { time: gaps, volts: null, timeUnitS: unitNamed(table, gaps), intervals: true };
  const time = pulseTimeColumn(table);
  return { time, volts: null, timeUnitS: time < 0 ? 1 : unitNamed(table, time) };
}

/** Where no column rises: the one that is named so, or scatters closely about one length; -1 for none. */
function intervalColumn(table: NumberTable): number {
  if (table.stamps !== null || table.columns.some(mostlyRises)) return -1;
  const close = (values: Float64Array) => {
    const usual = median(values);
    const near = values.filter((value) => value > 0 && Math.abs(value / usual - 1) < INTERVAL_SPREAD).length;
    return usual > 0 && near > NEAR_SHARE * values.length;
  };
  const named = table.names.findIndex((name, i) => INTERVALS.test(name) && close(table.columns[i] as Float64Array));
  if (named >= 0) return named;
  const [only] = table.columns;
  const varied = only !== undefined && new Set(only.subarray(0, 200)).size > 2;
  return table.columns.length === 1 && varied && close(only) ? 0 : -1;
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
  return falls <= FALLS_SHARE * values.length && (values[values.length - 1] as number) !== (values[0] as number);
}

/** A single column that goes up and down is a capture without times. */
function isLevel(values: Float64Array): boolean {
  let falls = 0;
  for (let i = 1; i < values.length; i++) if ((values[i] as number) < (values[i - 1] as number)) falls++;
  return values.length > 100 && falls >= 3 && unwrapCounter(values).bits === 0;
}
