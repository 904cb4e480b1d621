/** Wear of brushes: sums written out. */
import { describe, expect, it } from 'vitest';
import { brushLife } from './brush.js';

describe('what is left of a brush', () => {
  it('12 mm that became 9 in 150 hours reach 6 in 150 more; each length is read to ±0.2 mm', () => {
    const life = brushLife(12, 9, 6, 150);
    expect(life?.mmPerHour).toBeCloseTo(0.02, 9);
    expect(life?.hours.usual).toBeCloseTo(150, 9);
    // Both lengths are in the wear: 0.2 mm times the root of two; one is in what is left.
    expect(life?.hours.least).toBeCloseTo((2.8 * 150) / (3 + 0.2 * Math.SQRT2), 9);
    expect(life?.hours.most).toBeCloseTo((3.2 * 150) / (3 - 0.2 * Math.SQRT2), 9);
  });

  it('under its limit there are none left, and at it the reading alone may give some', () => {
    expect(brushLife(10, 4, 5, 100)?.hours).toMatchObject({ least: 0, usual: 0 });
    const at = brushLife(10, 5, 5, 100)?.hours;
    expect([at?.least, at?.usual]).toEqual([0, 0]);
    expect(at?.most).toBeCloseTo((0.2 * 100) / (5 - 0.2 * Math.SQRT2), 9);
  });

  it('wear that the caliper cannot tell from none has no most; none, or no hours, is no wear', () => {
    expect(brushLife(10, 9.72, 6, 100)?.hours.most).toBeNull();
    expect(brushLife(10, 9.71, 6, 100)?.hours.most).not.toBeNull();
    for (const [before, now, hours] of [
      [10, 10, 100],
      [9, 10, 100],
      [10, 9, 0],
      [10, 9, -1],
    ] as const)
      expect(brushLife(before, now, 6, hours)).toBeNull();
  });
});
