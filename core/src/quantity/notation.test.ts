import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readValue } from './notation.js';
import told from './notation.json' with { type: 'json' };

const value = (text: string) => {
  const read = readValue(text);
  if (read.kind !== 'value') throw new Error(`${text} is ${read.kind}`);
  return read;
};

describe('trade notation', () => {
  it.each(told.values as [string, number, string, string?][])('%s is %d %s', (text, expected, unit, qualifier) => {
    expect(value(text).value).toBeCloseTo(expected, 12);
    expect(value(text)).toMatchObject({ unit, qualifier: qualifier ?? null });
  });

  it.each(told.refused)('%s is refused', (text) => expect(readValue(text).kind).toBe('bad'));

  it('knows bounds and states that are not numbers', () => {
    expect(value('>20M').bound).toBe('above');
    expect(value('<0.5V')).toMatchObject({ bound: 'below', value: 0.5, unit: 'V' });
    expect(value('< 4k7')).toMatchObject({ bound: 'below', value: 4700 });
    expect(value('5V').bound).toBe('exact');
    expect(value('OL')).toMatchObject({ bound: 'overload', value: null });
    expect(value('open')).toMatchObject({ bound: 'open', value: null });
    expect(value('short')).toMatchObject({ bound: 'short', value: 0 });
  });

  it('asks about a comma before three digits and nothing else', () => {
    expect(readValue('1,500V')).toMatchObject({ kind: 'ask', asDecimal: 1.5, asThousands: 1500, rest: 'V' });
    expect(value('0,500V').value).toBe(0.5);
    expect(value('1,50V').value).toBe(1.5);
  });

  it('marks the part it cannot read', () => {
    expect(readValue('27.5Q')).toMatchObject({ kind: 'bad', from: 4, to: 5 });
    expect(readValue('4m7')).toMatchObject({ kind: 'bad' });
  });

  it('reads point and comma alike', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 99999 }), fc.integer({ min: 0, max: 99 }), (whole, part) => {
        const digits = String(part).padStart(2, '0');
        expect(value(`${whole},${digits}V`).value).toBe(value(`${whole}.${digits}V`).value);
      }),
    );
  });

  it('never throws, whatever is typed', () => {
    fc.assert(fc.property(fc.string({ unit: 'grapheme' }), (text) => void readValue(text)));
  });
});
