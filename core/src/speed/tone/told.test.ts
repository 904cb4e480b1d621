/** What is told of a tone besides its flutter: mean, parts of its uncertainty, warnings, each worked by hand. */
import { describe, expect, it } from 'vitest';
import { sourceOf } from '../../formats/channels.test-data.js';
import type { Baseband } from './baseband.js';
import { evaluateStretches, measureTone } from './measure.js';
import type { ToneOptions } from './options.js';
import { findStretches } from './presence.js';
import type { MeasuredTone } from './result.js';

const TAU = 2 * Math.PI;
/** A tone one percent fast of 3150 Hz, as long as wanted; silent where told. */
function bandOf(seconds: number, silent: (t: number) => boolean = () => false): Baseband {
  const rate = 2000;
  const count = Math.round(seconds * rate);
  const [amplitude, phase] = [new Float32Array(count), new Float64Array(count)];
  for (let i = 0; i < count; i++) {
    const turn = (TAU * 31.5 * i) / rate;
    amplitude[i] = silent(i / rate) ? 0 : 0.5;
    phase[i] = turn - TAU * Math.round(turn / TAU);
  }
  return { rate, centreHz: 3150, halfBandHz: 450, amplitude, phase };
}
const OPTIONS: ToneOptions = { nominalHz: 3150, referenceUncertaintyPercent: 0.1, clockLimitPercent: 0.02 };
const FOUND = { channel: 1, snrDb: 50, clipped: false };
function told(band: Baseband, options: Partial<ToneOptions> = {}, found: Partial<typeof FOUND> = {}): MeasuredTone {
  const result = evaluateStretches(band, findStretches(band, 0.5), { ...FOUND, ...found }, { ...OPTIONS, ...options });
  if (result.kind !== 'measured') throw new Error(result.kind);
  return result;
}
const part = ({ uncertainty }: MeasuredTone, name: string) =>
  uncertainty.find((one) => one.name === name)?.standardPercent ?? null;

describe('a tone of twelve seconds, one percent fast', () => {
  const tone = told(bandOf(12));

  it('has its mean and its error, no drift, nothing to warn of', () => {
    expect(tone.meanHz).toBeCloseTo(3181.5, 4);
    expect(tone.meanErrorPercent).toBeCloseTo(1, 6);
    expect(tone.driftPercent).toBeCloseTo(0, 4);
    expect(tone.warnings).toEqual([]);
    expect(tone.tone).toMatchObject({ channel: 1, snrDb: 50, clipped: false, dropouts: 0 });
    expect(tone.tone.startS).toBeCloseTo(0.006, 6);
    expect(tone.tone.endS).toBeCloseTo(11.994, 6);
    expect(tone.tone).not.toHaveProperty('lossyLimitPercent');
  });

  it('is as sure as clock and tape: limits of a rectangle, half of the tape’s U, of a speed one percent larger', () => {
    expect(part(tone, 'clock')).toBeCloseTo((1.01 * 0.02) / Math.sqrt(3), 9);
    expect(part(tone, 'reference')).toBeCloseTo((1.01 * 0.1) / 2, 9);
    expect(part(tone, 'noise')).toBeLessThan(1e-4);
    expect(part(tone, 'wander')).toBeNull();
    expect(part(tone, 'counting')).toBeNull();
    expect(tone.meanErrorExpandedUncertaintyPercent).toBeCloseTo(2 * 1.01 * Math.hypot(0.02 / Math.sqrt(3), 0.05), 4);
    const why = (name: string) => tone.uncertainty.find((one) => one.name === name)?.why;
    expect(why('clock')).toContain('±200 ppm');
    expect(why('reference')).toContain('U = 0.1 %');
    // A sound card’s usual clock where nothing is said: 100 ppm.
    const { clockLimitPercent: _none, ...bare } = OPTIONS;
    const usual = evaluateStretches(bandOf(12), findStretches(bandOf(12), 0.5), FOUND, bare) as MeasuredTone;
    expect(part(usual, 'clock')).toBeCloseTo((1.01 * 0.01) / Math.sqrt(3), 9);
  });

  it('through a clock that is a hundred ppm slow is so much faster', () => {
    const corrected = told(bandOf(12), { clockCorrectionPpm: 100 });
    expect(corrected.meanHz).toBeCloseTo(3181.5 * 1.0001, 4);
    expect(corrected.meanErrorPercent).toBeCloseTo(100 * (1.01 * 1.0001 - 1), 6);
  });
});

