/**
 * Fast Fourier transform of power-of-two length, split real and imaginary arrays, forward sign
 * e^{-i 2 pi k n / N}, no scaling forward, 1/N on the inverse.
 */
import { CoreError } from '../errors.js';

/** A plan for one length; reuse it, the twiddles cost more than a transform. */
export interface FftPlan {
  readonly size: number;
  /** In place, forward. Both arrays have `size` elements. */
  forward(re: Float64Array, im: Float64Array): void;
  /** In place, inverse with 1/N. */
  inverse(re: Float64Array, im: Float64Array): void;
}

const plans = new Map<number, FftPlan>();

/** The plan for `size`, kept for reuse up to 65536 points. @throws CoreError BAD_SHAPE unless a power of two >= 2. */
export function fftPlan(size: number): FftPlan {
  if (!Number.isInteger(size) || size < 2 || (size & (size - 1)) !== 0) {
    throw new CoreError('BAD_SHAPE', 'FFT length must be a power of two', { size });
  }
  const known = plans.get(size);
  if (known) return known;
  const plan = makePlan(size);
  if (size <= 65536) plans.set(size, plan);
  return plan;
}

/** The least power of two that is >= n: 1000 gives 1024. */
export function nextPowerOfTwo(n: number): number {
  let size = 2;
  while (size < n) size *= 2;
  return size;
}

function makePlan(size: number): FftPlan {
  // Twiddles of each stage stand together, stage of span s from s on: read in order, kind to the cache.
  const cos = new Float64Array(size);
  const sin = new Float64Array(size);
  for (let span = 1; span < size; span *= 2) {
    for (let k = 0; k < span; k++) {
      cos[span + k] = Math.cos((Math.PI * k) / span);
      sin[span + k] = -Math.sin((Math.PI * k) / span);
    }
  }
  const reversed = bitReversal(size);
  const forward = (re: Float64Array, im: Float64Array) => transform(size, re, im, cos, sin, reversed);
  return {
    size,
    forward,
    inverse(re, im) {
      forward(im, re);
      for (let i = 0; i < size; i++) {
        re[i] = (re[i] as number) / size;
        im[i] = (im[i] as number) / size;
      }
    },
  };
}

function bitReversal(size: number): Uint32Array {
  const table = new Uint32Array(size);
  const half = size >>> 1;
  for (let i = 1; i < size; i++) {
    table[i] = ((table[i >>> 1] as number) >>> 1) | (i & 1 ? half : 0);
  }
  return table;
}

function transform(
  size: number,
  re: Float64Array,
  im: Float64Array,
  cos: Float64Array,
  sin: Float64Array,
  reversed: Uint32Array,
): void {
  for (let i = 0; i < size; i++) {
    const j = reversed[i] as number;
    if (j > i) {
      const a = re[i] as number;
      re[i] = re[j] as number;
      re[j] = a;
      const b = im[i] as number;
      im[i] = im[j] as number;
      im[j] = b;
    }
  }
  firstStage(size, re, im);
  for (let span = 2; span < size; span *= 2) {
    for (let start = 0; start < size; start += 2 * span) {
      for (let i = start, j = start + span, t = span; t < 2 * span; i++, j++, t++) {
        const wr = cos[t] as number;
        const wi = sin[t] as number;
        const xr = re[j] as number;
        const xi = im[j] as number;
        const tr = xr * wr - xi * wi;
        const ti = xr * wi + xi * wr;
        const ar = re[i] as number;
        const ai = im[i] as number;
        re[j] = ar - tr;
        im[j] = ai - ti;
        re[i] = ar + tr;
        im[i] = ai + ti;
      }
    }
  }
}

/** Span 1: its twiddle is 1. */
function firstStage(size: number, re: Float64Array, im: Float64Array): void {
  for (let i = 0; i < size; i += 2) {
    const ar = re[i] as number;
    const ai = im[i] as number;
    const br = re[i + 1] as number;
    const bi = im[i + 1] as number;
    re[i] = ar + br;
    im[i] = ai + bi;
    re[i + 1] = ar - br;
    im[i + 1] = ai - bi;
  }
}

/**
 * Spectrum of `size` real values (missing ones are 0): bins 0..size/2, by one transform of half the
 * length over pairs of neighbours. @throws CoreError BAD_SHAPE unless `size` is a power of two >= 4.
 */
export function realSpectrum(values: ArrayLike<number>, size: number): { re: Float64Array; im: Float64Array } {
  const half = size / 2;
  const plan = fftPlan(half);
  const zr = new Float64Array(half);
  const zi = new Float64Array(half);
  const pairs = Math.min(half, values.length >> 1);
  for (let i = 0; i < pairs; i++) {
    zr[i] = values[2 * i] as number;
    zi[i] = values[2 * i + 1] as number;
  }
  if (values.length % 2 === 1 && values.length < size) zr[pairs] = values[values.length - 1] as number;
  plan.forward(zr, zi);
  return unpacked(zr, zi, half);
}

/** Splits the transform of pairs into that of the even and the odd values and joins the two. */
function unpacked(zr: Float64Array, zi: Float64Array, half: number): { re: Float64Array; im: Float64Array } {
  const re = new Float64Array(half + 1);
  const im = new Float64Array(half + 1);
  const step = Math.PI / half;
  const stepCos = Math.cos(step);
  const stepSin = -Math.sin(step);
  let c = 1;
  let s = 0;
  for (let k = 0; k <= half; k++) {
    if (k % 64 === 0) {
      // The rotation is set right often enough that its error stays under a few units in the last place.
      c = Math.cos(step * k);
      s = -Math.sin(step * k);
    }
    const i = k === half ? 0 : k;
    const j = k === 0 ? 0 : half - k;
    const evenRe = 0.5 * ((zr[i] as number) + (zr[j] as number));
    const evenIm = 0.5 * ((zi[i] as number) - (zi[j] as number));
    const oddRe = 0.5 * ((zi[i] as number) + (zi[j] as number));
    const oddIm = -0.5 * ((zr[i] as number) - (zr[j] as number));
    re[k] = evenRe + oddRe * c - oddIm * s;
    im[k] = evenIm + oddRe * s + oddIm * c;
    const next = c * stepCos - s * stepSin;
    s = c * stepSin + s * stepCos;
    c = next;
  }
  return { re, im };
}
