/** The likeliest course of the speed through a row of frames, and how other combs do along it. */
import { SOUND_DEFAULTS as D } from './defaults.js';

/** Grid index for each frame: most evidence in all, less a cost for every step of change (Viterbi 1967). */
export function bestPath(evidence: readonly Float32Array[]): Int32Array {
  const frames = evidence.length;
  const size = evidence[0]?.length ?? 0;
  const from: Int16Array[] = [];
  let score = Float64Array.from(evidence[0] ?? []);
  for (let t = 1; t < frames; t++) {
    const row = evidence[t] as Float32Array;
    const next = new Float64Array(size);
    const back = new Int16Array(size);
    for (let g = 0; g < size; g++) {
      let best = -Infinity;
      let step = 0;
      const low = Math.max(-D.reach, -g);
      const high = Math.min(D.reach, size - 1 - g);
      for (let d = low; d <= high; d++) {
        const value = (score[g + d] as number) - D.stepCost * Math.abs(d);
        if (value > best) [best, step] = [value, d];
      }
      next[g] = best + (row[g] as number);
      back[g] = step;
    }
    from.push(back);
    score = next;
  }
  const path = new Int32Array(frames);
  let at = score.indexOf(Math.max(...score));
  for (let t = frames - 1; t >= 0; t--) {
    path[t] = at;
    if (t > 0) at += (from[t - 1] as Int16Array)[at] as number;
  }
  return path;
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
