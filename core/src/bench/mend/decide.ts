/**
 * The decision: mends side by side, with what each costs until the unit works. Repairs tried in falling order of
 * chance over cost have the least expected cost, for one fault, costs apart and the cure seen after each
 * (Kalagnanam & Henrion 1988; Heckerman, Breese & Rommelse 1995; from memory). With two faults it is a guide: it is
 * reckoned anew after every mend.
 */
import { curedBy, type MendAdvice, type Suspect } from '../../diagnosis/index.js';
import type { DrivePath } from '../../families/index.js';
import type { TermsBody } from './body.js';

/** An hour of the bench in money when the shop says nothing else (the same 60 that the advice reckons with; our choice). */
export const HOUR_MONEY = 60;

/** A mend as it may be chosen. */
export interface MendOption {
  readonly id: string;
  readonly name: string;
  /** Chance that it cures, a fraction, from what was seen. */
  readonly chance: number;
  /** Minutes of hands, with reaching the part. */
  readonly minutes: number;
  /** Waiting that it brings, minutes: curing, drying, running in. */
  readonly waitMin: number;
  /** Parts, money. */
  readonly partsMoney: number;
  /** Parts and hands together, money. */
  readonly money: number;
  /** Expected money until the unit works, begun with this one, the others after it in their best order. */
  readonly expectedCost: number;
  /** What it leaves undone or what has to follow; null for nothing. */
  readonly leaves: string | null;
  /** Where practice differs: the dispute, and the case for this way; null for none. */
  readonly school: { readonly id: string; readonly case: string } | null;
  /** Why it must not be done now. */
  readonly forbidden: string | null;
  /** It costs more than the owner's ceiling. */
  readonly overCeiling: boolean;
}

/** Mends side by side; chances are fractions, money is the shop's. */
export interface Decision {
  /** The best first; forbidden ones last. */
  readonly options: readonly MendOption[];
  /** Chance that none of them cures it. */
  readonly uncured: number;
  /** The likeliest one with parts comes before the likeliest other while its parts cost less than this; null without such a pair. */
  readonly turning: { readonly best: string; readonly other: string; readonly partsMoney: number } | null;
  /** Why one had better stop; null while it pays. */
  readonly stop: string | null;
}

/** A mend as its cost is reckoned: what it takes, and which faults it cures. */
interface Try {
  readonly money: number;
  /** What reaching the part costs from where the unit stands; what an earlier mend opened is open. */
  readonly reach: number;
  readonly cures: readonly { readonly mode: string; readonly residual: number }[];
}

/**
 * Expected money of trying in this order, and the chance that none cures it: each is paid only while those before it
 * have not cured. Two mends of one fault cure it once. `faults`: chance by fault, fractions, one fault in the unit.
 * Faults 0.5 and 0.3, a mend of 10 for the first and of 20 for the second: 10 + 0.5 · 20 = 20, 0.2 uncured.
 */
export function expectedCost(
  order: readonly Try[],
  faults: ReadonlyMap<string, number>,
): { money: number; uncured: number } {
  const open = new Map(faults);
  let [money, uncured, reached] = [0, 1, 0];
  for (const one of order) {
    money += uncured * (one.money + Math.max(0, one.reach - reached));
    reached = Math.max(reached, one.reach);
    for (const { mode, residual } of one.cures) {
      const left = open.get(mode) ?? 0;
      uncured = Math.max(0, uncured - left * (1 - residual));
      open.set(mode, left * residual);
    }
  }
  return { money, uncured };
}

/** The rest in falling chance over cost, what was tried before it taken off: disjoint mends stand in their best order. */
function bestAfter<T extends Try>(first: readonly T[], rest: readonly T[], faults: ReadonlyMap<string, number>): T[] {
  const order = [...first];
  const left = new Set(rest);
  while (left.size > 0) {
    const before = expectedCost(order, faults).uncured;
    const reached = Math.max(0, ...order.map((one) => one.reach));
    const worth = (one: T) =>
      (before - expectedCost([...order, one], faults).uncured) / (one.money + Math.max(0, one.reach - reached));
    const next = [...left].reduce((best, one) => (worth(one) > worth(best) ? one : best));
    left.delete(next);
    order.push(next);
  }
  return order;
}

