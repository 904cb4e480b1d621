import { describe, expect, it } from 'vitest';
import { minutesIn } from './timers/index.js';
import { inUnit } from '../diagnosis/observation.js';
import { ownEntry } from '../quantity/own.js';
import { spokenMeasures } from '../quantity/spoken.js';
import { readUnit, readValue } from '../quantity/notation.js';

const INHERITED = ['constructor', 'toString', '__proto__', 'hasOwnProperty', 'valueOf'];

describe('a table asked for a word', () => {
  it('finds what it has itself and nothing that every object inherits', () => {
    expect(ownEntry({ volts: 0 }, 'volts')).toBe(0);
    expect(ownEntry(undefined, 'volts')).toBeUndefined();
    for (const word of INHERITED) expect(ownEntry({ volts: 1 } as Record<string, number>, word)).toBeUndefined();
    expect(ownEntry(JSON.parse('{"__proto__": 3}') as Record<string, number>, '__proto__')).toBe(3);
  });

  it.each(INHERITED)('reads "%s" as no length of time, unit or value', (word) => {
    expect(minutesIn(word)).toBeNull();
    expect(inUnit(1, word, 'V')).toBeNull();
    expect(spokenMeasures(`${word} 12 V`)).toMatchObject([{ values: [12] }]);
    expect(spokenMeasures(word)).toEqual([]);
    expect(readUnit(word)).toBeNull();
    expect(readValue(word).kind).not.toBe('value');
  });
});
