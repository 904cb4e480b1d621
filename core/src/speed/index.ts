export * from './tone/index.js';
export * from './stopwatch.js';
export * from './verdict.js';
export * from './ribbon.js';
export * from './ribbonMarks.js';
export * from './clock.js';
export * from './parts.js';
export * from './typedPart.js';
export * from './wowByPart.js';
export * from './figureInUse.js';
export * from './turnProfile.js';
export * from './rotation/result.js';
export * from './asked.js';
export * from './rotation/columns.js';
export * from './rotation/gyroColumns.js';
export { TIME_UNITS } from './rotation/timeBase.js';
export type { WeakSegment } from './rotation/weak.js';
export * from './rotation/pulses.js';
export * from './rotation/pulseResult.js';
export * from './rotation/signal.js';
export { measureGyro, UNCALIBRATED_SCALE_PERCENT } from './rotation/gyro.js';
export * from './rotation/gyroResult.js';
export * from './rotation/runDown.js';
export * from './strobe/ring.js';
export * from './strobe/reading.js';
export {
  DISC_SIZES_MM,
  discProblems,
  discRings,
  HOLES_MM,
  ringRadii,
  type DiscProblem,
  type DiscRing,
  type DiscWish,
} from './strobe/disc.js';
export { drawDisc } from './strobe/discDrawing.js';
export { ringLook, type RingLook } from './strobe/motion.js';
export * from './live/meter.js';
export * from './live/pulses.js';
export * from './sound/result.js';
export * from './sound/measure.js';
export * from './sound/droop.js';
export * from './sound/runs.js';
export * from './sound/synth.js';
export { SOUND_DEFAULTS } from './sound/defaults.js';
export * from './run/result.js';
export * from './run/make.js';
export * from './run/played.js';
export * from './run/doubt.js';
export * from './run/compare.js';
export * from './run/working.js';
export * from './noise/index.js';
