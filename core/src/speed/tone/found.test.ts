/** Where a tone is, where it jumps, what wobbles in it and what was added to it: each piece alone, by what was put in. */
import { describe, expect, it } from 'vitest';
import { gaussian, seeded, withoutKernel } from '../../numeric/index.js';
import { addedWords, withoutAdded } from './added.js';
import type { Baseband } from './baseband.js';
import { flutterSpectrum } from './display.js';
import { rotationOf } from '../rotation/track.js';
import { budget } from './budget.js';
import { fitLinesAndTrend, slowNoise, wanderHz } from './lines.js';
import { phaseTrack, type PhaseTrack } from './phase.js';
import { findStretches, wrap } from './presence.js';
import { stepIn } from './splice.js';
import { fitTrend, meanHz } from './trend.js';

const TAU = 2 * Math.PI;
const range = (count: number, make: (i: number) => number) => Float64Array.from({ length: count }, (_, i) => make(i));

describe('a step of the pitch', () => {
  const levels = (...parts: readonly (readonly [number, number])[]) =>
    parts.flatMap(([count, hz]) => Array.from({ length: count }, (_, i) => hz * (1 + 1e-5 * (i % 2))));

  it('of half a percent is found where it is, up or down', () => {
    expect(stepIn(levels([40, 3150], [60, 3165.75]), 0.1)).toBe(40);
    expect(stepIn(levels([60, 3165.75], [40, 3150]), 0.1)).toBe(60);
  });

  it('is none under a fifth of a percent, or with less than 1.5 s on either side', () => {
    // 0.19 % and 0.21 %.
    expect(stepIn(levels([50, 3150], [50, 3156]), 0.1)).toBeNull();
    expect(stepIn(levels([50, 3150], [50, 3156.7]), 0.1)).toBe(50);
    expect(stepIn(levels([8, 3150], [50, 3200]), 0.1)).toBeNull();
    expect(stepIn(levels([15, 3150], [50, 3200]), 0.1)).toBe(15);
    expect(stepIn(levels([50, 3200], [8, 3150]), 0.1)).toBeNull();
    expect(stepIn(levels([50, 3200], [15, 3150]), 0.1)).toBe(50);
    // Too short for two sides at all.
    expect(stepIn(levels([14, 3150], [15, 3200]), 0.1)).toBeNull();
  });

  it('is no run-up and no drift: they are a line, or take longer than a second', () => {
    expect(
      stepIn(
        Array.from({ length: 100 }, (_, i) => 3150 + 0.2 * i),
        0.1,
      ),
    ).toBeNull();
    // From one speed to another within four seconds.
    const slow = Array.from({ length: 100 }, (_, i) => 3150 + Math.min(20, Math.max(0, (i - 30) / 2)));
    expect(stepIn(slow, 0.1)).toBeNull();
    // Within half a second it is one.
    const quick = Array.from({ length: 100 }, (_, i) => 3150 + Math.min(20, Math.max(0, 4 * (i - 50))));
    expect(stepIn(quick, 0.1)).not.toBeNull();
  });
});

/** A tone of amplitude 0.5, `offHz` off the centre, as long as it stands there. */
const bandOf = (
  seconds: number,
  of: (t: number) => { readonly level?: number; readonly offHz?: number } = () => ({}),
): Baseband => {
  const rate = 2000;
  const count = seconds * rate;
  const amplitude = new Float32Array(count);
  const phase = new Float64Array(count);
  let at = 0;
  for (let i = 0; i < count; i++) {
    const { level = 0.5, offHz = 1 } = of(i / rate);
    at += (TAU * offHz) / rate;
    amplitude[i] = level;
    phase[i] = wrap(at);
  }
  return { rate, centreHz: 3150, halfBandHz: 450, amplitude, phase };
};

