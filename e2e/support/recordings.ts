/** Recordings synthesised at known errors, written where the browser can choose them. */
import { writeWav } from '@amber-gauge/core/formats';
import { synthMotor, synthTone, type SynthMotor, type SynthTone } from '@amber-gauge/core/speed';
import { closeSync, mkdtempSync, openSync, writeFileSync, writeSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const dir = mkdtempSync(join(tmpdir(), 'amber-gauge-e2e-'));

export const PLATTER = { hz: 100 / 3 / 60, peakPercent: 0.08 };

/** A WAV of the test tone at a known error. */
export function recording(name: string, wish: Partial<SynthTone>): string {
  const full = { sampleRate: 22050, durationS: 20, nominalHz: 3150, snrDb: 50, lines: [PLATTER], ...wish };
  const path = join(dir, name);
  writeFileSync(path, writeWav([synthTone(full)], full.sampleRate));
  return path;
}

/** Tones in a row with a second of silence between them. */
export function tonesInARow(name: string, hz: readonly number[], errorPercent: number): string {
  const rate = 22050;
  const parts = hz.flatMap((nominalHz) => [
    synthTone({ sampleRate: rate, durationS: 6, nominalHz, errorPercent, snrDb: 50 }),
    new Float64Array(rate),
  ]);
  const all = new Float64Array(parts.reduce((sum, part) => sum + part.length, 0));
  parts.reduce((at, part) => (all.set(part, at), at + part.length), 0);
  return asFile(name, writeWav([all], rate));
}

/** A motor that is heard. */
export function motor(name: string, wish: Partial<SynthMotor>): string {
  const full = {
    sampleRate: 22050,
    durationS: 6,
    rpmAt: () => 12000,
    linesPerTurn: 5,
    harmonics: [0.2, 0.1, 0.05],
    noise: 0.03,
    ...wish,
  };
  return asFile(name, writeWav([synthMotor(full)], full.sampleRate));
}

/** Bytes or text as a file to choose. */
export function asFile(name: string, bytes: Uint8Array | string): string {
  const path = join(dir, name);
  writeFileSync(path, bytes);
  return path;
}

/** A recording of about `megabytes`: one second of tone over and over, in whole cycles. */
export function longRecording(name: string, megabytes: number): string {
  const rate = 48000;
  const second = writeWav([synthTone({ sampleRate: rate, durationS: 1, nominalHz: 3168 })], rate).subarray(44);
  const seconds = Math.ceil((megabytes * 1024 * 1024) / second.length);
  const header = writeWav([new Float64Array(1)], rate).slice(0, 44);
  const view = new DataView(header.buffer);
  view.setUint32(4, 36 + seconds * second.length, true);
  view.setUint32(40, seconds * second.length, true);
  const path = join(dir, name);
  const file = openSync(path, 'w');
  writeSync(file, header);
  for (let i = 0; i < seconds; i++) writeSync(file, second);
  closeSync(file);
  return path;
}
