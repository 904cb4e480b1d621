/** What the parts of a mend cost and how long they take, and where that is known from. */
import type { PathRepair } from '../../families/index.js';
import { dayNumber } from '../../quantity/index.js';
import { freeFor, lotsServing, servesMend, type Lot, type Shelf } from '../shelf/index.js';
import type { QuoteBody } from './body.js';
export { PARTS_DAYS } from '../defaults.js';

/** Parts of one mend. */
export interface Offer {
  /** All of them, in the shop's currency. */
  readonly money: number;
  /** Days until they are here; 0 for what lies on the shelf, or needs none. */
  readonly days: number;
  /** Where the days are known from. */
  readonly from: 'none' | 'shelf' | 'ordered' | 'asked' | 'lead' | 'usual';
  /** The price is one that was paid or asked here, not the family's guess. */
  readonly priced: boolean;
  /** The lot that has a piece for it, here or on its way; null for none. */
  readonly lot: Lot | null;
}

/** What an offer rests on. */
export interface OfferBasis {
  readonly familyId: string;
  /** Null while it is not known. */
  readonly shelf: Shelf | null;
  readonly quotes: ReadonlyMap<string, QuoteBody>;
  readonly jobNumber: number | null;
  readonly partsDays: number;
  /** Today as YYYY-MM-DD. */
  readonly today: string;
}

/** What the parts of this mend cost and how long they take. What was asked last goes before what the shelf paid. */
export function offerOf(repair: PathRepair, basis: OfferBasis): Offer {
  const quote = basis.quotes.get(repair.id);
  const lots = basis.shelf ? lotsServing(basis.shelf, servesMend(basis.familyId, repair.id)) : [];
  const here = lots.find((one) => one.onHand > 0 && freeFor(one, basis.jobNumber) > 0) ?? null;
  if (repair.money === 0 && !quote && lots.length === 0)
    return { money: 0, days: 0, from: 'none', priced: true, lot: null };
  const paid = (here ?? lots.findLast((one) => one.lot.price !== null))?.lot.price ?? null;
  const money = quote?.money ?? paid ?? repair.money;
  const priced = quote !== undefined || paid !== null;
  if (here) return { money, days: 0, from: 'shelf', priced, lot: here };
  const coming = soonest(lots, basis);
  if (coming && (quote?.days ?? Infinity) >= coming.days) return { money, priced, from: 'ordered', ...coming };
  if (quote && quote.days !== null) return { money, days: quote.days, from: 'asked', priced, lot: null };
  return { money, priced, lot: null, ...usualDays(repair, lots, basis) };
}

/** The lot on its way that comes first and has a piece that nobody else waits for. */
function soonest(lots: readonly Lot[], { jobNumber, today }: OfferBasis): Pick<Offer, 'days' | 'lot'> | null {
  const coming = lots.flatMap((lot) => {
    if (lot.onOrder === 0 || lot.lot.expectedOn === null) return [];
    const others = [...lot.reserved].reduce((sum, [job, count]) => sum + (job === jobNumber ? 0 : count), 0);
    const days = dayNumber(lot.lot.expectedOn) - dayNumber(today);
    // What should have come already says nothing of when it will.
    return days >= 0 && lot.onOrder > others ? [{ lot, days }] : [];
  });
  return coming.sort((a, b) => a.days - b.days)[0] ?? null;
}

function usualDays(repair: PathRepair, lots: readonly Lot[], basis: OfferBasis): Pick<Offer, 'days' | 'from'> {
  const part = lots.at(-1)?.lot.part;
  const lead = basis.shelf?.parts.find((one) => one.name === part)?.leadDays ?? null;
  if (lead !== null) return { days: Math.ceil(lead), from: 'lead' };
  return { days: repair.days ?? basis.partsDays, from: 'usual' };
}
