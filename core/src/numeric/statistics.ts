/** Small statistics over typed arrays. */
import { CoreError } from '../errors.js';

/** Value at quantile q (0..1) by linear interpolation between order statistics (type 7). Empty gives 0. */
export function quantile(values: ArrayLike<number>, q: number): number {
  if (values.length === 0) return 0;
  const work = new Float64Array(values);
  const position = q * (work.length - 1);
  const low = Math.floor(position);
  const a = select(work, low);
  if (low === work.length - 1) return a;
  let next = Infinity;
  for (let i = low + 1; i < work.length; i++) next = Math.min(next, work[i] as number);
  return a + (position - low) * (next - a);
}

/** The value that would stand at `rank` if `work` were sorted; smaller ones end before it, larger ones behind (Hoare). */
function select(work: Float64Array, rank: number): number {
  let left = 0;
  let right = work.length - 1;
  while (left < right) {
    const pivot = work[rank] as number;
    let i = left;
    let j = right;
    while (i <= j) {
      while ((work[i] as number) < pivot) i++;
      while ((work[j] as number) > pivot) j--;
      if (i > j) break;
      const held = work[i] as number;
      work[i++] = work[j] as number;
      work[j--] = held;
    }
    if (j < rank) left = i;
    if (i > rank) right = j;
  }
  return work[rank] as number;
}

/** Median; 0 for nothing. */
export const median = (values: ArrayLike<number>): number => quantile(values, 0.5);

/** Arithmetic mean; 0 for nothing. */
export function mean(values: ArrayLike<number>): number {
  let sum = 0;
  for (let i = 0; i < values.length; i++) sum += values[i] as number;
  return values.length === 0 ? 0 : sum / values.length;
}

/** The 97.5 % point of the normal distribution. */
const Z_95 = 1.959963984540054;

/**
 * Wilson's 95 % interval of a share, fractions: 2 of 24 gives 0.023 to 0.258. Of none it is 0 to 1.
 * @throws CoreError OUT_OF_RANGE unless 0 <= hits <= trials, both whole.
 */
export function wilsonInterval(hits: number, trials: number): readonly [number, number] {
  if (!Number.isInteger(hits) || !Number.isInteger(trials) || hits < 0 || hits > trials)
    throw new CoreError('OUT_OF_RANGE', 'hits lie between nought and the trials', { hits, trials });
  if (trials === 0) return [0, 1];
  const square = Z_95 ** 2;
  const share = hits / trials;
  const middle = (share + square / (2 * trials)) / (1 + square / trials);
  const half = (Z_95 / (1 + square / trials)) * Math.sqrt((share * (1 - share)) / trials + square / (4 * trials ** 2));
  return [Math.max(0, middle - half), Math.min(1, middle + half)];
}