/** Chances of single faults: where two are likely at once they count more than once, and are brought back to one. */
function faultsOf(suspects: readonly Suspect[]): ReadonlyMap<string, number> {
  const all = suspects.flatMap(({ modes }) => modes);
  const whole = Math.max(
    1,
    all.reduce((sum, one) => sum + one.share, 0),
  );
  return new Map(all.map(({ mode, share }) => [mode, share / whole]));
}

/** What Find says of the unit, as far as the decision needs it. */
export interface Findings {
  readonly path: DrivePath;
  readonly suspects: readonly Suspect[];
  readonly mends: readonly MendAdvice[];
}

/** Lays the advised mends side by side. Money in the shop's currency; `terms` as last agreed, `hourMoney` above zero. */
export function decide(
  { path, suspects, mends }: Findings,
  terms: TermsBody | null,
  hourMoney: number = HOUR_MONEY,
): Decision {
  const ceiling = terms?.ceiling ?? null;
  const faults = faultsOf(suspects);
  const rows = mends.map(({ repair, chance, forbidden, reachMin }) => {
    const money = repair.money + (repair.handsMin * hourMoney) / 60;
    const reach = (reachMin * hourMoney) / 60;
    return { repair, chance, forbidden, money, reach, reachMin, cures: curedBy(path, repair.id) };
  });
  const free = rows.filter((row) => row.forbidden === null);
  const begunWith = (row: (typeof rows)[number]) =>
    expectedCost(
      bestAfter(
        [row],
        free.filter((one) => one !== row),
        faults,
      ),
      faults,
    );
  const options = rows
    .map((row): MendOption => ({
      id: row.repair.id,
      name: row.repair.name,
      chance: row.chance,
      minutes: row.repair.handsMin + row.reachMin,
      waitMin: row.repair.waitMin,
      partsMoney: row.repair.money,
      money: row.money + row.reach,
      expectedCost: begunWith(row).money,
      leaves: row.repair.leaves,
      school: row.repair.school ?? null,
      forbidden: row.forbidden,
      overCeiling: ceiling !== null && row.money + row.reach > ceiling,
    }))
    .sort(
      (a, b) =>
        Number(a.forbidden !== null) - Number(b.forbidden !== null) ||
        Number(a.overCeiling) - Number(b.overCeiling) ||
        // Money in whole units: prices are guesses. What costs the same stands by its chance.
        Math.round(a.expectedCost) - Math.round(b.expectedCost) ||
        b.chance - a.chance,
    );
  return {
    options,
    uncured: expectedCost(free, faults).uncured,
    turning: turningOf(options),
    stop: stopOf(options, terms),
  };
}

/** One mend comes before another while its chance over its cost is the greater (see the head of this file). */
function turningOf(options: readonly MendOption[]): Decision['turning'] {
  const likely = options.filter((one) => one.forbidden === null).sort((a, b) => b.chance - a.chance);
  const best = likely.find((one) => one.partsMoney > 0);
  const other = likely.find((one) => one !== best);
  if (!best || !other || other.chance <= 0) return null;
  const partsMoney = (best.chance * other.money) / other.chance - (best.money - best.partsMoney);
  return partsMoney > 0 ? { best: best.name, other: other.name, partsMoney } : null;
}

function stopOf(options: readonly MendOption[], terms: TermsBody | null): string | null {
  const open = options.filter((one) => one.forbidden === null);
  const [best] = open;
  if (!best || !terms) return null;
  if (open.every((one) => one.overCeiling))
    return 'Every mend costs more than the ceiling: ask the owner before going on.';
  if (terms.worth !== null && best.expectedCost > terms.worth)
    return 'Until it works it is likely to cost more than it is worth: ask the owner, or leave it.';
  if (terms.price !== null && best.expectedCost > terms.price)
    return 'It is likely to cost more than the price agreed.';
  return null;
}
