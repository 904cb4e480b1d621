/**
 * Intervals against a general-purpose library (SciPy 1.17.1, its figures written out) and the t table of any
 * handbook of statistics (from memory).
 */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  effectiveCount,
  fitSettling,
  incompleteBeta,
  seeded,
  gaussian,
  studentFactor,
  welch,
} from '../src/numeric/index.js';

describe("Student's t", () => {
  it.each([
    [1, 12.706, 63.657],
    [2, 4.303, 9.925],
    [3, 3.182, 5.841],
    [5, 2.571, 4.032],
    [10, 2.228, 3.169],
    [30, 2.042, 2.75],
  ])('two-sided for %s degrees: %s and %s', (freedom, at95, at99) => {
    expect(studentFactor(freedom)).toBeCloseTo(at95, 3);
    expect(studentFactor(freedom, 0.99)).toBeCloseTo(at99, 3);
  });

  it('needs degrees above nought and a part between 0 and 1', () => {
    for (const [freedom, within] of [
      [0, 0.95],
      [-1, 0.95],
      [Number.NaN, 0.95],
      [5, 0],
      [5, 1],
    ] as const)
      expect(() => studentFactor(freedom, within)).toThrow(/freedom above nought/);
  });

  it('broken degrees and the beta function under it: scipy.stats.t.ppf, scipy.special.betainc', () => {
    expect(studentFactor(7.5)).toBeCloseTo(2.33304, 5);
    expect(incompleteBeta(2, 3, 0.4)).toBeCloseTo(0.5248, 12);
    expect(incompleteBeta(0.5, 7, 0.05)).toBeCloseTo(0.5948684952530259, 12);
    expect(incompleteBeta(15, 0.5, 0.9)).toBeCloseTo(0.07785867031466781, 12);
  });
});

describe('a change between two sets of readings', () => {
  it('is that of scipy.stats.ttest_ind with unequal variances', () => {
    const change = welch([0.02, 0.05, 0.01, 0.04, 0.03], [-0.41, -0.36, -0.44, -0.4]);
    expect(change?.by).toBeCloseTo(-0.4325, 10);
    expect(change?.low).toBeCloseTo(-0.4819308916, 8);
    expect(change?.high).toBeCloseTo(-0.3830691084, 8);
    expect(change?.freedom).toBeCloseTo(4.0967998636, 8);
  });

  it('is not known from one reading', () => expect(welch([1], [2, 3])).toBeNull());

  it('holds the truth in about 95 of 100 cases, with readings that hang together as well', () => {
    const noise = gaussian(seeded(5));
    const held = (r: number) => {
      let inside = 0;
      for (let round = 0; round < 400; round++) {
        const side = (middle: number) => {
          let last = noise();
          return Array.from({ length: 60 }, () => {
            last = r * last + Math.sqrt(1 - r * r) * noise();
            return middle + last;
          });
        };
        const change = welch(side(0), side(0.7));
        if (change && change.low <= 0.7 && 0.7 <= change.high) inside++;
      }
      return inside / 400;
    };
    expect(held(0)).toBeGreaterThan(0.92);
    // Uncorrected the interval would hold it in about 74 of 100.
    expect(held(0.5)).toBeGreaterThan(0.9);
  });

  it('counts readings that hang together for fewer', () =>
    fc.assert(
      fc.property(fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 2, maxLength: 60 }), (values) => {
        const count = effectiveCount(values);
        expect(count).toBeGreaterThanOrEqual(2);
        expect(count).toBeLessThanOrEqual(values.length);
      }),
    ));
});

describe('a curve that runs to its end', () => {
  const times = [0, 1, 2, 3, 5, 7, 10, 13, 16, 20, 25, 30];
  const values = [-1.42, -1.21, -1.04, -0.85, -0.62, -0.43, -0.21, -0.12, -0.03, 0.02, 0.06, 0.08];

  it('is fitted as scipy.optimize.curve_fit does, with the same 95 % intervals', () => {
    const fit = fitSettling(times, values);
    if (!fit) throw new Error('no fit');
    expect(fit.end.value).toBeCloseTo(0.09493, 5);
    expect(fit.amplitude.value).toBeCloseTo(-1.521096, 5);
    expect(fit.tau.value).toBeCloseTo(6.506997, 4);
    expect((fit.end.high - fit.end.low) / 2).toBeCloseTo(0.018292, 5);
    expect((fit.amplitude.high - fit.amplitude.low) / 2).toBeCloseTo(0.023028, 5);
    expect((fit.tau.high - fit.tau.low) / 2).toBeCloseTo(0.279742, 4);
  });

  it('is none where nothing bends, where all stands at one time, or where there are four readings', () => {
    expect(fitSettling([0, 1, 2, 3, 4, 5], [0, 1, 2, 3, 4, 5])).toBeNull();
    expect(fitSettling([3, 3, 3, 3, 3], [0, 1, 2, 3, 4])).toBeNull();
    expect(fitSettling([0, 1, 2, 3], [3, 2, 1.5, 1.2])).toBeNull();
  });
});
