/** What the shelf has for a mend: pieces that are free, pieces on their way, and how long such parts take. */
import type { Lot, Shelf } from './shelf.js';

/** Lots of every part that serves it: what one lot of a part serves, all of that part serve. */
export function lotsServing(shelf: Shelf, what: string): Lot[] {
  const parts = new Set(shelf.lots.filter((one) => one.serves.has(what)).map((one) => one.lot.part));
  return shelf.lots.filter((one) => parts.has(one.lot.part));
}

/** Pieces here and not set aside for another job than `job`. */
export const freeFor = (lot: Lot, job: number | null): number =>
  lot.free + (job === null ? 0 : (lot.reserved.get(job) ?? 0));

/** Pieces here, free or set aside for this job, over all lots that serve it. */
export const hereFor = (shelf: Shelf, what: string, job: number | null): number =>
  lotsServing(shelf, what).reduce((sum, one) => sum + Math.min(one.onHand, freeFor(one, job)), 0);
