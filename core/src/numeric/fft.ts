/**
 * Fast Fourier transform of power-of-two length, split real and imaginary arrays, forward sign
 * e^{-i 2 pi k n / N}, no scaling forward, 1/N on the inverse.
 */
import { CoreError } from '../errors.js';
import { ownWorkspace } from './kernel/workspace.js';

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
  const [cos, sin] = [new Float64Array(size), new Float64Array(size)];
  fillTwiddles(cos, sin);
  const reversed = new Uint32Array(size);
  fillBitReversal(reversed);
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

/**
 * Cosines and sines of -pi k / span at span + k, for every power of two `span` below the arrays' length:
 * those of a stage stand together, read in order, kind to the cache. The longest serve the others.
 */
function fillTwiddles(cos: Float64Array, sin: Float64Array): void {
  const last = cos.length / 2;
  for (let k = 0; 2 * k <= last; k++) {
    const c = Math.cos((Math.PI * k) / last);
    const s = -Math.sin((Math.PI * k) / last);
    cos[last + k] = c;
    sin[last + k] = s;
    if (k > 0) {
      cos[2 * last - k] = -c;
      sin[2 * last - k] = s;
    }
  }
  for (let span = 1; span < last; span *= 2) {
    const stride = last / span;
    for (let k = 0; k < span; k++) {
      cos[span + k] = cos[last + k * stride] as number;
      sin[span + k] = sin[last + k * stride] as number;
    }
  }
}

/** Tables and data of a compiled transform of `points` in a memory of its own; null where there is none. */
export function compiledTransform(points: number) {
  const own = ownWorkspace();
  if (!own) return null;
  // One stage more than the transform needs: the turns between a spectrum and that of its pairs.
  const [cosAt, sinAt] = [own.space(16 * points), own.space(16 * points)];
  const reversedAt = own.space(4 * points);
  // One place more than the points: room for the last bin of a spectrum of real values.
  const [reAt, imAt] = [own.room(8 * points + 8), own.room(8 * points + 8)];
  fillTwiddles(own.values(cosAt, 2 * points), own.values(sinAt, 2 * points));
  fillBitReversal(own.counts(reversedAt, points));
  const { transform: forward } = own.calls;
  return {
    own,
    reAt,
    imAt,
    /** Where cosines and sines of -pi k / points begin. */
    turnsAt: [cosAt + 8 * points, sinAt + 8 * points] as const,
    run: () => forward(points, reAt, imAt, cosAt, sinAt, reversedAt),
    /** The other way, without 1/points: real and imaginary part change places. */
    runBack: () => forward(points, imAt, reAt, cosAt, sinAt, reversedAt),
  };
}

function fillBitReversal(table: Uint32Array): void {
  const half = table.length >>> 1;
  for (let i = 1; i < table.length; i++) {
    table[i] = ((table[i >>> 1] as number) >>> 1) | (i & 1 ? half : 0);
  }
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
