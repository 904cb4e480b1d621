/**
 * The meter's inner loops for the WebAssembly compiler (AssemblyScript: `npm run kernel` makes
 * core/src/numeric/kernel/bytes.ts of it). Each has a twin in plain TypeScript which is the
 * reference; the tests hold one against the other.
 *
 * All pointers are bytes, arrays are f64 without a gap unless named otherwise. Nothing here allocates:
 * the caller lays out the memory from `base` on. Filters take taps in natural order, padded with zeros
 * to an even count, and read that many samples from each output's first.
 */

/** First byte that is free. */
export const base: usize = __heap_base;

/** Eight bytes an f64. */
const F: usize = 8;

// @ts-ignore: a decorator of the compiler
@inline
function pairSum(x: v128): f64 {
  return f64x2.extract_lane(x, 0) + f64x2.extract_lane(x, 1);
}

/** re[m] + j im[m] = sum data[m factor + k] (tapsRe[k] + j tapsIm[k]), for m below count. */
export function mixSums(
  data: usize,
  tapsRe: usize,
  tapsIm: usize,
  taps: i32,
  factor: i32,
  count: i32,
  re: usize,
  im: usize,
): void {
  const step = <usize>factor * F;
  const bytes = <usize>taps * F;
  let m = 0;
  for (; m + 3 < count; m += 4) {
    let ra = f64x2.splat(0);
    let rb = ra;
    let rc = ra;
    let rd = ra;
    let ia = ra;
    let ib = ra;
    let ic = ra;
    let id = ra;
    const a = data + <usize>m * step;
    const b = a + step;
    const c = b + step;
    const d = c + step;
    for (let k: usize = 0; k < bytes; k += 16) {
      const tr = v128.load(tapsRe + k);
      const ti = v128.load(tapsIm + k);
      const xa = v128.load(a + k);
      ra = f64x2.add(ra, f64x2.mul(xa, tr));
      ia = f64x2.add(ia, f64x2.mul(xa, ti));
      const xb = v128.load(b + k);
      rb = f64x2.add(rb, f64x2.mul(xb, tr));
      ib = f64x2.add(ib, f64x2.mul(xb, ti));
      const xc = v128.load(c + k);
      rc = f64x2.add(rc, f64x2.mul(xc, tr));
      ic = f64x2.add(ic, f64x2.mul(xc, ti));
      const xd = v128.load(d + k);
      rd = f64x2.add(rd, f64x2.mul(xd, tr));
      id = f64x2.add(id, f64x2.mul(xd, ti));
    }
    const at = <usize>m * F;
    store<f64>(re + at, pairSum(ra));
    store<f64>(re + at, pairSum(rb), 8);
    store<f64>(re + at, pairSum(rc), 16);
    store<f64>(re + at, pairSum(rd), 24);
    store<f64>(im + at, pairSum(ia));
    store<f64>(im + at, pairSum(ib), 8);
    store<f64>(im + at, pairSum(ic), 16);
    store<f64>(im + at, pairSum(id), 24);
  }
  for (; m < count; m++) {
    const a = data + <usize>m * step;
    store<f64>(re + <usize>m * F, dot(a, tapsRe, taps));
    store<f64>(im + <usize>m * F, dot(a, tapsIm, taps));
  }
}

/** out[m outStep] = sum data[m factor + k] taps[k], for m below count. */
export function filterSums(
  data: usize,
  tapsAt: usize,
  taps: i32,
  factor: i32,
  count: i32,
  out: usize,
  outStep: i32,
): void {
  const step = <usize>factor * F;
  const apart = <usize>outStep * F;
  const bytes = <usize>taps * F;
  let m = 0;
  for (; m + 3 < count; m += 4) {
    let sa = f64x2.splat(0);
    let sb = sa;
    let sc = sa;
    let sd = sa;
    const a = data + <usize>m * step;
    const b = a + step;
    const c = b + step;
    const d = c + step;
    for (let k: usize = 0; k < bytes; k += 16) {
      const t = v128.load(tapsAt + k);
      sa = f64x2.add(sa, f64x2.mul(v128.load(a + k), t));
      sb = f64x2.add(sb, f64x2.mul(v128.load(b + k), t));
      sc = f64x2.add(sc, f64x2.mul(v128.load(c + k), t));
      sd = f64x2.add(sd, f64x2.mul(v128.load(d + k), t));
    }
    const at = out + <usize>m * apart;
    store<f64>(at, pairSum(sa));
    store<f64>(at + apart, pairSum(sb));
    store<f64>(at + 2 * apart, pairSum(sc));
    store<f64>(at + 3 * apart, pairSum(sd));
  }
  for (; m < count; m++) store<f64>(out + <usize>m * apart, dot(data + <usize>m * step, tapsAt, taps));
}

