/** What the guiding sound plays: which voices, how high, how loud; frequencies and levels from the product's identity, by hand. */
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { guidePlayer } from './guide.js';

interface Param {
  value: number;
  readonly targets: number[];
  /** Steps of notes: the level that is reached, and when. */
  readonly steps: (readonly [value: number, atS: number])[];
}
const param = (): Param & Record<string, unknown> => {
  const targets: number[] = [];
  const steps: (readonly [number, number])[] = [];
  return {
    value: 0,
    targets,
    steps,
    setTargetAtTime(value: number) {
      targets.push(value);
    },
    cancelScheduledValues() {},
    setValueAtTime(value: number, atS: number) {
      targets.push(value);
      steps.push([value, atS]);
    },
    linearRampToValueAtTime(value: number, atS: number) {
      targets.push(value);
      steps.push([value, atS]);
    },
  };
};
class FakeAudio {
  static last: FakeAudio;
  currentTime = 0;
  closed = false;
  readonly destination = {};
  readonly tones: (Param & { stopped: boolean })[] = [];
  readonly gains: Param[] = [];
  constructor() {
    FakeAudio.last = this;
  }
  resume = () => Promise.resolve();
  close = () => {
    this.closed = true;
    return Promise.resolve();
  };
  createGain() {
    const gain = param();
    this.gains.push(gain);
    return { gain, connect: (to: unknown) => to };
  }
  createOscillator() {
    const frequency = Object.assign(param(), { stopped: false });
    this.tones.push(frequency);
    return {
      frequency,
      connect: (to: unknown) => to,
      start() {},
      stop() {
        frequency.stopped = true;
      },
    };
  }
}

beforeEach(() => vi.stubGlobal('AudioContext', FakeAudio));
afterEach(() => vi.unstubAllGlobals());

type Sound = Parameters<ReturnType<typeof guidePlayer>['play']>[0];
const sound = (more: Partial<Sound>): Sound => ({
  word: 'slow',
  droneHz: 520,
  droneDb: -24,
  followerHz: null,
  octave: false,
  notesPerS: null,
  shape: 'soft',
  ...more,
});
/** Gains: the whole, drone, follower, octave, chord; tones: drone, follower, octave, chord. */
const played = (toneHz: number | null, ...sounds: Partial<Sound>[]) => {
  const player = guidePlayer(toneHz);
  const audio = FakeAudio.last;
  for (const one of sounds) player.play(sound(one));
  const [whole, drone, follower, octave, chord] = audio.gains;
  return { player, audio, whole, drone, follower, octave, chord, tones: audio.tones };
};
const last = (one: Param | undefined) => one?.targets.at(-1) ?? NaN;
const level = (decibels: number) => 10 ** (decibels / 20);

