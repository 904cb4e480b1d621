/** What a small supply comes to, worked by hand beforehand (handbook formulae: V = √2 U − diodes, Vpp = I / (f C)). */
import { expect, it } from 'vitest';
import { rowOf, solved } from './solved.js';

const SMALL = { secondary: '23', load: '0.132', reservoir: '2200' };

it('is expected at the reservoir, a tenth of the mains up and down', () => {
  const { expects } = solved('supply', SMALL);
  // √2 · 20.7 − 2 − 0.3 = 26.97 and − 1.2 − 0.3 = 27.77.
  expect(expects).toMatchObject({ place: 'reservoir', unit: 'V' });
  expect(expects?.low).toBeCloseTo(0.9 * 26.97, 1);
  expect(expects?.high).toBeCloseTo(1.1 * 27.77, 1);
});

it('the reservoir is recharged in the angle whose cosine is what is left of the peak: 0.6 V of 29.8 V in 0.64 ms', () => {
  const value = Number(rowOf('supply', SMALL, /Recharged/)?.match(/[\d.]+/)?.[0]);
  expect(value).toBeGreaterThan(0.55);
  expect(value).toBeLessThan(0.75);
});
