/** Least squares over blocks of columns: trend and lines. */
import { F, dot } from './memory';
import { addWave } from './waves';

/** Samples of a block of columns. */
const BLOCK: i32 = 512;

/**
 * Columns of samples start..start + count at `columns`, BLOCK apart: Legendre polynomials 0..order over
 * 0..last, then cosine and sine of each line. `waves` holds cosine and sine of the step for each line,
 * `phases` cosine and sine at the block's start. Rows that are not usable become 0.
 */
function fillColumns(
  columns: usize,
  order: i32,
  lines: i32,
  waves: usize,
  phases: usize,
  usable: usize,
  start: i32,
  count: i32,
  last: f64,
): void {
  const stride = <usize>BLOCK * F;
  const scale = 2 / last;
  for (let i = 0; i < count; i++) store<f64>(columns + <usize>i * F, 1);
  if (order > 0) {
    for (let i = 0; i < count; i++) store<f64>(columns + stride + <usize>i * F, <f64>(start + i) * scale - 1);
  }
  for (let k = 2; k <= order; k++) {
    const at = columns + <usize>k * stride;
    const a = f64x2.splat(<f64>(2 * k - 1) / <f64>k);
    const b = f64x2.splat(<f64>(k - 1) / <f64>k);
    for (let i: usize = 0; i < <usize>count * F; i += 16) {
      const x = v128.load(columns + stride + i);
      const p1 = v128.load(at - stride + i);
      const p2 = v128.load(at - 2 * stride + i);
      v128.store(at + i, f64x2.sub(f64x2.mul(f64x2.mul(a, x), p1), f64x2.mul(b, p2)));
    }
  }
  for (let l = 0; l < lines; l++) {
    const at = columns + <usize>(order + 1 + 2 * l) * stride;
    const table = <usize>l * 16;
    memory.fill(at, 0, 2 * stride);
    const cosP = load<f64>(phases + table);
    const sinP = load<f64>(phases + table, 8);
    const cosW = load<f64>(waves + table);
    const sinW = load<f64>(waves + table, 8);
    addWave(at, count, 1, 0, cosP, sinP, cosW, sinW);
    addWave(at + stride, count, 0, 1, cosP, sinP, cosW, sinW);
  }
  const total = <usize>(order + 1 + 2 * lines) * stride;
  for (let i = 0; i < count; i++) {
    if (load<u8>(usable + <usize>i)) continue;
    for (let at = <usize>i * F; at < total; at += stride) store<f64>(columns + at, 0);
  }
}

/**
 * Adds up the products of the columns of a fit over all blocks: those with columns 0..upTo into the
 * lower half of `matrix`, those with `phase` into `rhs`. `phases` holds a row of 2 lines for each block.
 */
export function normalSums(
  phase: usize,
  usable: usize,
  total: i32,
  order: i32,
  lines: i32,
  waves: usize,
  phases: usize,
  columns: usize,
  matrix: usize,
  rhs: usize,
  upTo: i32,
): void {
  const stride = <usize>BLOCK * F;
  const width = order + 1 + 2 * lines;
  for (let start = 0, block = 0; start < total; start += BLOCK, block++) {
    const count = min(BLOCK, total - start);
    const turned = phases + <usize>(block * lines) * 16;
    fillColumns(columns, order, lines, waves, turned, usable + <usize>start, start, count, <f64>(total - 1));
    for (let i = 0; i < width; i++) {
      const column = columns + <usize>i * stride;
      const right = rhs + <usize>i * F;
      store<f64>(right, load<f64>(right) + dot(column, phase + <usize>start * F, count));
      for (let j = 0; j <= min(i, upTo); j++) {
        const at = matrix + <usize>(i * width + j) * F;
        store<f64>(at, load<f64>(at) + dot(column, columns + <usize>j * stride, count));
      }
    }
  }
}

/** Takes coefficients times columns off `out`, block by block; rows that are not usable are left alone. */
export function takeOff(
  out: usize,
  usable: usize,
  total: i32,
  order: i32,
  lines: i32,
  waves: usize,
  phases: usize,
  columns: usize,
  coefficients: usize,
): void {
  const stride = <usize>BLOCK * F;
  const width = order + 1 + 2 * lines;
  for (let start = 0, block = 0; start < total; start += BLOCK, block++) {
    const count = min(BLOCK, total - start);
    const turned = phases + <usize>(block * lines) * 16;
    fillColumns(columns, order, lines, waves, turned, usable + <usize>start, start, count, <f64>(total - 1));
    const bytes = <usize>count * F;
    const row = out + <usize>start * F;
    for (let c = 0; c < width; c++) {
      const column = columns + <usize>c * stride;
      const k = f64x2.splat(load<f64>(coefficients + <usize>c * F));
      let i: usize = 0;
      for (; i + 16 <= bytes; i += 16) {
        v128.store(row + i, f64x2.sub(v128.load(row + i), f64x2.mul(k, v128.load(column + i))));
      }
      if (i < bytes) store<f64>(row + i, load<f64>(row + i) - f64x2.extract_lane(k, 0) * load<f64>(column + i));
    }
  }
}
