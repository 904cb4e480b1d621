/** Resistors added for another speed, worked by hand beforehand: series and parallel (Ohm); the rest is common practice, no source. */
import { describe, expect, it } from 'vitest';
import { addedFor, fittedFrom, lawFrom, speedWith } from '../src/circuit/index.js';
import { solveWorking, workingOf, type WorkingTexts } from '../src/workings/index.js';
import { rowOf, solved } from './solved.js';

const refusal = (id: string, texts: WorkingTexts) => {
  const working = workingOf(id);
  if (!working) throw new Error(id);
  return JSON.stringify(solveWorking(working, texts));
};

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
    expect(refusal('fitted-resistor', { law: '1/R', how: 'parallel', added: '1000', from: '45', to: '33' })).toContain(
      'cannot have done this',
    );
  });

  it('the law by two readings: half the ohms, twice the speed is 1/R; half of both is R; anything else neither', () => {
    expect(lawFrom(1000, 40, 500, 80)).toBe('1/R');
    expect(lawFrom(1000, 40, 500, 20)).toBe('R');
    expect(lawFrom(1000, 40, 500, 60)).toBeNull();
    expect(lawFrom(1000, 40, 1001, 80)).toBeNull();
    const texts = { law: '1/R', how: 'parallel', added: '56000', from: '45', to: '78', checkOhm: '82000' };
    // 41.07 kΩ at 45: twice the ohms is half the speed.
    expect(solved('fitted-resistor', { ...texts, checkRpm: '22.5' }).verdict).toBe('the law holds');
    expect(solved('fitted-resistor', { ...texts, checkRpm: '90' }).verdict).toBe('the law does not hold');
    expect(solved('fitted-resistor', { ...texts, checkRpm: '60' }).says.join(' ')).toContain('Neither law fits');
    expect(solved('fitted-resistor', { ...texts, checkOhm: '' }).verdict).toBeNull();
  });

  it('the trim takes up ±5 % parts from some 2.2 % on, and is told where it cannot', () => {
    const texts = { law: '1/R', fitted: '41070', from: '45', to: '78' };
    expect(solved('speed-resistor', { ...texts, trim: '2.5' }).verdict).toBe('the trim holds it');
    expect(solved('speed-resistor', { ...texts, trim: '1' }).verdict).toBe('out of the trim’s reach');
    expect(solved('speed-resistor', { ...texts, trim: '1' }).says[0]).toContain('cannot take up the spread');
    expect(solved('speed-resistor', texts).verdict).toBeNull();
    expect(refusal('speed-resistor', { ...texts, to: '45' })).toContain('speed it has');
    expect(rowOf('speed-resistor', { ...texts, law: 'R' }, /Exact/)).toMatch(/in series$/);
  });
});
