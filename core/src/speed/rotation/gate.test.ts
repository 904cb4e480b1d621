/** What is given and what is asked about, of a speed that was measured. */
import { describe, expect, it } from 'vitest';
import { WANDERS } from '../tone/budget.js';
import type { AskedSpeed } from '../asked.js';
import type { PulseSignal } from './channels.js';
import { gated } from './gate.js';
import type { MeasuredPulses, PulseWish } from './pulseResult.js';
import { timeBetween } from './runDown.js';

const WISH: PulseWish = { perTurn: 1, nominalRpm: 60 };
const result = (meanRpm: number, more: Partial<MeasuredPulses> = {}): MeasuredPulses =>
  ({
    kind: 'measured',
    meanRpm,
    driftPercent: 0,
    uncertainty: [],
    stretches: [{ startS: 0, endS: 5, meanRpm }],
    ...more,
  }) as unknown as MeasuredPulses;
const times = { sampleHz: null, unitS: 1 } as PulseSignal;
const sampled = (sampleHz: number) => ({ sampleHz, unitS: 1 }) as PulseSignal;
const asked = (one: MeasuredPulses | AskedSpeed): AskedSpeed => {
  if (one.kind !== 'asked') throw new Error('given');
  return one;
};
const given = (one: MeasuredPulses | AskedSpeed) => one.kind === 'measured';

