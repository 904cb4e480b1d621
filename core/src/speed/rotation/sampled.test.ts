/** Levels that were sampled, lists of changes, two channels of one wheel: pulses where they were put. */
import { describe, expect, it } from 'vitest';
import { sourceOf } from '../../formats/channels.test-data.js';
import { gaussian, seeded } from '../../numeric/index.js';
import { holdsSpeeds, quadrature, signalsOf, type PulseSignal } from './channels.js';
import { edgesOf, swingOf } from './edges.js';
import { tableOf } from './numberTable.test-data.js';

const samples = (count: number, of: (n: number) => number) => Float64Array.from({ length: count }, (_, n) => of(n));
const square =
  (period: number, high = 0.5) =>
  (n: number) =>
    n % period < high * period ? 1 : 0;

describe('the swing of a channel', () => {
  it('is that of the channel that swings most, or of the one asked for', async () => {
    const source = sourceOf(
      1000,
      samples(4000, square(100)),
      samples(4000, (n) => 3 * square(100)(n) - 1),
    );
    expect(await swingOf(source)).toEqual({ channel: 1, low: -1, high: 2 });
    expect(await swingOf(source, 0)).toEqual({ channel: 0, low: 0, high: 1 });
  });

  it('is none of a level that stands, however high, or moves by less than a ten thousandth of it', async () => {
    expect(
      await swingOf(
        sourceOf(
          1000,
          samples(4000, () => 5),
        ),
      ),
    ).toBeNull();
    expect(
      await swingOf(
        sourceOf(
          1000,
          samples(4000, (n) => 5 + 0.0004 * square(100)(n)),
        ),
      ),
    ).toBeNull();
    expect(
      await swingOf(
        sourceOf(
          1000,
          samples(4000, (n) => 5 + 0.0006 * square(100)(n)),
        ),
      ),
    ).not.toBeNull();
  });

  it('of a drive that moves in the last quarter of a long recording is found; in the last twentieth it is not', async () => {
    const from = (start: number) =>
      sourceOf(
        1000,
        samples(10_000, (n) => (n < start ? 0 : square(100)(n))),
      );
    expect(await swingOf(from(7500))).toEqual({ channel: 0, low: 0, high: 1 });
    expect(await swingOf(from(9500))).toBeNull();
  });
});

describe('edges of a sampled signal', () => {
  const edges = async (values: Float64Array, rate = 48_000) => {
    const source = sourceOf(rate, values);
    const swing = await swingOf(source);
    if (!swing) throw new Error('no swing');
    return edgesOf(source, swing);
  };

  it('of a sine are a period apart, half of the time above the middle, not coarse', async () => {
    const found = await edges(samples(48_000, (n) => Math.sin((2 * Math.PI * n) / 960)));
    // The first begins at the middle: it is not known that it rose.
    expect(found?.at).toHaveLength(49);
    found?.at.forEach((at, i) => expect(at).toBeCloseTo(960 * (i + 1), 0));
    expect(found?.duty).toBeCloseTo(0.5, 2);
    expect(found?.coarse).toBe(false);
    // Smoothed over an eighth of a period: sin(π/8)/(π/8) of the swing is left.
    for (const level of found?.levels ?? []) expect(level).toBeCloseTo(Math.sin(Math.PI / 8) / (Math.PI / 8), 2);
    expect(found?.levels).toHaveLength(48);
  });

  it('of eight samples a cycle lie between them to a hundredth', async () => {
    const period = 8.37;
    const found = await edges(samples(8000, (n) => Math.sin((2 * Math.PI * (n - 3.1)) / period)));
    const at = found?.at ?? new Float64Array();
    expect(at.length).toBeGreaterThan(940);
    for (let i = 10; i < at.length - 10; i++)
      expect(
        Math.abs(((at[i] as number) - 3.1) / period - Math.round(((at[i] as number) - 3.1) / period)),
      ).toBeLessThan(0.0015);
  });

  it('that jump between two samples are coarse where a pulse has under two thousand of them', async () => {
    expect((await edges(samples(20_000, square(100))))?.coarse).toBe(true);
    expect((await edges(samples(60_000, square(2500))))?.coarse).toBe(false);
    // A slope over ten samples is no jump.
    const slope = (n: number) => Math.max(0, Math.min(1, (n % 100) / 10, 6 - (n % 100) / 10));
    expect((await edges(samples(20_000, slope)))?.coarse).toBe(false);
  });

  it('of short pulses are all there, with the share of time that they are high', async () => {
    const found = await edges(samples(20_000, square(100, 0.03)));
    expect(found?.at).toHaveLength(199);
    expect(found?.duty).toBeCloseTo(0.03, 2);
  });

  it('in noise are one a cycle', async () => {
    const noise = gaussian(seeded(3));
    const found = await edges(samples(48_000, (n) => Math.sin((2 * Math.PI * n) / 960) + 0.06 * noise()));
    expect(found?.at.length).toBeGreaterThanOrEqual(49);
    expect(found?.at.length).toBeLessThanOrEqual(50);
    const gaps = [...(found?.at ?? [])].slice(1).map((at, i) => at - (found?.at[i] as number));
    for (const gap of gaps) expect(Math.abs(gap - 960)).toBeLessThan(15);
  });

  it('are stopped in the first pass or the second by whoever asked, who hears how far they are', async () => {
    const source = sourceOf(48_000, samples(600_000, square(960)));
    const swing = { channel: 0, low: 0, high: 1 };
    const told: number[] = [];
    expect(await edgesOf(source, swing, (done) => void told.push(done))).not.toBeNull();
    // 600,000 samples in pieces of 262,144: at 0, 0.437 and 0.874 of each pass.
    expect(told.map((one) => Number(one.toFixed(3)))).toEqual([0, 0.218, 0.437, 0.5, 0.718, 0.937]);
    expect(await edgesOf(source, swing, (done) => done < 0.4)).toBeNull();
    expect(await edgesOf(source, swing, (done) => done < 0.7)).toBeNull();
  });
});

