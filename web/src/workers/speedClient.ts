/** The page's side of the speed worker: one task at a time, stopped by ending the worker. */
import { proxy, wrap, type Remote } from 'comlink';
import type { Decoded, SpeedAnswer, SpeedWorker } from './speed.worker.js';
import { say } from '@amber-gauge/core/words';

/** A measurement that runs, and the way to stop it. */
export interface Task<T> {
  readonly answer: Promise<T>;
  stop(): void;
}

let spare: Worker | null = null;

const newWorker = () => new Worker(new URL('./speed.worker.ts', import.meta.url), { type: 'module' });

/** Keeps one worker loaded, so that a recording can be measured while the server is away. */
export function warmWorker(): void {
  spare ??= newWorker();
}

/** Runs `work` in a worker; after `stop` the answer is `stopped`. */
export function inWorker<T>(work: (api: Remote<SpeedWorker>) => Promise<T>, stopped: T): Task<T> {
  const worker = spare ?? newWorker();
  spare = null;
  let stop = () => {};
  const halted = new Promise<T>((resolve) => {
    stop = () => resolve(stopped);
  });
  const failed = new Promise<T>((_resolve, reject) => {
    worker.onerror = (event) => reject(new Error(event.message || say`The measuring could not start.`));
  });
  const answer = Promise.race([work(wrap<SpeedWorker>(worker)), halted, failed]).finally(() => {
    worker.terminate();
    warmWorker();
  });
  return { answer, stop };
}

/** What is said of a task that was stopped. */
export const STOPPED_WORDS = say`Measuring was stopped. Nothing was stored.`;
/** What a task that was stopped ends with. */
export const STOPPED: SpeedAnswer = { kind: 'refused', message: STOPPED_WORDS };

/** How far it is, 0 to 1. */
export type Report = (done: number) => void;

/** A callback that the worker may call. */
export const reporting = (report: Report): Report => proxy(report);

/** A packed recording longer than this is not opened, bytes: an hour and a half of FLAC; it is unpacked whole. */
const MOST_PACKED_BYTES = 256e6;

/**
 * What the browser decodes where a file is no WAV: FLAC, Opus, MP3, AAC. Null for a WAV, and for what
 * it cannot decode either: then the reader of WAV files says what is wrong.
 * @throws an Error in plain words for a file too long to be unpacked.
 */
export async function decodeElse(file: Blob): Promise<Decoded | null> {
  const start = new TextDecoder('latin1').decode(await file.slice(0, 4).arrayBuffer());
  if (start === 'RIFF' || start === 'RF64' || file.size === 0) return null;
  if (file.size > MOST_PACKED_BYTES)
    throw new Error(say`This recording is over ${MOST_PACKED_BYTES / 1e6} MB: cut it shorter, or save it as WAV.`);
  const context = new AudioContext({ sampleRate: 48000 });
  try {
    const buffer = await context.decodeAudioData(await file.arrayBuffer());
    return {
      sampleRate: buffer.sampleRate,
      channels: Array.from({ length: buffer.numberOfChannels }, (_, i) => buffer.getChannelData(i)),
    };
  } catch {
    return null;
  } finally {
    await context.close();
  }
}
