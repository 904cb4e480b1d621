/**
 * Expected cost until a unit works. Repairs tried in falling order of chance over cost have the least, for one fault,
 * costs apart and the cure seen after each (Kalagnanam & Henrion 1988; Heckerman, Breese & Rommelse 1995; from memory).
 */
import type { Suspect } from '../../diagnosis/index.js';

/** A mend as its cost is reckoned: what it takes, and which faults it cures. */
export interface Try {
  /** With seeing whether it has cured, and with its waiting. */
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
export function bestAfter<T extends Try>(
  first: readonly T[],
  rest: readonly T[],
  faults: ReadonlyMap<string, number>,
): T[] {
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
export function faultsOf(suspects: readonly Suspect[]): ReadonlyMap<string, number> {
  const all = suspects.flatMap(({ modes }) => modes);
  const whole = Math.max(
    1,
    all.reduce((sum, one) => sum + one.share, 0),
  );
  return new Map(all.map(({ mode, share }) => [mode, share / whole]));
}
