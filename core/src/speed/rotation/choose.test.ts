/** From a table to one channel's pulses: what is taken, what is left out, what is asked. */
import { describe, expect, it } from 'vitest';
import type { AskedSpeed } from '../asked.js';
import { chosenSignal } from './choose.js';
import type { PulseSignal } from './channels.js';
import type { PulseColumns } from './columns.js';
import { tableOf } from './numberTable.test-data.js';
import type { PulseWish } from './pulseResult.js';

const WISH: PulseWish = { perTurn: 1, nominalRpm: 60 };
const BARE: PulseColumns = { time: 0, volts: null, intervals: false, timeUnitS: null } as PulseColumns;
const count = (n: number, of: (i: number) => number) => Array.from({ length: n }, (_, i) => of(i));
const times = (values: readonly number[], name = 'time (s)') => tableOf([[name, values]]);
const chosen = async (
  table: ReturnType<typeof tableOf>,
  columns: Partial<PulseColumns> = {},
  wish: Partial<PulseWish> = {},
) => chosenSignal(table, { ...BARE, ...columns }, { ...WISH, ...wish });
const signal = async (...args: Parameters<typeof chosen>) => {
  const found = await chosen(...args);
  if (found.kind !== 'signal') throw new Error(JSON.stringify(found));
  return found as PulseSignal;
};
const asked = async (...args: Parameters<typeof chosen>) => {
  const found = await chosen(...args);
  if (found.kind !== 'asked') throw new Error(JSON.stringify(found));
  return found as AskedSpeed;
};

describe('bare times', () => {
  it('count from the first pulse, in seconds, doubled ones once', async () => {
    const found = await signal(times([5, 6, 7.01, 7.01, 8, 9.02]));
    expect([...found.timeS].map((t) => Number(t.toFixed(9)))).toEqual([0, 1, 2.01, 3, 4.02]);
    expect(found).toMatchObject({ from: 'times', edge: 'times', unitS: 1, notes: ['POLLED_TIMES'] });
    const milli = await signal(times([5000, 6000, 7010, 8000, 9020], 'time (ms)'));
    expect([...milli.timeS].map((t) => Number(t.toFixed(9)))).toEqual([0, 1, 2.01, 3, 4.02]);
    expect(milli.unitS).toBe(1e-3);
  });

  it('that step in a thousandth of their gap or more are polled, and say so: that shows as wow of as much', async () => {
    const stepped = (step: number) => times(count(30, (i) => Math.round((i * 1.0037) / step) * step));
    for (const tickS of [0.02, 0.005, 0.001])
      expect(await signal(stepped(tickS))).toMatchObject({ tickS, notes: ['POLLED_TIMES'] });
    expect(await signal(stepped(0.0004))).toMatchObject({ tickS: 0, notes: [] });
  });

  it('of gaps are summed', async () => {
    const found = await signal(times([1, 1.01, 0.99, 1], 'gap (s)'), { intervals: true });
    expect([...found.timeS].map((t) => Number(t.toFixed(9)))).toEqual([0, 1, 2.01, 3, 4]);
    expect(found.notes).toEqual(['POLLED_TIMES', 'INTERVALS_SUMMED']);
  });

  it('that ran over are put in a row; that run backward are refused with their line', async () => {
    // A 16-bit counter of milliseconds: 60,000 a minute.
    const over = await signal(
      times(
        count(100, (i) => (60_000 + 1000 * i) % 65_536),
        'ms',
      ),
    );
    expect(over.timeS.at(-1)).toBeCloseTo(99, 9);
    // Whole seconds are a poll's, as far as anybody can tell.
    expect(over.notes).toEqual(['POLLED_TIMES', 'COUNTER_WRAPPED']);
    expect(await chosen(times([0, 1, 2, 1.5, 3]))).toEqual({ kind: 'unusable', reason: 'TIMES_BACKWARD', line: 5 });
  });

  it('are too few under four; reckoned speeds are no pulses', async () => {
    expect(await chosen(times([0, 1, 2]))).toEqual({ kind: 'unusable', reason: 'TOO_FEW_PULSES', line: 0 });
    expect((await chosen(times([0, 1, 2, 3]))).kind).toBe('signal');
    const rpm = tableOf([
      ['t', [0, 1, 2, 3, 4]],
      ['rpm', [60, 60, 60, 60, 60]],
    ]);
    expect(await chosen(rpm)).toMatchObject({ reason: 'ALREADY_SPEEDS' });
  });

  it('that bounced stand once: the first of each, when they are many', async () => {
    // Each pulse fires again a hundredth of a second later.
    const bounced = await signal(times(count(40, (i) => Math.floor(i / 2) + 0.01 * (i % 2))));
    expect([...bounced.timeS]).toEqual(count(20, (i) => i));
    expect(bounced.notes).toContain('DOUBLED_PULSES');
    // One in ten is a double of the count, told later.
    const few = await signal(times([...count(20, (i) => i), 5.01, 15.01].sort((a, b) => a - b)));
    expect(few.timeS).toHaveLength(22);
    // Six hundredths apart they are no bounce.
    const far = await signal(times(count(40, (i) => Math.floor(i / 2) + 0.06 * (i % 2))), {}, { perTurn: 2 });
    expect(far.timeS).toHaveLength(40);
  });
});