describe('pulses in a table', () => {
  const signals = (table: ReturnType<typeof tableOf>, only: number | null = null) =>
    signalsOf(table, 0, table.columns[0] as Float64Array, only);

  it('of changes by row have their edges where the level rises, and the share of time that it is high', async () => {
    // High from 1 to 3, 5 to 7 …: two of four.
    const t = Array.from({ length: 40 }, (_, i) => 1 + 2 * i + 0.3 * (i % 2));
    const table = tableOf([
      ['t', t],
      ['level', t.map((_, i) => (i % 2 === 0 ? 1 : 0))],
    ]);
    const [one, ...more] = await signals(table);
    expect(more).toEqual([]);
    expect(one).toMatchObject({ kind: 'signal', name: 'level', from: 'changes', edge: 'rising' });
    expect([...(one?.timeS ?? [])].slice(0, 3)).toEqual([5, 9, 13]);
    // Nineteen times 2.3 s and once the last 2.3 of 78.3.
    expect(one?.dutyPercent).toBeCloseTo((100 * 20 * 2.3) / 78.3, 6);
  });

  it('of changes may hold one row in fifty that changes nothing', async () => {
    // At even steps: only that each row is a change tells that it is no capture.
    const level = (still: readonly number[]) => {
      let now = 0;
      return Array.from({ length: 200 }, (_, i) => (still.includes(i) ? now : (now = 1 - now)));
    };
    const from = async (still: readonly number[]) =>
      (
        await signals(
          tableOf([
            ['t', Array.from({ length: 200 }, (_, i) => i)],
            ['level', level(still)],
          ]),
        )
      )[0]?.from;
    expect(await from([50, 100, 150])).toBe('changes');
    expect(await from([50, 80, 110, 140, 170])).not.toBe('changes');
  });

  it('at even steps are a capture; its rate is known', async () => {
    const table = tableOf([
      ['t', Array.from({ length: 2000 }, (_, n) => n * 1e-3)],
      ['volts', Array.from({ length: 2000 }, (_, n) => Math.sin((2 * Math.PI * n) / 100))],
      ['count', Array.from({ length: 2000 }, (_, n) => n)],
    ]);
    const [one, ...more] = await signals(table);
    // What only counts rows is no level.
    expect(more).toEqual([]);
    expect(one).toMatchObject({ name: 'volts', from: 'scope', edge: 'rising', twoLevels: false, notes: [] });
    expect(one?.sampleHz).toBeCloseTo(1000, 6);
    expect(one?.timeS[0]).toBeCloseTo(0.1, 4);
    expect(one?.dutyPercent).toBeCloseTo(50, 0);
    expect(await signals(table, 2)).toEqual([]);
  });

  it('named by channel and sense are told apart: rising ones alone, each channel its own', async () => {
    const t = Array.from({ length: 24 }, (_, i) => i * 1.5);
    const table = tableOf([['t', t]], {
      texts: [
        { name: 'edge', cells: t.map((_, i) => (i % 2 === 0 ? 'rising' : 'falling')) },
        { name: 'channel', cells: t.map((_, i) => (i % 4 < 2 ? 'A' : 'B')) },
      ],
    });
    const found = await signals(table);
    expect(found.map(({ name, edge, from, timeS }) => [name, edge, from, [...timeS].slice(0, 2)])).toEqual([
      ['A', 'rising', 'changes', [0, 6]],
      ['B', 'rising', 'changes', [3, 9]],
    ]);
    // Channels alone: each row is a pulse.
    const plain = await signals({ ...table, texts: table.texts.slice(1) });
    expect(plain.map(({ name, edge, timeS }) => [name, edge, timeS.length])).toEqual([
      ['A', 'times', 12],
      ['B', 'times', 12],
    ]);
    // Words that are nearly all different name no channel.
    const notes = await signals({ ...table, texts: [{ name: 'note', cells: t.map((_, i) => `row ${i}`) }] });
    expect(notes).toEqual([]);
  });

  it('whose columns are all reckoned already hold speeds', () => {
    const holds = (...names: string[]) => holdsSpeeds(tableOf(['t', ...names].map((name) => [name, [1, 2]])), 0);
    expect([holds('rpm'), holds('rpm', 'wow %'), holds('rpm', 'volts'), holds()]).toEqual([true, true, false, false]);
  });
});

