/** What is left of a phase track as a deviation, against the transform written out, and the figures at the ends of their bands. */
import { describe, expect, it } from 'vitest';
import { gaussian, nextPowerOfTwo, seeded } from '../../numeric/index.js';
import { PADDED_S } from './defaults.js';
import { flutterFigures, residualDeviation, type ResidualDeviation } from './flutter.js';
import type { PhaseTrack } from './phase.js';
import { blockMeans } from './slowWave.js';
import type { PhaseLine, TrendFit } from './trend.js';
import { weight } from './weighting.js';

const TAU = 2 * Math.PI;
const trackOf = (rate: number, usable: readonly number[] = []): PhaseTrack => ({
  rate,
  startS: 0,
  centreHz: 3150,
  phase: new Float64Array(usable.length),
  usable: Uint8Array.from(usable),
});

/**
 * Each wave of the differences, half a sample earlier than they stand for and as large as the slope they are the mean of:
 * those from `low` to `high` Hz, each times what `of` gives it.
 */
function banded(residual: Float64Array, rate: number, meanHz: number, size: number, of: (hz: number) => number) {
  const percent = (100 * rate) / (TAU * meanHz);
  const steps = Array.from(residual.subarray(1), (value, n) => percent * (value - (residual[n] as number)));
  const out = new Float64Array(residual.length);
  let squares = 0;
  for (let k = 1; k < size / 2; k++) {
    const hz = (k * rate) / size;
    const part = of(hz);
    if (part === 0) continue;
    const slope = (part * ((Math.PI * hz) / rate)) / Math.sin((Math.PI * hz) / rate);
    let [re, im] = [0, 0];
    steps.forEach((step, n) => {
      re += step * Math.cos((TAU * k * (n + 0.5)) / size);
      im -= step * Math.sin((TAU * k * (n + 0.5)) / size);
    });
    squares += 2 * slope ** 2 * (re ** 2 + im ** 2);
    for (let n = 0; n < out.length; n++) {
      const angle = (TAU * k * n) / size;
      out[n] = (out[n] as number) + ((2 * slope) / size) * (re * Math.cos(angle) - im * Math.sin(angle));
    }
  }
  return { out, meanSquare: squares / size / residual.length };
}

const furthest = (a: Float64Array, b: Float64Array) =>
  a.reduce((most, one, i) => Math.max(most, Math.abs(one - (b[i] as number))), 0);

describe('what is left as a deviation', () => {
  // 0.1 Hz from one wave of the transform to the next: 0.2, 0.5 and 200 Hz are waves of it, to the last digit.
  const rate = 409.6;
  const noise = gaussian(seeded(77));
  const residual = Float64Array.from({ length: 300 }, () => 0.02 * noise());
  const size = nextPowerOfTwo(residual.length + Math.ceil(PADDED_S * rate));
  const made = residualDeviation(trackOf(rate), residual, 3000);
  const within = (low: number, high: number) => (hz: number) => Number(hz >= low && hz <= high);

  it('is plain from 0.2 to 200 Hz, both counted', () => {
    expect(furthest(made.unweighted, banded(residual, rate, 3000, size, within(0.2, 200)).out)).toBeLessThan(1e-12);
  });

  it('is weighted up to 200 Hz, from a twentieth of one', () => {
    const heavy = banded(residual, rate, 3000, size, (hz) => (hz > 0.05 && hz <= 200 ? weight(hz) : 0));
    expect(furthest(made.weighted, heavy.out)).toBeLessThan(1e-12);
  });

  it('has the mean square of the plain one from 0.5 to 200 Hz', () => {
    const { meanSquare } = banded(residual, rate, 3000, size, within(0.5, 200));
    expect(made.rmsBandMeanSquare / meanSquare).toBeCloseTo(1, 11);
  });
});

describe('the figures of a wave', () => {
  const figures = (...waves: readonly (readonly [hz: number, percent: number])[]) => {
    const meanHz = 3000;
    // A deviation of a hundredth a part is a phase of mean over frequency hundredths.
    const lines: PhaseLine[] = waves.map(([hz, percent]) => ({ hz, cos: 0, sin: (percent * meanHz) / (100 * hz) }));
    const rest: ResidualDeviation = {
      unweighted: new Float64Array(8000),
      weighted: new Float64Array(8000),
      rmsBandMeanSquare: 0,
    };
    return flutterFigures(trackOf(800), { lines } as unknown as TrendFit, rest, meanHz);
  };

  it('count it from 0.5 Hz to 200 Hz in the plain rms, both included, and no other', () => {
    expect([0.49, 0.5, 8, 200, 201].map((hz) => figures([hz, 0.2]).unweightedRmsPercent)).toEqual([
      0,
      expect.closeTo(0.2 / Math.SQRT2, 12),
      expect.closeTo(0.2 / Math.SQRT2, 12),
      expect.closeTo(0.2 / Math.SQRT2, 12),
      0,
    ]);
    // Two add by their squares.
    expect(figures([8, 0.3], [50, 0.4], [300, 7]).unweightedRmsPercent).toBeCloseTo(0.5 / Math.SQRT2, 12);
  });

  it('count it from 0.2 Hz to 200 Hz in the plain peak', () => {
    // A sine is under sin(95 % of a right angle) of its peak for 95 % of the time; of 0.2 Hz ten seconds hold two turns.
    const under95 = 0.3 * Math.sin((0.95 * Math.PI) / 2);
    const peaks = [0.1, 0.2, 8, 200, 201].map((hz) => figures([hz, 0.3]).unweightedPeakPercent);
    expect([peaks[0], peaks[4]]).toEqual([0, 0]);
    for (const one of [peaks[1], peaks[2]]) expect((one as number) / under95).toBeCloseTo(1, 3);
    // 200 Hz on a grid of 2400 a second: twelve points a turn, a third of them at the peak.
    expect(peaks[3]).toBeCloseTo(0.3, 3);
  });

  it('are those of its weight where they are weighted', () => {
    for (const hz of [0.8, 4, 30]) {
      const { weightedRmsPercent, weighted2SigmaPercent } = figures([hz, 0.1]);
      expect(weightedRmsPercent / ((0.1 * weight(hz)) / Math.SQRT2)).toBeCloseTo(1, 3);
      expect(weighted2SigmaPercent / (0.1 * weight(hz) * Math.sin((0.95 * Math.PI) / 2))).toBeCloseTo(1, 3);
    }
  });
});

describe('means of blocks', () => {
  it('are those of what can be used, stand where more than half can, and leave what is over', () => {
    const track = trackOf(100, [1, 1, 1, 1, 0, 1, 1, 1, 1, 0, 1, 0, 1, 0, 0, 0, 1, 1]);
    const residual = Float64Array.of(1, 2, 3, 6, 100, 1, 2, 6, 5, 50, 7, 50, 9, 70, 70, 70, 8, 8);
    const means = blockMeans(track, residual, 4);
    expect([...means.phase]).toEqual([3, 3, 6, 9]);
    expect([...means.usable]).toEqual([1, 1, 0, 0]);
    expect(means.rate).toBe(25);
    expect([...blockMeans(trackOf(100, [0, 0]), Float64Array.of(4, 4), 2).phase]).toEqual([0]);
  });
});
