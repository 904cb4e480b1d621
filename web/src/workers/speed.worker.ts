/** Measures recordings and tables off the page's own thread, reading files in pieces. */
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import { memorySource, readTable, writeWav, type ByteSource } from '@amber-gauge/core/formats';
import {
  listenWav,
  measureGyro,
  measurePulses,
  measurePulseWav,
  measureRecording,
  ROTATION_REFUSALS,
  runDownOf,
  runOfGyro,
  runOfPulses,
  runOfSound,
  runOfTone,
  SOUND_REFUSALS,
  synthTone,
  TONE_REFUSALS,
  type AskedSpeed,
  type GyroWish,
  type PulseWish,
  type SoundWish,
  type SpeedRun,
  type SynthTone,
  type ToneOptions,
} from '@amber-gauge/core/speed';
import { expose } from 'comlink';
import { say } from '@amber-gauge/core/words';

/** Channels that the browser decoded (FLAC, Opus, MP3, AAC); without it the file is read as WAV. */
export interface Decoded {
  readonly sampleRate: number;
  readonly channels: readonly Float32Array[];
}

/** Another band of the record that would fit. */
export interface OtherBand {
  readonly nominalHz: number;
  readonly startS: number;
  readonly endS: number;
  readonly run: SpeedRun | null;
  readonly message: string;
}

/** What came of a file. */
export type SpeedAnswer =
  | { readonly kind: 'measured'; readonly run: SpeedRun; readonly sha256: string; readonly bands: readonly OtherBand[] }
  | { readonly kind: 'asked'; readonly question: AskedSpeed }
  | { readonly kind: 'refused'; readonly message: string };

/** The head of a table as it was read, for correcting which column is what. */
export interface TableHead {
  readonly names: readonly string[];
  readonly rows: readonly (readonly number[])[];
  /** What the guess was made from: at most the first 4000 rows of each column. */
  readonly columns: readonly Float64Array[];
  readonly separator: string;
  readonly decimalComma: boolean;
  /** Column of date or clock stamps, already in seconds; null when there is none. */
  readonly stamps: number | null;
  readonly count: number;
}

/** A file with what is known of it. */
export type Wish<T> = Omit<T, 'onProgress'>;
type Report = (done: number) => void;

const PIECE = 1 << 22;

function bytesOf(file: Blob, decoded: Decoded | null): ByteSource {
  if (decoded) return memorySource(writeWav(decoded.channels, decoded.sampleRate, 'f32'));
  return {
    size: file.size,
    read: async (offset, length) => new Uint8Array(await file.slice(offset, offset + length).arrayBuffer()),
  };
}

async function hashOf(file: Blob): Promise<string> {
  const hash = sha256.create();
  for (let offset = 0; offset < file.size; offset += PIECE) {
    hash.update(new Uint8Array(await file.slice(offset, offset + PIECE).arrayBuffer()));
  }
  return bytesToHex(hash.digest());
}

/** A table longer than this is not opened, bytes: reading takes ten times its length (measured: 60 MB, 650 MB). */
const MOST_TABLE_BYTES = 100e6;

/** The text of a table; null when it is too long to be read. */
const textOf = async (file: Blob): Promise<string | null> => (file.size > MOST_TABLE_BYTES ? null : await file.text());

const TOO_LONG = say`This table is over ${MOST_TABLE_BYTES / 1e6} MB: capture a shorter stretch or fewer points.`;

const asked = (question: AskedSpeed): SpeedAnswer => ({ kind: 'asked', question });

const refused = (message: string, line = 0): SpeedAnswer => ({
  kind: 'refused',
  message: line > 0 ? say`Line ${line}: ${message}` : message,
});

async function accepted(file: Blob, run: SpeedRun, bands: readonly OtherBand[] = []): Promise<SpeedAnswer> {
  return { kind: 'measured', run, sha256: await hashOf(file), bands };
}

