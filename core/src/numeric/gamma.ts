/** Gamma function and what statistics needs of it. */

/** Lanczos coefficients for g = 7, nine terms (relative error about 1e-15; from memory). */
const LANCZOS = [
  0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059,
  12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
] as const;

/** Natural logarithm of the gamma function for x > 0. */
export function logGamma(x: number): number {
  if (x < 0.5) return Math.log(Math.PI / Math.sin(Math.PI * x)) - logGamma(1 - x);
  const z = x - 1;
  const t = z + 7.5;
  const sum = LANCZOS.reduce<number>((acc, c, i) => (i === 0 ? c : acc + c / (z + i)), 0);
  return 0.5 * Math.log(2 * Math.PI) + (z + 0.5) * Math.log(t) - t + Math.log(sum);
}

/** Regularised lower incomplete gamma function P(a, x), a > 0, x >= 0: series below a + 1, continued fraction above. */
export function gammaP(a: number, x: number): number {
  if (x <= 0) return 0;
  const front = Math.exp(a * Math.log(x) - x - logGamma(a));
  if (x < a + 1) {
    let term = 1 / a;
    let sum = term;
    for (let n = 1; n < 500 && term > sum * 1e-16; n++) {
      term *= x / (a + n);
      sum += term;
    }
    return front * sum;
  }
  let b = x + 1 - a;
  let c = 1e300;
  let d = 1 / b;
  let h = d;
  for (let n = 1; n < 500; n++) {
    const an = -n * (n - a);
    b += 2;
    d = 1 / (an * d + b);
    c = b + an / c;
    h *= c * d;
    if (Math.abs(c * d - 1) < 1e-15) break;
  }
  return 1 - front * h;
}

/** Chance that a standard normal value is below x. */
export const normalBelow = (x: number): number =>
  x < 0 ? 0.5 * (1 - gammaP(0.5, (x * x) / 2)) : 0.5 * (1 + gammaP(0.5, (x * x) / 2));

/** Chance that a chi-squared value of `freedom` degrees is below x. */
export const chiSquaredBelow = (x: number, freedom: number): number => gammaP(freedom / 2, x / 2);
