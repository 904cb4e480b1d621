/**
 * Spectra of real values by one transform of half the length over pairs of neighbours. Sign and scale
 * are those of the transform: e^{-i}, none.
 */
import { compiledTransform, fftPlan } from './fft.js';
import { workspace } from './kernel/workspace.js';
import { rotation } from './rotation.js';

/** Bins 0..size/2 of a spectrum. */
export interface Spectrum {
  readonly re: Float64Array;
  readonly im: Float64Array;
}

/** What is done with values of one length. */
interface RealPlan {
  spectrum(values: ArrayLike<number>): Spectrum;
  power(values: Float64Array, window: Float64Array, offset: number, scale: number): Float64Array;
  inverse(spectrum: Spectrum, length: number): Float64Array;
}

/**
 * Spectrum of `size` real values (missing ones are 0): bins 0..size/2.
 * @throws CoreError BAD_SHAPE unless `size` is a power of two >= 4.
 */
export const realSpectrum = (values: ArrayLike<number>, size: number): Spectrum => realPlan(size).spectrum(values);

/**
 * `scale` |X|^2 of (values - `offset`) times `window`, filled up with zeros to `size`: bins 0..size/2.
 * @throws CoreError BAD_SHAPE unless `size` is a power of two >= 4.
 */
export const windowedPower = (
  values: Float64Array,
  window: Float64Array,
  size: number,
  { offset = 0, scale = 1 } = {},
): Float64Array => realPlan(size).power(values, window, offset, scale);

/** The first `length` real values of a spectrum of bins 0..size/2: undoes {@link realSpectrum}, 1/size included. */
export const realValues = (spectrum: Spectrum, length: number): Float64Array =>
  realPlan(2 * (spectrum.re.length - 1)).inverse(spectrum, length);

let lastHann: Float64Array | null = null;

/** A Hann window of `length` whose ends lie half a sample outside: no value of it is 0. Not to be written to. */
export function hannWindow(length: number): Float64Array {
  if (lastHann?.length === length) return lastHann;
  return (lastHann = compiledHann(length) ?? plainHann(length));
}

/** The reference for {@link hannWindow}. */
export function plainHann(length: number): Float64Array {
  const turn = rotation((2 * Math.PI) / length, 0.5);
  return Float64Array.from({ length }, () => 0.5 - 0.5 * turn.cos());
}

/** Samples after which the turning window is set right. */
const HANN_RUN = 1024;

function compiledHann(length: number): Float64Array | null {
  const compiled = workspace();
  if (!compiled) return null;
  const step = (2 * Math.PI) / length;
  const at = compiled.space(8 * length);
  for (let from = 0; from < length; from += HANN_RUN) {
    const angle = step * (from + 0.5);
    const count = Math.min(HANN_RUN, length - from);
    compiled.calls.hann(count, Math.cos(angle), Math.sin(angle), Math.cos(step), Math.sin(step), at + 8 * from);
  }
  return compiled.values(at, length).slice();
}

const plans = new Map<number, RealPlan>();
/** Of the long ones only the last is kept: a long log is looked at many times at one length. */
let lastLong: { readonly size: number; readonly plan: RealPlan } | null = null;

function realPlan(size: number): RealPlan {
  const known = plans.get(size) ?? (lastLong?.size === size ? lastLong.plan : null);
  if (known) return known;
  // Its memory is free before the next is asked for.
  if (size > 65536) lastLong = null;
  const plan = (size >= COMPILED_FROM ? compiledPlan(size) : null) ?? plainRealPlan(size);
  if (size <= 65536) plans.set(size, plan);
  else lastLong = { size, plan };
  return plan;
}

type Forward = (re: Float64Array, im: Float64Array) => void;

function plainPlan(size: number, forward: Forward): RealPlan {
  const spectrum = (values: ArrayLike<number>): Spectrum => plainSpectrum(values, size, forward);
  return {
    spectrum,
    power(values, window, offset, scale) {
      const { re, im } = spectrum(values.map((value, n) => (value - offset) * (window[n] as number)));
      return re.map((x, k) => scale * (x * x + (im[k] as number) ** 2));
    },
    inverse: (given, length) => plainValues(given, length, forward),
  };
}

