/** A-weighting (IEC 61672-1, the poles from memory) and the midbands of octaves (IEC 61260, base ten). */

const POLES = [20.598997, 107.65265, 737.86223, 12194.217] as const;

function response(hz: number): number {
  const square = hz * hz;
  const [a, b, c, d] = POLES.map((pole) => pole * pole) as [number, number, number, number];
  return (d * square * square) / ((square + a) * Math.sqrt((square + b) * (square + c)) * (square + d));
}

const AT_1K = response(1000);

/** A-weighting of a frequency in decibels, 0 at 1 kHz; minus infinity at 0 Hz. */
export const aWeightDb = (hz: number): number => (hz <= 0 ? -Infinity : 20 * Math.log10(response(hz) / AT_1K));

/** Octaves that are told apart: their names and exact midbands 1000 x 10^(3 n / 10), hertz. */
export const OCTAVES = [-5, -4, -3, -2, -1, 0, 1, 2, 3].map((n) => ({
  name: [31.5, 63, 125, 250, 500, 1000, 2000, 4000, 8000][n + 5] as number,
  mid: 1000 * 10 ** ((3 * n) / 10),
}));

/** Edges of an octave from its midband: 10^(3/20) below and above. */
export const octaveEdges = (mid: number): readonly [number, number] => [mid / 10 ** 0.15, mid * 10 ** 0.15];