const api = {
  async tone(file: Blob, decoded: Decoded | null, wish: Wish<ToneOptions>, report: Report): Promise<SpeedAnswer> {
    const result = await measureRecording(bytesOf(file, decoded), {
      ...wish,
      onProgress: (done) => void report(0.9 * done),
    });
    if (result.kind === 'unusable') return refused(TONE_REFUSALS[result.reason]);
    if (result.kind === 'asked') return asked(result);
    return accepted(
      file,
      runOfTone(result.tone),
      result.bands.map(({ band, nominalHz, result: one }) => ({
        nominalHz,
        startS: band.startS,
        endS: band.endS,
        run: one.kind === 'measured' ? runOfTone(one) : null,
        message: one.kind === 'measured' ? '' : TONE_REFUSALS[one.reason],
      })),
    );
  },
  async pulseRecording(
    file: Blob,
    decoded: Decoded | null,
    wish: Wish<PulseWish>,
    report: Report,
  ): Promise<SpeedAnswer> {
    const result = await measurePulseWav(bytesOf(file, decoded), { ...wish, onProgress: (done) => void report(done) });
    if (result.kind === 'unusable') return refused(ROTATION_REFUSALS[result.reason]);
    if (result.kind === 'asked') return asked(result);
    return accepted(file, runOfPulses(result));
  },
  async pulseTable(file: Blob, wish: PulseWish): Promise<SpeedAnswer> {
    const text = await textOf(file);
    if (text === null) return refused(TOO_LONG);
    const result = await measurePulses(text, wish);
    if (result.kind === 'unusable') return refused(ROTATION_REFUSALS[result.reason], result.line);
    if (result.kind === 'asked') return asked(result);
    return accepted(file, runOfPulses(result));
  },
  async gyro(file: Blob, wish: GyroWish): Promise<SpeedAnswer> {
    const text = await textOf(file);
    if (text === null) return refused(TOO_LONG);
    const result = measureGyro(text, wish);
    if (result.kind === 'unusable') return refused(ROTATION_REFUSALS[result.reason], result.line);
    if (result.kind === 'asked') return asked(result);
    return accepted(file, runOfGyro(result));
  },
  /** Speeds of a run down, or why there are none, in words. */
  async runDown(file: Blob, wish: { readonly nominalRpm: number; readonly perTurn: number }) {
    const text = await textOf(file);
    if (text === null) return { kind: 'refused' as const, message: TOO_LONG };
    const result = await runDownOf(text, wish);
    if (result.kind === 'run-down') return result;
    if (result.kind === 'asked') return { kind: 'refused' as const, message: result.message };
    const where = result.line > 0 ? say`Line ${result.line}: ` : '';
    return { kind: 'refused' as const, message: where + ROTATION_REFUSALS[result.reason] };
  },
  async sound(file: Blob, decoded: Decoded | null, wish: Wish<SoundWish>, report: Report): Promise<SpeedAnswer> {
    const result = await listenWav(bytesOf(file, decoded), { ...wish, onProgress: (done) => void report(done) });
    if (result.kind === 'unusable') return refused(SOUND_REFUSALS[result.reason]);
    return accepted(file, runOfSound(result));
  },
  async head(file: Blob): Promise<TableHead | { readonly message: string }> {
    const table = readTable(await file.slice(0, 1 << 20).text());
    if (table.kind === 'unusable') {
      const where = table.line > 0 ? say`Line ${table.line}: ` : '';
      return { message: where + ROTATION_REFUSALS[table.reason] };
    }
    const rows = Array.from({ length: Math.min(4, table.columns[0]?.length ?? 0) }, (_, i) =>
      table.columns.map((column) => column[i] as number),
    );
    const { names, separator, decimalComma, stamps } = table;
    const columns = table.columns.map((column) => column.slice(0, 4000));
    return { names, rows, columns, separator, decimalComma, stamps, count: table.columns[0]?.length ?? 0 };
  },
  /** An exact test tone as a WAV file. */
  make(wish: SynthTone, coding: 's16' | 's24' | 'f32'): Blob {
    return new Blob([writeWav([synthTone(wish)], wish.sampleRate, coding)], { type: 'audio/wav' });
  },
};

/** What the page may ask the worker for. */
export type SpeedWorker = typeof api;
expose(api);