describe('stretches of tone', () => {
  it('an angle is brought between −π and π', () => {
    expect(wrap(0.5)).toBe(0.5);
    expect(wrap(TAU + 0.5)).toBeCloseTo(0.5, 12);
    expect(wrap(-4)).toBeCloseTo(TAU - 4, 12);
  });

  it('one tone is one stretch, 6 ms short of either end of the recording', () => {
    const [one, ...more] = findStretches(bandOf(4), 0.5);
    expect(more).toEqual([]);
    expect(one).toMatchObject({ start: 12, end: 8000 - 12, dropouts: 0 });
    expect(one?.usable.includes(0)).toBe(false);
  });

  it('a gap of up to half a second is a dropout in it, a longer one ends it; the longest comes first', () => {
    const gap = (from: number, to: number) =>
      findStretches(
        bandOf(6, (t) => (t >= from && t < to ? { level: 0 } : {})),
        0.5,
      );
    const short = gap(2, 2.4);
    expect(short).toHaveLength(1);
    expect(short[0]?.dropouts).toBe(1);
    // What is left out: the gap and 4 ms on either side, 0.408 s of 2000 samples a second.
    expect(short[0]?.usable.filter((one) => one === 0).length).toBeCloseTo(816, -1);
    const long = gap(2, 2.6);
    expect(long.map(({ start, end }) => [start, end])).toEqual([
      [5200, 11988],
      [12, 4000],
    ]);
    expect(
      findStretches(
        bandOf(1, () => ({ level: 0 })),
        0.5,
      ),
    ).toEqual([]);
  });

  it('two gaps are two dropouts, two near each other are one', () => {
    const of = (second: number) =>
      findStretches(
        bandOf(4, (t) => ((t >= 1 && t < 1.1) || (t >= second && t < second + 0.1) ? { level: 0 } : {})),
        0.5,
      )[0]?.dropouts;
    expect(of(2)).toBe(2);
    expect(of(1.1035)).toBe(1);
  });

  it('goes on where the level pumps slowly, and leaves out what jumps to less than half or more than twice', () => {
    const pumping = findStretches(
      bandOf(8, (t) => ({ level: 0.5 * (1 + 0.6 * Math.sin((TAU * t) / 8)) })),
      0.5,
    );
    expect(pumping).toHaveLength(1);
    expect(pumping[0]?.dropouts).toBe(0);
    const jump = (level: number) =>
      findStretches(
        bandOf(4, (t) => (t >= 2 && t < 2.05 ? { level } : {})),
        0.5,
      )[0]?.dropouts;
    expect([jump(0.24), jump(0.26), jump(0.99), jump(1.01)]).toEqual([1, 0, 0, 1]);
  });

  it('is not taken for one where it is fainter than 3 % or louder than six times, or off by 8 %', () => {
    const held = (level: number, offHz = 1) =>
      findStretches(
        bandOf(1, () => ({ level, offHz })),
        0.5,
      ).length;
    expect([held(0.014), held(0.016), held(2.9), held(3.1)]).toEqual([0, 1, 1, 0]);
    // 8 % of 3150 Hz are 252.
    expect([held(0.5, 245), held(0.5, 260), held(0.5, -245), held(0.5, -260)]).toEqual([1, 0, 1, 0]);
  });

  it('is the same on plain loops as on compiled ones', async () => {
    const bands = [245, 260, -245, -260, 1].map((offHz) => bandOf(2, () => ({ offHz })));
    const gapped = bandOf(4, (t) => (t > 1 && t < 1.2 ? { level: 0 } : { offHz: t < 3 ? 40 : -40 }));
    const all = () => [...bands, gapped].map((band) => findStretches(band, 0.5));
    expect(await withoutKernel(() => Promise.resolve(all()))).toEqual(all());
  });

  it('noise of the same level is no tone', () => {
    const noise = gaussian(seeded(8));
    const band = bandOf(2);
    band.phase.forEach((_, i) => (band.phase[i] = wrap(3 * noise())));
    expect(findStretches(band, 0.5)).toEqual([]);
  });
});

