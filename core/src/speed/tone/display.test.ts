/** What the page draws, of motions that are formulas: the deviation at each moment, its steps, its spectrum. */
import { describe, expect, it } from 'vitest';
import { flutterSpectrum, speedSeries, totalDeviation } from './display.js';
import { driftPercent } from './drift.js';
import type { ResidualDeviation } from './flutter.js';
import type { PhaseTrack } from './phase.js';
import { stepIn } from './splice.js';
import { fitTrend, meanHz } from './trend.js';

const TAU = 2 * Math.PI;
const range = (count: number, of: (i: number) => number) => Float64Array.from({ length: count }, (_, i) => of(i));
const trackOf = (count: number, phase: (t: number) => number): PhaseTrack => ({
  rate: 500,
  startS: 3,
  centreHz: 3000,
  phase: range(count, (n) => phase(n / 500)),
  usable: new Uint8Array(count).fill(1),
});
const none = (count: number) => ({ unweighted: new Float64Array(count) }) as unknown as ResidualDeviation;

describe('the deviation at each moment', () => {
  it('is that of the speed that the phase is the sum of: a bend, a drift and a line', () => {
    // 2 Hz above the centre, bent by 0.5 t and 0.03 t² Hz, and 4 Hz of wow 1.5 times a second.
    const speed = (t: number) => 3002 + 0.5 * t + 0.03 * t ** 2 + 4 * Math.cos(TAU * 1.5 * t);
    const turns = (t: number) => 2 * t + 0.25 * t ** 2 + 0.01 * t ** 3 + (4 / (TAU * 1.5)) * Math.sin(TAU * 1.5 * t);
    const track = trackOf(5000, (t) => TAU * turns(t));
    const fit = fitTrend(track, 3, [1.5]);
    const mean = meanHz(track, fit.curve);
    const end = 4999 / 500;
    expect(mean).toBeCloseTo(3002 + 0.25 * end + 0.01 * end ** 2, 6);
    const deviation = totalDeviation(track, fit, none(5000), mean);
    deviation.forEach((percent, n) => expect(percent).toBeCloseTo(100 * (speed(n / 500) / mean - 1), 5));
    // Tenths of the bend alone: their middles lie nine tenths of the length apart.
    const [a, b] = [end / 20, end - end / 20];
    expect(driftPercent(track, fit, mean)).toBeCloseTo((100 * (0.5 * (b - a) + 0.03 * (b ** 2 - a ** 2))) / mean, 3);
  });

  it('of a straight phase is nought, and with what is left over just that', () => {
    const track = trackOf(1000, (t) => TAU * 1.5 * t);
    const rest = { unweighted: range(1000, (n) => Math.sin(n)) } as unknown as ResidualDeviation;
    totalDeviation(track, fitTrend(track, 1, []), rest, 3001.5).forEach((one, n) =>
      expect(one).toBeCloseTo(Math.sin(n), 6),
    );
  });
});

describe('the speed over time', () => {
  it('stands in steps of forty milliseconds: the mean of each, half of its spread, and no part of a step', () => {
    // Twenty samples a step, rising by a thousandth of a percent each.
    const { startS, stepS, errorPercent, halfWidthPercent } = speedSeries(
      trackOf(0, () => 0),
      range(109, (n) => n / 1000),
      2,
    );
    expect([startS, stepS, errorPercent.length]).toEqual([3, 0.04, 5]);
    errorPercent.forEach((one, i) => expect(one).toBeCloseTo(2 + 1.02 * (0.0095 + 0.02 * i), 6));
    halfWidthPercent.forEach((one) => expect(one).toBeCloseTo(1.02 * 0.0095, 6));
  });
});

describe('the spectrum', () => {
  it('has each sine at its frequency with its peak, from a fifth of a hertz to two hundred, and next to nothing else', () => {
    for (const count of [8192, 10_000, 15_000]) {
      const sines = [
        [0.9, 0.2],
        [8, 0.3],
        [61, 0.05],
      ] as const;
      const { frequencyHz, peakPercent } = flutterSpectrum(
        trackOf(0, () => 0),
        range(count, (n) => sines.reduce((sum, [hz, peak]) => sum + peak * Math.sin((TAU * hz * n) / 500), 0)),
      );
      expect(Math.min(...frequencyHz)).toBeGreaterThanOrEqual(0.2);
      expect(Math.max(...frequencyHz)).toBeGreaterThan(190);
      expect(Math.max(...frequencyHz)).toBeLessThanOrEqual(200);
      for (const [hz, peak] of sines) {
        const near = [...peakPercent].filter((_, i) => Math.abs((frequencyHz[i] as number) / hz - 1) < 0.06);
        expect(Math.max(...near) / peak, `${count}: ${hz}`).toBeGreaterThan(0.97);
        expect(Math.max(...near) / peak, `${count}: ${hz}`).toBeLessThan(1.03);
      }
      const far = [...peakPercent].filter(
        (_, i) => (frequencyHz[i] as number) > 70 || Math.abs((frequencyHz[i] as number) / 3 - 1) < 0.2,
      );
      expect(Math.max(...far)).toBeLessThan(0.002);
    }
  });
});

describe('a splice', () => {
  const levels = (...parts: readonly (readonly [count: number, hz: number])[]) =>
    parts.flatMap(([count, hz]) => Array<number>(count).fill(hz));
  it('is where one steady pitch follows another: a percent within a step, not over seconds, not of a thousandth', () => {
    expect(stepIn(levels([40, 3000], [60, 3030]), 0.1)).toBe(40);
    expect(stepIn(levels([70, 3000], [30, 2970]), 0.1)).toBe(70);
    expect(stepIn(levels([100, 3000]), 0.1)).toBeNull();
    expect(stepIn(levels([50, 3000], [50, 3003]), 0.1)).toBeNull();
    expect(stepIn([...range(100, (n) => 3000 + n / 2)], 0.1)).toBeNull();
    expect(stepIn([...range(100, (n) => 3000 + 30 / (1 + Math.exp((50 - n) / 12)))], 0.1)).toBeNull();
    // A second and a half on either side at least: fifteen steps.
    expect(stepIn(levels([14, 3000], [60, 3030]), 0.1)).not.toBe(14);
    expect(stepIn(levels([15, 3000], [60, 3030]), 0.1)).toBe(15);
    expect(stepIn(levels([15, 3000], [14, 3030]), 0.1)).toBeNull();
  });
});
