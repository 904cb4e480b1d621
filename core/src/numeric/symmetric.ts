/** Linear-phase filtering and decimation in one pass. */
import { workspace } from './kernel/workspace.js';

/** Below this many products the compiled loops are not worth the copying. */
const WORTH_IT = 4096;
/** Outputs made at a time: what is copied stays in the cache. */
const AT_A_TIME = 8192;

/**
 * A symmetric filter of odd length as a decimator: out[m] is the filter's sum about data[centre + m factor].
 * `taps` run from the middle outwards.
 */
export function symmetricSums(
  data: Float64Array,
  taps: Float64Array,
  centre: number,
  factor: number,
  out: Float64Array,
): void {
  const half = taps.length - 1;
  const compiled = out.length * half > WORTH_IT ? workspace() : null;
  if (!compiled) return plainSymmetricSums(data, taps, centre, factor, out);
  const row = oneRow(half, (i) => taps[Math.abs(i)] as number);
  for (let from = 0; from < out.length; from += AT_A_TIME) {
    const count = Math.min(AT_A_TIME, out.length - from);
    compiled.clear();
    const tapsAt = compiled.put(row);
    const dataAt = compiled.put(reach(data, centre + from * factor, half, factor, count));
    const outAt = compiled.space(8 * count);
    compiled.calls.filterSums(dataAt, tapsAt, 2 * half + 2, factor, count, outAt, 1);
    out.set(compiled.values(outAt, count), from);
  }
}

/** A real filter of odd length with complex taps whose real part is even and whose imaginary part odd. */
export interface MixingTaps {
  /** From the middle outwards: h[i] and h[-i] have `even[i]` as real part, -+`odd[i]` as imaginary part. */
  readonly even: Float64Array;
  readonly odd: Float64Array;
}

/** As {@link symmetricSums} with complex taps: sums about data[centre + m factor] for m below `count`. */
export function mixingSums(
  data: Float64Array,
  { even, odd }: MixingTaps,
  centre: number,
  factor: number,
  count: number,
  re: Float64Array,
  im: Float64Array,
): void {
  const half = even.length - 1;
  const compiled = count * half > WORTH_IT ? workspace() : null;
  if (!compiled) return plainMixingSums(data, { even, odd }, centre, factor, count, re, im);
  const evenAt = compiled.put(oneRow(half, (i) => even[Math.abs(i)] as number));
  const oddAt = compiled.put(oneRow(half, (i) => -Math.sign(i) * (odd[Math.abs(i)] as number)));
  const dataAt = compiled.put(reach(data, centre, half, factor, count));
  const [reAt, imAt] = [compiled.space(8 * count), compiled.space(8 * count)];
  compiled.calls.mixSums(dataAt, evenAt, oddAt, 2 * half + 2, factor, count, reAt, imAt);
  re.set(compiled.values(reAt, count));
  im.set(compiled.values(imAt, count));
}

/** Taps -half..half in a row, one zero behind them to make the count even. */
function oneRow(half: number, tap: (i: number) => number): Float64Array {
  const row = new Float64Array(2 * half + 2);
  for (let i = -half; i <= half; i++) row[half + i] = tap(i);
  return row;
}

/** The data that `count` outputs touch; the zero tap may read one past the end, which must be a number. */
const reach = (data: Float64Array, centre: number, half: number, factor: number, count: number): Float64Array => {
  const [from, to] = [centre - half, centre + (count - 1) * factor + half + 2];
  if (to <= data.length) return data.subarray(from, to);
  const padded = new Float64Array(to - from);
  padded.set(data.subarray(from));
  return padded;
};

/** The reference for {@link symmetricSums}: four sums at a time, so that they need not wait for each other. */
export function plainSymmetricSums(
  data: Float64Array,
  taps: Float64Array,
  centre: number,
  factor: number,
  out: Float64Array,
): void {
  const half = taps.length - 1;
  const middle = taps[0] as number;
  const last = centre + (out.length - 1) * factor;
  // The last group ends at the last output. With fewer than four, what is written past them is not used.
  for (let group = 0; group < out.length; group += 4) {
    const m = Math.max(0, Math.min(group, out.length - 4));
    const a = centre + m * factor;
    const b = Math.min(a + factor, last);
    const c = Math.min(b + factor, last);
    const d = Math.min(c + factor, last);
    let sumA = middle * (data[a] as number);
    let sumB = middle * (data[b] as number);
    let sumC = middle * (data[c] as number);
    let sumD = middle * (data[d] as number);
    for (let i = 1; i <= half; i++) {
      const tap = taps[i] as number;
      sumA += tap * ((data[a - i] as number) + (data[a + i] as number));
      sumB += tap * ((data[b - i] as number) + (data[b + i] as number));
      sumC += tap * ((data[c - i] as number) + (data[c + i] as number));
      sumD += tap * ((data[d - i] as number) + (data[d + i] as number));
    }
    out[m] = sumA;
    out[m + 1] = sumB;
    out[m + 2] = sumC;
    out[m + 3] = sumD;
  }
}

/** The reference for {@link mixingSums}. */
export function plainMixingSums(
  data: Float64Array,
  { even, odd }: MixingTaps,
  centre: number,
  factor: number,
  count: number,
  re: Float64Array,
  im: Float64Array,
): void {
  const half = even.length - 1;
  for (let m = 0; m < count; m++) {
    const at = centre + m * factor;
    let x = (even[0] as number) * (data[at] as number);
    let y = 0;
    for (let i = 1; i <= half; i++) {
      const before = data[at - i] as number;
      const after = data[at + i] as number;
      x += (even[i] as number) * (before + after);
      y += (odd[i] as number) * (before - after);
    }
    re[m] = x;
    im[m] = y;
  }
}
