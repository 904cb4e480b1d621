/** How the charge that was measured in this unit is bled: resistor, rating and wait for each of its stores. */
import { bleedFor, type Bleed } from '../../circuit/index.js';
import { CHARGE_PLACE, TOUCH_LIMIT_V } from '../charge.js';
import type { BenchEvent } from '../event.js';
import type { JobFacts } from '../job.js';
import { storesOf } from './stores.js';

/** How to bleed a charge: ohms, watts, seconds. */
export interface BleedPlan extends Bleed {
  readonly store: string;
  /** Capacitance counted with, microfarads, and whether it was typed from the part or is usual for the kind. */
  readonly microfarad: number;
  readonly from: 'part' | 'usual';
}

/** For `volts` left: the store named by the place, or the largest there is; null when the unit stores nothing. */
export function bleedPlan(
  job: JobFacts,
  lines: readonly BenchEvent[],
  volts: number,
  place: string | null = CHARGE_PLACE,
): BleedPlan | null {
  const stores = storesOf(job).map(({ store }) => store);
  const named = stores.find((one) => place !== null && one.name.toLowerCase() === place.toLowerCase());
  const store = named ?? [...stores].sort((a, b) => b.microfarad - a.microfarad)[0];
  if (!store || !(volts > 0)) return null;
  const typed = lines.findLast(({ body }) => body.kind === 'charge' && body.storeId === store.id)?.body;
  const microfarad = typed?.kind === 'charge' ? typed.microfarad : store.microfarad;
  return {
    ...bleedFor(volts, microfarad, TOUCH_LIMIT_V),
    store: store.name,
    microfarad,
    from: typed ? 'part' : 'usual',
  };
}
