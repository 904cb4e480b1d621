/** The pieces of a tone's figures, each by itself: mathematics written out, no recording. */
import { describe, expect, it } from 'vitest';
import { differences } from './differences.js';
import { speedSeries, totalDeviation } from './display.js';
import { deviationLine, flutterFigures, residualDeviation } from './flutter.js';
import type { PhaseTrack } from './phase.js';
import { quasiPeakSteps, unscaledDetector } from './quasiPeak.js';
import { curveAt, durationS, fitTrend, legendre, meanHz, waveSums } from './trend.js';
import { weight, weightingDb } from './weighting.js';

const range = (count: number, make: (i: number) => number) => Float64Array.from({ length: count }, (_, i) => make(i));
const RATE = 500;
const track = (phase: Float64Array, usable = new Uint8Array(phase.length).fill(1)): PhaseTrack => ({
  rate: RATE,
  startS: 2,
  centreHz: 3150,
  phase,
  usable,
});

describe('Legendre polynomials', () => {
  it('are 1, x, (3x² − 1)/2, (5x³ − 3x)/2', () => {
    for (const x of [-1, -0.3, 0, 0.5, 1]) {
      const out = new Float64Array(4);
      legendre(x, out, 3);
      [1, x, (3 * x * x - 1) / 2, (5 * x ** 3 - 3 * x) / 2].forEach((value, k) =>
        expect(out[k]).toBeCloseTo(value, 12),
      );
    }
    expect(curveAt(Float64Array.of(2, 3, 4), 0.5)).toBeCloseTo(2 + 1.5 + 4 * -0.125, 12);
    const alone = new Float64Array(1);
    legendre(0.7, alone, 0);
    expect(alone[0]).toBe(1);
  });
});

describe('sums of waves', () => {
  it('are those added one by one', () => {
    for (const [w, count] of [
      [0.1, 50],
      [2, 7],
      [0, 9],
      [2 * Math.PI, 9],
      [1e-3, 1000],
    ] as const) {
      const sum = { cos: 0, sin: 0 };
      for (let n = 0; n < count; n++) {
        sum.cos += Math.cos(w * n);
        sum.sin += Math.sin(w * n);
      }
      expect(waveSums(w, count).cos).toBeCloseTo(sum.cos, 8);
      expect(waveSums(w, count).sin).toBeCloseTo(sum.sin, 8);
    }
  });
});

describe('a fit of slow curve and lines', () => {
  const seconds = 20;
  const count = seconds * RATE;
  const t = (n: number) => n / RATE;
  const phase = range(
    count,
    (n) =>
      0.4 +
      2 * Math.PI * 1.5 * t(n) +
      0.3 * Math.cos(2 * Math.PI * 0.55 * t(n)) -
      0.2 * Math.sin(2 * Math.PI * 0.55 * t(n)),
  );

  it('finds offset, slope and both amplitudes, and leaves nothing', () => {
    const fit = fitTrend(track(phase), 1, [0.55]);
    expect(fit.lines[0]).toMatchObject({
      hz: 0.55,
      cos: expect.closeTo(0.3, 9) as unknown,
      sin: expect.closeTo(-0.2, 9) as unknown,
    });
    expect(meanHz(track(phase), fit.curve)).toBeCloseTo(3151.5, 9);
    expect(Math.max(...fit.residual.map(Math.abs))).toBeLessThan(1e-9);
    expect(durationS(track(phase))).toBeCloseTo((count - 1) / RATE, 12);
    expect(durationS(track(new Float64Array(1)))).toBe(1 / RATE);
  });

  it('the same with gaps: what is in them counts for nothing', () => {
    const usable = new Uint8Array(count).fill(1);
    const holed = phase.slice();
    for (let n = 3000; n < 3400; n++) {
      usable[n] = 0;
      holed[n] = 99;
    }
    const fit = fitTrend(track(holed, usable), 1, [0.55]);
    expect(meanHz(track(holed, usable), fit.curve)).toBeCloseTo(3151.5, 8);
    expect(fit.lines[0]?.cos).toBeCloseTo(0.3, 8);
    expect(fit.residual[3200]).toBe(0);
  });

  it('a straight line’s slope varies by 12 / (N³ − N) of the noise, a sample apart (least squares, from memory)', () => {
    const fit = fitTrend(track(phase), 1, []);
    const perSample = 12 / (count ** 3 - count);
    expect(fit.meanHzUnitVariance / ((perSample * RATE ** 2) / (4 * Math.PI ** 2))).toBeCloseTo(1, 6);
    // Each odd term adds its 2k + 1: three of the line, seven more of the cubic.
    expect(fitTrend(track(phase), 3, []).meanHzUnitVariance / fit.meanHzUnitVariance).toBeCloseTo(10 / 3, 2);
  });

  it('a quadratic is a drift: the mean slope does not take it up', () => {
    const drifting = range(count, (n) => 2 * Math.PI * (1.5 * t(n) + 0.01 * (t(n) ** 2 - seconds * t(n))));
    expect(meanHz(track(drifting), fitTrend(track(drifting), 2, []).curve)).toBeCloseTo(3151.5, 3);
  });
});

