/**
 * First look over a recording: short spectra spread over its length say which channel holds a tone,
 * near which frequency, how strong, and whether the recording is silent or overdriven.
 */
import { median, nextPowerOfTwo, quantile, hannWindow, windowedPower, workspace } from '../../numeric/index.js';
import type { SampleSource } from '../../formats/index.js';
import { TONE_DEFAULTS as D } from './defaults.js';
import {
  FLAT_PART,
  LONGEST_FRAME,
  LOUDER_PART,
  SAME_PITCH,
  SEARCHED,
  SILENT_LEVEL,
  TONE_PART,
  WANDERING_PITCH,
} from './defaults.js';

/** What one frame shows of the search range. */
interface FrameLook {
  readonly peakHz: number;
  readonly contrast: number;
  readonly tonePower: number;
  readonly totalPower: number;
  readonly flatTop: number;
}

/** Where the tone is: hertz, channel, seconds. */
export interface SurveyFound {
  readonly kind: 'found';
  readonly channel: number;
  readonly frequencyHz: number;
  /** Amplitude of the tone where it is present, full scale = 1. */
  readonly amplitude: number;
  readonly snrDb: number;
  readonly clipped: boolean;
}

/** Found, or not. */
export type Survey =
  SurveyFound | { readonly kind: 'silent' } | { readonly kind: 'no-tone' } | { readonly kind: 'wandering' };

/** Looks over `source` for a tone near `nominalHz` on `channel`, or on whichever channel has it. */
export async function survey(source: SampleSource, nominalHz: number, channel: number | 'auto'): Promise<Survey> {
  const size = Math.min(nextPowerOfTwo(source.sampleRate * D.surveyFrameS), LONGEST_FRAME);
  const channels = channel === 'auto' ? Array.from({ length: source.channels }, (_, i) => i) : [channel];
  const looks: FrameLook[][] = channels.map(() => []);
  const levels: number[] = channels.map(() => 0);
  const window = hannWindow(size);
  for (const start of frameStarts(source.frames, size, source.sampleRate)) {
    const frames = await source.read(start, size, channels);
    frames.forEach((frame, i) => {
      const { mean, peak, flatTop } = frameLevels(frame);
      levels[i] = Math.max(levels[i] as number, peak);
      (looks[i] as FrameLook[]).push({
        ...lookAt(size, window, frame, { mean, rate: source.sampleRate, nominalHz }),
        flatTop,
      });
    });
  }
  if (Math.max(...levels) < SILENT_LEVEL) return { kind: 'silent' };
  return strongest(channels, looks);
}

/** Frequency of the tone in one short piece, Hz; null when it holds none near `nominalHz`. */
export function lookForTone(samples: Float64Array, sampleRate: number, nominalHz: number): number | null {
  const size = nextPowerOfTwo(samples.length);
  const { mean, peak } = frameLevels(samples);
  const look = lookAt(size, hannWindow(samples.length), samples, { mean, rate: sampleRate, nominalHz });
  const isTone = look.contrast >= D.surveyContrast && look.tonePower > TONE_PART.power * look.totalPower;
  return isTone && peak > TONE_PART.peak ? look.peakHz : null;
}

function frameStarts(frames: number, size: number, rate: number): number[] {
  const room = Math.max(0, frames - size);
  const wanted = Math.max(D.surveyFrames, Math.ceil(frames / rate / D.surveyEveryS));
  const count = Math.min(wanted, Math.max(1, Math.ceil(frames / size)));
  return Array.from({ length: count }, (_, i) => (count === 1 ? 0 : Math.round((room * i) / (count - 1))));
}

function strongest(channels: readonly number[], looks: FrameLook[][]): Survey {
  let best: SurveyFound | null = null;
  let bestPower = 0;
  channels.forEach((channel, i) => {
    const cluster = clusterOf(looks[i] as FrameLook[]);
    if (!cluster) return;
    const power = cluster.reduce((sum, look) => sum + look.tonePower * (look.tonePower / look.totalPower), 0);
    if (best && power <= bestPower * LOUDER_PART) return;
    bestPower = power;
    const tone = median(cluster.map((look) => look.tonePower));
    const rest = median(cluster.map((look) => Math.max(look.totalPower - look.tonePower, look.tonePower * 1e-12)));
    best = {
      kind: 'found',
      channel,
      frequencyHz: median(cluster.map((look) => look.peakHz)),
      amplitude: Math.sqrt(2 * tone),
      snrDb: 10 * Math.log10(tone / rest),
      clipped: median(cluster.map((look) => look.flatTop)) > D.flatTopShare,
    };
  });
  const tonal = looks.some((frames) => frames.filter((look) => look.contrast >= D.surveyContrast).length > 3);
  return best ?? (tonal ? { kind: 'wandering' } : { kind: 'no-tone' });
}

