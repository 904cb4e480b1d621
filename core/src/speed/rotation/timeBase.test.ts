import { describe, expect, it } from 'vitest';
import { tickOf } from './timeBase.js';

const at = (...values: number[]) => tickOf(Float64Array.from(values));

describe('the tick of a clock', () => {
  it('is the largest of the usual steps that all times are whole multiples of', () => {
    expect(at(0, 3, 6, 10, 11)).toBe(1);
    expect(at(0, 20, 40, 60, 100)).toBe(20);
    expect(at(0, 0.5, 1, 2.5, 3)).toBe(0.5);
    expect(at(0, 0.002, 0.006, 0.008, 0.012)).toBe(2e-3);
    // Polled each 8 ms, each 4, each third of a second: what the counts of milliseconds have in common.
    expect(at(0, 0.096, 0.2, 0.304, 0.4, 0.504)).toBeCloseTo(0.008, 12);
    expect(at(0, 12, 20, 32, 44)).toBe(4);
    expect(at(0, 99, 165, 264, 330)).toBe(33);
    // Even pulses, also with one missing, tell nothing of a clock but that they may stand on its steps.
    expect([at(0, 30, 60, 90, 120), at(0, 33, 66, 99, 165)]).toEqual([10, 1]);
    // Counted from the first: where the clock began does not matter.
    expect(at(7, 12, 17, 27, 32)).toBe(5);
  });

  it('is none where times are finer than a thousandth of a gap, or too few to tell', () => {
    expect(at(0, 1.23456, 2.34567, 3.45678, 4.56789)).toBe(0);
    expect(at(0, 1, 2, 3)).toBe(0);
    expect(at()).toBe(0);
  });
});