/** The same on plain loops alone, for comparison. */
export const plainRealPlan = (size: number): RealPlan => plainPlan(size, fftPlan(size / 2).forward);

/** Shorter spectra are made before the copying is done. */
const COMPILED_FROM = 512;
/** Values taken through the window at a time. */
const CHUNK = 16384;

/** All in compiled loops and a memory of its own; null where there are none. */
function compiledPlan(size: number): RealPlan | null {
  const half = size / 2;
  const laid = compiledTransform(half);
  if (!laid) return null;
  const { own, reAt, imAt, turnsAt, run, runBack } = laid;
  const [valuesAt, windowAt] = [own.space(8 * CHUNK), own.space(8 * CHUNK)];
  const forward = (values: ArrayLike<number>, window: Float64Array | null, offset: number) => {
    const count = Math.min(size, values.length);
    own.values(reAt, half).fill(0, count >> 1);
    own.values(imAt, half).fill(0, count >> 1);
    const all = values instanceof Float64Array ? values : Float64Array.from(values);
    for (let from = 0; from < count; from += CHUNK) {
      const to = Math.min(count, from + CHUNK);
      own.values(valuesAt, to - from).set(all.subarray(from, to));
      if (window) own.values(windowAt, to - from).set(window.subarray(from, to));
      else own.values(windowAt, to - from).fill(1);
      own.calls.windowPairs(valuesAt, windowAt, to - from, offset, reAt + 4 * from, imAt + 4 * from);
    }
    run();
    own.calls.unpack(half, reAt, imAt, ...turnsAt);
  };
  return {
    spectrum(values) {
      forward(values, null, 0);
      return { re: own.values(reAt, half + 1).slice(), im: own.values(imAt, half + 1).slice() };
    },
    power(values, window, offset, scale) {
      forward(values, window, offset);
      own.calls.power(reAt, imAt, half + 1, scale);
      return own.values(reAt, half + 1).slice();
    },
    inverse({ re, im }, length) {
      own.values(reAt, half + 1).set(re);
      own.values(imAt, half + 1).set(im);
      own.calls.pack(half, reAt, imAt, ...turnsAt);
      runBack();
      const out = new Float64Array(length);
      for (let from = 0; from < length; from += CHUNK) {
        const count = Math.min(CHUNK, length - from);
        own.calls.unpair(reAt + 4 * from, imAt + 4 * from, (count + 1) >> 1, 1 / half, valuesAt);
        out.set(own.values(valuesAt, count), from);
      }
      return out;
    },
  };
}

function plainSpectrum(values: ArrayLike<number>, size: number, forward: Forward): Spectrum {
  const half = size / 2;
  const zr = new Float64Array(half);
  const zi = new Float64Array(half);
  const pairs = Math.min(half, values.length >> 1);
  for (let i = 0; i < pairs; i++) {
    zr[i] = values[2 * i] as number;
    zi[i] = values[2 * i + 1] as number;
  }
  if (values.length % 2 === 1 && values.length < size) zr[pairs] = values[values.length - 1] as number;
  forward(zr, zi);
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

/** Joins even and odd values' transforms to that of the pairs and transforms back. */
function plainValues({ re, im }: Spectrum, length: number, forward: Forward): Float64Array {
  const half = re.length - 1;
  const zr = new Float64Array(half);
  const zi = new Float64Array(half);
  for (let k = 0; k < half; k++) {
    const evenRe = 0.5 * ((re[k] as number) + (re[half - k] as number));
    const evenIm = 0.5 * ((im[k] as number) - (im[half - k] as number));
    const turnedRe = 0.5 * ((re[k] as number) - (re[half - k] as number));
    const turnedIm = 0.5 * ((im[k] as number) + (im[half - k] as number));
    const [c, s] = [Math.cos((Math.PI * k) / half), -Math.sin((Math.PI * k) / half)];
    zr[k] = evenRe - (turnedIm * c - turnedRe * s);
    zi[k] = evenIm + (turnedRe * c + turnedIm * s);
  }
  forward(zi, zr);
  return Float64Array.from({ length }, (_, n) => ((n % 2 === 0 ? zr : zi)[n >> 1] as number) / half);
}
