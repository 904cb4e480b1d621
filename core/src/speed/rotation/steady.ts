/** Where a speed holds: spin-up, changes of the selected speed and pauses split a log into stretches. */
import { median } from '../../numeric/index.js';
import { INNER_PART, JOINED, MOVING_PART, STILL_PART, TOP_SPEED, TRIM_PART, UNREST } from './defaults.js';

/** Sample range of a stretch, end exclusive, and the size of its speed (any unit). */
export interface Steady {
  readonly from: number;
  readonly to: number;
  readonly level: number;
}

/** Running median of five, so that a single lost or doubled pulse is no move. */
export function medianOfFive(values: Float64Array): Float64Array {
  return values.map((_, i) => median(values.subarray(Math.max(0, i - 2), i + 3)));
}

/** Mean of `values` over times, by windows. */
function windowMeans(timeS: Float64Array, values: Float64Array, windowS: number) {
  const sums = new Float64Array(values.length + 1);
  for (let i = 0; i < values.length; i++) sums[i + 1] = (sums[i] as number) + (values[i] as number);
  const mean = (from: number, to: number) => ((sums[to] as number) - (sums[from] as number)) / Math.max(1, to - from);
  const before = new Float64Array(values.length);
  const after = new Float64Array(values.length);
  let left = 0;
  let right = 0;
  for (let i = 0; i < values.length; i++) {
    const t = timeS[i] as number;
    while ((timeS[left] as number) < t - windowS) left++;
    while (right < values.length && (timeS[right] as number) <= t + windowS) right++;
    before[i] = mean(left, i + 1);
    after[i] = mean(i, right);
  }
  return { before, after };
}

/**
 * Stretches of `values` (sizes of the speed at rising `timeS`) that hold one level for at least
 * `leastS`; samples are compared by means over `windowS`.
 */
export function steadyStretches(
  timeS: Float64Array,
  values: Float64Array,
  { windowS, leastS }: { readonly windowS: number; readonly leastS: number },
): Steady[] {
  if (values.length < 2) return [];
  const { before, after } = windowMeans(timeS, values, windowS);
  const top = sortedQuantile(values, TOP_SPEED);
  const moves = (i: number) => {
    const [a, b] = [before[i] as number, after[i] as number];
    return Math.max(a, b) < STILL_PART * top || Math.abs(a - b) > MOVING_PART * Math.max(a, b);
  };
  const out: Steady[] = [];
  for (let i = 0; i < values.length;) {
    if (moves(i)) {
      i++;
      continue;
    }
    let to = i;
    while (to < values.length && !moves(to)) to++;
    const found = trimmed(values, after, before, { from: i, to });
    if (found.to - found.from >= 3 && (timeS[found.to - 1] as number) - (timeS[found.from] as number) >= leastS)
      out.push(found);
    i = to;
  }
  return joined(out);
}

function trimmed(
  values: Float64Array,
  after: Float64Array,
  before: Float64Array,
  range: { readonly from: number; readonly to: number },
): Steady {
  let { from, to } = range;
  const inner = (a: number, b: number) => {
    const margin = Math.floor((b - a) / INNER_PART);
    return sortedQuantile(values.subarray(a + margin, Math.max(a + margin + 1, b - margin)), 0.5);
  };
  const level = inner(from, to);
  const quarter = Math.floor((to - from) / INNER_PART);
  const unrest = sortedQuantile(
    after.subarray(from + quarter, Math.max(from + quarter + 1, to - quarter)).map((value) => Math.abs(value - level)),
    UNREST.share,
  );
  const off = (value: number) => Math.abs(value - level) > Math.max(TRIM_PART * level, UNREST.times * unrest);
  if (from > 0) while (from < to - 3 && off(after[from] as number)) from++;
  if (to < values.length) while (to > from + 3 && off(before[to - 1] as number)) to--;
  return { from, to, level: inner(from, to) };
}

/** Neighbours of one level with nothing but a short move between them are one. */
function joined(found: readonly Steady[]): Steady[] {
  const out: Steady[] = [];
  for (const one of found) {
    const last = out[out.length - 1];
    const near =
      last &&
      Math.abs(one.level / last.level - 1) < JOINED.level &&
      one.from - last.to <= Math.max(JOINED.samples, JOINED.part * (one.to - last.from));
    if (near) out[out.length - 1] = { from: last.from, to: one.to, level: (one.level + last.level) / 2 };
    else out.push(one);
  }
  return out;
}

function sortedQuantile(values: Float64Array, part: number): number {
  const stride = Math.max(1, Math.floor(values.length / 20000));
  const picked: number[] = [];
  for (let i = 0; i < values.length; i += stride) picked.push(values[i] as number);
  picked.sort((a, b) => a - b);
  return picked[Math.min(picked.length - 1, Math.floor(part * picked.length))] as number;
}
