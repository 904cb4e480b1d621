/** Plays the sound that leads the hand: a drone, a follower in notes, chord, ticks, thumps; levels in dB below full scale. */
import { CHORD_HZ, guideScale, STOP_HZ, THUMP_HZ, type GuideSound } from '@amber-gauge/core/drive';

const FOLLOWER_DB = -18;
const OCTAVE_DB = -12;
/** Glide of frequencies, seconds; rise of a soft note; a note is held so much of its slot. */
const GLIDE_S = 0.05;
const RISE_S = 0.03;
const HELD = 0.7;
/** Notes are laid so far ahead, seconds. */
const AHEAD_S = 0.12;
const TICK_EVERY_S = 4;
const TICK_S = 0.04;
const THUMPS_EVERY_S = 3;
const STOP_EVERY_S = 1.5;

const level = (decibels: number): number => 10 ** (decibels / 20);

/** The guiding sound of the coach. */
export interface GuidePlayer {
  play(sound: GuideSound): void;
  /** Louder or softer by so many decibels; the whole. */
  volume(decibels: number): void;
  close(): void;
}

/** @param toneHz the tone a microphone listens for, hertz; its band stays free. */
export const guidePlayer = (toneHz: number | null): GuidePlayer => new Player(guideScale(toneHz).factor);

class Player implements GuidePlayer {
  private readonly audio = new AudioContext();
  private readonly out = this.audio.createGain();
  private readonly drone = voice(this.audio, this.out);
  private readonly follower = voice(this.audio, this.out);
  private readonly octave = voice(this.audio, this.out);
  private readonly chord = voice(this.audio, this.out);
  private nextNote = 0;
  private nextMark = 0;
  private word: GuideSound['word'] | null = null;

  constructor(private readonly factor: number) {
    void this.audio.resume();
    this.out.connect(this.audio.destination);
    this.chord.tone.frequency.value = CHORD_HZ * factor;
  }

  play(sound: GuideSound): void {
    const now = this.audio.currentTime;
    if (sound.word !== this.word) this.nextMark = 0;
    this.word = sound.word;
    const right = sound.word === 'right';
    const tracks = sound.followerHz !== null;
    glide(this.drone.tone.frequency, sound.droneHz, now);
    hold(this.drone.gain, tracks || right ? level(right ? FOLLOWER_DB : sound.droneDb) : 0, now);
    hold(this.chord.gain, right ? level(FOLLOWER_DB) : 0, now);
    if (sound.followerHz !== null) {
      glide(this.follower.tone.frequency, sound.followerHz, now);
      glide(this.octave.tone.frequency, 2 * sound.followerHz, now);
    }
    if (tracks && sound.notesPerS !== null) this.notes(sound, 1 / sound.notesPerS);
    else {
      const swell = sound.word === 'undecided' ? 0.5 + 0.5 * Math.sin(Math.PI * now) : 1;
      hold(this.follower.gain, tracks ? swell * level(FOLLOWER_DB) : 0, now);
      hold(this.octave.gain, tracks && sound.octave ? swell * level(FOLLOWER_DB + OCTAVE_DB) : 0, now);
    }
    if (sound.word === 'listening') this.marks(TICK_EVERY_S, [0], sound.droneHz, TICK_S);
    if (sound.word === 'ended') this.marks(THUMPS_EVERY_S, [0, 0.25], THUMP_HZ * this.factor, 0.12);
    if (sound.word === 'stop') this.marks(STOP_EVERY_S, [0, 1 / 6, 2 / 6], STOP_HZ * this.factor, 0.1);
  }

  volume(decibels: number): void {
    hold(this.out.gain, level(decibels), this.audio.currentTime);
  }

  close(): void {
    void this.audio.close();
  }

  /** Notes a little ahead, each in its slot: a soft one, or two short pips. */
  private notes(sound: GuideSound, slot: number): void {
    const now = this.audio.currentTime;
    if (this.nextNote < now) this.nextNote = now + 0.01;
    for (; this.nextNote < now + AHEAD_S; this.nextNote += slot)
      for (const one of [this.follower, ...(sound.octave ? [this.octave] : [])]) {
        const peak = level(one === this.octave ? FOLLOWER_DB + OCTAVE_DB : FOLLOWER_DB);
        if (sound.shape === 'soft') pulse(one.gain, this.nextNote, RISE_S, HELD * slot, peak);
        else for (const later of [0, 0.3]) pulse(one.gain, this.nextNote + later * slot, 0.005, 0.15 * slot, peak);
      }
  }

  /** Short sounds every so many seconds. */
  private marks(every: number, laters: readonly number[], hz: number, lasts: number): void {
    const now = this.audio.currentTime;
    if (this.nextMark > now) return;
    this.nextMark = now + every;
    for (const later of laters) {
      const one = voice(this.audio, this.out);
      one.tone.frequency.value = hz;
      pulse(one.gain, now + 0.02 + later, 0.005, lasts, level(FOLLOWER_DB));
      one.tone.stop(now + later + lasts + 0.2);
    }
  }
}

interface Voice {
  readonly tone: OscillatorNode;
  readonly gain: AudioParam;
}

function voice(audio: AudioContext, out: AudioNode): Voice {
  const tone = audio.createOscillator();
  const gain = audio.createGain();
  gain.gain.value = 0;
  tone.connect(gain).connect(out);
  tone.start();
  return { tone, gain: gain.gain };
}

const glide = (param: AudioParam, value: number, now: number) => param.setTargetAtTime(value, now, GLIDE_S / 3);

function hold(param: AudioParam, value: number, now: number): void {
  param.cancelScheduledValues(now);
  param.setTargetAtTime(value, now, GLIDE_S / 3);
}

/** One note: up, held, down. */
function pulse(param: AudioParam, from: number, rise: number, lasts: number, peak: number): void {
  param.setValueAtTime(0, from);
  param.linearRampToValueAtTime(peak, from + Math.min(rise, lasts / 2));
  param.setValueAtTime(peak, from + lasts * 0.85);
  param.linearRampToValueAtTime(0, from + lasts);
}
