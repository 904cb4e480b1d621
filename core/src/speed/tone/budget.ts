/** What the uncertainty of a tone's mean speed is made of. */
import { fromLimits, type UncertaintyPart } from '../../quantity/index.js';
import { TONE_DEFAULTS as D } from './defaults.js';
import { slowNoise, wanderHz } from './lines.js';
import type { ToneOptions } from './options.js';
import type { PhaseTrack } from './phase.js';
import type { TrendFit } from './trend.js';
import { say } from '../../words/index.js';
import { fewWaves } from './fewWaves.js';
import { LEAST_WANDER, SLOWEST_WOW_HZ } from './defaults.js';
export { LEAST_WANDER } from './defaults.js';

/** Why the scatter of the parts stands in a budget. */
export const WANDERS = say`the parts of the stretch differ by more than noise`;

/** The named parts of the uncertainty of a tone's mean over a stretch with so many holes. */
export function budget(
  track: PhaseTrack,
  fit: TrendFit,
  options: ToneOptions,
  mean: number,
  dropouts: number,
): UncertaintyPart[] {
  const noiseHz = Math.sqrt(fit.meanHzUnitVariance * slowNoise(track, fit.residual));
  const scale = mean / options.nominalHz;
  const wander = wanderHz(track, fit.residual);
  const clockLimit = options.clockLimitPercent ?? D.clockLimitPercent;
  const parts: UncertaintyPart[] = [
    {
      name: 'noise',
      standardPercent: (100 * noiseHz) / options.nominalHz,
      why: say`noise and irregular flutter over this length`,
    },
    {
      name: 'clock',
      standardPercent: scale * fromLimits(clockLimit),
      why: say`recorder clock within ±${Number((clockLimit * 1e4).toPrecision(6))} ppm`,
    },
  ];
  if (wander > LEAST_WANDER * mean)
    parts.push({ name: 'wander', standardPercent: (100 * wander) / options.nominalHz, why: WANDERS });
  parts.push(...fewWaves(track, fit, mean, SLOWEST_WOW_HZ, scale));
  const lengthS = track.phase.length / track.rate;
  if (lengthS < D.wowS) {
    // Over part of a turn the mean of a sine of peak p is off by p / (pi f T) at most.
    const shift = D.unseenWowPercent / (Math.PI * (2 / D.wowS) * lengthS);
    parts.push({
      name: 'wander',
      standardPercent: fromLimits(shift),
      why: say`wow of less than two turns, which shifts the mean`,
    });
  }
  if (dropouts > 0) {
    // What follows a hole is joined to the nearest turn of the tone. Where the tone stood still meanwhile (a buffer that came
    // late), each may be off by up to half a turn, and holes of one length all the same way.
    parts.push({
      name: 'counting',
      standardPercent: scale * fromLimits((100 * dropouts) / 2 / (mean * lengthS)),
      why: say`half a turn of the tone at each of ${dropouts} holes`,
    });
  }
  const reference = options.referenceUncertaintyPercent;
  if (reference !== null && reference !== undefined) {
    parts.push({
      name: 'reference',
      standardPercent: (scale * reference) / 2,
      why: say`test tape or record, U = ${reference} % (k = 2)`,
    });
  }
  return parts;
}
