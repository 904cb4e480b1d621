/**
 * Expected cost until a unit works. Repairs tried in falling order of chance over cost have the least, for one fault,
 * costs apart and the cure seen after each (Kalagnanam & Henrion 1988; Heckerman, Breese & Rommelse 1995; from memory).
 * Where two faults may be there at once the order is a guide; the cost of an order is exact.
 */
import type { FaultSet } from '../../diagnosis/index.js';

/** A mend as its cost is reckoned: what it takes, and which faults it cures. */
export interface Try {
  /** With seeing whether it has cured, and with its waiting. */
  readonly money: number;
  /** What reaching the part costs from where the unit stands; what an earlier mend opened is open. */
  readonly reach: number;
  readonly cures: readonly { readonly mode: string; readonly residual: number }[];
}

/** What is left of each fault after what was tried, fractions; 1 for one that nothing has touched. */
type Left = Map<string, number>;

function take(left: Left, { cures }: Try): void {
  for (const { mode, residual } of cures) left.set(mode, (left.get(mode) ?? 1) * residual);
}

/** What an order costs until the unit works, and the chance that none of it makes it work. */
interface OrderCost {
  readonly money: number;
  readonly uncured: number;
}

/**
 * Expected money of trying in an order, for one belief: each is paid only while those before it have not cured. Two
 * mends of one fault cure it once; of two faults at once both have to go.
 * Faults 0.5 and 0.3, a mend of 10 for the first and of 20 for the second: 10 + 0.5 · 20 = 20, 0.2 uncured.
 * A mend touches few of the many sets of faults: only those are reckoned anew.
 */
export function costsOf(faults: readonly FaultSet[]): (order: readonly Try[]) => OrderCost {
  const setsWith = new Map<string, number[]>();
  for (const [i, { modes }] of faults.entries())
    for (const mode of modes) {
      const sets = setsWith.get(mode);
      if (sets) sets.push(i);
      else setsWith.set(mode, [i]);
    }
  /** Chance that this set is there and all of it is gone. */
  const worksAt = (i: number, left: Left): number => {
    const { modes, share } = faults[i] as FaultSet;
    return modes.reduce((works, mode) => works * (1 - (left.get(mode) ?? 1)), share);
  };
  const nothing: Left = new Map();
  const untouched = Float64Array.from(faults, (_, i) => worksAt(i, nothing));
  const atFirst = untouched.reduce((sum, one) => sum + one, 0);
  return (order) => {
    const left: Left = new Map();
    const works = untouched.slice();
    let [money, working, reached] = [0, atFirst, 0];
    for (const one of order) {
      money += Math.max(0, 1 - working) * (one.money + Math.max(0, one.reach - reached));
      reached = Math.max(reached, one.reach);
      take(left, one);
      for (const i of new Set(one.cures.flatMap(({ mode }) => setsWith.get(mode) ?? []))) {
        const now = worksAt(i, left);
        working += now - (works[i] as number);
        works[i] = now;
      }
    }
    return { money, uncured: Math.max(0, 1 - working) };
  };
}

/** Chance of each fault, one of two at once counting half: what mending it alone is worth towards a unit that works. */
export function weightsOf(faults: readonly FaultSet[]): ReadonlyMap<string, number> {
  const weights = new Map<string, number>();
  for (const { modes, share } of faults)
    for (const mode of modes) weights.set(mode, (weights.get(mode) ?? 0) + share / modes.length);
  return weights;
}

/** What a mend takes off the chance of a fault, of what is left: its chance to cure, where there is one fault. */
export const gainOf = (
  { cures }: Try,
  weights: ReadonlyMap<string, number>,
  left: ReadonlyMap<string, number>,
): number =>
  cures.reduce((sum, { mode, residual }) => sum + (weights.get(mode) ?? 0) * (left.get(mode) ?? 1) * (1 - residual), 0);

/** The rest in falling chance over cost, what was tried before it taken off: disjoint mends stand in their best order. */
export function bestAfter<T extends Try>(
  first: readonly T[],
  rest: readonly T[],
  weights: ReadonlyMap<string, number>,
): T[] {
  const order = [...first];
  const tried: Left = new Map();
  for (const one of first) take(tried, one);
  const waiting = new Set(rest);
  while (waiting.size > 0) {
    const reached = Math.max(0, ...order.map((one) => one.reach));
    const worth = (one: T) => gainOf(one, weights, tried) / (one.money + Math.max(0, one.reach - reached));
    const next = [...waiting].reduce((best, one) => (worth(one) > worth(best) ? one : best));
    waiting.delete(next);
    order.push(next);
    take(tried, next);
  }
  return order;
}
