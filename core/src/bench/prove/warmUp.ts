/** Warm-up and drift: the readings of one speed since it was switched on, fitted to a curve that runs to its end. */
import { fitSettling, mean, studentFactor, type SettlingFit } from '../../numeric/index.js';
import { isLive, type BenchEvent } from '../event.js';
import { atPitchRest } from '../pitch.js';
import { PROVOCATION_WORDS } from './provocations.js';
import { provokedKeys } from './trial.js';
import { say } from '../../words/index.js';
import { SLOPE_FROM_PART, STEADY_PART } from '../defaults.js';
export { STEADY_PART } from '../defaults.js';

/** A reading of the run: minutes since it was switched on, error in percent. */
export interface DriftPoint {
  readonly key: string;
  readonly minutes: number;
  readonly errorPercent: number;
}

/** Something that was done during the run. */
export interface DriftMark {
  readonly minutes: number;
  readonly words: string;
}

/** Drift of one speed over one stretch with the power on. */
export interface DriftLog {
  readonly speedId: string;
  readonly since: string;
  readonly points: readonly DriftPoint[];
  readonly marks: readonly DriftMark[];
  readonly result: DriftResult;
}

/** What the readings say; percent and minutes. */
export interface DriftResult {
  /** The warm-up curve; null where nothing bends or too little was read. */
  readonly fit: SettlingFit | null;
  /** From here on every reading lies within `band` of the end; null when the last one does not, or there are fewer than three. */
  readonly steadySinceMin: number | null;
  /** Percent around the end within which it counts as steady. */
  readonly band: number;
  /** Slope of the last part, percent an hour, with its 95 % interval; null below three readings there. */
  readonly perHour: { readonly by: number; readonly low: number; readonly high: number } | null;
}

/** Drift of a speed over the last stretch with the power on that holds two readings or more; null when there is none. */
export function driftOf(lines: readonly BenchEvent[], speedId: string, tolerancePercent: number): DriftLog | null {
  let found: Omit<DriftLog, 'result'> | null = null;
  let since: string | null = null;
  let points: DriftPoint[] = [];
  let marks: DriftMark[] = [];
  const close = () => {
    if (since !== null && points.length >= 2) found = { speedId, since, points, marks };
  };
  const provoked = provokedKeys(lines);
  for (const { key, enteredAt, body } of lines) {
    if (body.kind === 'power') {
      if (isLive(body.state) === (since !== null)) continue;
      close();
      [since, points, marks] = [isLive(body.state) ? enteredAt : null, [], []];
      continue;
    }
    const minutes: number = since === null ? 0 : (Date.parse(enteredAt) - Date.parse(since)) / 60_000;
    if (since === null) continue;
    if (body.kind === 'speed' && body.speedId === speedId) {
      if (body.errorPercent === null) continue;
      if (!atPitchRest(body)) marks.push({ minutes, words: say`pitch moved` });
      // What a provocation did stands as a mark, not on the curve.
      else if (!provoked.has(key)) points.push({ key, minutes, errorPercent: body.errorPercent });
    }
    if (body.kind === 'trial-phase' && body.phase === 'provoked')
      marks.push({ minutes, words: `${body.name} ${PROVOCATION_WORDS[body.provocation]}` });
    if (body.kind === 'tried') marks.push({ minutes, words: body.name });
  }
  close();
  const last = found as Omit<DriftLog, 'result'> | null;
  return last && { ...last, result: driftResult(last.points, STEADY_PART * tolerancePercent) };
}

/** Curve, steadiness and slope of a run of readings. */
export function driftResult(
  points: readonly { readonly minutes: number; readonly errorPercent: number }[],
  band: number,
): DriftResult {
  const times = points.map((one) => one.minutes);
  const values = points.map((one) => one.errorPercent);
  const fit = fitSettling(times, values);
  const end = fit?.end.value ?? values.at(-1) ?? 0;
  return { fit, band, steadySinceMin: steadySince(times, values, end, band), perHour: slopeOf(times, values) };
}

function steadySince(times: readonly number[], values: readonly number[], end: number, band: number): number | null {
  if (times.length < 3) return null;
  const off = values.findLastIndex((value) => Math.abs(value - end) > band);
  // One reading alone at the end says nothing of how long it has been so.
  return off >= times.length - 2 ? null : (times[off + 1] as number);
}

function slopeOf(times: readonly number[], values: readonly number[]): DriftResult['perHour'] {
  const [first, last] = [times[0] ?? 0, times.at(-1) ?? 0];
  const from = first + SLOPE_FROM_PART * (last - first);
  const late = times.flatMap((t, i) => (t >= from ? [[t / 60, values[i] as number] as const] : []));
  const n = late.length;
  if (n < 3) return null;
  const [mt, mv] = [mean(late.map(([t]) => t)), mean(late.map(([, v]) => v))];
  const tt = late.reduce((sum, [t]) => sum + (t - mt) ** 2, 0);
  if (tt === 0) return null;
  const by = late.reduce((sum, [t, v]) => sum + (t - mt) * (v - mv), 0) / tt;
  const rest = late.reduce((sum, [t, v]) => sum + (v - mv - by * (t - mt)) ** 2, 0);
  const reach = studentFactor(n - 2) * Math.sqrt(rest / (n - 2) / tt);
  return { by, low: by - reach, high: by + reach };
}
