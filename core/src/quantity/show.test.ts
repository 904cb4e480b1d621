import { describe, expect, it } from 'vitest';
import { decimalsFor, fixed, signed, speedName, withUnit } from './show.js';
import { expandedUncertainty, fromLimits } from './uncertainty.js';

describe('numbers as printed', () => {
  it('uses a true minus and never a minus nought', () => {
    expect(fixed(-1.8, 2)).toBe('−1.80');
    expect(fixed(-0.001, 2)).toBe('0.00');
    expect(signed(0.33, 2)).toBe('+0.33');
    expect(signed(0.001, 2)).toBe('0.00');
    expect(fixed(Number.NaN, 2)).toBe('–');
  });

  it('keeps at most two figures of an uncertainty', () => {
    expect(decimalsFor(0.1)).toBe(2);
    expect(decimalsFor(0.35)).toBe(1);
    expect(decimalsFor(0.012)).toBe(3);
  });

  it('puts the prefix of the trade', () => {
    expect(withUnit(4700, 'Ω')).toBe('4.7\u202fkΩ');
    expect(withUnit(0.62, 'V')).toBe('0.62\u202fV');
    expect(withUnit(1e-7, 'F')).toBe('100\u202fnF');
    expect(withUnit(2200e-6, 'F')).toBe('2.2\u202fmF');
    // Volts, amperes and watts keep their plain unit from a hundredth on; farads and henries never do.
    expect([withUnit(0.012, 'V'), withUnit(0.015, 'A'), withUnit(0.009, 'V'), withUnit(0.015, 'H')]).toEqual([
      '0.012\u202fV',
      '0.015\u202fA',
      '9\u202fmV',
      '15\u202fmH',
    ]);
    expect(withUnit(1.5, 'H')).toBe('1.5\u202fH');
    expect(withUnit(1.5e6, 'Ω')).toBe('1.5\u202fMΩ');
    expect(withUnit(1.5e-6, 'F')).toBe('1.5\u202fµF');
    expect(withUnit(1.5e-12, 'F')).toBe('1.5\u202fpF');
  });

  it('names speeds', () => {
    expect(speedName(100 / 3)).toBe('33⅓');
    expect(speedName(45)).toBe('45');
  });
});

describe('uncertainty', () => {
  it('adds in squares and doubles', () => {
    const part = (standardPercent: number) => ({ name: 'noise' as const, standardPercent, why: '' });
    expect(expandedUncertainty([part(0.03), part(0.04)])).toBeCloseTo(0.1, 12);
  });

  it('takes a limit as a rectangle', () => {
    expect(2 * fromLimits(0.3)).toBeCloseTo(0.346, 3);
  });
});
