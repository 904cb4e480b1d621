/** Turns at uneven times put on an even clock: cubic interpolation, exact on cubics (exact mathematics). */
import { describe, expect, it } from 'vitest';
import { gaussian, seeded } from '../../numeric/index.js';
import { measureGyro } from './gyro.js';
import { measurePulses } from './pulses.js';
import type { Rotation } from './result.js';
import { trackOf } from './track.js';

const count = (n: number, of: (i: number) => number) => Float64Array.from({ length: n }, (_, i) => of(i));
/** Uneven times from a thousand seconds on, the last at a whole tenth. */
const timeS = count(41, (i) => 1000 + i / 10 + (i % 4 === 0 ? 0 : 0.02 * Math.sin(7 * i)));
const turnsAt = (t: number) => 3 * t + 0.2 * t ** 2 - 0.01 * t ** 3;

describe('turns at uneven times', () => {
  it('give the phase against the centre at even ones, wherever the clock began', () => {
    const track = trackOf({ timeS, turns: timeS.map((t) => turnsAt(t - 1000)) }, 50, 3.2);
    expect([track.startS, track.rate, track.centreHz, track.phase.length]).toEqual([1000, 50, 3.2, 201]);
    expect([...track.usable]).toEqual(Array(201).fill(1));
    track.phase.forEach((phase, n) => {
      const t = n / 50;
      expect(phase).toBeCloseTo(2 * Math.PI * (turnsAt(t) - 3.2 * t), 8);
    });
  });

  it('lean on four neighbours: what is wrong at one time is felt two steps away, and no farther', () => {
    const still = timeS.map((t) => t - 1000);
    const wrong = still.map((t, i) => (i === 20 ? t + 0.3 : t));
    const [plain, bent] = [still, wrong].map((turns) => trackOf({ timeS, turns }, 50, 1).phase);
    plain?.forEach((phase, n) => {
      const felt = Math.abs((bent?.[n] ?? NaN) - phase) > 1e-9;
      if (Math.abs(n / 50 - 2) > 0.23) expect(felt, String(n)).toBe(false);
      if (n === 100 || n === 96) expect(felt, String(n)).toBe(true);
    });
  });

  it('of a whole number of steps keep the last; a part of a step is left out', () => {
    const length = (endS: number) =>
      trackOf({ timeS: count(5, (i) => (i * endS) / 4), turns: count(5, (i) => i) }, 10, 0).phase.length;
    expect([length(4), length(4.05), length(4.1)]).toEqual([41, 41, 42]);
  });
});

describe('the noise of the source', () => {
  const RPM = 33.3;
  /** Flutter of half a hertz to six, three tenths of a percent r.m.s. in forty waves. */
  const random = seeded(5);
  const waves = Array.from({ length: 40 }, (_, i) => ({ hz: 0.53 + i * 0.137, at: 2 * Math.PI * random() }));
  const each = 0.003 * Math.sqrt(2 / waves.length);
  const peakOf = (result: { kind: string }) =>
    result.kind === 'measured' ? ((result as unknown as Rotation).unweightedPeakPercent ?? NaN) : NaN;
  const mean = (of: (seed: number) => number) => (of(1) + of(2) + of(3)) / 3;

  const byGyro = (noisePart: number, seed: number) => {
    const normal = gaussian(seeded(seed));
    const rows = Array.from({ length: 8300 }, (_, i) => {
      const flutter = waves.reduce((sum, { hz, at }) => sum + each * Math.sin(2 * Math.PI * hz * (i / 100) + at), 0);
      const rate = 6 * RPM * ((i < 300 ? 0 : 1 + flutter) + noisePart * normal());
      return `${(i / 100).toFixed(2)},0,0,${rate.toFixed(5)}`;
    });
    return peakOf(measureGyro(`time,x (deg/s),y (deg/s),z (deg/s)\n${rows.join('\n')}`, { nominalRpm: RPM }));
  };
  const byPulses = async (perTurn: number, jitterS: number, seed: number) => {
    const normal = gaussian(seeded(seed));
    const hz = (RPM / 60) * perTurn;
    const shift = (t: number) =>
      waves.reduce((sum, wave) => {
        const w = 2 * Math.PI * wave.hz;
        return sum - (each / w) * (Math.cos(w * t + wave.at) - Math.cos(wave.at));
      }, 0);
    const times = Array.from({ length: Math.floor(80 * hz) }, (_, n) => {
      let t = n / hz;
      for (let i = 0; i < 5; i++) t = n / hz - shift(t);
      return (t + jitterS * normal()).toFixed(8);
    });
    return peakOf(await measurePulses(times.join('\n'), { perTurn, nominalRpm: RPM }));
  };

  it('of a gyroscope, up to three times the flutter, makes its figure no greater', () => {
    const alone = byGyro(0, 1);
    // What 0.3 % r.m.s. stays under for 95 % of the time: about two deviations.
    expect(alone).toBeGreaterThan(0.5);
    expect(alone).toBeLessThan(0.65);
    expect(Math.abs(byGyro(0.003, 1) / alone - 1)).toBeLessThan(0.05);
    expect(Math.abs(mean((seed) => byGyro(0.01, seed)) / alone - 1)).toBeLessThan(0.1);
  });

  it('of edges, jitter as large as the flutter, neither adds to it nor takes it away', async () => {
    const [fine, finest] = [await byPulses(60, 1e-4, 1), await byPulses(60, 0, 1)];
    expect(Math.abs(fine / finest - 1)).toBeLessThan(0.12);
    const seeds = await Promise.all([1, 2, 3].map((seed) => byPulses(60, 3e-4, seed)));
    expect(Math.abs(seeds.reduce((sum, one) => sum + one, 0) / 3 / finest - 1)).toBeLessThan(0.2);
    const [few, none] = [await byPulses(12, 1e-4, 1), await byPulses(12, 0, 1)];
    expect(Math.abs(few / none - 1)).toBeLessThan(0.15);
  });
});
