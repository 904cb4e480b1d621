/** Every number that the counting of turns chooses by itself, with why: common practice or published where it says so, chosen otherwise. */

/** A level under this part of the usual one is a dip (common practice). */
export const WEAK_PART = 0.75;

/** So many places may dip; with more it is an eccentric gap, not a place. */
export const MOST_PART = 0.34;

/** Turns that a dip must be seen in, at least. */
export const LEAST_DIP_TURNS = 3;

/** Channels of a recording of pulses, at most. */
export const MOST_CHANNELS = 8;

/** Time base of a scope or logger, limit either way, percent (common practice: 100 ppm). */
export const TIME_BASE_LIMIT_PERCENT = 0.01;

/** Wow is not told from fewer turns than this. */
export const WOW_TURNS = 2;

/** A place off by more than this part of the pitch every turn is damage, not tolerance (common practice). */
export const DAMAGED_PITCH_PART = 0.25;

/** Places of the wheel and motion of the shaft are told apart in this many turns about. */
export const WHEEL_ROUNDS = 3;

/** Pulses a turn, at most: the finest encoders of such machines have a tenth of it. */
export const MOST_PER_TURN = 10_000;

/** Pulses that a settled part must still hold. */
export const SETTLED_PULSES = 24;

/** Turns that a settled part must still hold. */
export const SETTLED_TURNS = 4;

/** No logger's clock tells pulses apart that come faster than this. */
export const MOST_PULSES_PER_S = 1e12;

/** A change of the mean from one window to the next above this part is on the move, not wow. */
export const MOVING_PART = 0.04;

/** Beside a move a stretch is trimmed until its windows lie within this part of its level, or within its own unrest. */
export const TRIM_PART = 0.001;

/** A stretch under this part of the fastest is standing still. */
export const STILL_PART = 0.05;

/** Parts of a log that differ by more than this (standard error of the mean, percent) hold no one speed. */
export const UNSTEADY_PERCENT = 0.5;

/** From first tenth to last: beyond this it is coming up or running down, percent. */
export const DRIFT_PERCENT = 10;

/** A mirror this close to the nominal is believed sooner (logarithm of their ratio) … */
export const MIRROR_CLOSE = 0.1;

/** … than a figure this far from it (logarithms). */
export const MIRROR_FAR = 0.25;

/** Pulses of the local rhythm looked back on. */
export const LOOK_BACK = 64;

/** A gap under this part of the rhythm is a double, when leaving it out restores the rhythm. */
export const DOUBLE_PART = 0.45;

/** Pulses, the missing ones counted, that are held at a time. */
export const MOST_PULSES = 6_000_000;

/** A gyroscope's rate is taken over so long, seconds: its noise would cross every threshold many times. */
export const SMOOTH_S = 0.25;

/** Standstill: under this part of the full rate. */
export const GYRO_STILL_PART = 0.05;

/** Shortest standstill, seconds. */
export const SHORTEST_STILL_S = 0.3;

/** A step longer than so many usual ones is a gap. */
export const GAP_STEPS = 5;

/** Rows an edge of a capture takes at least; with fewer the rows themselves are the pulses. */
export const ROWS_AN_EDGE = 4;

/** Edges closer than this part of the usual pulse's gap are one edge that bounced. */
export const BOUNCE_PART = 0.05;

/** More edges than this share must be bounces for them to be left out here; fewer are doubles of the count. */
export const BOUNCE_SHARE = 0.3;

/** Twice the nominal within this part is asked about where the file holds bare times. */
export const TWICE_PART = 0.1;

/** Intervals without a name scatter about one length by no more than this part (common practice). */
export const INTERVAL_SPREAD = 0.35;

/** Samples worked on at a time: memory, no result depends on it. */
export const EDGE_PIECE = 1 << 18;

/** Under so many samples a cycle a straight line between samples is too coarse. */
export const FEW_SAMPLES = 12;

/** Samples put between two, when there are few a cycle. */
export const EDGE_UP = 4;

