/** Linear-phase filtering and decimation in one pass. */

/**
 * A symmetric filter of odd length as a decimator: out[m] is the filter's sum about data[centre + m factor].
 * `taps` run from the middle outwards. Four sums at a time, so that they need not wait for each other.
 */
export function symmetricSums(
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
