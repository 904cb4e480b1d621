/** The power state: what was said of it, corrected by what was measured since. */
import type { BenchEvent, PowerState } from './event.js';
import { isLive, POWER_WORDS } from './event.js';
import type { JobFacts } from './job.js';
import { holdsCharge } from './safety/stores.js';

/** The place under which what is left of a charge is measured. */
export const CHARGE_PLACE = 'charge left';

/**
 * Volts d.c. under which parts may be touched even when wet: IEC 61010-1 (from memory) has 60 V dry
 * and 35 V wet; the lower one holds for every family.
 */
export const TOUCH_LIMIT_V = 35;

export interface PowerNow {
  readonly state: PowerState;
  readonly since: string | null;
  /** A reading since it was last live says that the charge is gone, or nothing in it holds one. */
  readonly chargeProved: boolean;
}

/** Without a reading a unit that can hold charge is never called discharged, whatever was said. */
export function powerFrom(job: JobFacts, lines: readonly BenchEvent[]): PowerNow {
  const stores = holdsCharge(job);
  let state = startState(job, stores);
  let since: string | null = null;
  let chargeProved = !stores;
  for (const { body, enteredAt } of lines) {
    if (body.kind === 'power') {
      since = enteredAt;
      if (isLive(body.state)) chargeProved = !stores;
      state = unplugged(body.state) ? unpluggedState(chargeProved) : body.state;
    }
    const volts = chargeReading(body);
    if (volts === null || !stores) continue;
    const proved = volts < TOUCH_LIMIT_V && !isLive(state);
    if (proved !== chargeProved && unplugged(state)) since = enteredAt;
    chargeProved = proved;
    if (unplugged(state)) state = unpluggedState(chargeProved);
  }
  return { state, since, chargeProved };
}

const unplugged = (state: PowerState): boolean => state === 'unplugged-discharged' || state === 'unplugged-unknown';
const unpluggedState = (proved: boolean): PowerState => (proved ? 'unplugged-discharged' : 'unplugged-unknown');

function chargeReading(body: BenchEvent['body']): number | null {
  if (body.kind !== 'reading' || body.place !== CHARGE_PLACE || body.unit !== 'V' || body.bound === 'above')
    return null;
  return Math.abs(body.values[0] ?? Infinity);
}

/** Until something is said a unit may hold charge, or its pack may be in. */
function startState(job: JobFacts, stores: boolean): PowerState {
  return job.powerKind === 'pack' ? 'pack-in' : unpluggedState(!stores);
}

/** The state in words, for this unit: one that stores nothing worth fearing says so. */
export function powerWords(state: PowerState, job: Pick<JobFacts, 'familyId' | 'powerKind' | 'ratedVolts'>): string {
  if (unplugged(state) && !holdsCharge(job)) return 'Unplugged, no stored charge';
  return POWER_WORDS[state];
}

/** Neither live nor charged: only then is anything taken off, mended or measured dead. */
export const isDead = (unit: { readonly power: PowerState; readonly chargeProved: boolean }): boolean =>
  !isLive(unit.power) && unit.chargeProved;
