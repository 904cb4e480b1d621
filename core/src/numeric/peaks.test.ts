import { describe, expect, it } from 'vitest';
import { joinedCells, parabolaTop, peakBin } from './peaks.js';

describe('the top of a parabola', () => {
  it('lies where it was put, of what is no parabola open below nowhere', () => {
    for (const top of [-0.5, -0.3, 0, 0.2, 0.5, 2]) {
      const of = (x: number) => 7 - 3 * (x - top) ** 2;
      expect(parabolaTop(of(-1), of(0), of(1))).toBeCloseTo(top, 12);
    }
    expect(parabolaTop(1, 2, 3)).toBe(0);
    expect(parabolaTop(3, 1, 2)).toBe(0);
  });

  it('of power is that of its logarithms: of a bell its very middle', () => {
    const bell = Float64Array.from({ length: 20 }, (_, k) => Math.exp(-((k - 11.3) ** 2) / 4));
    expect(peakBin(bell, 11)).toBeCloseTo(11.3, 12);
    expect(peakBin(Float64Array.of(0, 1, 0), 1)).toBe(1);
    expect(peakBin(Float64Array.of(0, 0, 0), 1)).toBe(1);
  });
});

describe('levels of cells', () => {
  it('stand in their middles, lie on straight lines between, and go on beyond the ends', () => {
    // Cells of four bins from bin 1: middles at 3, 7, 11.
    const at = joinedCells(Float64Array.of(10, 20, 60), 4, 1);
    expect([0, 1, 3, 5, 7, 8, 10, 11, 12, 40].map(at)).toEqual([10, 10, 10, 15, 20, 30, 50, 60, 60, 60]);
    expect(joinedCells(Float64Array.of(5), 4, 0)(9)).toBe(5);
  });
});
