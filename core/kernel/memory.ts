/** Memory, and what all loops share. Pointers are bytes; nothing here allocates. */

/** First byte that is free. */
export const base: usize = __heap_base;

/** Eight bytes an f64. */
export const F: usize = 8;

// @ts-ignore: a decorator of the compiler
@inline
export function pairSum(x: v128): f64 {
  return f64x2.extract_lane(x, 0) + f64x2.extract_lane(x, 1);
}

/** Sum of a[n] b[n]. */
export function dot(a: usize, b: usize, count: i32): f64 {
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