/** The frames that agree on one frequency within 3 %, weighted by how much of their power is tone. */
function clusterOf(looks: readonly FrameLook[]): FrameLook[] | null {
  const tonal = looks.filter((look) => look.contrast >= D.surveyContrast);
  let best: FrameLook[] | null = null;
  let bestWeight = 0;
  for (const centre of tonal) {
    const near = tonal.filter((look) => Math.abs(look.peakHz / centre.peakHz - 1) < SAME_PITCH);
    const weight = near.reduce((sum, look) => sum + look.tonePower / look.totalPower, 0);
    if (weight > bestWeight) [best, bestWeight] = [near, weight];
  }
  return best && isWandering(tonal, best) ? null : best;
}

/** A sweep or a melody: more than twice as many tonal frames within a fifth of the pitch as hold it. */
function isWandering(tonal: readonly FrameLook[], cluster: readonly FrameLook[]): boolean {
  const centre = median(cluster.map((look) => look.peakHz));
  const near = tonal.filter((look) => Math.abs(look.peakHz / centre - 1) < WANDERING_PITCH);
  return near.length > 2 * cluster.length;
}

function lookAt(
  size: number,
  window: Float64Array,
  samples: Float64Array,
  { mean, rate, nominalHz }: { readonly mean: number; readonly rate: number; readonly nominalHz: number },
): Omit<FrameLook, 'flatTop'> {
  // One-sided Hann power scaled so that a sine of amplitude A sums to A^2/2.
  const power = windowedPower(samples, window, size, { offset: mean, scale: 2 / (0.375 * size * size) });
  const binHz = rate / size;
  const last = Math.min(size / 2 - 2, Math.floor((SEARCHED.top * rate) / binHz));
  const low = Math.max(3, Math.floor((nominalHz * D.searchLow) / binHz));
  const high = Math.min(last, Math.ceil((nominalHz * D.searchHigh) / binHz));
  let total = 1e-30;
  for (let k = 1; k < size / 2; k++) total += power[k] as number;
  if (high - low < SEARCHED.bins) return { peakHz: nominalHz, contrast: 0, tonePower: 0, totalPower: total };
  const density = slidingSum(power, low, high);
  let top = 0;
  for (let i = 1; i < density.length; i++) if ((density[i] as number) > (density[top] as number)) top = i;
  const centre = (low + top) * binHz;
  const band = bandAround(power, centre, binHz);
  const floor = quantile(density, SEARCHED.floor) || 1e-30;
  return {
    peakHz: band.centroidHz,
    contrast: (density[top] as number) / floor,
    tonePower: band.power,
    totalPower: total,
  };
}

/** Sum of 5 neighbouring bins: a tone with wow is wider than one bin. */
function slidingSum(power: Float64Array, low: number, high: number): Float64Array {
  const out = new Float64Array(high - low + 1);
  for (let k = low; k <= high; k++) {
    let sum = 0;
    for (let j = -2; j <= 2; j++) sum += power[k + j] ?? 0;
    out[k - low] = sum;
  }
  return out;
}

/** Power and centroid within 3 % (at least 4 bins) of `centre`. */
function bandAround(power: Float64Array, centre: number, binHz: number): { power: number; centroidHz: number } {
  const half = Math.max(SEARCHED.least, Math.round((SEARCHED.skirt * centre) / binHz));
  const middle = Math.round(centre / binHz);
  let sum = 1e-30;
  let moment = 0;
  for (let k = Math.max(1, middle - half); k <= middle + half && k < power.length; k++) {
    sum += power[k] as number;
    moment += (power[k] as number) * k;
  }
  return { power: sum, centroidHz: sum > 1e-29 ? (moment / sum) * binHz : centre };
}

interface FrameLevels {
  readonly mean: number;
  readonly peak: number;
  /** Share of samples within 0.1 % of the peak: a sine has 0.028, one clipped by 2 % has 0.13. */
  readonly flatTop: number;
}

function frameLevels(frame: Float64Array): FrameLevels {
  const compiled = frame.length > 0 ? workspace() : null;
  if (!compiled) return plainFrameLevels(frame);
  const [frameAt, outAt] = [compiled.put(frame), compiled.space(24)];
  compiled.calls.frameLevels(frameAt, frame.length, outAt);
  const [sum, peak, near] = compiled.values(outAt, 3) as unknown as [number, number, number];
  return { mean: sum / frame.length, peak, flatTop: near / frame.length };
}

function plainFrameLevels(frame: Float64Array): FrameLevels {
  let sum = 0;
  let peak = 0;
  for (const sample of frame) {
    sum += sample;
    peak = Math.max(peak, Math.abs(sample));
  }
  let near = 0;
  for (const sample of frame) if (Math.abs(sample) >= FLAT_PART * peak) near++;
  const count = frame.length || 1;
  return { mean: sum / count, peak, flatTop: frame.length === 0 ? 0 : near / count };
}
