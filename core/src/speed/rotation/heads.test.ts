/** What a file says of itself before it is measured: sample intervals, counters, units of time; and several runs as one. */
import { describe, expect, it } from 'vitest';
import { combined } from './combined.js';
import { tableOf } from './numberTable.test-data.js';
import { sampleIntervalOf } from './preamble.js';
import type { MeasuredPulses } from './pulseResult.js';
import { unitOf, unwrapCounter } from './timeBase.js';
import told from './heads.json' with { type: 'json' };

const count = (n: number, of: (i: number) => number) => Array.from({ length: n }, (_, i) => of(i));

describe('the sample interval in the head of a capture', () => {
  // An interval whose line also names a rate is an interval.
  it.each(told.intervals as unknown as readonly [readonly string[], number][])('%j', (cells, seconds) => {
    expect((sampleIntervalOf([['Made by', 'nobody'], [...cells]]) ?? 0) / seconds).toBeCloseTo(1, 9);
  });

  it.each(told.nothing as unknown as readonly [string[]][])('%j says nothing of it', (cells) => {
    expect(sampleIntervalOf([cells])).toBeNull();
  });

  it('is the first line that says it', () => {
    expect(
      sampleIntervalOf([
        ['Sample rate', '-'],
        ['Sample interval', '1 ms'],
        ['Sample interval', '2 ms'],
      ]),
    ).toBeCloseTo(1e-3, 12);
  });
});

describe('a counter that runs over', () => {
  it.each([
    [16, 65536],
    [24, 2 ** 24],
    [32, 2 ** 32],
  ] as const)('of %d bits goes on past its end', (bits, full) => {
    const step = full / 8;
    const raw = Float64Array.from(count(20, (i) => (100 + i * step) % full));
    const { values, ...rest } = unwrapCounter(raw);
    expect(rest).toEqual({ bits, backward: -1 });
    expect([...values]).toEqual(count(20, (i) => 100 + i * step));
  });

  it('that was read twice within a tick stands still there, it does not run over', () => {
    const raw = Float64Array.of(60_000, 62_000, 62_000, 64_000, 464, 464, 2_464);
    expect([...unwrapCounter(raw).values]).toEqual([60_000, 62_000, 62_000, 64_000, 66_000, 66_000, 68_000]);
  });

  it('is no counter when it falls by less than half of its range, holds parts of a step, or falls as often as it rises', () => {
    expect(unwrapCounter(Float64Array.of(0, 40000, 60000, 50000, 65000)).backward).toBe(3);
    expect(unwrapCounter(Float64Array.of(0, 40000.5, 65000, 100, 200)).backward).toBe(3);
    expect(unwrapCounter(Float64Array.of(-1, 40000, 65000, 100, 200)).backward).toBe(3);
    expect(unwrapCounter(Float64Array.of(0, 65000, 0, 65000, 0, 65000, 0)).backward).toBe(2);
    // Never past half of 16 bits: a fall there is no wrap.
    expect(unwrapCounter(Float64Array.of(0, 30000, 32000, 10, 20)).backward).toBe(3);
  });
});

