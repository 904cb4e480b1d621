/**
 * Speed from a gyroscope lying on the platter: the bias vector of a standstill is taken off before
 * the magnitude, so that tilt does no harm; the rate is integrated to turns and fitted like any other.
 */
import { requirePositive } from '../../errors.js';
import { readTable } from '../../formats/index.js';
import { median } from '../../numeric/index.js';
import { fromLimits } from '../../quantity/index.js';
import { ask, isReachable, rpmWords, SAME_SPEED_PERCENT, type AskedSpeed, type SteadyStretch } from '../asked.js';
import type { GyroResult, GyroWish } from './gyroResult.js';
import { AXIS_UNITS, guessGyroColumns, gyroscopeRows, type AxisUnit } from './gyroColumns.js';
import { lengthS, logOf, magnitude, meanVector, refuse, restOf, type GyroLog, type Stretch } from './gyroLog.js';
import type { Rotation, RotationWarning, UnusableRotation } from './result.js';
import { steadyStretches, type Steady } from './steady.js';
import { askWhichSpeed } from './stretches.js';
import { fitTrack, rotationOf, trackOf } from './track.js';
import { say } from '../../words/index.js';
import {
  CREEPS_PART,
  GYRO_WINDOW,
  LEAST_ROWS,
  PINNED_SHARE,
  SETTLE_S,
  SHORTEST_RUN_S,
  SURE_UNIT,
  TURNING_PART,
  UNCALIBRATED_SCALE_PERCENT,
} from './defaults.js';
export { UNCALIBRATED_SCALE_PERCENT } from './defaults.js';

/**
 * Measures a gyroscope log (CSV of time and three axes, or the one along the spindle).
 * @throws CoreError OUT_OF_RANGE unless nominalRpm is above zero.
 */
export function measureGyro(text: string, wish: GyroWish): GyroResult {
  requirePositive(wish.nominalRpm, 'nominalRpm');
  const read = readTable(text);
  if (read.kind === 'unusable') return read;
  const table = gyroscopeRows(read);
  if (table === null) return refuse('ACCELEROMETER_ONLY');
  const chosen = wish.columns ?? guessGyroColumns(table, wish.nominalRpm);
  if (chosen === 'accelerometer') return refuse('ACCELEROMETER_ONLY');
  const log = chosen && logOf(table, chosen, wish);
  if (!log) return refuse('NO_AXES');
  return log.kind === 'unusable' ? log : evaluate(log, wish);
}

function evaluate(log: GyroLog, wish: GyroWish): GyroResult {
  const { full, bias, hasStill } = restOf(log);
  if (!(full > 0)) return refuse('NOT_TURNING');
  const rate = magnitude(log, bias);
  const unit = unitFor(log, steadyLevel(rate, full), wish);
  if (typeof unit !== 'string') return unit;
  const found = turning(log.timeS, rate, full);
  const stretches = found.map((one) => stretchOf(log.timeS, one, AXIS_UNITS[unit]));
  const chosen = chooseRun(log.timeS, found, stretches, wish);
  if ('kind' in chosen) return chosen;
  const settled: Stretch = [chosen.from, chosen.to];
  if (lengthS(log.timeS, settled) < SHORTEST_RUN_S || settled[1] - settled[0] < LEAST_ROWS) return refuse('TOO_SHORT');
  const warnings = warningsFor(log, rate.subarray(...settled), hasStill, wish);
  if (found.some((one) => isOtherSpeed(one, chosen))) warnings.push('OTHER_SPEEDS_IN_LOG');
  const rotation = fitRun(log.timeS.subarray(...settled), rate.subarray(...settled), AXIS_UNITS[unit], wish, warnings);
  if (!wish.asIs && !isReachable(rotation.meanRpm, wish.nominalRpm)) return outOfReach(rotation.meanRpm, wish);
  return {
    kind: 'measured',
    ...rotation,
    stretches,
    sense: senseOf(log, bias, settled),
    biasDps: 6 * AXIS_UNITS[unit] * Math.hypot(...bias),
    unit,
  };
}

