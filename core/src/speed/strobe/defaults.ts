/** Every number that the strobe chooses by itself, with why: common practice or published where it says so, chosen otherwise. */

/** Bars a second that the eye can still follow; faster they blur to grey (common practice). */
export const FOLLOWED_PER_S = 8;

/** Slower than this a ring counts as still: one bar in a minute. */
export const STILL_PER_S = 1 / 60;

/** Height of the letters in print, mm. */
export const LETTER_MM = 2.8;

/** A ruler to check the printer's scale by, mm. */
export const RULER_MM = 100;

/** Thickness of paper and glue that a strip's middle line stands off the rim, mm (common practice). */
export const PAPER_MM = 0.1;

/** Width of a printed strip, mm. */
export const STRIP_MM = 12;

/** Width of a ring, mm. */
export const RING_MM = 9;

/** Width of the words between two rings, mm. */
export const WORDS_MM = 4;

/** Bars finer than this run together on paper, mm. */
export const FINEST_MM = 0.5;

/** Paper's edge that printers leave white, mm. */
export const WHITE_MM = 10;

/** Interconnected grids stay within 1 % for 99.5 % of a year (EN 50160, from memory). */
export const MAINS_LIMIT_PERCENT = 1;

/** A counter reading of the mains, limit either way, Hz (common practice: last digit of a meter). */
export const MEASURED_MAINS_LIMIT_HZ = 0.01;

/** A quartz lamp, limit either way, percent (common practice: 100 ppm). */
export const CRYSTAL_LIMIT_PERCENT = 0.01;

/** Half a bar either way in the count. */
export const COUNT_LIMIT_BARS = 0.5;

/** A ring that seems to stand still was watched this long, seconds. */
export const STILL_WATCHED_S = 30;

/** More a second cannot be counted by eye (common practice). */
export const COUNTABLE_PER_S = 3;
