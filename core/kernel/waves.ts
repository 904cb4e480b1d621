/** Waves added, turned, sized; 16-bit words decoded. */
import { F } from './memory';

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
