/**
 * The columns of the joint fit, made in blocks: Legendre polynomials over the whole track and a cosine
 * and sine for each line. Blocks keep the loops short and the columns next to each other in memory.
 */
import type { PhaseTrack } from './phase.js';

export const BLOCK = 512;

/** Columns of samples `start`..`start + count`, column c at c * BLOCK; rows that are not usable are 0. */
export interface BasisBlock {
  readonly start: number;
  readonly count: number;
  readonly columns: Float64Array;
}

/** Number of columns for a curve order and a number of lines. */
export const columnCount = (order: number, lines: number): number => order + 1 + 2 * lines;

/** Hands every block of the track to `use`; the columns' memory is used again for the next. */
export function eachBlock(
  track: PhaseTrack,
  order: number,
  lineHz: readonly number[],
  use: (block: BasisBlock) => void,
): void {
  const total = track.phase.length;
  const columns = new Float64Array(columnCount(order, lineHz.length) * BLOCK);
  for (let start = 0; start < total; start += BLOCK) {
    const count = Math.min(BLOCK, total - start);
    legendreColumns(columns, order, start, count, total - 1);
    lineHz.forEach((hz, i) => waveColumns(columns, order + 1 + 2 * i, (2 * Math.PI * hz) / track.rate, start, count));
    blankUnusable(columns, track.usable, start, count);
    use({ start, count, columns });
  }
}

function legendreColumns(columns: Float64Array, order: number, start: number, count: number, last: number): void {
  const scale = 2 / last;
  for (let i = 0; i < count; i++) {
    columns[i] = 1;
    if (order > 0) columns[BLOCK + i] = (start + i) * scale - 1;
  }
  for (let k = 2; k <= order; k++) {
    const at = k * BLOCK;
    const a = (2 * k - 1) / k;
    const b = (k - 1) / k;
    for (let i = 0; i < count; i++) {
      const x = columns[BLOCK + i] as number;
      columns[at + i] = a * x * (columns[at - BLOCK + i] as number) - b * (columns[at - 2 * BLOCK + i] as number);
    }
  }
}

/** Cosine and sine by rotation, set right at each block's start. */
function waveColumns(columns: Float64Array, column: number, step: number, start: number, count: number): void {
  const cosAt = column * BLOCK;
  const sinAt = cosAt + BLOCK;
  let c = Math.cos(step * start);
  let s = Math.sin(step * start);
  const dc = Math.cos(step);
  const ds = Math.sin(step);
  for (let i = 0; i < count; i++) {
    columns[cosAt + i] = c;
    columns[sinAt + i] = s;
    const next = c * dc - s * ds;
    s = c * ds + s * dc;
    c = next;
  }
}

function blankUnusable(columns: Float64Array, usable: Uint8Array, start: number, count: number): void {
  for (let i = 0; i < count; i++) {
    if (usable[start + i]) continue;
    for (let at = i; at < columns.length; at += BLOCK) columns[at] = 0;
  }
}
