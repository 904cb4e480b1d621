/**
 * What counts as wow and flutter, and how large: IEC 60386:1972 and AES6-2008 take 0.2 to 200 Hz for the peak
 * figure (from memory). A sine of peak a has peak 0.9969 a by the 2-sigma rule (the value exceeded 5 % of the
 * time: sin of 85.5 degrees; exact mathematics) and r.m.s. a / √2. Truths are the tones' own recipes.
 */
import { describe, expect, it } from 'vitest';
import { memorySource, writeWav } from '../src/formats/index.js';
import { measureWav, synthTone } from '../src/speed/index.js';

const NOMINAL_HZ = 3150;
const RATE = 16000;
const PEAK = 0.2;

async function flutterOf(hz: number, durationS: number) {
  const lines = [{ hz, peakPercent: PEAK }];
  const samples = synthTone({ sampleRate: RATE, durationS, nominalHz: NOMINAL_HZ, lines });
  const tone = await measureWav(memorySource(writeWav([samples], RATE, 'f32')), { nominalHz: NOMINAL_HZ });
  if (tone.kind !== 'measured') throw new Error(tone.kind);
  return tone;
}

describe('the band of wow and flutter, 0.2 to 200 Hz', () => {
  it.each([0.5, 4, 55.5, 150, 180])('a line at %d Hz inside it counts in full', async (hz) => {
    const tone = await flutterOf(hz, 20);
    expect(tone.unweightedPeakPercent / (0.9969 * PEAK)).toBeGreaterThan(0.97);
    expect(tone.unweightedPeakPercent / (0.9969 * PEAK)).toBeLessThan(1.03);
  });

  it('a line at 210 Hz beyond it does not count; one at 0.1 Hz, an octave below, falls at least as behind one resistor and one capacitor', async () => {
    expect((await flutterOf(210, 20)).unweightedPeakPercent).toBeLessThan(0.03 * PEAK);
    expect((await flutterOf(0.1, 60)).unweightedPeakPercent).toBeLessThan(PEAK / Math.sqrt(1 + 2 ** 2));
  });

  it('0.3 Hz counts in the peak figure and not in the r.m.s., which begins at 0.5 Hz (AES6-2008, from memory)', async () => {
    const tone = await flutterOf(0.3, 60);
    expect(tone.unweightedPeakPercent).toBeGreaterThan(0.9 * PEAK);
    expect(tone.unweightedRmsPercent).toBeLessThan(0.15 * PEAK);
    const above = await flutterOf(1, 30);
    expect(above.unweightedRmsPercent / (PEAK / Math.SQRT2)).toBeCloseTo(1, 2);
  });
});

describe('the lines of the spectrum', () => {
  it.each([
    [0.5556, 0.12],
    [5.3, 0.2],
    [33.3, 0.05],
  ])('a sine of %d Hz and %d percent peak is one line of that height at that place', async (hz, peakPercent) => {
    const samples = synthTone({ sampleRate: RATE, durationS: 40, nominalHz: NOMINAL_HZ, lines: [{ hz, peakPercent }] });
    const tone = await measureWav(memorySource(writeWav([samples], RATE, 'f32')), { nominalHz: NOMINAL_HZ });
    if (tone.kind !== 'measured') throw new Error(tone.kind);
    const largest = [...tone.lines].sort((a, b) => b.peakPercent - a.peakPercent)[0];
    expect(largest?.frequencyHz).toBeCloseTo(hz, 2);
    expect((largest?.peakPercent ?? 0) / peakPercent).toBeGreaterThan(0.98);
    expect((largest?.peakPercent ?? 0) / peakPercent).toBeLessThan(1.02);
    // The drawn spectrum stands as high as the line says, within the scallop of its window.
    const { frequencyHz, peakPercent: drawn } = tone.spectrum;
    const near = Array.from(drawn).filter((_, i) => Math.abs((frequencyHz[i] as number) / hz - 1) < 0.2);
    expect(Math.max(...near) / peakPercent).toBeGreaterThan(0.8);
    expect(Math.max(...near) / peakPercent).toBeLessThan(1.1);
  });
});