describe('a measured speed', () => {
  it('that can be is given as it is, whatever it is when it was said to be right', () => {
    const one = result(61);
    expect(gated(one, times, WISH)).toBe(one);
    const mad = result(9000);
    expect(gated(mad, times, { ...WISH, asIs: true })).toBe(mad);
  });

  it('out of reach is asked about: units of time, pulses a turn, or right; 18 to 180 are in reach of 60', () => {
    expect([18, 180].map((rpm) => given(gated(result(rpm), times, WISH)))).toEqual([true, true]);
    expect([17.9, 180.1].map((rpm) => given(gated(result(rpm), times, WISH)))).toEqual([false, false]);
    const question = asked(gated(result(60_000), times, WISH));
    expect(question.code).toBe('SPEED_OUT_OF_REACH');
    expect(question.message).toBe(
      '60000 rpm is 1.0e+3 times the nominal 60 rpm. Check the unit of time, the pulses a turn and the channel.',
    );
    expect(question.choices.map(({ answer, meanRpm }) => [answer, meanRpm])).toEqual([
      // In seconds as read; were the numbers of a unit a thousand times larger or smaller …
      [{ perTurn: 1000 }, 60],
      [{ asIs: true }, 60_000],
    ]);
    const milli = asked(gated(result(0.06), times, WISH));
    expect(milli.choices.map(({ words, answer }) => [words, answer])).toEqual([
      ['times in milliseconds: 60 rpm', { timeUnitS: 1e-3 }],
      ['0.06 rpm is right', { asIs: true }],
    ]);
    // Read as milliseconds they were microseconds.
    const [micro] = asked(gated(result(0.06), { ...times, unitS: 1e-3 }, WISH)).choices;
    expect([micro?.words, micro?.answer]).toEqual(['times in microseconds: 60 rpm', { timeUnitS: 1e-6 }]);
    // Twelve instead of four pulses a turn.
    const twelve = asked(gated(result(200), times, { perTurn: 4, nominalRpm: 60 }));
    expect(twelve.choices[0]).toEqual({
      words: '13 pulses a turn: 61.54 rpm',
      answer: { perTurn: 13 },
      meanRpm: expect.closeTo(800 / 13, 9),
    });
  });

  it('whose parts differ by half a percent, or that runs up or down by a tenth, is asked about', () => {
    const wander = (standardPercent: number) => [{ name: 'wander', standardPercent, why: WANDERS }] as never;
    expect(given(gated(result(60, { uncertainty: wander(0.49) }), times, WISH))).toBe(true);
    const question = asked(gated(result(60, { uncertainty: wander(0.5) }), times, WISH));
    expect(question.code).toBe('UNSTEADY');
    // Twice the standard error.
    expect(question.message).toContain('60 rpm holds within 1.0 % only');
    expect(question.choices).toEqual([{ words: '60 rpm, as it is', answer: { asIs: true }, meanRpm: 60 }]);
    expect(question.stretches).toEqual([{ startS: 0, endS: 5, meanRpm: 60 }]);
    expect(given(gated(result(60, { driftPercent: -9.9 }), times, WISH))).toBe(true);
    const drifts = asked(gated(result(60, { driftPercent: -10 }), times, WISH));
    // Half of it either way.
    expect(drifts.message).toContain('within 5.0 % only');
    // A part of another name is no wander.
    expect(
      given(gated(result(60, { uncertainty: [{ name: 'x', standardPercent: 3, why: '' }] as never }), times, WISH)),
    ).toBe(true);
  });

  it('near half the sampling rate may be its mirror: both are offered, the nearer to the nominal first', () => {
    // 60 a minute is one pulse a second. Sampled 2.2 times, 0.9 of half of it is 0.99.
    expect(given(gated(result(60), sampled(2.3), WISH))).toBe(true);
    const question = asked(gated(result(60), sampled(2.2), WISH));
    expect(question.code).toBe('MAYBE_FOLDED');
    // Mirrors: 1.2, 3.2 and 3.4 a second: 72 alone is within three times.
    expect(question.choices.map(({ answer, meanRpm }) => [answer, Math.round(meanRpm ?? 0)])).toEqual([
      [{ asIs: true }, 60],
      [{}, 72],
    ]);
    expect(question.message).toContain('1.000 pulses a second sampled 2.200 times a second');
  });

  it('far off whose mirror would be right is asked about; near enough it is believed', () => {
    // Sampled 2.5 times a second: 90 a minute is 1.5 a second, its mirror 1.0: 60.
    const question = asked(gated(result(90), sampled(2.5), WISH));
    expect(question.choices.map(({ meanRpm }) => Math.round(meanRpm ?? 0))).toEqual([60, 90]);
    // 78.26 of a nominal 60 is off by 0.27 in logarithms; its mirror of 138.26/60 samples is right.
    expect(given(gated(result(78.26), sampled(20), WISH))).toBe(true);
    // A speed that cannot be, and a mirror that could.
    const mad = asked(gated(result(600), sampled(11), WISH));
    expect(mad.code).toBe('MAYBE_FOLDED');
    expect(mad.choices.map(({ meanRpm }) => Math.round(meanRpm ?? 0))).toEqual([60]);
  });
});

describe('the seconds between two speeds', () => {
  const speeds = (...rpm: number[]) => rpm.map((one, i) => ({ at: 2 * i, rpm: one }));

  it('are read in straight lines between moments, from the very speed it began at', () => {
    // 50 at 2, 30 at 4: 45 at 2.5; 10 at 6: 20 at 5.
    expect(timeBetween(speeds(50, 50, 30, 10), 45, 20)).toBeCloseTo(2.5, 9);
    // Exactly at the upper speed: from there on.
    expect(timeBetween(speeds(45, 25, 5), 45, 15)).toBeCloseTo(3, 9);
  });

  it('begin with the last fall through the upper one and end with the first through the lower after it', () => {
    // Slows, is spun up again, then runs down: 50 at 6, 10 at 8.
    expect(timeBetween(speeds(50, 10, 40, 50, 10, 30, 5), 45, 20)).toBeCloseTo(1.25, 9);
  });

  it('that were not seen are said: never as fast, never as slow', () => {
    expect(() => timeBetween(speeds(40, 10), 45, 20)).toThrow('Its run past 45.0 rpm was not seen');
    expect(() => timeBetween(speeds(50, 30), 45, 20)).toThrow('Its run past 20.0 rpm was not seen');
  });
});
