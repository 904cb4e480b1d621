/** Few readings: what they are worth, by sums written out. */
import { describe, expect, it } from 'vitest';
import { effectiveCount, studentFactor, variance, welch, wilsonInterval } from './index.js';

describe('readings in a row', () => {
  it('vary by the squares about their mean over one less than their number', () => {
    expect(variance([2, 4, 4, 4, 5, 5, 7, 9])).toBeCloseTo(32 / 7, 12);
    expect([variance([3]), variance([])]).toEqual([0, 0]);
  });

  it('are worth fewer where each is like the one before; under eight that cannot be told', () => {
    // About their mean of 2.5: squares 10, each with the next 4.75: r = 0.475.
    const hill = [1, 2, 3, 4, 4, 3, 2, 1];
    expect(effectiveCount(hill)).toBeCloseTo((8 * (1 - 0.475)) / (1 + 0.475), 9);
    // A ramp has r = 0.625, worth 1.8: never fewer than two.
    const ramp = [1, 2, 3, 4, 5, 6, 7, 8];
    expect(effectiveCount(ramp)).toBe(2);
    expect(effectiveCount(ramp.slice(1))).toBe(7);
    // To and fro they are like none: as many as there are.
    expect(effectiveCount([1, -1, 1, -1, 1, -1, 1, -1])).toBe(8);
    expect(effectiveCount(Array(8).fill(4) as number[])).toBe(8);
    // Never more alike than 0.95: that leaves a thirty-ninth.
    expect(effectiveCount(Array.from({ length: 400 }, (_, i) => i))).toBeCloseTo((400 * 0.05) / 1.95, 6);
  });

  it('before and after differ by so much, within Welch’s interval', () => {
    const [before, after] = [
      [1, 2, 3],
      [4, 6, 8, 10],
    ];
    const found = welch(before, after);
    // Means 2 and 7; variances 1 of three and 20/3 of four.
    const [a, b] = [1 / 3, 20 / 3 / 4];
    const freedom = (a + b) ** 2 / (a ** 2 / 2 + b ** 2 / 3);
    expect(found?.by).toBeCloseTo(5, 12);
    expect(found?.freedom).toBeCloseTo(freedom, 9);
    const reach = studentFactor(freedom) * Math.sqrt(a + b);
    expect([found?.low, found?.high]).toEqual([expect.closeTo(5 - reach, 9), expect.closeTo(5 + reach, 9)]);
    expect(welch([1], [2, 3])).toBeNull();
    expect(welch([1, 2], [3])).toBeNull();
    expect(welch([1, 1], [3, 3])).toEqual({ by: 2, low: 2, high: 2, freedom: 2 });
  });
});

describe('a share', () => {
  it('lies within Wilson’s interval: of two in ten 0.057 to 0.510 (his formula, worked by hand)', () => {
    const z = 1.959964;
    const half = (z / (1 + z ** 2 / 10)) * Math.sqrt((0.2 * 0.8) / 10 + z ** 2 / 400);
    const middle = (0.2 + z ** 2 / 20) / (1 + z ** 2 / 10);
    expect(wilsonInterval(2, 10)).toEqual([expect.closeTo(middle - half, 6), expect.closeTo(middle + half, 6)]);
    expect(wilsonInterval(2, 10).map((one) => Number(one.toFixed(3)))).toEqual([0.057, 0.51]);
    expect(wilsonInterval(0, 0)).toEqual([0, 1]);
    expect(wilsonInterval(0, 10)[0]).toBe(0);
    expect(wilsonInterval(10, 10)[1]).toBeCloseTo(1, 12);
    for (const [hits, trials] of [
      [3, 2],
      [-1, 2],
      [0.5, 2],
      [1, 2.5],
    ] as const)
      expect(() => wilsonInterval(hits, trials)).toThrow();
  });
});
