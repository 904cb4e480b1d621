/** A clip of noise in figures, each against what was put into it: sines, ticks, hum; levels by their own arithmetic. */
import { describe, expect, it } from 'vitest';
import { gaussian, seeded } from '../../numeric/index.js';
import { levelChange, noiseFigures, ticksATurn, type NoiseFigures } from './clip.js';
import { aWeightDb, octaveEdges, OCTAVES } from './weighting.js';

const RATE = 16_000;
const clip = (seconds: number, of: (t: number, n: number) => number, rate = RATE): NoiseFigures => {
  const found = noiseFigures(
    Float64Array.from({ length: Math.round(seconds * rate) }, (_, n) => of(n / rate, n)),
    rate,
  );
  if (!found) throw new Error('too short');
  return found;
};
const sine = (hz: number, size: number) => (t: number) => size * Math.sin(2 * Math.PI * hz * t);
const octave = (figures: NoiseFigures, hz: number) => figures.octaves.find((one) => one.hz === hz)?.db ?? 0;

describe('levels', () => {
  it('a sine of half of full scale is −9.03 dB in its octave, and 40 dB less in the next but one', () => {
    const figures = clip(4, sine(500, 0.5));
    // 10 log(0.5²/2).
    expect(octave(figures, 500)).toBeCloseTo(-9.031, 2);
    for (const hz of [125, 2000]) expect(octave(figures, hz)).toBeLessThan(-49);
    // A-weighted by −3.2 dB at 500 Hz (IEC 61672-1, from memory).
    expect(figures.aWeighted.db).toBeCloseTo(-9.031 - 3.2, 1);
    expect(figures.seconds).toBe(4);
    expect(figures.sampleRate).toBe(RATE);
    // It stands: nothing varies from piece to piece.
    expect(figures.aWeighted.variance).toBeLessThan(1e-6);
  });

  it('of two sines add in their powers, each in its own octave', () => {
    const figures = clip(4, (t) => sine(250, 0.2)(t) + sine(2000, 0.1)(t));
    expect(octave(figures, 250)).toBeCloseTo(10 * Math.log10(0.02), 2);
    expect(octave(figures, 2000)).toBeCloseTo(10 * Math.log10(0.005), 2);
    const weighted = 0.02 * 10 ** (aWeightDb(250) / 10) + 0.005 * 10 ** (aWeightDb(2000) / 10);
    expect(figures.aWeighted.db).toBeCloseTo(10 * Math.log10(weighted), 2);
  });

  it('a sine on the edge of two octaves counts half in each', () => {
    const [, edge] = octaveEdges(1000);
    const figures = clip(4, sine(edge, 0.5));
    // −9.03 − 3.01, to the part of a bin that the window cuts.
    for (const hz of [1000, 2000]) expect(Math.abs(octave(figures, hz) - (-9.031 - 3.01))).toBeLessThan(1);
  });

  it('octaves end under half of the sampling rate; silence is −140 dB, not minus infinity', () => {
    // 4000 reaches to 5623, 8000 to 11 220.
    expect(clip(4, sine(500, 0.5)).octaves.map(({ hz }) => hz)).toEqual([31.5, 63, 125, 250, 500, 1000, 2000, 4000]);
    expect(clip(4, sine(500, 0.5), 48_000).octaves.at(-1)?.hz).toBe(8000);
    expect(OCTAVES[5]?.mid).toBe(1000);
    const silent = clip(3, () => 0);
    expect(silent.aWeighted).toMatchObject({ db: -140, variance: 0 });
    expect(silent.hum.part).toBe(0);
    expect(silent.ticks).toBeNull();
  });

  it('need six pieces of half a second that overlap by half: 1.75 s', () => {
    const samples = (count: number) => noiseFigures(new Float64Array(count), RATE);
    expect(samples(28_000)).not.toBeNull();
    expect(samples(27_999)).toBeNull();
  });
});

describe('hum', () => {
  it('is the part of the power in four harmonics of 50 or of 60 Hz', () => {
    // 0.3²/2 of hum beside 0.1²/2 at 1 kHz: nine tenths.
    const fifty = clip(4, (t) => sine(100, 0.3)(t) + sine(1000, 0.1)(t)).hum;
    expect(fifty.mainsHz).toBe(50);
    expect(fifty.part).toBeCloseTo(0.9, 2);
    expect(clip(4, (t) => sine(240, 0.3)(t) + sine(1000, 0.1)(t)).hum).toMatchObject({ mainsHz: 60 });
    // The fifth harmonic is no part of it.
    expect(clip(4, (t) => sine(250, 0.3)(t) + sine(1000, 0.1)(t)).hum.part).toBeLessThan(0.01);
  });
});

describe('ticks', () => {
  const noise = gaussian(seeded(4));
  /** A burst of 4 ms each period, every second one `weak` times as loud. */
  const ticking = (hz: number, weak = 1) =>
    clip(6, (t) => {
      const loud = Math.floor(t * hz) % 2 === 1 ? weak : 1;
      return (((t * hz) % 1) / hz < 0.004 ? 0.5 * loud * noise() : 0) + 0.01 * noise();
    }).ticks;

  it.each([1.07, 2.5, 7.3, 19.3, 44.5])('%d a second are so many, and regular', (hz) => {
    const ticks = ticking(hz);
    expect(Math.abs((ticks?.hz ?? 0) / hz - 1)).toBeLessThan(0.002);
    expect(ticks?.regularity).toBeGreaterThan(0.85);
    expect(ticks?.regularity).toBeLessThanOrEqual(1);
  });

  it('with every second one weak come half as often, once they are less like each other than seven tenths', () => {
    // Alike by 2r/(1 + r²): 0.8 at a half, 0.62 at 0.35.
    expect(ticking(7.3, 0.5)?.hz).toBeCloseTo(7.3, 1);
    expect(ticking(7.3, 0.35)?.hz).toBeCloseTo(3.65, 1);
  });

  it('noise has none, nor has a steady hum', () => {
    expect(clip(6, () => 0.1 * noise()).ticks).toBeNull();
    expect(clip(6, (t) => sine(50, 0.4)(t) + 0.001 * noise()).ticks).toBeNull();
  });

  it('eight a second at 120 turns a minute are four a turn', () => {
    expect(ticksATurn(8, 120)).toBe(4);
  });
});

describe('a change of level', () => {
  const level = (db: number, variance: number, count: number) => ({ db, variance, count });

  it('is after less before, with Welch’s interval', () => {
    // s² = 2/10 + 3/15 = 0.4; freedom 0.4²/(0.2²/9 + 0.2²/14) = 21.9; t = 2.0745 (tables): ±1.312.
    const change = levelChange(level(-30, 2, 10), level(-34, 3, 15));
    expect(change.by).toBe(-4);
    expect((change.high - change.low) / 2).toBeCloseTo(2.0745 * Math.sqrt(0.4), 2);
    expect((change.high + change.low) / 2).toBeCloseTo(-4, 9);
  });

  it('of levels that do not vary has no width', () => {
    expect(levelChange(level(-30, 0, 10), level(-31, 0, 10))).toEqual({ by: -1, low: -1, high: -1 });
  });
});
