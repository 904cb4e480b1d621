/** What is seen of a machine that may wander: watched over some moments, not at one. */
import { ownEntry } from '../quantity/index.js';

/** A value as it was seen over a while: the mean of some moments, and their standard deviation. */
export interface Seen {
  readonly mean: number;
  readonly spread: number;
}

type Moment = Readonly<Record<string, number>>;

/** Moments over which something that may wander is watched. */
const MOMENTS = 9;

/** Some moments, one after the other. */
export const momentsOf = (moment: () => Moment): readonly Moment[] => Array.from({ length: MOMENTS }, moment);

/** One quantity over these moments. @throws RangeError for one that the machine has not. */
export function seenIn(moments: readonly Moment[], quantity: string, machine: string): Seen {
  const values = moments.map((one) => {
    const value = ownEntry(one, quantity);
    if (value === undefined) throw new RangeError(`${machine} has no ${quantity}`);
    return value;
  });
  const mean = values.reduce((sum, one) => sum + one, 0) / values.length;
  const variance = values.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (values.length - 1);
  return { mean, spread: Math.sqrt(variance) };
}

/** A look at a machine that stands in some ways: in each of them all its quantities are seen at the same moments. */
export function watching<C extends object>(
  machine: string,
  solve: (condition: Partial<C>) => Moment,
): (quantity: string, condition?: Partial<C>) => Seen {
  const watched = new Map<string, readonly Moment[]>();
  return (quantity, condition = {}) => {
    const as = JSON.stringify(condition);
    const moments = watched.get(as) ?? momentsOf(() => solve(condition));
    watched.set(as, moments);
    return seenIn(moments, quantity, machine);
  };
}
