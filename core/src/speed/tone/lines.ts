/**
 * Periodic lines in a phase track: strongest first from the spectrum of what is left, each tuned in
 * frequency by least squares, kept only when far above the noise around it.
 */
import {
  hannWindow,
  joinedCells,
  median,
  nextPowerOfTwo,
  peakBin,
  solveNormal,
  windowedPower,
  workspace,
} from '../../numeric/index.js';
import { TONE_DEFAULTS as D } from './defaults.js';
import type { PhaseTrack } from './phase.js';
import { blockMeans, isSeen, lowestHz, slowestWave, worthOf } from './slowWave.js';
import { curveAt, durationS, fitTrend, type TrendFit } from './trend.js';
import {
  AT_ONCE,
  CURVE_BLOCKS,
  FEW_CYCLES,
  FLOOR_CELL,
  KNOWN_PART,
  MEDIAN_OF,
  MOST_ROUNDS,
  ORDER_PART,
  RESOLVED,
  SLOW_BAND,
  TOP_PART,
  TUNED_PART,
  WANDER_BLOCKS,
  WANDER_RATIO,
  WANDER_SAMPLES,
  WIDE_BAND,
} from './defaults.js';

/** Hann power of a residual: |X|^2 by bin of `binHz`, normalised so that white noise of 1 rad^2 gives 1. */
interface ResidualSpectrum {
  readonly binHz: number;
  readonly power: Float64Array;
}

/**
 * A fit with all significant lines and the order of curve that the data carry. A wave of few cycles looks like a curve
 * first, and what is left of it like many lines: where the track is short a single wave is tried first too, and the fit
 * that says as much with less is taken.
 */
export function fitLinesAndTrend(track: PhaseTrack): TrendFit {
  const usual = fitFrom(track, 1, []);
  if (durationS(track) >= FEW_CYCLES.shorterS || track.phase.length < FEW_CYCLES.samples) return usual;
  // Beside a steady speed, and beside one that drifts.
  return [1, 2].reduce((best, order) => {
    const wave = slowestWave(track, order);
    const one = wave === null ? usual : fitFrom(track, order, [wave]);
    return worthOf(track, one) < worthOf(track, best) && isSeen(track, one) ? one : best;
  }, usual);
}

/** Curve and lines from those known on: rounds of more curve, and of more lines, until nothing stands out. */
function fitFrom(track: PhaseTrack, from: number, known: readonly number[]): TrendFit {
  const lowest = lowestHz(track);
  let order = from;
  let fit = known.length > 0 ? tuned(track, order, known, lowest) : fitTrend(track, order, known);
  let frequencies: readonly number[] = fit.lines.map((line) => line.hz);
  const squares = windowSquares(track);
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const spectrum = residualSpectrum(track, fit.residual, squares);
    const wanted = wantedOrder(track, fit, slowNoiseOf(track, spectrum));
    if (wanted > order) {
      order = wanted;
      fit = fitTrend(track, order, frequencies);
      continue;
    }
    const found = frequencies.length < D.mostLines ? newLines(track, spectrum, frequencies, lowest) : [];
    if (found.length === 0) break;
    fit = tuned(track, order, [...frequencies, ...found].slice(0, D.mostLines), lowest);
    frequencies = fit.lines.map((line) => line.hz);
  }
  const needed = neededOrder(track, fit, slowNoise(track, fit.residual));
  return needed < order ? fitTrend(track, needed, frequencies) : fit;
}

/** The order of curve still needed once the lines are known: wow alone had looked like a curve before. */
function neededOrder(track: PhaseTrack, fit: TrendFit, noise: number): number {
  const order = fit.curve.length - 1;
  const size = Math.max(1, Math.floor(track.phase.length / CURVE_BLOCKS));
  const means = blockMeans(track, fit.residual, size);
  const middle = (b: number) => (2 * (b * size + (size - 1) / 2)) / (track.phase.length - 1) - 1;
  const phase = means.phase.map((rest, b) => rest + curveAt(fit.curve, middle(b)));
  return highestOrder({ ...means, phase }, Math.min(order, Math.floor(phase.length / ORDER_PART)), 1, noise / size);
}

/** Phase noise per sample (rad^2) that the slowest part of the residual shows, for the error of the mean. */
export function slowNoise(track: PhaseTrack, residual: Float64Array): number {
  return slowNoiseOf(track, residualSpectrum(track, residual));
}

/**
 * Standard error of the mean (Hz) that the parts of the log themselves show, where they differ more
 * than the noise allows: the noise alone would then contradict what is left of the fit. 0 otherwise.
 */
