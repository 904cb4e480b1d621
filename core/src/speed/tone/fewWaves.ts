/** What a curve, or a wave of few cycles, may have done to the mean of a short stretch. */
import { fromLimits, type UncertaintyPart } from '../../quantity/index.js';
import { say } from '../../words/index.js';
import { derivative } from './display.js';
import type { PhaseTrack } from './phase.js';
import { durationS, fitTrend, legendre, type TrendFit } from './trend.js';
import { FEW_CYCLES, FEW_SAMPLES_ORDER, LEAST_SHIFT_PERCENT, ORDER_PART, SWING_LOOKS, WAVES_TOLD } from './defaults.js';

/**
 * A sine of peak p over n cycles shifts the mean by p / (π n) at most. A line of few cycles counts as one that was missed;
 * the curve as the slowest usual wow, with p as far as it swings. `scale` is the mean over the nominal. Nothing where
 * nothing swings.
 */
export function fewWaves(
  track: PhaseTrack,
  { curve, lines }: TrendFit,
  meanHz: number,
  slowestHz: number,
  scale: number,
): UncertaintyPart[] {
  const length = durationS(track);
  const shift = (peakHz: number, hz: number) => peakHz * Math.min(1, 1 / (Math.PI * hz * length));
  const few = lines.filter(({ hz }) => hz * length < WAVES_TOLD);
  const shiftHz = few.reduce(
    (sum, { hz, cos, sin }) => sum + shift(hz * Math.hypot(cos, sin), hz),
    shift(swingHz(slowCurve(track, curve, lines), length), slowestHz),
  );
  const limit = (100 * scale * shiftHz) / meanHz;
  if (limit < LEAST_SHIFT_PERCENT) return [];
  const why = say`a slow change, or wow of few cycles, which shifts the mean`;
  return [{ name: 'wander', standardPercent: fromLimits(limit), why }];
}

/** The curve; where there are too few samples to tell one from a wave, the one that would follow them. */
function slowCurve(track: PhaseTrack, curve: Float64Array, lines: TrendFit['lines']): Float64Array {
  const order = Math.min(FEW_SAMPLES_ORDER, Math.floor(track.phase.length / ORDER_PART));
  if (track.phase.length >= FEW_CYCLES.samples || curve.length > order) return curve;
  const hz = lines.map((line) => line.hz);
  return fitTrend(track, order, hz).curve;
}

/** Half of how far the curve's frequency goes up and down over a stretch of so many seconds, Hz. */
function swingHz(curve: Float64Array, lengthS: number): number {
  const slope = derivative(curve);
  const basis = new Float64Array(slope.length);
  let [low, high] = [Infinity, -Infinity];
  for (let i = 0; i <= SWING_LOOKS; i++) {
    legendre((2 * i) / SWING_LOOKS - 1, basis, slope.length - 1);
    const hz = slope.reduce((sum, one, k) => sum + one * (basis[k] as number), 0) / (Math.PI * lengthS);
    [low, high] = [Math.min(low, hz), Math.max(high, hz)];
  }
  return (high - low) / 2;
}
