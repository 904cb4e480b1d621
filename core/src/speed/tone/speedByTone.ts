/** Recognising that the tone belongs to another speed, or another tape, than the one said. */
import { speedName } from '../../quantity/index.js';
import { say } from '../../words/index.js';
import { OTHER_SPEED_PART, TAPE_3000_PART } from './defaults.js';

const RECORD_RPM = [100 / 3, 45, 78.26];

/** A speed that was selected on the unit while a band meant for another one played. */
export interface SpeedPlayed {
  /** As in "a 33⅓ rpm band played at 45 rpm" or "played at double speed". */
  readonly words: string;
  /** The record speed that was selected; null for a tape at double or half speed. */
  readonly playedRpm: number | null;
  /** Pitch over nominal that this alone would give. */
  readonly ratio: number;
  /** What is left as the error of the speed selected, percent. */
  readonly errorPercent: number;
}

const PLAYED: readonly Omit<SpeedPlayed, 'errorPercent'>[] = [
  ...RECORD_RPM.flatMap((band) =>
    RECORD_RPM.filter((played) => played !== band).map((played) => ({
      words: say`a ${speedName(band)} rpm band played at ${speedName(played)} rpm`,
      ratio: played / band,
      playedRpm: played,
    })),
  ),
  { words: say`a tape played at double speed`, ratio: 2, playedRpm: null },
  { words: say`a tape played at half speed`, ratio: 0.5, playedRpm: null },
];

/** The speed that a large error speaks for, within 4 %: 4252.5 Hz on 3150 is 33⅓ played at 45, right on speed. */
export function speedPlayed(errorPercent: number): SpeedPlayed | null {
  const ratio = 1 + errorPercent / 100;
  const best = PLAYED.reduce((a, b) => (Math.abs(ratio / b.ratio - 1) < Math.abs(ratio / a.ratio - 1) ? b : a));
  const off = ratio / best.ratio - 1;
  return Math.abs(off) < OTHER_SPEED_PART ? { ...best, errorPercent: 100 * off } : null;
}

/** The warning that a large error deserves, or null. */
export function otherSpeed(
  nominalHz: number,
  errorPercent: number,
): 'OTHER_SPEED_SELECTED' | 'MAYBE_3000_HZ_TAPE' | null {
  const ratio = 1 + errorPercent / 100;
  if (nominalHz === 3150 && Math.abs(ratio * 1.05 - 1) < TAPE_3000_PART) return 'MAYBE_3000_HZ_TAPE';
  return speedPlayed(errorPercent) ? 'OTHER_SPEED_SELECTED' : null;
}
