/**
 * Mutated recordings (of a tone, of pulses, of a motor), pulse files, gyroscope logs and exported runs: every one must end in a result or a named
 * refusal, within 2 s plus 50 ms a megabyte. `npm run fuzz [-- COUNT [SEED]]`.
 */
import { memorySource, writeWav, type SampleCoding } from '../core/src/formats/index.js';
import { seeded, type Random } from '../core/src/numeric/index.js';
import { MADE_LOGS } from '../core/src/speed/made/cases.js';
import { figuresOf, readRunFile, runFileOf, runToCsv, runToJson } from '../contract/src/index.js';
import {
  listenWav,
  measureBands,
  measureGyro,
  measurePulses,
  measurePulseWav,
  measureWav,
  runOfStopwatch,
  stopwatch,
  synthTone,
  type SpeedRun,
} from '../core/src/speed/index.js';

export interface FuzzTally {
  readonly files: number;
  readonly outcomes: Readonly<Record<string, number>>;
  readonly slowestMs: number;
  readonly failures: readonly string[];
  /** Files that took longer than their bound: for a run by hand, not for a unit test on a busy machine. */
  readonly slow: readonly string[];
}

export type Target = 'wav' | 'pulses' | 'gyro' | 'made' | 'pulse-wav' | 'sound' | 'bands' | 'run';
const RECORDINGS: readonly Target[] = ['wav', 'pulse-wav', 'sound', 'bands'];

const pick = <T>(random: Random, from: readonly T[]): T => from[Math.floor(random() * from.length)] as T;
const whole = (random: Random, below: number): number => Math.floor(random() * below);

function wavSeed(random: Random): Uint8Array {
  const rate = pick(random, [8000, 11025, 16000, 44100]);
  const coding = pick<SampleCoding>(random, ['u8', 's16', 's24', 's32', 'f32', 'f64']);
  const wish = {
    sampleRate: rate,
    durationS: 0.3 + 1.5 * random(),
    nominalHz: 1500 + 2000 * random(),
    snrDb: 60 * random(),
    seed: whole(random, 1e6),
  };
  const samples = synthTone(wish);
  return writeWav(
    Array.from({ length: 1 + whole(random, 3) }, () => samples),
    rate,
    coding,
  );
}

function csvSeed(random: Random, target: Target): Uint8Array {
  const rows = Array.from({ length: 4 + whole(random, 300) }, (_, i) => {
    const t = i * 0.1 + 0.01 * random();
    return target === 'pulses'
      ? random() < 0.5
        ? `${t}`
        : `${t},${i % 2}`
      : `${t},${random()},${random()},${200 * Number(i > 20)}`;
  });
  const separator = pick(random, [',', ';', '\t', ' ']);
  return encode(rows.join('\n').replaceAll(',', separator));
}

const encode = (text: string): Uint8Array => new TextEncoder().encode(text);

/** One to a dozen injuries: flipped bytes, cuts, repeats, swapped pieces, absurd header words, stray text. */
export function injure(bytes: Uint8Array, random: Random): Uint8Array {
  let out: Uint8Array<ArrayBuffer> = new Uint8Array(bytes);
  for (let n = 1 + Math.floor(12 * random() ** 3); n > 0; n--) {
    const at = whole(random, Math.max(1, random() < 0.5 ? Math.min(64, out.length) : out.length));
    const kind = whole(random, 7);
    if (kind === 0) out[at] = whole(random, 256);
    else if (kind === 1) out = out.slice(0, at);
    else if (kind === 2) out = join(out.slice(0, at), out.slice(whole(random, out.length)));
    else if (kind === 3)
      out = join(
        out.slice(0, at),
        encode(pick(random, ['NaN', '1e999', ';;', '"', '\n\n', 'data', 'RIFF', '-0', '\u0000'])),
        out.slice(at),
      );
    else if (kind === 4) out.fill(whole(random, 2) * 255, at, at + whole(random, 64));
    else if (kind === 5 && out.length > at + 4)
      new DataView(out.buffer).setUint32(at, pick(random, [0, 1, 0xffffffff, 0x7fffffff, 0x80000000]), true);
    else out = join(out, out.slice(at, at + whole(random, 2000)));
  }
  return out;
}

function join(...parts: readonly Uint8Array[]): Uint8Array<ArrayBuffer> {
  const out = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    out.set(part, at);
    at += part.length;
  }
  return out;
}

const SOUND = { lines: 'blades', count: 3, minRpm: 3000, maxRpm: 60000, nominalRpm: null, reversing: false } as const;

