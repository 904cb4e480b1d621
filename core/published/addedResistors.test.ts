/** Resistors added for another speed, worked by hand beforehand: series and parallel (Ohm); the rest is common practice, no source. */
import { describe, expect, it } from 'vitest';
import { addedFor, fittedFrom, lawFrom, speedWith } from '../src/circuit/index.js';

describe('a resistor added for another speed', () => {
  it('goes in series where the speed goes as 1/R and is to fall, or as R and is to rise', () => {
    // 45 to 33⅓ at 1/R wants 1.35 times the ohms: 3.5 kΩ more on 10 kΩ.
    expect(addedFor('1/R', 10_000, 45, 100 / 3)).toEqual({ how: 'series', ohm: expect.closeTo(3500, 6) });
    expect(addedFor('R', 10_000, 100 / 3, 45)).toEqual({ how: 'series', ohm: expect.closeTo(3500, 6) });
    // Half of it by an equal one across it.
    expect(addedFor('1/R', 10_000, 20, 40)).toEqual({ how: 'parallel', ohm: expect.closeTo(10_000, 6) });
    expect(addedFor('R', 10_000, 40, 20)).toEqual({ how: 'parallel', ohm: expect.closeTo(10_000, 6) });
    expect(addedFor('R', 10_000, 45, 45)).toBeNull();
  });

  it('turns the speed it was made for, in either law, either way', () => {
    for (const law of ['1/R', 'R'] as const)
      for (const [from, to] of [
        [45, 78],
        [78, 45],
        [33, 16],
      ] as const) {
        const added = addedFor(law, 4700, from, to);
        if (!added) throw new Error('none');
        expect(speedWith(law, 4700, from, added)).toBeCloseTo(to, 9);
        expect(fittedFrom(law, added, from, to)).toBeCloseTo(4700, 6);
      }
  });

  it('loses by ohms of the contact: 10 kΩ across 10 kΩ with 1 kΩ of dirt is 5.238 kΩ, 38.18 instead of 40', () => {
    expect(speedWith('1/R', 10_000, 20, { how: 'parallel', ohm: 10_000 }, 1000)).toBeCloseTo(38.18, 2);
    expect(speedWith('R', 10_000, 20, { how: 'series', ohm: 10_000 }, 1000)).toBeCloseTo(42, 9);
  });

  it('cannot have done the opposite of its law', () => {
    expect(fittedFrom('1/R', { how: 'parallel', ohm: 1000 }, 45, 33)).toBeNull();
    expect(fittedFrom('1/R', { how: 'series', ohm: 1000 }, 33, 45)).toBeNull();
    expect(fittedFrom('R', { how: 'parallel', ohm: 1000 }, 33, 45)).toBeNull();
  });

  it('the law by two readings: half the ohms, twice the speed is 1/R; half of both is R; anything else neither', () => {
    expect(lawFrom(1000, 40, 500, 80)).toBe('1/R');
    expect(lawFrom(1000, 40, 500, 20)).toBe('R');
    expect(lawFrom(1000, 40, 500, 60)).toBeNull();
    expect(lawFrom(1000, 40, 1001, 80)).toBeNull();
  });
});
