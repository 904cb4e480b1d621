/** The likeliest course of the speed through a row of frames, and how other combs do along it. */
import { workspace, type Workspace } from '../../numeric/index.js';
import { SOUND_DEFAULTS as D } from './defaults.js';

/** Grid index for each frame: most evidence in all, less a cost for every step of change (Viterbi 1967). */
export function bestPath(evidence: readonly Float32Array[]): Int32Array {
  const frames = evidence.length;
  const size = evidence[0]?.length ?? 0;
  const from: Int16Array[] = [];
  const step = compiledStep(size) ?? plainStep(size);
  let score = Float64Array.from(evidence[0] ?? []);
  for (let t = 1; t < frames; t++) {
    const { next, back } = step(score, evidence[t] as Float32Array);
    from.push(back);
    score = next;
  }
  const path = new Int32Array(frames);
  let at = score.reduce((best, value, g) => (value > (score[best] as number) ? g : best), 0);
  for (let t = frames - 1; t >= 0; t--) {
    path[t] = at;
    if (t > 0) at += (from[t - 1] as Int16Array)[at] as number;
  }
  return path;
}

/** Scores after one more frame, and for each the way back to where it came from. */
type Step = (score: Float64Array, row: Float32Array) => { next: Float64Array<ArrayBuffer>; back: Int16Array };

function compiledStep(size: number): Step | null {
  if (!workspace()) return null;
  return (score, row) => {
    const w = workspace() as Workspace;
    const [scoreAt, rowAt] = [w.put(score), w.put(row)];
    const [queueAt, leftAt, rightAt] = [w.space(4 * size), w.space(4 * size), w.space(4 * size)];
    const [left, right, nextAt] = [w.space(8 * size), w.space(8 * size), w.space(8 * size)];
    const backAt = w.space(2 * size);
    w.calls.slideBest(scoreAt, size, 1, D.reach, D.stepCost, queueAt, left, leftAt);
    w.calls.slideBest(scoreAt, size, -1, D.reach, D.stepCost, queueAt, right, rightAt);
    w.calls.joinSides(size, left, leftAt, right, rightAt, rowAt, nextAt, backAt);
    return { next: w.values(nextAt, size).slice(), back: w.shorts(backAt, size).slice() };
  };
}

function plainStep(size: number): Step {
  const left = slidingBest(size);
  const right = slidingBest(size);
  return (score, row) => {
    const next = new Float64Array(size);
    const back = new Int16Array(size);
    left.run(score, 1);
    right.run(score, -1);
    for (let g = 0; g < size; g++) {
      const low = left.value[g] as number;
      const high = right.value[g] as number;
      next[g] = (low >= high ? low : high) + (row[g] as number);
      back[g] = ((low >= high ? left.at[g] : right.at[g]) as number) - g;
    }
    return { next, back };
  };
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

/** Another reading of the same sound, with its odds. */
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
  const apart = Math.round(D.rivalPart / D.gridStep);
  const ordered = [...values].sort((a, b) => b[1] - a[1]);
  for (const [offset, evidence] of ordered) {
    if (found.length >= D.mostRivals) break;
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
