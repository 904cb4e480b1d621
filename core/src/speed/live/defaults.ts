/** Every number the live meter chooses by itself, with why. */
export const LIVE_DEFAULTS = {
  /** Readings a second: the ribbon's edge follows, and no more than the page may draw. */
  readingsPerS: 20,
  /** The edge is the speed over this long: it follows within 0.2 s with the filters' delay. */
  edgeS: 0.06,
  /** The big number's stretch when the time of a turn is not known. */
  unknownTurnS: 1,
  turns: 2,
  /** A number over less than this is that of a moment or of a hole in the sound, and none is said; seconds. */
  leastS: 0.15,
  /** A look for a tone is this long. */
  lookS: 0.12,
  /** Under this part of its usual level the tone has ended; for so long it is only a dropout. */
  endedPart: 0.25,
  endedAfterS: 0.25,
  /** Off the centre of the filters by more than this part: look again. */
  retunePart: 0.06,
  /** Kept for a capture, seconds. */
  keptS: 60,
  /** Least tone for a capture, seconds. */
  captureS: 2,
  clipLevel: 0.985,
} as const;
