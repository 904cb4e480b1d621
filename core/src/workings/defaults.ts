/** Every number that the workings choose by themselves, with why: common practice or published where it says so, chosen otherwise. */

/** Trims take up so much, percent (common practice). */
export const TRIM_PERCENT = 8;

/** Volts over the rated ones that a motor bears when its governor does, percent (common practice: 12 V kinds see 13 to 14). */
export const VOLTS_PERCENT = 20;

/** Housing and shaft may differ by so much, millimetres. */
export const FIT_MM = 0.1;

/** Pairs may differ by so much (common practice). */
export const PAIRS_DIFFER_OHM = 0.5;

/** Imbalance of pairs that counts as even, percent (common practice: a few percent). */
export const EVEN_PERCENT = 5;

/** Current at which a governed motor idles when its brushes pass none, amperes (common practice). */
export const GOVERNOR_IDLE_A = 0.02;

/** At rest this near to a rail is healthy, as a part of the supply (common practice). */
export const NEAR_RAIL_PART = 0.2;

/** Judged as a healthy mean: this far beside the sum, fraction (mains ±10 %, common practice). */
export const MAINS_SWING = 0.1;

/** A reservoir under this part of its print no longer holds (electrolytics are −20 % new). */
export const WEAK_RESERVOIR_PART = 0.7;

/** A value of a resistor or zener may differ by so much, percent (common practice: the tolerance of the usual part). */
export const VALUE_PERCENT = 5;

/** A switch for a motor or for capacitors is taken with so many times the amperes (common practice). */
export const INRUSH_TIMES = 2;

/** Rail to rail under this: no power, ohms (common practice). */
export const RAILS_LEAST = 1000;

/** Margin of rated volts under which an electrolytic is at its least (common practice). */
export const LEAST_MARGIN = 0.95;

/** Years after which an electrolytic counts as old (common practice). */
export const OLD_YEARS = 20;

/** ESR meters work at about this frequency. */
export const METER_HZ = 100_000;

/** One capacitor out and in, minutes (common practice, no source). */
export const CAPACITOR_MIN = 8;

/** Opening the unit once more for the next, minutes (common practice, no source). */
export const OPEN_AGAIN_MIN = 25;

/** Capacitors beside one that are reckoned with, at most. */
export const MOST_CAPACITORS = 200;

/** Highest price of a capacitor: more is a slip of the hand. */
export const MOST_PRICE = 1e6;

/** Largest number any field takes; what is larger is a slip of the hand. */
export const LARGEST_ENTRY = 1e12;