export function wanderHz(track: PhaseTrack, residual: Float64Array): number {
  const size = Math.floor(residual.length / WANDER_BLOCKS);
  if (size < WANDER_SAMPLES) return 0;
  const slopes: number[] = [];
  for (let b = 0; b < WANDER_BLOCKS; b++) {
    let [sx, sy, sxx, sxy, used] = [0, 0, 0, 0, 0];
    for (let i = 0; i < size; i++) {
      if (!track.usable[b * size + i]) continue;
      const y = residual[b * size + i] as number;
      sx += i;
      sy += y;
      sxx += i * i;
      sxy += i * y;
      used++;
    }
    const spread = used * sxx - sx * sx;
    if (used > size / 2 && spread > 0) slopes.push((used * sxy - sx * sy) / spread);
  }
  if (slopes.length < WANDER_BLOCKS / 2) return 0;
  const rms = Math.sqrt(slopes.reduce((sum, slope) => sum + slope * slope, 0) / slopes.length);
  const expected = Math.sqrt((12 * slowNoise(track, residual)) / size ** 3);
  if (rms < WANDER_RATIO * expected) return 0;
  return (rms * track.rate) / (2 * Math.PI) / Math.sqrt(slopes.length);
}

function slowNoiseOf(track: PhaseTrack, { power, binHz }: ResidualSpectrum): number {
  const from = Math.ceil(SLOW_BAND.from / durationS(track) / binHz);
  const upTo = Math.max(from + SLOW_BAND.bins, Math.ceil(SLOW_BAND.to / durationS(track) / binHz));
  const near = median(power.subarray(from, upTo)) / Math.LN2;
  const wide = power.subarray(Math.ceil(WIDE_BAND.from * power.length), Math.ceil(WIDE_BAND.to * power.length));
  return Math.max(near, sampledMedian(wide, MEDIAN_OF.wide) / Math.LN2);
}

function sampledMedian(values: Float64Array, most: number): number {
  const stride = Math.max(1, Math.floor(values.length / most));
  const picked: number[] = [];
  for (let i = 0; i < values.length; i += stride) picked.push(values[i] as number);
  return median(picked);
}

/** Spectrum of the residual, zero-padded to a power of two. */
function residualSpectrum(track: PhaseTrack, residual: Float64Array, squares = windowSquares(track)): ResidualSpectrum {
  const size = nextPowerOfTwo(Math.max(8, residual.length));
  const window = hannWindow(residual.length);
  return { binHz: track.rate / size, power: windowedPower(residual, window, size, { scale: 1 / squares }) };
}

/** Sum of the squares of the window over what is usable. */
function windowSquares({ phase, usable }: PhaseTrack): number {
  // A Hann window's mean square is 3/8 exactly.
  if (!usable.includes(0)) return 0.375 * phase.length;
  const window = hannWindow(phase.length);
  return window.reduce((sum, value, n) => sum + (usable[n] ? value * value : 0), 0);
}

/**
 * The highest order of curve that the residual still shows, tested on block means: a coefficient
 * counts when its square is well above its variance at the noise of the slow part.
 */
function wantedOrder(track: PhaseTrack, fit: TrendFit, noise: number): number {
  const size = Math.max(1, Math.floor(track.phase.length / CURVE_BLOCKS));
  const means = blockMeans(track, fit.residual, size);
  const top = Math.min(D.highestTrendOrder, Math.floor(means.phase.length / ORDER_PART));
  const order = fit.curve.length - 1;
  if (top <= order) return order;
  return highestOrder(means, top, order, noise / size);
}

/** The highest order up to `top` whose coefficient counts; at least `least`. */
function highestOrder(means: PhaseTrack, top: number, least: number, noise: number): number {
  let used = 0;
  for (const flag of means.usable) used += flag;
  if (top <= least || used < ORDER_PART * (top + 1)) return least;
  const coarse = fitTrend(means, top, []);
  for (let k = top; k > least; k--) {
    if ((coarse.curve[k] as number) ** 2 > D.trendRatio * (coarse.curveUnitVariance[k] as number) * noise) return k;
  }
  return least;
}

