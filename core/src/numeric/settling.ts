/** A value that runs to its end like s(t) = end + amplitude exp(-t/tau): warm-up and drying. */
import { solveNormal } from './solve.js';
import { studentFactor } from './student.js';

/** A number with its 95 % interval. */
export interface Bounded {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

/** What was fitted; times in the unit of `times`. */
export interface SettlingFit {
  readonly end: Bounded;
  readonly amplitude: Bounded;
  readonly tau: Bounded;
  /** Sample deviation of what the curve does not explain. */
  readonly residual: number;
}

/** Readings needed for three unknowns and a residual. */
export const SETTLING_LEAST = 5;
/** Time constants looked at, as parts of the stretch that was watched. */
const TAU_FROM = 0.02;
const TAU_TO = 3;
const TAU_STEPS = 60;

/**
 * Least squares with the two linear unknowns solved for each tau (variable projection), intervals from the
 * linearised covariance and Student's t. Null below {@link SETTLING_LEAST} readings, when all stand at one time, or
 * when the best tau lies at either end of what the stretch can show: then there is no bend to fit.
 */
export function fitSettling(times: readonly number[], values: readonly number[]): SettlingFit | null {
  const n = Math.min(times.length, values.length);
  const span = Math.max(...times) - Math.min(...times);
  if (n < SETTLING_LEAST || !(span > 0)) return null;
  const cost = (tau: number) => linear(times, values, tau)?.square ?? Infinity;
  const grid = Array.from(
    { length: TAU_STEPS + 1 },
    (_one, i) => span * TAU_FROM * (TAU_TO / TAU_FROM) ** (i / TAU_STEPS),
  );
  const costs = grid.map(cost);
  const best = costs.indexOf(Math.min(...costs));
  if (best <= 0 || best >= TAU_STEPS) return null;
  const tau = goldenLeast(cost, grid[best - 1] as number, grid[best + 1] as number);
  const solved = linear(times, values, tau);
  return solved && intervals(times, { ...solved, tau });
}

interface Linear {
  readonly end: number;
  readonly amplitude: number;
  readonly square: number;
}

function linear(times: readonly number[], values: readonly number[], tau: number): Linear | null {
  let [e, ee, v, ev] = [0, 0, 0, 0];
  const n = times.length;
  times.forEach((t, i) => {
    const decay = Math.exp(-t / tau);
    const value = values[i] as number;
    e += decay;
    ee += decay * decay;
    v += value;
    ev += decay * value;
  });
  const determinant = n * ee - e * e;
  if (!(determinant > 1e-12 * n * ee)) return null;
  const amplitude = (n * ev - e * v) / determinant;
  const end = (v - amplitude * e) / n;
  const square = times.reduce(
    (sum, t, i) => sum + ((values[i] as number) - end - amplitude * Math.exp(-t / tau)) ** 2,
    0,
  );
  return { end, amplitude, square };
}

const GOLDEN = (Math.sqrt(5) - 1) / 2;

/** Where a function with one valley between the ends is least. */
function goldenLeast(cost: (x: number) => number, from: number, to: number): number {
  let [low, high] = [from, to];
  for (let i = 0; i < 120 && high - low > 1e-11 * high; i++) {
    const a = high - GOLDEN * (high - low);
    const b = low + GOLDEN * (high - low);
    if (cost(a) < cost(b)) high = b;
    else low = a;
  }
  return (low + high) / 2;
}

function intervals(times: readonly number[], fit: Linear & { readonly tau: number }): SettlingFit | null {
  const { end, amplitude, tau, square } = fit;
  const normal = new Float64Array(9);
  for (const t of times) {
    const decay = Math.exp(-t / tau);
    const slope = [1, decay, (amplitude * decay * t) / tau ** 2];
    for (let i = 0; i < 3; i++)
      for (let j = 0; j < 3; j++)
        normal[3 * i + j] = (normal[3 * i + j] as number) + (slope[i] as number) * (slope[j] as number);
  }
  const solved = solveNormal(normal, new Float64Array(3));
  if (!solved) return null;
  const freedom = times.length - 3;
  const variance = square / freedom;
  const factor = studentFactor(freedom);
  const bounded = (value: number, i: number): Bounded => {
    const reach = factor * Math.sqrt(Math.max(0, variance * (solved.inverse[4 * i] as number)));
    return { value, low: value - reach, high: value + reach };
  };
  return {
    end: bounded(end, 0),
    amplitude: bounded(amplitude, 1),
    tau: bounded(tau, 2),
    residual: Math.sqrt(variance),
  };
}