async function resultOf(target: Target, bytes: Uint8Array) {
  const source = memorySource(bytes);
  const text = () => new TextDecoder().decode(bytes);
  switch (target) {
    case 'wav':
      return measureWav(source, { nominalHz: 3150 });
    case 'pulse-wav':
      return measurePulseWav(source, { perTurn: 3, nominalRpm: 60000 });
    case 'sound':
      return listenWav(source, SOUND);
    case 'bands':
      return { kind: 'measured' as const, bands: await measureBands(source, { nominalHz: 3150 }, 0) };
    case 'pulses':
      return measurePulses(text(), { perTurn: 3, nominalRpm: 100 });
    case 'made':
      return text().length % 2 === 0
        ? measurePulses(text(), { perTurn: 4, nominalRpm: 100 / 3 })
        : measureGyro(text(), { nominalRpm: 100 / 3 });
    case 'gyro':
      return measureGyro(text(), { nominalRpm: 33 });
    case 'run': {
      const read = readRunFile(text());
      return read.kind === 'run'
        ? { kind: 'measured' as const, file: read.file }
        : { kind: 'unusable' as const, reason: 'NOT_A_RUN' };
    }
  }
}

async function outcomeOf(target: Target, bytes: Uint8Array): Promise<string> {
  const result = await resultOf(target, bytes);
  if (result.kind === 'unusable') return result.reason;
  if (result.kind === 'asked') return `asked ${result.code}`;
  return allFinite(result) ? 'measured' : 'NOT_FINITE';
}

/** An exported run, by JSON or CSV. */
function runSeed(random: Random): Uint8Array {
  const taps = Array.from({ length: 3 + whole(random, 20) }, (_, i) => 1.8 * i + 0.1 * random());
  const figures = figuresOf(runOfStopwatch(stopwatch(taps, 1), 100 / 3) as SpeedRun);
  const measuredAt = '2026-01-01T00:00:00.000Z';
  const file = runFileOf({ fileName: 'x', fileBytes: 1, sha256: null, sourceId: null, measuredAt, figures }, null);
  return encode(random() < 0.5 ? runToJson(file) : runToCsv(file));
}

/** A log as loggers, analysers, scopes and phones write them, cut to what is quickly measured. */
function madeSeed(random: Random): Uint8Array {
  const made = pick(random, MADE_LOGS);
  const known = madeTexts.get(made.id) ?? made.text().split('\n').slice(0, 3000).join('\n');
  madeTexts.set(made.id, known);
  return encode(known);
}

const madeTexts = new Map<string, string>();

function seedOf(target: Target, random: Random): Uint8Array {
  if (target === 'made') return madeSeed(random);
  if (RECORDINGS.includes(target)) return wavSeed(random);
  return target === 'run' ? runSeed(random) : csvSeed(random, target);
}

function allFinite(value: unknown): boolean {
  if (typeof value === 'number') return Number.isFinite(value);
  if (value instanceof Float32Array || value instanceof Float64Array) return value.every(Number.isFinite);
  return typeof value !== 'object' || value === null || Object.values(value).every(allFinite);
}

/** Runs `count` files from `seed`; never throws. */
export async function fuzz(
  count: number,
  seed: number,
  onFile: (done: number) => void = () => {},
  only: readonly Target[] | null = null,
): Promise<FuzzTally> {
  const outcomes: Record<string, number> = {};
  const [failures, slow]: [string[], string[]] = [[], []];
  let slowestMs = 0;
  for (let i = 0; i < count; i++) {
    const random = seeded(seed + i);
    const target = pick<Target>(
      random,
      only ?? ['wav', 'wav', 'pulses', 'gyro', 'made', 'pulse-wav', 'sound', 'bands', 'run'],
    );
    const bytes = injure(seedOf(target, random), random);
    const from = performance.now();
    const outcome = await outcomeOf(target, bytes).catch((error: unknown) => `THREW ${String(error)}`);
    const tookMs = performance.now() - from;
    slowestMs = Math.max(slowestMs, tookMs);
    outcomes[outcome] = (outcomes[outcome] ?? 0) + 1;
    if (/^THREW|NOT_FINITE/.test(outcome)) failures.push(`file ${i} (${target}, seed ${seed + i}): ${outcome}`);
    if (tookMs > 2000 + (50 * bytes.length) / 1e6)
      slow.push(`file ${i} (${target}, seed ${seed + i}): ${tookMs.toFixed(0)} ms`);
    onFile(i + 1);
  }
  return { files: count, outcomes, slowestMs, failures, slow };
}
