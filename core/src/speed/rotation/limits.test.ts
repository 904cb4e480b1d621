/** Pulses at the edge of what can be measured, wherever their levels lie and whenever the log begins. Truth: what was put in. */
import { describe, expect, it } from 'vitest';
import { sourceOf } from '../../formats/channels.test-data.js';
import { memorySource, writeWav } from '../../formats/index.js';
import { quadrature, type PulseSignal } from './channels.js';
import { edgesOf, swingOf } from './edges.js';
import { measurePulses } from './pulses.js';
import { runDownOf } from './runDown.js';
import { measurePulseWav } from './signal.js';

const RATE = 20_000;
const square = (n: number, period: number, duty = 0.5) => ((n / period) % 1 < duty ? 1 : 0);
const times = (count: number, gapS: number, from = 0) => Array.from({ length: count }, (_, i) => from + i * gapS);
const text = (list: readonly number[]) => `time_s\n${list.map((t) => t.toFixed(7)).join('\n')}`;
const signalAt = (...list: readonly number[]): PulseSignal =>
  ({
    kind: 'signal',
    name: 'A',
    timeS: Float64Array.from(list),
    levels: null,
    senses: null,
    from: 'times',
    sampleHz: null,
    tickS: 0,
    edge: null,
    dutyPercent: null,
    notes: [],
  }) as never;

describe('levels', () => {
  it.each([
    [0, 5],
    [-1, 1],
    [10, 12],
    [-12, -7],
    [-0.2, 0],
    [3.1, 3.3],
  ])('from %d to %d give the same edges, a little noise or not', async (low, high) => {
    for (const noise of [0, 0.05]) {
      const values = Float64Array.from(
        { length: RATE },
        (_, n) => low + (high - low) * (square(n + 50, 100) + noise * Math.sin(n * 12.9898)),
      );
      const source = sourceOf(RATE, values);
      const swing = await swingOf(source);
      if (!swing) throw new Error('no swing');
      expect(Math.abs(swing.low - low)).toBeLessThan(0.06 * (high - low));
      expect(Math.abs(swing.high - high)).toBeLessThan(0.06 * (high - low));
      const found = await edgesOf(source, swing);
      // 200 periods, rising at 50, 150, … 19,950.
      expect(found?.at.length).toBe(200);
      found?.at.forEach((at, i) => expect(Math.abs(at - (50 + 100 * i))).toBeLessThan(1));
      expect(found?.duty).toBeCloseTo(0.5, 1);
    }
  });

  it('the channel that swings most is not the one that stands highest', async () => {
    const source = sourceOf(
      RATE,
      Float64Array.from({ length: 4000 }, (_, n) => 10 + 0.5 * square(n, 100)),
      Float64Array.from({ length: 4000 }, (_, n) => 2 * square(n, 80) - 1),
    );
    expect(await swingOf(source)).toMatchObject({ channel: 1, low: -1, high: 1 });
  });

  it.each([0.2, 0.35, 0.8])('a pulse that is high for %d of its period says so, and its channel', async (duty) => {
    const quiet = new Float64Array(6 * RATE);
    const wheel = Float64Array.from({ length: 6 * RATE }, (_, n) => 0.5 * square(n, 400, duty) - 0.2);
    const result = await measurePulseWav(memorySource(writeWav([quiet, wheel], RATE)), {
      perTurn: 10,
      nominalRpm: 300,
    });
    if (result.kind !== 'measured') throw new Error(result.kind);
    expect(result.dutyPercent).toBeCloseTo(100 * duty, 0);
    expect(result.channel).toBe('channel 2');
    expect(result.edge).toBe('rising');
    expect(result.meanRpm).toBeCloseTo(300, 3);
  });

  it('where the channel that swings most makes no sense, another is measured and it is said', async () => {
    const wheel = Float64Array.from({ length: 6 * RATE }, (_, n) => 0.1 * square(n, 400));
    const once = Float64Array.from({ length: 6 * RATE }, (_, n) => (n > 3 * RATE ? 0.9 : -0.9));
    for (const [channels, name] of [
      [[once, wheel], 'channel 2'],
      [[wheel, once], 'channel 1'],
    ] as const) {
      const result = await measurePulseWav(memorySource(writeWav([...channels], RATE)), {
        perTurn: 10,
        nominalRpm: 300,
      });
      if (result.kind !== 'measured') throw new Error(result.kind);
      expect(result).toMatchObject({ channel: name, warnings: expect.arrayContaining(['CHANNEL_CHOSEN']) as string[] });
      expect(result.meanRpm).toBeCloseTo(300, 3);
    }
  });
});

