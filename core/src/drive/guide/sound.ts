/**
 * The sound that leads the hand, an audible strobe: a drone, a follower below it for slow and above it for fast, notes
 * that slow down toward the window, unbroken inside, a chord when right. Only what is heard is said here; the page
 * plays it.
 */
import { ribbonPlace } from '../../speed/index.js';
import { CHORD_S, DRONE_DB, DRONE_HZ, RIGHT_AFTER_S } from '../defaults.js';
export { STOP_HZ } from '../defaults.js';
export { THUMP_HZ } from '../defaults.js';
export { CHORD_HZ } from '../defaults.js';

/** Where the hand is led. */
export interface GuideNow {
  /** Error without its wow less where it should stand, percent. Null: nothing is heard. */
  readonly offPercent: number | null;
  /** Infinite where nobody knows it: then nothing is said to be right. */
  readonly expandedPercent: number;
  /** Half of the window, percent. */
  readonly halfWindowPercent: number;
  /** The tone in the room that a microphone listens for, hertz; null when it is not by microphone. */
  readonly toneHz: number | null;
  /** Another speed is heard than the one led to: it is waited for. */
  readonly elsewhere: boolean;
  /** Something went wrong: the motor runs away, a stop is reached. */
  readonly stop: boolean;
}

/** What it says, in a word. */
export type GuideWord = 'slow' | 'fast' | 'inside' | 'right' | 'listening' | 'undecided' | 'ended' | 'stop';

/** What is to be heard now: frequencies in hertz, levels in decibels below full scale. */
export interface GuideSound {
  readonly word: GuideWord;
  readonly droneHz: number;
  readonly droneDb: number;
  /** Null: silent. */
  readonly followerHz: number | null;
  readonly octave: boolean;
  /** Notes a second; null for unbroken. */
  readonly notesPerS: number | null;
  readonly shape: 'soft' | 'pips';
}

/** Every partial stays out of the tone's band: low tones lift all, 1000 Hz lowers it and drops the octave. */
export function guideScale(toneHz: number | null): { readonly factor: number; readonly octave: boolean } {
  if (toneHz === null || toneHz > 2000) return { factor: 1, octave: true };
  return toneHz > 600 ? { factor: 0.65, octave: false } : { factor: 2.4, octave: true };
}

/** Remembers how long it has been right. */
export interface Guide {
  push(atS: number, now: GuideNow): GuideSound;
}

/** A guide at rest. */
export function soundGuide(): Guide {
  let rightSince: number | null = null;
  return {
    push(atS, now) {
      const { factor, octave } = guideScale(now.toneHz);
      const silent: GuideSound = {
        word: 'ended',
        droneHz: DRONE_HZ * factor,
        droneDb: DRONE_DB,
        followerHz: null,
        octave: false,
        notesPerS: null,
        shape: 'soft',
      };
      const { offPercent, expandedPercent, halfWindowPercent } = now;
      const inside = offPercent !== null && Math.abs(offPercent) <= halfWindowPercent;
      const right = offPercent !== null && Math.abs(offPercent) + expandedPercent <= halfWindowPercent;
      rightSince = right || inside ? (rightSince ?? atS) : null;
      if (now.stop) return { ...silent, word: 'stop' };
      if (now.elsewhere) return { ...silent, word: 'listening' };
      if (offPercent === null) return silent;
      const x = ribbonPlace(offPercent / halfWindowPercent);
      const follower: GuideSound = {
        ...silent,
        word: x < 0 ? 'slow' : 'fast',
        followerHz: DRONE_HZ * factor * 2 ** x,
        octave,
        notesPerS: 1 + 9 * Math.abs(x),
        shape: x < 0 ? 'soft' : 'pips',
      };
      if (!inside) return follower;
      const lasted = atS - (rightSince ?? atS);
      if (lasted < RIGHT_AFTER_S) return { ...follower, word: 'inside', notesPerS: null };
      if (!right) return { ...follower, word: 'undecided', followerHz: silent.droneHz, notesPerS: null };
      if (lasted < RIGHT_AFTER_S + CHORD_S) return { ...silent, word: 'right' };
      return { ...silent, word: 'listening' };
    },
  };
}
