/** What a second screen is told: figures of the live reading as they are, held within what a frame carries. */
import type { LiveReading } from '@amber-gauge/core/speed';
import { describe, expect, it } from 'vitest';
import { captureWords, frameOf } from './frame.js';

const OF = {
  what: '0147',
  speed: { label: '33⅓ rpm', nominalRpm: 100 / 3 },
  limits: { lowerPercent: -0.3, upperPercent: 0.5 },
} as unknown as Parameters<typeof frameOf>[1];
const tone = (more: object = {}) =>
  ({
    kind: 'tone',
    edgePercent: 0.31,
    mean: { errorPercent: 0.25, expandedPercent: 0.06, of: 'two turns' },
    halfWidthPercent: 0.12,
    ...more,
  }) as unknown as LiveReading;

describe('a frame for the second screen', () => {
  it('carries edge, mean, its uncertainty, the wow and the limits, and says what it is the mean of', () => {
    expect(frameOf(tone(), OF)).toEqual({
      what: '0147',
      speedLabel: '33⅓ rpm',
      nominalRpm: 100 / 3,
      lowerPercent: -0.3,
      upperPercent: 0.5,
      edgePercent: 0.31,
      meanPercent: 0.25,
      expandedPercent: 0.06,
      wowPercent: 0.12,
      words: 'mean of the last two turns',
      todo: null,
    });
    const far = tone({ edgePercent: -1e9, mean: { errorPercent: 5000, expandedPercent: 1, of: 'one second' } });
    expect(frameOf(far, OF)).toMatchObject({ edgePercent: -999, meanPercent: 999, words: 'mean of the last second' });
  });

  it('without a tone carries no figure, and says whether one ended or is waited for', () => {
    const none = { edgePercent: null, meanPercent: null, expandedPercent: null, wowPercent: null };
    expect(frameOf({ kind: 'ended' } as LiveReading, OF)).toMatchObject({ ...none, words: 'tone ended' });
    expect(frameOf({ kind: 'waiting' } as unknown as LiveReading, OF)).toMatchObject({
      ...none,
      words: 'waiting for the tone',
    });
  });
});

it('what came of a capture: error and ±, or the mean, or why it is not kept', () => {
  const run = (more: object) => ({ kind: 'run', run: { mean: 44.968, unit: 'rpm', ...more } }) as never;
  const told = (one: Parameters<typeof captureWords>[0], handed: 'kept' | 'asked' | 'unsaved' = 'kept') =>
    captureWords(one, handed).replaceAll('\u202f', ' ');
  expect(told(run({ errorPercent: -0.124, expandedPercent: 0.06 }))).toBe('Kept: −0.12 ± 0.06 %');
  expect(told(run({ errorPercent: null, expandedPercent: 0.06 }))).toBe('Kept: 44.97 rpm');
  // Nothing is called kept before it is stored.
  const right = run({ errorPercent: -0.124, expandedPercent: 0.06 });
  expect(told(right, 'asked')).toBe('Not kept yet: the device that listens asks about it.');
  expect(told(right, 'unsaved')).toBe('Measured, but not stored yet: the device that listens holds it.');
  expect(told({ kind: 'refused', message: 'Less than two seconds of tone.' })).toBe(
    'Not kept. Less than two seconds of tone.',
  );
  expect(told({ kind: 'asked', question: {} as never })).toBe('Not kept yet: the device that listens asks about it.');
});
