/** Which columns of a log are the gyroscope's: by name, else by what their numbers can be. */
import type { NumberTable } from '../../formats/index.js';
import { median } from '../../numeric/index.js';
import { isReachable } from '../asked.js';
import { evenStep } from './edges.js';
import { unitNamed, unwrapCounter } from './timeBase.js';
import { GRAVITY, LOG_STEP_S, LOOKED_FOR_AXES, TURNING_PART } from './defaults.js';

/** Units of a gyroscope's axes, turns a minute in one. */
export const AXIS_UNITS = {
  'rad/s': 30 / Math.PI,
  'deg/s': 1 / 6,
  'mdeg/s': 1 / 6000,
  'turns/s': 60,
  rpm: 1,
} as const;
/** Units of a gyroscope's axes. */
export type AxisUnit = keyof typeof AXIS_UNITS;

/** Columns of a gyroscope log: three axes, or the one that was logged. `unit` null: told from the nominal speed. */
export interface GyroColumns {
  readonly time: number;
  readonly axes: readonly number[];
  /** Null: by name or from the usual rates of loggers. */
  readonly timeUnitS: number | null;
  readonly unit: AxisUnit | null;
}

const ACCELEROMETER = /acc|\bax\b|\bay\b|\baz\b|\ba[ _][xyz]\b|gravit|g-?force|m\/s|\bgF/i;
const OTHER =
  /mag|\bb[xyz]\b|compass|temp|press|baro|lat|lon|quat|roll|pitch|yaw|azimuth|heading|euler|angle|abs(olute)?\b|norm|total|magnitude|index|sample|count/i;
const GYROSCOPE = /gyr|omega|ω|Ω|rotation|angular|\bw[ _]?[xyz]\b|\bg[ _]?[xyz]\b|\br[ _]?[xyz]\b|turn rate|rate/i;
const AXIS = {
  x: /(^|[^a-z])(gyro(scope)?|omega|w|g|r|ω)?[ _.-]*x($|[^a-z])|alpha/i,
  y: /(^|[^a-z])(gyro(scope)?|omega|w|g|r|ω)?[ _.-]*y($|[^a-z])|beta/i,
  z: /(^|[^a-z])(gyro(scope)?|omega|w|g|r|ω)?[ _.-]*z($|[^a-z])|gamma/i,
} as const;

/** The unit that a header names, or null. */
export function axisUnitNamed(words: string): AxisUnit | null {
  if (/mdeg|milli-?deg|mdps/i.test(words)) return 'mdeg/s';
  if (/rad/i.test(words)) return 'rad/s';
  if (/deg|°|dps/i.test(words)) return 'deg/s';
  if (/\brpm\b|1\/min|r\/min/i.test(words)) return 'rpm';
  if (/\brps\b|rev\/s|turns?\/s|\bhz\b/i.test(words)) return 'turns/s';
  return null;
}

/** 'accelerometer': only such columns were found. Null: no axes at all. */
export function guessGyroColumns(
  table: NumberTable,
  nominalRpm: number | null = null,
): GyroColumns | 'accelerometer' | null {
  const names = table.names.map((name) => name.trim());
  const time = timeColumn(table, names);
  const others = table.columns.map((_, i) => i).filter((i) => i !== time && !isCount(table.columns[i] as Float64Array));
  const isAcceleration = (i: number) => ACCELEROMETER.test(names[i] as string) && !GYROSCOPE.test(names[i] as string);
  const usable = others.filter((i) => !isAcceleration(i) && !OTHER.test(names[i] as string));
  const named = usable.filter((i) => GYROSCOPE.test(names[i] as string));
  const axes = pickAxes(named.length > 0 ? named : usable, names, table, nominalRpm);
  if (axes.length === 0) return others.some(isAcceleration) ? 'accelerometer' : null;
  const unit =
    axisUnitNamed(axes.map((i) => names[i]).join(' ')) ??
    (named.length > 0 ? null : axisUnitNamed(names.filter((_, i) => !isAcceleration(i)).join(' ')));
  const unwrapped = unwrapCounter(table.columns[time] as Float64Array);
  return { time, axes, timeUnitS: unitNamed(table, time) ?? logTimeUnit(unwrapped.values), unit };
}

function timeColumn(table: NumberTable, names: readonly string[]): number {
  if (table.stamps !== null) return table.stamps;
  const named = names.findIndex((name) => /time|stamp|elapsed|\bt\b|\bsecs?\b|seconds|\b[mµun]s\b/i.test(name));
  if (named >= 0) return named;
  const rising = table.columns.findIndex((column) => rises(column) && !isCount(column));
  return Math.max(0, rising >= 0 ? rising : table.columns.findIndex(rises));
}

