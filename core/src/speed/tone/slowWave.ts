/** A wave of few cycles in a short track: looked for by itself, before it is taken for a curve. */
import { CURVE_BLOCKS, FEW_CYCLES, ORDER_PART, TONE_DEFAULTS as D } from './defaults.js';
import type { PhaseTrack } from './phase.js';
import { durationS, fitTrend, type TrendFit } from './trend.js';

/** Slowest wave that is called a line in so long a track, Hz. */
export const lowestHz = (track: PhaseTrack): number => Math.max(D.lowestLineHz, D.lineCycles / durationS(track));

/**
 * The single wave beside a curve of this order that leaves least, Hz: in steps too fine to miss it, then in finer ones about
 * it. Null where one of less than two cycles does: what wanders is no wave.
 */
export function slowestWave(track: PhaseTrack, order: number): number | null {
  const means = blockMeans(track, track.phase, Math.max(1, Math.floor(track.phase.length / CURVE_BLOCKS)));
  const duration = durationS(track);
  const [lowest, highest] = [lowestHz(track), FEW_CYCLES.most / duration];
  // What is mostly holes says nothing of a wave.
  if (means.usable.reduce((sum, flag) => sum + flag, 0) < ORDER_PART * (order + 3)) return null;
  let best = { hz: lowest, rest: Infinity };
  for (const step of [FEW_CYCLES.step / duration, FEW_CYCLES.fine / duration]) {
    const [from, to] =
      best.rest === Infinity
        ? [lowest, highest]
        : [best.hz - FEW_CYCLES.step / duration, best.hz + FEW_CYCLES.step / duration];
    for (let hz = Math.max(lowest, from); hz < to; hz += step) {
      const rest = squaresOf(fitTrend(means, order, [hz]).residual);
      if (rest < best.rest) best = { hz, rest };
    }
  }
  return best.hz * duration >= FEW_CYCLES.least ? best.hz : null;
}

/** Is the fit's first wave no higher than what the phase swings about a straight line? A curve against it would not be seen. */
export function isSeen(track: PhaseTrack, fit: TrendFit): boolean {
  const [wave] = fit.lines;
  const swing = fitTrend(track, 1, []).residual.reduce(
    ({ low, high }, value) => ({ low: Math.min(low, value), high: Math.max(high, value) }),
    { low: 0, high: 0 },
  );
  return wave !== undefined && Math.hypot(wave.cos, wave.sin) <= FEW_CYCLES.ofSwing * (swing.high - swing.low);
}

const squaresOf = (values: Float64Array): number => values.reduce((sum, value) => sum + value * value, 0);

/** What a fit leaves, and what it takes to say it: the criterion of Schwarz (1978; from memory). Less is better. */
export function worthOf({ usable }: PhaseTrack, { residual, curve, lines }: TrendFit): number {
  const used = usable.reduce((sum, flag) => sum + flag, 0);
  return used * Math.log(squaresOf(residual) + 1e-300) + (curve.length + 3 * lines.length) * Math.log(used);
}

/** Means of blocks of `size` samples of a residual, as a track of its own. */
export function blockMeans(track: PhaseTrack, residual: Float64Array, size: number): PhaseTrack {
  const count = Math.floor(residual.length / size);
  const phase = new Float64Array(count);
  const usable = new Uint8Array(count);
  for (let b = 0; b < count; b++) {
    let sum = 0;
    let used = 0;
    for (let n = b * size; n < (b + 1) * size; n++) {
      if (!track.usable[n]) continue;
      sum += residual[n] as number;
      used++;
    }
    phase[b] = used > 0 ? sum / used : 0;
    usable[b] = used > size / 2 ? 1 : 0;
  }
  return { ...track, rate: track.rate / size, phase, usable };
}