/** Sum of a[n] b[n]. */
function dot(a: usize, b: usize, count: i32): f64 {
  let even = f64x2.splat(0);
  let odd = even;
  let n: usize = 0;
  const end = <usize>count * F;
  for (; n + 32 <= end; n += 32) {
    even = f64x2.add(even, f64x2.mul(v128.load(a + n), v128.load(b + n)));
    odd = f64x2.add(odd, f64x2.mul(v128.load(a + n, 16), v128.load(b + n, 16)));
  }
  let sum = pairSum(f64x2.add(even, odd));
  for (; n < end; n += F) sum += load<f64>(a + n) * load<f64>(b + n);
  return sum;
}

/** out[n] += a cos(w n + p) + b sin(w n + p), given a, b and the cosines and sines of p and of w. */
export function addWave(out: usize, count: i32, a: f64, b: f64, cosP: f64, sinP: f64, cosW: f64, sinW: f64): void {
  const c1 = cosP * cosW - sinP * sinW;
  const s1 = cosP * sinW + sinP * cosW;
  // The wave and the one a quarter turn on, two samples side by side, turned by two steps at a time.
  let x = f64x2.replace_lane(f64x2.splat(a * cosP + b * sinP), 1, a * c1 + b * s1);
  let y = f64x2.replace_lane(f64x2.splat(b * cosP - a * sinP), 1, b * c1 - a * s1);
  const c = f64x2.splat(cosW * cosW - sinW * sinW);
  const s = f64x2.splat(2 * cosW * sinW);
  const end = out + <usize>(count & ~1) * F;
  let at = out;
  for (; at < end; at += 16) {
    v128.store(at, f64x2.add(v128.load(at), x));
    const next = f64x2.add(f64x2.mul(x, c), f64x2.mul(y, s));
    y = f64x2.sub(f64x2.mul(y, c), f64x2.mul(x, s));
    x = next;
  }
  if (count & 1) store<f64>(at, load<f64>(at) + f64x2.extract_lane(x, 0));
}

/** Counts |values| into u32 cells (`scale` cells a unit, the last takes the rest); the sum of squares. */
export function countSizes(values: usize, count: i32, cells: usize, cellCount: i32, scale: f64): f64 {
  let square: f64 = 0;
  const end = values + <usize>count * F;
  const top = cellCount - 1;
  for (let at = values; at < end; at += F) {
    const value = load<f64>(at);
    square += value * value;
    const size = abs(value) * scale;
    const cell = cells + ((<usize>(size < <f64>top ? <i32>size : top)) << 2);
    store<u32>(cell, load<u32>(cell) + 1);
  }
  return square;
}

/** The quasi-peak detector over `values`; `state` is first stage, indication, largest. */
export function quasiPeak(values: usize, count: i32, state: usize, smooth: f64, rise: f64, fall: f64): void {
  let first = load<f64>(state);
  let indication = load<f64>(state, 8);
  let largest = load<f64>(state, 16);
  const end = values + <usize>count * F;
  for (let at = values; at < end; at += F) {
    first += smooth * (abs(load<f64>(at)) - first);
    indication = first > indication ? indication + rise * (first - indication) : indication * fall;
    largest = max(largest, indication);
  }
  store<f64>(state, first);
  store<f64>(state, indication, 8);
  store<f64>(state, largest, 16);
}

/** Samples of a block of columns. */
const BLOCK: i32 = 512;

/**
 * Columns of samples start..start + count at `columns`, BLOCK apart: Legendre polynomials 0..order over
 * 0..last, then cosine and sine of each line. `waves` holds cosine and sine of the step for each line,
 * `phases` cosine and sine at the block's start. Rows that are not usable become 0.
 */
