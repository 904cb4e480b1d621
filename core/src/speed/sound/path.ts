/** The likeliest course of the speed through a row of frames, and how other combs do along it. */
import { SOUND_DEFAULTS as D } from './defaults.js';

/** Grid index for each frame: most evidence in all, less a cost for every step of change (Viterbi 1967). */
export function bestPath(evidence: readonly Float32Array[]): Int32Array {
  const frames = evidence.length;
  const size = evidence[0]?.length ?? 0;
  const from: Int16Array[] = [];
  let score = Float64Array.from(evidence[0] ?? []);
  let next = new Float64Array(size);
  const left = slidingBest(size);
  const right = slidingBest(size);
  for (let t = 1; t < frames; t++) {
    const row = evidence[t] as Float32Array;
    const back = new Int16Array(size);
    left.run(score, 1);
    right.run(score, -1);
    for (let g = 0; g < size; g++) {
      const low = left.value[g] as number;
      const high = right.value[g] as number;
      next[g] = (low >= high ? low : high) + (row[g] as number);
      back[g] = ((low >= high ? left.at[g] : right.at[g]) as number) - g;
    }
    from.push(back);
    [score, next] = [next, score];
  }
  const path = new Int32Array(frames);
  let at = score.reduce((best, value, g) => (value > (score[best] as number) ? g : best), 0);
  for (let t = frames - 1; t >= 0; t--) {
    path[t] = at;
    if (t > 0) at += (from[t - 1] as Int16Array)[at] as number;
  }
  return path;
}

/**
 * Largest score within reach on one side, less the cost of the way: a queue of falling candidates, so
 * that each is looked at once however far the reach.
 */
function slidingBest(size: number) {
  const value = new Float64Array(size);
  const at = new Int32Array(size);
  const queue = new Int32Array(size);
  const run = (score: Float64Array, step: 1 | -1) => {
    let head = 0;
    let tail = 0;
    for (let i = 0; i < size; i++) {
      const g = step === 1 ? i : size - 1 - i;
      const own = score[g] as number;
      while (
        tail > head &&
        own >= (score[queue[tail - 1] as number] as number) - D.stepCost * Math.abs(g - (queue[tail - 1] as number))
      )
        tail--;
      queue[tail++] = g;
      while (Math.abs(g - (queue[head] as number)) > D.reach) head++;
      const best = queue[head] as number;
      value[g] = (score[best] as number) - D.stepCost * Math.abs(g - best);
      at[g] = best;
    }
  };
  return { value, at, run };
}

export interface PathRival {
  /** Grid steps from the path; 0 is the path itself. */
  readonly offset: number;
  /** Mean evidence a frame. */
  readonly evidence: number;
}

/** Combs that keep a fixed ratio to the path, best first: local maxima of the mean evidence, at least 3 % apart. */
export function rivals(
  stretches: readonly { readonly evidence: readonly Float32Array[]; readonly path: Int32Array }[],
  gridSize: number,
): PathRival[] {
  const found: PathRival[] = [];
  const mean = (offset: number) => meanAlong(stretches, offset, gridSize);
  const values = new Map<number, number>();
  for (let offset = -gridSize; offset <= gridSize; offset++) {
    const value = mean(offset);
    if (value !== null) values.set(offset, value);
  }
  const apart = Math.round(0.03 / D.gridStep);
  const ordered = [...values].sort((a, b) => b[1] - a[1]);
  for (const [offset, evidence] of ordered) {
    if (found.length >= 6) break;
    if (found.every((one) => Math.abs(one.offset - offset) > apart)) found.push({ offset, evidence });
  }
  return found;
}

function meanAlong(
  stretches: readonly { readonly evidence: readonly Float32Array[]; readonly path: Int32Array }[],
  offset: number,
  gridSize: number,
): number | null {
  let sum = 0;
  let count = 0;
  let total = 0;
  for (const { evidence, path } of stretches) {
    for (let t = 0; t < path.length; t++) {
      const at = (path[t] as number) + offset;
      total++;
      if (at < 0 || at >= gridSize) continue;
      sum += (evidence[t] as Float32Array)[at] as number;
      count++;
    }
  }
  return count > 0.8 * total && count > 0 ? sum / count : null;
}