/** Samples of the interpolating kernel on either side. */
export const EDGE_REACH = 8;

/** A pause is longer than this, seconds … */
export const PAUSE_S = 1;

/** … and so many times the usual gap. */
export const PAUSE_GAPS = 8;

/** Shorter logs are taken whole. */
export const SPLIT_FROM_S = 4;

/** Shortest stretch, seconds. */
export const LEAST_STRETCH_S = 2;

/** Fewest turns of a stretch. */
export const LEAST_STRETCH_TURNS = 3;

/** Scale error of a phone nobody calibrated, ± percent (common practice: 1 to 3). */
export const UNCALIBRATED_SCALE_PERCENT = 3;

/** Shortest run measured, seconds. */
export const SHORTEST_RUN_S = 2;

/** Left out on either side of the steady stretch while the platter comes up, seconds. */
export const SETTLE_S = 0.5;

/** Steps count from this part of a gap on: they show as up to a tenth of a percent of wow. */
export const STEP_PART = 5e-4;

/** Rows looked through for how many levels a channel has: a third shows within them. */
export const LOOKED_FOR_LEVELS = 5000;

/** Rows from which on a table may be a list of changes. */
export const LEAST_CHANGES = 8;

/** Rows of a list of changes that may change nothing, as a share: loggers repeat their last line. */
export const UNCHANGED_SHARE = 0.02;

/** A sample this near to its low or high level stands on it, as a part of the swing … */
export const LEVEL_REACH = 0.2;

/** … and so many must, of a signal of two levels. */
export const ON_LEVELS = 0.9;

/** Channels that words may name, at most: no analyser of a bench has more. */
export const MOST_NAMED = 32;

/** Pulses from which on anything is told of a speed. */
export const LEAST_PULSES = 4;

/** Two channels of one wheel count alike within this part. */
export const OTHER_COUNT = 0.1;

/** Share of the pulses with a second channel a quarter behind them that makes a pair. */
export const QUARTER_SHARE = 0.8;

/** Share of the pulses that the second channel must follow at all. */
export const FOLLOWED_SHARE = 0.5;

/** Gaps looked at for what is usual. */
export const LOOKED_FOR_GAPS = 20_000;

/** Channels within this part of each other have one rate. */
export const SAME_RATE_PART = 0.02;

/** Of bouncing pulses the usual gap is that of the longest twentieth. */
export const WHOLE_GAP = 0.95;

/** Gaps that alternate by more than this part are edges up and down: poles of an even wheel may be as uneven by themselves, of an odd one they change places each turn. */
export const APART = { even: 0.2, odd: 0.04 };

/** Share of intervals that must lie near to the usual one. */
export const NEAR_SHARE = 0.9;

/** A column that falls more often than this share of its rows does not rise: counters run over once in a while. */
export const FALLS_SHARE = 0.02;

/** Pulses (or turns) from which on their own rhythm is gone by, not that of the whole log. */
export const LOCAL_RHYTHM = { pulses: 8, turns: 2 };

/** With a larger share missing or doubled there is no rhythm to count by. */
export const MOST_ODD = { missing: 0.5, doubled: 0.4 };

/** Leaving out a double puts the next pulse within this part of the rhythm. */
export const RESTORED_PART = 0.3;

/** Looks over a recording for its levels, and samples of each at least. */
export const LOOK = { samples: 4096, looks: 12 };

/** Low and high of a look leave a thousandth out at either end; over the looks the outer quarters decide. */
export const SWING_TAILS = { within: 0.001, over: 0.25 };

/** A smaller swing than this part of the level, or of full scale, is none. */
export const LEAST_SWING = 1e-4;

/** Noise is smoothed over this fraction of a period, and of the shorter of pulse and gap. */
export const SMOOTHED_OVER = { period: 8, pulse: 2 };

/** Samples up to which a recording is interpolated: memory and time. */
export const MOST_FINE = 4e8;

/** Share of the edges that must jump for them to be coarse. */
export const JUMPS_SHARE = 0.9;

