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
  /** Nothing at all, not even noise, is a machine that came late: for so long the tone is waited for besides, seconds. */
  lateForS: 0.75,
  /** Off the centre of the filters by more than this part: look again. */
  retunePart: 0.06,
  /** Kept for a capture, seconds. */
  keptS: 60,
  /** Least tone for a capture, seconds. */
  captureS: 2,
  clipLevel: 0.985,
} as const;

/** Left out at the start: the filters settle, and the look that found the tone may hold its beginning. Seconds. */
export const SETTLE_S = 0.2;

/** The ends of a mean over whole turns are each taken over this long, seconds. */
export const END_S = 0.1;

/** The speed that carries over a hole is that of this long before it, seconds. */
export const CARRY_S = 0.1;

/** Readings a second that the page is given. */
export const READINGS_PER_S = 10;

/** Levels are learnt from this long before pulses are looked for, seconds. */
export const LEARN_S = 1;

/** Without a pulse for so many usual periods it waits again. */
export const LOST_PERIODS = 6;

/** Swing under which there are no pulses, as a part of full scale. */
export const LEAST_SWING = 0.005;

/** So many usual periods without a pulse are a hole in the sound, not the shaft: wheels leave out two teeth at most. */
export const HOLE_PERIODS = 4;