function fillColumns(
  columns: usize,
  order: i32,
  lines: i32,
  waves: usize,
  phases: usize,
  usable: usize,
  start: i32,
  count: i32,
  last: f64,
): void {
  const stride = <usize>BLOCK * F;
  const scale = 2 / last;
  for (let i = 0; i < count; i++) store<f64>(columns + <usize>i * F, 1);
  if (order > 0) {
    for (let i = 0; i < count; i++) store<f64>(columns + stride + <usize>i * F, <f64>(start + i) * scale - 1);
  }
  for (let k = 2; k <= order; k++) {
    const at = columns + <usize>k * stride;
    const a = f64x2.splat(<f64>(2 * k - 1) / <f64>k);
    const b = f64x2.splat(<f64>(k - 1) / <f64>k);
    for (let i: usize = 0; i < <usize>count * F; i += 16) {
      const x = v128.load(columns + stride + i);
      const p1 = v128.load(at - stride + i);
      const p2 = v128.load(at - 2 * stride + i);
      v128.store(at + i, f64x2.sub(f64x2.mul(f64x2.mul(a, x), p1), f64x2.mul(b, p2)));
    }
  }
  for (let l = 0; l < lines; l++) {
    const at = columns + <usize>(order + 1 + 2 * l) * stride;
    const table = <usize>l * 16;
    memory.fill(at, 0, 2 * stride);
    const cosP = load<f64>(phases + table);
    const sinP = load<f64>(phases + table, 8);
    const cosW = load<f64>(waves + table);
    const sinW = load<f64>(waves + table, 8);
    addWave(at, count, 1, 0, cosP, sinP, cosW, sinW);
    addWave(at + stride, count, 0, 1, cosP, sinP, cosW, sinW);
  }
  const total = <usize>(order + 1 + 2 * lines) * stride;
  for (let i = 0; i < count; i++) {
    if (load<u8>(usable + <usize>i)) continue;
    for (let at = <usize>i * F; at < total; at += stride) store<f64>(columns + at, 0);
  }
}

/**
 * Adds up the products of the columns of a fit over all blocks: those with columns 0..upTo into the
 * lower half of `matrix`, those with `phase` into `rhs`. `phases` holds a row of 2 lines for each block.
 */
export function normalSums(
  phase: usize,
  usable: usize,
  total: i32,
  order: i32,
  lines: i32,
  waves: usize,
  phases: usize,
  columns: usize,
  matrix: usize,
  rhs: usize,
  upTo: i32,
): void {
  const stride = <usize>BLOCK * F;
  const width = order + 1 + 2 * lines;
  for (let start = 0, block = 0; start < total; start += BLOCK, block++) {
    const count = min(BLOCK, total - start);
    const turned = phases + <usize>(block * lines) * 16;
    fillColumns(columns, order, lines, waves, turned, usable + <usize>start, start, count, <f64>(total - 1));
    for (let i = 0; i < width; i++) {
      const column = columns + <usize>i * stride;
      const right = rhs + <usize>i * F;
      store<f64>(right, load<f64>(right) + dot(column, phase + <usize>start * F, count));
      for (let j = 0; j <= min(i, upTo); j++) {
        const at = matrix + <usize>(i * width + j) * F;
        store<f64>(at, load<f64>(at) + dot(column, columns + <usize>j * stride, count));
      }
    }
  }
}

/** Takes coefficients times columns off `out`, block by block; rows that are not usable are left alone. */
export function takeOff(
  out: usize,
  usable: usize,
  total: i32,
  order: i32,
  lines: i32,
  waves: usize,
  phases: usize,
  columns: usize,
  coefficients: usize,
): void {
  const stride = <usize>BLOCK * F;
  const width = order + 1 + 2 * lines;
  for (let start = 0, block = 0; start < total; start += BLOCK, block++) {
    const count = min(BLOCK, total - start);
    const turned = phases + <usize>(block * lines) * 16;
    fillColumns(columns, order, lines, waves, turned, usable + <usize>start, start, count, <f64>(total - 1));
    const bytes = <usize>count * F;
    const row = out + <usize>start * F;
    for (let c = 0; c < width; c++) {
      const column = columns + <usize>c * stride;
      const k = f64x2.splat(load<f64>(coefficients + <usize>c * F));
      let i: usize = 0;
      for (; i + 16 <= bytes; i += 16) {
        v128.store(row + i, f64x2.sub(v128.load(row + i), f64x2.mul(k, v128.load(column + i))));
      }
      if (i < bytes) store<f64>(row + i, load<f64>(row + i) - f64x2.extract_lane(k, 0) * load<f64>(column + i));
    }
  }
}

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

/** 16-bit words `stride` words apart as -1..1. */
export function decodeWords(words: usize, stride: i32, count: i32, out: usize): void {
  for (let i = 0; i < count; i++) {
    store<f64>(out + <usize>i * F, <f64>load<i16>(words + ((<usize>(i * stride)) << 1)) * (1.0 / 32768));
  }
}

/** Turns re + j im by e^{j(p + w m)}, given the cosines and sines of p and w. */
export function turn(re: usize, im: usize, count: i32, cosP: f64, sinP: f64, cosW: f64, sinW: f64): void {
  let c = cosP;
  let s = sinP;
  for (let m = 0; m < count; m++) {
    const at = <usize>m * F;
    const x = load<f64>(re + at);
    const y = load<f64>(im + at);
    store<f64>(re + at, x * c - y * s);
    store<f64>(im + at, x * s + y * c);
    const next = c * cosW - s * sinW;
    s = c * sinW + s * cosW;
    c = next;
  }
}

