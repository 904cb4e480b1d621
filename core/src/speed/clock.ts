/** The recorder's clock against a known frequency: how fast it runs, and what is left unknown. */
import { requirePositive } from '../errors.js';
import { CLOCK_STABILITY_PPM } from './defaults.js';
export { CLOCK_STABILITY_PPM } from './defaults.js';

/** What a known frequency says of the sound card's clock, parts in a million. */
export interface ClockCalibration {
  /** What readings are multiplied with: 1 + correction / 10^6. A card that reads 10 ppm high gives -10. */
  readonly correctionPpm: number;
  /** Limit either way that remains, ppm. */
  readonly limitPpm: number;
}

/**
 * From a reference of `referenceHz` known within +-`referenceLimitPpm` that was read as `readHz` with
 * the expanded uncertainty `readExpandedPpm`: 1000 Hz read as 1000.02 Hz gives -20 ppm.
 * @throws CoreError OUT_OF_RANGE unless both frequencies are above zero.
 */
export function calibrateClock(
  referenceHz: number,
  referenceLimitPpm: number,
  readHz: number,
  readExpandedPpm: number,
): ClockCalibration {
  const ratio = requirePositive(referenceHz, 'referenceHz') / requirePositive(readHz, 'readHz');
  return {
    correctionPpm: 1e6 * (ratio - 1),
    limitPpm: Math.abs(referenceLimitPpm) + readExpandedPpm + CLOCK_STABILITY_PPM,
  };
}
