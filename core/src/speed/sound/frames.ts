/** A recording as a row of short spectra, each reduced to the lines that stand out of its noise. */
import type { SampleSource } from '../../formats/index.js';
import {
  hannWindow,
  joinedCells,
  lowPassTaps,
  nextPowerOfTwo,
  peakBin,
  quantile,
  symmetricSums,
  windowedPower,
} from '../../numeric/index.js';
import { SOUND_DEFAULTS as D } from './defaults.js';

/** Lines of one frame: frequency in Hz and level 1 (stands out) or 2 (strong), rising in frequency. */
export interface SoundFrame {
  readonly timeS: number;
  readonly rms: number;
  readonly lineHz: Float64Array;
  readonly level: Uint8Array;
  /** Bin width of the spectrum, Hz, and highest frequency looked at. */
  readonly binHz: number;
  readonly topHz: number;
}

/** Twice the highest line looked at and room for the filter. */
const LEAST_RATE = 2.5 * D.highestHz;

/** Every second sample behind a half-band filter: lines above are not looked at. */
function halved(source: SampleSource): SampleSource {
  const taps = lowPassTaps({
    rate: source.sampleRate,
    passHz: D.highestHz,
    stopHz: source.sampleRate / 2 - D.highestHz,
    attenuationDb: 60,
  });
  const half = (taps.length - 1) / 2;
  const oneSide = taps.slice(half);
  return {
    ...source,
    sampleRate: source.sampleRate / 2,
    frames: Math.max(0, Math.floor((source.frames - 2 * half - 1) / 2)),
    async read(start, count, channels) {
      const pieces = await source.read(2 * start, 2 * count + 2 * half, channels);
      return pieces.map((piece) => {
        const out = new Float64Array(Math.max(0, Math.min(count, Math.floor((piece.length - 2 * half - 1) / 2) + 1)));
        if (out.length > 0) symmetricSums(piece, oneSide, half, 2, out);
        return out;
      });
    },
  };
}

/** Frames of channel `channel`; null when stopped by `report`. */
export async function soundFrames(
  source: SampleSource,
  channel: number,
  report: (done: number) => boolean | void,
): Promise<SoundFrame[] | null> {
  if (source.sampleRate >= 2 * LEAST_RATE) return soundFrames(halved(source), channel, report);
  const length = Math.round(D.frameS * source.sampleRate);
  const durationS = source.frames / source.sampleRate;
  const hop = Math.round(Math.max(D.hopS, durationS / D.mostFrames) * source.sampleRate);
  const window = hannWindow(length);
  const frames: SoundFrame[] = [];
  for (let start = 0; start + length <= source.frames; start += hop) {
    const [samples] = await source.read(start, length, [channel]);
    if (!samples || samples.length < length) break;
    frames.push(frameOf(samples, window, source.sampleRate, (start + length / 2) / source.sampleRate));
    if (frames.length % 16 === 0 && report(start / source.frames) === false) return null;
  }
  return frames;
}

/** The loudest of the channels over a look at the whole. */
export async function loudestChannel(source: SampleSource): Promise<{ channel: number; peak: number }> {
  const all = Array.from({ length: source.channels }, (_, i) => i);
  const sums = all.map(() => 0);
  let peak = 0;
  for (let look = 0; look < D.looks; look++) {
    const start = Math.floor(((source.frames - 1) * look) / D.looks);
    const pieces = await source.read(start, D.lookSamples, all);
    pieces.forEach((piece, i) => {
      for (const value of piece) {
        sums[i] = (sums[i] as number) + value * value;
        peak = Math.max(peak, Math.abs(value));
      }
    });
  }
  return { channel: sums.indexOf(Math.max(...sums)), peak };
}

function frameOf(samples: Float64Array, window: Float64Array, rate: number, timeS: number): SoundFrame {
  let offset = 0;
  for (const value of samples) offset += value;
  offset /= samples.length;
  let square = 0;
  for (let n = 0; n < samples.length; n++) {
    const value = (samples[n] as number) - offset;
    square += value * value;
  }
  const size = nextPowerOfTwo(samples.length);
  const binHz = rate / size;
  const top = Math.min(size / 2 - 1, Math.floor(Math.min(D.highestHz, D.topPart * rate) / binHz));
  const power = windowedPower(samples, window, size, { offset }).subarray(0, top + 2);
  return {
    timeS,
    rms: Math.sqrt(square / samples.length),
    ...standOut(power, binHz, size / samples.length),
    binHz: rate / samples.length,
    topHz: top * binHz,
  };
}

/** Local maxima over the floor, placed between bins by a parabola through the logarithms. */
function standOut(power: Float64Array, binHz: number, padding: number) {
  const lineHz: number[] = [];
  const level: number[] = [];
  const least = D.leak * power.reduce((most, one) => Math.max(most, one), 0);
  const floor = cellFloors(power, Math.max(D.floorBins, Math.round(D.floorBins * padding)), least);
  const reach = Math.max(1, Math.round(padding));
  for (let k = Math.max(reach + 1, Math.ceil(D.lowestHz / binHz)); k < power.length - reach - 1; k++) {
    const p = power[k] as number;
    if (!isTop(power, k, reach)) continue;
    const over = p / floor(k);
    if (over < D.weak) continue;
    lineHz.push(peakBin(power, k) * binHz);
    level.push(over >= D.strong ? 2 : 1);
  }
  return { lineHz: Float64Array.from(lineHz), level: Uint8Array.from(level) };
}

function isTop(power: Float64Array, k: number, reach: number): boolean {
  const p = power[k] as number;
  for (let j = 1; j <= reach; j++) {
    if (p < (power[k - j] as number) || p <= (power[k + j] as number)) return false;
  }
  return true;
}

/** Noise power by bin from the medians of cells, joined by straight lines. */
function cellFloors(power: Float64Array, width: number, least: number): (bin: number) => number {
  const cells = Math.max(1, Math.floor(power.length / width));
  const levels = Float64Array.from(
    { length: cells },
    (_, c) => quantile(power.subarray(c * width, (c + 1) * width), D.floorQuantile) / D.floorOfMean + least + 1e-26,
  );
  return joinedCells(levels, width, 0);
}