describe('two channels of one wheel', () => {
  const at = (...times: number[]): PulseSignal =>
    ({ kind: 'signal', name: 'A', timeS: Float64Array.from(times), senses: null }) as PulseSignal;
  const wheel = (part: number, count = 20) => at(...Array.from({ length: count }, (_, i) => 2 * (i + part)));
  const senses = (b: PulseSignal) => {
    const both = quadrature(wheel(0), b);
    return both?.senses ? [...both.senses] : null;
  };

  it('a quarter behind go forward, three quarters backward', () => {
    expect(senses(wheel(0.25))).toEqual(Array(20).fill(1));
    expect(senses(wheel(0.75))).toEqual(Array(20).fill(-1));
    expect(quadrature(wheel(0), { ...wheel(0.25), name: 'B' })?.name).toBe('A and B');
  });

  it('are no such pair nearer than a tenth or farther than four, with other counts, or of under four pulses', () => {
    expect([senses(wheel(0.09)), senses(wheel(0.41)), senses(wheel(0.59)), senses(wheel(0.91))]).toEqual(
      Array(4).fill(null),
    );
    expect([senses(wheel(0.11)), senses(wheel(0.39))].every(Boolean)).toBe(true);
    expect(senses(wheel(0.25, 18))).not.toBeNull();
    expect(senses(wheel(0.25, 17))).toBeNull();
    // One more or less is none, however few they are.
    expect(quadrature(at(0, 2, 4, 6), at(0.5, 2.5, 4.5))?.senses).toBeDefined();
    expect(quadrature(at(0, 2, 4, 6), at(0.5, 2.5))).toBeNull();
    expect(quadrature(at(0, 2, 4), at(0.5, 2.5, 4.5))).toBeNull();
    expect(quadrature(at(0, 2, 4, 6), at(0.5, 2.5, 4.5, 6.5))).not.toBeNull();
  });

  it('that turn back have both senses', () => {
    // Ten forward, then ten backward.
    const b = at(...Array.from({ length: 20 }, (_, i) => 2 * (i + (i < 10 ? 0.25 : 0.75))));
    expect(senses(b)).toEqual([...Array(10).fill(1), ...Array(10).fill(-1)]);
  });
});
