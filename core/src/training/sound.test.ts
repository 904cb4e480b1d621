/** The microphone of the practice bench: its recording, measured like any other, comes to the speed the machine runs at. */
import { describe, expect, it } from 'vitest';
import { memorySource, writeWav } from '../formats/index.js';
import { PRACTICE_MACHINES } from '../practice/index.js';
import { listenWav, type SoundWish } from '../speed/index.js';
import { jobWith, OFF, ON, visit } from './training.test-data.js';
import { measureAt, placesOf, type PracticeSound } from './index.js';

const cleaner = (...faults: string[]) => jobWith('vacuum-cleaner', 'vacuum', faults);
const record = (job: ReturnType<typeof cleaner>, setting: string, ...lines: Parameters<typeof visit>[1][]) => {
  const on = visit(job, ...lines);
  const [place] = placesOf(on, 'sound');
  if (!place) throw new Error('nothing of it sounds');
  return { on, ...measureAt(on, 'sound', place, { setting }, 3) };
};
const measured = async ({ samples, sampleRate }: PracticeSound, wish: Partial<SoundWish>) => {
  const result = await listenWav(memorySource(writeWav([samples], sampleRate)), {
    lines: 'blades',
    count: 7,
    minRpm: 1000,
    maxRpm: 45_000,
    nominalRpm: null,
    reversing: false,
    ...wish,
  });
  return result.kind === 'measured' ? result.meanRpm : NaN;
};
describe('the motor’s sound', () => {
  it('of a cleaner at both settings is measured at the speed of its shaft', async () => {
    for (const setting of ['high', 'low']) {
      const { on, sound, done } = record(cleaner(), setting, ON());
      const rpm = on.unit.see('shaft.rpm', { setting }).mean;
      expect(done.words).toBe('8\u202fs of its sound');
      expect(await measured(sound as PracticeSound, {})).toBeCloseTo(rpm, -2);
    }
  }, 30_000);

  it('what is off, or stands, is silent; a dry bearing and worn brushes are louder between the lines', () => {
    expect(record(cleaner(), 'high', ON(), OFF())).toMatchObject({
      sound: null,
      done: { words: 'nothing is heard to turn' },
    });
    expect(record(cleaner('seized'), 'high', ON()).sound).toBeNull();
    const rms = (...faults: string[]) => {
      const { sound } = record(cleaner(...faults), 'high', ON());
      const samples = sound?.samples ?? new Float64Array(1);
      // What changes from one sample to the next but one is mostly noise.
      return Math.sqrt(samples.reduce((sum, one, i) => sum + (one - (samples[i - 1] ?? one)) ** 2, 0) / samples.length);
    };
    expect(rms('bearing-dry')).toBeGreaterThan(1.2 * rms());
  });

  it('every machine with brushes or a fan sounds of parts that it has', () => {
    const sounding = PRACTICE_MACHINES.filter(({ sounds }) => sounds.length > 0);
    expect(sounding.map(({ id }) => id)).toEqual(
      expect.arrayContaining(['mixer', 'vacuum', 'turntable-dc', 'cassette-deck']),
    );
    for (const machine of sounding)
      for (const { quantity } of machine.sounds)
        expect(
          machine.unit([], 4).see(quantity, { setting: machine.settings.at(-1) ?? '' }).mean,
          machine.id,
        ).toBeGreaterThan(100);
  });
});
