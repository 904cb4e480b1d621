/** Warm-up and drift of runs that are formulas, and of readings reckoned by hand. */
import { linearRegression } from 'simple-statistics';
import { describe, expect, it } from 'vitest';
import type { EventBody } from '../event.js';
import { logAt as log } from '../job.test-data.js';
import { phase, speed } from './tape.test-data.js';
import { driftOf, driftResult } from './warmUp.js';

describe('warm-up and drift', () => {
  const warming = [0, 2, 4, 7, 10, 15, 20, 30, 40, 60];
  const errors = warming.map((t) => 0.2 - 1.6 * Math.exp(-t / 8));

  it('finds final value and time constant of a run that was made with them', () => {
    const points = warming.map((minutes, i) => ({ minutes, errorPercent: errors[i] as number }));
    const { fit, steadySinceMin, perHour } = driftResult(points, 0.1);
    // At 20 minutes 1.6 exp(-20/8) = 0.13 are left to go: not steady yet, though the reading before lies 0.11 off.
    expect(driftResult(points.slice(0, 7), 0.12).steadySinceMin).toBeNull();
    expect(fit?.end.value).toBeCloseTo(0.2, 4);
    expect(fit?.tau.value).toBeCloseTo(8, 3);
    // 1.6 exp(-t/8) is under 0.1 from 22.2 minutes on: of these readings from 30.
    expect(steadySinceMin).toBe(30);
    expect(perHour?.by).toBeGreaterThan(0);
    expect(perHour?.by).toBeLessThan(0.2);
  });

  it('three readings that agree are steady from the first, two tell nothing', () => {
    const points = [0, 5, 10].map((minutes) => ({ minutes, errorPercent: 0.3 }));
    expect(driftResult(points, 0.1).steadySinceMin).toBe(0);
    expect(driftResult(points.slice(0, 2), 0.1).steadySinceMin).toBeNull();
    // Nor does one that came back at the very end.
    const back = [0.3, 0.9, 0.3].map((errorPercent, i) => ({ minutes: 5 * i, errorPercent }));
    expect(driftResult(back, 0.1).steadySinceMin).toBeNull();
  });

  it('the slope is of three readings of the later half at least, exact where they lie on a line', () => {
    const rising = (minutes: readonly number[]) => minutes.map((m) => ({ minutes: m, errorPercent: m / 60 }));
    expect(driftResult(rising([0, 30, 60]), 0.1).perHour).toBeNull();
    const exact = driftResult(rising([0, 30, 45, 60]), 0.1).perHour;
    for (const one of [exact?.by, exact?.low, exact?.high]) expect(one).toBeCloseTo(1, 9);
    // By hand: of 1, 2, 2, 3 at hours 3 to 6 the slope is 3/5, what is left 0.2, t of two degrees 4.303.
    const hours = [0, 0, 0, 1, 2, 2, 3].map((errorPercent, h) => ({ minutes: 60 * h, errorPercent }));
    const reach = 4.302653 * Math.sqrt(0.2 / 2 / 5);
    expect(driftResult(hours, 0.1).perHour).toEqual({
      by: expect.closeTo(0.6, 9),
      low: expect.closeTo(0.6 - reach, 5),
      high: expect.closeTo(0.6 + reach, 5),
    });
    expect(driftResult(Array(4).fill({ minutes: 5, errorPercent: 1 }), 0.1).perHour).toBeNull();
  });

  it('a run that ends off is not called steady', () => {
    const points = [0, 5, 10, 15, 20].map((minutes) => ({ minutes, errorPercent: -0.05 * minutes }));
    const { fit, steadySinceMin, perHour } = driftResult(points, 0.2);
    expect(fit).toBeNull();
    expect(steadySinceMin).toBeNull();
    expect(perHour?.by).toBeCloseTo(-3, 8);
  });

  it('the slope of the later half stands with its interval: least squares and t, as a general library has them', () => {
    // Half an hour, a reading every three minutes; the later half, from 15 minutes on, falls 0.6 % an hour, ±0.01 about it.
    const points = Array.from({ length: 11 }, (_, i) => ({
      minutes: 3 * i,
      errorPercent: (i < 5 ? 1 - 0.1 * i : 0.5 - 0.01 * 3 * (i - 5)) + (i % 2 === 0 ? 0.01 : -0.01),
    }));
    const late = points
      .filter(({ minutes }) => minutes >= 15)
      .map(({ minutes, errorPercent }) => [minutes / 60, errorPercent]);
    const { m, b } = linearRegression(late);
    const middle = late.reduce((sum, [t = 0]) => sum + t, 0) / late.length;
    const spread = late.reduce((sum, [t = 0]) => sum + (t - middle) ** 2, 0);
    const left = late.reduce((sum, [t = 0, v = 0]) => sum + (v - b - m * t) ** 2, 0);
    // Six readings leave four degrees: t of 95 % is 2.776 (tables).
    const reach = 2.776 * Math.sqrt(left / 4 / spread);
    const { perHour, band } = driftResult(points, 0.1);
    expect(late.length).toBe(6);
    expect(band).toBe(0.1);
    expect(perHour?.by).toBeCloseTo(m, 9);
    expect((perHour?.high ?? 0) - m).toBeCloseTo(reach, 3);
    expect(m - (perHour?.low ?? 0)).toBeCloseTo(reach, 3);
    expect(driftResult(points.slice(0, 4), 0.1).perHour).toBeNull();
  });

  it('takes the last stretch with the power on, with what was done to it', () => {
    const on: EventBody = { kind: 'power', state: 'live-isolated', conditions: [] };
    const off: EventBody = { kind: 'power', state: 'unplugged-discharged', conditions: [] };
    const drift = driftOf(
      log(
        [0, on],
        [1, speed(-2)],
        [2, speed(-1)],
        [3, off],
        [10, on],
        [11, speed(-1)],
        [13, phase('provoked', null)],
        [14, speed(-0.5)],
        [15, speed(3, { pitch: 'plus' })],
        [16, phase('rest', null)],
        [17, speed(-0.45)],
        [20, speed(-0.4)],
      ),
      speed(0).speedId,
      1.5,
    );
    expect(drift?.points.map((one) => [one.minutes, one.errorPercent])).toEqual([
      [1, -1],
      [7, -0.45],
      [10, -0.4],
    ]);
    expect(drift?.marks).toEqual([
      { minutes: 3, words: 'small capacitors breathed on through a straw' },
      { minutes: 5, words: 'pitch moved' },
    ]);
  });
});
