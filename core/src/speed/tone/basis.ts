/**
 * The columns of the joint fit, made in blocks: Legendre polynomials over the whole track and a cosine
 * and sine for each line. Blocks keep the loops short and the columns next to each other in memory.
 */
import { workspace, type Workspace } from '../../numeric/index.js';
import type { PhaseTrack } from './phase.js';
import { BASIS_BLOCK } from './defaults.js';

/** Columns of samples `start`..`start + count`, column c at c * BASIS_BLOCK; rows that are not usable are 0. */
interface BasisBlock {
  readonly start: number;
  readonly count: number;
  readonly columns: Float64Array;
}

/** What is fitted: a curve of `order` and lines at `lineHz`, on a track's samples. */
export interface Basis {
  readonly track: PhaseTrack;
  readonly order: number;
  readonly lineHz: readonly number[];
}

/**
 * Products of all columns with the first `upTo` + 1 (lower half, row by row) and with the phase.
 * Columns 0..order are the curve's, then cosine and sine of each line.
 */
export function normalSums(basis: Basis, upTo: number): { matrix: Float64Array; rhs: Float64Array } {
  const compiled = workspace();
  if (compiled) return compiledSums(compiled, basis, upTo);
  const columns = columnCount(basis.order, basis.lineHz.length);
  const matrix = new Float64Array(columns * columns);
  const rhs = new Float64Array(columns);
  eachBlock(basis, (block) => addBlock(matrix, rhs, block, basis.track.phase, upTo));
  return { matrix, rhs };
}

/** `values` less coefficients times columns, in place; samples that are not usable stay as they are. */
export function takeOff(values: Float64Array, coefficients: Float64Array, basis: Basis): void {
  const compiled = workspace();
  if (!compiled) return eachBlock(basis, (block) => takeOffBlock(values, coefficients, block));
  const laid = layOut(compiled, basis);
  const coefficientsAt = compiled.put(coefficients);
  const at = compiled.put(values);
  compiled.calls.takeOff(at, laid.usableAt, ...laid.shape, laid.columnsAt, coefficientsAt);
  values.set(compiled.values(at, values.length));
}

/** What every compiled loop over the columns is told: the usable samples, the shape and the waves. */
function layOut(compiled: Workspace, { track, order, lineHz }: Basis) {
  const total = track.phase.length;
  const steps = lineHz.map((hz) => (2 * Math.PI * hz) / track.rate);
  const waves = Float64Array.from(steps.flatMap((step) => [Math.cos(step), Math.sin(step)]));
  const blocks = Math.ceil(total / BASIS_BLOCK);
  const phases = new Float64Array(2 * steps.length * blocks);
  for (let b = 0; b < blocks; b++) {
    steps.forEach((step, l) => {
      const at = 2 * (b * steps.length + l);
      phases[at] = Math.cos(step * b * BASIS_BLOCK);
      phases[at + 1] = Math.sin(step * b * BASIS_BLOCK);
    });
  }
  const usableAt = compiled.put(track.usable);
  const [wavesAt, phasesAt] = [compiled.put(waves), compiled.put(phases)];
  const columnsAt = compiled.space(8 * BASIS_BLOCK * columnCount(order, lineHz.length));
  return { usableAt, columnsAt, shape: [total, order, lineHz.length, wavesAt, phasesAt] as const };
}

function compiledSums(compiled: Workspace, basis: Basis, upTo: number) {
  const columns = columnCount(basis.order, basis.lineHz.length);
  const laid = layOut(compiled, basis);
  const phaseAt = compiled.put(basis.track.phase);
  const matrixAt = compiled.room(8 * columns * columns);
  const rhsAt = compiled.room(8 * columns);
  compiled.calls.normalSums(phaseAt, laid.usableAt, ...laid.shape, laid.columnsAt, matrixAt, rhsAt, upTo);
  return { matrix: compiled.values(matrixAt, columns * columns).slice(), rhs: compiled.values(rhsAt, columns).slice() };
}

/** Number of columns for a curve order and a number of lines. */
export const columnCount = (order: number, lines: number): number => order + 1 + 2 * lines;

