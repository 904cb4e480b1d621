/** A clip of motor noise in figures: octave levels and A-weighted level with their scatter, ticks, hum. */
import {
  effectiveCount,
  hannWindow,
  mean,
  nextPowerOfTwo,
  parabolaTop,
  studentFactor,
  variance,
  windowedPower,
} from '../../numeric/index.js';
import { aWeightDb, OCTAVES, octaveEdges } from './weighting.js';
import {
  ENVELOPE_STEP_S,
  FASTEST_HZ,
  FLOOR_DB,
  LEAST_PIECES,
  LEAST_REGULARITY,
  LOBE_BINS,
  NEARLY_PART,
  PIECE_S,
  SLOWEST_HZ,
} from './defaults.js';

/** A level over the pieces of a clip: mean in dB re full scale, variance between pieces, how many they count for. */
export interface NoiseLevel {
  readonly db: number;
  readonly variance: number;
  readonly count: number;
}

/** What a clip says. */
export interface NoiseFigures {
  readonly seconds: number;
  readonly sampleRate: number;
  readonly aWeighted: NoiseLevel;
  /** By octave, the name of its midband in hertz; those above half the sampling rate are left out. */
  readonly octaves: readonly (NoiseLevel & { readonly hz: number })[];
  /** Ticks a second and how regular they are, 0 to 1; null where nothing repeats. */
  readonly ticks: { readonly hz: number; readonly regularity: number } | null;
  /** Part of the power in the mains' first four harmonics, by mains frequency; the greater of 50 and 60 Hz. */
  readonly hum: { readonly mainsHz: 50 | 60; readonly part: number };
}

const decibel = (power: number): number => Math.max(FLOOR_DB, 10 * Math.log10(Math.max(power, 1e-30)));

/** Figures of a clip in -1..1; null when it is shorter than two seconds. */
export function noiseFigures(samples: Float64Array, sampleRate: number): NoiseFigures | null {
  const length = Math.round(PIECE_S * sampleRate);
  const starts: number[] = [];
  for (let at = 0; at + length <= samples.length; at += Math.floor(length / 2)) starts.push(at);
  if (starts.length < LEAST_PIECES) return null;
  const size = nextPowerOfTwo(length);
  const window = hannWindow(length);
  const gain = window.reduce((sum, one) => sum + one * one, 0);
  const pieces = starts.map((at) =>
    Float64Array.from(windowedPower(samples.subarray(at, at + length), window, size, { scale: 2 / (gain * size) })),
  );
  const hz = (bin: number) => (bin * sampleRate) / size;
  const weights = Float64Array.from({ length: size / 2 + 1 }, (_one, bin) =>
    bin === 0 ? 0 : 10 ** (aWeightDb(hz(bin)) / 10),
  );
  const octaves = OCTAVES.filter(({ mid }) => octaveEdges(mid)[1] < sampleRate / 2).map(({ name, mid }) => {
    const [low, high] = octaveEdges(mid);
    return {
      hz: name,
      ...levelOf(pieces.map((piece) => sumBetween(piece, (low * size) / sampleRate, (high * size) / sampleRate))),
    };
  });
  const total = average(pieces);
  return {
    seconds: samples.length / sampleRate,
    sampleRate,
    aWeighted: levelOf(
      pieces.map((piece) => piece.reduce((sum, power, bin) => sum + power * (weights[bin] as number), 0)),
    ),
    octaves,
    ticks: ticksOf(samples, sampleRate),
    hum: humOf(total, size, sampleRate),
  };
}

function levelOf(powers: readonly number[]): NoiseLevel {
  const levels = powers.map(decibel);
  // Neighbouring pieces share half their samples: they count for fewer.
  return { db: decibel(mean(powers)), variance: variance(levels), count: effectiveCount(levels) };
}

/** Power between two places among the bins; a bin that an edge cuts counts by its part. */
function sumBetween(power: Float64Array, from: number, to: number): number {
  let sum = 0;
  for (let bin = Math.max(0, Math.floor(from - 0.5)); bin < power.length && bin - 0.5 < to; bin++) {
    const part = Math.min(to, bin + 0.5) - Math.max(from, bin - 0.5);
    if (part > 0) sum += (power[bin] as number) * Math.min(1, part);
  }
  return sum;
}

function average(pieces: readonly Float64Array[]): Float64Array {
  const out = new Float64Array(pieces[0]?.length ?? 0);
  for (const piece of pieces) piece.forEach((power, bin) => (out[bin] = (out[bin] as number) + power / pieces.length));
  return out;
}

