/**
 * Speed from a gyroscope lying on the platter: the bias vector of a standstill is taken off before
 * the magnitude, so that tilt does no harm; the rate is integrated to turns and fitted like any other.
 */
import { requirePositive } from '../../errors.js';
import { readTable, type NumberTable } from '../../formats/index.js';
import { median, quantile } from '../../numeric/index.js';
import { fromLimits } from '../../quantity/index.js';
import { guessGyroColumns, type GyroColumns } from './columns.js';
import type { Rotation, RotationWarning, UnusableRotation } from './result.js';
import { fitTrack, rotationOf, trackOf } from './track.js';

export interface MeasuredGyro extends Rotation {
  readonly kind: 'measured';
  /** Size of the bias vector that was taken off, degrees a second. */
  readonly biasDps: number;
  readonly unit: 'deg/s' | 'rad/s';
}

export interface GyroWish {
  readonly nominalRpm: number;
  /** Limit of the scale error either way, percent; 3 % uncalibrated (common practice). */
  readonly scaleLimitPercent?: number;
  /** As corrected by hand; guessed when not given. */
  readonly columns?: GyroColumns;
}

export const UNCALIBRATED_SCALE_PERCENT = 3;
const DEG = 180 / Math.PI;
/** Standstill: under this part of the full rate. */
const STILL_PART = 0.05;
const SHORTEST_STILL_S = 0.3;
const SHORTEST_RUN_S = 2;
/** Left out on either side of the steady stretch while the platter comes up, seconds. */
const SETTLE_S = 0.5;

const refuse = (reason: UnusableRotation['reason'], line = 0): UnusableRotation => ({ kind: 'unusable', reason, line });

/**
 * Measures a gyroscope log (CSV of time and three axes).
 * @throws CoreError OUT_OF_RANGE unless nominalRpm is above zero.
 */
export function measureGyro(text: string, wish: GyroWish): MeasuredGyro | UnusableRotation {
  requirePositive(wish.nominalRpm, 'nominalRpm');
  const table = readTable(text);
  if (table.kind === 'unusable') return table;
  const log = axesOf(table, wish.columns);
  if (!log) return refuse('NO_AXES');
  const fall = log.timeS.findIndex((t, i) => i > 0 && t < (log.timeS[i - 1] as number));
  if (fall >= 0) return refuse('TIMES_BACKWARD', table.lineOf[fall] as number);
  return evaluate(log, wish);
}

interface GyroLog {
  readonly timeS: Float64Array;
  readonly axes: readonly [Float64Array, Float64Array, Float64Array];
  readonly said: 'deg/s' | 'rad/s' | null;
}

function axesOf(table: NumberTable, columns: GyroColumns | undefined): GyroLog | null {
  const chosen = columns ?? guessGyroColumns(table);
  const raw = chosen && table.columns[chosen.time];
  const axes = chosen?.axes.map((i) => table.columns[i]);
  if (!raw || !axes?.every((axis) => axis !== undefined)) return null;
  const timeS = raw.map((t) => (t - (raw[0] as number)) * chosen.timeUnitS);
  return { timeS, axes: axes as unknown as GyroLog['axes'], said: chosen.unit };
}

function evaluate(log: GyroLog, wish: GyroWish): MeasuredGyro | UnusableRotation {
  const rough = magnitude(log, [0, 0, 0]);
  const full = quantile(rough, 0.9);
  if (!(full > 0)) return refuse('NOT_TURNING');
  const still = longest(log.timeS, rough, (rate) => rate < STILL_PART * full);
  const hasStill = still !== null && lengthS(log.timeS, still) >= SHORTEST_STILL_S;
  const bias = hasStill ? meanVector(log.axes, inner(still)) : ([0, 0, 0] as const);
  const rate = magnitude(log, bias);
  const plateau = median(rate.filter((value) => value > 0.5 * full));
  const run = longest(log.timeS, rate, (value) => Math.abs(value / plateau - 1) < 0.15);
  const settled = run && settle(log.timeS, run);
  if (!settled || lengthS(log.timeS, settled) < SHORTEST_RUN_S) return refuse('TOO_SHORT');
  const unit = log.said ?? guessUnit(plateau, wish.nominalRpm);
  const degrees = unit === 'rad/s' ? DEG : 1;
  const warnings = warningsFor(log, rate.subarray(...settled), hasStill, wish);
  if (settled[1] - settled[0] < 16) return refuse('TOO_SHORT');
  const rotation = fitRun(log.timeS.subarray(...settled), rate.subarray(...settled), degrees, wish, warnings);
  return { kind: 'measured', ...rotation, biasDps: degrees * Math.hypot(...bias), unit };
}

