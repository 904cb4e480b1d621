/** What happens to a test tone on its way: hum, coders, rooms, gain control, gates. Known truth stays known. */
import { gaussian, seeded } from '../../numeric/index.js';

/** Adds a sine of `ratio` (amplitude over that of a tone of amplitude 0.5). */
export const withTone = (samples: Float64Array, rate: number, hz: number, ratio: number): Float64Array =>
  samples.map((value, n) => value + 0.5 * ratio * Math.sin((2 * Math.PI * hz * n) / rate + 0.7));

/** Multiplies by a level over time. */
export const withLevel = (samples: Float64Array, rate: number, levelAt: (t: number) => number): Float64Array =>
  samples.map((value, n) => value * levelAt(n / rate));

/** A room: a few echoes that fade. */
export function inRoom(samples: Float64Array, rate: number): Float64Array {
  const echoes = [
    [0.0071, 0.4],
    [0.0133, -0.3],
    [0.0291, 0.22],
    [0.047, 0.15],
    [0.083, -0.1],
  ] as const;
  return samples.map((value, n) =>
    echoes.reduce((sum, [delayS, gain]) => sum + gain * (samples[n - Math.round(delayS * rate)] ?? 0), value),
  );
}

/** Pumping gain control: the level is drawn to a target with a time constant, noise rises between. */
export function withGainControl(samples: Float64Array, rate: number): Float64Array {
  const out = new Float64Array(samples.length);
  let gain = 1;
  let level = 0.2;
  for (let n = 0; n < samples.length; n++) {
    const value = samples[n] as number;
    level += ((Math.abs(value) > level ? 40 : 2) / rate) * (Math.abs(value) - level);
    gain += (8 / rate) * (0.3 / Math.max(0.02, level) - gain);
    out[n] = Math.tanh(value * gain);
  }
  return out;
}

/**
 * A phone's noise suppression: what stands little above its estimate of the noise is taken down, frame by
 * frame of 10 ms, so that the tone is kept with a gain that flutters and the noise around it is gated.
 */
export function withSuppression(samples: Float64Array, rate: number): Float64Array {
  const frame = Math.round(0.01 * rate);
  const out = new Float64Array(samples.length);
  let floor = 0.05;
  let gain = 1;
  for (let start = 0; start < samples.length; start += frame) {
    const part = samples.subarray(start, start + frame);
    const level = Math.sqrt(part.reduce((sum, value) => sum + value * value, 0) / part.length);
    // The estimate creeps up under a steady tone and takes it for noise, then falls back.
    floor += (level < floor ? 0.3 : 0.012) * (level - floor);
    const wanted = Math.max(0.08, Math.min(1, 1.4 * (1 - 0.9 * (floor / Math.max(1e-9, level)))));
    if (floor > 0.93 * level) floor *= 0.2;
    for (let n = 0; n < part.length; n++) {
      gain += (wanted - gain) * 0.01;
      out[start + n] = gain * (part[n] as number);
    }
  }
  return out;
}

const HALF = 256;

/**
 * A transform coder in the manner of those for music: sine window, lapped cosine transform of 256
 * lines, each band's lines rounded to a step that the bits leave. Not any one coder: a stand-in.
 */
export function coded(samples: Float64Array, rate: number, kbps: number): Float64Array {
  const size = 2 * HALF;
  const window = Float64Array.from({ length: size }, (_, n) => Math.sin((Math.PI * (n + 0.5)) / size));
  const cosines = new Float32Array(HALF * size);
  for (let k = 0; k < HALF; k++)
    for (let n = 0; n < size; n++)
      cosines[k * size + n] = Math.cos((Math.PI / HALF) * (n + 0.5 + HALF / 2) * (k + 0.5));
  const out = new Float64Array(samples.length + size);
  const lines = new Float64Array(HALF);
  const sums = new Float64Array(size);
  const bits = (1000 * kbps * HALF) / rate;
  for (let start = -HALF; start < samples.length; start += HALF) {
    const frame = window.map((w, n) => w * (samples[start + n] ?? 0));
    for (let k = 0; k < HALF; k++) {
      let sum = 0;
      for (let n = 0; n < size; n++) sum += (cosines[k * size + n] as number) * (frame[n] as number);
      lines[k] = sum;
    }
    quantise(lines, bits);
    sums.fill(0);
    for (let k = 0; k < HALF; k++) {
      const line = lines[k] as number;
      // Most fell to nothing.
      if (line === 0) continue;
      for (let n = 0; n < size; n++) sums[n] = (sums[n] as number) + (cosines[k * size + n] as number) * line;
    }
    for (let n = Math.max(0, -start); n < size; n++)
      out[start + n] = (out[start + n] as number) + (2 / HALF) * (window[n] as number) * (sums[n] as number);
  }
  return out.subarray(0, samples.length);
}

/** Bands of sixteen lines, each rounded to a step under its own peak; faint bands fall to nothing. */
function quantise(lines: Float64Array, bits: number): void {
  const top = lines.reduce((most, value) => Math.max(most, Math.abs(value)), 1e-12);
  for (let band = 0; band < HALF; band += 16) {
    const part = lines.subarray(band, band + 16);
    const peak = part.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
    if (peak < top * 10 ** -(2 + bits / 350)) {
      part.fill(0);
      continue;
    }
    const step = (0.02 * top * 150) / Math.max(50, bits) + 0.002 * peak;
    part.forEach((value, i) => (part[i] = step * Math.round(value / step)));
  }
}

/** White noise over the whole. */
export function withNoise(samples: Float64Array, sigma: number, seed: number): Float64Array {
  const normal = gaussian(seeded(seed));
  return samples.map((value) => value + sigma * normal());
}
