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
