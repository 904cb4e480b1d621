/** Holes in a tone: moments that a machine delivers late, in which the tone stands still, and dropouts of a tape, over which it goes on. */
import { describe, expect, it } from 'vitest';
import { memorySource, writeWav } from '../../formats/index.js';
import { measureWav } from './measure.js';
import { synthTone } from './synth.js';

const RATE = 16000;
const ERROR = 0.32;
const SECONDS = 10;

/** Its error and expanded uncertainty, percent, and what the holes have in it, measured with a clock known to 1 ppm. */
async function measured(samples: Float64Array) {
  const tone = await measureWav(memorySource(writeWav([samples], RATE)), { nominalHz: 3150, clockLimitPercent: 1e-4 });
  if (tone.kind !== 'measured') throw new Error(tone.kind);
  const counting = tone.uncertainty.find(({ name }) => name === 'counting');
  return {
    off: tone.meanErrorPercent - ERROR,
    expanded: tone.meanErrorExpandedUncertaintyPercent,
    holes: tone.tone.dropouts,
    counting,
  };
}
const whole = () =>
  synthTone({ sampleRate: RATE, durationS: SECONDS, nominalHz: 3150, errorPercent: ERROR, snrDb: 50 });

/** Silence put between, so that the tone goes on where it stood. */
function late(count: number, lengthS: number): Float64Array {
  const tone = whole();
  const gap = Math.round(lengthS * RATE);
  const out = new Float64Array(tone.length + count * gap);
  const every = Math.floor(tone.length / (count + 1));
  for (let i = 0; i <= count; i++)
    out.set(tone.subarray(i * every, i === count ? tone.length : (i + 1) * every), i * (every + gap));
  return out;
}

describe('moments that come late', () => {
  // 10.16 ms of a tone of 3160 Hz are 32.1 turns: a tenth is lost or won at each hole. Of 31,600 turns.
  it.each([
    [20, 0.01016],
    [20, 0.0102],
    [20, 0.0104],
    [8, 0.0207],
  ])('%i of %f s shift the mean by less than is said', async (count, lengthS) => {
    const { off, expanded, holes, counting } = await measured(late(count, lengthS));
    expect(holes).toBe(count);
    expect(Math.abs(off)).toBeLessThan(expanded);
    // Half a turn each, of 3160.08 Hz times its length; a rectangle's standard uncertainty is its half width by root three.
    const lengthAll = SECONDS + count * lengthS;
    // The first and last moments, over which the filter runs in and out, are not measured.
    const half = (100 * count) / 2 / (3150 * lengthAll) / Math.sqrt(3);
    expect((counting?.standardPercent ?? 0) / half).toBeCloseTo(1, 1);
    expect(counting?.standardPercent).toBeGreaterThanOrEqual(half);
    expect(counting?.why).toBe(`half a turn of the tone at each of ${count} holes`);
  });

  it('without them nothing of it stands in the budget', async () => {
    const { off, counting, holes } = await measured(whole());
    expect([holes, counting]).toEqual([0, undefined]);
    expect(Math.abs(off)).toBeLessThan(1e-4);
  });

  it('a tape’s dropouts, over which the tone goes on, shift nothing', async () => {
    const tone = whole();
    for (let i = 1; i <= 10; i++) tone.fill(0, i * 14_000, i * 14_000 + 240);
    const { off, expanded, holes } = await measured(tone);
    expect(holes).toBe(10);
    expect(Math.abs(off)).toBeLessThan(2e-4);
    expect(expanded).toBeLessThan(0.02);
  });
});
