/** Every made source leads to what a careful person would want of it: a figure that is right, a question, or a refusal. */
import { describe, expect, it } from 'vitest';
import { MADE_LOGS } from './cases.js';
import { play } from './play.js';
import { playSound, SOUND_CASES } from './soundCases.js';
import { playTone, TONE_CASES } from './toneCases.js';

/**
 * What is said beside the figure, and nothing else: several marks a turn cannot tell their own spacing from the wow of
 * the turn, a gyroscope's scale and unsaid unit are guessed; these say more.
 */
// A tone under a tenth of its level, or a fifth, is noisy whatever else is heard; wow needs two turns of a platter.
const SAID = new Map(
  (
    [
      [
        'TIME_UNIT_GUESSED',
        'times in milliseconds, no header | times in microseconds, no header | times in nanoseconds, no header | times in us with decimal comma | epoch in ms',
      ],
      [
        'COARSE_EDGES',
        'time and volts | no time column, interval in the head | no time column, rate in the head | minus times and an offset | semicolons and decimal comma | a preamble of names and values | a preamble beside the numbers | pulses of 3 % duty in noise | pulses of 97 % duty in noise',
      ],
      ['COUNTER_WRAPPED POLLED_TIMES TIME_UNIT_GUESSED', '16-bit counter of ms that runs over'],
      ['COUNTER_WRAPPED', '32-bit counter of us that runs over'],
      ['DOUBLED_PULSES TIME_UNIT_GUESSED', 'double triggers among 60 a turn, in us'],
      ['INTERVALS_SUMMED', 'intervals instead of times, in us'],
      ['POLLED_TIMES TIME_UNIT_GUESSED', 'polled in ms'],
      ['BOTH_EDGES TIME_UNIT_GUESSED', 'both edges, 30 % duty'],
      ['FEW_TURNS UNSTEADY_PART_LEFT_OUT', 'started, run and stopped in half a minute'],
      ['DRIFTING', 'once a turn with slow drift | a slow drift is no splice'],
      ['CHANNEL_CHOSEN', 'a fast clock beside it'],
      ['DOUBLED_PULSES', 'an edge that bounces twice'],
      ['RUN_BY_RUN', 'quadrature, a drum that reverses'],
      ['UNSTEADY_PART_LEFT_OUT', 'spin-up before the steady part'],
      ['CHANNEL_CHOSEN COARSE_EDGES', 'two channels, one of them only noise'],
      [
        'WEAK_SEGMENT',
        'a generator whose level dips by 55.00000000000001 % once a turn | a generator whose level dips by 80 % once a turn',
      ],
      ['GAPS', 'gaps and doubled rows'],
      ['NOISY', 'hum 60 Hz under 300 Hz'],
      ['ADDED_TONES NOISY', 'hum 120 Hz under 300 Hz | hum 180 Hz under 300 Hz | a second tone over 1 kHz'],
      ['ADDED_TONES', 'a second tone under 1 kHz'],
      ['SHORT', 'coded at 128 kb/s | coded at 64 kb/s | 3150, 1000 and 300 Hz in a row | two sides with a pause'],
      ['DROPOUTS', 'gated, 0.3 s on and off | a phone that suppresses noise'],
      ['IN_PIECES SHORT WOW_TOO_SHORT', 'gated, 1.5 s on, 1.2 s off'],
      ['SHORT WOW_TOO_SHORT', 'two seconds | less than half a turn'],
      ['CHANGING_SPEED', 'a drill that droops 12 % under load'],
      ['OCTAVE_UNSURE', 'a drum drive to and fro with pauses'],
      ['FEW_HARMONICS OCTAVE_UNSURE', 'five blades of unequal pitch'],
    ] as const
  ).flatMap(([words, ids]) => ids.split(' | ').map((id) => [id, words] as const)),
);
const said = (id: string, more: readonly string[] = []) =>
  [...(SAID.get(id)?.split(' ') ?? []), ...more].sort().join(' ');
/** Where edges or steps are coarse they show as wow of their own, and it says so. */
const COARSE = /COARSE_EDGES|POLLED_TIMES|WEAK_SEGMENT|SHORT/;
/** A clock of 100 ppm, a gyroscope's scale of 3 %: rectangles, expanded by two. */
const EXPANDED = { pulses: (2 * 0.01) / Math.sqrt(3), gyro: (2 * 3) / Math.sqrt(3) };
const unguessed = new Set(['wow']);
/** How the tone was made to go, percent at a time: it is drawn so, step by step, and stands so far over its noise. */
const wowAt = (t: number): number => 0.1 * Math.sin(2 * Math.PI * 0.5556 * t);
const COURSES: Readonly<Record<string, readonly [course: (t: number) => number, snrDb: number | null]>> = {
  plain: [(t) => 0.5 + wowAt(t), 50],
  'gain control that pumps': [(t) => 0.5 + wowAt(t), null],
  'a level that swings 20 dB': [(t) => 0.5 + wowAt(t), 50],
  'a slow drift is no splice': [(t) => 0.9 - (0.8 * t) / 18 + wowAt(t), null],
};

const count = MADE_LOGS.length + TONE_CASES.length + SOUND_CASES.length;

