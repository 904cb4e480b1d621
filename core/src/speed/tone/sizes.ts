/**
 * Sizes of a deviation between its samples: rest and lines together on a finer grid, their 95 % point,
 * root mean square and quasi-peak.
 */
import { workspace, type Workspace } from '../../numeric/index.js';
import { quasiPeakScale, quasiPeakSteps, unscaledDetector } from './quasiPeak.js';
import type { PhaseLine } from './trend.js';
import { BOUND_TIMES, CELLS, FINE_BLOCK, KERNEL_REACH } from './defaults.js';

/** Sizes in the deviation's own unit. */
export interface Sizes {
  readonly notExceeded95: number;
  readonly rms: number;
  /** Largest indication of the quasi-peak detector, for which the grid should be about 4 kHz. */
  readonly quasiPeak: number;
}

/**
 * Sizes of |rest + lines| on a grid `factor` times finer than `rate`, block by block. They are counted
 * into cells up to a bound that rest and lines together cannot pass.
 */
export function sizes(rest: Float64Array, lines: readonly PhaseLine[], rate: number, factor: number): Sizes {
  const bound = sizeBound(rest, lines);
  const padded = new Float64Array(rest.length + 2 * KERNEL_REACH);
  padded.set(rest, KERNEL_REACH - 1);
  const compiled = workspace();
  const grid = { padded, length: rest.length, kernels: interpolator(factor), lines, fineRate: rate * factor, factor };
  const scale = bound > 0 ? CELLS / bound : 0;
  const { counts, square, largest } = compiled ? compiledCount(compiled, grid, scale) : plainCount(grid, scale);
  const total = Math.max(1, rest.length * factor);
  return {
    notExceeded95: notExceeded(counts, total, 0.95, bound),
    rms: Math.sqrt(square / total),
    quasiPeak: largest * quasiPeakScale(),
  };
}

interface FineGrid {
  /** The rest with KERNEL_REACH - 1 zeros before and the others behind it. */
  readonly padded: Float64Array;
  readonly length: number;
  readonly kernels: readonly Float64Array[];
  readonly lines: readonly PhaseLine[];
  readonly fineRate: number;
  readonly factor: number;
}

interface Counted {
  readonly counts: Uint32Array;
  readonly square: number;
  readonly largest: number;
}

const coarseBlock = (factor: number): number => Math.max(1, Math.floor(FINE_BLOCK / factor));

function compiledCount(compiled: Workspace, grid: FineGrid, scale: number): Counted {
  const { padded, length, kernels, lines, fineRate, factor } = grid;
  const { filterSums, addWave, countSizes, quasiPeak } = compiled.calls;
  const { smooth, rise, fall } = quasiPeakSteps(fineRate);
  const coarse = coarseBlock(factor);
  const paddedAt = compiled.put(padded);
  const kernelsAt = kernels.map((kernel) => compiled.put(kernel));
  const fineAt = compiled.space(8 * coarse * factor);
  const cellsAt = compiled.room(4 * CELLS);
  const stateAt = compiled.room(24);
  let square = 0;
  for (let start = 0; start < length; start += coarse) {
    const count = Math.min(coarse, length - start);
    const from = paddedAt + 8 * start;
    kernelsAt.forEach((kernel, p) => filterSums(from, kernel, 2 * KERNEL_REACH, 1, count, fineAt + 8 * p, factor));
    for (const line of lines) {
      const step = (2 * Math.PI * line.hz) / fineRate;
      const angle = step * start * factor;
      const turn = [Math.cos(angle), Math.sin(angle), Math.cos(step), Math.sin(step)] as const;
      addWave(fineAt, count * factor, line.cos, line.sin, ...turn);
    }
    square += countSizes(fineAt, count * factor, cellsAt, CELLS, scale);
    quasiPeak(fineAt, count * factor, stateAt, smooth, rise, fall);
  }
  const largest = compiled.values(stateAt, 3)[2] as number;
  return { counts: compiled.counts(cellsAt, CELLS).slice(), square, largest };
}

