/** A band played at another speed: the figure that is filed is the one of the speed that ran. */
import { describe, expect, it } from 'vitest';
import { memorySource, writeWav } from '../../formats/index.js';
import { measureWav } from '../tone/index.js';
import { synthTone } from '../tone/synth.js';
import { runOfTone } from './make.js';
import { atPlayedSpeed, playedOf } from './played.js';

const runAt = async (errorPercent: number) => {
  const samples = synthTone({ sampleRate: 16000, durationS: 15, nominalHz: 3150, errorPercent, lines: [], snrDb: 50 });
  const tone = await measureWav(memorySource(writeWav([samples], 16000)), {
    nominalHz: 3150,
    referenceUncertaintyPercent: 0.12,
  });
  if (tone.kind !== 'measured') throw new Error(tone.kind);
  return runOfTone(tone);
};

describe('45 on a 33 record', () => {
  it('is asked about, and taken at 45 it is the error of 45', async () => {
    // The platter turns at 45 x 1.002 rpm: the 33 1/3 band sounds 1.35 x 1.002 as high.
    const run = await runAt(100 * (1.35 * 1.002 - 1));
    const played = playedOf(run);
    expect(played).toMatchObject({ playedRpm: 45, words: 'a 33⅓ rpm band played at 45 rpm' });
    if (!played) return;
    const again = atPlayedSpeed(run, played);
    expect(again.errorPercent).toBeCloseTo(0.2, 3);
    expect(again.nominal).toBeCloseTo(4252.5, 6);
    expect(again.mean).toBe(run.mean);
    expect(again.warnings).not.toContain('OTHER_SPEED_SELECTED');
    // The test record's +-U is a percent of whatever it sounds at.
    expect(again.expandedPercent).toBeCloseTo(run.expandedPercent / 1.35, 9);
    const drifting = (driftPercent: number | null) => atPlayedSpeed({ ...run, driftPercent }, played).driftPercent;
    expect([drifting(null), drifting(0.27)]).toEqual([null, expect.closeTo(0.2, 9) as number]);
    const middle = again.series?.errorPercent[100] ?? NaN;
    expect(middle).toBeCloseTo(0.2, 1);
  });

  it('is not asked for a unit that is merely slow', async () => {
    expect(playedOf(await runAt(-2))).toBeNull();
    expect(playedOf(await runAt(0.1))).toBeNull();
  });
});
