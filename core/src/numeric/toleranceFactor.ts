/** Statistical tolerance intervals of a normal population from a few values. */
import { CoreError } from '../errors.js';
import { chiSquaredBelow, normalBelow } from './gamma.js';

/**
 * Exact two-sided factor k: mean ± k s of n values holds `coverage` of the population with `confidence`
 * (the problem of ISO 16269-6, solved by integrating over the mean). n from 2.
 * @throws CoreError OUT_OF_RANGE for n below 2 or a part outside 0 to 1.
 */
export function toleranceFactor(n: number, coverage = 0.95, confidence = 0.95): number {
  if (!Number.isInteger(n) || n < 2 || !(coverage > 0 && coverage < 1) || !(confidence > 0 && confidence < 1))
    throw new CoreError('OUT_OF_RANGE', 'a tolerance factor needs two values or more and parts between 0 and 1', { n });
  const reach = meanReach(n, coverage);
  return bisect((k) => confidenceOf(k, n, reach) - confidence, 0.01, 1000);
}

/** Half-width in sigmas that holds the coverage, on a grid of the mean's distance from the truth. */
function meanReach(n: number, coverage: number): { readonly weight: number; readonly reach: number }[] {
  const half = 6 / Math.sqrt(n);
  const steps = 120;
  const grid = Array.from({ length: steps + 1 }, (_one, i) => {
    const x = (half * i) / steps;
    const simpson = i === 0 || i === steps ? 1 : i % 2 === 1 ? 4 : 2;
    const reach = bisect((r) => normalBelow(x + r) - normalBelow(x - r) - coverage, 0, 20 + x);
    return { weight: simpson * Math.exp((-n * x * x) / 2), reach };
  });
  const total = grid.reduce((sum, one) => sum + one.weight, 0);
  return grid.map((one) => ({ ...one, weight: one.weight / total }));
}

function confidenceOf(k: number, n: number, grid: readonly { readonly weight: number; readonly reach: number }[]) {
  const freedom = n - 1;
  return grid.reduce(
    (sum, { weight, reach }) => sum + weight * (1 - chiSquaredBelow((freedom * reach * reach) / (k * k), freedom)),
    0,
  );
}

/** Where a rising function crosses nought. */
function bisect(f: (x: number) => number, from: number, to: number): number {
  let [low, high] = [from, to];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (f(middle) < 0) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
