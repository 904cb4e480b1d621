/** A run down out of a log: how fast it turned at each moment after the power went off. */
import { CoreError, requirePositive } from '../../errors.js';
import { readTable } from '../../formats/index.js';
import { median } from '../../numeric/index.js';
import { fixed } from '../../quantity/index.js';
import { guessPulseColumns } from './columns.js';
import { chosenSignal } from './choose.js';
import { steadyLevel, unitFor } from './gyro.js';
import { AXIS_UNITS, guessGyroColumns, gyroscopeRows } from './gyroColumns.js';
import { logOf, magnitude, refuse, restOf } from './gyroLog.js';
import { requirePerTurn } from './pulses.js';
import type { UnusableRotation } from './result.js';
import { say } from '../../words/index.js';
import { SMOOTH_S } from './defaults.js';

/** Speeds in the order of time: seconds, turns a minute. */
export interface RunDown {
  readonly kind: 'run-down';
  readonly how: 'gyro' | 'pulses';
  readonly speeds: readonly { readonly at: number; readonly rpm: number }[];
}

/**
 * Speeds of a log of a gyroscope (time and axes) or of pulses (times, or a capture). Pulses give the speed of each
 * whole turn at its middle, so that uneven spacing of a wheel falls out. A unit that is not said and cannot be told
 * is refused in words.
 * @throws CoreError OUT_OF_RANGE unless nominalRpm is above zero and perTurn a whole number.
 */
export async function runDownOf(
  text: string,
  wish: { readonly nominalRpm: number; readonly perTurn: number },
): Promise<RunDown | UnusableRotation | { readonly kind: 'asked'; readonly message: string }> {
  requirePositive(wish.nominalRpm, 'nominalRpm');
  requirePerTurn(wish.perTurn);
  const table = readTable(text);
  if (table.kind === 'unusable') return table;
  const rows = gyroscopeRows(table);
  const columns = rows && guessGyroColumns(rows, wish.nominalRpm);
  if (rows && columns && columns !== 'accelerometer' && columns.axes.length > 1) {
    const log = logOf(rows, columns, { nominalRpm: wish.nominalRpm });
    if (!log) return refuse('NO_AXES');
    if (log.kind === 'unusable') return log;
    const { full, bias } = restOf(log);
    if (!(full > 0)) return refuse('NOT_TURNING');
    const rate = magnitude(log, bias);
    // A log of a run down is mostly slow: a unit that the header says is not doubted for that.
    const unit = log.said ?? unitFor(log, steadyLevel(rate, full), { nominalRpm: wish.nominalRpm });
    if (typeof unit !== 'string') return { kind: 'asked', message: say`${unit.message} Say it in the header.` };
    return { kind: 'run-down', how: 'gyro', speeds: smoothed(log.timeS, rate, AXIS_UNITS[unit]) };
  }
  const signal = await chosenSignal(table, guessPulseColumns(table), wish);
  if (signal.kind === 'asked') return { kind: 'asked', message: say`${signal.message} Say it in the header.` };
  if (signal.kind === 'unusable') return signal;
  const { timeS } = signal;
  const each = wish.perTurn;
  const speeds = Array.from({ length: Math.max(0, timeS.length - each) }, (_, i) => {
    const [a, b] = [timeS[i] as number, timeS[i + each] as number];
    return { at: (a + b) / 2, rpm: 60 / (b - a) };
  });
  return speeds.length < 3 ? refuse('TOO_FEW_PULSES') : { kind: 'run-down', how: 'pulses', speeds };
}

/** Means over {@link SMOOTH_S} that stand at their middle. */
function smoothed(timeS: Float64Array, rate: Float64Array, rpm: number): RunDown['speeds'][number][] {
  const step = median(timeS.subarray(1).map((t, i) => t - (timeS[i] as number)));
  const size = Math.max(1, Math.round(SMOOTH_S / step));
  const out: { at: number; rpm: number }[] = [];
  let sum = 0;
  rate.forEach((value, i) => {
    sum += value;
    if (i >= size) sum -= rate[i - size] as number;
    if (i >= size - 1)
      out.push({ at: ((timeS[i] as number) + (timeS[i - size + 1] as number)) / 2, rpm: (rpm * sum) / size });
  });
  return out;
}

/**
 * Seconds a run down takes between two speeds: the last fall through the upper one (it ran before that), the first
 * through the lower one after it. Between moments it is read in a straight line.
 * @throws CoreError OUT_OF_RANGE when it was never as fast, or not seen as slow.
 */
export function timeBetween(
  speeds: readonly { readonly at: number; readonly rpm: number }[],
  fromRpm: number,
  toRpm: number,
): number {
  const falls = (rpm: number) =>
    speeds.flatMap((b, i) => {
      const a = speeds[i - 1];
      return a && a.rpm >= rpm && b.rpm < rpm ? [a.at + ((a.rpm - rpm) / (a.rpm - b.rpm)) * (b.at - a.at)] : [];
    });
  const start = falls(fromRpm).at(-1);
  const end = start === undefined ? undefined : falls(toRpm).find((at) => at > start);
  if (start === undefined || end === undefined)
    throw new CoreError(
      'OUT_OF_RANGE',
      `Its run past ${fixed(start === undefined ? fromRpm : toRpm, 1)} rpm was not seen: follow it from full speed until it is slow.`,
    );
  return end - start;
}
