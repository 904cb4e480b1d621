/** Every number that the bench chooses by itself, with why: common practice or published where it says so, chosen otherwise. */

/** Devices' clocks are set by the server's to better than this, milliseconds. */
export const SAME_MOMENT_MS = 2000;

/** A second reading further off than this says nothing of how fast the first one fell, seconds. */
export const SAME_FALL_S = 3600;

/** Counter gate assumed for a typed frequency: 1 s, so that the last digit is 1 Hz. Common practice. */
export const COUNTER_STEP_HZ = 1;

/** Volts under this may come from a meter's own test current, or from nothing at all (common practice). */
export const LEAST_LIVE_V = 5;

/** At a place that is only measured live, less will do: under this there is nothing. */
export const LEAST_PLACE_V = 1;

/** A break of less than this needs no reminder. */
export const BREAK_MINUTES = 20;

/** Hours late count so many times an hour of waiting (chosen: a promise weighs more than speed). */
export const LATE_WEIGHT = 10;

/** A wait this long is worth starting before shorter work, minutes. */
export const LONG_WAIT_MIN = 60;

/** Orders tried at most; with more blocks fewer, so that a plan takes the same time (chosen: under a second). */
export const MOST_ORDERS = 4000;

/** Orders times blocks that are tried at most. */
export const ORDERS_TIMES_BLOCKS = 400_000;

/** Moves without a gain, a block, after which another beginning is tried (chosen). */
export const STALE_MOVES = 12;

/** Days looked ahead for one that is open: a week and one. */
export const MOST_DAYS_AHEAD = 8;

/** A few weeks on trial, days (common practice, no source). */
export const TRIAL_DAYS = 21;

/** Most readings that stand by one finding: the last ones before the mend. */
export const MOST_BESIDE_FINDING = 4;

/** A gap longer than this between two lines was spent elsewhere, minutes (chosen: half an hour of one step at most). */
export const LONGEST_STEP_MIN = 30;

/** Words of a log that the Book looks in, letters; the first of them, a log may be endless. */
export const MOST_TEXT_LETTERS = 6000;

/** Ohms across the supply under which nothing is powered (common practice). */
export const LEAST_SUPPLY_OHM = 1000;

/** A passed gate holds this long, hours (common practice: a working day). */
export const GATE_HOURS = 12;

/** An hour of the bench in money when the shop says nothing else (the same 60 that the advice reckons with; our choice). */
export const HOUR_MONEY = 60;

/** So many are done together at most: more is an overhaul, not a mend. */
export const MOST_TOGETHER = 4;

/** Less likely ones are not worth their minutes beside it (chosen). */
export const LEAST_TOGETHER = 0.03;

/** Days that parts usually take when neither shelf nor supplier says (our choice; a shop sets its own in Set-up). */
export const PARTS_DAYS = 7;

/** Nearer than this it is the middle itself that is aimed at, percent. */
export const AT_ONCE_PERCENT = 0.02;

/** Readings older than this are taken anew: the unit has cooled or drifted. */
export const RECENT_READING_MS = 30 * 60_000;

/** A line of work holds so many signs. */
export const MOST_SIGNS = 200;

/** A single-turn trim stands at half past seven at its counter-clockwise stop and travels to half past four (common practice). */
export const STOP_CLOCK_H = 7.5;

/** What a single-turn trim travels from stop to stop, turns (common practice). */
export const SINGLE_TURN_TRAVEL = 0.75;

/** From so many hours on days are counted, not seconds. */
export const DAYS_FROM_HOURS = 48;

/** Reaction of a hand at each end of a timed run, seconds (standard uncertainty; common practice 0.1 to 0.2 s). */
export const COAST_HAND_S = 0.15;

/** The same where an instrument times the run, seconds (common practice). */
export const COAST_INSTRUMENT_S = 0.02;

/** Speeds that differ by less than this part are the same. */
export const SAME_SPEED_PART = 0.01;

/** Steady within this part of the tolerance (chosen: a third of it still leaves room for the uncertainty). */
export const STEADY_PART = 1 / 3;

/** The stretch that is looked at for the slope: the later half of the run. */
export const SLOPE_FROM_PART = 0.5;

/** Cold counts in the first minutes after switching on (common practice). */
export const COLD_MIN = 5;

/** Distances that differ by less than this part are the same. */
export const SAME_DISTANCE_PART = 0.1;

/** Louder by less than this counts as no louder, dB (a just noticeable step; common practice). */
export const LOUDER_DB = 1;

/** A change of a reading that is no speed counts from this part of it on (a hand meter's own; common practice). */
export const TRIAL_READING_PART = 0.02;

/** Length of cord up to which the first limit of the earth's way holds, metres. */
export const CORD_M = 5;

/** Each so many metres more allow another step of it. */
export const CORD_STEP_M = 7.5;

/** What a speed may move in a trial without counting as moved: this part of the tolerance (chosen). */
export const TRIAL_TOLERANCE_PART = 0.5;

/** Use in one lead time, and as much again against its scatter (common practice). */
export const REORDER_SAFETY = 2;

/** A distance is set back within this part of itself … (common practice). */
export const BACK_PART = 0.05;

/** … but within this many millimetres at least (common practice). */
export const BACK_LEAST_MM = 0.1;

/** Below this many units there are values, but no interval: k of three is 9.8 and passes anything. */
export const LEAST_HEALTHY_UNITS = 5;

/** Least spread, as a part of the mean: a hand meter's own (common practice). */
export const LEAST_HEALTHY_SPREAD = 0.01;

/** So many notes stand in sight. */
export const MOST_NOTES = 8;

/** Shorter words ("and", "of") name no part. */
export const LEAST_WORD_LETTERS = 4;

/** Under this share, after evidence, a block is cleared. */
export const CLEARED_SHARE = 0.01;

/** Engines that are kept ready: one for each unit on the bench, and some. */
export const MOST_ENGINES_READY = 8;

/** Minutes of a part of a job of which nothing is known yet (common practice). */
export const MINUTES = {
  takeIn: 10,
  safe: 5,
  open: 10,
  find: 40,
  mend: 30,
  close: 15,
  set: 15,
  prove: 20,
  soak: 5,
  last: 10,
  back: 10,
};

/** Minutes offered first for each kind (common practice: cement cures a day, oil is run in for hours). */
export const TIMER_MINUTES = {
  'run-in': 120,
  cure: 1440,
  discharge: 5,
  soak: 720,
  'warm-up': 15,
  'look-in': 60,
  parts: 7 * 1440,
};

/** Shares from which on a part is suspected more, in steps of ink. */
export const STEPS = [0.1, 0.35, 0.7] as const;
