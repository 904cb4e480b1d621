import FFT from 'fft.js';
import fc from 'fast-check';
import { Matrix, solve } from 'ml-matrix';
import { describe, expect, it } from 'vitest';
import { CoreError } from '../errors.js';
import { fftPlan } from './fft.js';
import { gainAt, lowPassTaps } from './kaiser.js';
import { seeded } from './random.js';
import { solveNormal } from './solve.js';
import { realSpectrum } from './spectrum.js';

describe('fft', () => {
  it('agrees with a general-purpose library', () => {
    const size = 256;
    const random = seeded(7);
    const re = Float64Array.from({ length: size }, () => random() - 0.5);
    const im = new Float64Array(size);
    const other = new FFT(size);
    const out = other.createComplexArray() as number[];
    other.realTransform(out, Array.from(re));
    fftPlan(size).forward(re, im);
    for (let k = 0; k < size / 2; k++) {
      expect(re[k]).toBeCloseTo(out[2 * k] as number, 10);
      expect(im[k]).toBeCloseTo(out[2 * k + 1] as number, 10);
    }
  });

  it('comes back through the inverse', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 64, maxLength: 64 }), (values) => {
        const re = Float64Array.from(values);
        const im = new Float64Array(64);
        fftPlan(64).forward(re, im);
        fftPlan(64).inverse(re, im);
        values.forEach((v, i) => expect(re[i]).toBeCloseTo(v, 12));
      }),
    );
  });

  it('of real values is the same by half the work, missing values being 0', () => {
    const random = seeded(9);
    for (const count of [64, 50, 51]) {
      const values = Float64Array.from({ length: count }, () => random() - 0.5);
      const re = new Float64Array(64);
      re.set(values);
      const im = new Float64Array(64);
      fftPlan(64).forward(re, im);
      const half = realSpectrum(values, 64);
      for (let k = 0; k <= 32; k++) {
        expect(half.re[k]).toBeCloseTo(re[k] as number, 12);
        expect(half.im[k]).toBeCloseTo(im[k] as number, 12);
      }
    }
  });

  it('refuses a length that is no power of two', () => {
    expect(() => fftPlan(100)).toThrow(CoreError);
  });
});

describe('least squares', () => {
  it('solves as a general-purpose library does', () => {
    const random = seeded(3);
    const a = Matrix.from1DArray(
      6,
      6,
      Array.from({ length: 36 }, () => random()),
    );
    const normal = a.transpose().mmul(a).add(Matrix.eye(6).mul(0.1));
    const rhs = Array.from({ length: 6 }, () => random());
    const expected = solve(normal, Matrix.columnVector(rhs)).to1DArray();
    const got = solveNormal(Float64Array.from(normal.to1DArray()), Float64Array.from(rhs));
    got?.coefficients.forEach((value, i) => expect(value).toBeCloseTo(expected[i] as number, 9));
    expect(got).not.toBeNull();
  });

  it('says null to a singular system', () => {
    expect(solveNormal(Float64Array.of(1, 1, 1, 1), Float64Array.of(1, 1))).toBeNull();
  });
});

describe('low-pass', () => {
  it('passes and stops as asked', () => {
    const wish = { rate: 8000, passHz: 450, stopHz: 1000, attenuationDb: 80 };
    const taps = lowPassTaps(wish);
    expect(Math.abs(gainAt(taps, 8000, 450) - 1)).toBeLessThan(2e-4);
    for (let hz = 1000; hz < 4000; hz += 37) expect(Math.abs(gainAt(taps, 8000, hz))).toBeLessThan(2e-4);
  });
});