function plainCount({ padded, length, kernels, lines, fineRate, factor }: FineGrid, scale: number): Counted {
  const counts = new Uint32Array(CELLS);
  const detector = unscaledDetector(fineRate);
  const coarse = coarseBlock(factor);
  let square = 0;
  for (let start = 0; start < length; start += coarse) {
    const fine = new Float64Array(Math.min(coarse, length - start) * factor);
    kernels.forEach((kernel, p) => interpolatePhase(padded, start, kernel, fine, p, factor));
    for (const line of lines) addWave(fine, line, (2 * Math.PI * line.hz) / fineRate, start * factor);
    square += countSizes(fine, counts, scale);
    for (const value of fine) detector.push(value);
  }
  return { counts, square, largest: detector.largest };
}

/** Largest |rest| with half as much again for what lies between its samples, and the peaks of all lines. */
function sizeBound(rest: Float64Array, lines: readonly PhaseLine[]): number {
  let top = 0;
  for (const value of rest) if (Math.abs(value) > top) top = Math.abs(value);
  return BOUND_TIMES * top + lines.reduce((sum, line) => sum + Math.hypot(line.cos, line.sin), 0);
}

/** Counts |values| into cells, `scale` a unit; returns the sum of squares. */
function countSizes(values: Float64Array, counts: Uint32Array, scale: number): number {
  let square = 0;
  for (let n = 0; n < values.length; n++) {
    const value = values[n] as number;
    square += value * value;
    const size = (value < 0 ? -value : value) * scale;
    const cell = size < CELLS ? size | 0 : CELLS - 1;
    counts[cell] = (counts[cell] as number) + 1;
  }
  return square;
}

/** Adds a line by rotation from fine sample `first` on, set right every 4096 samples. */
function addWave(values: Float64Array, line: PhaseLine, step: number, first: number): void {
  const dc = Math.cos(step);
  const ds = Math.sin(step);
  for (let start = 0; start < values.length; start += 4096) {
    let c = Math.cos(step * (first + start));
    let s = Math.sin(step * (first + start));
    const end = Math.min(values.length, start + 4096);
    for (let n = start; n < end; n++) {
      values[n] = (values[n] as number) + line.cos * c + line.sin * s;
      const next = c * dc - s * ds;
      s = c * ds + s * dc;
      c = next;
    }
  }
}

/**
 * Windowed-sinc interpolation: every `factor`-th value of `out` from `first` on, out[0] at sample
 * `start`. Even and odd taps apart, so that sums need not wait; beyond the ends values count as 0.
 */
function interpolatePhase(
  padded: Float64Array,
  start: number,
  kernel: Float64Array,
  out: Float64Array,
  first: number,
  factor: number,
): void {
  for (let n = start, at = first; at < out.length; n++, at += factor) {
    let even = 0;
    let odd = 0;
    for (let i = 0; i < 2 * KERNEL_REACH; i += 2) {
      even += (kernel[i] as number) * (padded[n + i] as number);
      odd += (kernel[i + 1] as number) * (padded[n + i + 1] as number);
    }
    out[at] = even + odd;
  }
}

/** Windowed-sinc kernels for the `factor` phases between two samples; the first is the sample itself. */
function interpolator(factor: number): Float64Array[] {
  return Array.from({ length: factor }, (_, p) => {
    const kernel = new Float64Array(2 * KERNEL_REACH);
    if (p === 0) return kernel.fill(1, KERNEL_REACH - 1, KERNEL_REACH);
    for (let i = 0; i < 2 * KERNEL_REACH; i++) {
      const x = i - (KERNEL_REACH - 1) - p / factor;
      kernel[i] = (Math.sin(Math.PI * x) / (Math.PI * x)) * (0.5 + 0.5 * Math.cos((Math.PI * x) / KERNEL_REACH));
    }
    return kernel;
  });
}

/** The size not exceeded a fraction `q` of the time, by straight line inside its cell. */
export function notExceeded(counts: Uint32Array, total: number, q: number, bound: number): number {
  let left = q * total;
  for (let cell = 0; cell < CELLS; cell++) {
    const count = counts[cell] as number;
    if (left <= count) return (bound * (cell + (count > 0 ? left / count : 0))) / CELLS;
    left -= count;
  }
  return bound;
}
