/**
 * Recordings of few turns, made from the motion: a wave that is there two or three times is that wave, not a drift with a
 * crowd of others, and what is told holds the truth as often as it says.
 */
import { describe, expect, it } from 'vitest';
import { memorySource, writeWav } from '../../formats/index.js';
import { gaussian, seeded } from '../../numeric/index.js';
import { measurePulses } from '../rotation/pulses.js';
import { measureWav } from './measure.js';
import { synthTone, type SynthTone } from './synth.js';

const RATE = 8000;
async function measured(wish: Partial<SynthTone>) {
  const samples = synthTone({ sampleRate: RATE, durationS: 6, nominalHz: 3000, errorPercent: 0.5, ...wish });
  const tone = await measureWav(memorySource(writeWav([samples], RATE)), {
    nominalHz: 3000,
    referenceUncertaintyPercent: 0,
  });
  if (tone.kind !== 'measured') throw new Error(tone.kind);
  return tone;
}

describe('wow of few cycles', () => {
  // Seconds, hertz of the wow, percent that the speed rises meanwhile.
  it.each([
    [4, 0.5556, 0],
    [4, 0.5556, 0.3],
    [5, 0.45, 0],
    [5, 0.7, 0.3],
    [6, 0.5556, 0],
    [6, 0.45, 0.3],
    [8, 0.35, 0],
    [8, 0.5556, 0.3],
  ])('%d s of one of %d Hz, %d %% of drift', async (durationS, hz, rampPercent) => {
    for (const snrDb of [35, 60]) {
      const lines = [
        { hz, peakPercent: 0.2, phaseRad: 1 },
        { hz: 8.3, peakPercent: 0.05 },
      ];
      const tone = await measured({ durationS, rampPercent, snrDb, lines, seed: 3 });
      expect(Math.abs(tone.meanErrorPercent - 0.5)).toBeLessThan(0.001);
      expect(tone.lines[0]?.frequencyHz).toBeCloseTo(hz, 2);
      expect(tone.lines[0]?.peakPercent).toBeCloseTo(0.2, 2);
      expect(tone.lines.filter((one) => one.peakPercent > 0.01)).toHaveLength(2);
      // From the first tenth to the last nine tenths of the way.
      expect(tone.driftPercent).toBeCloseTo(0.9 * rampPercent, 1);
    }
  });
});

describe('the uncertainty', () => {
  const between = (random: () => number, low: number, high: number) => low + (high - low) * random();

  it('of a tone of six seconds holds the truth: recorders off by up to 100 ppm, wow and flutter of all kinds', async () => {
    let held = 0;
    for (let seed = 1; seed <= 30; seed++) {
      const random = seeded(50_000 + seed);
      const [truth, clock] = [between(random, -3, 3), between(random, -1e-4, 1e-4)];
      const tone = await measured({
        errorPercent: 100 * ((1 + truth / 100) * (1 + clock) - 1),
        snrDb: between(random, 20, 50),
        seed,
        lines: [
          { hz: between(random, 0.4, 1), peakPercent: between(random, 0, 0.3), phaseRad: between(random, 0, 6) },
          { hz: between(random, 3, 12), peakPercent: between(random, 0, 0.1) },
        ],
      });
      if (Math.abs(tone.meanErrorPercent - truth) <= tone.meanErrorExpandedUncertaintyPercent) held++;
    }
    // 95 of 100 are asked for; of thirty 26 or fewer come once in a hundred times.
    expect(held).toBeGreaterThanOrEqual(27);
  });

  it('of five turns of sixty pulses too', async () => {
    let held = 0;
    for (let seed = 1; seed <= 60; seed++) {
      const [random, normal] = [seeded(77 * seed), gaussian(seeded(seed))];
      const [hz, clock] = [between(random, 0.5, 0.6), between(random, -1e-4, 1e-4)];
      const [w, size, at] = [2 * Math.PI * between(random, 0.2, 0.9), between(random, 0, 0.003), between(random, 0, 6)];
      const times = Array.from({ length: 301 }, (_, n) => {
        let t = n / 60 / hz;
        for (let i = 0; i < 6; i++) t = n / 60 / hz + (size / w) * (Math.cos(w * t + at) - Math.cos(at));
        return t * (1 + clock) + 2e-4 * normal();
      });
      const text = times.map((t) => t.toFixed(9)).join('\n');
      const result = await measurePulses(text, { perTurn: 60, nominalRpm: 33 });
      if (result.kind !== 'measured') throw new Error(result.kind);
      const off = result.meanErrorPercent - 100 * ((60 * hz) / 33 - 1);
      if (Math.abs(off) <= result.meanErrorExpandedUncertaintyPercent) held++;
    }
    expect(held).toBeGreaterThanOrEqual(54);
  });

  it('what jumps about is no wave: a sound with moments lost keeps its mean', async () => {
    for (const seed of [12, 19, 21, 25]) {
      const random = seeded(91 * seed);
      const at = 6 * random();
      const lost = Array.from({ length: 20 }, () => 2.5 * random()).sort((a, b) => a - b);
      const by = lost.map(() => (random() - 0.5) / 3160);
      const [w, size] = [2 * Math.PI * 0.55, 0.001];
      const times = Array.from({ length: 7900 }, (_, n) => {
        const jumped = by.reduce((sum, one, i) => sum + ((lost[i] as number) < n / 3160 ? one : 0), n / 3160);
        return jumped + (size / w) * (Math.cos((w * n) / 3160 + at) - Math.cos(at));
      });
      const text = times
        .sort((a, b) => a - b)
        .map((t) => t.toFixed(9))
        .join('\n');
      const result = await measurePulses(text, { perTurn: 6, nominalRpm: 31_600, asIs: true });
      if (result.kind !== 'measured') throw new Error(result.kind);
      // Half a pulse at each of twenty moments, and a turn and a third of wow.
      expect(Math.abs(result.meanErrorPercent)).toBeLessThan(0.1);
    }
  });
});
