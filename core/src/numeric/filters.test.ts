import { quantile as reference, median as referenceMedian, mean as referenceMean } from 'simple-statistics';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CoreError } from '../errors.js';
import { nextPowerOfTwo } from './fft.js';
import { besselI0, lowPassTaps } from './kaiser.js';
import { gaussian, seeded } from './random.js';
import { rotation } from './rotation.js';
import { mean, median, quantile } from './statistics.js';

describe('statistics', () => {
  const values = fc.array(fc.double({ min: -1e6, max: 1e6, noNaN: true }), { minLength: 1, maxLength: 80 });

  it('median and mean agree with a general-purpose library', () => {
    fc.assert(
      fc.property(values, (list) => {
        expect(median(list)).toBeCloseTo(referenceMedian(list), 6);
        expect(mean(list)).toBeCloseTo(referenceMean(list), 6);
      }),
    );
  });

  it('quantiles rise with q and stay inside the values', () => {
    fc.assert(
      fc.property(
        values,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (list, a, b) => {
          const [low, high] = [Math.min(a, b), Math.max(a, b)];
          expect(quantile(list, low)).toBeLessThanOrEqual(quantile(list, high) + 1e-9);
          expect(quantile(list, 0) === Math.min(...list)).toBe(true);
          expect(quantile(list, 1) === Math.max(...list)).toBe(true);
        },
      ),
    );
  });

  it('interpolates between order statistics (type 7), unlike the step of the other library only between them', () => {
    expect(quantile([1, 2, 3, 4], 0.5)).toBe(2.5);
    expect(quantile([1, 2, 3, 4], 0.25)).toBe(1.75);
    expect(Math.abs(quantile([1, 2, 3, 4, 5], 0.5) - reference([1, 2, 3, 4, 5], 0.5))).toBe(0);
    expect(quantile([], 0.5)).toBe(0);
  });
});

describe('chance', () => {
  it('is the same for the same seed and differs for another', () => {
    const take = (seed: number) => Array.from({ length: 5 }, seeded(seed));
    expect(take(1)).toEqual(take(1));
    expect(take(1)).not.toEqual(take(2));
  });

  it('gives normal deviates with the moments they should have', () => {
    const normal = gaussian(seeded(3));
    const sample = Float64Array.from({ length: 40000 }, normal);
    const moment = (power: number) => sample.reduce((sum, x) => sum + x ** power, 0) / sample.length;
    expect(moment(1)).toBeCloseTo(0, 1);
    expect(moment(2)).toBeCloseTo(1, 1);
    expect(moment(3)).toBeCloseTo(0, 0);
    expect(moment(4)).toBeGreaterThan(2.8);
    expect(moment(4)).toBeLessThan(3.2);
  });

  it('stays in its interval', () => {
    const random = seeded(11);
    for (let i = 0; i < 2000; i++) {
      const value = random();
      expect(value).toBeGreaterThanOrEqual(0);
      expect(value).toBeLessThan(1);
    }
  });
});

describe('filters and waves', () => {
  it('the Bessel function has its handbook values (Abramowitz & Stegun, table 9.8, from memory)', () => {
    expect(besselI0(0)).toBe(1);
    expect(besselI0(1)).toBeCloseTo(1.26606588, 7);
    expect(besselI0(2.5)).toBeCloseTo(3.28983914, 6);
    expect(besselI0(5)).toBeCloseTo(27.2398718, 5);
  });

  it('low-pass taps are symmetric, odd in number and sum to one', () => {
    const taps = lowPassTaps({ rate: 48000, passHz: 450, stopHz: 7000, attenuationDb: 75 });
    expect(taps.length % 2).toBe(1);
    expect(taps.reduce((sum, tap) => sum + tap, 0)).toBeCloseTo(1, 12);
    taps.forEach((tap, i) => expect(tap).toBeCloseTo(taps[taps.length - 1 - i] as number, 15));
  });

  it('a narrower transition needs more taps', () => {
    const count = (stopHz: number) => lowPassTaps({ rate: 8000, passHz: 400, stopHz, attenuationDb: 80 }).length;
    expect(count(500)).toBeGreaterThan(count(1000));
    expect(count(1000)).toBeGreaterThan(count(3000));
  });

  it.each([
    [0, 100],
    [200, 100],
    [100, 100],
  ])('refuses the edges %d and %d', (passHz, stopHz) => {
    expect(() => lowPassTaps({ rate: 1000, passHz, stopHz, attenuationDb: 60 })).toThrow(CoreError);
  });

  it('takes any edges between nought and the rate: half a hertz of a hundred as well', () => {
    const taps = lowPassTaps({ rate: 100, passHz: 0.5, stopHz: 2, attenuationDb: 60 });
    expect(taps.reduce((sum, tap) => sum + tap, 0)).toBeCloseTo(1, 12);
    expect(() => lowPassTaps({ rate: 100, passHz: 10, stopHz: 100, attenuationDb: 60 })).not.toThrow();
    expect(() => lowPassTaps({ rate: 100, passHz: 10, stopHz: 100.1, attenuationDb: 60 })).toThrow(CoreError);
  });

  it.each([
    [30, 2.117],
    [40, 3.395],
    [50, 4.534],
    [60, 5.653],
    [80, 7.857],
  ])(
    'at %d dB has the window of Kaiser’s β %d, and stops by so much (Kaiser 1974, from memory)',
    (attenuationDb, beta) => {
      const taps = lowPassTaps({ rate: 1000, passHz: 50, stopHz: 90, attenuationDb });
      const half = (taps.length - 1) / 2;
      // Numerator of the order: (A − 8) / (2.285 Δω).
      expect(taps.length).toBe(Math.ceil((attenuationDb - 8) / (2.285 * 2 * Math.PI * 0.04)) | 1);
      // Of the ideal low-pass at 70 Hz the window leaves I0(β √(1 − (n/half)²)) / I0(β), all over their sum.
      const ideal = (n: number) => (n === 0 ? 0.14 : Math.sin(2 * Math.PI * 0.07 * n) / (Math.PI * n));
      const window = (n: number) => besselI0(beta * Math.sqrt(1 - (n / half) ** 2)) / besselI0(beta);
      const shape = Array.from({ length: taps.length }, (_, i) => ideal(i - half) * window(i - half));
      const sum = shape.reduce((a, b) => a + b, 0);
      taps.forEach((tap, i) => expect(Math.abs(tap - (shape[i] as number) / sum)).toBeLessThan(2e-4));
      for (let hz = 90; hz <= 500; hz += 5) {
        const gain = taps.reduce((acc, tap, i) => acc + tap * Math.cos((2 * Math.PI * hz * (i - half)) / 1000), 0);
        expect(20 * Math.log10(Math.abs(gain) + 1e-12)).toBeLessThan(-attenuationDb + 2);
      }
    },
  );

  it('a rotated cosine keeps to the true one over a long way', () => {
    const step = 0.0123;
    const turn = rotation(step, 0.5);
    for (let n = 0; n < 5000; n++) expect(Math.abs(turn.cos() - Math.cos(step * (n + 0.5)))).toBeLessThan(1e-11);
  });

  it('the next power of two is never short', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), (n) => {
        const size = nextPowerOfTwo(n);
        expect(size).toBeGreaterThanOrEqual(n);
        expect(Math.log2(size) % 1).toBe(0);
        expect(size === 2 || size / 2 < n).toBe(true);
      }),
    );
  });
});
