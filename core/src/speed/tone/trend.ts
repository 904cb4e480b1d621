/**
 * The joint least-squares fit of a phase track: a slow curve (Legendre polynomials) and periodic
 * lines. The steady speed is the mean slope of the curve, so that part of a turn of wow at either
 * end does not shift it.
 */
import { CoreError } from '../../errors.js';
import { solveNormal } from '../../numeric/index.js';
import { BLOCK, columnCount, eachBlock, type BasisBlock } from './basis.js';
import type { PhaseTrack } from './phase.js';

/** A phase line: cosine and sine amplitudes in radians at `hz`, time counted from the track's start. */
export interface PhaseLine {
  readonly hz: number;
  readonly cos: number;
  readonly sin: number;
}

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
  const matrix = new Float64Array(columns * columns);
  const rhs = new Float64Array(columns);
  // Without gaps the products of waves have closed sums; those with the curve are added up.
  const closed = !track.usable.includes(0);
  const upTo = closed ? order : columns - 1;
  eachBlock(track, order, lineHz, (block) => addBlock(matrix, rhs, block, track.phase, upTo));
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

/** Adds a block's products with columns 0..`upTo` to the lower half of `matrix`, and all with the phase to `rhs`. */
function addBlock(matrix: Float64Array, rhs: Float64Array, block: BasisBlock, phase: Float64Array, upTo: number): void {
  const { start, count, columns: basis } = block;
  const columns = rhs.length;
  for (let i = 0; i < columns; i++) {
    rhs[i] = (rhs[i] as number) + dot(basis, i * BLOCK, phase, start, count);
    const row = i * columns;
    const last = Math.min(i, upTo);
    let j = 0;
    for (; j + 3 <= last; j += 4) addFourDots(matrix, row + j, basis, i * BLOCK, j * BLOCK, count);
    for (; j <= last; j++)
      matrix[row + j] = (matrix[row + j] as number) + dot(basis, i * BLOCK, basis, j * BLOCK, count);
  }
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

/** Adds the products of the column at `a` with the four from `b` on to `out[at]` and the three behind it. */
function addFourDots(out: Float64Array, at: number, basis: Float64Array, a: number, b: number, count: number): void {
  let s0 = 0;
  let s1 = 0;
  let s2 = 0;
  let s3 = 0;
  for (let i = 0; i < count; i++) {
    const value = basis[a + i] as number;
    s0 += value * (basis[b + i] as number);
    s1 += value * (basis[b + BLOCK + i] as number);
    s2 += value * (basis[b + 2 * BLOCK + i] as number);
    s3 += value * (basis[b + 3 * BLOCK + i] as number);
  }
  out[at] = (out[at] as number) + s0;
  out[at + 1] = (out[at + 1] as number) + s1;
  out[at + 2] = (out[at + 2] as number) + s2;
  out[at + 3] = (out[at + 3] as number) + s3;
}

function dot(a: Float64Array, from: number, b: Float64Array, start: number, count: number): number {
  let even = 0;
  let odd = 0;
  const pairs = count & ~1;
  for (let i = 0; i < pairs; i += 2) {
    even += (a[from + i] as number) * (b[start + i] as number);
    odd += (a[from + i + 1] as number) * (b[start + i + 1] as number);
  }
  if (pairs < count) even += (a[from + pairs] as number) * (b[start + pairs] as number);
  return even + odd;
}

/** Cosines and sines of several frequencies, stepped by rotation, set right every 4096 samples. */
export function spinner(lineHz: readonly number[], rate: number) {
  const count = lineHz.length;
  const cos = new Float64Array(count).fill(1);
  const sin = new Float64Array(count);
  const stepCos = Float64Array.from(lineHz, (hz) => Math.cos((2 * Math.PI * hz) / rate));
  const stepSin = Float64Array.from(lineHz, (hz) => Math.sin((2 * Math.PI * hz) / rate));
  let n = 0;
  return {
    /** Writes cos, sin pairs for the present sample into `out` from `at`, then steps on. */
    next(out: Float64Array, at: number): void {
      const settle = n % 4096 === 0;
      for (let i = 0; i < count; i++) {
        if (settle) {
          const angle = (2 * Math.PI * (lineHz[i] as number) * n) / rate;
          cos[i] = Math.cos(angle);
          sin[i] = Math.sin(angle);
        }
        const c = cos[i] as number;
        const s = sin[i] as number;
        out[at + 2 * i] = c;
        out[at + 2 * i + 1] = s;
        cos[i] = c * (stepCos[i] as number) - s * (stepSin[i] as number);
        sin[i] = c * (stepSin[i] as number) + s * (stepCos[i] as number);
      }
      n++;
    },
  };
}

function residualOf(
  track: PhaseTrack,
  coefficients: Float64Array,
  order: number,
  lineHz: readonly number[],
): Float64Array {
  const out = new Float64Array(track.phase.length);
  for (let n = 0; n < out.length; n++) out[n] = track.usable[n] ? (track.phase[n] as number) : 0;
  eachBlock(track, order, lineHz, (block) => takeOff(out, coefficients, block));
  return out;
}

function takeOff(out: Float64Array, coefficients: Float64Array, { start, count, columns }: BasisBlock): void {
  for (let c = 0; c < coefficients.length; c++) {
    const coefficient = coefficients[c] as number;
    const at = c * BLOCK;
    for (let i = 0; i < count; i++) {
      out[start + i] = (out[start + i] as number) - coefficient * (columns[at + i] as number);
    }
  }
}