/** The usual gap lies a little over the middle one: jitter about a slow edge makes short ones. */
export const USUAL_GAP = 0.6;

/** Gaps under this part of the usual one are noise, where more than this share of them are. */
export const RAGGED = { gap: 0.4, share: 0.02 };

/** Low and high of a table of levels leave this share out at either end. */
export const TABLE_TAILS = 0.02;

/** A column of times is even when so many of its steps lie within this part of the usual one; of so many rows at least. */
export const EVEN_STEPS = { least: 16, looked: 4000, part: 0.02, share: 0.9 };

/** Another count of pulses a turn is offered where it is a whole number within this part. */
export const OTHER_PULSES_PART = 0.1;

/** Rows of a gyroscope log, or of a stretch of one, at least. */
export const LEAST_ROWS = 16;

/** It turns from this part of the full rate on. */
export const TURNING_PART = 0.3;

/** Of two units that make sense the nearer is taken within this of the nominal (logarithm of their ratio). */
export const SURE_UNIT = 0.15;

/** Means of a gyroscope log are taken over a twentieth of it, between these, seconds. */
export const GYRO_WINDOW = { leastS: 0.5, mostS: 2, part: 20 };

/** A stretch under this part of the full rate is on its way up or down. */
export const CREEPS_PART = 0.25;

/** So large a share of the rows at the greatest value is a sensor at its end. */
export const PINNED_SHARE = 0.3;

/** A length that stays within this spread, and about 9.81 or 1, is gravity. */
export const GRAVITY = { spread: 0.2, share: 0.95, part: 0.15, metre: 9.81, g: 1 };

/** Rows looked at for which columns are the gyroscope. */
export const LOOKED_FOR_AXES = 100_000;

/** Loggers sample 5 to 1000 times a second; a little wider (common practice). */
export const LOG_STEP_S = { least: 5e-4, most: 0.5 };

/** Full rate of a log: what it passes in a tenth of the time. */
export const FULL_RATE = 0.9;

/** Of a standstill this fraction is left out at either end, where the platter is touched or just moves off. */
export const STILL_MARGIN = 10;

/** A part of a stretch is taken instead of the whole when it drifts less than this part as much. */
export const SETTLED_GAIN = 0.5;

/** A segment is absent when it is seen in less than this share of at least so many turns. */
export const ABSENT = { turns: 3, share: 0.5 };

/** A damaged place is off so many times as far as the usual one. */
export const MISPLACED_TIMES = 5;

/** The fastest of a log: what it passes in a twentieth of the time. */
export const TOP_SPEED = 0.95;

/** The unrest of a stretch: what its windows stay under in this share of the time; beside a move they may pass it so many times. */
export const UNREST = { share: 0.95, times: 1.2 };

/** A level is that of the inner half: this fraction is left out at either end. */
export const INNER_PART = 4;

/** Neighbours are one stretch when their levels differ by less than this part, with no more than this part of them (or so many samples) between. */
export const JOINED = { level: 0.01, part: 0.02, samples: 3 };

/** A stretch that holds this share of the pulses is the whole log. */
export const COVERED_SHARE = 0.97;

/** Logs of fewer gaps are taken whole, as short ones are. */
export const SPLIT_FROM_GAPS = 12;

/** Means of pulses are taken over two turns or three gaps at least, or a twelfth of the log up to a second. */
export const PULSE_WINDOW = { turns: 2, gaps: 3, part: 12, mostS: 1 };

/** The shortest stretch is no longer than this fraction of the log. */
export const STRETCH_PART = 4;

/** Shorter than this part of the longest it is a knock or a hand on the platter, no selected speed. */
export const KNOCK_PART = 0.1;

/** The source's own noise is read in this upper part of the band that wow is told in, from so many lines at least. */
export const NOISE_BAND = { from: 0.6, least: 16 };

/** Fewer turns than this are said to be few. */
export const FEW_TURNS = 10;

/** The slowest usual wow, cycles a turn: a long belt, once round in some seven turns (common practice). */
export const SLOWEST_WOW_A_TURN = 0.15;