describe('what is warned of', () => {
  it('less than ten seconds, less than two turns of a record', () => {
    expect(told(bandOf(10.1)).warnings).toEqual([]);
    expect(told(bandOf(9.9)).warnings).toEqual(['SHORT']);
    expect(told(bandOf(3.7)).warnings).toEqual(['SHORT']);
    const short = told(bandOf(3.5));
    expect(short.warnings).toEqual(['SHORT', 'WOW_TOO_SHORT']);
    // A wow of 0.2 % peak once in 1.8 s, over 3.47 s or so of phase: 0.2/(π · 0.5556 · 3.47) either way.
    expect(part(short, 'wander')).toBeCloseTo(0.2 / (Math.PI * (2 / 3.6) * 3.47) / Math.sqrt(3), 3);
  });

  it('a noisy one, a clipped one, a lossy one, a tape nobody knows', () => {
    expect(told(bandOf(12), {}, { snrDb: 29.9 }).warnings).toEqual(['NOISY']);
    expect(told(bandOf(12), {}, { snrDb: 30 }).warnings).toEqual([]);
    expect(told(bandOf(12), {}, { clipped: true }).warnings).toEqual(['CLIPPED']);
    const lossy = told(bandOf(12), { lossy: true });
    expect(lossy.warnings).toEqual(['LOSSY']);
    expect(lossy.tone.lossyLimitPercent).toBeLessThan(0.001);
    const unknown = told(bandOf(12), { referenceUncertaintyPercent: null });
    expect(unknown.warnings).toEqual(['REFERENCE_NOT_INCLUDED']);
    expect(part(unknown, 'reference')).toBeNull();
  });

  it('holes: half a turn of the tone each, all the same way', () => {
    const holed = told(bandOf(12, (t) => (t > 4 && t < 4.1) || (t > 8 && t < 8.1)));
    expect(holed.warnings).toEqual(['DROPOUTS']);
    expect(holed.tone.dropouts).toBe(2);
    // 2 · half a turn of 3181.5 a second over 12 s.
    expect(part(holed, 'counting')).toBeCloseTo((1.01 * ((100 * 2) / 2 / (3181.5 * 11.95))) / Math.sqrt(3), 5);
  });
});

describe('a tone that comes and goes', () => {
  const RATE = 16_000;
  const played = (...parts: readonly (readonly [number, number])[]) => {
    let phase = 0;
    return Float64Array.from(
      parts.flatMap(([hz, seconds]) =>
        Array.from({ length: Math.round(seconds * RATE) }, () => {
          phase += (TAU * hz) / RATE;
          return hz > 0 ? 0.4 * Math.sin(phase) : 0;
        }),
      ),
    );
  };

  it('is measured piece by piece: their mean by length, with their scatter', async () => {
    // 2 s, 1.5 s two parts in a thousand faster, 1.5 s; more of it outside of the longest than in it.
    const source = sourceOf(RATE, played([3150, 2], [0, 1], [3156.3, 1.5], [0, 1], [3150, 1.5]));
    const tone = await measureTone(source, OPTIONS);
    if (tone.kind !== 'measured') throw new Error(tone.kind);
    expect(tone.warnings).toContain('IN_PIECES');
    const mean = (2 * 3150 + 1.5 * 3156.3 + 1.5 * 3150) / 5;
    expect(Math.abs(tone.meanHz - mean)).toBeLessThan(0.1);
    const scatter = tone.uncertainty.filter(({ name }) => name === 'wander').at(-1);
    const square = (3.5 * (3150 / mean - 1) ** 2 + 1.5 * (3156.3 / mean - 1) ** 2) / 5;
    expect(scatter?.why).toBe('scatter of 3 pieces');
    expect(scatter?.standardPercent).toBeCloseTo(100 * Math.sqrt(square / 2), 3);
    expect(tone.meanErrorPercent).toBeCloseTo(100 * (tone.meanHz / 3150 - 1), 9);
  });

  it('a piece of another pitch is none of it', async () => {
    const source = sourceOf(RATE, played([3150, 2], [0, 1], [3265, 1.5], [0, 1], [3150, 1.5]));
    const tone = await measureTone(source, OPTIONS);
    if (tone.kind !== 'measured') throw new Error(tone.kind);
    expect(tone.uncertainty.map(({ why }) => why)).toContain('scatter of 2 pieces');
    expect(Math.abs(tone.meanHz - 3150)).toBeLessThan(0.1);
  });

  it('near half the sampling rate cannot be told from its mirror', async () => {
    const asked = await measureTone(sourceOf(8000, played([3700, 1])), { ...OPTIONS, nominalHz: 3700 });
    expect(asked).toMatchObject({
      code: 'MAYBE_FOLDED',
      message:
        'A tone of 3700 Hz sampled 8000 times a second cannot be told from one at 4300 Hz. Record at 44.1 or 48 kHz.',
    });
  });

  it('with one piece longer than all others together is that piece', async () => {
    const source = sourceOf(RATE, played([3150, 4], [0, 1], [3156.3, 1.5], [0, 1], [3156.3, 1.5]));
    const tone = await measureTone(source, OPTIONS);
    if (tone.kind !== 'measured') throw new Error(tone.kind);
    expect(tone.warnings).not.toContain('IN_PIECES');
    expect(tone.meanHz).toBeCloseTo(3150, 1);
    expect(tone.tone.endS - tone.tone.startS).toBeCloseTo(4, 1);
  });

  it('too short is refused as such, half a second is enough', async () => {
    const kind = async (seconds: number, silence = 0) => {
      const tone = await measureTone(sourceOf(RATE, played([3150, seconds], [0, silence])), OPTIONS);
      return tone.kind === 'unusable' ? tone.reason : tone.kind;
    };
    expect(await kind(0.4)).toBe('TOO_SHORT');
    expect(await kind(0.6)).toBe('measured');
    // A recording long enough whose tone is not: it does not stand.
    expect(await kind(0.4, 2)).toBe('NOT_STEADY');
  });
});