describe('lines in the phase', () => {
  const RATE = 500;
  const trackOf = (seconds: number, phase: (t: number) => number): PhaseTrack => ({
    rate: RATE,
    startS: 0,
    centreHz: 3150,
    phase: range(seconds * RATE, (n) => phase(n / RATE)),
    usable: new Uint8Array(seconds * RATE).fill(1),
  });
  const wow = (t: number, hz: number, percent: number) => ((percent / 100) * 3150 * Math.sin(TAU * hz * t)) / hz;

  it('are found with their frequencies and sizes, and no more than there are', () => {
    const noise = gaussian(seeded(2));
    const track = trackOf(30, (t) => TAU * 2 * t + wow(t, 0.5556, 0.1) + wow(t, 8.3, 0.02) + 0.01 * noise());
    const fit = fitLinesAndTrend(track);
    // What is left of a line of 5.7 radians may show as another of some hundred thousandths of a percent.
    const lines = fit.lines.filter(({ hz, cos, sin }) => (Math.hypot(cos, sin) * hz * 100) / 3150 > 1e-4);
    expect(lines.map(({ hz }) => hz).sort((a, b) => a - b)).toEqual([
      expect.closeTo(0.5556, 3),
      expect.closeTo(8.3, 2),
    ]);
    for (const { hz, cos, sin } of lines)
      // A speed of p percent at f hertz is a phase of p·3150/(100 f), radians.
      expect((Math.hypot(cos, sin) * hz * 100) / 3150).toBeCloseTo(hz > 5 ? 0.02 : 0.1, 3);
    expect(meanHz(track, fit.curve)).toBeCloseTo(3152, 3);
  });

  it('noise alone has none, and no bend', () => {
    for (const seed of [1, 2, 3, 4, 5]) {
      const noise = gaussian(seeded(seed));
      const fit = fitLinesAndTrend(trackOf(20, () => 0.05 * noise()));
      expect(fit.lines).toEqual([]);
      expect(fit.curve).toHaveLength(2);
    }
  });

  it('a drift is a curve, not a line of once in the whole', () => {
    const noise = gaussian(seeded(6));
    const fit = fitLinesAndTrend(trackOf(20, (t) => 0.5 * t * t + 0.01 * noise()));
    expect(fit.lines).toEqual([]);
    expect(fit.curve.length).toBe(3);
  });

  it('noise a sample is what was put in, when it is white', () => {
    const noise = gaussian(seeded(4));
    const track = trackOf(60, () => 0.05 * noise());
    expect(slowNoise(track, track.phase) / 0.05 ** 2).toBeGreaterThan(0.8);
    expect(slowNoise(track, track.phase) / 0.05 ** 2).toBeLessThan(1.6);
  });

  it('parts that differ no more than the noise allows wander by nothing; others by their scatter over √8', () => {
    const noise = gaussian(seeded(9));
    const still = trackOf(16, () => 0.05 * noise());
    expect(wanderHz(still, still.phase)).toBe(0);
    // Eight parts of two seconds, each at ±0.1 Hz: 0.1/√8.
    const zigzag = trackOf(16, (t) => {
      const part = Math.floor(t / 2);
      return (part % 2 === 0 ? 1 : -1) * TAU * 0.1 * (t - 2 * part) + 0.001 * noise();
    });
    expect(wanderHz(zigzag, zigzag.phase)).toBeCloseTo(0.1 / Math.sqrt(8), 3);
    // In the budgets of a tone of 50 Hz and of a shaft of 50 turns a second: of the nominal, percent.
    const track = { ...zigzag, centreHz: 50 };
    const fit = { ...fitTrend(track, 1, []), residual: zigzag.phase };
    const wanted = 0.1 / Math.sqrt(8) / 0.5;
    const tone = budget(track, fit, { nominalHz: 50 }, 50, 0);
    const shaft = rotationOf(track, fit, { nominalRpm: 3000, extraParts: [], warnings: [], noise: 'flat' }).uncertainty;
    for (const parts of [tone, shaft])
      expect(parts.find(({ name }) => name === 'wander')?.standardPercent).toBeCloseTo(wanted, 2);
    // Too little to cut into parts.
    expect(wanderHz(still, still.phase.subarray(0, 100))).toBe(0);
  });

  it('the spectrum shows a sine of 0.1 % peak as 0.1 % where it is, and nothing beside', () => {
    const track = trackOf(40, () => 0);
    const spectrum = flutterSpectrum(
      track,
      range(40 * RATE, (n) => 0.1 * Math.sin((TAU * 3.3 * n) / RATE)),
    );
    const top = spectrum.peakPercent.reduce(
      (best, value, i) => (value > (spectrum.peakPercent[best] ?? 0) ? i : best),
      0,
    );
    expect(spectrum.frequencyHz[top]).toBeCloseTo(3.3, 1);
    expect(spectrum.peakPercent[top]).toBeCloseTo(0.1, 3);
    spectrum.frequencyHz.forEach((hz, i) => {
      if (Math.abs(hz - 3.3) > 0.3) expect(spectrum.peakPercent[i]).toBeLessThan(0.001);
    });
    // From 0.2 to 200 Hz, rising.
    expect(spectrum.frequencyHz[0]).toBeGreaterThan(0.19);
    expect(spectrum.frequencyHz.at(-1)).toBeLessThanOrEqual(200);
    expect(spectrum.frequencyHz.at(-1)).toBeGreaterThan(195);
    for (let i = 1; i < spectrum.frequencyHz.length; i++)
      expect(spectrum.frequencyHz[i]).toBeGreaterThan(spectrum.frequencyHz[i - 1] as number);
  });
});

