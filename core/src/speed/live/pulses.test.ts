/** Pulses counted as they come: what is shown ten times a second of square waves that were put in. */
import { describe, expect, it } from 'vitest';
import { livePulses, type LivePulsesWish } from './pulses.js';

const RATE = 8000;
const WISH: LivePulsesWish = { sampleRate: RATE, perTurn: 2, nominalRpm: 600 };
const samples = (seconds: number, of: (n: number) => number) =>
  Float64Array.from({ length: Math.round(seconds * RATE) }, (_, n) => of(n));
/** 20 pulses a second: 600 turns a minute of two pulses. */
const square = (n: number) => (n % 400 < 200 ? 0.5 : -0.5);
const heard = (values: Float64Array, wish: Partial<LivePulsesWish> = {}, block = 777) => {
  const meter = livePulses({ ...WISH, ...wish });
  const readings = [];
  for (let at = 0; at < values.length; at += block) readings.push(...meter.push(values.subarray(at, at + block)));
  return { meter, readings };
};

describe('a reading', () => {
  it('comes ten times a second, in whatever blocks the samples come', () => {
    for (const block of [100, 777, 5000, 24_000]) {
      const { readings } = heard(samples(3, square), {}, block);
      expect(readings).toHaveLength(30);
      expect(readings.map(({ atS }) => Number(atS.toFixed(6)))).toEqual(
        Array.from({ length: 30 }, (_, i) => Number((0.1 * (i + 1)).toFixed(6))),
      );
    }
  });

  it('waits while the levels are learnt, for a second and two steps; then has turns a minute and their error', () => {
    const { readings } = heard(samples(3, square), { nominalRpm: 500 });
    const [first] = readings.filter(({ kind }) => kind === 'pulses');
    expect(readings[0]).toMatchObject({ kind: 'waiting', rpm: null, errorPercent: null, pulses: 0 });
    // Three pulses after a second of learning, two steps of 0.05 s.
    expect(first?.atS).toBeGreaterThan(1.05);
    expect(first?.atS).toBeLessThan(1.35);
    const last = readings.at(-1);
    expect(last?.rpm).toBeCloseTo(600, 6);
    expect(last?.errorPercent).toBeCloseTo(20, 6);
    // Two seconds of twenty a second, the first of them an edge that was not seen to rise.
    expect(Math.abs((last?.pulses ?? 0) - 40)).toBeLessThanOrEqual(1);
  });

  it('tells the largest sample since the last one, and when it was cut off', () => {
    const loud = samples(2, (n) => (n === 12_345 ? 0.99 : square(n)));
    const { readings } = heard(loud);
    // 12,345 lies in the sixteenth tenth.
    expect(readings.map(({ level }) => level.clipped).indexOf(true)).toBe(15);
    expect(readings.filter(({ level }) => level.clipped)).toHaveLength(1);
    expect(readings[15]?.level.peak).toBe(0.99);
    expect(readings[16]?.level.peak).toBe(0.5);
    expect(heard(samples(1, (n) => 1.96 * square(n))).readings[3]?.level.clipped).toBe(false);
    expect(heard(samples(1, (n) => 1.97 * square(n))).readings[3]?.level.clipped).toBe(true);
  });

  it('is the mean of the last two turns, of four pulses where a turn has one', () => {
    // Speeds up from 20 to 25 pulses a second at 2 s.
    const faster = samples(4, (n) => (n < 2 * RATE ? square(n) : (n - 2 * RATE) % 320 < 160 ? 0.5 : -0.5));
    const at = (perTurn: number, atS: number) =>
      heard(faster, { perTurn }).readings[Math.round(10 * atS) - 1]?.rpm ?? 0;
    // A tenth of a second after it holds two and a half new gaps of the last four.
    expect(at(2, 1.9)).toBeCloseTo(600, 6);
    expect(at(2, 2.1)).toBeGreaterThan(640);
    expect(at(2, 2.1)).toBeLessThan(749);
    expect(at(2, 2.4)).toBeCloseTo(750, 6);
    expect(at(1, 2.4)).toBeCloseTo(1500, 6);
    // Of eight pulses a turn sixteen gaps: after 0.4 s ten new ones.
    expect(at(8, 2.4)).toBeLessThan(187);
    expect(at(8, 3.0)).toBeCloseTo(187.5, 6);
  });

  it('waits again when six usual periods passed without a pulse', () => {
    const stopped = samples(4, (n) => (n < 2 * RATE ? square(n) : -0.5));
    const { readings } = heard(stopped);
    const kinds = readings.map(({ kind }) => kind);
    // The last edge lies at 1.95 s: from 2.25 on it is lost.
    expect(kinds[21]).toBe('pulses');
    expect(kinds[22]).toBe('waiting');
    expect(readings.at(-1)?.rpm).toBeNull();
  });

  it('hears nothing in what swings by less than half a hundredth', () => {
    expect(heard(samples(3, (n) => 0.0049 * square(n))).readings.at(-1)?.kind).toBe('waiting');
    expect(heard(samples(3, (n) => 0.0052 * square(n))).readings.at(-1)?.kind).toBe('pulses');
  });

  it('captured holds all that came until then; answered, what the last capture held', () => {
    const { meter } = heard(samples(4, square));
    const count = (one: ReturnType<typeof meter.capture>) => {
      if (one.kind !== 'measured') throw new Error(one.kind);
      return Math.round((one.series.stepS * one.series.errorPercent.length * one.meanRpm) / 30);
    };
    const first = count(meter.capture());
    meter.push(samples(2, square));
    // Forty pulses more came; the answer is about what was asked of.
    expect(count(meter.capture({ asIs: true }))).toBe(first);
    expect(count(meter.capture()) - first).toBeGreaterThan(35);
  });
});
