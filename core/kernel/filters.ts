/** Filters: taps in natural order, padded with zeros to an even count; they read that many samples from each output's first. */
import { F, dot, pairSum } from './memory';

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
