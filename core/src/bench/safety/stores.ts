/** What in this unit may hold a charge. */
import { familyOf, type ChargeStore } from '../../families/index.js';
import type { JobFacts } from '../job.js';

/** A store of the family with the volts it can reach in this unit. */
export interface UnitStore {
  readonly store: ChargeStore;
  /** Peak volts; null when neither a fixed value nor the rated volts are known. */
  readonly volts: number | null;
}

type Unit = Pick<JobFacts, 'familyId' | 'powerKind' | 'ratedVolts'>;

/** Stores of the unit as it is powered; empty when nothing in it holds a charge worth fearing. */
export function storesOf(unit: Unit): UnitStore[] {
  return familyOf(unit.familyId)
    .stores.filter((store) => store.powerKinds.includes(unit.powerKind))
    .map((store) => ({ store, volts: voltsOf(store, unit.ratedVolts) }));
}

function voltsOf(store: ChargeStore, ratedVolts: number | null): number | null {
  if ('fixed' in store.volts) return store.volts.fixed;
  return ratedVolts === null ? null : ratedVolts * store.volts.ofRated;
}

/** True when a charge must be proved gone before anything is touched. */
export const holdsCharge = (unit: Unit): boolean => storesOf(unit).length > 0;
