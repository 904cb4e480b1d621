import { describe, expect, it } from 'vitest';
import { gaussian, seeded } from '../../numeric/index.js';
import { noiseFigures, type NoiseFigures } from '../../speed/index.js';
import type { EventBody } from '../event.js';
import { logOf, testJob } from '../job.test-data.js';
import type { ClipBody, ClipSetup } from './body.js';
import { clipsOf, clipWords, noiseChange } from './noise.js';
import { provingPlan } from './plan.js';

const RATE = 16000;
const noise = gaussian(seeded(12));
const hiss = (amplitude: number): NoiseFigures => {
  const figures = noiseFigures(
    Float64Array.from({ length: 6 * RATE }, () => amplitude * noise()),
    RATE,
  );
  if (!figures) throw new Error('too short');
  return figures;
};
const clip = (amplitude: number, setup: Partial<ClipSetup> = {}): EventBody => ({
  kind: 'clip',
  clipId: '00000000-0000-4000-8000-000000000000',
  setup: { support: 'on foam', distanceCm: 20, device: 'bench microphone', speedId: null, ...setup },
  figures: hiss(amplitude),
});
const LEVEL = { db: -32.1, variance: 0, count: 20 };
const work: EventBody = { kind: 'work', action: 'oil', what: 'the motor' };
const log = logOf('prove');

const changed = (...bodies: readonly EventBody[]) => noiseChange(clipsOf(log(...bodies)));

describe('noise before and after', () => {
  it('a clip says how loud, how it lay, and ticks only where there are some', () => {
    const words = (ticks: NoiseFigures['ticks']) =>
      clipWords({ ...(clip(0.1) as ClipBody), figures: { ...hiss(0.1), aWeighted: LEVEL, ticks } }).replace(
        /\s/gu,
        ' ',
      );
    expect(words(null)).toBe('noise −32.1 dB A-weighted, on foam, 20 cm');
    expect(words({ hz: 4.04, regularity: 0.9 })).toBe('noise −32.1 dB A-weighted, on foam, 20 cm, 4.0 ticks a second');
  });

  it('half the amplitude is 6 dB less, in every octave', () => {
    const change = changed(clip(0.1), work, clip(0.05));
    if (!change || 'refused' in change) throw new Error('not compared');
    expect(change.aWeighted.by).toBeCloseTo(-6.02, 0);
    for (const octave of change.octaves.filter(({ hz }) => hz >= 125))
      expect(Math.abs(octave.by + 6.02), `${octave.hz}`).toBeLessThan(1);
  });

  it('refuses clips held otherwise, and says what differs', () => {
    expect(changed(clip(0.1), work, clip(0.1, { support: 'in the hand' }))).toEqual({
      refused: ['support: on foam and in the hand'],
    });
    expect(changed(clip(0.1), work, clip(0.1, { distanceCm: 40, device: 'phone' }))).toEqual({
      refused: ['distance: 20\u202fcm and 40\u202fcm', 'heard with: bench microphone and phone'],
    });
    expect(changed(clip(0.1), work, clip(0.1, { distanceCm: 21 }))).toHaveProperty('aWeighted');
    expect(changed(clip(0.1), clip(0.1))).toBeNull();
  });

  it('takes an earlier clip of the same set-up where the last one before was held otherwise', () => {
    expect(changed(clip(0.1), clip(0.1, { support: 'in the hand' }), work, clip(0.05))).toHaveProperty('aWeighted');
  });

  it('is owed where it was complained of or kept before; quieter is shown, louder is not', () => {
    const job = testJob('belt-turntable-ac', { complaint: 'It hums.' });
    const noiseOf = (...bodies: readonly EventBody[]) =>
      provingPlan(job, log(...bodies)).checks.find((one) => one.id === 'noise');
    expect(noiseOf(work)).toMatchObject({ status: 'owed', bound: { kind: 'look' } });
    expect(noiseOf(clip(0.1), work)).toMatchObject({ status: 'owed', bound: { kind: 'noise' } });
    expect(noiseOf(clip(0.1), work, clip(0.05))).toMatchObject({ status: 'met' });
    expect(noiseOf(clip(0.1), work, clip(0.2))).toMatchObject({ status: 'bad' });
    expect(noiseOf(clip(0.1), work, clip(0.05, { support: 'clamped' }))).toMatchObject({
      status: 'undecided',
      words: 'not comparable, support: on foam and clamped',
    });
    const silent = testJob('belt-turntable-ac', { complaint: 'Slow.' });
    expect(provingPlan(silent, log(work)).checks.some((one) => one.id === 'noise')).toBe(false);
  });
});
