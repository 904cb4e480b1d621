/** The meter on the compiled inner loops and on the plain ones: the same figures. */
import { describe, expect, it } from 'vitest';
import { memorySource, readWavHeader, wavSamples, writeWav } from '../../formats/index.js';
import { seeded, withoutKernel } from '../../numeric/index.js';
import { listenWav } from '../sound/measure.js';
import { synthMotor } from '../sound/synth.js';
import { measureWav } from './measure.js';
import { synthTone } from './synth.js';

const noise = (length: number, seed: number): Float64Array => {
  const random = seeded(seed);
  return Float64Array.from({ length }, () => random() - 0.5);
};

const furthest = (a: Float64Array, b: Float64Array): number =>
  a.reduce((worst, value, i) => Math.max(worst, Math.abs(value - (b[i] as number))), a.length === b.length ? 0 : 1);

describe('decoding', () => {
  it('reads 16-bit words at any place and channel', async () => {
    const [left, right] = [noise(5000, 8), noise(5000, 9)];
    const bytes = writeWav([left, right], 48000);
    for (const shift of [0, 1]) {
      const moved = new Uint8Array(bytes.length + shift);
      moved.set(bytes, shift);
      const source = memorySource(moved.subarray(shift));
      const layout = await readWavHeader(source);
      if (layout.kind === 'unusable') throw new Error(layout.reason);
      const read = async () => (await wavSamples(source, layout).read(7, 4900, [1]))[0]?.slice() as Float64Array;
      const samples = await read();
      expect(samples).toEqual(await withoutKernel(read));
      expect(furthest(samples, right.slice(7, 4907))).toBeLessThan(1 / 32768);
    }
  });
});

describe('the whole meter', () => {
  const lines = [
    { hz: 0.5556, peakPercent: 0.1 },
    { hz: 6.3, peakPercent: 0.05 },
  ];
  const clean = synthTone({ sampleRate: 44100, durationS: 12, nominalHz: 3150, errorPercent: 0.4, lines });
  const gapped = clean.map((value, n) => (n % 90000 > 4000 ? value : 0));

  it.each([
    ['a clean tone', clean],
    ['one with gaps', gapped],
  ])('says the same of %s on plain and on compiled loops', async (_, samples) => {
    const bytes = memorySource(writeWav([samples], 44100));
    const work = () => measureWav(bytes, { nominalHz: 3150 });
    const [compiled, plain] = [await work(), await withoutKernel(work)];
    if (compiled.kind !== 'measured' || plain.kind !== 'measured') throw new Error('not measured');
    expect(compiled.meanHz).toBeCloseTo(plain.meanHz, 8);
    for (const name of [
      'unweightedPeakPercent',
      'weighted2SigmaPercent',
      'weightedQuasiPeakPercent',
      'weightedRmsPercent',
      'driftPercent',
    ] as const)
      expect(compiled[name]).toBeCloseTo(plain[name], 7);
    expect(compiled.lines.map((line) => line.frequencyHz.toFixed(6))).toEqual(
      plain.lines.map((line) => line.frequencyHz.toFixed(6)),
    );
    expect(
      furthest(Float64Array.from(compiled.series.errorPercent), Float64Array.from(plain.series.errorPercent)),
    ).toBeLessThan(1e-6);
    expect(
      furthest(Float64Array.from(compiled.spectrum.peakPercent), Float64Array.from(plain.spectrum.peakPercent)),
    ).toBeLessThan(1e-6);
  });
});

describe('listening without a tone', () => {
  it('says the same of a slowing fan on plain and on compiled loops', async () => {
    const motor = synthMotor({
      sampleRate: 44100,
      durationS: 4,
      rpmAt: (t) => 12000 - 300 * t,
      linesPerTurn: 7,
      harmonics: [0.2, 0.1],
      noise: 0.03,
    });
    const bytes = memorySource(writeWav([motor], 44100));
    const wish = {
      lines: 'blades',
      count: 7,
      minRpm: 1000,
      maxRpm: 40000,
      nominalRpm: null,
      reversing: false,
    } as const;
    const work = () => listenWav(bytes, wish);
    const [compiled, plain] = [await work(), await withoutKernel(work)];
    if (compiled.kind !== 'measured' || plain.kind !== 'measured') throw new Error('not measured');
    expect(Math.abs(compiled.meanRpm / 11400 - 1)).toBeLessThan(0.002);
    expect(compiled.meanRpm).toBeCloseTo(plain.meanRpm, 6);
    expect(compiled.candidates.map((one) => one.rpm.toFixed(3))).toEqual(
      plain.candidates.map((one) => one.rpm.toFixed(3)),
    );
  });
});
