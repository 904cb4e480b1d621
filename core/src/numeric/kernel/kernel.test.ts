/** Every compiled loop against its plain twin. */
import { describe, expect, it } from 'vitest';
import { lowPassTaps } from '../kaiser.js';
import { seeded } from '../random.js';
import { hannWindow, plainHann, plainRealPlan, realSpectrum, realValues, windowedPower } from '../spectrum.js';
import { mixingSums, plainMixingSums, plainSymmetricSums, symmetricSums } from '../symmetric.js';
import { ownWorkspace, workspace } from './workspace.js';

const noise = (length: number, seed: number): Float64Array => {
  const random = seeded(seed);
  return Float64Array.from({ length }, () => random() - 0.5);
};

const furthest = (a: Float64Array, b: Float64Array): number =>
  a.reduce((worst, value, i) => Math.max(worst, Math.abs(value - (b[i] as number))), a.length === b.length ? 0 : 1);

describe('the compiled loops', () => {
  it('run here', () => {
    expect(workspace()).not.toBeNull();
  });

  it.each([1, 7, 1024, 30001])('make the window of %i samples as the plain one is', (length) => {
    expect(furthest(hannWindow(length), plainHann(length))).toBeLessThan(1e-12);
    expect(hannWindow(length)[0]).toBeCloseTo(0.5 - 0.5 * Math.cos(Math.PI / length), 12);
  });

  it('grow their memory and keep what was laid out', () => {
    const own = ownWorkspace();
    const first = noise(1000, 3);
    const at = own?.put(first) as number;
    own?.room(40e6);
    expect(own?.values(at, 1000)).toEqual(first);
  });

  it.each([4097, 5003, 20000])('filter %i samples as the plain ones do, to the last output', (length) => {
    const data = noise(length, length);
    const taps = lowPassTaps({ rate: 8000, passHz: 450, stopHz: 1000, attenuationDb: 90 });
    const half = (taps.length - 1) / 2;
    for (const factor of [1, 3, 4]) {
      const count = Math.floor((length - 2 * half - 1) / factor) + 1;
      const [a, b] = [new Float64Array(count), new Float64Array(count)];
      symmetricSums(data, taps.slice(half), half, factor, a);
      plainSymmetricSums(data, taps.slice(half), half, factor, b);
      expect(furthest(a, b)).toBeLessThan(1e-14);
    }
  });

  it('mix as the plain ones do', () => {
    const data = noise(30000, 5);
    const even = noise(18, 1);
    const odd = noise(18, 2);
    odd[0] = 0;
    const count = Math.floor((30000 - 35) / 6) + 1;
    const out = () => [new Float64Array(count), new Float64Array(count)] as const;
    const [re, im] = out();
    const [plainRe, plainIm] = out();
    mixingSums(data, { even, odd }, 17, 6, count, re, im);
    plainMixingSums(data, { even, odd }, 17, 6, count, plainRe, plainIm);
    expect(furthest(re, plainRe)).toBeLessThan(1e-13);
    expect(furthest(im, plainIm)).toBeLessThan(1e-13);
    expect(furthest(re, im)).toBeGreaterThan(0.1);
  });

  it.each([
    [1000, 1024],
    [1023, 1024],
    [30001, 32768],
    [100000, 131072],
  ])('make the spectrum of %i values in %i', (length, size) => {
    const values = noise(length, length);
    const plain = plainRealPlan(size);
    const { re, im } = realSpectrum(values, size);
    const reference = plain.spectrum(values);
    expect(furthest(re, reference.re)).toBeLessThan(1e-11);
    expect(furthest(im, reference.im)).toBeLessThan(1e-11);
    expect(furthest(realValues({ re, im }, length), values)).toBeLessThan(1e-14);
    expect(furthest(plain.inverse(reference, length), values)).toBeLessThan(1e-14);
    const window = hannWindow(length);
    const power = windowedPower(values, window, size, { offset: 0.1, scale: 3 });
    expect(furthest(power, plain.power(values, window, 0.1, 3))).toBeLessThan(1e-9);
    // A spectrum between two powers must not leave the other's window behind.
    realSpectrum(values, size);
    expect(windowedPower(values, window, size, { offset: 0.1, scale: 3 })).toEqual(power);
  });
});
