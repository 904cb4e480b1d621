/** Several tones in one recording, and a tone that is another speed's: which is which. */
import { describe, expect, it } from 'vitest';
import { sourceOf } from '../../formats/channels.test-data.js';
import { gaussian, seeded } from '../../numeric/index.js';
import { findBands, matchNominals } from './several.js';
import { otherSpeed, speedPlayed } from './speedByTone.js';

const RATE = 16_000;
/** Tones one after the other: hertz (0 for silence) and seconds. */
const played = (...parts: readonly (readonly [number, number])[]) => {
  const noise = gaussian(seeded(2));
  let phase = 0;
  return Float64Array.from(
    parts.flatMap(([hz, seconds]) =>
      Array.from({ length: Math.round(seconds * RATE) }, () => {
        phase += (2 * Math.PI * hz) / RATE;
        return (hz > 0 ? 0.4 * Math.sin(phase) : 0) + 1e-4 * noise();
      }),
    ),
  );
};
const bands = async (...parts: readonly (readonly [number, number])[]) =>
  (await findBands(sourceOf(RATE, played(...parts)), 0)).map(({ startS, endS, hz }) => ({
    startS: Number(startS.toFixed(1)),
    endS: Number(endS.toFixed(1)),
    hz: Math.round(hz),
  }));

describe('bands', () => {
  it('are the stretches of one pitch, from a second and a half on, in tenths of a second', async () => {
    const found = await bands([3150, 4], [0, 1], [1000, 3], [300, 1.2], [0, 0.5], [300, 2]);
    expect(found.map(({ hz }) => hz)).toEqual([3150, 1000, 300]);
    const [first, second, third] = found;
    expect(first?.startS).toBe(0);
    expect(Math.abs((first?.endS ?? 0) - 4)).toBeLessThanOrEqual(0.1);
    expect(Math.abs((second?.startS ?? 0) - 5)).toBeLessThanOrEqual(0.1);
    expect(Math.abs((second?.endS ?? 0) - 8)).toBeLessThanOrEqual(0.1);
    // 1.2 s are no band.
    expect(Math.abs((third?.startS ?? 0) - 9.7)).toBeLessThanOrEqual(0.1);
  });

  it('of one pitch with less than half a second between them are one', async () => {
    expect(await bands([3150, 2], [0, 0.3], [3150, 2])).toHaveLength(1);
    expect(await bands([3150, 2], [0, 0.8], [3150, 2])).toHaveLength(2);
  });

  it('a step of two percent in one is two, a fifth of a second left out on either side of it', async () => {
    const found = await bands([3150, 4], [3213, 4]);
    expect(found.map(({ hz }) => hz)).toEqual([3150, 3213]);
    expect((found[1]?.startS ?? 0) - (found[0]?.endS ?? 0)).toBeCloseTo(0.4, 6);
    expect(Math.abs((found[0]?.endS ?? 0) - 3.8)).toBeLessThanOrEqual(0.1);
  });

  it('a pitch four percent away is another band; under 100 Hz there is none', async () => {
    expect((await bands([3150, 2], [3276, 2])).map(({ hz }) => hz)).toEqual([3150, 3276]);
    // Hum in a pause is no band of a tone.
    expect(await bands([60, 3])).toEqual([]);
    expect((await bands([3150, 3], [50, 3])).map(({ hz }) => hz)).toEqual([3150]);
    expect((await bands([110, 3])).map(({ hz }) => hz)).toEqual([110]);
  });
});

describe('the nominal of each band', () => {
  it('is the test tone to which all together give one speed', () => {
    expect(matchNominals([3150, 1000, 300], 3150)).toEqual([3150, 1000, 300]);
    expect(matchNominals([3307, 1050, 315], 3150)).toEqual([3150, 1000, 300]);
    // Alone, 3000 is a 3000 Hz tape on speed sooner than a 3150 Hz one 5 % slow.
    expect(matchNominals([3000], 3000)).toEqual([3000]);
    // A tone of one's own.
    expect(matchNominals([440], 440)).toEqual([440]);
    expect(matchNominals([], 3150)).toEqual([]);
  });
});

describe('another speed than the one said', () => {
  it.each([
    [35, 45, 0],
    [100 * (78.26 / 45 - 1), 78.26, 0],
    [100 * (100 / 3 / 45 - 1), 100 / 3, 0],
    [100, null, 0],
    [-50, null, 0],
    // 2 % fast beside it.
    [100 * (1.35 * 1.02 - 1), 45, 2],
  ])('%d %% is what playing at %s gives, with %d left', (error, rpm, left) => {
    const found = speedPlayed(error);
    expect(found?.playedRpm ?? null).toBe(rpm);
    expect(found?.errorPercent).toBeCloseTo(left, 6);
  });

  it('is none within four percent of none of them', () => {
    expect(speedPlayed(0)).toBeNull();
    expect(speedPlayed(10)).toBeNull();
    expect(speedPlayed(100 * (1.35 * 1.045 - 1))).toBeNull();
    expect(speedPlayed(100 * (1.35 * 1.035 - 1))).not.toBeNull();
  });

  it('3000 for 3150 is the other tape, within six thousandths, and of no other tone', () => {
    const off = (part: number) => 100 * ((1 + part) / 1.05 - 1);
    expect([off(0), off(0.0055), off(-0.0055)].map((error) => otherSpeed(3150, error))).toEqual(
      Array(3).fill('MAYBE_3000_HZ_TAPE'),
    );
    expect([off(0.0065), off(-0.0065)].map((error) => otherSpeed(3150, error))).toEqual([null, null]);
    expect(otherSpeed(1000, off(0))).toBeNull();
    expect(otherSpeed(3150, 35)).toBe('OTHER_SPEED_SELECTED');
  });
});