describe('few and many', () => {
  const outcome = async (list: readonly number[], perTurn: number, more: object = {}) => {
    const result = await measurePulses(text(list), { perTurn, nominalRpm: 60, ...more });
    return result.kind === 'unusable' ? result.reason : result.kind;
  };

  it('four pulses can be measured, three are too few, wherever in the log they stand', async () => {
    expect(await outcome(times(3, 1), 1)).toBe('TOO_FEW_PULSES');
    expect(await outcome(times(4, 1), 1)).not.toBe('TOO_FEW_PULSES');
    const long = times(100, 1);
    expect(await outcome(long, 1, { fromS: 96.5 })).toBe('TOO_FEW_PULSES');
    expect(await outcome(long, 1, { toS: 2.5 })).toBe('TOO_FEW_PULSES');
    expect(await outcome(long, 1, { fromS: 50, toS: 52.5 })).toBe('TOO_FEW_PULSES');
    expect(await outcome(long, 1, { fromS: 50, toS: 90.5 })).toBe('measured');
  });

  it('ten thousand pulses a turn are the most, one more is refused', async () => {
    const list = times(40_000, 1e-4);
    expect(await outcome(list, 10_000)).toBe('measured');
    await expect(outcome(list, 10_001)).rejects.toThrow();
    await expect(outcome(list, 0)).rejects.toThrow();
  });

  it('a run down needs three speeds: four pulses of one a turn, six of three', async () => {
    const speeds = async (count: number, perTurn: number) => {
      const run = await runDownOf(text(times(count, 1 / perTurn)), { nominalRpm: 60, perTurn });
      return run.kind === 'run-down' ? run.speeds.map(({ rpm }) => Math.round(rpm)) : run.kind;
    };
    expect(await speeds(3, 1)).toBe('unusable');
    expect(await speeds(4, 1)).toEqual([60, 60, 60]);
    expect(await speeds(5, 3)).toBe('unusable');
    expect(await speeds(6, 3)).toEqual([60, 60, 60]);
  });
});

describe('two channels of a wheel', () => {
  const base = times(40, 1);
  const senses = (part: number, more: readonly number[] = []) => {
    const both = quadrature(signalAt(...base), signalAt(...base.map((t) => t + part), ...more));
    return both?.senses ? [...new Set(both.senses)] : null;
  };

  it('a tenth to four tenths of a period apart have a sense, nearer or in opposition they have none', () => {
    expect(senses(0.05)).toBeNull();
    expect(senses(0.12)).toEqual([1]);
    expect(senses(0.25)).toEqual([1]);
    expect(senses(0.38)).toEqual([1]);
    expect(senses(0.45)).toBeNull();
    expect(senses(0.55)).toBeNull();
    expect(senses(0.62)).toEqual([-1]);
    expect(senses(0.75)).toEqual([-1]);
    expect(senses(0.95)).toBeNull();
  });

  it('a fifth of the pulses may lie elsewhere, more may not; a tenth more of them may be there', () => {
    const bent = (count: number) =>
      quadrature(signalAt(...base), signalAt(...base.map((t, i) => t + (i % 40 < count ? 0.45 : 0.25))));
    expect(bent(7)).not.toBeNull();
    expect(bent(9)).toBeNull();
    expect(senses(0.25, times(4, 0.01, 41))).toEqual([1]);
    expect(senses(0.25, times(5, 0.01, 41))).toBeNull();
  });

  it('turns round where it turned round', () => {
    const b = base.map((t, i) => t + (i < 20 ? 0.25 : 0.75));
    const both = quadrature(signalAt(...base), signalAt(...b));
    expect([...(both?.senses ?? [])]).toEqual([...Array<number>(20).fill(1), ...Array<number>(20).fill(-1)]);
  });
});
