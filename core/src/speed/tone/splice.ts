/** A sudden step from one steady speed to another: a splice, or a selector moved. */
import { median } from '../../numeric/index.js';
import { BETTER_THAN_LINE, LEAST_SIDE_S, LEAST_STEP, SPLICE_NEAR_S, SUDDEN_PART } from './defaults.js';

/**
 * Index of the first value behind a step in `pitches` (Hz, `stepS` seconds apart), or null where one
 * level, or a slow change, says as much. Least squares of two levels against a straight line.
 */
export function stepIn(pitches: readonly number[], stepS: number): number | null {
  const side = Math.max(3, Math.round(LEAST_SIDE_S / stepS));
  const count = pitches.length;
  if (count < 2 * side) return null;
  const values = pitches.map(Math.log);
  const line = lineRest(values);
  const best = bestSplit(values, side);
  if (best.rest >= BETTER_THAN_LINE * line || Math.abs(best.step) < LEAST_STEP) return null;
  const near = Math.max(2, Math.round(SPLICE_NEAR_S / stepS));
  const before = median(values.slice(Math.max(0, best.at - 1 - near), best.at - 1));
  const after = median(values.slice(best.at + 1, best.at + 1 + near));
  return (after - before) / best.step >= SUDDEN_PART ? best.at : null;
}

/** Sum of squares that a straight line leaves. */
function lineRest(values: readonly number[]): number {
  const count = values.length;
  const middle = (count - 1) / 2;
  const mean = values.reduce((sum, value) => sum + value, 0) / count;
  let [sxy, sxx, syy] = [0, 0, 0];
  values.forEach((value, i) => {
    sxy += (i - middle) * (value - mean);
    sxx += (i - middle) ** 2;
    syy += (value - mean) ** 2;
  });
  return syy - sxy ** 2 / sxx;
}

/** The split into two levels that leaves least. */
function bestSplit(values: readonly number[], side: number): { at: number; step: number; rest: number } {
  const total = values.reduce((sum, value) => sum + value, 0);
  const mean = total / values.length;
  const square = values.reduce((sum, value) => sum + (value - mean) ** 2, 0);
  let best = { at: side, step: 0, rest: Infinity };
  let left = 0;
  values.forEach((value, i) => {
    left += value;
    const at = i + 1;
    if (at < side || values.length - at < side) return;
    const step = (total - left) / (values.length - at) - left / at;
    const rest = square - (step ** 2 * at * (values.length - at)) / values.length;
    if (rest < best.rest) best = { at, step, rest };
  });
  return best;
}
