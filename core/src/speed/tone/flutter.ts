/**
 * Wow and flutter figures from a fitted phase track. Each figure is named; they are not
 * interchangeable:
 * - unweighted peak: 2-sigma peak, the size not exceeded 95 % of the time, 0.2 to 200 Hz;
 * - unweighted rms: 0.5 to 200 Hz (NAB);
 * - weighted 2-sigma peak (AES6-2008), weighted rms (JIS, NAB), weighted quasi-peak (DIN/IEC, the
 *   largest indication).
 *
 * The fitted lines are weighted exactly; the rest is filtered in the frequency domain, both with
 * zero phase; percentiles are taken on a grid of at least 2 kHz unweighted and 4 kHz weighted.
 */
import { fftPlan, nextPowerOfTwo, realSpectrum } from '../../numeric/index.js';
import type { PhaseTrack } from './phase.js';
import { quasiPeakDetector } from './quasiPeak.js';
import type { FlutterFigures } from './result.js';
import type { PhaseLine, TrendFit } from './trend.js';
import { weight } from './weighting.js';

/** Band edges in Hz. */
export const FLUTTER_BANDS = { peakLow: 0.2, rmsLow: 0.5, high: 200 } as const;

/** Fine grid of the weighted figures: the quasi-peak detector's constants are fitted to it. */
const GRID_HZ = 4000;
/** Fine grid of the unweighted percentile: ten points a cycle of the highest flutter. */
const PLAIN_GRID_HZ = 2000;
/** Half length of the interpolating kernel, in samples. */
const REACH = 6;

/** Deviation of the residual in percent at the track's rate: unweighted 0.2-200 Hz and weighted. */
export interface ResidualDeviation {
  readonly unweighted: Float64Array;
  readonly weighted: Float64Array;
  /** Mean square of the part from 0.5 to 200 Hz, percent^2. */
  readonly rmsBandMeanSquare: number;
}

/** The five figures. `meanHz` is the tone's mean frequency. */
export function flutterFigures(
  track: PhaseTrack,
  fit: TrendFit,
  rest: ResidualDeviation,
  meanHz: number,
): FlutterFigures {
  const lines = fit.lines.map((line) => deviationLine(line, meanHz));
  const factor = Math.max(1, Math.ceil(GRID_HZ / track.rate));
  const plain = lines.filter((line) => line.hz >= FLUTTER_BANDS.peakLow && line.hz <= FLUTTER_BANDS.high);
  const heavy = lines.map((line) => ({ ...line, cos: line.cos * weight(line.hz), sin: line.sin * weight(line.hz) }));
  const plainFactor = Math.max(1, Math.ceil(PLAIN_GRID_HZ / track.rate));
  const unweighted = sizes(rest.unweighted, plain, track.rate, plainFactor, null);
  const detector = quasiPeakDetector(track.rate * factor);
  const weighted = sizes(rest.weighted, heavy, track.rate, factor, detector.push);
  const rmsLines = lines
    .filter((line) => line.hz >= FLUTTER_BANDS.rmsLow && line.hz <= FLUTTER_BANDS.high)
    .reduce((sum, line) => sum + (line.cos ** 2 + line.sin ** 2) / 2, 0);
  return {
    unweightedPeakPercent: unweighted.notExceeded95,
    unweightedRmsPercent: Math.sqrt(rmsLines + rest.rmsBandMeanSquare),
    weighted2SigmaPercent: weighted.notExceeded95,
    weightedQuasiPeakPercent: detector.largest,
    weightedRmsPercent: weighted.rms,
  };
}

/** A phase line (radians) as speed deviation in percent: the derivative, over the mean frequency. */
export function deviationLine(line: PhaseLine, meanHz: number): PhaseLine {
  const scale = (100 * line.hz) / meanHz;
  return { hz: line.hz, cos: line.sin * scale, sin: -line.cos * scale };
}

/** Differentiates and filters the fit's residual. */
export function residualDeviation(track: PhaseTrack, residual: Float64Array, meanHz: number): ResidualDeviation {
  const length = residual.length;
  const size = nextPowerOfTwo(Math.max(4, length + Math.ceil(4 * track.rate)));
  const scale = (100 * track.rate) / (2 * Math.PI * meanHz);
  const steps = new Float64Array(Math.max(0, length - 1));
  for (let n = 0; n < steps.length; n++) steps[n] = scale * ((residual[n + 1] as number) - (residual[n] as number));
  const half = realSpectrum(steps, size);
  const re = new Float64Array(size);
  const im = new Float64Array(size);
  re.set(half.re);
  im.set(half.im);
  const square = applyBands(re, im, track.rate, size);
  fftPlan(size).inverse(re, im);
  return {
    unweighted: re.slice(0, length),
    weighted: im.slice(0, length),
    rmsBandMeanSquare: square / size / Math.max(1, length),
  };
}