describe('deviation', () => {
  it('of a phase line is its derivative over the mean: 0.3 rad at 0.5556 Hz of 3150 are 0.0053 %', () => {
    const { cos, sin, hz } = deviationLine({ hz: 0.5556, cos: 0.3, sin: -0.2 }, 3150);
    // d/dt of 0.3 cos − 0.2 sin, over 2 pi.
    expect([hz, cos, sin]).toEqual([
      0.5556,
      expect.closeTo((-0.2 * 100 * 0.5556) / 3150, 12),
      expect.closeTo((-0.3 * 100 * 0.5556) / 3150, 12),
    ]);
  });

  it('of a pure wow of 0.2 % has its known figures: rms 0.2/√2, 95 % of the time under 0.2 sin(0.95·π/2)', () => {
    const count = 18 * RATE;
    const hz = 4;
    // Speed deviates by 0.2 % at 4 Hz, where the weighting is one.
    const radians = (0.2 * 3150) / (100 * hz);
    const own = track(range(count, (n) => radians * Math.sin((2 * Math.PI * hz * n) / RATE)));
    const fit = fitTrend(own, 1, [hz]);
    const mean = meanHz(own, fit.curve);
    const rest = residualDeviation(own, fit.residual, mean);
    const figures = flutterFigures(own, fit, rest, mean);
    expect(figures.unweightedRmsPercent).toBeCloseTo(0.2 / Math.SQRT2, 5);
    expect(figures.weightedRmsPercent).toBeCloseTo(0.2 / Math.SQRT2, 4);
    expect(figures.unweightedPeakPercent).toBeCloseTo(0.2 * Math.sin((0.95 * Math.PI) / 2), 3);
    expect(figures.weighted2SigmaPercent).toBeCloseTo(0.2 * Math.sin((0.95 * Math.PI) / 2), 3);
    expect(figures.weightedQuasiPeakPercent).toBeCloseTo(0.2, 3);
    // The same when no line took it: it is in the rest, less what the ends of the filter lose.
    const plain = fitTrend(own, 1, []);
    const whole = flutterFigures(own, plain, residualDeviation(own, plain.residual, mean), mean);
    expect(whole.unweightedRmsPercent / (0.2 / Math.SQRT2)).toBeCloseTo(1, 1);
    // Drawn, it swings as far to both sides, about nought.
    const drawn = totalDeviation(own, fit, rest, mean);
    expect(Math.max(...drawn)).toBeCloseTo(0.2, 3);
    expect(Math.min(...drawn)).toBeCloseTo(-0.2, 3);
  });

  it('is drawn in steps: mean and half of the spread of each, about the error', () => {
    const values = range(60, (n) => (n % 20 < 10 ? 1 : -1));
    const { startS, stepS, errorPercent, halfWidthPercent } = speedSeries(track(values), values, 2);
    // Forty milliseconds at 500 a second are twenty samples.
    expect([startS, stepS, errorPercent.length]).toEqual([2, 0.04, 3]);
    expect(Array.from(errorPercent)).toEqual([2, 2, 2].map((one) => expect.closeTo(one, 6) as number));
    expect(Array.from(halfWidthPercent)).toEqual([1.02, 1.02, 1.02].map((one) => expect.closeTo(one, 6) as number));
  });
});

describe('steps of a row', () => {
  it('are scaled differences, with the sum of their squares', () => {
    const { steps, square } = differences(Float64Array.of(1, 3, 2, 2), 2);
    expect(Array.from(steps)).toEqual([4, -2, 0]);
    expect(square).toBe(20);
    expect(differences(Float64Array.of(5), 2)).toEqual({ steps: new Float64Array(0), square: 0 });
  });
});

describe('the weighting between its points', () => {
  it('rises to 4 Hz and falls beyond, and never overshoots its neighbours', () => {
    for (let hz = 0.1; hz * 1.02 < 4; hz *= 1.02)
      expect(weightingDb(hz * 1.02), String(hz)).toBeGreaterThan(weightingDb(hz));
    for (let hz = 4; hz < 200; hz *= 1.02) expect(weightingDb(hz * 1.02), String(hz)).toBeLessThan(weightingDb(hz));
    expect(weight(0)).toBe(0);
    expect(weight(-1)).toBe(0);
    expect(weight(4)).toBe(1);
    expect(weight(1)).toBeCloseTo(10 ** (-4.2 / 20), 9);
  });
  it('goes on at its ends as it stood there', () => {
    const slope = (-23 + 17.3) / Math.log10(2);
    expect(weightingDb(400)).toBeCloseTo(-23 + slope * Math.log10(2), 6);
    const low = (-30.6 + 48) / Math.log10(2);
    expect(weightingDb(0.05)).toBeCloseTo(-48 - low * Math.log10(2), 6);
  });
});

describe('the quasi-peak detector', () => {
  it('smooths, rises and falls by its time constants, whatever the rate', () => {
    for (const rate of [500, 4000]) {
      const { smooth, rise, fall } = quasiPeakSteps(rate);
      expect((1 - smooth) ** (0.02 * rate)).toBeCloseTo(Math.exp(-1), 9);
      expect((1 - rise) ** (0.016 * rate)).toBeCloseTo(Math.exp(-1), 9);
      expect(fall ** (0.98 * rate)).toBeCloseTo(Math.exp(-1), 9);
    }
  });
  it('reaches one and stays under it, for a long pulse of either sign; after it falls to 36 % in a second', () => {
    for (const sign of [1, -1]) {
      const detector = unscaledDetector(1000);
      let now = 0;
      for (let n = 0; n < 1000; n++) now = detector.push(sign);
      expect(now).toBeCloseTo(1, 6);
      expect(detector.largest).toBeLessThanOrEqual(1);
      for (let n = 0; n < 1000; n++) now = detector.push(0);
      expect(now).toBeGreaterThan(0.36);
      expect(now).toBeLessThan(0.4);
      expect(detector.largest).toBeCloseTo(1, 6);
    }
  });
});