/** Twice the size (f32) and the angle of re + j im. */
export function polar(re: usize, im: usize, count: i32, amplitude: usize, phase: usize): void {
  for (let m = 0; m < count; m++) {
    const at = <usize>m * F;
    const x = load<f64>(re + at);
    const y = load<f64>(im + at);
    store<f32>(amplitude + (<usize>m << 2), <f32>(2 * sqrt(x * x + y * y)));
    store<f64>(phase + at, Math.atan2(y, x));
  }
}

/**
 * Sums for one step of a line's frequency, nine f64 at `out`: with c, s the line's cosine and sine and
 * d = t (b c - a s), t from the middle in seconds: cc cs cd ss sd dd, then cy sy dy with the residual y.
 */
export function shiftSums(
  residual: usize,
  usable: usize,
  count: i32,
  rate: f64,
  cosW: f64,
  sinW: f64,
  a: f64,
  b: f64,
  out: usize,
): void {
  let c: f64 = 1;
  let s: f64 = 0;
  let cc: f64 = 0;
  let cs: f64 = 0;
  let cd: f64 = 0;
  let ss: f64 = 0;
  let sd: f64 = 0;
  let dd: f64 = 0;
  let cy: f64 = 0;
  let sy: f64 = 0;
  let dy: f64 = 0;
  const middle = <f64>(count - 1) / 2;
  for (let n = 0; n < count; n++) {
    if (load<u8>(usable + <usize>n)) {
      const y = load<f64>(residual + <usize>n * F);
      const d = ((<f64>n - middle) / rate) * (b * c - a * s);
      cc += c * c;
      cs += c * s;
      cd += c * d;
      ss += s * s;
      sd += s * d;
      dd += d * d;
      cy += c * y;
      sy += s * y;
      dy += d * y;
    }
    const next = c * cosW - s * sinW;
    s = c * sinW + s * cosW;
    c = next;
  }
  store<f64>(out, cc);
  store<f64>(out, cs, 8);
  store<f64>(out, cd, 16);
  store<f64>(out, ss, 24);
  store<f64>(out, sd, 32);
  store<f64>(out, dd, 40);
  store<f64>(out, cy, 48);
  store<f64>(out, sy, 56);
  store<f64>(out, dy, 64);
}

/**
 * Adds what tooth k of each candidate speed weighs: sums[g] += weights[levels[cells[g]]] for g below
 * `count`; `levels` are u8, `cells` u16, `weights` three f64.
 */
export function addTooth(levels: usize, cells: usize, count: i32, weights: usize, sums: usize): void {
  for (let g = 0; g < count; g++) {
    const level = load<u8>(levels + <usize>load<u16>(cells + ((<usize>g) << 1)));
    const at = sums + <usize>g * F;
    store<f64>(at, load<f64>(at) + load<f64>(weights + ((<usize>level) << 3)));
  }
}

/**
 * value[g] = largest of score[b] - cost |g - b| over b from g - reach to g (step 1) or g to g + reach
 * (step -1), at[g] (i32) the b; a queue (i32) of falling candidates looks at each once.
 */
export function slideBest(
  score: usize,
  size: i32,
  step: i32,
  reach: i32,
  cost: f64,
  queue: usize,
  value: usize,
  at: usize,
): void {
  let head = 0;
  let tail = 0;
  for (let i = 0; i < size; i++) {
    const g = step === 1 ? i : size - 1 - i;
    const own = load<f64>(score + <usize>g * F);
    while (tail > head) {
      const b = load<i32>(queue + ((<usize>(tail - 1)) << 2));
      if (own < load<f64>(score + <usize>b * F) - cost * <f64>abs(g - b)) break;
      tail--;
    }
    store<i32>(queue + ((<usize>tail) << 2), g);
    tail++;
    while (abs(g - load<i32>(queue + ((<usize>head) << 2))) > reach) head++;
    const best = load<i32>(queue + ((<usize>head) << 2));
    store<f64>(value + <usize>g * F, load<f64>(score + <usize>best * F) - cost * <f64>abs(g - best));
    store<i32>(at + ((<usize>g) << 2), best);
  }
}