const rises = (values: Float64Array): boolean => {
  for (let i = 1; i < values.length; i++) if ((values[i] as number) < (values[i - 1] as number)) return false;
  return values.length > 1 && (values[values.length - 1] as number) > (values[0] as number);
};
const isCount = (values: Float64Array): boolean =>
  values.length > 3 && values.every((value, i) => value === (values[0] as number) + i);

/** x, y, z by name where all three are named; one or two named; else the triple that can be a gyroscope. */
function pickAxes(
  from: readonly number[],
  names: readonly string[],
  table: NumberTable,
  nominalRpm: number | null,
): number[] {
  const by = (pattern: RegExp) => from.find((i) => pattern.test(names[i] as string));
  const found = [by(AXIS.x), by(AXIS.y), by(AXIS.z)].filter((i): i is number => i !== undefined);
  const distinct = [...new Set(found)];
  if (distinct.length > 0 && (distinct.length === 3 || from.length < 3)) return distinct;
  if (from.length < 3) return from.slice(0, 1);
  if (from.length < 6) return from.slice(0, 3);
  const triples = Array.from({ length: from.length - 2 }, (_, i) => [...from.slice(i, i + 3)]).filter(
    (_, i) => i % 3 === 0,
  );
  return (
    triples.find((axes) => !isGravity(table, axes) && (nominalRpm === null || fitsSome(table, axes, nominalRpm))) ?? []
  );
}

/** A length that is always about 9.81 or 1 is gravity. */
function isGravity(table: NumberTable, axes: readonly number[]): boolean {
  const sizes = magnitudes(table, axes);
  const usual = median(sizes);
  const steady =
    sizes.filter((value) => Math.abs(value / usual - 1) < GRAVITY.spread).length > GRAVITY.share * sizes.length;
  return steady && [GRAVITY.metre, GRAVITY.g].some((size) => Math.abs(usual / size - 1) < GRAVITY.part);
}

function fitsSome(table: NumberTable, axes: readonly number[], nominalRpm: number): boolean {
  const sizes = magnitudes(table, axes);
  const full = median(
    sizes.filter((value) => value > TURNING_PART * sizes.reduce((most, value) => Math.max(most, value), 0)),
  );
  return Object.values(AXIS_UNITS).some((rpm) => isReachable(full * rpm, nominalRpm));
}

function magnitudes(table: NumberTable, axes: readonly number[]): Float64Array {
  const [x, y, z] = axes.map((axis) => table.columns[axis] as Float64Array);
  return (x as Float64Array)
    .subarray(0, LOOKED_FOR_AXES)
    .map((value, i) => Math.sqrt(value ** 2 + (y?.[i] ?? 0) ** 2 + (z?.[i] ?? 0) ** 2));
}

/** Loggers sample 5 to 1000 times a second (common practice): the unit that makes it so. */
function logTimeUnit(raw: Float64Array): number {
  const step =
    evenStep(raw) ?? (raw.length > 2 ? ((raw[raw.length - 1] as number) - (raw[0] as number)) / (raw.length - 1) : 1);
  return (
    [1, 1e-3, 1e-6, 1e-9].find((unit) => step * unit < LOG_STEP_S.most && step * unit > LOG_STEP_S.least) ??
    (step > LOG_STEP_S.most ? 1e-3 : 1)
  );
}

/** A sensor's name in a row's words. */
const GYROSCOPE_ROW = /gyr|rotation|angular|omega/i;
const OTHER_ROW = /acc|mag|gravit|orient|baro|press/i;

/** Where rows of several sensors alternate, named in a column of words: the gyroscope's; null when it has none. */
export function gyroscopeRows(table: NumberTable): NumberTable | null {
  const sensor = table.texts.find(({ cells }) =>
    cells.some((cell) => GYROSCOPE_ROW.test(cell) || OTHER_ROW.test(cell)),
  );
  if (!sensor) return table;
  const keep = sensor.cells.map((cell) => GYROSCOPE_ROW.test(cell));
  if (!keep.some(Boolean)) return null;
  return {
    ...table,
    columns: table.columns.map((column) => column.filter((_, i) => keep[i])),
    lineOf: table.lineOf.filter((_, i) => keep[i]),
    texts: [],
  };
}
