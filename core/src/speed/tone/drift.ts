/** Drift: the steady speed's last tenth less its first tenth, the periodic lines fitted out. */
import { solveNormal } from '../../numeric/index.js';
import { normalSums, takeOff } from './basis.js';
import type { PhaseTrack } from './phase.js';
import type { TrendFit } from './trend.js';
import { DRIFT_SAMPLES } from './defaults.js';

/** Drift in percent of the mean: a tone rising 1 % over its length drifts +0.9 %. */
export function driftPercent(track: PhaseTrack, fit: TrendFit, meanHz: number): number {
  const tenth = Math.floor(track.phase.length / 10);
  if (tenth < DRIFT_SAMPLES) return 0;
  const slow = slowPhase(track, fit);
  const first = meanStep(part(slow, 0, tenth));
  const last = meanStep(part(slow, slow.phase.length - tenth, slow.phase.length));
  if (first === null || last === null) return 0;
  return (100 * (last - first) * track.rate) / (2 * Math.PI * meanHz);
}

/** Curve plus residual, that is the phase without its lines. */
function slowPhase(track: PhaseTrack, fit: TrendFit): PhaseTrack {
  const phase = fit.residual.slice();
  takeOff(
    phase,
    fit.curve.map((coefficient) => -coefficient),
    { track, order: fit.curve.length - 1, lineHz: [] },
  );
  return { ...track, phase };
}

const part = (track: PhaseTrack, from: number, to: number): PhaseTrack => ({
  ...track,
  phase: track.phase.subarray(from, to),
  usable: track.usable.subarray(from, to),
});

/** Mean phase step a sample over a stretch, from a quadratic fitted to it (robust against end noise). */
function meanStep(track: PhaseTrack): number | null {
  const { matrix, rhs } = normalSums({ track, order: 2, lineHz: [] }, 2);
  for (let i = 0; i < 3; i++) for (let j = 0; j < i; j++) matrix[3 * j + i] = matrix[3 * i + j] as number;
  const solved = solveNormal(matrix, rhs);
  return solved ? (2 * (solved.coefficients[1] as number)) / (track.phase.length - 1) : null;
}