/** next[g] = the better of left and right plus row[g] (f32); back[g] (i16) the way to where it came from. */
export function joinSides(
  size: i32,
  left: usize,
  leftAt: usize,
  right: usize,
  rightAt: usize,
  row: usize,
  next: usize,
  back: usize,
): void {
  for (let g = 0; g < size; g++) {
    const wide = <usize>g * F;
    const narrow = (<usize>g) << 2;
    const low = load<f64>(left + wide);
    const high = load<f64>(right + wide);
    const from = low >= high ? load<i32>(leftAt + narrow) : load<i32>(rightAt + narrow);
    store<f64>(next + wide, max(low, high) + <f64>load<f32>(row + narrow));
    store<i16>(back + ((<usize>g) << 1), <i16>(from - g));
  }
}

/** Sum of the values, largest size, and how many reach 0.999 of that: three f64 at `out`. */
export function frameLevels(values: usize, count: i32, out: usize): void {
  let sum: f64 = 0;
  let peak: f64 = 0;
  const end = values + <usize>count * F;
  for (let at = values; at < end; at += F) {
    const value = load<f64>(at);
    sum += value;
    peak = max(peak, abs(value));
  }
  const limit = 0.999 * peak;
  let near = 0;
  for (let at = values; at < end; at += F) if (abs(load<f64>(at)) >= limit) near++;
  store<f64>(out, sum);
  store<f64>(out, peak, 8);
  store<f64>(out, <f64>near, 16);
}

/** Angle wrapped to -pi..pi. */
// @ts-ignore: a decorator of the compiler
@inline
function wrapped(angle: f64): f64 {
  const turn = 6.283185307179586;
  return angle - turn * floor(angle / turn + 0.5);
}

/** out[i] = phase[i] without its jumps: each step wrapped to -pi..pi. */
export function unwrap(phase: usize, count: i32, out: usize): void {
  let turns = load<f64>(phase);
  store<f64>(out, turns);
  for (let i = 1; i < count; i++) {
    const at = <usize>i * F;
    turns += wrapped(load<f64>(phase + at) - load<f64>(phase + at - F));
    store<f64>(out + at, turns);
  }
}

/**
 * For each of `blocks` of `size` samples, four f64 at `out`: sums of amplitude (f32) and of its square, of
 * the wrapped step of the phase and of its square. The first step of all is 0, unless `before` says that a
 * sample stands before it.
 */
export function blockSums(
  amplitude: usize,
  phase: usize,
  size: i32,
  blocks: i32,
  out: usize,
  before: i32,
): void {
  for (let b = 0; b < blocks; b++) {
    let sum: f64 = 0;
    let square: f64 = 0;
    let turn: f64 = 0;
    let turnSquare: f64 = 0;
    for (let i = b * size; i < (b + 1) * size; i++) {
      const a = <f64>load<f32>(amplitude + ((<usize>i) << 2));
      sum += a;
      square += a * a;
      if (i + before > 0) {
        const at = phase + <usize>i * F;
        const step = wrapped(load<f64>(at) - load<f64>(at - F));
        turn += step;
        turnSquare += step * step;
      }
    }
    const to = out + <usize>b * 32;
    store<f64>(to, sum);
    store<f64>(to, square, 8);
    store<f64>(to, turn, 16);
    store<f64>(to, turnSquare, 24);
  }
}

/** How many of `amplitude` (f32) lie under half or over twice the level (f64) of their block of `size`. */
export function countOdd(amplitude: usize, count: i32, levels: usize, size: i32, blocks: i32): i32 {
  let odd = 0;
  for (let i = 0; i < count; i++) {
    const level = load<f64>(levels + ((<usize>min(blocks - 1, i / size)) << 3));
    const a = <f64>load<f32>(amplitude + ((<usize>i) << 2));
    if (!(a >= 0.5 * level && a <= 2 * level)) odd++;
  }
  return odd;
}

/** Hann window of `count`: 0.5 - 0.5 cos(w (n + 0.5)), given the cosines and sines of w / 2 and of w. */
export function hann(count: i32, cosP: f64, sinP: f64, cosW: f64, sinW: f64, out: usize): void {
  let c = cosP;
  let s = sinP;
  for (let n = 0; n < count; n++) {
    store<f64>(out + <usize>n * F, 0.5 - 0.5 * c);
    const next = c * cosW - s * sinW;
    s = c * sinW + s * cosW;
    c = next;
  }
}

/** out[n] = scale (values[n + 1] - values[n]) for n below `count`; the sum of their squares. */
export function differences(values: usize, count: i32, scale: f64, out: usize): f64 {
  let square: f64 = 0;
  for (let n = 0; n < count; n++) {
    const at = values + <usize>n * F;
    const step = scale * (load<f64>(at, 8) - load<f64>(at));
    square += step * step;
    store<f64>(out + <usize>n * F, step);
  }
  return square;
}
