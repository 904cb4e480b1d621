/** Fourier transform and what is packed for it. */
import { F } from './memory';

/**
 * Fourier transform in place, length a power of two from 4 on, sign e^{-i}, no scaling. `cos` and `sin`
 * hold the twiddles of span s from s on; `reversed` is the u32 table of mirrored indices.
 */
export function transform(size: i32, re: usize, im: usize, cos: usize, sin: usize, reversed: usize): void {
  for (let i = 0; i < size; i++) {
    const j = load<i32>(reversed + (<usize>i << 2));
    if (j > i) {
      swap(re, i, j);
      swap(im, i, j);
    }
  }
  for (let i: usize = 0; i < <usize>size * F; i += 16) {
    firstStage(re + i);
    firstStage(im + i);
  }
  for (let span = 2; span < size; span <<= 1) {
    const reach = <usize>span * F;
    const wave = reach;
    for (let start: usize = 0; start < <usize>size * F; start += 2 * reach) {
      for (let t: usize = 0; t < reach; t += 16) {
        const i = start + t;
        const j = i + reach;
        const wr = v128.load(cos + wave + t);
        const wi = v128.load(sin + wave + t);
        const xr = v128.load(re + j);
        const xi = v128.load(im + j);
        const tr = f64x2.sub(f64x2.mul(xr, wr), f64x2.mul(xi, wi));
        const ti = f64x2.add(f64x2.mul(xr, wi), f64x2.mul(xi, wr));
        const ar = v128.load(re + i);
        const ai = v128.load(im + i);
        v128.store(re + j, f64x2.sub(ar, tr));
        v128.store(im + j, f64x2.sub(ai, ti));
        v128.store(re + i, f64x2.add(ar, tr));
        v128.store(im + i, f64x2.add(ai, ti));
      }
    }
  }
}

// @ts-ignore: a decorator of the compiler
@inline
function swap(values: usize, i: i32, j: i32): void {
  const a = values + <usize>i * F;
  const b = values + <usize>j * F;
  const kept = load<f64>(a);
  store<f64>(a, load<f64>(b));
  store<f64>(b, kept);
}

// @ts-ignore: a decorator of the compiler
@inline
function firstStage(at: usize): void {
  const a = load<f64>(at);
  const b = load<f64>(at, 8);
  store<f64>(at, a + b);
  store<f64>(at, a - b, 8);
}

/**
 * In place: from the transform of `half` pairs to bins 0..half of the spectrum of the 2 half real values.
 * `cos` and `sin` hold e^{-i pi k / half}; both arrays have half + 1 places.
 */
export function unpack(half: i32, re: usize, im: usize, cos: usize, sin: usize): void {
  const dc = load<f64>(re);
  const dcIm = load<f64>(im);
  store<f64>(re, dc + dcIm);
  store<f64>(im, 0);
  store<f64>(re + <usize>half * F, dc - dcIm);
  store<f64>(im + <usize>half * F, 0);
  for (let k = 1; k <= half - k; k++) {
    const i = <usize>k * F;
    const j = <usize>(half - k) * F;
    const evenRe = 0.5 * (load<f64>(re + i) + load<f64>(re + j));
    const evenIm = 0.5 * (load<f64>(im + i) - load<f64>(im + j));
    const oddRe = 0.5 * (load<f64>(im + i) + load<f64>(im + j));
    const oddIm = -0.5 * (load<f64>(re + i) - load<f64>(re + j));
    const c = load<f64>(cos + i);
    const s = load<f64>(sin + i);
    const turnedRe = oddRe * c - oddIm * s;
    const turnedIm = oddIm * c + oddRe * s;
    store<f64>(re + i, evenRe + turnedRe);
    store<f64>(im + i, evenIm + turnedIm);
    store<f64>(re + j, evenRe - turnedRe);
    store<f64>(im + j, turnedIm - evenIm);
  }
}

/** The way back of `unpack`: bins 0..half to the transform of the pairs, in place. */
export function pack(half: i32, re: usize, im: usize, cos: usize, sin: usize): void {
  const first = load<f64>(re);
  const last = load<f64>(re + <usize>half * F);
  store<f64>(re, 0.5 * (first + last));
  store<f64>(im, 0.5 * (first - last));
  for (let k = 1; k <= half - k; k++) {
    const i = <usize>k * F;
    const j = <usize>(half - k) * F;
    const evenRe = 0.5 * (load<f64>(re + i) + load<f64>(re + j));
    const evenIm = 0.5 * (load<f64>(im + i) - load<f64>(im + j));
    const turnedRe = 0.5 * (load<f64>(re + i) - load<f64>(re + j));
    const turnedIm = 0.5 * (load<f64>(im + i) + load<f64>(im + j));
    const c = load<f64>(cos + i);
    const s = load<f64>(sin + i);
    const oddRe = turnedRe * c + turnedIm * s;
    const oddIm = turnedIm * c - turnedRe * s;
    store<f64>(re + i, evenRe - oddIm);
    store<f64>(im + i, evenIm + oddRe);
    store<f64>(re + j, evenRe + oddIm);
    store<f64>(im + j, oddRe - evenIm);
  }
}

/** out[2 i], out[2 i + 1] = scale re[i], scale im[i] for `count` pairs. */
export function unpair(re: usize, im: usize, count: i32, scale: f64, out: usize): void {
  for (let i = 0; i < count; i++) {
    const at = <usize>i * F;
    store<f64>(out + 2 * at, scale * load<f64>(re + at));
    store<f64>(out + 2 * at, scale * load<f64>(im + at), 8);
  }
}

/** re[i], im[i] = even and odd values of (values[n] - offset) window[n], n below `count` (which may be odd). */
export function windowPairs(values: usize, window: usize, count: i32, offset: f64, re: usize, im: usize): void {
  for (let n = 0; n < count; n++) {
    const at = <usize>n * F;
    const to = <usize>(n >> 1) * F;
    store<f64>((n & 1 ? im : re) + to, (load<f64>(values + at) - offset) * load<f64>(window + at));
  }
}

/** re[k] = scale (re[k]^2 + im[k]^2). */
export function power(re: usize, im: usize, count: i32, scale: f64): void {
  for (let k = 0; k < count; k++) {
    const at = <usize>k * F;
    const x = load<f64>(re + at);
    const y = load<f64>(im + at);
    store<f64>(re + at, scale * (x * x + y * y));
  }
}
