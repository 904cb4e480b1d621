/** Every number the listener chooses by itself, with why. */
export const SOUND_DEFAULTS = {
  /** Frame and step, seconds: lines 5 Hz apart are told apart, and a droop of a second is seen. */
  frameS: 0.4,
  hopS: 0.1,
  /** Most frames of a recording; longer ones are stepped through more widely. */
  mostFrames: 1200,
  /** Highest line looked at, Hz: the blades of a fast suction fan. */
  highestHz: 8000,
  lowestHz: 4,
  /** Power over the local floor of a line that stands out, and of a strong one. */
  weak: 14,
  strong: 220,
  /** The floor is no lower than this part of the strongest line's power: what the window leaks of it is no line (chosen, −70 dB). */
  leak: 1e-7,
  /** Grid of candidate speeds, as a part of the speed. */
  gridStep: 0.0015,
  /** How far a line may lie from its place: bins, and part of its frequency. */
  toleranceBins: 1.3,
  tolerancePart: 0.001,
  /** Teeth of the comb looked at: at least so many, and so many times the lines a turn. */
  leastTeeth: 24,
  teethTimesLines: 4,
  /**
   * Chance that the first multiple of the lines a turn is there, over how many multiples that falls to
   * 1/e, and how many of those there are strong (chosen).
   */
  lineThere: 0.75,
  lineFade: 4,
  lineStrong: 0.5,
  /** Chances that any other tooth, a multiple of the turns alone, is absent, weak or strong (chosen). */
  otherTooth: [0.92, 0.06, 0.02],
  /** Largest change of speed a step, in grid steps, and its cost each: 4 % in 0.1 s. */
  reach: 27,
  stepCost: 0.05,
  /** Evidence for a candidate is the mean over frames times this: frames of one recording are not independent (chosen). */
  temper: 1.5,
  /** Under this share the best candidate is not certain (common practice: 19 in 20). */
  sureShare: 0.95,
  /** A recording whose largest sample is smaller is silent (chosen: under the last bit but one of 16). */
  silentPeak: 1e-5,
  /** Looks over the whole for the loudest channel, and samples of each (chosen). */
  looks: 24,
  lookSamples: 4096,
  /** Highest line looked at as a part of the rate: what the recorder’s filter leaves (common practice). */
  topPart: 0.45,
  /** The floor is this quantile of a cell of so many bins at least, over what noise has there: −ln(1 − 0.4) of its mean. */
  floorQuantile: 0.4,
  floorOfMean: 0.51,
  floorBins: 24,
  /** Least share of the axis that weak and strong lines, and none, are taken to cover (chosen). */
  leastCovered: { none: 0.05, weak: 0.02, strong: 0.005 },
  /** Loud frames are those of this quantile of level; so many quiet ones in a row end a stretch (chosen). */
  loudQuantile: 0.9,
  bridged: 2,
  /** A speed that spreads by more, between its 5th and its 95th part, has changed; with fewer teeth a line it stands on few (chosen). */
  changingPart: 0.03,
  changingQuantile: 0.05,
  fewTeeth: 1.5,
  /** Least scatter of a speed, and that of a stretch without a step, as parts of it (chosen). */
  leastScatter: 2e-4,
  unknownScatter: 0.01,
  /** Recorder clocks lie within this, percent: 100 ppm (common practice). */
  clockPercent: 0.01,
  /** Rivals lie at least so far apart, as a part of the speed, and there are so many at most (chosen). */
  rivalPart: 0.03,
  mostRivals: 6,
  /** A stretch is sound above this part of the loud frames' level, for at least so long. */
  soundingPart: 0.1,
  shortestStretchS: 0.6,
  /** Usual range when nothing is said, rpm. */
  lowestRpm: 100,
  highestRpm: 40000,
} as const;

/** A change smaller than this is no load, percent (common practice: a fan drifts 1 to 2 % as it warms). */
export const LEAST_DROOP_PERCENT = 2.5;

/** Speeds are taken over this long about each mark, seconds. */
export const MARK_S = 0.5;
