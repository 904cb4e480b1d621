import { describe, expect, it } from 'vitest';
import { sourceOf } from '../../formats/channels.test-data.js';
import { edgeFinder, edgesOf, evenStep, risingEdges, swingOf, type Edges, type Swing } from './edges.js';

const edgesIn = (samples: readonly number[], width = 1, hysteresis?: number) => {
  const finder = edgeFinder({ low: 0, high: 1 }, width, hysteresis);
  finder.push(Float64Array.from(samples));
  return finder;
};

describe('rising edges', () => {
  it('are placed between the samples where the middle is crossed', () => {
    // From 0.2 to 0.8 between samples 2 and 3: the middle lies half way.
    expect(edgesIn([0, 0, 0.2, 0.8, 1, 1, 0, 0, 0.4, 0.9]).edges).toEqual([2.5, 8.2]);
  });

  it('are armed only from under the lower threshold: a shallow dip is no second pulse', () => {
    // The middle less 15 % of the swing is 0.35: down to 0.36 arms nothing, down to 0.34 does.
    expect(edgesIn([0, 1, 0.36, 1]).edges).toHaveLength(1);
    expect(edgesIn([0, 1, 0.34, 1]).edges).toHaveLength(2);
    expect(edgesIn([0, 1, 0.46, 1], 1, 0.05).edges).toHaveLength(1);
    expect(edgesIn([0, 1, 0.44, 1], 1, 0.05).edges).toHaveLength(2);
  });

  it('fire only over the upper threshold, and stand where the middle was last crossed', () => {
    expect(edgesIn([0, 0.6, 0.6]).edges).toEqual([]);
    const [only] = edgesIn([0, 0.6, 0.6, 0.7]).edges;
    expect(only).toBeCloseTo(0.5 / 0.6, 10);
    // Up over the middle, back under the lower threshold, up again: the first crossing counts for nothing.
    expect(edgesIn([0, 0.6, 0.3, 0.7]).edges[0]).toBeCloseTo(2.5, 10);
  });

  it('a recording that starts high has no edge there', () => {
    expect(edgesIn([1, 1, 1, 0, 1]).edges).toEqual([3.5]);
  });

  it('smoothing shifts no edge', () => {
    const slope = Array.from({ length: 41 }, (_, i) => Math.min(1, Math.max(0, (i - 10) / 20)));
    expect(edgesIn(slope).edges[0]).toBeCloseTo(20, 6);
    expect(edgesIn(slope, 5).edges[0]).toBeCloseTo(20, 6);
  });

  it.each([2.6, 5.37, 11.1, 40.7])('of a sine of %s samples stand within three thousandths of one', async (period) => {
    const wave = (n: number) => 0.3 + 0.2 * Math.sin((2 * Math.PI * (n - 1.3)) / period);
    const source = sourceOf(
      8000,
      Float64Array.from({ length: 3000 }, (_, n) => wave(n)),
    );
    const { at, duty, coarse } = (await edgesOf(source, (await swingOf(source)) as Swing)) as Edges;
    expect(Math.abs(at.length - 3000 / period)).toBeLessThan(2);
    // The ends lean on what is not there.
    for (const edge of at.subarray(3, -3)) {
      const turns = (edge - 1.3) / period;
      expect(Math.abs(turns - Math.round(turns)) * period).toBeLessThan(0.003);
    }
    expect([Math.abs(duty - 0.5) < 0.02, coarse]).toEqual([true, false]);
  });

  it('know how long the signal stood high, and how much each cycle swung', () => {
    const finder = edgesIn([0, 0, 0, 1, 0, 0, 0, 0.8, 0, 0, 0, 1]);
    expect(finder.duty()).toBeCloseTo(3 / 12, 10);
    expect(finder.levels).toEqual([1, 0.8]);
    expect(finder.jumps()).toBe(1);
    expect(edgesIn([0, 0.4, 0.6, 1]).jumps()).toBe(0);
  });

  it('of uneven times stand at the times', () => {
    const time = Float64Array.from([0, 1, 2, 5, 6, 7, 9, 10]);
    expect([...risingEdges(time, Float64Array.from([0, 0, 0, 1, 1, 0, 0, 1]))]).toEqual([3.5, 9.5]);
  });

  it('an even column has its step, an uneven one none', () => {
    expect(evenStep(Float64Array.from({ length: 20 }, (_, i) => 0.02 * i))).toBeCloseTo(0.02, 12);
    expect(evenStep(Float64Array.from({ length: 20 }, (_, i) => 0.02 * i * i))).toBeNull();
    expect(evenStep(Float64Array.from({ length: 15 }, (_, i) => 0.02 * i))).toBeNull();
  });
});
