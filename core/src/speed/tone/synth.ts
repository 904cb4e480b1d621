/** Exact test tones with known errors: for the tone generator, the demo and the tests. */
import { requirePositive } from '../../errors.js';
import { gaussian, seeded } from '../../numeric/index.js';

/** A sinusoidal speed variation put on the tone. */
export interface SynthLine {
  readonly hz: number;
  readonly peakPercent: number;
  readonly phaseRad?: number;
}

/** The recipe of a made tone: hertz, percent, decibels, seconds. */
export interface SynthTone {
  readonly sampleRate: number;
  readonly durationS: number;
  readonly nominalHz: number;
  readonly errorPercent?: number;
  /** Speed change from first to last sample, percent, linear. */
  readonly rampPercent?: number;
  readonly lines?: readonly SynthLine[];
  /** Peak of full scale = 1. */
  readonly amplitude?: number;
  /** Signal to white noise, decibels; undefined for none. */
  readonly snrDb?: number;
  readonly seed?: number;
  readonly leadInS?: number;
  readonly phaseRad?: number;
}

/**
 * Samples of the tone. The mean frequency over whole cycles of every line is
 * nominal (1 + error/100); the ramp is centred, so it does not shift the mean.
 * @throws CoreError OUT_OF_RANGE for a rate, length or nominal that is not above zero.
 */
export function synthTone(wish: SynthTone): Float64Array {
  requirePositive(wish.sampleRate, 'sampleRate');
  requirePositive(wish.durationS, 'durationS');
  requirePositive(wish.nominalHz, 'nominalHz');
  const lead = Math.round((wish.leadInS ?? 0) * wish.sampleRate);
  const count = Math.round(wish.durationS * wish.sampleRate);
  const out = new Float64Array(lead + count);
  const amplitude = wish.amplitude ?? 0.5;
  const mean = wish.nominalHz * (1 + (wish.errorPercent ?? 0) / 100);
  for (let n = 0; n < count; n++) {
    out[lead + n] = amplitude * Math.sin(phaseAt(wish, mean, n / wish.sampleRate));
  }
  if (wish.snrDb !== undefined) addNoise(out, (amplitude / Math.SQRT2) * 10 ** (-wish.snrDb / 20), wish.seed ?? 1);
  return out;
}

function phaseAt(wish: SynthTone, mean: number, t: number): number {
  const slope = (wish.rampPercent ?? 0) / 100 / wish.durationS;
  let time = t + slope * (t * t - wish.durationS * t) * 0.5;
  for (const line of wish.lines ?? []) {
    const w = 2 * Math.PI * line.hz;
    time -= ((line.peakPercent / 100) * Math.cos(w * t + (line.phaseRad ?? 0))) / w;
  }
  return 2 * Math.PI * mean * time + (wish.phaseRad ?? 0);
}

function addNoise(samples: Float64Array, sigma: number, seed: number): void {
  const normal = gaussian(seeded(seed));
  for (let n = 0; n < samples.length; n++) samples[n] = (samples[n] as number) + sigma * normal();
}
