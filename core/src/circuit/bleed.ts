/**
 * How to bleed a charge that was measured: a resistor that bears it from the first instant, and how long
 * it takes; and from two falling readings the time until it may be touched.
 */
import { requirePositive } from '../errors.js';
import { dischargeOf, CAPACITANCE_HIGH } from './discharge.js';
import { MOST_START_W } from './defaults.js';

/** Resistors a bench has lying ready in wire-wound, ohm (common practice). */
const BLEED_OHMS = [100, 220, 470, 1000, 2200, 4700, 10_000, 22_000, 47_000, 100_000] as const;

/** Ratings of wire-wound resistors, watts (common practice). */
const RATINGS_W = [0.5, 1, 2, 5, 10, 25, 50] as const;

/** A resistor that bleeds a charge. */
export interface Bleed {
  readonly ohm: number;
  /** Power in the first instant, watts. */
  readonly startW: number;
  /** Rating to take, watts: the next one over `startW`. */
  readonly ratedW: number;
  /** Seconds until the limit, for a capacitor 20 % over its print. */
  readonly seconds: number;
  readonly energyJ: number;
}

/**
 * 311 V on 1000 uF down to 35 V: 10 kohm, 9.7 W at the start so a 10 W one, 26 s, 48 J.
 * @throws CoreError OUT_OF_RANGE unless every value is above zero.
 */
export function bleedFor(volts: number, microfarad: number, limitV: number): Bleed {
  requirePositive(volts, 'volts');
  requirePositive(microfarad, 'microfarad');
  requirePositive(limitV, 'limitV');
  const most = BLEED_OHMS[BLEED_OHMS.length - 1] as number;
  const ohm = BLEED_OHMS.find((one) => volts ** 2 / one <= MOST_START_W) ?? most;
  const { energyJ, startW } = dischargeOf({ microfarad, volts, ohm, watts: null });
  const seconds = volts > limitV ? ohm * microfarad * 1e-6 * CAPACITANCE_HIGH * Math.log(volts / limitV) : 0;
  const ratedW = RATINGS_W.find((one) => one >= startW) ?? Math.ceil(startW);
  return { ohm, startW, ratedW, seconds, energyJ };
}

/** One reading of a charge: volts, and when by the clock, seconds. */
export interface ChargeAt {
  readonly volts: number;
  readonly atS: number;
}

/**
 * Seconds from the second reading until `limitV`, on the exponential through both: 311 V and a minute
 * later 200 V reach 35 V 237 s after. Null when the charge does not fall: it is fed, or nothing bleeds it.
 */
export function timeToLimit(first: ChargeAt, second: ChargeAt, limitV: number): number | null {
  const elapsed = second.atS - first.atS;
  if (!(elapsed > 0) || !(second.volts > 0) || !(second.volts < first.volts)) return null;
  if (second.volts <= limitV) return 0;
  const tau = elapsed / Math.log(first.volts / second.volts);
  return tau * Math.log(second.volts / limitV);
}