/** Hands every block of the track to `use`; the columns' memory is used again for the next. */
function eachBlock({ track, order, lineHz }: Basis, use: (block: BasisBlock) => void): void {
  const total = track.phase.length;
  const columns = new Float64Array(columnCount(order, lineHz.length) * BASIS_BLOCK);
  for (let start = 0; start < total; start += BASIS_BLOCK) {
    const count = Math.min(BASIS_BLOCK, total - start);
    legendreColumns(columns, order, start, count, total - 1);
    lineHz.forEach((hz, i) => waveColumns(columns, order + 1 + 2 * i, (2 * Math.PI * hz) / track.rate, start, count));
    blankUnusable(columns, track.usable, start, count);
    use({ start, count, columns });
  }
}

function legendreColumns(columns: Float64Array, order: number, start: number, count: number, last: number): void {
  const scale = 2 / last;
  for (let i = 0; i < count; i++) {
    columns[i] = 1;
    if (order > 0) columns[BASIS_BLOCK + i] = (start + i) * scale - 1;
  }
  for (let k = 2; k <= order; k++) {
    const at = k * BASIS_BLOCK;
    const a = (2 * k - 1) / k;
    const b = (k - 1) / k;
    for (let i = 0; i < count; i++) {
      const x = columns[BASIS_BLOCK + i] as number;
      columns[at + i] =
        a * x * (columns[at - BASIS_BLOCK + i] as number) - b * (columns[at - 2 * BASIS_BLOCK + i] as number);
    }
  }
}

/** Cosine and sine by rotation, set right at each block's start. */
function waveColumns(columns: Float64Array, column: number, step: number, start: number, count: number): void {
  const cosAt = column * BASIS_BLOCK;
  const sinAt = cosAt + BASIS_BLOCK;
  let c = Math.cos(step * start);
  let s = Math.sin(step * start);
  const dc = Math.cos(step);
  const ds = Math.sin(step);
  for (let i = 0; i < count; i++) {
    columns[cosAt + i] = c;
    columns[sinAt + i] = s;
    const next = c * dc - s * ds;
    s = c * ds + s * dc;
    c = next;
  }
}

function blankUnusable(columns: Float64Array, usable: Uint8Array, start: number, count: number): void {
  for (let i = 0; i < count; i++) {
    if (usable[start + i]) continue;
    for (let at = i; at < columns.length; at += BASIS_BLOCK) columns[at] = 0;
  }
}

/** Adds a block's products with columns 0..`upTo` to the lower half of `matrix`, and all with the phase to `rhs`. */
function addBlock(matrix: Float64Array, rhs: Float64Array, block: BasisBlock, phase: Float64Array, upTo: number): void {
  const { start, count, columns: basis } = block;
  const columns = rhs.length;
  for (let i = 0; i < columns; i++) {
    rhs[i] = (rhs[i] as number) + dot(basis, i * BASIS_BLOCK, phase, start, count);
    const row = i * columns;
    const last = Math.min(i, upTo);
    let j = 0;
    for (; j + 3 <= last; j += 4) addFourDots(matrix, row + j, basis, i * BASIS_BLOCK, j * BASIS_BLOCK, count);
    for (; j <= last; j++)
      matrix[row + j] = (matrix[row + j] as number) + dot(basis, i * BASIS_BLOCK, basis, j * BASIS_BLOCK, count);
  }
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
    s1 += value * (basis[b + BASIS_BLOCK + i] as number);
    s2 += value * (basis[b + 2 * BASIS_BLOCK + i] as number);
    s3 += value * (basis[b + 3 * BASIS_BLOCK + i] as number);
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

function takeOffBlock(out: Float64Array, coefficients: Float64Array, { start, count, columns }: BasisBlock): void {
  for (let c = 0; c < coefficients.length; c++) {
    const coefficient = coefficients[c] as number;
    const at = c * BASIS_BLOCK;
    for (let i = 0; i < count; i++) {
      out[start + i] = (out[start + i] as number) - coefficient * (columns[at + i] as number);
    }
  }
}
