/** Every number that the listening to a clip chooses by itself, with why: common practice or published where it says so, chosen otherwise. */

/** Length of a piece, seconds; pieces overlap by half. */
export const PIECE_S = 0.5;

/** A clip has at least so many pieces. */
export const LEAST_PIECES = 6;

/** Quietest level told, dB: digital silence is no minus infinity. */
export const FLOOR_DB = -140;

/** Bins either side of a harmonic that belong to it: the main lobe of the window. */
export const LOBE_BINS = 3;

/** Steps of the envelope, seconds. */
export const ENVELOPE_STEP_S = 0.002;

/** Slowest ticking looked for, ticks a second. */
export const SLOWEST_HZ = 0.8;

/** Fastest ticking looked for, ticks a second. */
export const FASTEST_HZ = 60;

/** Correlation of the envelope with itself a period later from which it counts as ticking (chosen on made clips). */
export const LEAST_REGULARITY = 0.25;

/** Twice and thrice a period repeat as well: the shortest that is so much of the best counts. */
export const NEARLY_PART = 0.7;
