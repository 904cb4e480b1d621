/** Every number the tone meter chooses by itself, with why. */
export const TONE_DEFAULTS = {
  /** The tone is looked for between these multiples of nominal: 33 in 78 is 2.35, 78 in 33 is 0.43. */
  searchLow: 0.4,
  searchHigh: 2.5,
  /** Half-band passed around the tone, Hz: flutter to 200 Hz with its second sidebands. */
  halfBandHz: 450,
  /** Edge of the stop band, Hz, where tone, hum and image frequencies leave room for it. */
  stopHz: 1000,
  stopBandDb: 90,
  /** First stage: only what lies a whole middle rate away folds onto the tone. */
  wideStopBandDb: 75,
  /** Rates the baseband and the flutter series aim at, Hz. */
  basebandHz: 2000,
  flutterHz: 500,
  /** Survey frames: about this long, at least this many over the recording, and one every so many seconds. */
  surveyFrameS: 0.12,
  surveyFrames: 40,
  surveyEveryS: 5,
  /** Peak of five bins over the floor for a frame to hold a tone; white noise passes 12 once in 10^9 bins. */
  surveyContrast: 12,
  /** Share of samples within 0.1 % of the peak above which it is flat-topped; a sine has 0.028. */
  flatTopShare: 0.08,
  /** A gap shorter than this inside the tone is a dropout; a longer one ends it. Common practice. */
  longestDropoutS: 0.5,
  /** Shortest tone measured at all, and the length below which SHORT stands. */
  shortestS: 0.5,
  wantedS: 10,
  /** Wow once a turn of a record that a shorter recording cannot see, percent peak (common practice: up to 0.2). */
  unseenWowPercent: 0.2,
  /** Two turns at 33⅓ rpm: less is too short for wow, seconds. */
  wowS: 3.6,
  /** Sound-card clock, limit either way (common practice): 100 ppm. */
  clockLimitPercent: 0.01,
  /** Lowest flutter frequency called a line: cycles in the recording, and Hz. */
  lineCycles: 1.5,
  lowestLineHz: 0.15,
  highestLineHz: 205,
  mostLines: 24,
  /** Lines smaller than this are arithmetic dust, percent peak. */
  smallestLinePercent: 2e-5,
  /** Power over the local floor for a line: e^-22 per bin, about 1 in 10^4 for 10^5 bins. */
  lineRatio: 22,
  /** Square of (coefficient / its standard error) above which a curve of the speed is believed. */
  trendRatio: 20,
  highestTrendOrder: 8,
  /** Points kept for the page. */
  seriesPoints: 2400,
  seriesStepS: 0.04,
  spectrumPoints: 900,
} as const;

/** Either side is at least this long, seconds. */
export const LEAST_SIDE_S = 1.5;

/** A smaller step than this is not told from wow and drift, as a part. */
export const LEAST_STEP = 0.002;

/** Two levels must leave less than this part of what a straight line leaves. */
export const BETTER_THAN_LINE = 0.5;

/** So much of the step lies within a second: a run-up or a warm-up takes longer. */
export const SUDDEN_PART = 0.7;

/** The second about a splice, half of it on either side, seconds. */
export const SPLICE_NEAR_S = 0.5;

/** Shorter blocks (those of the live meter) are not worth copying into the compiled loops. */
export const BASEBAND_WORTH_IT = 512;

/** Parts of the log whose speeds are compared. */
export const WANDER_BLOCKS = 8;

/** How many times their scatter must pass what the noise allows. */
export const WANDER_RATIO = 3;

/** Blocks that a slow curve is looked for in: it has at most a few bends over the whole length. */
export const CURVE_BLOCKS = 400;

/** Samples read at a time. */
export const READ_PIECE = 1 << 16;

/** A gated tone leaves gaps that are bridged; with less of it than this there is no telling its phase. */
export const LEAST_USED = 0.35;

/** Pieces measured, at most. */
export const MOST_PIECES = 40;

/** Smaller than this part of the greater side line, the lesser one is leakage: one tone alone. */
export const ONE_SIDED = 0.4;

/** Fainter side lines than this part of the tone are not looked at. */
export const FAINTEST_SIDE_LINE = 3e-5;

/** Added tones told, at most. */
export const MOST_ADDED = 12;

/** A multiple of the mains within this, Hz: the mains holds 0.1 % (common practice), the recorder's clock more. */
export const MAINS_REACH = 0.35;

/** Fainter than this it is no tone worth a word, and leaves the figures as they are, decibels. */
export const NAMED_DB = -55;

/** Side lines this near to a louder one are its own wobble, Hz. */
export const OWN_HZ = 4;

/** Samples taken together: side lines end at 205 Hz, the baseband has some 2000 samples a second. */
export const ADDED_STEP = 4;

/** Samples kept at a time: with the factor and the taps a few hundred kilobytes. */
export const KEPT_AT_A_TIME = 16384;

