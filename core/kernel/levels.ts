/** Levels of frames, phases without jumps, windows. */
import { F } from './memory';

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
