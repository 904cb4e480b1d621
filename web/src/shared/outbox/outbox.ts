/**
 * The outbox: a line is stored here first, then sent in order, and taken out only when the server
 * says it is committed. The server knows each line by its key, so sending twice keeps it once.
 */
import { attachmentKeptSchema, eventsKeptSchema } from '@amber-gauge/contract';
import type { BenchEvent, EventBody, StageId } from '@amber-gauge/core/bench';
import { create } from 'zustand';
import { ApiError, call, Unreachable } from '../api/client.js';
import { mergeKept } from '../api/queries.js';
import { serverNow } from './clock.js';
import { deviceId, nextSequence } from './device.js';
import {
  allEntries,
  countTry,
  markRefused,
  putEntry,
  removeEntry,
  type OutboxEntry,
  type OutboxPicture,
  type OutboxSound,
} from './store.js';
import { say } from '@amber-gauge/core/words';

interface OutboxState {
  readonly entries: readonly OutboxEntry[];
  /** True while the server does not answer. */
  readonly away: boolean;
}

/** What waits to be sent, and what was refused. */
export const useOutbox = create<OutboxState>(() => ({ entries: [], away: false }));

const RETRY_MS = { first: 500, most: 4000 } as const;
let retryMs: number = RETRY_MS.first;
let timer: ReturnType<typeof setTimeout> | null = null;
let sending = false;

/** A new line, stamped now unless a time of its own is given (the capture key's moment). */
export function makeLine(stage: StageId, body: EventBody, at: Date = serverNow()): BenchEvent {
  return {
    key: crypto.randomUUID(),
    enteredAt: at.toISOString(),
    device: deviceId(),
    sequence: nextSequence(),
    stage,
    body,
  };
}

/** Stores lines of a job; resolves when they are safe in this browser, then sends them. */
export async function submitLines(jobId: string, ...events: readonly BenchEvent[]): Promise<void> {
  if (isDoubled(jobId, events)) return;
  for (const event of events) await putEntry({ jobId, event, refused: null });
  await refresh();
  void flush();
}

/** The same lines again this soon are the second half of a double click or a bouncing key, ms. */
const DOUBLE_MS = 700;
let lastSubmitted = { what: '', at: -Infinity };

/** Holds are exempt: two presses of the capture key are two moments. */
function isDoubled(jobId: string, events: readonly BenchEvent[]): boolean {
  if (events.some((event) => event.body.kind === 'hold')) return false;
  // Keys made for these lines differ each time; what they say does not.
  const own = new Set(events.map((event) => event.key));
  const what = JSON.stringify([jobId, events.map((event) => event.body)], (_name, value: unknown) =>
    typeof value === 'string' && own.has(value) ? '*' : value,
  );
  const at = performance.now();
  const doubled = what === lastSubmitted.what && at - lastSubmitted.at < DOUBLE_MS;
  lastSubmitted = { what, at };
  return doubled;
}

/** Stores a line with its picture or sound, which is sent first, the line only once it has arrived. */
export async function submitWith(
  jobId: string,
  event: BenchEvent,
  attached: { readonly picture: OutboxPicture } | { readonly sound: OutboxSound },
): Promise<void> {
  await putEntry({ jobId, event, refused: null, ...attached });
  await refresh();
  void flush();
}

/** Drops a line that the server refused. */
export async function dropRefused(key: string): Promise<void> {
  await removeEntry(key);
  await refresh();
}

/** Starts sending what a former visit left, and again whenever the network comes back. */
export async function startOutbox(): Promise<void> {
  window.addEventListener('online', () => void flush());
  await refresh();
  void flush();
}

async function refresh(): Promise<void> {
  useOutbox.setState({ entries: await allEntries() });
}

/** Sends what waits, a job's run of lines at a time, in order; one tab at a time. */
export async function flush(): Promise<void> {
  if (sending) return;
  sending = true;
  if (timer) clearTimeout(timer);
  timer = null;
  try {
    await navigator.locks.request('amber-gauge-outbox', sendAll);
    useOutbox.setState({ away: false });
  } catch {
    useOutbox.setState({ away: true });
    again();
  } finally {
    sending = false;
    await refresh();
    if (!timer && waitingIn(useOutbox.getState().entries).length > 0) timer = setTimeout(() => void flush(), 0);
  }
}

