/** Every number that the reading of a speed chooses by itself, with why: common practice or published where it says so, chosen otherwise. */

/** Reaction scatter assumed until the taps themselves show it, seconds (0.1 to 0.2 s, common practice). */
export const REACTION_S = 0.15;

/** Nobody taps steadier than this, whatever few taps seem to show, seconds (common practice). */
export const STEADIEST_S = 0.02;

/** Taps from which their own scatter is believed. */
export const ENOUGH_TAPS = 10;

/** Sums of typed figures are off by their last digits: 0.2 and 0.1 are not more than 0.3. Percent. */
export const LAST_DIGITS = 1e-9;

/** Ageing and temperature of a sound card's crystal between calibrations, limit, ppm (common practice). */
export const CLOCK_STABILITY_PPM = 5;

/** How long a trail is, seconds. */
export const TRAIL_S = 60;

/** A trail is drawn with so many points at most. */
export const TRAIL_POINTS = 600;

/** A turn is shown from so many whole turns on. */
export const LEAST_TURNS = 3;

/** Steps a turn is shown in, at most. */
export const MOST_STEPS = 72;

/** Points a turn must hold, at least. */
export const LEAST_STEPS = 12;

/** Rates within a tenth of half the sampling rate cannot be told from their mirror. */
export const FOLD_PART = 0.9;

/** Two speeds of one log that differ by less than this are one, percent. */
export const SAME_SPEED_PERCENT = 3;
