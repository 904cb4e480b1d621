/**
 * Strobe-disc arithmetic: which ring of bars stands still under a flashing lamp, and how far off a
 * platter is when the ring drifts.
 *
 * Model: N equal bars at n rpm pass N n / 60 bars a second and stand still when that equals the
 * flash rate. Readings hold while the drift is well under half a bar a flash.
 */
import { CoreError, requirePositive } from '../../errors.js';

/** Record speeds a printed disc carries rings for, rpm (IEC 60098, from memory). */
export const DISC_SPEEDS_RPM = [50 / 3, 100 / 3, 45, 78.26] as const;

/** A ring as it is printed: bars for a speed under a flash rate. */
export interface StrobeRing {
  readonly bars: number;
  readonly nominalRpm: number;
  readonly mainsHz: 50 | 60;
}

/** Bars for zero drift, 60 F / n, to the nearest whole bar: 120 flashes a second and 33 1/3 rpm give 216. */
export function ringBars(flashHz: number, nominalRpm: number): number {
  return Math.round((60 * requirePositive(flashHz, 'flashHz')) / requirePositive(nominalRpm, 'nominalRpm'));
}

/**
 * Speed at which `bars` stand still: 180 bars under 100 flashes a second give 33.333 rpm.
 * @throws CoreError OUT_OF_RANGE unless `bars` is a whole number of at least 1.
 */
export function standstillRpm(bars: number, flashHz: number): number {
  if (!Number.isInteger(bars) || bars < 1) {
    throw new CoreError('OUT_OF_RANGE', 'bars must be a whole number of at least 1', { bars });
  }
  return (60 * requirePositive(flashHz, 'flashHz')) / bars;
}

/** Speed from drift in bars a minute along the platter's own sense: 216 bars, 120 Hz, +24 give 33.444 rpm. */
export function driftRpm(bars: number, flashHz: number, driftBarsPerMin: number): number {
  return standstillRpm(bars, flashHz) + driftBarsPerMin / bars;
}

/** The rings a disc for both mains carries. */
export const PRINTED_RINGS: readonly StrobeRing[] = ([50, 60] as const).flatMap((mainsHz) =>
  DISC_SPEEDS_RPM.map((nominalRpm) => ({ bars: ringBars(2 * mainsHz, nominalRpm), nominalRpm, mainsHz })),
);

/** Which printed ring has this many bars, if any: 216 is 33 1/3 under 60 Hz. */
export function printedRing(bars: number): StrobeRing | null {
  return PRINTED_RINGS.find((ring) => ring.bars === bars) ?? null;
}

/**
 * Other speeds at which the same ring seems to stand still: at twice the speed the pattern steps two
 * bars a flash; at half of it, it stands still with twice the bars.
 */
export function otherStandstills(bars: number, flashHz: number): { readonly double: number; readonly half: number } {
  const still = standstillRpm(bars, flashHz);
  return { double: 2 * still, half: still / 2 };
}