/** Frequencies of peaks that stand out of the residual, strongest first, apart from each other and from known ones. */
function newLines(
  track: PhaseTrack,
  { power, binHz }: ResidualSpectrum,
  known: readonly number[],
  lowest: number,
): number[] {
  const resolution = RESOLVED / durationS(track);
  const highest = Math.min(D.highestLineHz, TOP_PART * track.rate);
  const floor = floorCurve(power, Math.max(FLOOR_CELL.bins, Math.ceil((FLOOR_CELL.resolutions * resolution) / binHz)));
  // A line of phase amplitude A has power A^2 N/4 or so here; its speed is A hz / centre.
  const dust = (((D.smallestLinePercent / 100) * track.centreHz) ** 2 * track.phase.length) / 4;
  const peaks: { hz: number; power: number }[] = [];
  for (let k = Math.max(2, Math.floor(lowest / binHz)); k < Math.min(power.length - 2, highest / binHz); k++) {
    const p = power[k] as number;
    if (p < (power[k - 1] as number) || p <= (power[k + 1] as number) || p < D.lineRatio * floor(k)) continue;
    const hz = peakBin(power, k) * binHz;
    if (hz >= lowest && p * hz * hz > dust) peaks.push({ hz, power: p });
  }
  peaks.sort((a, b) => b.power - a.power);
  const strongest = peaks[0]?.power ?? 0;
  const chosen: number[] = [];
  for (const peak of peaks) {
    if (peak.power < strongest * AT_ONCE.part || chosen.length >= AT_ONCE.lines) break;
    const clear = (hz: number) => Math.abs(hz - peak.hz) > resolution;
    if (chosen.every(clear) && known.every((hz) => Math.abs(hz - peak.hz) > KNOWN_PART * resolution))
      chosen.push(peak.hz);
  }
  return chosen;
}

/** Mean noise power by bin: medians of cells of `width` bins (lines fill few of them), joined by straight lines. */
function floorCurve(power: Float64Array, width: number): (bin: number) => number {
  const cells = Math.max(1, Math.floor((power.length - 1) / width));
  const levels = Float64Array.from({ length: cells }, (_, c) => {
    const cell = power.subarray(1 + c * width, 1 + (c + 1) * width);
    return sampledMedian(cell, MEDIAN_OF.cell) / Math.LN2 + 1e-26;
  });
  return joinedCells(levels, width, 1);
}

/** Tunes all lines together, at most three rounds: each on the residual with its own part put back. */
function tuned(track: PhaseTrack, order: number, start: readonly number[], lowest: number): TrendFit {
  const limit = 0.5 / durationS(track);
  let fit = fitTrend(track, order, start);
  for (let round = 0; round < 3; round++) {
    let largest = 0;
    const frequencies = fit.lines.map((line) => {
      const shift = frequencyShift(track, fit.residual, line.hz, line.cos, line.sin);
      largest = Math.max(largest, Math.abs(shift));
      return Math.max(lowest, line.hz + Math.max(-limit, Math.min(limit, shift)));
    });
    fit = fitTrend(track, order, frequencies);
    if (largest < TUNED_PART * limit) break;
  }
  return fit;
}

/** One Gauss-Newton step of a line's frequency: the residual against t sin and t cos, in hertz. */
function frequencyShift(track: PhaseTrack, residual: Float64Array, hz: number, a: number, b: number): number {
  const [cc, cs, cd, ss, sd, dd, cy, sy, dy] = shiftSums(track, residual, (2 * Math.PI * hz) / track.rate, a, b);
  const solved = solveNormal(Float64Array.of(cc, cs, cd, cs, ss, sd, cd, sd, dd), Float64Array.of(cy, sy, dy));
  return solved ? (solved.coefficients[2] as number) / (2 * Math.PI) : 0;
}

type Nine = [number, number, number, number, number, number, number, number, number];

/** Products of cosine, sine and the slope t (b cos - a sin), t from the middle, then each with the residual. */
function shiftSums(track: PhaseTrack, residual: Float64Array, step: number, a: number, b: number): Nine {
  const [dc, ds] = [Math.cos(step), Math.sin(step)];
  const compiled = workspace();
  if (!compiled) return plainShiftSums(track, residual, dc, ds, a, b);
  const [residualAt, usableAt, outAt] = [compiled.put(residual), compiled.put(track.usable), compiled.room(72)];
  compiled.calls.shiftSums(residualAt, usableAt, residual.length, track.rate, dc, ds, a, b, outAt);
  return [...compiled.values(outAt, 9)] as Nine;
}

function plainShiftSums(track: PhaseTrack, residual: Float64Array, dc: number, ds: number, a: number, b: number): Nine {
  const middle = (residual.length - 1) / 2;
  let [c, s] = [1, 0];
  let [cc, cs, ss, cd, sd, dd, cy, sy, dy] = [0, 0, 0, 0, 0, 0, 0, 0, 0];
  for (let n = 0; n < residual.length; n++) {
    if (track.usable[n]) {
      const d = ((n - middle) / track.rate) * (b * c - a * s);
      const y = residual[n] as number;
      cc += c * c;
      cs += c * s;
      ss += s * s;
      cd += c * d;
      sd += s * d;
      dd += d * d;
      cy += c * y;
      sy += s * y;
      dy += d * y;
    }
    const next = c * dc - s * ds;
    s = c * ds + s * dc;
    c = next;
  }
  return [cc, cs, cd, ss, sd, dd, cy, sy, dy];
}