describe('tones that were added', () => {
  /** Tone of 0.5 at 3150 Hz beside one of `level` of it at `hz`; the tone's own flutter is `percent` at 4 Hz. */
  const mixed = (hz: number, level: number, percent = 0, [hz2, level2] = [0, 0]): Baseband => {
    const band = bandOf(10);
    for (let i = 0; i < band.phase.length; i++) {
      const t = i / band.rate;
      const own = ((percent / 100) * 3150 * Math.sin(TAU * 4 * t)) / 4;
      const [a, b, c] = [own, TAU * (hz - 3150) * t, TAU * (hz2 - 3150) * t];
      const re = 0.5 * (Math.cos(a) + level * Math.cos(b) + level2 * Math.cos(c));
      const im = 0.5 * (Math.sin(a) + level * Math.sin(b) + level2 * Math.sin(c));
      band.amplitude[i] = Math.hypot(re, im);
      band.phase[i] = Math.atan2(im, re);
    }
    return band;
  };
  const taken = (band: Baseband) => {
    const [stretch] = findStretches(band, 0.5);
    if (!stretch) throw new Error('no tone');
    const track = phaseTrack(band, stretch);
    const fit = fitLinesAndTrend(track);
    return { stretch, found: withoutAdded(band, stretch, track, fit, meanHz(track, fit.curve)) };
  };

  it('are named by their frequency and level, above the tone and below it', () => {
    for (const hz of [3150 + 50, 3150 - 50, 3150 + 120.3]) {
      const { stretch, found } = taken(mixed(hz, 0.01));
      expect(found?.added).toHaveLength(1);
      expect(found?.added[0]?.hz).toBeCloseTo(hz, 3);
      expect(found?.added[0]?.levelDb).toBeCloseTo(-40, 2);
      // What is left is the tone alone: its level no longer beats, its phase stands.
      const within = [stretch.start + 200, stretch.end - 200] as const;
      const left = found?.band.amplitude.subarray(...within) ?? new Float32Array();
      expect(Math.max(...left) - Math.min(...left)).toBeLessThan(0.5 * 1e-4);
      for (const one of found?.band.phase.subarray(...within) ?? [NaN]) expect(Math.abs(one)).toBeLessThan(1e-4);
    }
  });

  it('are told the louder first; what lies nearer than four hertz to a louder one is its own wobble', () => {
    const both = (hz: number) =>
      taken(mixed(hz, 0.02, 0, [3200, 0.01])).found?.added.map((one) => [one.hz, one.levelDb].map(Math.round));
    expect(both(3030)).toEqual([
      [3030, -34],
      [3200, -40],
    ]);
    expect(both(3203)?.map(([hz]) => hz)).toEqual([3203]);
  });

  it('are none where the tone only flutters, or they are 55 dB down', () => {
    expect(taken(mixed(3200, 0, 0.1)).found).toBeNull();
    expect(taken(mixed(3200, 0.001)).found).toBeNull();
  });

  it('a multiple of the mains is hum of it, by the hertz that it is near', () => {
    const mains = (hz: number) => taken(mixed(hz, 0.02)).found?.added[0]?.mainsHz;
    // 3000 is the 60th of 50: no more than 40 are looked at. 3060 is the 51st of 60.
    expect(mains(3000)).toBeNull();
    expect(mains(3100)).toBeNull();
  });

  it('read as hum or a second tone, with their level', () => {
    expect(addedWords({ hz: 60, levelDb: -20.4, mainsHz: 60 })).toBe('hum 60 Hz, −20 dB');
    expect(addedWords({ hz: 2987.6, levelDb: -31.6, mainsHz: null })).toBe('a second tone 2988 Hz, −32 dB');
    expect(addedWords({ hz: 150, levelDb: 0.2, mainsHz: 50 })).toBe('hum 150 Hz, 0 dB');
  });
});
