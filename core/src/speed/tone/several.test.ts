import { describe, expect, it } from 'vitest';
import { memorySource, wavSamples, writeWav, readWavHeader } from '../../formats/index.js';
import { findBands, matchNominals, measureBands, measureRecording } from './several.js';
import { speedPlayed } from './speedByTone.js';
import { synthTone } from './synth.js';

const RATE = 22050;
const tone = (nominalHz: number, errorPercent: number, durationS = 6) =>
  synthTone({ sampleRate: RATE, durationS, nominalHz, errorPercent, snrDb: 45 });
const joined = (...parts: readonly Float64Array[]) => {
  const out = new Float64Array(parts.reduce((sum, part) => sum + part.length, 0));
  parts.reduce((at, part) => (out.set(part, at), at + part.length), 0);
  return writeWav([out], RATE);
};
const gap = new Float64Array(RATE);

describe('several tones in a row', () => {
  const wav = joined(tone(3150, -1.2), gap, tone(1000, -1.2), gap, tone(300, -1.2));

  it('are found in order and each measured by itself', async () => {
    const bands = await measureBands(memorySource(wav), { nominalHz: 3150 }, 0);
    expect(bands.map((one) => one.nominalHz)).toEqual([3150, 1000, 300]);
    for (const { result, band } of bands) {
      if (result.kind !== 'measured') throw new Error(result.reason);
      expect(result.meanErrorPercent).toBeCloseTo(-1.2, 2);
      expect(result.tone.startS).toBeGreaterThanOrEqual(band.startS);
    }
    expect(bands[1]?.band.startS).toBeCloseTo(7, 0);
  });

  it('one tone with a dropout is one band', async () => {
    const file = joined(tone(3000, 0, 4), new Float64Array(RATE * 0.2), tone(3000, 0, 4));
    const layout = await readWavHeader(memorySource(file));
    if (layout.kind === 'unusable') throw new Error(layout.reason);
    expect(await findBands(wavSamples(memorySource(file), layout), 0)).toHaveLength(1);
  });

  it('of a part that has an end alone, or a beginning alone, the rest is left out and the times stay the file’s', async () => {
    const file = memorySource(joined(tone(3000, 0.5, 4), tone(3000, -0.5, 4)));
    const part = async (more: object) => {
      const { kind, ...result } = await measureRecording(file, { nominalHz: 3000, ...more });
      if (kind !== 'recording' || !('tone' in result)) throw new Error(kind);
      const { meanErrorPercent, tone: found, series } = result.tone;
      return [meanErrorPercent, found.startS, found.endS, series.startS];
    };
    const near = (...values: number[]) => values.map((value) => expect.closeTo(value, 1) as number);
    expect(await part({ toS: 3 })).toEqual(near(0.5, 0, 3, 0));
    expect(await part({ fromS: 5 })).toEqual(near(-0.5, 5, 8, 5));
  });

  it('bad files give none', async () => {
    expect(await measureBands(memorySource(new Uint8Array(10)), { nominalHz: 3150 }, 0)).toEqual([]);
  });

  it('share one speed: 5 % slow of 3150, 1000 and 300 is not a 3000 Hz tape', () => {
    expect(matchNominals([3150 * 0.95, 950, 285], 3150)).toEqual([3150, 1000, 300]);
    expect(matchNominals([3000, 1000], 3150)).toEqual([3000, 1000]);
  });
});

describe('a whole recording', () => {
  const of = (options: object, ...parts: Float64Array[]) =>
    measureRecording(memorySource(joined(...parts)), { nominalHz: 3150, ...options });

  it('of one tone is that tone, and the row of a test record is listed beside it', async () => {
    expect(await of({}, tone(3150, 0.4))).toMatchObject({ kind: 'recording', bands: [] });
    const row = await of({}, tone(3150, 0.4), gap, tone(1000, 0.4), gap, tone(300, 0.4));
    if (row.kind !== 'recording') throw new Error(row.kind);
    expect(row.bands.map((one) => one.nominalHz)).toEqual([3150, 1000, 300]);
    expect(row.tone.meanErrorPercent).toBeCloseTo(0.4, 2);
  });

  it('of two speeds is asked about, of the tone that was meant alone, the nearer first; either can be had by itself', async () => {
    const parts = [tone(3150, 6), gap, tone(1000, 0.4), gap, tone(3150, 0.4)];
    const asked = await of({}, ...parts);
    if (asked.kind !== 'asked') throw new Error(asked.kind);
    expect(asked.code).toBe('SEVERAL_SPEEDS');
    expect(asked.choices.map(({ words }) => words)).toEqual(['3163 Hz from 14 to 20 s', '3339 Hz from 0 to 6 s']);
    const second = await of(asked.choices[1]?.answer ?? {}, ...parts);
    if (second.kind !== 'recording') throw new Error(second.kind);
    expect(second.tone.meanErrorPercent).toBeCloseTo(6, 1);
    expect((await of({ asIs: true }, ...parts)).kind).toBe('recording');
  });

  it('that begins late is as long as its tone: under ten seconds is short, under two turns too short for wow', async () => {
    const warned = async (seconds: number) => {
      const late = await of({}, new Float64Array(RATE * 7), tone(3150, 0.4, seconds));
      return late.kind === 'recording' ? late.tone.warnings.filter((one) => /SHORT/.test(one)) : late.kind;
    };
    expect(await warned(11)).toEqual([]);
    expect(await warned(8)).toEqual(['SHORT']);
    expect(await warned(3)).toEqual(['SHORT', 'WOW_TOO_SHORT']);
  });
});

describe('the speed played', () => {
  it('is named: a 33⅓ band at 45 is 1.35 of its pitch', () => {
    expect(speedPlayed(100 * (4252.5 / 3150 - 1))).toMatchObject({ words: 'a 33⅓ rpm band played at 45 rpm' });
    expect(speedPlayed(35.2)?.errorPercent).toBeCloseTo(0.148, 2);
    expect(speedPlayed(-25.9)?.words).toBe('a 45 rpm band played at 33⅓ rpm');
    expect(speedPlayed(99)?.words).toContain('double');
    expect(speedPlayed(3)).toBeNull();
  });
});
