/** Every number that the sums of a circuit choose by themselves, with why: common practice or published where it says so, chosen otherwise. */

/** Above this part of the peak, ripple is no longer small and the sums are only a guide. */
export const LARGE_RIPPLE = 0.3;

/** A fuse or limit of more than this many times the unit's own current is loose (common practice). */
export const LOOSE_TIMES = 3;

/** How exactly a length is read with a caliper on a bevelled brush, ± mm (common practice). */
export const LENGTH_LIMIT_MM = 0.2;

/** Share of the rated volts from which a motor counts as stiff (common practice). */
export const STIFF_SHARE = 0.45;

/** Share of the rated volts from which it counts as gummed (common practice). */
export const GUMMED_SHARE = 0.6;

/** The resistor is chosen so that it takes at most this in the first instant, watts (common practice). */
export const MOST_START_W = 10;

/** An electrolytic may be this much over its print (common practice). */
export const CAPACITANCE_HIGH = 1.2;
