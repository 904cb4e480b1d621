/** Which column of a table is what: guessed here, shown for correction, and taken as corrected. */
import { secondsPerUnit, type NumberTable } from '../../formats/index.js';
import { median } from '../../numeric/index.js';

/** Columns of pulse times (volts null) or of a scope capture. */
export interface PulseColumns {
  readonly time: number;
  readonly volts: number | null;
  /** Seconds in one unit of the time column. */
  readonly timeUnitS: number;
}

/** Columns of a gyroscope log. `unit` null: guessed from the nominal speed. */
export interface GyroColumns {
  readonly time: number;
  readonly axes: readonly [number, number, number];
  readonly timeUnitS: number;
  readonly unit: 'deg/s' | 'rad/s' | null;
}

/** A table of times has one column, or a count beside it; a capture has equal steps beside a value that does not only rise. */
export function guessPulseColumns(table: NumberTable): PulseColumns {
  const time = pulseTimeColumn(table);
  const timeUnitS = secondsPerUnit(table.names[time] ?? '');
  const volts = table.columns.findIndex((_, i) => i > time);
  const isScope = volts >= 0 && isCapture(table.columns[time] as Float64Array, table.columns[volts] as Float64Array);
  return { time, volts: isScope ? volts : null, timeUnitS };
}

/** A counting column beside the times is passed over. */
function pulseTimeColumn(table: NumberTable): number {
  const named = table.names.findIndex((name) => /time|zeit|\bt\b|sec|\bms\b/i.test(name));
  if (named >= 0) return named;
  const [first] = table.columns;
  const counts =
    first !== undefined && table.columns.length > 1 && first.every((value, i) => value === (first[0] as number) + i);
  return counts ? 1 : 0;
}

function isCapture(time: Float64Array, volts: Float64Array): boolean {
  if (time.length < 16) return false;
  const steps = time.subarray(1, 4001).map((value, i) => value - (time[i] as number));
  const usual = median(steps);
  const even = steps.filter((step) => Math.abs(step - usual) < 0.02 * Math.abs(usual)).length > 0.9 * steps.length;
  return even && firstFall(volts) >= 0;
}

/** Index of the first value under its forerunner, or -1. */
export function firstFall(values: Float64Array): number {
  for (let i = 1; i < values.length; i++) if ((values[i] as number) < (values[i - 1] as number)) return i;
  return -1;
}

/** Time and three axes by name, else by order; null with fewer than four columns. */
export function guessGyroColumns(table: NumberTable): GyroColumns | null {
  const names = table.names.map((name) => name.toLowerCase());
  const time = Math.max(
    0,
    names.findIndex((name) => /time|stamp|elapsed|\bt\b|sec/.test(name)),
  );
  const named = ['x', 'y', 'z'].map((axis) =>
    names.findIndex((name, i) => i !== time && new RegExp(`(^|[^a-z])(g(yro)?[ _]?|w|ω)?${axis}($|[^a-z])`).test(name)),
  );
  const others = table.columns.map((_, i) => i).filter((i) => i !== time);
  const [x, y, z] = named.every((i) => i >= 0) ? named : others;
  if (x === undefined || y === undefined || z === undefined) return null;
  const words = names.join(' ');
  const unit = /rad/.test(words) ? 'rad/s' : /deg|°|dps/.test(words) ? 'deg/s' : null;
  return {
    time,
    axes: [x, y, z],
    timeUnitS: logTimeUnit(names[time] ?? '', table.columns[time] as Float64Array),
    unit,
  };
}

/** Seconds by name; without a unit, steps of over 0.5 are milliseconds and over 10^4 nanoseconds. */
function logTimeUnit(name: string, raw: Float64Array): number {
  const byName = secondsPerUnit(name);
  if (byName !== 1) return byName;
  const step = raw.length > 2 ? ((raw[raw.length - 1] as number) - (raw[0] as number)) / (raw.length - 1) : 0;
  return step > 1e4 ? 1e-9 : step > 0.5 ? 1e-3 : 1;
}
