/** What stands on the shelf, computed from its lines: nothing is counted by hand twice. */
import { wilsonInterval } from '../../numeric/index.js';
import { dayNumber, dayText } from '../../quantity/index.js';
import type { LotBody, ShelfLine } from './body.js';
import { say } from '../../words/index.js';
import { REORDER_SAFETY } from '../defaults.js';

/** A lot as it stands. */
export interface Lot {
  readonly key: string;
  readonly lot: LotBody;
  readonly arrivedOn: string | null;
  readonly tested: number;
  readonly bad: number;
  readonly used: number;
  readonly failed: number;
  /** Set aside, by job number; what was built into that job no longer counts. */
  readonly reserved: ReadonlyMap<number | null, number>;
  /** Here and not bad. */
  readonly onHand: number;
  /** Here, not bad and not set aside. */
  readonly free: number;
  /** Not here yet. */
  readonly onOrder: number;
  /** The newest line that speaks of it, the lot's own when there is no other: it can be taken back. */
  readonly last: { readonly key: string; readonly kind: ShelfLine['body']['kind'] };
  /** Here and not tested; the last day on which a bad one can be claimed. Null when all are tested or it is too late. */
  readonly testBy: string | null;
  /** What it serves: said of the lot, or learnt from what it was taken for. */
  readonly serves: ReadonlySet<string>;
}

/** Counts with the share of bad ones and its 95 % interval (Wilson). */
export interface Score {
  readonly name: string;
  /** Pieces whose fate is known: tested on arrival or built in. */
  readonly known: number;
  readonly deadOnArrival: number;
  readonly failedEarly: number;
  readonly badShare: number;
  readonly interval: readonly [number, number];
}

/** The whole shelf. */
export interface Shelf {
  readonly lots: readonly Lot[];
  readonly suppliers: readonly Score[];
  readonly parts: readonly (Score & PartStock)[];
  /** Lines that cannot be: more used than came, a lot that is not there. */
  readonly problems: readonly { readonly key: string; readonly message: string }[];
}

/** Stock of one part over all its lots. */
export interface PartStock {
  readonly free: number;
  readonly onOrder: number;
  /** Used a day, over the days since the part was first bought. */
  readonly usedPerDay: number;
  /** Days from order to arrival, mean of the lots that came; null without one. */
  readonly leadDays: number | null;
  /** Order when free and on order fall to this; null while use or lead time is not known. */
  readonly reorderAt: number | null;
}

interface Growing {
  lot: LotBody;
  arrivedOn: string | null;
  good: number;
  bad: number;
  used: number;
  failed: number;
  reserved: Map<number | null, number>;
  last: Lot['last'];
  serves: Set<string>;
}

/** Reads all lines in the order they came; `today` is a day as YYYY-MM-DD. */
export function shelfOf(lines: readonly ShelfLine[], today: string): Shelf {
  const struck = new Set(lines.flatMap(({ body }) => (body.kind === 'strike' ? [body.target] : [])));
  const lots = new Map<string, Growing>();
  const problems: { key: string; message: string }[] = [];
  for (const { key, body } of lines) {
    if (struck.has(key) || body.kind === 'strike') continue;
    if (body.kind === 'lot') {
      const arrivedOn = body.expectedOn === null ? body.orderedOn : null;
      lots.set(key, {
        lot: body,
        arrivedOn,
        good: 0,
        bad: 0,
        used: 0,
        failed: 0,
        reserved: new Map(),
        last: { key, kind: 'lot' },
        serves: new Set(body.serves),
      });
      continue;
    }
    const one = lots.get(body.lot);
    const message = one ? take(one, body) : say`It names a lot that is not on the shelf.`;
    if (message) problems.push({ key, message });
    else if (one) {
      one.last = { key, kind: body.kind };
      if ('serves' in body && body.serves !== undefined) one.serves.add(body.serves);
    }
  }
  const all = [...lots].map(([key, one]) => lotOf(key, one, today));
  return {
    lots: all,
    suppliers: scores(all, (one) => one.lot.supplier),
    parts: scores(all, (one) => one.lot.part).map((score) => ({ ...score, ...stockOf(all, score.name, today) })),
    problems,
  };
}

