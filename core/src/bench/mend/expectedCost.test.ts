/** Orders of mends: what they cost by hand, and against every order tried. */
import { describe, expect, it } from 'vitest';
import { seeded } from '../../numeric/index.js';
import { bestAfter, costsOf, gainOf, weightsOf, type Try } from './expectedCost.js';

const faults = (...sets: (readonly [share: number, ...modes: string[]])[]) =>
  sets.map(([share, ...modes]) => ({ share, modes }));
const mend = (money: number, ...modes: string[]): Try => ({
  money,
  reach: 0,
  cures: modes.map((mode) => ({ mode, residual: 0 })),
});

describe('what an order costs', () => {
  it('each is paid while those before it have not cured: 10 + half of 20, a fifth left uncured', () => {
    const cost = costsOf(faults([0.5, 'a'], [0.3, 'b']));
    expect(cost([mend(10, 'a'), mend(20, 'b')])).toEqual({ money: 20, uncured: expect.closeTo(0.2, 12) as unknown });
    // The other way round: 20 + 0.7 of 10.
    expect(cost([mend(20, 'b'), mend(10, 'a')]).money).toBeCloseTo(27, 12);
    expect(cost([])).toEqual({ money: 0, uncured: expect.closeTo(1, 12) as unknown });
  });

  it('of two faults at once both have to go; a second mend of one fault cures what the first left', () => {
    const both = costsOf(faults([1, 'a', 'b']));
    expect(both([mend(10, 'a'), mend(20, 'b')])).toEqual({ money: 30, uncured: 0 });
    const half: Try = { money: 10, reach: 0, cures: [{ mode: 'a', residual: 0.25 }] };
    const one = costsOf(faults([1, 'a']));
    expect(one([half, half]).money).toBeCloseTo(10 + 0.25 * 10, 12);
    expect(one([half, half]).uncured).toBeCloseTo(0.0625, 12);
  });

  it('what an earlier mend opened is open: the second pays only for what is deeper', () => {
    const cost = costsOf(faults([0.5, 'a'], [0.5, 'b']));
    const [near, deep] = [
      { ...mend(10, 'a'), reach: 4 },
      { ...mend(10, 'b'), reach: 6 },
    ];
    expect(cost([near, deep]).money).toBeCloseTo(14 + 0.5 * 12, 12);
    expect(cost([deep, near]).money).toBeCloseTo(16 + 0.5 * 10, 12);
  });

  it('a sound unit costs nothing: nothing is wrong with it from the first', () => {
    expect(costsOf(faults([1]))([mend(10, 'a')])).toEqual({ money: 0, uncured: 0 });
    expect(costsOf(faults([0.5], [0.5, 'a']))([mend(10, 'a')]).money).toBeCloseTo(5, 12);
  });
});

describe('the best order', () => {
  it('weighs a fault by its share, one of two at once by half of it', () => {
    const weights = weightsOf(faults([0.4, 'a'], [0.2, 'a', 'b'], [0.4]));
    expect([...weights]).toEqual([
      ['a', expect.closeTo(0.5, 12)],
      ['b', expect.closeTo(0.1, 12)],
    ]);
    const some: Try = {
      money: 1,
      reach: 0,
      cures: [
        { mode: 'a', residual: 0.2 },
        { mode: 'x', residual: 0 },
      ],
    };
    expect(gainOf(some, weights, new Map())).toBeCloseTo(0.5 * 0.8, 12);
    // Half of it was cured before.
    expect(gainOf(some, weights, new Map([['a', 0.5]]))).toBeCloseTo(0.5 * 0.5 * 0.8, 12);
  });

  it('has the least cost of all orders, for one fault and mends apart', () => {
    const random = seeded(31);
    const orders = <T>(all: readonly T[]): T[][] =>
      all.length === 0
        ? [[]]
        : all.flatMap((one, i) => orders([...all.slice(0, i), ...all.slice(i + 1)]).map((rest) => [one, ...rest]));
    for (let round = 0; round < 20; round++) {
      const names = ['a', 'b', 'c', 'd'];
      const raw = names.map(() => 0.1 + random());
      const sum = raw.reduce((all, one) => all + one, 0);
      const sets = names.map((mode, i) => ({ share: (raw[i] as number) / sum, modes: [mode] }));
      const mends = names.map((mode) => mend(5 + 50 * random(), mode));
      const cost = costsOf(sets);
      const chosen = bestAfter([], mends, weightsOf(sets));
      const least = Math.min(...orders(mends).map((order) => cost(order).money));
      expect(cost(chosen).money).toBeCloseTo(least, 9);
    }
  });

  it('goes on after what was begun, with what that has cured and opened taken off', () => {
    const weights = weightsOf(faults([0.5, 'a'], [0.3, 'b'], [0.2, 'c']));
    const begun: Try = { ...mend(10, 'a'), reach: 20 };
    const again = mend(1, 'a');
    const [b, c] = [
      { ...mend(10, 'b'), reach: 20 },
      { ...mend(10, 'c'), reach: 0 },
    ];
    // The cheap one of the same fault has nothing left to cure; what is reached already costs no more to reach.
    expect(bestAfter([begun], [again, c, b], weights)).toEqual([begun, b, c, again]);
    expect(bestAfter([], [c, b], weights)).toEqual([c, b]);
  });
});
