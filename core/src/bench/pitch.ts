/** The pitch control: where it may stand, and when a reading says something of the nominal speed. */
import { say } from '../words/index.js';

/** Where the pitch control stood. */
export const PITCH_POSITIONS = ['detent', 'centre', 'minus', 'plus', 'off'] as const;
/** Names of the positions. */
export type PitchPosition = (typeof PITCH_POSITIONS)[number];
/** Their words. */
export const PITCH_WORDS: Readonly<Record<PitchPosition, string>> = {
  detent: say`pitch at its detent`,
  centre: say`pitch at its centre`,
  minus: say`pitch at minus`,
  plus: say`pitch at plus`,
  off: say`pitch off its detent`,
};

/** False where the pitch control makes another speed on purpose: such a reading says nothing of the nominal one. */
export const atPitchRest = ({ pitch }: { readonly pitch?: PitchPosition | undefined }): boolean =>
  pitch === undefined || pitch === 'detent' || pitch === 'centre';
