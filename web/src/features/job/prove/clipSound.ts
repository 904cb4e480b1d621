/** The sound of clips: recorded or read, kept beside the log, played level-matched. */
import { writeWav } from '@amber-gauge/core/formats';
import { openNoise } from '../../measuring/live/input.js';
import { say } from '@amber-gauge/core/words';

/** A clip’s sound as it is kept. */
export interface ClipSound {
  readonly samples: Float64Array;
  readonly sampleRate: number;
  readonly device: string;
}

/** Clips are this long, seconds. */
export const CLIP_S = 10;
/** An input that is slower than this is dead, seconds. */
const LATE_S = 5;
/** Largest file that is opened, bytes: a minute of uncompressed stereo several times over. */
const MOST_BYTES = 64e6;
/** A file is read no further, seconds: what is heard is what is kept and reckoned. */
const MOST_S = 30;

/** Listens for {@link CLIP_S}. @throws an Error in plain words when there is no input. */
export async function recordClip(): Promise<ClipSound> {
  const input = await openNoise();
  const samples = new Float64Array(Math.round(CLIP_S * input.sampleRate));
  let filled = 0;
  try {
    await new Promise<void>((resolve, reject) => {
      setTimeout(
        () => reject(new Error(say`The input gave nothing. Choose another, or a file.`)),
        (CLIP_S + LATE_S) * 1000,
      );
      input.samples.onmessage = ({ data }: MessageEvent<Float32Array>) => {
        samples.set(data.subarray(0, samples.length - filled), filled);
        filled = Math.min(samples.length, filled + data.length);
        if (filled === samples.length) resolve();
      };
    });
  } finally {
    input.close();
  }
  return { samples, sampleRate: input.sampleRate, device: say`this device’s input` };
}

/** Reads a sound file. @throws an Error in plain words when it is none. */
export async function readClip(file: File): Promise<ClipSound> {
  if (file.size > MOST_BYTES)
    throw new Error(say`This file is over ${MOST_BYTES / 1e6} MB: cut half a minute out of it.`);
  const context = new OfflineAudioContext(1, 1, 48000);
  let buffer: AudioBuffer;
  try {
    buffer = await context.decodeAudioData(await file.arrayBuffer());
  } catch {
    throw new Error(say`This is no sound file that can be read: choose WAV, FLAC or what the recorder wrote.`);
  }
  const length = Math.min(buffer.length, MOST_S * buffer.sampleRate);
  const samples = new Float64Array(length);
  for (let channel = 0; channel < buffer.numberOfChannels; channel++)
    buffer
      .getChannelData(channel)
      .subarray(0, length)
      .forEach((value, i) => {
        samples[i] = (samples[i] as number) + value / buffer.numberOfChannels;
      });
  return { samples, sampleRate: buffer.sampleRate, device: say`a recorder’s file` };
}

/** The sound as it is kept: 16 bit, mono. */
export const wavOf = ({ samples, sampleRate }: ClipSound): ArrayBuffer => writeWav([samples], sampleRate).buffer;

/** A kept sound from the server. @throws an Error in plain words when it is not there. */
export async function fetchSound(clipId: string): Promise<ArrayBuffer> {
  const answer = await fetch(`/api/v1/clips/${clipId}`).catch(() => null);
  if (!answer?.ok) throw new Error(say`The sound is not here: it may not have arrived yet.`);
  return answer.arrayBuffer();
}

/** Plays a WAV changed by so many dB, never over full scale. @throws when it cannot be read. */
export async function playSound(wav: ArrayBuffer, gainDb: number): Promise<void> {
  const context = new AudioContext();
  const source = context.createBufferSource();
  source.buffer = await context.decodeAudioData(wav.slice(0));
  const peak = source.buffer.getChannelData(0).reduce((most, value) => Math.max(most, Math.abs(value)), 1e-9);
  const volume = context.createGain();
  volume.gain.value = Math.min(10 ** (gainDb / 20), 1 / peak);
  source.connect(volume).connect(context.destination);
  source.onended = () => void context.close();
  source.start();
}
