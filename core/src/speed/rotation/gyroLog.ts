/** A gyroscope's log as rates: times in a row, the bias of a standstill, the size of what is left. */
import type { NumberTable } from '../../formats/index.js';
import { median, quantile } from '../../numeric/index.js';
import type { GyroWish } from './gyroResult.js';
import type { AxisUnit, GyroColumns } from './gyroColumns.js';
import type { RotationWarning, UnusableRotation } from './result.js';
import { unwrapCounter } from './timeBase.js';
import {
  FULL_RATE,
  GAP_STEPS,
  GYRO_STILL_PART,
  LEAST_ROWS,
  SHORTEST_RUN_S,
  SHORTEST_STILL_S,
  STILL_MARGIN,
} from './defaults.js';

/** A log that cannot be used: the reason, and the line it stands in. */
export const refuse = (reason: UnusableRotation['reason'], line = 0): UnusableRotation => ({
  kind: 'unusable',
  reason,
  line,
});

/** A log read: seconds, and the axes in its own unit, said or not. */
export interface GyroLog {
  readonly kind: 'log';
  readonly timeS: Float64Array;
  readonly axes: readonly Float64Array[];
  readonly said: AxisUnit | null;
  readonly warnings: readonly RotationWarning[];
}

/** Times in seconds from the first, strictly rising; doubled rows are left out. */
export function logOf(table: NumberTable, columns: GyroColumns, wish: GyroWish): GyroLog | UnusableRotation | null {
  const raw = table.columns[columns.time];
  const axes = columns.axes.map((i) => table.columns[i]);
  if (!raw || axes.length === 0 || !axes.every((axis) => axis !== undefined)) return null;
  const { values, bits, backward } = unwrapCounter(raw);
  if (backward >= 0) return refuse('TIMES_BACKWARD', table.lineOf[backward] as number);
  const unit = wish.timeUnitS ?? columns.timeUnitS ?? 1;
  const keep = (_: number, i: number) => i === 0 || (values[i] as number) > (values[i - 1] as number);
  const timeS = values.map((t) => (t - (values[0] as number)) * unit).filter(keep);
  if (timeS.length < LEAST_ROWS) return refuse('TOO_SHORT');
  const steps = timeS.subarray(1).map((t, i) => t - (timeS[i] as number));
  const usual = median(steps);
  const gaps = steps.filter((step) => step > GAP_STEPS * usual).length;
  const warnings: RotationWarning[] = [];
  if (bits > 0) warnings.push('COUNTER_WRAPPED');
  if (gaps > 0) warnings.push('GAPS');
  return {
    kind: 'log',
    timeS,
    axes: axes.map((axis) => (axis as Float64Array).filter(keep)),
    said: wish.axisUnit ?? columns.unit,
    warnings,
  };
}

/** From this sample up to, not with, that one. */
export type Stretch = readonly [number, number];

/** Seconds from its first sample to its last. */
export const lengthS = (timeS: Float64Array, [from, to]: Stretch): number =>
  (timeS[to - 1] as number) - (timeS[from] as number);

/** Usual full rate, the bias vector of the longest standstill (nought without one), in the log's own unit. */
export function restOf(log: GyroLog): {
  readonly full: number;
  readonly bias: readonly number[];
  readonly hasStill: boolean;
} {
  const none = log.axes.map(() => 0);
  const rough = magnitude(log, none);
  const full = fullRate(log.timeS, rough);
  const still = longest(log.timeS, rough, (rate) => rate < GYRO_STILL_PART * full);
  const hasStill = still !== null && lengthS(log.timeS, still) >= SHORTEST_STILL_S;
  return { full, bias: hasStill ? meanVector(log.axes, inner(still)) : none, hasStill };
}

/** What it passes in a tenth of the time; of a log that stands nearly always, what it passes for as long as a run must last. */
function fullRate(timeS: Float64Array, rate: Float64Array): number {
  const usual = quantile(rate, FULL_RATE);
  const runPart = SHORTEST_RUN_S / 2 / Math.max(SHORTEST_RUN_S, lengthS(timeS, [0, timeS.length]));
  const held = quantile(rate, 1 - runPart);
  return usual < GYRO_STILL_PART * held ? held : usual;
}

/** Size of the rate once the bias is taken off, in the log's unit. */
export function magnitude({ axes }: GyroLog, bias: readonly number[]): Float64Array {
  const [x, y, z] = axes as readonly [Float64Array, Float64Array | undefined, Float64Array | undefined];
  const [bx, by, bz] = [bias[0] ?? 0, bias[1] ?? 0, bias[2] ?? 0];
  return x.map((value, i) => Math.hypot(value - bx, y ? (y[i] as number) - by : 0, z ? (z[i] as number) - bz : 0));
}

/** Without a tenth at either end, where the platter is touched or just moves off. */
function inner([from, to]: Stretch): Stretch {
  const margin = Math.floor((to - from) / STILL_MARGIN);
  return [from + margin, to - margin];
}

/** Mean of each axis over a stretch. */
export function meanVector(axes: GyroLog['axes'], [from, to]: Stretch): number[] {
  return axes.map((axis) => axis.subarray(from, to).reduce((sum, value) => sum + value, 0) / (to - from));
}

/** The longest run of samples, in time, for which `holds`; single samples that do not are bridged. */
function longest(timeS: Float64Array, values: Float64Array, holds: (value: number) => boolean): Stretch | null {
  let best: Stretch | null = null;
  let from = -1;
  let misses = 0;
  const close = (to: number) => {
    if (from >= 0 && to - from >= 2 && (!best || lengthS(timeS, [from, to]) > lengthS(timeS, best))) best = [from, to];
  };
  values.forEach((value, i) => {
    if (holds(value)) {
      if (from < 0) from = i;
      misses = 0;
    } else if (from >= 0 && ++misses > 3) {
      close(i - misses + 1);
      from = -1;
    }
  });
  close(values.length - misses);
  return best;
}
