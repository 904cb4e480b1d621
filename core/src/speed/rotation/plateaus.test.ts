/**
 * A shaft that runs at one speed for a while, then at another: the stretches that are told are those it ran, within
 * what is looked over at once, whatever came between. Truth is the course it was given; pulse times follow from its angle.
 */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Choice, SteadyStretch } from '../asked.js';
import { measureGyro } from './gyro.js';
import { measurePulses } from './pulses.js';

/** A part of the course: so many seconds from one speed to the next, evenly, rpm. */
interface Part {
  readonly s: number;
  readonly from: number;
  readonly to: number;
}

/** Times at which a mark passes, `perTurn` of them a turn: the angle of each part is a parabola of time. */
function marks(course: readonly Part[], perTurn: number): number[] {
  const out: number[] = [];
  let [startS, turned] = [0, 0];
  let next = 1;
  for (const { s, from, to } of course) {
    const [rate, gain] = [from / 60, (to - from) / 60 / s];
    const end = turned + rate * s + (gain * s * s) / 2;
    for (; next / perTurn <= end; next++) {
      const left = next / perTurn - turned;
      // Of gain/2 t² + rate t = left, written so that no gain is no special case.
      out.push(startS + (2 * left) / (rate + Math.sqrt(Math.max(0, rate * rate + 2 * gain * left))));
    }
    [startS, turned] = [startS + s, end];
  }
  return out;
}

const speedAt = (course: readonly Part[], t: number): number => {
  let startS = 0;
  for (const { s, from, to } of course) {
    if (t < startS + s) return from + ((to - from) * (t - startS)) / s;
    startS += s;
  }
  return course[course.length - 1]?.to ?? 0;
};

/** Two settings of a deck, each held for a while, and what lies between. */
const change = fc.record({
  lowRpm: fc.double({ min: 28, max: 40, noNaN: true }),
  ratio: fc.double({ min: 1.2, max: 2.5, noNaN: true }),
  firstS: fc.double({ min: 12, max: 40, noNaN: true }),
  secondS: fc.double({ min: 12, max: 40, noNaN: true }),
  rampS: fc.double({ min: 0.3, max: 3, noNaN: true }),
  upward: fc.boolean(),
  perTurn: fc.constantFrom(4, 12, 60),
});
type Change = typeof change extends fc.Arbitrary<infer T> ? T : never;
const courseOf = ({ lowRpm, ratio, firstS, secondS, rampS, upward }: Change) => {
  const [a, b] = upward ? [lowRpm, lowRpm * ratio] : [lowRpm * ratio, lowRpm];
  return {
    course: [
      { s: firstS, from: a, to: a },
      { s: rampS, from: a, to: b },
      { s: secondS, from: b, to: b },
    ],
    held: [
      { rpm: a, startS: 0, endS: firstS },
      { rpm: b, startS: firstS + rampS, endS: firstS + rampS + secondS },
    ],
  };
};

/** What was told against what was held: the speed to a ten thousandth, the ends to some turns. */
function expectHeld(
  told: readonly { readonly meanRpm: number; readonly startS: number; readonly endS: number }[],
  held: readonly { readonly rpm: number; readonly startS: number; readonly endS: number }[],
) {
  expect(told.length).toBe(held.length);
  held.forEach(({ rpm, startS, endS }, i) => {
    const one = told.find(({ meanRpm }) => Math.abs(meanRpm / rpm - 1) < 0.05) ?? told[i];
    if (!one) throw new Error('nothing told');
    // A median of single gaps: to its pulses' last digits and the trimmed ends.
    expect(Math.abs(one.meanRpm / rpm - 1)).toBeLessThan(5e-4);
    // Nothing of the ramp belongs to it; beside one, up to the length that is looked over at once is left out.
    const turnS = 60 / rpm;
    expect(one.startS).toBeGreaterThan(startS - 0.3);
    expect(one.startS).toBeLessThan(startS + 3.5 * turnS);
    expect(one.endS).toBeLessThan(endS + 0.3);
    expect(one.endS).toBeGreaterThan(endS - 3.5 * turnS);
  });
}

/** What the answers would measure. */
const stretches = (choices: readonly Choice[]) =>
  choices.map(({ meanRpm, answer }) => ({
    meanRpm: meanRpm ?? NaN,
    startS: answer.fromS ?? NaN,
    endS: answer.toS ?? NaN,
  }));

describe('two speeds of one log', () => {
  it('are asked about, each as it was held, pulses', async () => {
    await fc.assert(
      fc.asyncProperty(change, async (wish) => {
        const { course, held } = courseOf(wish);
        const text = `time_s\n${marks(course, wish.perTurn)
          .map((t) => t.toFixed(7))
          .join('\n')}`;
        const result = await measurePulses(text, { perTurn: wish.perTurn, nominalRpm: 60 });
        if (result.kind !== 'asked') throw new Error(JSON.stringify({ wish, kind: result.kind }));
        expect(result.code).toBe('SEVERAL_SPEEDS');
        expectHeld(stretches(result.choices), held);
      }),
      { numRuns: 40, seed: 11 },
    );
  });

  it('are asked about by a gyroscope too', () => {
    fc.assert(
      fc.property(change, (wish) => {
        const { course, held } = courseOf(wish);
        const end = course.reduce((sum, { s }) => sum + s, 0);
        const rows = Array.from({ length: Math.floor(end * 100) }, (_, i) => {
          const t = i / 100;
          return `${t.toFixed(3)},0.01,-0.02,${(6 * speedAt(course, t)).toFixed(4)}`;
        });
        const result = measureGyro(`time_s,gyro x (deg/s),gyro y (deg/s),gyro z (deg/s)\n${rows.join('\n')}`, {
          nominalRpm: 60,
        });
        if (result.kind !== 'asked') throw new Error(JSON.stringify({ wish, kind: result.kind }));
        expect(result.code).toBe('SEVERAL_SPEEDS');
        expectHeld(stretches(result.choices), held);
      }),
      { numRuns: 40, seed: 12 },
    );
  });

  it('that come back to the first are two stretches of one speed, and the other is left out of it', async () => {
    const course = [
      { s: 20, from: 45, to: 45 },
      { s: 1, from: 45, to: 33 },
      { s: 6, from: 33, to: 33 },
      { s: 1, from: 33, to: 45 },
      { s: 15, from: 45, to: 45 },
    ];
    const text = `time_s\n${marks(course, 12)
      .map((t) => t.toFixed(7))
      .join('\n')}`;
    const result = await measurePulses(text, { perTurn: 12, nominalRpm: 45 });
    if (result.kind !== 'measured') throw new Error(result.kind);
    expect(result.stretches.length).toBe(2);
    expectHeld([result.stretches[0] as SteadyStretch], [{ rpm: 45, startS: 0, endS: 20 }]);
    expectHeld([result.stretches[1] as SteadyStretch], [{ rpm: 45, startS: 28, endS: 43 }]);
    expect(result.meanRpm).toBeCloseTo(45, 4);
  });
});