describe('the unit of a time column', () => {
  const time = (name: string, values = count(20, (i) => i * 1.5)) => tableOf([[name, values]]);

  it('is the one in its name, when a machine could turn so', () => {
    expect(unitOf(time('Time (ms)'), 0, 0.0333, 33.33)).toEqual({ kind: 'unit', seconds: 1e-3, guessed: false });
    expect(unitOf(time('Time (s)'), 0, 33, 33.33)).toEqual({ kind: 'unit', seconds: 1, guessed: false });
    // Stamps are in seconds whatever the name.
    expect(unitOf({ ...time('us'), stamps: 0 }, 0, 33, 33.33)).toEqual({ kind: 'unit', seconds: 1, guessed: false });
  });

  it('that is named and makes no sense is asked about, with what each would give', () => {
    const asked = unitOf(time('Time (s)'), 0, 0.0333, 33.33);
    if (asked.kind !== 'asked') throw new Error('not asked');
    expect(asked.code).toBe('TIME_UNIT');
    expect(asked.choices).toEqual([
      { words: 'milliseconds: 33.3 rpm', answer: { timeUnitS: 1e-3 }, meanRpm: expect.closeTo(33.3, 9) },
    ]);
  });

  it('that is named and fits nothing, like every other, is taken as named', () => {
    expect(unitOf(time('Time (s)'), 0, 5000, 33.33)).toEqual({ kind: 'unit', seconds: 1, guessed: false });
  });

  it('without a name is the one that fits: seconds surely, others as a guess', () => {
    expect(unitOf(time('t'), 0, 33, 33.33)).toEqual({ kind: 'unit', seconds: 1, guessed: false });
    expect(unitOf(time('t'), 0, 33e-6, 33.33)).toEqual({ kind: 'unit', seconds: 1e-6, guessed: true });
    expect(unitOf(time('t'), 0, 5000, 33.33)).toEqual({ kind: 'unit', seconds: 1, guessed: true });
  });

  it('that counts ticks is asked about: rates that come within 15 % of the nominal, the nearest first', () => {
    // 33 turns a minute at 16 MHz: 33 / 16e6 were the column in seconds.
    const asked = unitOf(
      time(
        'ticks',
        count(20, (i) => i * 7),
      ),
      0,
      33 / 16e6,
      33.33,
    );
    if (asked.kind !== 'asked') throw new Error('not asked');
    expect(asked.choices.map(({ words }) => words)[0]).toBe('16000000 ticks a second: 33 rpm');
    expect(asked.choices[0]?.answer.timeUnitS).toBeCloseTo(1 / 16e6, 15);
    // 12 MHz would be 24.75, 20 MHz 41.25: a quarter off either way.
    expect(asked.choices.map(({ answer }) => Math.round(1 / (answer.timeUnitS ?? 1)))).toEqual([16e6]);
  });

  it('of two usual clocks near the nominal offers the nearer first', () => {
    const asked = unitOf(
      time(
        'ticks',
        count(20, (i) => i * 7),
      ),
      0,
      33.4 / 25e6,
      33.33,
    );
    if (asked.kind !== 'asked') throw new Error('not asked');
    // At 24 MHz 32.06, at 25 MHz 33.4.
    expect(asked.choices.map(({ words }) => words)).toEqual([
      '25000000 ticks a second: 33.4 rpm',
      '24000000 ticks a second: 32.06 rpm',
    ]);
  });

  it('of a fitting unit but named ticks is asked about where a usual clock comes near as well', () => {
    const table = time(
      'count',
      count(20, (i) => i * 7),
    );
    const asked = unitOf(table, 0, 33e-6, 33.33);
    if (asked.kind !== 'asked') throw new Error('not asked');
    // A million ticks a second are microseconds: offered once.
    expect(asked.choices.map(({ words }) => words)).toEqual(['microseconds: 33 rpm']);
  });
});

describe('several runs as one', () => {
  const run = (meanRpm: number, samples: number, more: Partial<MeasuredPulses> = {}) =>
    ({
      kind: 'measured',
      nominalRpm: 100,
      meanRpm,
      meanErrorPercent: meanRpm - 100,
      uncertainty: [{ name: 'clock', standardPercent: 0.03, why: '' }],
      meanErrorExpandedUncertaintyPercent: 0.06,
      driftPercent: 1,
      missing: 1,
      doubled: 2,
      warnings: ['DRIFTING'],
      series: {
        startS: 0,
        stepS: 0.1,
        errorPercent: new Float32Array(samples),
        halfWidthPercent: new Float32Array(samples),
      },
      ...more,
    }) as unknown as MeasuredPulses;

  it('none is none, one is itself', () => {
    expect(combined([])).toBeNull();
    const one = run(101, 10);
    expect(combined([one])).toBe(one);
  });

  it('have their mean by time, the scatter from run to run, and what went wrong in all', () => {
    // 30 samples at 100 and 10 at 104: mean 101; parts (−1, +3)/101, mean square (3·1 + 9)/4 = 3.
    const all = combined([run(104, 10, { warnings: ['GAPS'] } as never), run(100, 30)]);
    expect(all?.meanRpm).toBeCloseTo(101, 9);
    expect(all?.meanErrorPercent).toBeCloseTo(1, 9);
    const scatter = (100 * Math.sqrt(3)) / 101;
    expect(all?.uncertainty.map(({ standardPercent }) => standardPercent)).toEqual([0.03, expect.closeTo(scatter, 9)]);
    expect(all?.meanErrorExpandedUncertaintyPercent).toBeCloseTo(2 * Math.hypot(0.03, scatter), 9);
    expect(all).toMatchObject({ missing: 2, doubled: 4, driftPercent: 0, warnings: ['GAPS'] });
    // The series of the longest.
    expect(all?.series.errorPercent).toHaveLength(30);
    // Three: the scatter of their mean is smaller by √2.
    const three = combined([run(99, 10), run(101, 10), run(100, 10)]);
    expect(three?.uncertainty[1]?.standardPercent).toBeCloseTo(Math.sqrt(2 / 3) / Math.sqrt(2), 9);
  });
});