/** The usual rate while it turns. */
export const steadyLevel = (rate: Float64Array, full: number): number =>
  median(rate.filter((value) => value > TURNING_PART * full));

/** The unit said, unless another makes sense where it does not; else the one that does. */
export function unitFor(log: GyroLog, level: number, wish: GyroWish): AxisUnit | AskedSpeed {
  const off = (unit: AxisUnit) => Math.abs(Math.log((level * AXIS_UNITS[unit]) / wish.nominalRpm));
  const fits = (Object.keys(AXIS_UNITS) as AxisUnit[])
    .filter((unit) => isReachable(level * AXIS_UNITS[unit], wish.nominalRpm))
    .sort((a, b) => off(a) - off(b));
  if (wish.axisUnit || wish.asIs) return wish.axisUnit ?? log.said ?? fits[0] ?? 'deg/s';
  if (log.said !== null) {
    if (fits.length === 0 || fits.includes(log.said)) return log.said;
    return askUnit(
      say`By its header the log gives ${rpmWords(level * AXIS_UNITS[log.said])}, which this machine cannot reach.`,
      fits,
      level,
    );
  }
  const [best, second] = fits;
  if (!best) return 'deg/s';
  // Two units within reach: only a speed close to the nominal settles it.
  return second && off(best) > SURE_UNIT
    ? askUnit(say`The unit of the axes is not said, and two make sense.`, fits, level)
    : best;
}

const askUnit = (message: string, fits: readonly AxisUnit[], level: number): AskedSpeed =>
  ask(
    'AXIS_UNIT',
    say`${message} Which unit?`,
    fits.map((unit) => ({
      words: `${unit}: ${rpmWords(level * AXIS_UNITS[unit])}`,
      answer: { axisUnit: unit },
      meanRpm: level * AXIS_UNITS[unit],
    })),
  );

/** Steady stretches while it turns, each settled where the platter came up or went down. */
function turning(timeS: Float64Array, rate: Float64Array, full: number): Steady[] {
  const spanS = lengthS(timeS, [0, timeS.length]);
  return steadyStretches(timeS, rate, {
    windowS: Math.min(GYRO_WINDOW.mostS, Math.max(GYRO_WINDOW.leastS, spanS / GYRO_WINDOW.part)),
    leastS: Math.min(SHORTEST_RUN_S, spanS / 2),
  })
    .filter(({ level }) => level > CREEPS_PART * full)
    .map((one) => ({ ...one, ...settle(timeS, [one.from, one.to]) }))
    .filter((one) => lengthS(timeS, [one.from, one.to]) >= SHORTEST_RUN_S);
}

const stretchOf = (timeS: Float64Array, { from, to, level }: Steady, rpm: number): SteadyStretch => ({
  startS: timeS[from] as number,
  endS: timeS[to - 1] as number,
  meanRpm: level * rpm,
});

const isOtherSpeed = (a: Steady, b: Steady): boolean => Math.abs(a.level / b.level - 1) > SAME_SPEED_PERCENT / 100;

/** The one speed of the log, or the stretch asked for; two speeds are asked about. */
function chooseRun(
  timeS: Float64Array,
  found: readonly Steady[],
  stretches: readonly SteadyStretch[],
  wish: GyroWish,
): Steady | AskedSpeed | UnusableRotation {
  const [first] = found;
  if (!first) return refuse('TOO_SHORT');
  const longestOf = (list: readonly Steady[]) =>
    list.reduce((a, b) => (lengthS(timeS, [b.from, b.to]) > lengthS(timeS, [a.from, a.to]) ? b : a));
  if (wish.fromS !== undefined || wish.toS !== undefined) {
    const [start, end] = [wish.fromS ?? 0, wish.toS ?? Infinity];
    const inside = found
      .map((one) => ({ ...one, ...clip(timeS, one, start, end) }))
      .filter((one) => one.to - one.from >= LEAST_ROWS);
    return inside.length === 0 ? refuse('TOO_SHORT') : longestOf(inside);
  }
  const main = longestOf(found);
  const differ = found.some((one) => isOtherSpeed(one, main));
  return differ && !wish.asIs ? askWhichSpeed(stretches, wish.nominalRpm) : main;
}