/**
 * Replaces the spectrum X of the difference by U + jW: the unweighted band in the real part of the
 * inverse and the weighted one in the imaginary part. The difference lags half a sample and droops;
 * both are undone. Returns the sum of |X|^2 over 0.5-200 Hz, both sides.
 */
function applyBands(re: Float64Array, im: Float64Array, rate: number, size: number): number {
  let square = 0;
  for (let k = 0; k <= size / 2; k++) {
    const hz = (k * rate) / size;
    const inBand = hz >= FLUTTER_BANDS.peakLow && hz <= FLUTTER_BANDS.high;
    const plain = inBand ? 1 : 0;
    const heavy = hz > 0.05 && hz <= FLUTTER_BANDS.high ? weight(hz) : 0;
    const w = (Math.PI * hz) / rate;
    const undo = w > 0 ? w / Math.sin(w) : 1;
    const c = Math.cos(-w) * undo;
    const s = Math.sin(-w) * undo;
    const xr = (re[k] as number) * c - (im[k] as number) * s;
    const xi = (re[k] as number) * s + (im[k] as number) * c;
    if (inBand && hz >= FLUTTER_BANDS.rmsLow) square += 2 * (xr * xr + xi * xi);
    re[k] = plain * xr - heavy * xi;
    im[k] = plain * xi + heavy * xr;
    if (k > 0 && k < size / 2) {
      re[size - k] = plain * xr + heavy * xi;
      im[size - k] = heavy * xr - plain * xi;
    }
  }
  return square;
}

/** Fine samples worked on at a time: small enough to stay in the cache. */
const FINE_BLOCK = 16384;
const CELLS = 65536;

/**
 * 95 % point and rms of |rest + lines| on a grid `factor` times finer, block by block. Sizes are
 * counted into cells up to a bound that rest and lines together cannot pass.
 */
function sizes(
  rest: Float64Array,
  lines: readonly PhaseLine[],
  rate: number,
  factor: number,
  tap: ((deviation: number) => void) | null,
): { notExceeded95: number; rms: number } {
  const bound = sizeBound(rest, lines);
  const padded = new Float64Array(rest.length + 2 * REACH);
  padded.set(rest, REACH - 1);
  const kernels = interpolator(factor);
  const counts = new Uint32Array(CELLS);
  const coarse = Math.max(1, Math.floor(FINE_BLOCK / factor));
  let square = 0;
  for (let start = 0; start < rest.length; start += coarse) {
    const fine = new Float64Array(Math.min(coarse, rest.length - start) * factor);
    kernels.forEach((kernel, p) => interpolatePhase(padded, start, kernel, fine, p, factor));
    for (const line of lines) addWave(fine, line, (2 * Math.PI * line.hz) / (rate * factor), start * factor);
    square += countSizes(fine, counts, bound);
    if (tap) for (const value of fine) tap(value);
  }
  const total = Math.max(1, rest.length * factor);
  return { notExceeded95: notExceeded(counts, total, 0.95, bound), rms: Math.sqrt(square / total) };
}

/** Largest |rest| with half as much again for what lies between its samples, and the peaks of all lines. */
function sizeBound(rest: Float64Array, lines: readonly PhaseLine[]): number {
  let top = 0;
  for (const value of rest) if (Math.abs(value) > top) top = Math.abs(value);
  return 1.5 * top + lines.reduce((sum, line) => sum + Math.hypot(line.cos, line.sin), 0);
}

/** Counts |values| into cells of bound / CELLS; returns the sum of squares. */
function countSizes(values: Float64Array, counts: Uint32Array, bound: number): number {
  const scale = bound > 0 ? CELLS / bound : 0;
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
    for (let i = 0; i < 2 * REACH; i += 2) {
      even += (kernel[i] as number) * (padded[n + i] as number);
      odd += (kernel[i + 1] as number) * (padded[n + i + 1] as number);
    }
    out[at] = even + odd;
  }
}

/** Windowed-sinc kernels for the `factor` phases between two samples; the first is the sample itself. */
function interpolator(factor: number): Float64Array[] {
  return Array.from({ length: factor }, (_, p) => {
    const kernel = new Float64Array(2 * REACH);
    if (p === 0) return kernel.fill(1, REACH - 1, REACH);
    for (let i = 0; i < 2 * REACH; i++) {
      const x = i - (REACH - 1) - p / factor;
      kernel[i] = (Math.sin(Math.PI * x) / (Math.PI * x)) * (0.5 + 0.5 * Math.cos((Math.PI * x) / REACH));
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
