/** What a spoken ledger line opens, closes and measures. */
import { describe, expect, it } from 'vitest';
import { parseStep } from './parse.js';
import told from './words.json' with { type: 'json' };
import { saidClosed, saidDistances, saidEnds } from './words.js';

const ends = (line: string) => saidEnds(line).map((end) => `${end.how}: ${end.what}`);

describe('ledger words', () => {
  it.each(told.opens as [string, string[]][])('%s', (line, expected) => expect(ends(line)).toEqual(expected));

  it.each(told.closes as [string, string | null][])('%s closes %s', (line, expected) =>
    expect(saidClosed(line)).toBe(expected),
  );

  it('a distance is set back to itself, and a plug’s pins are no screws', () => {
    expect(saidDistances('hall gap 17 mm')).toEqual([{ what: 'hall gap', value: 17, unit: 'mm', tolerance: 0.85 }]);
    expect(saidDistances('gap 0,4mm')).toEqual([{ what: 'gap', value: 0.4, unit: 'mm', tolerance: 0.1 }]);
    expect(saidDistances('cover 4 x 30 mm, tray B')).toEqual([]);
    const step = parseStep('hall board 2 x 8 mm, tray A, hall gap 17 mm');
    expect(step.distances).toHaveLength(1);
    expect(step.fasteners).toEqual([{ count: 2, what: '8 mm', tray: 'A', odd: false }]);
    expect(parseStep('3 pin plug').fasteners).toEqual([]);
    expect(parseStep('3 pin plug').what).toBe('3 pin plug');
    expect(parseStep('5 pin DIN socket').fasteners).toEqual([]);
    expect(parseStep('pulley 2 pins').fasteners).toEqual([{ count: 2, what: 'pins', tray: null, odd: false }]);
  });
});