/** Takes one line into its lot; says why it cannot be. */
function take(one: Growing, body: Exclude<ShelfLine['body'], { kind: 'lot' | 'strike' }>): string | null {
  const here = one.arrivedOn === null ? 0 : one.lot.quantity - one.bad - one.used;
  switch (body.kind) {
    case 'arrived':
      one.arrivedOn = body.on;
      return null;
    case 'tested':
      if (one.arrivedOn === null) return say`It has not come yet.`;
      if (one.good + one.bad + body.good + body.bad > one.lot.quantity || body.bad > here)
        return say`More tested than came.`;
      one.good += body.good;
      one.bad += body.bad;
      return null;
    case 'reserved': {
      if (body.quantity > one.lot.quantity - one.bad - one.used - asideFor(one))
        return say`More set aside than is free.`;
      one.reserved.set(body.job, (one.reserved.get(body.job) ?? 0) + body.quantity);
      return null;
    }
    case 'released':
      one.reserved.set(body.job, Math.max(0, (one.reserved.get(body.job) ?? 0) - body.quantity));
      return null;
    case 'used':
      if (body.quantity > here) return say`More used than is here.`;
      if (body.quantity > here - asideFor(one, (job) => job !== body.job))
        return say`The rest is set aside for another job: give it back there first.`;
      one.used += body.quantity;
      one.reserved.set(body.job, Math.max(0, (one.reserved.get(body.job) ?? 0) - body.quantity));
      return null;
    case 'failed':
      if (one.failed + body.quantity > one.used) return say`More failed than were built in.`;
      one.failed += body.quantity;
      return null;
  }
}

/** Pieces set aside, for all jobs or for some. */
const asideFor = (one: Growing, whose: (job: number | null) => boolean = () => true): number =>
  [...one.reserved].reduce((sum, [job, count]) => sum + (whose(job) ? count : 0), 0);

function lotOf(key: string, one: Growing, today: string): Lot {
  const { lot, arrivedOn, good, bad, used, failed } = one;
  const reserved = new Map([...one.reserved].filter(([, count]) => count > 0));
  const onHand = arrivedOn === null ? 0 : lot.quantity - bad - used;
  const untested = arrivedOn !== null && good + bad < lot.quantity - used;
  const last = arrivedOn === null ? 0 : dayNumber(arrivedOn) + lot.claimDays;
  return {
    key,
    lot,
    arrivedOn,
    tested: good + bad,
    bad,
    used,
    failed,
    reserved,
    last: one.last,
    serves: one.serves,
    onHand,
    free: Math.max(0, onHand - asideFor(one)),
    onOrder: arrivedOn === null ? lot.quantity : 0,
    testBy: untested && last >= dayNumber(today) ? dayText(last) : null,
  };
}

function scores(lots: readonly Lot[], nameOf: (lot: Lot) => string): Score[] {
  const groups = new Map<string, Lot[]>();
  for (const lot of lots) groups.set(nameOf(lot), [...(groups.get(nameOf(lot)) ?? []), lot]);
  const sum = (some: readonly Lot[], of: (lot: Lot) => number) => some.reduce((total, lot) => total + of(lot), 0);
  return [...groups]
    .map(([name, some]) => {
      const deadOnArrival = sum(some, (lot) => lot.bad);
      const failedEarly = sum(some, (lot) => lot.failed);
      // A piece that was tested good and then built in is one piece.
      const known = sum(some, (lot) => Math.max(lot.tested, lot.used + lot.bad));
      const bad = deadOnArrival + failedEarly;
      const badShare = known > 0 ? bad / known : 0;
      return { name, known, deadOnArrival, failedEarly, badShare, interval: wilsonInterval(bad, known) };
    })
    .sort((a, b) => a.name.localeCompare(b.name, 'en'));
}

function stockOf(lots: readonly Lot[], part: string, today: string): PartStock {
  const own = lots.filter((one) => one.lot.part === part);
  const sum = (of: (lot: Lot) => number) => own.reduce((total, lot) => total + of(lot), 0);
  const came = own.filter((one) => one.arrivedOn !== null && one.lot.expectedOn !== null);
  const leads = came.map((one) => Math.max(0, dayNumber(one.arrivedOn as string) - dayNumber(one.lot.orderedOn)));
  const leadDays = leads.length > 0 ? leads.reduce((total, days) => total + days, 0) / leads.length : null;
  const since = Math.min(...own.map((one) => dayNumber(one.lot.orderedOn)));
  const usedPerDay = sum((one) => one.used) / Math.max(1, dayNumber(today) - since);
  return {
    free: sum((one) => one.free),
    onOrder: sum((one) => one.onOrder),
    usedPerDay,
    leadDays,
    reorderAt: leadDays === null || usedPerDay === 0 ? null : Math.ceil(REORDER_SAFETY * usedPerDay * leadDays),
  };
}

/** Parts built into a job, as "2 × belt, from Fergebod"; struck lines do not count. */
export function partsOfJob(lines: readonly ShelfLine[], jobNumber: number): string[] {
  const struck = new Set(lines.flatMap(({ body }) => (body.kind === 'strike' ? [body.target] : [])));
  const lots = new Map(lines.flatMap(({ key, body }) => (body.kind === 'lot' ? [[key, body] as const] : [])));
  const used = new Map<string, number>();
  for (const { key, body } of lines)
    if (body.kind === 'used' && body.job === jobNumber && !struck.has(key))
      used.set(body.lot, (used.get(body.lot) ?? 0) + body.quantity);
  return [...used].flatMap(([key, quantity]) => {
    const lot = lots.get(key);
    return lot ? [say`${quantity} × ${lot.part}, from ${lot.supplier}`] : [];
  });
}