function clip(timeS: Float64Array, one: Steady, startS: number, endS: number) {
  let { from, to } = one;
  while (from < to && (timeS[from] as number) < startS) from++;
  while (to > from && (timeS[to - 1] as number) > endS) to--;
  return { from, to };
}

function outOfReach(meanRpm: number, { nominalRpm }: GyroWish): AskedSpeed {
  return ask(
    'SPEED_OUT_OF_REACH',
    say`${rpmWords(meanRpm)} is ${(meanRpm / nominalRpm).toPrecision(2)} times the nominal ${rpmWords(nominalRpm)}.
      Check the unit of the axes and the speed selected.`,
    [{ words: say`${rpmWords(meanRpm)} is right`, answer: { asIs: true }, meanRpm }],
  );
}

/** Rate integrated by trapezoids to turns, fitted. */
function fitRun(
  timeS: Float64Array,
  rate: Float64Array,
  rpm: number,
  wish: GyroWish,
  warnings: RotationWarning[],
): Rotation {
  const turns = new Float64Array(timeS.length);
  for (let i = 1; i < turns.length; i++) {
    const dt = (timeS[i] as number) - (timeS[i - 1] as number);
    turns[i] = (turns[i - 1] as number) + (dt * rpm * ((rate[i] as number) + (rate[i - 1] as number))) / 120;
  }
  const span = lengthS(timeS, [0, timeS.length]);
  const track = trackOf({ timeS, turns }, (timeS.length - 1) / span, (turns[turns.length - 1] as number) / span);
  const limit = wish.scaleLimitPercent ?? UNCALIBRATED_SCALE_PERCENT;
  const scale = {
    name: 'scale' as const,
    standardPercent: fromLimits(limit),
    why: say`gyroscope scale within ±${limit} %`,
  };
  return rotationOf(track, fitTrack(track), {
    nominalRpm: wish.nominalRpm,
    extraParts: [scale],
    warnings,
    noise: 'flat',
  });
}

/** +1 counter-clockwise seen along the axis that turns most. */
function senseOf(log: GyroLog, bias: readonly number[], range: Stretch): 1 | -1 {
  const means = meanVector(log.axes, range).map((value, i) => value - (bias[i] as number));
  const most = means.reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a));
  return most < 0 ? -1 : 1;
}

function settle(timeS: Float64Array, [from, to]: Stretch): { readonly from: number; readonly to: number } {
  const start = (timeS[from] as number) + (from > 0 ? SETTLE_S : 0);
  const end = (timeS[to - 1] as number) - (to < timeS.length ? SETTLE_S : 0);
  let a = from;
  while (a < to - 1 && (timeS[a] as number) < start) a++;
  let b = to;
  while (b > a + 1 && (timeS[b - 1] as number) > end) b--;
  return { from: a, to: b };
}

function warningsFor(log: GyroLog, rate: Float64Array, hasStill: boolean, wish: GyroWish): RotationWarning[] {
  const out: RotationWarning[] = [...log.warnings];
  if ((wish.scaleLimitPercent ?? UNCALIBRATED_SCALE_PERCENT) >= 1) out.push('SCALE_NOT_CALIBRATED');
  if (!hasStill) out.push('NO_STANDSTILL');
  if (log.said === null) out.push('UNIT_GUESSED');
  const top = Math.max(...log.axes.map((axis) => axis.reduce((most, value) => Math.max(most, Math.abs(value)), 0)));
  const pinned = log.axes.some(
    (axis) => axis.filter((value) => Math.abs(value) === top).length > PINNED_SHARE * rate.length,
  );
  if (pinned) out.push('CLIPPED');
  return out;
}
