/** Symmetric positive definite systems: the normal equations of a least-squares fit. */
import { CoreError } from '../errors.js';

/** A solved fit: the coefficients and the inverse of the normal matrix (covariance for unit noise). */
export interface NormalSolution {
  readonly coefficients: Float64Array;
  readonly inverse: Float64Array;
}

/**
 * Solves A x = b for symmetric positive definite A (row major, n x n) by Cholesky with column
 * scaling. Returns null when A is singular to working precision: the model has a column too many.
 * @throws CoreError BAD_SHAPE when sizes disagree.
 */
export function solveNormal(matrix: Float64Array, rhs: Float64Array): NormalSolution | null {
  const n = rhs.length;
  if (matrix.length !== n * n) throw new CoreError('BAD_SHAPE', 'matrix and right side disagree', { n });
  const scale = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    const diagonal = matrix[i * n + i] as number;
    if (!(diagonal > 0)) return null;
    scale[i] = 1 / Math.sqrt(diagonal);
  }
  const lower = cholesky(matrix, scale, n);
  if (!lower) return null;
  const inverse = invertLowerSquare(lower, n);
  const coefficients = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    let sum = 0;
    for (let j = 0; j < n; j++) {
      const value = (inverse[i * n + j] as number) * (scale[i] as number) * (scale[j] as number);
      inverse[i * n + j] = value;
      sum += value * (rhs[j] as number);
    }
    coefficients[i] = sum;
  }
  return { coefficients, inverse };
}

function cholesky(matrix: Float64Array, scale: Float64Array, n: number): Float64Array | null {
  const lower = new Float64Array(n * n);
  for (let i = 0; i < n; i++) {
    for (let j = 0; j <= i; j++) {
      let sum = (matrix[i * n + j] as number) * (scale[i] as number) * (scale[j] as number);
      for (let k = 0; k < j; k++) sum -= (lower[i * n + k] as number) * (lower[j * n + k] as number);
      if (i === j) {
        if (sum < 1e-11) return null;
        lower[i * n + i] = Math.sqrt(sum);
      } else {
        lower[i * n + j] = sum / (lower[j * n + j] as number);
      }
    }
  }
  return lower;
}

/** (L L^T)^-1 from L. */
function invertLowerSquare(lower: Float64Array, n: number): Float64Array {
  const inv = new Float64Array(n * n);
  for (let column = 0; column < n; column++) {
    for (let i = column; i < n; i++) {
      let sum = i === column ? 1 : 0;
      for (let k = column; k < i; k++) sum -= (lower[i * n + k] as number) * (inv[k * n + column] as number);
      inv[i * n + column] = sum / (lower[i * n + i] as number);
    }
  }
  const out = new Float64Array(n * n);
  for (let i = 0; i < n; i++) {
    for (let j = 0; j <= i; j++) {
      let sum = 0;
      for (let k = i; k < n; k++) sum += (inv[k * n + i] as number) * (inv[k * n + j] as number);
      out[i * n + j] = sum;
      out[j * n + i] = sum;
    }
  }
  return out;
}
