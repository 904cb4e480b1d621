/** Every number that the guide to a trim and the drawing of a train choose by themselves, with why: common practice or published where it says so, chosen otherwise. */

/** Nominals this near are the same speed, of one. */
export const SAME_NOMINAL_PART = 0.02;

/** Largest wheel or belt of a train, millimetres: more is a slip of the hand. */
export const LARGEST_MM = 5000;

/** Most teeth of a wheel: more is a slip of the hand. */
export const MOST_TEETH = 2000;

/** A motor is drawn of this diameter, mm: its housing drives nothing. */
export const MOTOR_MM = 36;

/** Gap between two drawn parts, mm. */
export const GAP_MM = 12;

/** Widest reach of a search, times the drawn value either way. */
export const SEARCH_REACH = 100;

/** Halvings of a search: enough for the last digit. */
export const SEARCH_HALVINGS = 200;

/** Harmonics of the turn that are taken off. */
export const TURN_HARMONICS = 2;

/** A trend over the stretch larger than this is a move, percent: nothing is learnt from it. */
export const STANDS_PERCENT = 0.15;

/** Smoothing of what is left, seconds. */
export const SMOOTH_S = 0.25;

/** Right has to last so long before it is said, seconds. */
export const RIGHT_AFTER_S = 2;

/** The chord of “right” sounds so long, seconds. */
export const CHORD_S = 1.5;

/** Variance of a trim nobody has turned yet: it says nothing. */
export const UNKNOWN_VARIANCE = 1e4;