type Stretch = readonly [number, number];

const lengthS = (timeS: Float64Array, [from, to]: Stretch): number =>
  (timeS[to - 1] as number) - (timeS[from] as number);

/** Rate integrated by trapezoids to turns, fitted. */
function fitRun(
  timeS: Float64Array,
  rate: Float64Array,
  degrees: number,
  wish: GyroWish,
  warnings: RotationWarning[],
): Rotation {
  const turns = new Float64Array(timeS.length);
  for (let i = 1; i < turns.length; i++) {
    const dt = (timeS[i] as number) - (timeS[i - 1] as number);
    turns[i] = (turns[i - 1] as number) + (dt * degrees * ((rate[i] as number) + (rate[i - 1] as number))) / 720;
  }
  const distinct = keepRising(timeS, turns);
  const span = lengthS(distinct.timeS, [0, distinct.timeS.length]);
  const track = trackOf(distinct, (distinct.timeS.length - 1) / span, (turns[turns.length - 1] as number) / span);
  const limit = wish.scaleLimitPercent ?? UNCALIBRATED_SCALE_PERCENT;
  const scale = {
    name: 'scale' as const,
    standardPercent: fromLimits(limit),
    why: `gyroscope scale within ±${limit} %`,
  };
  return rotationOf(track, fitTrack(track), { nominalRpm: wish.nominalRpm, extraParts: [scale], warnings });
}

function keepRising(timeS: Float64Array, turns: Float64Array) {
  const keep = (_: number, i: number) => i === 0 || (timeS[i] as number) > (timeS[i - 1] as number);
  return { timeS: timeS.filter(keep), turns: turns.filter(keep) };
}

function magnitude({ axes: [x, y, z] }: GyroLog, bias: readonly [number, number, number]): Float64Array {
  return x.map((value, i) => Math.hypot(value - bias[0], (y[i] as number) - bias[1], (z[i] as number) - bias[2]));
}

/** Without a tenth at either end, where the platter is touched or just moves off. */
function inner([from, to]: Stretch): Stretch {
  const margin = Math.floor((to - from) / 10);
  return [from + margin, to - margin];
}

function meanVector(axes: GyroLog['axes'], [from, to]: Stretch): readonly [number, number, number] {
  const mean = (axis: Float64Array) => axis.subarray(from, to).reduce((sum, value) => sum + value, 0) / (to - from);
  return [mean(axes[0]), mean(axes[1]), mean(axes[2])];
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

function settle(timeS: Float64Array, [from, to]: Stretch): Stretch {
  const start = (timeS[from] as number) + (from > 0 ? SETTLE_S : 0);
  const end = (timeS[to - 1] as number) - (to < timeS.length ? SETTLE_S : 0);
  let a = from;
  while (a < to - 1 && (timeS[a] as number) < start) a++;
  let b = to;
  while (b > a + 1 && (timeS[b - 1] as number) > end) b--;
  return [a, b];
}

/** Without a word for it: the unit under which the rate is nearer to the nominal speed. */
function guessUnit(plateau: number, nominalRpm: number): 'deg/s' | 'rad/s' {
  const off = (rpm: number) => Math.abs(Math.log(rpm / nominalRpm));
  return off((plateau * 60) / (2 * Math.PI)) < off(plateau / 6) ? 'rad/s' : 'deg/s';
}

function warningsFor(log: GyroLog, rate: Float64Array, hasStill: boolean, wish: GyroWish): RotationWarning[] {
  const out: RotationWarning[] = [];
  if ((wish.scaleLimitPercent ?? UNCALIBRATED_SCALE_PERCENT) >= 1) out.push('SCALE_NOT_CALIBRATED');
  if (!hasStill) out.push('NO_STANDSTILL');
  if (log.said === null) out.push('UNIT_GUESSED');
  const top = Math.max(...log.axes.map((axis) => axis.reduce((most, value) => Math.max(most, Math.abs(value)), 0)));
  const pinned = log.axes.some((axis) => axis.filter((value) => Math.abs(value) === top).length > 0.3 * rate.length);
  if (pinned) out.push('CLIPPED');
  return out;
}
