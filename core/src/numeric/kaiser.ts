/** Kaiser-windowed low-pass filters (Oppenheim & Schafer, Discrete-Time Signal Processing, 7.5.3; from memory). */
import { CoreError } from '../errors.js';

/** A low-pass wish: pass and stop edges in Hz at sample rate `rate`, attenuation in dB. */
export interface LowPassWish {
  readonly rate: number;
  readonly passHz: number;
  readonly stopHz: number;
  readonly attenuationDb: number;
}

/**
 * Taps of a linear-phase low-pass with unit gain at 0 Hz; odd count, symmetric.
 * @throws CoreError OUT_OF_RANGE unless 0 < pass < stop <= rate / 2.
 */
export function lowPassTaps({ rate, passHz, stopHz, attenuationDb }: LowPassWish): Float64Array {
  if (!(passHz > 0 && stopHz > passHz && stopHz <= rate)) {
    throw new CoreError('OUT_OF_RANGE', 'a low-pass needs 0 < pass < stop', { rate, passHz, stopHz });
  }
  const width = (2 * Math.PI * (stopHz - passHz)) / rate;
  const count = Math.ceil((attenuationDb - 8) / (2.285 * width)) | 1;
  const half = (count - 1) / 2;
  const beta =
    attenuationDb > 50
      ? 0.1102 * (attenuationDb - 8.7)
      : 0.5842 * (attenuationDb - 21) ** 0.4 + 0.07886 * (attenuationDb - 21);
  const cutoff = (passHz + stopHz) / 2 / rate;
  const taps = new Float64Array(count);
  let sum = 0;
  for (let i = 0; i < count; i++) {
    const n = i - half;
    const ideal = n === 0 ? 2 * cutoff : Math.sin(2 * Math.PI * cutoff * n) / (Math.PI * n);
    const window = half === 0 ? 1 : besselI0(beta * Math.sqrt(1 - (n / half) ** 2)) / besselI0(beta);
    taps[i] = ideal * window;
    sum += taps[i] as number;
  }
  for (let i = 0; i < count; i++) taps[i] = (taps[i] as number) / sum;
  return taps;
}

/** Modified Bessel function of the first kind, order 0, by its power series; I0(1) = 1.26607. */
export function besselI0(x: number): number {
  let term = 1;
  let sum = 1;
  for (let k = 1; k < 200 && term > sum * 1e-17; k++) {
    term *= (x / (2 * k)) ** 2;
    sum += term;
  }
  return sum;
}

/** Gain of symmetric taps at `frequencyHz` (real, since the phase is linear). */
export function gainAt(taps: Float64Array, rate: number, frequencyHz: number): number {
  const half = (taps.length - 1) / 2;
  let sum = 0;
  for (let i = 0; i < taps.length; i++) {
    sum += (taps[i] as number) * Math.cos((2 * Math.PI * frequencyHz * (i - half)) / rate);
  }
  return sum;
}