describe(`made sources (${count})`, () => {
  it('are at least eighty, each by its own name', () => {
    const ids = [...MADE_LOGS, ...TONE_CASES, ...SOUND_CASES].map((made) => made.id);
    expect(count).toBeGreaterThanOrEqual(80);
    expect(MADE_LOGS.every((made) => made.expected.kind !== 'mean' || made.expected.rpm > 0)).toBe(true);
    expect(new Set(ids).size).toBeGreaterThan(count - 4);
  });
  it.each(MADE_LOGS.map((made) => [made.id, made] as const))('log: %s', async (_id, made) => {
    const played = await play(made);
    expect(played.holds, played.outcome).toBe(true);
    if (!played.told || made.expected.kind !== 'mean') return;
    const { warnings, expandedUncertaintyPercent, peakPercent } = played.told;
    const usual =
      made.way === 'gyro'
        ? ['SCALE_NOT_CALIBRATED', ...(unguessed.has(made.id) ? [] : ['UNIT_GUESSED'])]
        : (made.perTurn ?? 1) > 1
          ? ['ONCE_A_TURN_NOT_SEPARABLE']
          : [];
    expect([...warnings].sort().join(' ')).toBe(said(made.id, usual));
    const expanded = EXPANDED[made.way];
    const { motion, rpm } = made.expected;
    // A drift may be wow, as slow as once in seven turns, of half its height: p / (π n), a rectangle.
    const slow = motion?.driftPercent ? motion.driftPercent / 2 / (Math.PI * 0.15 * (rpm / 60) * motion.durationS) : 0;
    const least = Math.hypot(expanded, (2 * slow) / Math.sqrt(3));
    expect(expandedUncertaintyPercent).toBeGreaterThan(0.99 * least);
    expect(expandedUncertaintyPercent).toBeLessThan((/UNSTEADY/.test(said(made.id)) ? 1.2 : 1.03) * least);
    const madeWithPercent = motion && (motion.wow ?? []).reduce((sum, one) => sum + one.percent, 0);
    // A mark in two seconds shows no wow of a turn.
    if (made.way === 'pulses' && ((made.perTurn ?? 1) * rpm) / 60 < 1) expect(peakPercent).toBeNull();
    else if (madeWithPercent !== undefined && !COARSE.test(said(made.id)))
      expect(Math.abs((peakPercent as number) - madeWithPercent)).toBeLessThan(0.01 + 0.03 * madeWithPercent);
    const { shaft } = played.told;
    if (!shaft || COARSE.test(said(made.id))) return;
    expect(shaft.stretches).toBe(made.expected.stretches ?? 1);
    expect(shaft.sense).toBe(made.way === 'gyro' ? (made.expected.sense ?? 1) : /^quadrature/.test(made.id) ? 1 : null);
    // From the middle of its first tenth to that of its last; what comes up from rest is still coming up by a trace.
    const trace = /UNSTEADY/.test(said(made.id)) ? 0.1 : 0.02;
    expect(Math.abs(shaft.driftPercent - 0.9 * (motion?.driftPercent ?? 0))).toBeLessThan(trace);
    for (const one of motion?.wow ?? []) {
      const line = shaft.lines.find(({ frequencyHz }) => Math.abs(frequencyHz - one.hz) < 0.02);
      expect(Math.abs((line?.peakPercent ?? 0) / one.percent - 1), `${one.hz} Hz`).toBeLessThan(0.05);
    }
    expect(shaft.missing).toBe(0);
    // The bounces of an edge are taken out before there are pulses.
    if (!/bounces/.test(made.id)) expect(shaft.doubled > 0).toBe(/DOUBLED/.test(said(made.id)));
    for (const place of shaft.spacingPercent) expect(Math.abs(place)).toBeLessThan(/noise/.test(made.id) ? 0.4 : 0.05);
  });
  it.each(TONE_CASES.map((made) => [made.id, made] as const))('tone: %s', async (_id, made) => {
    const played = await playTone(made);
    expect(played.holds, played.outcome).toBe(true);
    if (!('told' in played) || !played.told) return;
    const { warnings, weightedRmsPercent, peakPercent } = played.told;
    expect([...warnings].sort().join(' ')).toBe(said(made.id, ['REFERENCE_NOT_INCLUDED']));
    // 0.1 % peak at 0.5556 Hz, weighted as a platter's turn is, -10.0 dB: 0.0707 · 0.317 (the weighting table, from memory).
    if (!/TOO_SHORT/.test(said(made.id))) expect(weightedRmsPercent / 0.0224).toBeCloseTo(1, 1);
    else expect(peakPercent).toBeLessThan(0.01);
    // A tenth of the tone is 20 dB down, a twentieth 26; hum is of the mains it is a multiple of.
    for (const { mainsHz, levelDb } of played.told.added) {
      expect(mainsHz).toBe(/^hum/.test(made.id) ? 60 : null);
      expect(Math.abs(levelDb + (/under 1 kHz/.test(made.id) ? 26.02 : 20))).toBeLessThan(0.1);
    }
    const [course, snrDb] = COURSES[made.id] ?? [];
    if (!course) return;
    const { startS, stepS, errorPercent, halfWidthPercent } = played.told.series;
    const off = [...errorPercent].map((one, i) => Math.abs(one - course(startS + (i + 0.5) * stepS)));
    expect(errorPercent.length * stepS).toBeGreaterThan(17.5);
    expect(Math.max(...off)).toBeLessThan(0.015);
    // Within a step the wow goes by its steepest, 0.1 · 2π · 0.5556 a second, and no further.
    expect(Math.max(...halfWidthPercent)).toBeLessThan(0.005 + 0.175 * stepS);
    if (snrDb) expect(Math.abs(played.told.snrDb - snrDb)).toBeLessThan(0.3);
    expect(played.told.fromTo[0]).toBeLessThan(0.05);
    expect(played.told.fromTo[1]).toBeGreaterThan(17.95);
  });
  it.each(SOUND_CASES.map((made) => [made.id, made] as const))('sound: %s', async (_id, made) => {
    const played = await playSound(made);
    expect(played.holds, played.outcome).toBe(true);
    expect([...(played.told?.warnings ?? ['none'])].sort().join(' ')).toBe(said(made.id));
  });
});
