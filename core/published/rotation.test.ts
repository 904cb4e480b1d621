/**
 * Rotation against published values. Covered: the gyroscope's unit factors, the stopwatch's two
 * reaction errors, the straight line's standard error through pulse times, the verdict with a guard
 * band, the GUM's rules used in every budget. Not covered: a gyroscope's scale error, which only a
 * calibration can tell.
 */
import { linearRegression } from 'simple-statistics';
import { describe, expect, it } from 'vitest';
import { gaussian, seeded } from '../src/numeric/index.js';
import { expandedUncertainty, fromLimits, tolerance } from '../src/quantity/index.js';
import { judge, measureGyro, measurePulses, stopwatch } from '../src/speed/index.js';

describe('GUM, JCGM 100:2008 (from memory)', () => {
  const part = (standardPercent: number) => ({ name: 'noise' as const, standardPercent, why: '' });

  it('4.3.7: limits of ±a with nothing more known have u = a / √3', () => {
    expect(fromLimits(0.3)).toBeCloseTo(0.1732, 4);
    expect(expandedUncertainty([part(fromLimits(0.3))])).toBeCloseTo(0.3464, 4);
  });

  it('5.1.2: independent parts add in squares, whatever their order', () => {
    const parts = [0.05, 0.02, 0.11].map(part);
    expect(expandedUncertainty(parts)).toBeCloseTo(2 * Math.hypot(0.05, 0.02, 0.11), 12);
    expect(expandedUncertainty([...parts].reverse())).toBeCloseTo(expandedUncertainty(parts), 12);
  });

  it('a recorder clock within ±100 ppm is 0.0115 % expanded', () => {
    expect(2 * fromLimits(0.01)).toBeCloseTo(0.01155, 5);
  });
});

describe('decision rule, JCGM 106:2012, 8.3 (guarded acceptance; from memory)', () => {
  const limits = tolerance(-1, 1.5, { kind: 'standard', text: 'DIN 45500 disc, from memory' });

  it.each([
    [1.3, 0.2, 'right'],
    [1.31, 0.2, 'undecided'],
    [1.69, 0.2, 'undecided'],
    [1.71, 0.2, 'not-right'],
    [-0.8, 0.2, 'right'],
    [-0.81, 0.2, 'undecided'],
    [-1.21, 0.2, 'not-right'],
  ])('%d ± %d against +1.5/−1.0 is %s', (error, spread, kind) => {
    expect(judge(error, spread, limits).kind).toBe(kind);
  });

  it('a tape known within ±0.3 % never proves ±0.3 %', () => {
    const narrow = tolerance(-0.3, 0.3, { kind: 'standard', text: 'broadcast disc, from memory' });
    for (let error = -1; error <= 1; error += 0.05) expect(judge(error, 0.35, narrow).kind).not.toBe('right');
  });
});

describe('stopwatch over 100 turns at 33 1/3 (worked by hand: two reaction errors of 0.1 to 0.2 s, common practice, added by JCGM 100:2008, 5.1.2)', () => {
  it('has u from 0.08 to 0.16 %, U from 0.16 to 0.31 %', () => {
    expect((100 * Math.SQRT2 * 0.1) / 180).toBeCloseTo(0.079, 3);
    const state = stopwatch([0, 180], 100);
    if (state.kind !== 'measured') throw new Error('not measured');
    expect(state.expandedPercent).toBeGreaterThan(0.157);
    expect(state.expandedPercent).toBeLessThan(0.315);
  });

  it('a turn miscounted in a hundred is 1 %', () => {
    const rpm = (turns: number) => {
      const state = stopwatch([0, 180], turns);
      return state.kind === 'measured' ? state.rpm : 0;
    };
    expect(100 * (rpm(99) / rpm(100) - 1)).toBeCloseTo(-1, 6);
  });

  it('all taps on a straight line agree with a general-purpose regression', () => {
    const normal = gaussian(seeded(5));
    const taps = Array.from({ length: 25 }, (_, i) => 1.8 * i + 0.05 * normal());
    const { m } = linearRegression(taps.map((t, i) => [i, t]));
    const state = stopwatch(taps, 1);
    if (state.kind !== 'measured') throw new Error('not measured');
    expect(state.rpm).toBeCloseTo(60 / m, 9);
  });
});

describe('gyroscope (degrees a second over six are turns a minute; rad/s times 9.5493: definition)', () => {
  const log = (rate: number, unit: string) =>
    [
      `time,x,y,z (${unit})`,
      ...Array.from({ length: 1200 }, (_, i) => `${(i / 100).toFixed(2)},0,0,${i < 200 ? 0 : rate}`),
    ].join('\n');

  it.each([
    [200, 100 / 3],
    [270, 45],
    [469.56, 78.26],
  ])('%d deg/s are %d rpm', (rate, rpm) => {
    const result = measureGyro(log(rate, 'deg/s'), { nominalRpm: rpm });
    if (result.kind !== 'measured') throw new Error(result.kind);
    expect(result.meanRpm).toBeCloseTo(rpm, 3);
  });

  it('1 rad/s is 9.5493 rpm', () => {
    const result = measureGyro(log(1, 'rad/s'), { nominalRpm: 10 });
    if (result.kind !== 'measured') throw new Error(result.kind);
    expect(result.meanRpm).toBeCloseTo(9.5493, 3);
  });

  it('tilted 8.1 degrees one axis alone reads 1 % low, the magnitude does not', () => {
    const tilt = (8.1 * Math.PI) / 180;
    expect(100 * (Math.cos(tilt) - 1)).toBeCloseTo(-1, 2);
    const rows = Array.from({ length: 1200 }, (_, i) => {
      const rate = i < 200 ? 0 : 200;
      return `${(i / 100).toFixed(2)},${(rate * Math.sin(tilt)).toFixed(5)},0,${(rate * Math.cos(tilt)).toFixed(5)}`;
    });
    const result = measureGyro(['time,x,y,z (deg/s)', ...rows].join('\n'), { nominalRpm: 100 / 3 });
    if (result.kind !== 'measured') throw new Error(result.kind);
    expect(result.meanErrorPercent).toBeCloseTo(0, 3);
  });
});

describe('pulses', () => {
  it('once a turn agree with a general-purpose regression of time on count', async () => {
    const normal = gaussian(seeded(9));
    const times = Array.from({ length: 120 }, (_, i) => 1.795 * i + 0.0005 * normal());
    const { m } = linearRegression(times.map((t, i) => [i, t]));
    const result = await measurePulses(times.map((t) => t.toFixed(8)).join('\n'), { perTurn: 1, nominalRpm: 100 / 3 });
    if (result.kind !== 'measured') throw new Error(result.kind);
    const bound = (0.0005 * Math.sqrt(12 / 120 ** 3)) / m;
    expect(Math.abs(result.meanRpm / (60 / m) - 1)).toBeLessThan(3 * bound);
  });

  it('twelve pulses a second on a five-pole wheel are 144 rpm (definition)', async () => {
    const times = Array.from({ length: 200 }, (_, i) => (i / 12).toFixed(8)).join('\n');
    const result = await measurePulses(times, { perTurn: 5, nominalRpm: 144 });
    if (result.kind !== 'measured') throw new Error(result.kind);
    expect(result.meanRpm).toBeCloseTo(144, 4);
    for (const error of result.spacingErrorsPercent) expect(Math.abs(error)).toBeLessThan(0.01);
  });
});
