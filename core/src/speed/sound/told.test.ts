/** What is told of a motor that was heard: drift, series, runs, odds, warnings, each of a sound that was made so. */
import { describe, expect, it } from 'vitest';
import { memorySource, writeWav } from '../../formats/index.js';
import { linesPerTurn, listenWav, type SoundWish } from './measure.js';
import type { MeasuredSound } from './result.js';
import { synthMotor, type SynthMotor } from './synth.js';

const RATE = 32_000;
const WISH: SoundWish = { lines: 'blades', count: 7, minRpm: 6000, maxRpm: 30_000, nominalRpm: null, reversing: false };
const wav = (motor: Partial<SynthMotor>) =>
  writeWav(
    [
      synthMotor({
        sampleRate: RATE,
        durationS: 6,
        rpmAt: () => 12_000,
        linesPerTurn: 7,
        harmonics: [0.2, 0.1, 0.05],
        shaft: [0.03],
        noise: 0.02,
        ...motor,
      }),
    ],
    RATE,
  );
const result = (motor: Partial<SynthMotor>, wish: Partial<SoundWish> = {}) =>
  listenWav(memorySource(wav(motor)), { ...WISH, ...wish });
const heard = async (...args: Parameters<typeof result>): Promise<MeasuredSound> => {
  const found = await result(...args);
  if (found.kind !== 'measured') throw new Error(found.reason);
  return found;
};

describe('lines a turn', () => {
  it('blades and pole pairs as they are, odd bars twice, one a turn once', () => {
    expect([
      linesPerTurn('blades', 7),
      linesPerTurn('pole pairs', 3),
      linesPerTurn('bars', 3),
      linesPerTurn('bars', 12),
      linesPerTurn('once a turn', 9),
    ]).toEqual([7, 3, 6, 12, 1]);
  });
});

describe('a steady motor', () => {
  it('has no drift, no warning, one stretch; its candidate says which line it was heard by', async () => {
    const found = await heard({});
    expect(found.meanRpm / 12_000).toBeCloseTo(1, 4);
    expect(Math.abs(found.driftPercent ?? 9)).toBeLessThan(0.02);
    expect(found.warnings).toEqual([]);
    expect(found).toMatchObject({ lines: 'blades', linesPerTurn: 7, nominalRpm: null });
    const [best, ...others] = found.candidates;
    expect(best?.share).toBeGreaterThan(0.95);
    for (const { share } of others) expect(share).toBeLessThan(0.05);
    // 12,000 a minute of seven blades are 1400 Hz.
    expect(best?.why).toBe('1400 Hz from 7 lines a turn (blades)');
  });

  it('has its series against the nominal, a tenth of a second a step', async () => {
    const found = await heard({}, { nominalRpm: 10_000 });
    expect(found.series.stepS).toBeCloseTo(0.1, 6);
    expect(found.series.startS).toBeCloseTo(0.2, 6);
    for (const error of found.series.errorPercent) expect(error).toBeCloseTo(20, 0);
    // 5.6 s of starts each tenth and the first.
    expect(found.series.errorPercent).toHaveLength(57);
  });

  it('is known to two parts in ten thousand a frame at best, of frames that share no samples, and the clock', async () => {
    const { uncertainty } = await heard({ noise: 1e-4 }, { clockLimitPercent: 0.1 });
    // 57 frames of a tenth are 14.25 of 0.4 s: 0.02/√14.25.
    expect(uncertainty[0]?.name).toBe('noise');
    expect(uncertainty[0]?.standardPercent).toBeCloseTo(0.02 / Math.sqrt(14.25), 6);
    expect(uncertainty[1]).toMatchObject({ name: 'clock', standardPercent: expect.closeTo(0.1 / Math.sqrt(3), 9) });
    expect(uncertainty[1]?.why).toContain('±1000 ppm');
    const usual = await heard({ noise: 1e-4 });
    expect(usual.uncertainty[1]?.standardPercent).toBeCloseTo(0.01 / Math.sqrt(3), 9);
  });
});

describe('a motor that changes', () => {
  it('that slows by four percent drifts so much less a tenth, and is told to change', async () => {
    const found = await heard({ rpmAt: (t) => 12_000 * (1 - (0.04 * t) / 6) });
    expect(found.driftPercent).toBeLessThan(-3);
    expect(found.driftPercent).toBeGreaterThan(-4);
    expect(found.warnings).toContain('CHANGING_SPEED');
    const little = await heard({ rpmAt: (t) => 12_000 * (1 - (0.02 * t) / 6) });
    expect(little.warnings).not.toContain('CHANGING_SPEED');
  });

  it('that stops between stands still there, has two stretches and no drift; to and fro by their turn', async () => {
    const motor = { durationS: 9, rpmAt: (t: number) => (t > 3.5 && t < 5.5 ? 0 : 12_000) };
    const silent = { ...motor, noise: 1e-5 };
    const found = await heard(silent, { reversing: true });
    expect(found.stretches).toHaveLength(2);
    expect(found.stretches.map(({ rpm }) => Math.sign(rpm))).toEqual([1, -1]);
    for (const { rpm } of found.stretches) expect(Math.abs(rpm) / 12_000).toBeCloseTo(1, 3);
    expect(found.driftPercent).toBeNull();
    expect(found.warnings).toContain('SENSE_ASSUMED');
    // In the middle of the pause.
    const middle = Math.round((4.5 - found.series.startS) / found.series.stepS);
    expect(found.series.errorPercent[middle]).toBe(-100);
    const same = await heard(silent);
    expect(same.stretches.map(({ rpm }) => Math.sign(rpm))).toEqual([1, 1]);
    expect(same.warnings).not.toContain('SENSE_ASSUMED');
  });
});

describe('what cannot be told', () => {
  it('silence, less than a second, noise, a stop, a range upside down', async () => {
    const reason = async (...args: Parameters<typeof result>) => {
      const found = await result(...args);
      return found.kind === 'unusable' ? found.reason : found.kind;
    };
    expect(await reason({ harmonics: [0], shaft: [0], noise: 0 })).toBe('SILENT');
    expect(await reason({ durationS: 0.5 })).toBe('TOO_SHORT');
    expect(await reason({ harmonics: [0], shaft: [0], noise: 0.1 })).toBe('NO_HARMONICS');
    expect(await reason({}, { onProgress: () => false })).toBe('STOPPED');
    await expect(result({}, { minRpm: 0 })).rejects.toThrow();
    await expect(result({}, { maxRpm: 6000 })).rejects.toThrow();
    await expect(result({}, { count: 0 })).rejects.toThrow();
    await expect(result({}, { count: 2.5 })).rejects.toThrow();
  });

  it('how far it is goes up to the end', async () => {
    const told: number[] = [];
    await result({ durationS: 12 }, { onProgress: (done) => void told.push(done) });
    for (let i = 1; i < told.length; i++) expect(told[i]).toBeGreaterThan(told[i - 1] as number);
    expect(Math.max(...told.slice(0, -1))).toBeLessThanOrEqual(0.6);
    expect(told.at(-1)).toBe(0.95);
  });
});
