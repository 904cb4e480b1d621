import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { memorySource, writeWav } from '../../formats/index.js';
import { gaussian, seeded } from '../../numeric/index.js';
import { measureWav } from './measure.js';
import type { MeasuredTone } from './result.js';
import { synthTone, type SynthTone } from './synth.js';

const RATE = 16000;

async function measure(wish: Partial<SynthTone>, nominalHz = 3150): Promise<MeasuredTone> {
  const samples = synthTone({ sampleRate: RATE, durationS: 12, nominalHz, snrDb: 50, ...wish });
  const result = await measureWav(memorySource(writeWav([samples], wish.sampleRate ?? RATE)), { nominalHz });
  if (result.kind !== 'measured') throw new Error(result.kind);
  return result;
}

const refusal = async (channels: readonly Float64Array[]) => {
  const result = await measureWav(memorySource(writeWav(channels, RATE, 'f32')), { nominalHz: 3150 });
  return result.kind === 'unusable' ? result.reason : 'measured';
};

describe('test tone', () => {
  it('finds the mean error within a millionth, whatever the wow', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.double({ min: -6, max: 6, noNaN: true }),
        fc.double({ min: 0.02, max: 0.5, noNaN: true }),
        async (errorPercent, wow) => {
          const tone = await measure({
            errorPercent,
            lines: [
              { hz: 0.5556, peakPercent: wow },
              { hz: 5.1, peakPercent: wow / 3 },
            ],
          });
          expect(Math.abs(tone.meanErrorPercent - errorPercent)).toBeLessThan(1e-4);
          expect(Math.abs(tone.meanErrorPercent - errorPercent)).toBeLessThan(tone.meanErrorExpandedUncertaintyPercent);
        },
      ),
      { numRuns: 6 },
    );
  });

  it('reads lines by frequency and size, largest first', async () => {
    const tone = await measure({
      durationS: 30,
      lines: [
        { hz: 0.5556, peakPercent: 0.2 },
        { hz: 5.3, peakPercent: 0.05 },
        { hz: 100, peakPercent: 0.1 },
      ],
    });
    expect(tone.lines.map((line) => Number(line.frequencyHz.toFixed(2)))).toEqual([0.56, 100, 5.3]);
    expect(tone.lines[0]?.peakPercent).toBeCloseTo(0.2, 3);
    expect(tone.unweightedRmsPercent).toBeCloseTo(Math.hypot(0.2, 0.05, 0.1) / Math.SQRT2, 2);
  });

  it('calls drift the last tenth less the first', async () => {
    const tone = await measure({ rampPercent: 1, durationS: 30 });
    expect(tone.driftPercent).toBeCloseTo(0.9, 2);
    expect(tone.meanErrorPercent).toBeCloseTo(0, 3);
    expect(tone.warnings).toContain('DRIFTING');
  });

  it('finds the tone on the channel that has it, after silence and noise', async () => {
    const tone = synthTone({ sampleRate: RATE, durationS: 8, nominalHz: 3150, errorPercent: 1, leadInS: 3, snrDb: 40 });
    const normal = gaussian(seeded(2));
    const hiss = Float64Array.from(tone, () => 0.2 * normal());
    const result = await measureWav(memorySource(writeWav([hiss, tone], RATE)), { nominalHz: 3150 });
    expect(result).toMatchObject({ kind: 'measured', tone: { channel: 1 } });
    if (result.kind !== 'measured') return;
    expect(result.tone.startS).toBeCloseTo(3, 1);
    expect(result.meanErrorPercent).toBeCloseTo(1, 3);
  });

  it('leaves dropouts out without a bias', async () => {
    const samples = synthTone({ sampleRate: RATE, durationS: 12, nominalHz: 3150, errorPercent: 0.7, snrDb: 50 });
    for (const at of [3, 6.2, 9.1]) samples.fill(0, at * RATE, (at + 0.04) * RATE);
    const result = await measureWav(memorySource(writeWav([samples], RATE)), { nominalHz: 3150 });
    if (result.kind !== 'measured') throw new Error(result.kind);
    expect(result.tone.dropouts).toBe(3);
    expect(Math.abs(result.meanErrorPercent - 0.7)).toBeLessThan(1e-4);
    expect(result.unweightedPeakPercent).toBeLessThan(0.05);
  });

  it('warns of clipping, of a short recording, of another speed and of a 3000 Hz tape', async () => {
    expect((await measure({ amplitude: 1.6 })).warnings).toContain('CLIPPED');
    expect((await measure({ durationS: 2 })).warnings).toContain('SHORT');
    expect((await measure({ errorPercent: 35, sampleRate: 44100, durationS: 4 })).warnings).toContain(
      'OTHER_SPEED_SELECTED',
    );
    expect((await measure({ errorPercent: -4.76 })).warnings).toContain('MAYBE_3000_HZ_TAPE');
  });

  it('includes the reference only when it is given', async () => {
    const bytes = writeWav([synthTone({ sampleRate: RATE, durationS: 12, nominalHz: 3150, snrDb: 50 })], RATE);
    const without = await measureWav(memorySource(bytes), { nominalHz: 3150 });
    const withIt = await measureWav(memorySource(bytes), { nominalHz: 3150, referenceUncertaintyPercent: 0.35 });
    if (without.kind !== 'measured' || withIt.kind !== 'measured') throw new Error('not measured');
    expect(without.warnings).toContain('REFERENCE_NOT_INCLUDED');
    expect(withIt.warnings).not.toContain('REFERENCE_NOT_INCLUDED');
    expect(withIt.meanErrorExpandedUncertaintyPercent).toBeCloseTo(0.35, 3);
  });

  it('does not care where the tone starts in its cycle nor how loud it is', async () => {
    const one = await measure({ errorPercent: 0.4, phaseRad: 0, amplitude: 0.9 });
    const other = await measure({ errorPercent: 0.4, phaseRad: 2, amplitude: 0.05 });
    expect(Math.abs(one.meanErrorPercent - other.meanErrorPercent)).toBeLessThan(1e-4);
  });

  it('refuses silence, noise, a sweep and a snippet, each by name', async () => {
    const normal = gaussian(seeded(5));
    const seconds = (s: number) => new Float64Array(s * RATE);
    expect(await refusal([seconds(5)])).toBe('SILENT');
    expect(await refusal([seconds(5).map(() => 0.2 * normal())])).toBe('NO_TONE');
    expect(
      await refusal([seconds(5).map((_, n) => Math.sin((2 * Math.PI * (2000 + (n / RATE) * 300) * n) / RATE))]),
    ).toMatch(/NOT_STEADY|NO_TONE/);
    expect(await refusal([synthTone({ sampleRate: RATE, durationS: 0.2, nominalHz: 3150 })])).toBe('TOO_SHORT');
  });

  it('stops when asked', async () => {
    const bytes = writeWav([synthTone({ sampleRate: RATE, durationS: 5, nominalHz: 3150 })], RATE);
    const result = await measureWav(memorySource(bytes), { nominalHz: 3150, onProgress: () => false });
    expect(result).toEqual({ kind: 'unusable', reason: 'STOPPED' });
  });

  it('tells how far it is: never back, never past the whole, a tenth when the tone is found, all at the end', async () => {
    const bytes = writeWav([synthTone({ sampleRate: RATE, durationS: 60, nominalHz: 3150 })], RATE);
    const told: number[] = [];
    await measureWav(memorySource(bytes), { nominalHz: 3150, onProgress: (done) => void told.push(done) });
    expect(told[0]).toBeCloseTo(0.1, 9);
    expect(told.at(-1)).toBe(1);
    expect(told.length).toBeGreaterThan(3);
    for (let i = 1; i < told.length; i++) expect(told[i]).toBeGreaterThanOrEqual(told[i - 1] as number);
    expect(Math.max(...told)).toBe(1);
    // Reading and listening take seven tenths of it.
    expect(Math.max(...told.slice(0, -1))).toBeLessThanOrEqual(0.8 + 1e-9);
  });
});
