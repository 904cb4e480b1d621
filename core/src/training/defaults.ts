/** Lines played back at most, the last ones: each is reckoned through the whole path (chosen: seconds). */
export const MOST_REPLAYED = 200;

/** A value this far from what the machine shows was read wrong, as a part of it (chosen: ten times the meter's own). */
export const FAR = 0.1;

/** A drift of more bars in ten seconds cannot be counted by eye (common practice). */
export const MOST_BARS = 60;

/** Bars are watched so long, seconds (common practice: ten seconds). */
export const WATCHED_S = 10;

/** Minutes of clipping a scope on and setting its time base (common practice). */
export const SCOPE_MIN = 2;

/** Noise of a trace, as a part of the height of a pulse and of the wave on the screen (chosen: a scope of eight bits). */
export const NOISE_PART = 0.004;

/** Pulses of a mark or a magnet on the turning part: volts, part of the turn, points a turn, turns on the screen. */
export const PULSE = { volts: 5, part: 0.1, points: 200, turns: 40 } as const;

/** Turns that are counted with a stopwatch (common practice). */
export const COUNTED_TURNS = 100;

/** The thumb's error at each end of a count, s (standards: 0.1 to 0.2 s). */
export const THUMB_S = 0.15;

/** Faster than this turns are not counted by eye, rpm (common practice). */
export const MOST_COUNTED_RPM = 120;

/** Holding the microphone close, seconds (common practice: five seconds or more). */
export const LISTEN_S = 8;

/** Minutes that listening takes, with what stands about it. */
export const LISTEN_MIN = 1;

/** Samples a second of what the practice microphone takes: those of a phone. */
export const SAMPLE_RATE = 44_100;

/** Multiples of the lines a turn, each against the one before it (chosen: a fan's and a commutator's fall off so). */
export const FALLS = [1, 0.5, 0.25];

/** What wanders does so from one of these to the next, s. */
export const WANDER_S = 0.5;

/** Amplitudes: of air and bearings of a sound machine, and with dry bearings, grinding gears and sparks (chosen). */
export const NOISE = { sound: 0.015, rough: 0.05, grind: 0.05, sparks: 0.03 } as const;

/** Seeds are drawn below this: a unit's own seed may lie above it and still be kept. */
export const SEEDS = 1_000_000;

/** The largest file that is read, characters. */
export const PRACTICE_FILE_LIMIT = 20_000;
