/**
 * Factors of two-sided statistical tolerance intervals, 95 % of the population with 95 % confidence: the
 * exact ones as the tables of G. J. Hahn and W. Q. Meeker, "Statistical Intervals" (1991), give them, and
 * within 1.4 % the older approximate ones of A. H. Bowker's table (1947) that many handbooks still print
 * (both recalled from memory). The problem is that of ISO 16269-6. The functions behind it are compared
 * with general-purpose libraries.
 */
import { cumulativeStdNormalProbability } from 'simple-statistics';
import { gamma, erf } from 'mathjs';
import { describe, expect, it } from 'vitest';
import { chiSquaredBelow, logGamma, normalBelow, gaussian, seeded, toleranceFactor } from '../src/numeric/index.js';

describe('statistical tolerance interval', () => {
  it.each([
    [2, 36.519, 37.674],
    [3, 9.789, 9.916],
    [4, 6.341, 6.37],
    [5, 5.077, 5.079],
    [10, 3.393, 3.379],
    [20, 2.76, 2.752],
  ])('n = %i: exact k = %f, of the older table %f', (n, exact, older) => {
    expect(Math.abs(toleranceFactor(n) - exact)).toBeLessThanOrEqual(0.0006);
    if (n > 2) expect(Math.abs(toleranceFactor(n) / older - 1)).toBeLessThan(0.014);
  });

  it('holds what it promises on simulated benches', () => {
    const normal = gaussian(seeded(7));
    const k = toleranceFactor(5);
    let held = 0;
    const benches = 4000;
    for (let i = 0; i < benches; i++) {
      const values = Array.from({ length: 5 }, normal);
      const mean = values.reduce((a, b) => a + b, 0) / 5;
      const s = Math.sqrt(values.reduce((a, b) => a + (b - mean) ** 2, 0) / 4);
      if (normalBelow(mean + k * s) - normalBelow(mean - k * s) >= 0.95) held++;
    }
    expect(held / benches).toBeCloseTo(0.95, 1.7);
  });

  it('needs two values', () => {
    expect(() => toleranceFactor(1)).toThrow(/two values/);
    for (const part of [0, 1, -0.1, 1.1]) {
      expect(() => toleranceFactor(5, part)).toThrow(/between 0 and 1/);
      expect(() => toleranceFactor(5, 0.95, part)).toThrow(/between 0 and 1/);
    }
  });
});

describe('the functions behind it', () => {
  it('gamma and normal integral agree with the libraries', () => {
    for (const x of [0.05, 0.25, 0.49, 0.5, 1, 1.3, 2, 4, 11.5, 40])
      expect(Math.exp(logGamma(x)) / Number(gamma(x))).toBeCloseTo(1, 9);
    for (const x of [-3, -1, 0, 0.7, 2.5]) {
      expect(normalBelow(x)).toBeCloseTo(0.5 * (1 + erf(x / Math.SQRT2)), 9);
      expect(normalBelow(x)).toBeCloseTo(cumulativeStdNormalProbability(x), 3);
    }
  });

  it('chi-squared quantiles of the handbooks: 5 and 95 % for 1, 4 and 10 degrees (from memory)', () => {
    for (const [x, freedom, part] of [
      [3.841, 1, 0.95],
      [0.711, 4, 0.05],
      [9.488, 4, 0.95],
      [18.307, 10, 0.95],
    ] as const)
      expect(chiSquaredBelow(x, freedom)).toBeCloseTo(part, 3);
  });
});
