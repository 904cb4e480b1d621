import { describe, expect, it } from 'vitest';
import told from './spoken.json' with { type: 'json' };
import { spokenMeasures } from './spoken.js';

/** What is said, each with its values in units without a prefix; the way it is written and said at benches is common practice. */
const said = (text: string) =>
  spokenMeasures(text).map(({ from, to, values, unit, bound }) => [
    text.slice(from, to),
    values.map((one) => Number(one.toPrecision(9))),
    unit,
    bound,
  ]);

describe('measures in a spoken line', () => {
  it.each(told.lines as [string, unknown[]][])('%s', (text, measure) => {
    expect(said(text)).toEqual([measure]);
  });

  it('stand in their order, words of no and full contact among the numbers, none in another', () => {
    expect(said('open 5 V')).toEqual([
      ['open', [], 'Ω', 'open'],
      ['5 V', [5], 'V', 'exact'],
    ]);
    expect(said('1 k, other way OL')).toEqual([
      ['1 k', [1000], 'Ω', 'exact'],
      ['OL', [], 'Ω', 'overload'],
    ]);
    expect(said('12 V short')).toEqual([
      ['12 V', [12], 'V', 'exact'],
      ['short', [0], 'Ω', 'short'],
    ]);
    expect(said('3 V and 5 V').map(([words]) => words)).toEqual(['3 V', '5 V']);
    expect(said('OL 2 k OL').map(([words]) => words)).toEqual(['OL', '2 k', 'OL']);
  });

  it('a part’s name is no measure, and words that only begin like one are none', () => {
    expect(said('R12 4.7 k')).toEqual([['4.7 k', [4700], 'Ω', 'exact']]);
    expect(said('IC2 opened, shorted once')).toEqual([]);
  });

  it('a comma before three digits may be either: both are told', () => {
    const [one] = spokenMeasures('1,500 rpm');
    expect([one?.values[0], one?.orElse].sort()).toEqual([1.5, 1500]);
    expect(spokenMeasures('1,50 V')[0]).toMatchObject({ values: [1.5], orElse: null });
  });

  it('a sign is told: "+0.3" is a difference', () => {
    expect(spokenMeasures('+0.3 %')[0]).toMatchObject({ values: [0.3], signed: true });
    expect(spokenMeasures('0.3 %')[0]).toMatchObject({ values: [0.3], signed: false });
  });
});
