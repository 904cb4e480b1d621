/**
 * Speed by stopwatch and counted turns: each tap marks a turn (or every so many); a straight line
 * through all taps gives the period, its scatter the honest uncertainty.
 *
 * Two taps alone carry both reaction errors: u/rpm = sqrt(2) u_react / t (propagation, JCGM 100:2008, 5.1.2; from memory). With n taps in equal
 * steps of T the slope's standard error is u_react sqrt(12 / (n (n^2 - 1))) / T. Where u_react is their own scatter it is known
 * with n - 2 degrees of freedom, and Student's t stands in place of 2 (JCGM 100:2008, G.3; from memory).
 */
import { requirePositive } from '../errors.js';
import { studentFactor } from '../numeric/index.js';
import { ENOUGH_TAPS, REACTION_S, STEADIEST_S } from './defaults.js';
export { REACTION_S } from './defaults.js';

/** Counting, or a speed in rpm with its uncertainty (95 %, percent). */
export type Stopwatch =
  | { readonly kind: 'counting'; readonly taps: number }
  | {
      readonly kind: 'measured';
      readonly taps: number;
      readonly turns: number;
      readonly rpm: number;
      /** Expanded uncertainty (95 %: k = 2, or Student's t of a scatter from few taps) in percent of the speed. */
      readonly expandedPercent: number;
      /** Standard deviation of one tap about the line, s: presumed, or the taps' own scatter. */
      readonly reactionS: number;
    };

/**
 * Evaluates taps (seconds, rising), each `turnsPerTap` turns after the one before; the first counts
 * nought. 31 taps a turn apart at 33 1/3 with 0.15 s of scatter: U = 0.34 %.
 * @throws CoreError OUT_OF_RANGE unless turnsPerTap is above zero.
 */
export function stopwatch(tapsS: readonly number[], turnsPerTap: number): Stopwatch {
  requirePositive(turnsPerTap, 'turnsPerTap');
  const n = tapsS.length;
  const first = tapsS[0];
  if (n < 2 || first === undefined || !((tapsS[n - 1] as number) > first)) return { kind: 'counting', taps: n };
  const middle = (n - 1) / 2;
  const meanT = tapsS.reduce((sum, t) => sum + t, 0) / n;
  const spread = (n * (n * n - 1)) / 12;
  const periodS = tapsS.reduce((sum, t, i) => sum + (i - middle) * (t - meanT), 0) / spread;
  const scatter = Math.sqrt(
    tapsS.reduce((sum, t, i) => sum + (t - meanT - (i - middle) * periodS) ** 2, 0) / Math.max(1, n - 2),
  );
  const known = n >= ENOUGH_TAPS;
  const reachS = known ? Math.max(2 * STEADIEST_S, studentFactor(n - 2) * scatter) : 2 * REACTION_S;
  return {
    kind: 'measured',
    taps: n,
    turns: (n - 1) * turnsPerTap,
    rpm: (60 * turnsPerTap) / periodS,
    expandedPercent: (100 * reachS) / Math.sqrt(spread) / periodS,
    reactionS: known ? Math.max(STEADIEST_S, scatter) : REACTION_S,
  };
}

/**
 * Taps still needed until the uncertainty is at most `wantedPercent`; 0 when it is already. The
 * slope's error falls with the 3/2 power of the number of taps.
 */
export function tapsStillNeeded(state: Stopwatch, wantedPercent: number): number | null {
  requirePositive(wantedPercent, 'wantedPercent');
  if (state.kind === 'counting') return null;
  const wanted = state.taps * Math.max(1, (state.expandedPercent / wantedPercent) ** (2 / 3));
  return Math.max(0, Math.ceil(wanted) - state.taps);
}
