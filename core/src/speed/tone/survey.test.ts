/** The first look over a recording, by what was put in. */
import { describe, expect, it } from 'vitest';
import { sourceOf } from '../../formats/channels.test-data.js';
import { gaussian, seeded } from '../../numeric/index.js';
import { lookForTone, survey } from './survey.js';

const TAU = 2 * Math.PI;
const range = (count: number, make: (i: number) => number) => Float64Array.from({ length: count }, (_, i) => make(i));

describe('the first look', () => {
  const noise = gaussian(seeded(12));
  const sound = (hz: number, amplitude: number, hiss: number, seconds = 4, rate = 16000) =>
    range(seconds * rate, (n) => amplitude * Math.sin((TAU * hz * n) / rate) + hiss * noise());

  it('finds the tone, how strong it is and how far over the rest', async () => {
    const found = await survey(sourceOf(16000, sound(3100, 0.4, 0.004)), 3150, 'auto');
    if (found.kind !== 'found') throw new Error(found.kind);
    expect(Math.abs(found.frequencyHz - 3100)).toBeLessThan(1);
    expect(found.amplitude).toBeCloseTo(0.4, 2);
    // 0.4²/2 over 0.004²: 37 dB.
    expect(found.snrDb).toBeGreaterThan(35);
    expect(found.snrDb).toBeLessThan(39);
    expect(found.clipped).toBe(false);
  });

  it('takes the channel that has it, or the one that was asked for', async () => {
    const source = sourceOf(16000, sound(0, 0, 0.01), sound(3150, 0.3, 0.01));
    expect(await survey(source, 3150, 'auto')).toMatchObject({ kind: 'found', channel: 1 });
    expect(await survey(source, 3150, 0)).toEqual({ kind: 'no-tone' });
    // Alike within 2 %: the first.
    const same = sound(3150, 0.3, 0.001);
    expect(
      await survey(
        sourceOf(
          16000,
          same,
          same.map((one) => 1.005 * one),
        ),
        3150,
        'auto',
      ),
    ).toMatchObject({
      channel: 0,
    });
    expect(
      await survey(
        sourceOf(
          16000,
          same,
          same.map((one) => 1.05 * one),
        ),
        3150,
        'auto',
      ),
    ).toMatchObject({
      channel: 1,
    });
  });

  it('says silent, no tone, wandering, clipped', async () => {
    expect(await survey(sourceOf(16000, new Float64Array(32000)), 3150, 'auto')).toEqual({ kind: 'silent' });
    expect(await survey(sourceOf(16000, sound(0, 0, 0.1)), 3150, 'auto')).toEqual({ kind: 'no-tone' });
    // From 2600 to 3900 Hz in four seconds.
    const sweep = range(64000, (n) => 0.3 * Math.sin(TAU * (2600 * (n / 16000) + 0.5 * 325 * (n / 16000) ** 2)));
    expect(await survey(sourceOf(16000, sweep), 3150, 'auto')).toEqual({ kind: 'wandering' });
    const flat = sound(3150, 0.5, 0).map((one) => Math.max(-0.45, Math.min(0.45, one)));
    expect(await survey(sourceOf(16000, flat), 3150, 'auto')).toMatchObject({ kind: 'found', clipped: true });
  });

  it('looks between 0.4 and 2.5 times the nominal: 33 in 78 and back', async () => {
    const at = async (hz: number) => (await survey(sourceOf(16000, sound(hz, 0.3, 0.003)), 1000, 'auto')).kind;
    expect([await at(300), await at(410), await at(2470), await at(2900)]).toEqual([
      'no-tone',
      'found',
      'found',
      'no-tone',
    ]);
  });

  it('in a short piece gives its hertz, or nothing', () => {
    const piece = (hz: number, amplitude: number, hiss: number) =>
      lookForTone(sound(hz, amplitude, hiss, 0.25), 16000, 3150);
    expect(piece(3180, 0.3, 0.003)).toBeCloseTo(3180, 0);
    expect(piece(3180, 0, 0.1)).toBeNull();
    expect(piece(3180, 0.00005, 0)).toBeNull();
    // A tone under a third of the power is none to lead a hand.
    expect(piece(3180, 0.1, 0.2)).toBeNull();
  });
});
