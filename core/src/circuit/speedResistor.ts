/** A resistor added for another speed, and what follows from the parts one can buy (handbook formulae). */
import { requirePositive } from '../errors.js';

/** How the speed goes with the resistor: as 1/R (a timed period or current), or as R (a reference voltage). */
export const SPEED_LAWS = ['1/R', 'R'] as const;
/** Names of the laws. */
export type SpeedLaw = (typeof SPEED_LAWS)[number];

/** A resistor across the fitted one or in series with it, ohms. */
export interface AddedResistor {
  readonly how: 'parallel' | 'series';
  readonly ohm: number;
}

/**
 * The resistor that turns speed n1 into n2: with n as 1/R faster is parallel, Rp = R / (n2/n1 - 1), slower is
 * series. 41.07 kohm, 45 to 78 rpm, 1/R: 56 kohm parallel. Null for the same speed.
 * @throws CoreError OUT_OF_RANGE unless all are above zero.
 */
export function addedFor(law: SpeedLaw, fittedOhm: number, n1: number, n2: number): AddedResistor | null {
  requirePositive(fittedOhm, 'fittedOhm');
  requirePositive(n1, 'n1');
  requirePositive(n2, 'n2');
  const wanted = fittedOhm * (law === '1/R' ? n1 / n2 : n2 / n1);
  if (Math.abs(wanted / fittedOhm - 1) < 1e-9) return null;
  return wanted < fittedOhm
    ? { how: 'parallel', ohm: (wanted * fittedOhm) / (fittedOhm - wanted) }
    : { how: 'series', ohm: wanted - fittedOhm };
}

/** Speed with a resistor added to the fitted one; `contactOhm` stands in series with the added one where that is parallel. */
export function speedWith(law: SpeedLaw, fittedOhm: number, n1: number, added: AddedResistor, contactOhm = 0): number {
  const own = added.ohm + contactOhm;
  const total = added.how === 'parallel' ? (fittedOhm * own) / (fittedOhm + own) : fittedOhm + own;
  return law === '1/R' ? (n1 * fittedOhm) / total : (n1 * total) / fittedOhm;
}

/** The fitted value from what an added resistor did: 56 kohm parallel that turned 45 into 78 sits on 41.07 kohm. Null when it cannot be. */
export function fittedFrom(law: SpeedLaw, added: AddedResistor, n1: number, n2: number): number | null {
  const ratio = law === '1/R' ? n1 / n2 : n2 / n1;
  // Total over fitted is `ratio`: under one for parallel, over one for series.
  const ohm = added.how === 'parallel' ? added.ohm * (1 / ratio - 1) : added.ohm / (ratio - 1);
  return Number.isFinite(ohm) && ohm > 0 ? ohm : null;
}

/** The law by two readings: the speed at one resistor and at another. Null when neither fits within a tenth of the change. */
export function lawFrom(ohmA: number, nA: number, ohmB: number, nB: number): SpeedLaw | null {
  const [r, n] = [Math.log(ohmB / ohmA), Math.log(nB / nA)];
  if (!(Math.abs(r) > 0.01)) return null;
  const power = n / r;
  return Math.abs(power + 1) < 0.1 ? '1/R' : Math.abs(power - 1) < 0.1 ? 'R' : null;
}

/** Current and power of a zener fed through a resistor, amperes and watts; the current is nought when the feed is too weak. */
export function zenerAt(
  supplyV: number,
  zenerV: number,
  feedOhm: number,
  loadA: number,
): { amps: number; watts: number } {
  requirePositive(feedOhm, 'feedOhm');
  const amps = Math.max(0, (supplyV - zenerV) / feedOhm - loadA);
  return { amps, watts: amps * zenerV };
}
