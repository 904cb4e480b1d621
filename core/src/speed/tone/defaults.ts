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