/** Samples that the compiled loop is given at a time. */
export const AT_A_TIME = 65536;

/** From so many samples on the compiled loop is worth the copying. */
export const PHASE_WORTH_IT = 1024;

/** Fine grid of the weighted figures: the quasi-peak detector's constants are fitted to it. */
export const GRID_HZ = 4000;

/** Fine grid of the unweighted percentile: ten points a cycle of the highest flutter. */
export const PLAIN_GRID_HZ = 2000;

/** Step from look to look, seconds. */
export const SURVEY_STEP_S = 0.1;

/** Recordings longer than this are stepped through more widely. */
export const LONG_S = 600;

/** Step from look to look in long ones, seconds. */
export const LONG_SURVEY_STEP_S = 0.5;

/** Steps read at a time. */
export const PIECE_STEPS = 100;

/** Shortest stretch of a tone that is told, seconds. */
export const SHORTEST_STRETCH_S = 1.5;

/** The frame's strongest line over the 40 % point of its spectrum, power. */
export const FRAME_CONTRAST = 300;

/** Pitches within this part are one tone: tones in a row, pieces of one, looks at one. */
export const SAME_PITCH = 0.03;

/** Before and behind a splice, what is left out of either side. */
export const BESIDE_SPLICE_S = 0.2;

/** Stretches this short are run-in, a click or a splice, seconds. */
export const COUNTED_S = 2;

/** A stretch under this part of the recording leaves room for another. */
export const WHOLE_PART = 0.85;

/** Half length of the interpolating kernel, in samples. */
export const KERNEL_REACH = 6;

/** Fine samples worked on at a time: small enough to stay in the cache. */
export const FINE_BLOCK = 16384;

/** Cells of the histogram of sizes. */
export const CELLS = 65536;

/** A wander under this part of the speed rounds to nothing. */
export const LEAST_WANDER = 1e-6;

/** Points worked on at a time: memory, no result depends on it. */
export const BASIS_BLOCK = 512;

/** Blocks in which a tone is there or not, seconds. */
export const PRESENCE_BLOCK_S = 0.02;

/** Level of a block, times the tone's usual one, under which it is no tone … */
export const FAINTEST_PART = 0.03;

/** … and over which it is something else, times the usual level. */
export const LOUDEST_PART = 6;

/** Blocks handed to the compiled loop at a time. */
export const BLOCKS_AT_A_TIME = 1024;

/** Blocks the usual level is taken over, seconds. */
export const LEVEL_BLOCK_S = 0.05;

/** Blocks about a sample that the usual level is taken over: 0.8 s. */
export const LEVEL_BLOCKS = 8;

/** Over the middle: a tone that is gated is absent half of the time. */
export const LEVEL_QUANTILE = 0.7;

/** Mains whose multiples an added tone may be (common practice: the two there are). */
export const MAINS_HZ = [50, 60] as const;

/** Multiples of the mains that are named, at most. */
export const MOST_MULTIPLE = 40;

/** A peak is looked for within so many bins of its spectrum, each round in a stretch so many times narrower. */
export const PEAK_SEARCH = { bins: 0.8, narrower: 4 };

/** The stop band ends short of nought and of the image; the band passed ends short of it. */
export const PASS = { stopOfCentre: 0.95, bandOfStop: 0.75 };

/** The first stage thins to so many times the rate of the baseband. */
export const MIDDLE_TIMES = 4;

/** Turning by steps begins anew every so many samples: its rounding would grow. */
export const ANEW_EVERY = 256;

/** Waves of added tones begin anew every so many samples: their rounding would grow. */
export const WAVE_ANEW_EVERY = 1024;

/** Samples of the spectrum that is drawn, at most: memory and time. */
export const LONGEST_SPECTRUM = 131_072;

/** Samples of a tenth that a drift is told from, at least. */
export const DRIFT_SAMPLES = 6;

/** Seconds of nothing behind a residual that is weighted: its filters ring on. */
export const PADDED_S = 4;

/** Slower than this nothing is weighted, Hz: the curve of the weighting has fallen by more than 48 dB. */
export const WEIGHED_FROM_HZ = 0.05;

/** Rounds of looking for lines and curves, at most. */
export const MOST_ROUNDS = 10;

/** A curve bends no oftener than its points divided by this. */
export const ORDER_PART = 4;

/** Samples of a part whose speed is compared with others, at least. */
export const WANDER_SAMPLES = 16;

/** The slowest noise is read from so many cycles in the whole to so many, over that many bins at least. */
export const SLOW_BAND = { from: 4, to: 16, bins: 12 };

/** All noise is read over this part of the band: below lies wow, above the filters fall. */
export const WIDE_BAND = { from: 0.02, to: 0.7 };

/** Values that a median is taken of, at most: no result depends on it. */
export const MEDIAN_OF = { wide: 4096, cell: 1024 };