describe('both edges in the file', () => {
  it('short and long in turn at twice the nominal: every second is taken', async () => {
    const found = await signal(times(count(40, (i) => Math.floor(i / 2) + 0.3 * (i % 2))));
    expect(found.edge).toBe('each');
    expect([...found.timeS]).toEqual(count(20, (i) => i));
    expect(found.notes).toContain('BOTH_EDGES');
  });

  it('even at twice the nominal is asked about: half, or as it is', async () => {
    const even = times(count(40, (i) => i / 2));
    const question = await asked(even);
    expect(question.code).toBe('BOTH_EDGES');
    expect(question.choices).toEqual([
      { words: 'both edges: 60 rpm', answer: { bothEdges: true }, meanRpm: expect.closeTo(60, 9) },
      { words: '120 rpm is right', answer: { asIs: true }, meanRpm: expect.closeTo(120, 9) },
    ]);
    expect((await signal(even, {}, { bothEdges: true })).timeS).toHaveLength(20);
    expect((await signal(even, {}, { asIs: true })).timeS).toHaveLength(40);
    // 108 and 132 are a tenth from twice: farther it is no such thing.
    expect((await signal(times(count(40, (i) => i / (2 * 0.89))))).edge).toBe('times');
    expect((await asked(times(count(40, (i) => i / (2 * 0.91))))).code).toBe('BOTH_EDGES');
    expect((await signal(times(count(40, (i) => i / (2 * 1.11))))).edge).toBe('times');
  });

  it('a wheel of an even count may have every second pole off by a fifth, an odd one by four hundredths', async () => {
    // Gaps of 0.55 and 0.45 of a pulse's two: 0.818, 18 % apart.
    const uneven = times(count(40, (i) => (Math.floor(i / 2) + 0.55 * (i % 2)) / 4));
    expect((await asked(uneven, {}, { perTurn: 4 })).code).toBe('BOTH_EDGES');
    expect(
      (await signal(times(count(40, (i) => (Math.floor(i / 2) + 0.55 * (i % 2)) / 3)), {}, { perTurn: 3 })).edge,
    ).toBe('each');
  });
});

describe('a unit of time', () => {
  // Pulses a second apart, counted in milliseconds under a head that says seconds: 0.06 rpm.
  const milli = times(count(30, (i) => 1000 * i + (i % 3)));

  it('chosen as the header says it is still doubted; another is taken as chosen', async () => {
    expect((await asked(milli, { timeUnitS: 1 })).code).toBe('TIME_UNIT');
    const found = await signal(milli, { timeUnitS: 1 }, { columns: { ...BARE, timeUnitS: 1e-3 } });
    expect([found.unitS, found.timeS[1]?.toFixed(6)]).toEqual([1e-3, '1.001000']);
    expect((await asked(milli, {}, { columns: { ...BARE, timeUnitS: 1 } })).code).toBe('TIME_UNIT');
    expect((await signal(milli, {}, { asIs: true })).unitS).toBe(1);
  });

  it('of ticks whose rate is not said is offered by the speeds it would give, the nearest first', async () => {
    // 24.6 million a turn: a clock of 25 MHz gives 60.98 rpm, one of 24 gives 58.54.
    const { code, choices } = await asked(
      times(
        count(30, (i) => 24_600_000 * i),
        'ticks',
      ),
    );
    expect(code).toBe('TIME_UNIT');
    expect(choices.map(({ meanRpm }) => meanRpm?.toFixed(2))).toEqual(['60.98', '58.54']);
    // Clocks of usual timers (common practice).
    for (const kHz of [
      10, 32.768, 100, 250, 500, 2000, 4000, 8000, 10_000, 12_000, 16_000, 20_000, 24_000, 25_000, 40_000, 48_000,
      50_000, 72_000, 80_000, 100_000,
    ]) {
      const found = await asked(
        times(
          count(30, (i) => 1000 * kHz * i),
          'ticks',
        ),
      );
      expect(found.choices[0]?.words, String(kHz)).toBe(`${1000 * kHz} ticks a second: 60 rpm`);
    }
  });
});

