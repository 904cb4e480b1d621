/** What is left of a charge: one truth, whichever stage and spelling the reading came in. */
import { ownEntry } from '../quantity/index.js';
import { timeToLimit } from '../circuit/index.js';
import { PATHS } from '../families/index.js';
import type { BenchEvent, ReadingBody } from './event.js';
import type { JobFacts } from './job.js';
import { storesOf } from './safety/stores.js';
import { SAME_FALL_S } from './defaults.js';

/** The place under which what is left of a charge is measured. */
export const CHARGE_PLACE = 'charge left';

/**
 * Volts d.c. under which parts may be touched even when wet: IEC 61010-1 (from memory) has 60 V dry
 * and 35 V wet; the lower one holds for every family.
 */
export const TOUCH_LIMIT_V = 35;

/** Names under which people speak of a store of charge, by its id (common practice). */
export const STORE_ALIASES: Readonly<Record<string, readonly string[]>> = {
  primary: ['primary reservoir', 'primary cap', 'primary capacitor', 'main cap', 'main capacitor', 'big cap'],
  'run-capacitor': ['run capacitor', 'run cap', 'motor capacitor'],
  filter: ['interference capacitors', 'interference capacitor', 'filter capacitor', 'x2', 'plug pins', 'pins'],
  bus: ['inverter bus', 'bus', 'dc bus', 'd.c. bus', 'bus capacitor', 'bus capacitors', 'dc link', 'link'],
  bulk: ['bulk capacitor of the controller', 'bulk capacitor', 'bulk cap', 'bulk', 'controller input', 'main cap'],
};

/** Names that mean a store of charge in any unit that has one. */
const ANY_STORE = [CHARGE_PLACE, 'charge', 'caps', 'capacitor', 'capacitors', 'main cap'] as const;

/** The reservoir of a unit whose path measures none under that name is its store. */
const RESERVOIR = 'reservoir';

type Unit = Pick<JobFacts, 'familyId' | 'powerKind' | 'ratedVolts'>;

/** Places where volts in this unit are a charge, in lower case; empty when it stores none. */
export function chargePlaces(unit: Unit): ReadonlySet<string> {
  const stores = storesOf(unit);
  if (stores.length === 0) return new Set();
  const path = PATHS.get(unit.familyId);
  const measured = path?.signals.some((one) => one.measure?.place.toLowerCase().startsWith(RESERVOIR)) ?? false;
  return new Set([
    ...ANY_STORE,
    ...(measured ? [] : [RESERVOIR]),
    ...stores.flatMap(({ store }) => [store.name.toLowerCase(), ...(ownEntry(STORE_ALIASES, store.id) ?? [])]),
  ]);
}

/**
 * Volts that a line says are left, or null when it says nothing of it. Alternating volts say nothing of a
 * charge; "above 30 V" is at least that and proves nothing; of several values the largest counts.
 */
export function chargeVolts(
  body: BenchEvent['body'],
  place: string | null,
  places: ReadonlySet<string>,
): { readonly volts: number; readonly atLeast: boolean } | null {
  if (body.kind !== 'reading' || place === null || !places.has(place.toLowerCase())) return null;
  if (!isDirectVolts(body)) return null;
  if (body.bound === 'short' || body.values.length === 0) return null;
  const volts = Math.max(...body.values.map(Math.abs));
  return { volts, atLeast: body.bound === 'above' || body.bound === 'overload' };
}

const isDirectVolts = (body: ReadingBody): boolean =>
  body.unit === 'V' && (body.qualifier === null || body.qualifier === 'dc') && body.bound !== 'open';

/** A charge that was measured and is over the limit. */
export interface ChargeLeft {
  readonly key: string;
  readonly volts: number;
  readonly at: string;
  /** By the last two falling readings: when it will be under the limit, ISO 8601; null when they do not tell. */
  readonly safeAt: string | null;
}

/** The charge over the limit after a further reading. */
export function nextCharge(before: ChargeLeft | null, key: string, volts: number, at: string): ChargeLeft {
  const seconds = (iso: string) => Date.parse(iso) / 1000;
  const near = before !== null && seconds(at) - seconds(before.at) <= SAME_FALL_S;
  const wait = near
    ? timeToLimit({ volts: before.volts, atS: seconds(before.at) }, { volts, atS: seconds(at) }, TOUCH_LIMIT_V)
    : null;
  return { key, volts, at, safeAt: wait === null ? null : new Date(Date.parse(at) + 1000 * wait).toISOString() };
}
