/** Take-up of tape: the reel must always want to turn faster than the tape arrives, from the bare hub to the full reel. */
import { requirePositive } from '../../errors.js';

/** Turns a minute that winding takes at a radius: 47.625 mm/s at 11 mm is 41.34, at 25 mm 18.19. */
export function windingRpm(tapeMmPerS: number, radiusMm: number): number {
  return (60 * requirePositive(tapeMmPerS, 'tapeMmPerS')) / (2 * Math.PI * requirePositive(radiusMm, 'radiusMm'));
}

/** Margin of a reel drive's free speed over what the bare hub asks for, percent; below zero the tape spills. */
export const takeUpMargin = (tapeMmPerS: number, hubRadiusMm: number, spindleRpm: number): number =>
  100 * (requirePositive(spindleRpm, 'spindleRpm') / windingRpm(tapeMmPerS, hubRadiusMm) - 1);
