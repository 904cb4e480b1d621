/**
 * The flutter weighting of IEC 60386 / DIN 45507 / AES6-2008, from its table (recalled from memory):
 * decibels against frequency, interpolated on a logarithmic frequency axis by a smooth monotone
 * curve through every table point, so the error at each point is nil by construction.
 */

/** [Hz, dB] of the published table. */
const WEIGHTING_TABLE: readonly (readonly [number, number])[] = [
  [0.1, -48],
  [0.2, -30.6],
  [0.315, -19.7],
  [0.4, -15],
  [0.63, -8.4],
  [0.8, -6],
  [1, -4.2],
  [1.6, -1.8],
  [2, -0.9],
  [4, 0],
  [6.3, -0.9],
  [10, -2.1],
  [20, -5.9],
  [40, -10.4],
  [63, -14.2],
  [100, -17.3],
  [200, -23],
];

const X = WEIGHTING_TABLE.map(([hz]) => Math.log10(hz));
const Y = WEIGHTING_TABLE.map(([, db]) => db);
const SLOPES = monotoneSlopes(X, Y);

/** Weight in decibels at `hz`; beyond the table the end slopes go on. */
export function weightingDb(hz: number): number {
  const x = Math.log10(Math.max(hz, 1e-6));
  const last = X.length - 1;
  if (x <= (X[0] as number)) return (Y[0] as number) + (SLOPES[0] as number) * (x - (X[0] as number));
  if (x >= (X[last] as number)) return (Y[last] as number) + (SLOPES[last] as number) * (x - (X[last] as number));
  let i = 0;
  while (x > (X[i + 1] as number)) i++;
  return hermite(x, i);
}

/** Weight as an amplitude factor at `hz`: 1 at 4 Hz, 0.617 at 1 Hz; 0 at 0 Hz. */
export function weight(hz: number): number {
  return hz <= 0 ? 0 : 10 ** (weightingDb(hz) / 20);
}

function hermite(x: number, i: number): number {
  const x0 = X[i] as number;
  const h = (X[i + 1] as number) - x0;
  const t = (x - x0) / h;
  const t2 = t * t;
  const t3 = t2 * t;
  return (
    (2 * t3 - 3 * t2 + 1) * (Y[i] as number) +
    (t3 - 2 * t2 + t) * h * (SLOPES[i] as number) +
    (3 * t2 - 2 * t3) * (Y[i + 1] as number) +
    (t3 - t2) * h * (SLOPES[i + 1] as number)
  );
}

/**
 * Slopes that keep the curve from overshooting between points: the harmonic mean of the neighbouring secants, nought
 * where they turn (Fritsch & Butland 1984, from memory).
 */
function monotoneSlopes(x: readonly number[], y: readonly number[]): number[] {
  const secants = x.slice(1).map((right, i) => ((y[i + 1] as number) - (y[i] as number)) / (right - (x[i] as number)));
  return x.map((_, i) => {
    const before = secants[i - 1];
    const after = secants[i];
    if (before === undefined) return after as number;
    if (after === undefined) return before;
    if (before * after <= 0) return 0;
    return (2 * before * after) / (before + after);
  });
}
