/**
 * How long a capacitor takes to lose its charge through a resistor, and what the resistor must bear.
 *
 * Model: t = R C ln(V0 / V), energy C V0^2 / 2, power at the start V0^2 / R. Electrolytics may be 20 %
 * over their print, so the time is given for C and for 1.2 C. A computed time is never a proof.
 */
import { requirePositive } from '../errors.js';
import { CAPACITANCE_HIGH } from './defaults.js';
export { CAPACITANCE_HIGH } from './defaults.js';

/**
 * Volts d.c. under which a part may be touched: IEC 61010-1, from memory: 60 V dry, 35 V wet.
 */
export const TOUCH_LIMITS_V = { dry: 60, wet: 35 } as const;

/** A charge and the resistor it goes through: microfarads, volts, ohms, watts. */
export interface DischargeWish {
  readonly microfarad: number;
  readonly volts: number;
  readonly ohm: number;
  /** Rating of the resistor, watts; null when not known. */
  readonly watts: number | null;
}

/** Energy in joules, power in watts, times in seconds. */
export interface Discharge {
  readonly energyJ: number;
  /** Power in the resistor in the first instant, watts. */
  readonly startW: number;
  /** Seconds to each touch limit, for the printed capacitance and for one 20 % over; 0 when already under it. */
  readonly toDryS: { readonly printed: number; readonly high: number };
  readonly toWetS: { readonly printed: number; readonly high: number };
  /** Null when the rating is not known. */
  readonly tooSmall: boolean | null;
  /** Smallest resistance that its rating bears from the start, ohm; null when not known. */
  readonly leastOhm: number | null;
}

/**
 * 1000 uF at 400 V through 10 kohm: 80 J, 16 W at the start, 19 s to 60 V and 24 s to 35 V.
 * @throws CoreError OUT_OF_RANGE unless every value is above zero.
 */
export function dischargeOf({ microfarad, volts, ohm, watts }: DischargeWish): Discharge {
  requirePositive(microfarad, 'microfarad');
  requirePositive(volts, 'volts');
  requirePositive(ohm, 'ohm');
  if (watts !== null) requirePositive(watts, 'watts');
  const startW = volts ** 2 / ohm;
  const timeTo = (limit: number) => {
    const printed = volts > limit ? ohm * microfarad * 1e-6 * Math.log(volts / limit) : 0;
    return { printed, high: printed * CAPACITANCE_HIGH };
  };
  return {
    energyJ: (microfarad * 1e-6 * volts ** 2) / 2,
    startW,
    toDryS: timeTo(TOUCH_LIMITS_V.dry),
    toWetS: timeTo(TOUCH_LIMITS_V.wet),
    tooSmall: watts === null ? null : startW > watts,
    leastOhm: watts === null ? null : volts ** 2 / watts,
  };
}