/** Tries again after a while that grows. */
function again(): void {
  timer = setTimeout(() => void flush(), retryMs);
  retryMs = Math.min(RETRY_MS.most, retryMs * 2);
}

const waitingIn = (entries: readonly OutboxEntry[]): OutboxEntry[] => entries.filter((entry) => entry.refused === null);

/** Lines sent at a time. */
const RUN = 50;
/** A line over which the server fails this often is set aside: it would stop the others for good. */
const MOST_TRIES = 5;

/** Sends job by job; a job over whose line the server failed waits for the next time, the others go on. */
async function sendAll(): Promise<void> {
  const held = new Set<string>();
  for (;;) {
    const waiting = waitingIn(await allEntries()).filter((entry) => !held.has(entry.jobId));
    const first = waiting[0];
    if (!first) break;
    const run = waiting.filter((entry) => entry.jobId === first.jobId).slice(0, RUN);
    if (!(await sendRun(first.jobId, run))) held.add(first.jobId);
    await refresh();
  }
  if (held.size > 0) again();
  else retryMs = RETRY_MS.first;
}

/** False when the job has to wait. Throws when no job's lines can be sent now. */
async function sendRun(jobId: string, run: readonly OutboxEntry[]): Promise<boolean> {
  const events = run.map((entry) => entry.event);
  try {
    for (const { picture, sound } of run) {
      if (picture) await sendPicture(jobId, picture);
      if (sound) await sendSound(jobId, sound);
    }
    const { kept } = await call(`/jobs/${jobId}/events`, eventsKeptSchema, { method: 'POST', body: { events } });
    mergeKept(jobId, kept);
    for (const event of kept) await removeEntry(event.key);
    const known = new Set(kept.map((event) => event.key));
    for (const { key } of events) if (!known.has(key)) await markRefused(key, say`The server did not keep it.`);
    return true;
  } catch (error) {
    if (error instanceof Unreachable || (error instanceof ApiError && NOT_NOW.has(error.code))) throw error;
    if (run.length > 1) return await oneByOne(jobId, run);
    return await setAside((run[0] as OutboxEntry).event.key, error);
  }
}

/** Answers that say nothing about the line itself. */
const NOT_NOW: ReadonlySet<string> = new Set(['TOO_MANY', 'NOT_READY', 'BAD_HOST', 'BAD_ORIGIN']);

async function oneByOne(jobId: string, run: readonly OutboxEntry[]): Promise<boolean> {
  for (const entry of run) if (!(await sendRun(jobId, [entry]))) return false;
  return true;
}

/** A line refused for good is set aside with the reason; one that the server fails over gets a few more tries. */
async function setAside(key: string, error: unknown): Promise<boolean> {
  const forGood = error instanceof ApiError && error.code !== 'INTERNAL';
  if (!forGood && (await countTry(key)) < MOST_TRIES) return false;
  await markRefused(key, forGood ? refusalText(error) : say`The server failed over it ${MOST_TRIES} times.`);
  return true;
}

/** Sending it again is harmless: the server knows it by its id and its bytes. */
async function sendPicture(jobId: string, { photoId, bytes }: OutboxPicture): Promise<void> {
  const raw = { bytes: new Blob([bytes]), type: 'application/octet-stream' };
  await call(`/jobs/${jobId}/photos/${photoId}`, attachmentKeptSchema, { method: 'PUT', raw });
}

async function sendSound(jobId: string, { clipId, bytes }: OutboxSound): Promise<void> {
  const raw = { bytes: new Blob([bytes]), type: 'audio/wav' };
  await call(`/jobs/${jobId}/clips/${clipId}`, attachmentKeptSchema, { method: 'PUT', raw });
}

function refusalText(error: ApiError): string {
  const fields = Object.values(error.wire.fields ?? {}).join('; ');
  return fields || error.message;
}