describe('captures', () => {
  const levels = (...gaps: readonly number[]) =>
    tableOf([
      ['t', count(4000, (n) => n * 1e-3)],
      ...gaps.map((gap, i) => [`D${i}`, count(4000, (n) => (n % gap < gap / 2 ? 1 : 0))] as const),
    ]);

  it('without times need the interval: from their head, or from whoever knows it', async () => {
    const bare = tableOf([['volts', count(4000, (n) => (n % 400 < 200 ? 1 : 0))]]);
    const question = await asked(bare, { time: -1 }, { nominalRpm: 150 });
    expect([question.code, question.choices]).toEqual(['SAMPLE_INTERVAL', []]);
    const told = await signal(bare, { time: -1 }, { nominalRpm: 150, sampleIntervalS: 1e-3 });
    expect(told.timeS[1]).toBeCloseTo(0.4, 3);
    const headed = await signal({ ...bare, preamble: [['Sample interval', '2 ms']] }, { time: -1 }, { nominalRpm: 75 });
    expect(headed.timeS[1]).toBeCloseTo(0.8, 3);
    expect(headed.sampleHz).toBeCloseTo(500, 6);
  });

  it('of two channels at one rate take the first and say so; of two rates ask, the likelier first', async () => {
    // 400 samples of a millisecond are 150 a minute.
    const same = await signal(levels(400, 400), {}, { nominalRpm: 150 });
    expect([same.name, same.notes.includes('CHANNEL_CHOSEN')]).toEqual(['D0', true]);
    const question = await asked(levels(200, 400), {}, { nominalRpm: 160 });
    expect(question.code).toBe('WHICH_CHANNEL');
    expect(question.message).toContain('2 channels');
    expect(question.choices.map(({ words, answer }) => [words, answer])).toEqual([
      ['D1: 150 rpm', { channel: 'D1' }],
      ['D0: 300 rpm', { channel: 'D0' }],
    ]);
    expect((await signal(levels(200, 400), {}, { nominalRpm: 160, channel: 'D0' })).name).toBe('D0');
    expect(await chosen(levels(200, 400), {}, { nominalRpm: 160, channel: 'D7' })).toMatchObject({
      reason: 'NO_PULSES',
    });
    // In milliseconds just so, and its rate is told in seconds.
    const [first, ...others] = levels(200, 400).columns;
    const slower = { ...levels(200, 400), columns: [(first as Float64Array).map((t) => 1000 * t), ...others] };
    const { choices } = await asked(slower, {}, { nominalRpm: 160 });
    expect(choices.map(({ words }) => words)).toEqual(['D1: 150 rpm', 'D0: 300 rpm']);
    const one = await signal(slower, {}, { nominalRpm: 160, channel: 'D1' });
    expect([one.unitS, one.from]).toEqual([1e-3, 'scope']);
    expect(one.sampleHz).toBeCloseTo(1000, 6);
    // One of them cannot be this machine's: the other is it.
    expect((await signal(levels(20, 400), {}, { nominalRpm: 150 })).name).toBe('D1');
  });

  it('of which none can be this machine’s name all of them', async () => {
    // 150 and 300 a minute in whatever unit; the machine turns 5 times.
    const question = await asked(levels(200, 400), { timeUnitS: 1 } as never, { nominalRpm: 5 });
    expect(question.code).toBe('WHICH_CHANNEL');
    expect(question.choices.map(({ answer }) => answer.channel)).toEqual(['D1', 'D0']);
  });

  it('of two channels a quarter apart know the sense', async () => {
    const table = tableOf([
      ['t', count(4000, (n) => n * 1e-3)],
      ['A', count(4000, (n) => (n % 400 < 200 ? 1 : 0))],
      ['B', count(4000, (n) => ((n + 300) % 400 < 200 ? 1 : 0))],
    ]);
    const found = await signal(table, {}, { nominalRpm: 150 });
    expect(found.name).toBe('A and B');
    expect(new Set(found.senses)).toEqual(new Set([1]));
  });

  it('of two or three pulses are too few, not none', async () => {
    for (const gap of [1300, 1900])
      expect(await chosen(levels(gap), {}, { nominalRpm: 45 })).toMatchObject({ reason: 'TOO_FEW_PULSES' });
  });

  it('that stand still hold no pulses', async () => {
    const flat = tableOf([
      ['t', count(400, (n) => n * 1e-3)],
      ['volts', count(400, () => 5)],
    ]);
    const found = await chosen(flat, { volts: 1 });
    expect(found).toMatchObject({ kind: 'unusable', reason: 'NO_PULSES' });
  });
});
