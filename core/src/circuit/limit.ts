/** The sum behind a fuse, a lamp in series or a current limit before first power. */
import { requirePositive } from '../errors.js';
import { LOOSE_TIMES } from './defaults.js';

/** What limits the current at first power. */
export const LIMIT_KINDS = ['fuse', 'lamp', 'current'] as const;
/** Names of the limits. */
export type LimitKind = (typeof LIMIT_KINDS)[number];

/** The unit's own current and what the limit lets through, amperes. */
export interface LimitSum {
  /** What the unit takes by its watts at its volts, amperes. */
  readonly unitA: number;
  /** What the limit lets through for good, amperes. */
  readonly limitA: number;
  /** A limit of more than three times the unit's current hardly limits; one under it does not let it start. */
  readonly verdict: 'fits' | 'loose' | 'tight';
}

/**
 * `value` in amperes for a fuse or limit, in watts of the lamp for a lamp: a 60 W lamp on 230 V lets
 * 0.26 A through into a short. A lamp limits, it does not isolate.
 * @throws CoreError OUT_OF_RANGE unless every value is above zero.
 */
export function limitSum(kind: LimitKind, value: number, volts: number, unitWatts: number): LimitSum {
  requirePositive(value, 'value');
  requirePositive(volts, 'volts');
  requirePositive(unitWatts, 'unitWatts');
  const unitA = unitWatts / volts;
  const limitA = kind === 'lamp' ? value / volts : value;
  return { unitA, limitA, verdict: limitA < unitA ? 'tight' : limitA > LOOSE_TIMES * unitA ? 'loose' : 'fits' };
}

/** Rated currents of cartridge fuses, amperes (preferred numbers R10 of ISO 3, as IEC 60127 takes them; 32 A of IEC 60269; from memory). */
const FUSES_A = [
  0.05, 0.063, 0.08, 0.1, 0.125, 0.16, 0.2, 0.25, 0.315, 0.4, 0.5, 0.63, 0.8, 1, 1.25, 1.6, 2, 2.5, 3.15, 4, 5, 6.3, 8,
  10, 12.5, 16, 20, 25, 32,
] as const;

/** Lamps people have at hand, watts (common practice). */
const LAMPS_W = [15, 25, 40, 60, 100, 150, 200, 300, 500, 1000] as const;

/** A first proposal: the smallest that lets at least 1.5 times the unit's own current through. */
export function proposedLimit(kind: LimitKind, volts: number, unitWatts: number): number {
  requirePositive(volts, 'volts');
  requirePositive(unitWatts, 'unitWatts');
  const wanted = (1.5 * unitWatts) / volts;
  const list: readonly number[] = kind === 'lamp' ? LAMPS_W : FUSES_A;
  const scale = kind === 'lamp' ? volts : 1;
  return list.find((value) => value / scale >= wanted) ?? (list[list.length - 1] as number);
}
