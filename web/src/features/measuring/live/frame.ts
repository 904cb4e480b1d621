/** What is heard here as a frame for a second screen. */
import { errorDecimals, fixed, signed, type Tolerance } from '@amber-gauge/core/quantity';
import type { FamilySpeed } from '@amber-gauge/core/families';
import type { LiveReading } from '@amber-gauge/core/speed';
import type { Heard } from '../../../shared/live/share.js';
import type { Handed } from '../ways/useHanding.js';
import type { LiveCapture } from '../../../workers/live.worker.js';
import { say } from '@amber-gauge/core/words';

interface Of {
  readonly what: string;
  readonly speed: FamilySpeed;
  readonly limits: Tolerance;
}

/** What the live number is the mean of. */
export const MEAN_WORDS = {
  'two turns': say`mean of the last two turns`,
  'one second': say`mean of the last second`,
  'so far': say`mean of what was heard so far`,
};

/** Errors beyond what a frame carries stand at its end. */
const held = (percent: number): number => Math.max(-999, Math.min(999, percent));

/** What is shown on a second screen of a live reading. */
export function frameOf(heard: LiveReading, { what, speed, limits }: Of): Heard {
  const tone = heard.kind === 'tone' ? heard : null;
  return {
    what,
    speedLabel: speed.label,
    nominalRpm: speed.nominalRpm,
    lowerPercent: limits.lowerPercent,
    upperPercent: limits.upperPercent,
    edgePercent: tone && held(tone.edgePercent),
    meanPercent: tone && held(tone.mean.errorPercent),
    expandedPercent: tone && held(tone.mean.expandedPercent),
    wowPercent: tone && held(tone.halfWidthPercent),
    words: tone ? MEAN_WORDS[tone.mean.of] : heard.kind === 'ended' ? say`tone ended` : say`waiting for the tone`,
    todo: null,
  };
}

/** What came of a capture and of storing it, for the second screen that asked for it. */
export function captureWords(capture: LiveCapture, handed: Handed): string {
  if (capture.kind === 'refused') return say`Not kept. ${capture.message}`;
  if (capture.kind === 'asked' || handed === 'asked') return say`Not kept yet: the device that listens asks about it.`;
  if (handed === 'unsaved') return say`Measured, but not stored yet: the device that listens holds it.`;
  const { mean, unit, errorPercent, expandedPercent } = capture.run;
  if (errorPercent === null) return say`Kept: ${fixed(mean, 2)} ${unit}`;
  const decimals = errorDecimals(expandedPercent);
  return say`Kept: ${signed(errorPercent, decimals)} ± ${fixed(expandedPercent, decimals)} %`;
}
