import { describe, expect, it } from 'vitest';
import { memorySource, writeWav } from '../../formats/index.js';
import { gaussian, seeded } from '../../numeric/index.js';
import { droopBetween } from './droop.js';
import { linesPerTurn, listenWav, type SoundWish } from './measure.js';
import type { MeasuredSound } from './result.js';
import { synthMotor, type SynthMotor } from './synth.js';

const RATE = 32000;
const WISH: SoundWish = { lines: 'blades', count: 7, minRpm: 100, maxRpm: 40000, nominalRpm: null, reversing: false };

const recorded = (motor: Partial<SynthMotor>) =>
  writeWav(
    [
      synthMotor({
        sampleRate: RATE,
        durationS: 6,
        rpmAt: () => 24000,
        linesPerTurn: 7,
        harmonics: [0.2, 0.1, 0.05],
        shaft: [0.03],
        noise: 0.03,
        ...motor,
      }),
    ],
    RATE,
  );

async function heard(motor: Partial<SynthMotor>, wish: Partial<SoundWish> = {}): Promise<MeasuredSound> {
  const result = await listenWav(memorySource(recorded(motor)), { ...WISH, ...wish });
  if (result.kind !== 'measured') throw new Error(result.reason);
  return result;
}

describe('sound without a tone', () => {
  it.each([
    ['a suction fan', { rpmAt: () => 28000, linesPerTurn: 7 }, { count: 7 }, 28000],
    ['a mixer with twelve bars', { rpmAt: () => 9000, linesPerTurn: 12 }, { lines: 'bars', count: 12 }, 9000],
    ['a three-segment motor', { rpmAt: () => 2400, linesPerTurn: 6 }, { lines: 'bars', count: 3 }, 2400],
    [
      'a drill by its turns',
      { rpmAt: () => 1500, linesPerTurn: 1, harmonics: [0.1, 0.2, 0.1, 0.1, 0.05] },
      { lines: 'once a turn', count: 1 },
      1500,
    ],
  ] as const)('%s: speed within its uncertainty and 0.05 %%', async (_name, motor, wish, rpm) => {
    const result = await heard(motor, wish);
    expect(Math.abs(result.meanRpm / rpm - 1)).toBeLessThan(5e-4);
    expect(result.candidates[0]?.rpm).toBeCloseTo(result.meanRpm, 6);
    // One stretch, from the first moment to the last of six seconds.
    expect(result.stretches).toHaveLength(1);
    expect(result.stretches[0]?.startS).toBeCloseTo(0, 3);
    expect(Math.abs((result.stretches[0]?.endS ?? 0) - 6)).toBeLessThan(0.1);
    expect(result.candidates.reduce((sum, one) => sum + one.share, 0)).toBeLessThanOrEqual(1 + 1e-9);
  });

  it('follows a droop under load between two marks', async () => {
    const result = await heard(
      { durationS: 8, rpmAt: (t) => (t < 4 ? 1500 : 1275), linesPerTurn: 4 },
      { lines: 'pole pairs', count: 4, minRpm: 300, maxRpm: 6000 },
    );
    expect(result.warnings).toContain('CHANGING_SPEED');
    expect(droopBetween(result.series, 2, 6.5)?.droopPercent).toBeCloseTo(15, 1);
    expect(droopBetween(result.series, 2, 60)).toBeNull();
    // The same course a minute later, by marks a minute later.
    const later = { ...result.series, startS: result.series.startS + 60 };
    expect(droopBetween(later, 62, 66.5)?.droopPercent).toBeCloseTo(15, 1);
    expect(droopBetween(later, 2, 66.5)).toBeNull();
  });

  it('measures a tumbling drum run by run, the sign kept and owned up to', async () => {
    const result = await heard(
      { durationS: 12, rpmAt: (t) => (t % 4 < 3 ? 620 : 0), linesPerTurn: 6 },
      { lines: 'pole pairs', count: 6, minRpm: 100, maxRpm: 3000, reversing: true },
    );
    expect(result.stretches.map((one) => Math.round(one.rpm / 10))).toEqual([62, -62, 62]);
    expect(result.warnings).toContain('SENSE_ASSUMED');
    expect(result.driftPercent).toBeNull();
    expect(Math.min(...result.series.errorPercent)).toBe(-100);
  });

  it('does not call one octave certain when two fit', async () => {
    // Two equal lines an octave apart: blades at f and 2f, or the fan at half the speed.
    const result = await heard(
      { linesPerTurn: 4, rpmAt: () => 6000, harmonics: [0, 0.2, 0, 0.2], shaft: [] },
      { count: 4 },
    );
    const rpms = result.candidates.map((one) => Math.round(one.rpm / 100));
    expect(rpms.some((rpm) => rpm === 60 || rpm === 120)).toBe(true);
    if ((result.candidates[0]?.share ?? 0) < 0.95) expect(result.warnings).toContain('OCTAVE_UNSURE');
    else expect(rpms[0]).toBe(120);
  });

  it.each([
    [16_000, 0],
    [16_000, 1e-4],
    [48_000, 0],
  ])(
    'takes nothing for a line that the window leaks of one, in a clean recording: %i Hz, noise %d',
    async (rate, noise) => {
      const normal = gaussian(seeded(4));
      // Two lines a turn at 9000 and 11262 a minute, with and without the turn itself, a recording without room or hiss.
      for (const turnHz of [150, 187.7])
        for (const multiples of [
          [2, 4],
          [2, 4, 1],
          [1, 2, 3, 4, 5, 6],
        ]) {
          const clean = Float64Array.from({ length: 6 * rate }, (_, i) =>
            multiples.reduce(
              (sum, times, k) => sum + (0.3 / (k + 1)) * Math.sin((2 * Math.PI * times * turnHz * i) / rate + k),
              noise * normal(),
            ),
          );
          const result = await listenWav(memorySource(writeWav([clean], rate)), {
            lines: 'blades',
            count: 2,
            minRpm: 6000,
            maxRpm: 12_000,
            nominalRpm: null,
            reversing: false,
          });
          expect(result.kind).toBe('measured');
          if (result.kind !== 'measured') continue;
          expect(Math.abs((result.candidates[0]?.rpm ?? 0) / (60 * turnHz) - 1), `${turnHz} ${multiples}`).toBeLessThan(
            0.003,
          );
        }
    },
  );

  it('refuses noise, silence and a blink of sound by name', async () => {
    const normal = gaussian(seeded(4));
    const noise = writeWav([Float64Array.from({ length: 5 * RATE }, () => 0.1 * normal())], RATE);
    expect(await listenWav(memorySource(noise), WISH)).toEqual({ kind: 'unusable', reason: 'NO_HARMONICS' });
    const silent = writeWav([new Float64Array(3 * RATE)], RATE);
    expect(await listenWav(memorySource(silent), WISH)).toEqual({ kind: 'unusable', reason: 'SILENT' });
    const blink = recorded({ durationS: 0.3 });
    expect(await listenWav(memorySource(blink), WISH)).toEqual({ kind: 'unusable', reason: 'TOO_SHORT' });
    expect(await listenWav(memorySource(new Uint8Array(3)), WISH)).toMatchObject({ kind: 'unusable' });
  });

  it('stops when told to, and refuses a count that is none', async () => {
    const stop = { ...WISH, onProgress: () => false };
    expect(await listenWav(memorySource(recorded({ durationS: 8 })), stop)).toEqual({
      kind: 'unusable',
      reason: 'STOPPED',
    });
    await expect(listenWav(memorySource(recorded({})), { ...WISH, count: 2.5 })).rejects.toThrow(/whole number/);
    await expect(listenWav(memorySource(recorded({})), { ...WISH, minRpm: 500, maxRpm: 400 })).rejects.toThrow(/above/);
  });

  it('counts lines a turn: an odd commutator commutates twice for each bar', () => {
    expect(linesPerTurn('bars', 3)).toBe(6);
    expect(linesPerTurn('bars', 24)).toBe(24);
    expect(linesPerTurn('blades', 9)).toBe(9);
    expect(linesPerTurn('once a turn', 5)).toBe(1);
  });
});
