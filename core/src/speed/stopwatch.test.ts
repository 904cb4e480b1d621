import { describe, expect, it } from 'vitest';
import { gaussian, seeded } from '../numeric/index.js';
import { stopwatch, tapsStillNeeded } from './stopwatch.js';

const taps = (count: number, periodS: number, jitterS = 0, seed = 1) => {
  const normal = gaussian(seeded(seed));
  return Array.from({ length: count }, (_, i) => 100 + i * periodS + jitterS * normal());
};

describe('stopwatch', () => {
  it('counts nought at the first tap and gives the speed from the second', () => {
    expect(stopwatch([], 1)).toEqual({ kind: 'counting', taps: 0 });
    expect(stopwatch([5], 1).kind).toBe('counting');
    expect(stopwatch([5, 5], 1)).toEqual({ kind: 'counting', taps: 2 });
    expect(stopwatch([5, 6.8], 1)).toMatchObject({ kind: 'measured', turns: 1 });
  });

  it('two taps over 100 turns cannot prove 0.3 % (two reaction errors in squares)', () => {
    const state = stopwatch([0, 180], 100);
    if (state.kind !== 'measured') throw new Error('not measured');
    expect(state.rpm).toBeCloseTo(33.333, 3);
    expect(state.expandedPercent).toBeCloseTo((200 * Math.SQRT2 * 0.15) / 180, 3);
  });

  it.each([10, 12, 20])('%d taps cover the truth about nineteen times in twenty', (count) => {
    let covered = 0;
    for (let seed = 1; seed <= 1000; seed++) {
      const state = stopwatch(taps(count, 1.8, 0.06, seed), 1);
      if (state.kind === 'measured' && Math.abs(100 * (state.rpm / (60 / 1.8) - 1)) <= state.expandedPercent) covered++;
    }
    // 95 % of 1000, give or take three standard deviations of a binomial count.
    expect(covered / 1000).toBeGreaterThan(0.929);
    expect(covered / 1000).toBeLessThan(0.971);
  });

  it('says how many more turns the tolerance needs, and then it is enough', () => {
    const few = stopwatch(taps(12, 1.8, 0.08), 1);
    const more = tapsStillNeeded(few, 0.3) as number;
    expect(more).toBeGreaterThan(0);
    if (few.kind !== 'measured') throw new Error('not measured');
    const n = few.taps + more;
    expect((200 * few.reactionS) / Math.sqrt((n * (n * n - 1)) / 12) / 1.8).toBeLessThanOrEqual(0.301);
    expect(tapsStillNeeded(few, 50)).toBe(0);
  });
});

describe('figures of the stopwatch, worked by hand', () => {
  it('nine taps of two turns each at 3.6 s are 33 1/3: 16 turns, U from the reaction alone', () => {
    const state = stopwatch(
      [0, 3.6, 7.2, 10.8, 14.4, 18, 21.6, 25.2, 28.8].map((t) => t + 7),
      2,
    );
    if (state.kind !== 'measured') throw new Error('not measured');
    expect(state.turns).toBe(16);
    expect(state.rpm).toBeCloseTo(33.3333, 3);
    // u of the slope: 0.15 s / sqrt(9 (81 - 1) / 12) = 0.01936 s of 3.6 s; twice that is 1.076 %.
    expect(state.expandedPercent).toBeCloseTo(1.076, 3);
  });

  it('31 taps that stray by 0.15 s: U = 0.34 % (t of 29 degrees of freedom is 2.045, handbook table)', () => {
    // Alternating by ±0.145 s about the line is a scatter of 0.15 s with n - 2 in the divisor.
    const stray = Array.from({ length: 31 }, (_, i) => 1.8 * i + (i % 2 === 0 ? 0.1455 : -0.1455));
    const state = stopwatch(stray, 1);
    if (state.kind !== 'measured') throw new Error('not measured');
    expect(state.reactionS).toBeCloseTo(0.15, 2);
    // 2.045 · 0.15 s / sqrt(31 (961 - 1) / 12) = 0.00616 s of 1.8 s.
    expect(state.expandedPercent).toBeCloseTo(0.342, 2);
  });

  it('nobody taps steadier than 0.02 s, and a tap before the first is no measurement', () => {
    const state = stopwatch(taps(12, 1.8), 1);
    expect(state).toMatchObject({ kind: 'measured', reactionS: 0.02 });
    expect(stopwatch([5, 4], 1).kind).toBe('counting');
    expect(() => stopwatch([0, 1], 0)).toThrow();
    expect(() => tapsStillNeeded(state, 0)).toThrow();
    // Eight times less uncertain takes four times as many: 8 to the power of two thirds.
    expect(tapsStillNeeded({ ...state, kind: 'measured', taps: 10, expandedPercent: 8 } as typeof state, 1)).toBe(30);
  });
});
