/** Capacitors against typical catalogue limits, IEC 60062 letters and printed codes (from memory), and the trade's common practice. */
import { describe, expect, it } from 'vitest';
import { dissipationLimit, esrLimit120, lifeFactor, readCapacitorMark, readDateCode } from '../src/circuit/index.js';

describe('capacitors', () => {
  it.each([
    [6.3, 100, 0.22],
    [10, 470, 0.19],
    [16, 1000, 0.16],
    [25, 2200, 0.18],
    [50, 3300, 0.16],
    [63, 220, 0.09],
    [100, 47, 0.08],
  ])('dissipation at %d V, %d µF: %d (typical catalogue, from memory)', (volts, microfarad, factor) => {
    expect(dissipationLimit(volts, microfarad)).toBeCloseTo(factor, 9);
  });

  it('1000 µF at 16 V: 0.16 / (2 π 120 C) = 0.212 Ω; 40 K less are 16 times the life', () => {
    expect(esrLimit120(16, 1000)).toBeCloseTo(0.2122, 4);
    expect(lifeFactor(105, 65)).toBe(16);
  });

  it.each([
    ['104K275', 1e-7, 10, 275, null],
    ['4n7', 4.7e-9, null, null, null],
    ['0.15 uF X2', 1.5e-7, null, null, 'X2'],
    ['0u1', 1e-7, null, null, null],
    ['1000 µF 63 V', 1e-3, null, 63, null],
    ['473J', 4.7e-8, 5, null, null],
    ['2,2 nF Y2', 2.2e-9, null, null, 'Y2'],
    ['470n M', 4.7e-7, 20, null, null],
  ])('%s', (text, farad, tolerancePercent, volts, kind) => {
    const mark = readCapacitorMark(text);
    expect((mark?.farad ?? 0) / farad).toBeCloseTo(1, 9);
    expect(mark).toMatchObject({ tolerancePercent, volts, kind });
  });

  it('dates by year and week; a year to come is of the last century', () => {
    expect(readDateCode('201842', 2026)).toEqual({ year: 2018, week: 42 });
    expect(readDateCode('1842', 2026)).toEqual({ year: 2018, week: 42 });
    expect(readDateCode('7942', 2026)).toEqual({ year: 1979, week: 42 });
    expect(readDateCode('1860', 2026)).toBeNull();
    for (const none of ['red', '0 uF', '000J']) expect(readCapacitorMark(none), none).toBeNull();
  });
});