function humOf(total: Float64Array, size: number, sampleRate: number): NoiseFigures['hum'] {
  const all = sumBetween(total, (20 * size) / sampleRate, total.length - 1);
  const part = (mainsHz: number) => {
    let sum = 0;
    for (let harmonic = 1; harmonic <= 4; harmonic++) {
      const bin = (harmonic * mainsHz * size) / sampleRate;
      sum += sumBetween(total, bin - LOBE_BINS, bin + LOBE_BINS);
    }
    return all > 0 ? Math.min(1, sum / all) : 0;
  };
  const [fifty, sixty] = [part(50), part(60)];
  return fifty >= sixty ? { mainsHz: 50, part: fifty } : { mainsHz: 60, part: sixty };
}

function ticksOf(samples: Float64Array, sampleRate: number): NoiseFigures['ticks'] {
  const step = Math.max(1, Math.round(ENVELOPE_STEP_S * sampleRate));
  const envelope = Float64Array.from({ length: Math.floor(samples.length / step) }, (_one, i) => {
    let sum = 0;
    // Differences of differences take the hum and the rumble away: ticks are sharp.
    for (let n = Math.max(2, i * step); n < (i + 1) * step; n++)
      sum += ((samples[n] as number) - 2 * (samples[n - 1] as number) + (samples[n - 2] as number)) ** 2;
    return Math.sqrt(sum / step);
  });
  const rate = sampleRate / step;
  const found = repeatOf(smooth(envelope), Math.ceil(rate / FASTEST_HZ), Math.floor(rate / SLOWEST_HZ));
  return found && { hz: rate / found.lag, regularity: Math.min(1, found.value) };
}

/** Sharp ticks fall between two steps now and then: three steps together. Its mean is taken out. */
function smooth(values: Float64Array): Float64Array {
  const middle = mean(values);
  return values.map((value, i) => ((values[i - 1] ?? value) + value + (values[i + 1] ?? value)) / 3 - middle);
}

/** The lag after which values repeat, in steps, and their correlation there; null where nothing does. */
function repeatOf(values: Float64Array, shortest: number, slowest: number): { lag: number; value: number } | null {
  const longest = Math.min(slowest, Math.floor(values.length / 3));
  const zero = correlation(values, 0);
  if (!(zero > 0) || longest <= shortest) return null;
  const at = Array.from({ length: longest + 2 }, (_one, lag) =>
    lag < shortest - 1 ? 0 : correlation(values, lag) / zero,
  );
  const peaks = at.flatMap((value, lag) =>
    lag >= shortest && lag <= longest && value >= (at[lag - 1] ?? 1) && value > (at[lag + 1] ?? 1)
      ? [{ lag, value }]
      : [],
  );
  const most = Math.max(0, ...peaks.map((peak) => peak.value));
  if (most < LEAST_REGULARITY) return null;
  const peak = peaks.find((one) => one.value >= NEARLY_PART * most);
  if (!peak) return null;
  const [a, b, c] = [at[peak.lag - 1] ?? 0, peak.value, at[peak.lag + 1] ?? 0];
  return { lag: peak.lag + parabolaTop(a, b, c), value: peak.value };
}

function correlation(values: Float64Array, lag: number): number {
  const n = values.length - lag;
  let sum = 0;
  for (let i = 0; i < n; i++) sum += (values[i] as number) * (values[i + lag] as number);
  return n > 0 ? sum / n : 0;
}

/** A change of level with its 95 % interval, dB. */
export interface LevelChange {
  readonly by: number;
  readonly low: number;
  readonly high: number;
}

/** After less before, by Welch's t over the pieces of both clips. */
export function levelChange(before: NoiseLevel, after: NoiseLevel): LevelChange {
  const by = after.db - before.db;
  const parts = [before, after].map((one) => ({ square: one.variance / one.count, n: one.count }));
  const square = parts.reduce((sum, part) => sum + part.square, 0);
  if (square === 0) return { by, low: by, high: by };
  const freedom = square ** 2 / parts.reduce((sum, part) => sum + part.square ** 2 / Math.max(0.5, part.n - 1), 0);
  const reach = studentFactor(freedom) * Math.sqrt(square);
  return { by, low: by - reach, high: by + reach };
}

/** "4.0 ticks a turn": ticks a second over turns a second. */
export const ticksATurn = (ticksHz: number, rpm: number): number => (60 * ticksHz) / rpm;
