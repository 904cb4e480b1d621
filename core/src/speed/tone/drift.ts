/** Drift: the steady speed's last tenth less its first tenth, the periodic lines fitted out. */
import { solveNormal } from '../../numeric/index.js';
import type { PhaseTrack } from './phase.js';
import { legendre, type TrendFit } from './trend.js';

/** Drift in percent of the mean: a tone rising 1 % over its length drifts +0.9 %. */
export function driftPercent(track: PhaseTrack, fit: TrendFit, meanHz: number): number {
  const tenth = Math.floor(track.phase.length / 10);
  if (tenth < 6) return 0;
  const first = meanStep(track, fit, 0, tenth);
  const last = meanStep(track, fit, track.phase.length - tenth, track.phase.length);
  if (first === null || last === null) return 0;
  return (100 * (last - first) * track.rate) / (2 * Math.PI * meanHz);
}

/** Curve plus residual, that is the phase without its lines, radians; samples `from` to `to`. */
function slowPhase(track: PhaseTrack, fit: TrendFit, from: number, to: number): Float64Array {
  const order = fit.curve.length - 1;
  const basis = new Float64Array(order + 1);
  const last = track.phase.length - 1;
  const out = fit.residual.slice(from, to);
  for (let i = 0; i < out.length; i++) {
    legendre((2 * (from + i)) / last - 1, basis, order);
    let value = out[i] as number;
    for (let k = 0; k <= order; k++) value += (fit.curve[k] as number) * (basis[k] as number);
    out[i] = value;
  }
  return out;
}

/** Mean phase step a sample over a stretch, from a quadratic fitted to it (robust against end noise). */
function meanStep(track: PhaseTrack, fit: TrendFit, from: number, to: number): number | null {
  const phase = slowPhase(track, fit, from, to);
  const matrix = new Float64Array(9);
  const rhs = new Float64Array(3);
  const row = new Float64Array(3);
  const span = to - from - 1;
  for (let n = from; n < to; n++) {
    if (!track.usable[n]) continue;
    legendre((2 * (n - from)) / span - 1, row, 2);
    for (let i = 0; i < 3; i++) {
      rhs[i] = (rhs[i] as number) + (row[i] as number) * (phase[n - from] as number);
      for (let j = 0; j < 3; j++)
        matrix[3 * i + j] = (matrix[3 * i + j] as number) + (row[i] as number) * (row[j] as number);
    }
  }
  const solved = solveNormal(matrix, rhs);
  return solved ? (2 * (solved.coefficients[1] as number)) / span : null;
}
