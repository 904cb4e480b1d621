/** Steps of a line's frequency; the comb of a motor and the best way through its frames. */
import { F } from './memory';

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
