/** Student's t: intervals of means and of differences from few readings. */
import { CoreError } from '../errors.js';
import { logGamma } from './gamma.js';
import { mean } from './statistics.js';

/** Regularised incomplete beta function I_x(a, b), a and b > 0, by Lentz's continued fraction. */
export function incompleteBeta(a: number, b: number, x: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  const front = Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log1p(-x));
  if (x > (a + 1) / (a + b + 2)) return 1 - incompleteBeta(b, a, 1 - x);
  const tiny = 1e-300;
  let c = 1;
  let d = 1 / guarded(1 - ((a + b) * x) / (a + 1), tiny);
  let h = d;
  for (let m = 1; m < 500; m++) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    d = 1 / guarded(1 + even * d, tiny);
    c = guarded(1 + even / c, tiny);
    h *= d * c;
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / guarded(1 + odd * d, tiny);
    c = guarded(1 + odd / c, tiny);
    h *= d * c;
    if (Math.abs(d * c - 1) < 1e-15) break;
  }
  return (front * h) / a;
}

const guarded = (value: number, tiny: number): number => (Math.abs(value) < tiny ? tiny : value);

/** Probability that |t| of `freedom` degrees is under `t` >= 0. */
export const studentWithin = (t: number, freedom: number): number =>
  1 - incompleteBeta(freedom / 2, 0.5, freedom / (freedom + t * t));

/**
 * The t that a fraction `within` of all |t| lie under: 0.95 and 10 degrees give 2.228. Freedom may be broken.
 * @throws CoreError OUT_OF_RANGE unless freedom > 0 and 0 < within < 1.
 */
export function studentFactor(freedom: number, within = 0.95): number {
  if (!(freedom > 0) || !(within > 0 && within < 1))
    throw new CoreError('OUT_OF_RANGE', 'a t factor needs freedom above nought and a part between 0 and 1', {
      freedom,
    });
  let low = 0;
  let high = 1;
  while (studentWithin(high, freedom) < within && high < 1e9) high *= 2;
  for (let i = 0; i < 80; i++) {
    const middle = (low + high) / 2;
    if (studentWithin(middle, freedom) < within) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Sample variance (n - 1); 0 for fewer than two. */
export function variance(values: ArrayLike<number>): number {
  if (values.length < 2) return 0;
  const middle = mean(values);
  let sum = 0;
  for (let i = 0; i < values.length; i++) sum += ((values[i] as number) - middle) ** 2;
  return sum / (values.length - 1);
}

/**
 * How many independent readings so many in a row are worth, by their correlation from one to the next:
 * n (1 - r)/(1 + r), r clipped to 0..0.95, and taken as nought below eight readings, where it cannot be told.
 */
export function effectiveCount(values: ArrayLike<number>): number {
  const n = values.length;
  if (n < 8) return n;
  const middle = mean(values);
  let top = 0;
  let bottom = 0;
  for (let i = 0; i < n; i++) {
    const here = (values[i] as number) - middle;
    bottom += here * here;
    if (i > 0) top += here * ((values[i - 1] as number) - middle);
  }
  if (bottom === 0) return n;
  const r = Math.min(0.95, Math.max(0, top / bottom));
  return Math.max(2, (n * (1 - r)) / (1 + r));
}

/** A difference of means with its 95 % interval. */
export interface Difference {
  readonly by: number;
  readonly low: number;
  readonly high: number;
  readonly freedom: number;
}

/**
 * `after` less `before` by Welch's t with the Welch-Satterthwaite freedom; readings in a row count for as many as
 * {@link effectiveCount} says. Null with fewer than two on either side: then no interval is known.
 */
export function welch(before: ArrayLike<number>, after: ArrayLike<number>): Difference | null {
  if (before.length < 2 || after.length < 2) return null;
  const by = mean(after) - mean(before);
  const parts = [before, after].map((side) => {
    const n = effectiveCount(side);
    return { n, square: variance(side) / n };
  });
  const square = parts.reduce((sum, part) => sum + part.square, 0);
  if (square === 0) return { by, low: by, high: by, freedom: before.length + after.length - 2 };
  const freedom = square ** 2 / parts.reduce((sum, part) => sum + part.square ** 2 / (part.n - 1), 0);
  const reach = studentFactor(freedom) * Math.sqrt(square);
  return { by, low: by - reach, high: by + reach, freedom };
}
