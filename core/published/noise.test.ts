/**
 * A-weighting against the table of IEC 61672-1 and octaves against the midbands of IEC 61260 (both from memory, written
 * out here); levels of made signals against what their power is by definition.
 */
import { describe, expect, it } from 'vitest';
import { gaussian, seeded } from '../src/numeric/index.js';
import { aWeightDb, levelChange, noiseFigures, ticksATurn } from '../src/speed/index.js';

const RATE = 44100;
const made = (seconds: number, at: (t: number, i: number) => number) =>
  Float64Array.from({ length: Math.round(seconds * RATE) }, (_one, i) => at(i / RATE, i));
const figures = (samples: Float64Array) => {
  const read = noiseFigures(samples, RATE);
  if (!read) throw new Error('too short');
  return read;
};

describe('A-weighting', () => {
  it.each([
    [31.5, -39.4],
    [63, -26.2],
    [125, -16.1],
    [250, -8.6],
    [500, -3.2],
    [1000, 0],
    [2000, 1.2],
    [4000, 1.0],
    [8000, -1.1],
    // The table's heads are nominal; its values are of the exact midbands, 1000 x 10^(n / 10) Hz.
  ])('at %s Hz is %s dB', (hz, db) =>
    expect(aWeightDb(1000 * 10 ** (Math.round(10 * Math.log10(hz / 1000)) / 10))).toBeCloseTo(db, 1),
  );
});

describe('a clip', () => {
  it('of a full sinusoid lies at -3.01 dB in its octave alone, A-weighted by its frequency', () => {
    for (const [hz, weight] of [
      [1000, 0],
      [125.9, -16.1],
      [3981, 1.0],
    ] as const) {
      const read = figures(made(4, (t) => Math.sin(2 * Math.PI * hz * t)));
      const own = read.octaves.find((one) => Math.abs(Math.log2(one.hz / hz)) < 0.5);
      expect(own?.db, `${hz}`).toBeCloseTo(-3.01, 1);
      expect(read.aWeighted.db, `${hz}`).toBeCloseTo(-3.01 + weight, 0);
      for (const other of read.octaves) if (other !== own) expect(other.db, `${hz} in ${other.hz}`).toBeLessThan(-40);
    }
  });

  it('of white noise rises 3 dB an octave (equal power a hertz)', () => {
    const noise = gaussian(seeded(4));
    const { octaves } = figures(made(20, () => 0.1 * noise()));
    const of = (hz: number) => octaves.find((one) => one.hz === hz)?.db ?? 0;
    for (const [low, high] of [
      [125, 250],
      [250, 500],
      [500, 1000],
      [1000, 2000],
      [2000, 4000],
      [4000, 8000],
    ] as const)
      expect(of(high) - of(low), `${low}`).toBeCloseTo(3.01, 0);
  });

  it('shorter than its pieces is none', () => expect(noiseFigures(new Float64Array(RATE), RATE)).toBeNull());

  it('tells ticks a second: eight a second at 120 rpm are four a turn', () => {
    const noise = gaussian(seeded(9));
    const read = figures(
      made(8, (t) => 0.01 * noise() + 0.2 * Math.sin(2 * Math.PI * 50 * t) + ((t * 8) % 1 < 0.02 ? 0.3 * noise() : 0)),
    );
    expect(read.ticks?.hz).toBeCloseTo(8, 1);
    expect(ticksATurn(read.ticks?.hz ?? 0, 120)).toBeCloseTo(4, 1);
    expect(figures(made(8, () => 0.1 * noise())).ticks).toBeNull();
  });

  it('tells hum from noise, and 50 from 60 Hz', () => {
    const noise = gaussian(seeded(2));
    const hums = (hz: number) => figures(made(4, (t) => 0.3 * Math.sin(2 * Math.PI * hz * t) + 0.01 * noise())).hum;
    expect(hums(100)).toMatchObject({ mainsHz: 50 });
    expect(hums(120)).toMatchObject({ mainsHz: 60 });
    expect(hums(50).part).toBeGreaterThan(0.95);
    expect(figures(made(4, () => 0.1 * noise())).hum.part).toBeLessThan(0.05);
  });
});

describe('before and after', () => {
  it('a clip of half the amplitude is 6.02 dB quieter, and the interval holds it', () => {
    const noise = gaussian(seeded(31));
    const [before, after] = [figures(made(10, () => 0.1 * noise())), figures(made(10, () => 0.05 * noise()))];
    const change = levelChange(before.aWeighted, after.aWeighted);
    expect(change.by).toBeCloseTo(-6.02, 0);
    expect(change.low).toBeLessThanOrEqual(-6.02 + 0.2);
    expect(change.high).toBeGreaterThanOrEqual(-6.02 - 0.2);
    expect(change.high - change.low).toBeLessThan(0.5);
  });

  it('the interval holds a true nought in about 95 of 100 pairs', () => {
    const noise = gaussian(seeded(77));
    let held = 0;
    for (let pair = 0; pair < 40; pair++) {
      const change = levelChange(
        figures(made(4, () => 0.1 * noise())).aWeighted,
        figures(made(4, () => 0.1 * noise())).aWeighted,
      );
      if (change.low <= 0 && change.high >= 0) held++;
    }
    expect(held / 40).toBeGreaterThan(0.86);
  });
});
