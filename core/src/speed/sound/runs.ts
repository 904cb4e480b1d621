/** The runs of a drive that stops and starts, and the droop of one that is loaded, from what was heard. */
import { steadyStretches } from '../rotation/steady.js';
import type { MeasuredSound } from './result.js';
import { LEAST_DROOP_PERCENT } from './defaults.js';

/** A stretch of one speed. */
export interface SoundRun {
  readonly startS: number;
  readonly endS: number;
  /** Size of the speed. */
  readonly rpm: number;
  /** Sound does not tell it: runs after each other are taken as turning to and fro. */
  readonly sense: 1 | -1;
}

/** Every run, in order. */
export const runsOf = ({ stretches }: MeasuredSound): SoundRun[] =>
  stretches.map(({ startS, endS, rpm }, i) => ({ startS, endS, rpm: Math.abs(rpm), sense: i % 2 === 0 ? 1 : -1 }));

/** A droop that was heard between two stretches. */
export interface HeardDroop {
  readonly freeRpm: number;
  readonly loadedRpm: number;
  readonly droopPercent: number;
}

/** Fastest steady level against the slowest of one run; null when there is one level only. */
export function droopOf({ series, meanRpm, nominalRpm, stretches }: MeasuredSound): HeardDroop | null {
  if (stretches.length !== 1) return null;
  const reference = nominalRpm ?? meanRpm;
  const rpm = Float64Array.from(series.errorPercent, (error) => reference * (1 + error / 100));
  const times = Float64Array.from(rpm, (_, i) => series.startS + i * series.stepS);
  const levels = steadyStretches(times, rpm, { windowS: 5 * series.stepS, leastS: 5 * series.stepS })
    .map(({ level }) => level)
    .filter((level) => level > 0);
  if (levels.length < 2) return null;
  const [free, loaded] = [Math.max(...levels), Math.min(...levels)];
  const droopPercent = 100 * (1 - loaded / free);
  return droopPercent < LEAST_DROOP_PERCENT ? null : { freeRpm: free, loadedRpm: loaded, droopPercent };
}
