/**
 * The joint least-squares fit of a phase track: a slow curve (Legendre polynomials) and periodic
 * lines. The steady speed is the mean slope of the curve, so that part of a turn of wow at either
 * end does not shift it.
 */
import { CoreError } from '../../errors.js';
import { solveNormal } from '../../numeric/index.js';
import { columnCount, normalSums, takeOff } from './basis.js';
import type { PhaseTrack } from './phase.js';

/** A phase line: cosine and sine amplitudes in radians at `hz`, time counted from the track's start. */
export interface PhaseLine {
  readonly hz: number;
  readonly cos: number;
  readonly sin: number;
}

/** A straight trend under a track. */
export interface TrendFit {
  /** Legendre coefficients of the slow phase curve over the track, radians. */
  readonly curve: Float64Array;
  readonly lines: readonly PhaseLine[];
  /** Variance of the mean frequency in Hz^2 for phase noise of 1 rad^2 a sample. */
  readonly meanHzUnitVariance: number;
  /** Variance of each curve coefficient for unit noise. */
  readonly curveUnitVariance: Float64Array;
  /** Phase less curve and lines; 0 where not usable. */
  readonly residual: Float64Array;
}

/** Fits curve orders 0..`order` and lines at `lineHz` to the usable samples. */
export function fitTrend(track: PhaseTrack, order: number, lineHz: readonly number[]): TrendFit {
  const columns = columnCount(order, lineHz.length);
  const { matrix, rhs } = normalEquations(track, order, lineHz);
  const solved = solveNormal(matrix, rhs);
  if (!solved) {
    if (lineHz.length > 0) return fitTrend(track, order, lineHz.slice(0, -1));
    throw new CoreError('BAD_SHAPE', 'too few usable samples for the curve', { order });
  }
  const curve = solved.coefficients.slice(0, order + 1);
  const lines = lineHz.map((hz, i) => ({
    hz,
    cos: solved.coefficients[order + 1 + 2 * i] as number,
    sin: solved.coefficients[order + 2 + 2 * i] as number,
  }));
  const curveUnitVariance = Float64Array.from(curve, (_, k) => solved.inverse[k * columns + k] as number);
  const meanHzUnitVariance = meanVariance(solved.inverse, columns, order) / durationS(track) ** 2 / (4 * Math.PI ** 2);
  return {
    curve,
    lines,
    meanHzUnitVariance,
    curveUnitVariance,
    residual: residualOf(track, solved.coefficients, order, lineHz),
  };
}

/** Length of the track in seconds, first sample to last. */
export const durationS = (track: PhaseTrack): number => Math.max(1, track.phase.length - 1) / track.rate;

/** Mean frequency of the fitted curve, Hz: all odd Legendre terms rise by 2 from end to end. */
export function meanHz(track: PhaseTrack, curve: Float64Array): number {
  let rise = 0;
  for (let k = 1; k < curve.length; k += 2) rise += 2 * (curve[k] as number);
  return track.centreHz + rise / durationS(track) / (2 * Math.PI);
}

function meanVariance(inverse: Float64Array, columns: number, order: number): number {
  let sum = 0;
  for (let i = 1; i <= order; i += 2) {
    for (let j = 1; j <= order; j += 2) sum += 4 * (inverse[i * columns + j] as number);
  }
  return sum;
}

/** The slow phase curve at x in -1..1, radians. */
export function curveAt(curve: Float64Array, x: number): number {
  const basis = new Float64Array(curve.length);
  legendre(x, basis, curve.length - 1);
  return curve.reduce((sum, coefficient, k) => sum + coefficient * (basis[k] as number), 0);
}

/** Fills `out` with Legendre P0..P_order at x. */
export function legendre(x: number, out: Float64Array, order: number): void {
  out[0] = 1;
  if (order > 0) out[1] = x;
  for (let k = 2; k <= order; k++) {
    out[k] = ((2 * k - 1) * x * (out[k - 1] as number) - (k - 1) * (out[k - 2] as number)) / k;
  }
}

function normalEquations(track: PhaseTrack, order: number, lineHz: readonly number[]) {
  const columns = columnCount(order, lineHz.length);
  // Without gaps the products of waves have closed sums; those with the curve are added up.
  const closed = !track.usable.includes(0);
  const upTo = closed ? order : columns - 1;
  const { matrix, rhs } = normalSums({ track, order, lineHz }, upTo);
  if (closed)
    addWaveProducts(
      matrix,
      columns,
      order + 1,
      lineHz.map((hz) => (2 * Math.PI * hz) / track.rate),
      track.phase.length,
    );
  for (let i = 0; i < columns; i++) {
    for (let j = 0; j < i; j++) matrix[j * columns + i] = matrix[i * columns + j] as number;
  }
  return { matrix, rhs };
}

/** Lower half of the products of cosines and sines of `steps` (radians a sample) over n = 0..count - 1. */
function addWaveProducts(
  matrix: Float64Array,
  columns: number,
  first: number,
  steps: readonly number[],
  count: number,
): void {
  const put = (row: number, column: number, value: number) => {
    if (column <= row) matrix[row * columns + column] = value;
  };
  steps.forEach((a, i) => {
    for (let k = 0; k <= i; k++) {
      const b = steps[k] as number;
      const apart = waveSums(a - b, count);
      const added = waveSums(a + b, count);
      const [row, column] = [first + 2 * i, first + 2 * k];
      put(row, column, (apart.cos + added.cos) / 2);
      put(row + 1, column + 1, (apart.cos - added.cos) / 2);
      // cos a sin b, then sin a cos b.
      put(row, column + 1, (added.sin - apart.sin) / 2);
      put(row + 1, column, (added.sin + apart.sin) / 2);
    }
  });
}

/** Sums of cos(w n) and sin(w n) for n = 0..count - 1 (Dirichlet's kernel). */
export function waveSums(w: number, count: number): { readonly cos: number; readonly sin: number } {
  const half = Math.sin(w / 2);
  if (Math.abs(half) < 1e-12) return { cos: count, sin: 0 };
  const size = Math.sin((count * w) / 2) / half;
  const turn = ((count - 1) * w) / 2;
  return { cos: size * Math.cos(turn), sin: size * Math.sin(turn) };
}

function residualOf(
  track: PhaseTrack,
  coefficients: Float64Array,
  order: number,
  lineHz: readonly number[],
): Float64Array {
  const out = track.phase.slice();
  if (track.usable.includes(0)) for (let n = 0; n < out.length; n++) if (!track.usable[n]) out[n] = 0;
  takeOff(out, coefficients, { track, order, lineHz });
  return out;
}
