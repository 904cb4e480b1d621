/** Numbers, days and signs as they are typed and shown. */
import { describe, expect, it } from 'vitest';
import { dayNumber, dayText, DAY_MS } from './days.js';
import { decimal, numberIn } from './decimal.js';
import { looksLikeValue } from './notation.js';
import { plainSigns } from './plainSigns.js';
import { decimalsFor, errorDecimals, speedName } from './show.js';

describe('days', () => {
  it('are whole numbers from 1970 on, over a leap day and back', () => {
    expect([dayNumber('1970-01-01'), dayNumber('1970-01-02'), dayNumber('1969-12-31')]).toEqual([0, 1, -1]);
    expect(dayNumber('2028-03-01') - dayNumber('2028-02-28')).toBe(2);
    expect(dayNumber('2026-03-01') - dayNumber('2026-02-28')).toBe(1);
    expect(dayText(dayNumber('2026-11-29') + 31)).toBe('2026-12-30');
    expect(dayNumber('soon')).toBeNaN();
    expect(DAY_MS).toBe(24 * 60 * 60 * 1000);
  });
});

describe('a number', () => {
  it('has a point or a comma, and either minus', () => {
    expect(['12,4', '12.4', '−3', '-3', ' 7 ', '1e3'].map(decimal)).toEqual([12.4, 12.4, -3, -3, 7, 1000]);
    for (const none of ['', ' ', 'x', '1,2,3', '−']) expect(decimal(none), none).toBeNaN();
    expect([numberIn('2,5'), numberIn('x'), numberIn('Infinity'), numberIn('')]).toEqual([2.5, null, null, null]);
  });
  it('is told from a word by how it begins', () => {
    for (const value of ['5', '-5', '−5', '+5', '.5', ',5', '<5', '>5', '<-5', '4k7', 'OL', 'o.l.', 'open', 'Short'])
      expect(looksLikeValue(value), value).toBe(true);
    for (const word of ['belt', '', '-', '<', 'R7', 'opened', 'shorted', 'OLd', '@5'])
      expect(looksLikeValue(word), word).toBe(false);
  });
});

describe('signs', () => {
  it('that look alike become the plain one, each in its place', () => {
    expect(plainSigns('\uff11\uff12\uff0c\uff15 \uff36')).toBe('12,5 V');
    expect(plainSigns('−1–2—3')).toBe('-1-2-3');
    expect(plainSigns('“a” ’b‘ 3″')).toBe('"a" \'b\' 3"');
    expect(plainSigns('1\u00a0V\u202f2\t3')).toBe('1 V 2 3');
    expect(plainSigns('\u03bcF \u2126 2×3')).toBe('µF Ω 2x3');
    // What no table knows stays, and so does its length.
    expect(plainSigns('⅓ ½ ﬁ 日')).toBe('⅓ ½ ﬁ 日');
  });
});

describe('decimals', () => {
  it('show an uncertainty with one figure, two where it begins with 1 or 2', () => {
    expect([0.1, 0.35, 0.012, 0.29, 0.3, 1, 2.9, 3, 12, 0].map(decimalsFor)).toEqual([2, 1, 3, 2, 1, 1, 1, 0, 0, 2]);
    expect(decimalsFor(1e-9)).toBe(4);
    expect([NaN, -1, Infinity].map(decimalsFor)).toEqual([2, 2, 2]);
  });
  it('beside an error are two or three', () => {
    expect([null, 3, 0.35, 0.06, 0.012, 0.0001].map(errorDecimals)).toEqual([2, 2, 2, 2, 3, 3]);
  });
  it('of a speed are those of its name', () => {
    expect([100 / 3, 50 / 3, 78.26, 45, 33.35].map(speedName)).toEqual(['33⅓', '16⅔', '78.26', '45', '33.35']);
  });
});