describe('the guiding sound', () => {
  it('slow, unbroken: the drone at its level, the follower at −18 dB, its octave at −30', () => {
    const { tones, drone, follower, octave, chord } = played(null, { followerHz: 400, octave: true });
    expect(last(tones[0])).toBe(520);
    expect(last(tones[1])).toBe(400);
    expect(last(tones[2])).toBe(800);
    expect(last(drone)).toBeCloseTo(level(-24), 6);
    expect(last(follower)).toBeCloseTo(level(-18), 6);
    expect(last(octave)).toBeCloseTo(level(-30), 6);
    expect(last(chord)).toBe(0);
  });

  it('right: drone and chord at −18 dB, no follower; the chord at 780 Hz, lower where a 1 kHz tone is heard', () => {
    const { tones, drone, follower, chord } = played(null, { word: 'right' });
    expect(tones[3]?.value).toBe(780);
    expect(last(drone)).toBeCloseTo(level(-18), 6);
    expect(last(chord)).toBeCloseTo(level(-18), 6);
    expect(last(follower)).toBe(0);
    // 780 · 0.65.
    expect(played(1000).tones[3]?.value).toBeCloseTo(507, 6);
  });

  it('in notes: a soft one in each slot, two pips for what is too fast, laid a little ahead and no further', () => {
    const soft = played(null, { followerHz: 400, notesPerS: 5 });
    const notes = (one: Param | undefined) => (one?.targets ?? []).filter((value) => value > 0).length;
    // Each note goes up to its level and holds it: two values above nought.
    expect(notes(soft.follower)).toBe(2);
    expect(Math.max(...(soft.follower?.targets ?? []))).toBeCloseTo(level(-18), 6);
    const pips = played(null, { word: 'fast', followerHz: 600, notesPerS: 5, shape: 'pips' });
    expect(notes(pips.follower)).toBe(4);
    // Called again at the same moment nothing is laid twice.
    pips.player.play(sound({ word: 'fast', followerHz: 600, notesPerS: 5, shape: 'pips' }));
    expect(notes(pips.follower)).toBe(4);
    pips.audio.currentTime = 0.2;
    pips.player.play(sound({ word: 'fast', followerHz: 600, notesPerS: 5, shape: 'pips' }));
    expect(notes(pips.follower)).toBe(8);
  });

  it.each([
    ['listening', 1, 520, 4],
    ['ended', 2, 200, 3],
    ['stop', 3, 260, 1.5],
  ] as const)('%s: %i short sounds at %i Hz every %s s', (word, count, hz, every) => {
    const { player, audio, tones, drone } = played(null, { word });
    const short = () => tones.slice(4);
    expect(short().map(({ value }) => value)).toEqual(Array(count).fill(hz));
    expect(short().every(({ stopped }) => stopped)).toBe(true);
    expect(last(drone)).toBe(0);
    audio.currentTime = every - 0.1;
    player.play(sound({ word }));
    expect(short()).toHaveLength(count);
    audio.currentTime = every + 0.1;
    player.play(sound({ word }));
    expect(short()).toHaveLength(2 * count);
    // Another word begins its sounds at once.
    player.play(sound({ word: word === 'stop' ? 'ended' : 'stop' }));
    expect(short().length).toBeGreaterThan(2 * count);
  });

  /** When each note begins, reaches its level, and is over, seconds. */
  const notesOf = (one: Param | undefined) => {
    const steps = one?.steps ?? [];
    return Array.from({ length: steps.length / 4 }, (_none, i) => {
      const [from, up, , end] = steps.slice(4 * i, 4 * i + 4).map(([, atS]) => atS);
      return { from: from ?? NaN, rise: (up ?? NaN) - (from ?? NaN), lasts: (end ?? NaN) - (from ?? NaN) };
    });
  };

  it('a soft note rises in 30 ms and takes seven tenths of its slot; pips are two in a slot, sharp', () => {
    const [soft] = notesOf(played(null, { followerHz: 400, notesPerS: 2 }).follower);
    expect(soft?.rise).toBeCloseTo(0.03, 6);
    expect(soft?.lasts).toBeCloseTo(0.35, 6);
    const pips = notesOf(played(null, { word: 'fast', followerHz: 600, notesPerS: 2, shape: 'pips' }).follower);
    expect(pips).toHaveLength(2);
    expect((pips[1]?.from ?? 0) - (pips[0]?.from ?? 0)).toBeCloseTo(0.15, 6);
    for (const { rise, lasts } of pips) {
      expect(rise).toBeCloseTo(0.005, 6);
      expect(lasts).toBeCloseTo(0.075, 6);
    }
  });

  it('the octave plays its notes only where it is asked for', () => {
    const { octave } = played(null, { followerHz: 400, notesPerS: 2, octave: true });
    expect(notesOf(octave)).toHaveLength(1);
    expect(Math.max(...(octave?.targets ?? []))).toBeCloseTo(level(-30), 6);
    expect(notesOf(played(null, { followerHz: 400, notesPerS: 2 }).octave)).toHaveLength(0);
  });

  it('a tick lasts 40 ms, two thumps follow each other, three notes of stop come six a second', () => {
    const marks = (word: Sound['word']) => {
      const { audio } = played(null, { word });
      return audio.gains.slice(5).flatMap((one) => notesOf(one));
    };
    const [tick] = marks('listening');
    expect(tick?.lasts).toBeCloseTo(0.04, 6);
    const thumps = marks('ended');
    expect((thumps[1]?.from ?? 0) - (thumps[0]?.from ?? 0)).toBeCloseTo(0.25, 6);
    expect(thumps[0]?.lasts).toBeLessThan(0.25);
    const [first, second, third] = marks('stop').map(({ from }) => from);
    expect((second ?? 0) - (first ?? 0)).toBeCloseTo(1 / 6, 6);
    expect((third ?? 0) - (second ?? 0)).toBeCloseTo(1 / 6, 6);
  });

  it('undecided is unison that swells once in two seconds', () => {
    const { player, audio, follower } = played(null);
    const at = (now: number) => {
      audio.currentTime = now;
      player.play(sound({ word: 'undecided', followerHz: 520 }));
      return last(follower) / level(-18);
    };
    expect(at(0)).toBeCloseTo(0.5, 6);
    expect(at(0.5)).toBeCloseTo(1, 6);
    expect(at(1.5)).toBeCloseTo(0, 6);
    expect(at(2)).toBeCloseTo(0.5, 6);
  });

  it('the whole is louder or softer by decibels, and is closed', () => {
    const { player, audio, whole } = played(null);
    player.volume(-6);
    expect(last(whole)).toBeCloseTo(0.5012, 4);
    player.close();
    expect(audio.closed).toBe(true);
  });
});
