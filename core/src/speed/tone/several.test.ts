import { describe, expect, it } from 'vitest';
import { memorySource, wavSamples, writeWav, readWavHeader } from '../../formats/index.js';
import { findBands, matchNominals, measureBands } from './several.js';
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

  it('bad files give none', async () => {
    expect(await measureBands(memorySource(new Uint8Array(10)), { nominalHz: 3150 }, 0)).toEqual([]);
  });

  it('share one speed: 5 % slow of 3150, 1000 and 300 is not a 3000 Hz tape', () => {
    expect(matchNominals([3150 * 0.95, 950, 285], 3150)).toEqual([3150, 1000, 300]);
    expect(matchNominals([3000, 1000], 3150)).toEqual([3000, 1000]);
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
