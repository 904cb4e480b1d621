/** What a made source is, and what it must lead to. */
import { markTimes, meanRpmOf, type Motion } from './shaft.js';

/** What a made source must lead to. */
export type Expected =
  | {
      readonly kind: 'mean';
      readonly rpm: number;
      /** Largest error of the mean that is accepted, percent; the stated uncertainty must cover it too. */
      readonly withinPercent: number;
      readonly warning?: string;
      /** How the shaft was made to turn; left out where that is not one motion. */
      readonly motion?: Motion;
      readonly wow?: { readonly percent: number; readonly within: number };
      readonly weak?: { readonly places: number; readonly dipPercent: number };
      readonly stretches?: number;
      readonly sense?: 1 | -1;
    }
  | { readonly kind: 'asked'; readonly code: string; readonly rpm?: number }
  | { readonly kind: 'refused'; readonly reason: string };

export interface MadeCase {
  readonly id: string;
  readonly way: 'pulses' | 'gyro';
  readonly text: () => string;
  readonly perTurn?: number;
  readonly nominalRpm: number;
  readonly expected: Expected;
}

export const LP = 100 / 3;
export const lp = (more: Partial<Motion> = {}): Motion => ({ rpm: LP * 1.004, durationS: 60, ...more });
export const mean = (motion: Motion, withinPercent = 0.02, more: object = {}): Expected => ({
  kind: 'mean',
  rpm: meanRpmOf(motion),
  withinPercent,
  motion,
  ...more,
});
/** Mean over the whole turns between the first and the last of marks once a turn. */
export function overMarks(motion: Motion): number {
  const marks = markTimes(motion, { perTurn: 1 });
  return (60 * (marks.length - 1)) / ((marks[marks.length - 1] as number) - (marks[0] as number));
}
export const asked = (code: string, rpm?: number): Expected => ({
  kind: 'asked',
  code,
  ...(rpm === undefined ? {} : { rpm }),
});

export const pulses = (
  id: string,
  text: () => string,
  perTurn: number,
  nominalRpm: number,
  expected: Expected,
): MadeCase => ({
  id,
  way: 'pulses',
  text,
  perTurn,
  nominalRpm,
  expected,
});
