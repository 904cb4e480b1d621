import { describe, expect, it } from 'vitest';
import { slowestShown, turnProfile } from './turnProfile.js';

/** Turns of 100 steps of 18 ms (33 1/3): a sine once a turn whose height differs from turn to turn. */
const series = (heights: readonly number[], mean = 0.4) => ({
  stepS: 0.018,
  errorPercent: heights.flatMap((height, turn) =>
    Array.from({ length: 100 }, (_, i) => mean + 0.01 * turn + height * Math.sin((2 * Math.PI * (i + 0.5)) / 100)),
  ),
});

describe('the turn', () => {
  it('has its bump where it was put, free of the mean and of a drift from turn to turn', () => {
    const profile = turnProfile(series([0.2, 0.2, 0.2, 0.2]), 1 / 1.8);
    expect(profile?.turns).toBe(4);
    expect(profile?.percent).toHaveLength(72);
    expect(profile?.fastest.degrees).toBeCloseTo(90, -1);
    expect(profile?.slowest.degrees).toBeCloseTo(270, -1);
    expect(profile?.fastest.percent).toBeCloseTo(0.2, 2);
    expect(profile?.slowest.percent).toBeCloseTo(-0.2, 2);
  });

  it('scatters by what the turns differ in, and by nothing where they agree', () => {
    // Heights 0.1 and 0.3 by turns: at the top the values are 0.1 and 0.3, four of each or two: s = 0.1 sqrt(n / (n - 1)).
    const profile = turnProfile(series([0.1, 0.3, 0.1, 0.3, 0.1, 0.3, 0.1, 0.3]), 1 / 1.8);
    const at = (degrees: number) => profile?.degrees.findIndex((one) => Math.abs(one - degrees) < 3) ?? -1;
    expect(profile?.spreadPercent[at(90)]).toBeCloseTo(0.1 * Math.sqrt(8 / 7), 2);
    expect(profile?.spreadPercent[at(180)]).toBeLessThan(0.02);
    const alike = turnProfile(series([0.2, 0.2, 0.2, 0.2]), 1 / 1.8);
    expect(Math.max(...(alike?.spreadPercent.filter((_, i) => i % 18 === 9) ?? [9]))).toBeLessThan(0.02);
  });

  it('needs three whole turns and twelve steps in each', () => {
    expect(turnProfile(series([0.2, 0.2]), 1 / 1.8)).toBeNull();
    expect(turnProfile(series([0.2, 0.2, 0.2]), 1 / 1.8)).not.toBeNull();
    expect(turnProfile(series([0.2, 0.2, 0.2]), 1 / (0.018 * 11.9))).toBeNull();
    expect(turnProfile(series([0.2, 0.2, 0.2]), 0)).toBeNull();
  });

  it('is that of the slowest part the series can show, at the speed it ran', () => {
    const parts = [
      { name: 'capstan', hz: 10 },
      { name: 'reel', hz: 0.1 },
      { name: 'platter', hz: 1 / 1.8 / 1.004 },
    ];
    expect(slowestShown(series([0.2, 0.2, 0.2, 0.2]), parts, 0.4)?.part).toBe('platter');
    expect(slowestShown(series([0.2, 0.2]), parts, 0.4)).toBeNull();
  });

  it('gives each step its own sample where there are as many, and what is over a whole turn counts no more', () => {
    const height = (i: number) => Math.sin((2 * Math.PI * (i + 0.5)) / 72);
    const errorPercent = [...Array.from({ length: 216 }, (_, i) => height(i % 72)), ...Array<number>(30).fill(9)];
    const profile = turnProfile({ stepS: 0.025, errorPercent }, 1 / 1.8);
    expect(profile?.turns).toBe(3);
    profile?.percent.forEach((one, i) => expect(one).toBeCloseTo(height(i), 9));
    expect([profile?.degrees[0], profile?.degrees[71], profile?.fastest.degrees]).toEqual([2.5, 357.5, 87.5]);
  });

  it('is folded at the speed measured, and of two parts that can be shown it is the slower, however they are listed', () => {
    const slow = { name: 'platter', hz: 1 / 1.8 / 1.05 };
    const fast = { name: 'motor', hz: 2 / 1.8 / 1.05 };
    for (const parts of [
      [slow, fast],
      [fast, slow],
    ]) {
      const shown = slowestShown(series(Array<number>(20).fill(0.2)), parts, 5);
      expect(shown?.part).toBe('platter');
      expect(shown?.profile.fastest.percent).toBeCloseTo(0.2, 2);
    }
  });
});