/** Two lines are told apart this many cycles in the whole from each other. */
export const RESOLVED = 2.2;

/** Lines are told up to this part of the rate: the filters fall above it. */
export const TOP_PART = 0.42;

/** The floor about a line is read over so many bins, or so many times what is resolved. */
export const FLOOR_CELL = { bins: 60, resolutions: 6 };

/** New lines of one round, at most, and the least part of the strongest: fainter ones may be its skirts. */
export const AT_ONCE = { lines: 8, part: 1e-3 };

/** A line this near to one known is that one, as a part of what is resolved. */
export const KNOWN_PART = 0.4;

/** Tuning ends when no frequency moves by more than this part of its limit. */
export const TUNED_PART = 0.02;

/** A file shorter than this is too short to hold a tone, seconds; a longer one without has none. */
export const TOO_SHORT_S = 0.3;

/** A smaller drift than this is not spoken of, percent. */
export const LEAST_DRIFT_PERCENT = 0.1;

/** What a lossy recording leaves of wow is the size its rest stays under in this share of the time. */
export const REST_SHARE = 0.95;

/** A tone of one speed leaves less than this part of itself beside curve and lines, and drifts less than so much, percent. */
export const STEADY_TONE = { restPart: 0.04, driftPercent: 6 };

/** Under this a tone is said to be noisy, decibels. */
export const NOISY_DB = 30;

/** Across a gap the speed is that of so long on either side, seconds. */
export const BRIDGE_LOOK_S = 0.1;

/** A block holds the tone when its level spreads by less than this part of itself, its pitch by this part of the band, and it lies within this part of the centre. */
export const PRESENT = { level: 0.45, pitch: 0.35, off: 0.08 };

/** Left out at either end of a stretch, seconds: the filters settle. */
export const EDGE_S = 0.006;

/** Samples under half or over twice the usual amplitude are a dropout, with so much on either side, seconds. */
export const DROPOUT = { guardS: 0.004, low: 0.5, high: 2 };

/** Frames in which a row of tones is followed, seconds. */
export const FRAME_S = 0.05;

/** Left out at either end of a tone in a row, seconds. */
export const INSIDE_S = 0.05;

/** A row of tones may run at these multiples of its speed; a tone off by more counts as this much, and a speed far from right a little. */
export const ROW_RATIO = { low: 0.4, high: 2.5, most: 0.1, perLog: 0.02 };

/** The count of sizes reaches so many times the largest that the coarse samples show. */
export const BOUND_TIMES = 1.5;

/** Another speed of a record within this part explains what was read. */
export const OTHER_SPEED_PART = 0.04;

/** A 3000 Hz tape played for a 3150 Hz one reads 4.8 % slow, within this part. */
export const TAPE_3000_PART = 0.006;

/** Samples of a frame of the survey, at most. */
export const LONGEST_FRAME = 32_768;

/** Everything under this is silence, of full scale. */
export const SILENT_LEVEL = 1e-5;

/** A frame holds a tone when it has this part of its power, and that level of full scale. */
export const TONE_PART = { power: 0.3, peak: 1e-4 };

/** Another channel is taken when it is louder by this. */
export const LOUDER_PART = 1.02;

/** Looks within this part of one pitch are a tone that wanders. */
export const WANDERING_PITCH = 0.2;

/** The tone is looked for up to this part of the rate, over that many bins at least, above a floor that lies at this part of the spectrum; its own skirts are this part of it, or so many bins. */
export const SEARCHED = { top: 0.45, bins: 8, floor: 0.4, skirt: 0.03, least: 4 };

/** A sample this near to the peak is at it. */
export const FLAT_PART = 0.999;

/**
 * Tracks shorter than this, seconds, may hold few cycles of wow (33⅓ rpm turns eight times in 15 s): one wave of up to so many
 * cycles is looked for in steps of this part of a cycle, then in fine ones, where there are so many samples. Of fewer cycles
 * than the least, or higher than this part of what the phase swings, it is none: a curve would stand against it.
 */
export const FEW_CYCLES = {
  shorterS: 15,
  samples: 64,
  least: 2,
  most: 6,
  step: 0.05,
  fine: 0.002,
  ofSwing: 0.75,
} as const;

/** Of fewer cycles a wave is not told for sure from a curve (made recordings with known truth). */
export const WAVES_TOLD = 3.5;

/** Looks along a stretch at how its slow part swings. */
export const SWING_LOOKS = 200;

/** The slowest usual wow, Hz: a long belt, once round in ten seconds (common practice). */
export const SLOWEST_WOW_HZ = 0.1;

/** A shift of the mean under this is not worth a line, percent. */
export const LEAST_SHIFT_PERCENT = 5e-4;

/** The curve laid through few samples to see how they swing: up to two half waves. */
export const FEW_SAMPLES_ORDER = 4;
