/** What is entered and not yet kept by the server, in IndexedDB: it survives reloads and lost connections. */
import type { BenchEvent } from '@amber-gauge/core/bench';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** A picture that goes before its line. */
export interface OutboxPicture {
  readonly photoId: string;
  readonly bytes: ArrayBuffer;
  readonly thumb: ArrayBuffer;
}

/** The sound of a clip, as WAV. */
export interface OutboxSound {
  readonly clipId: string;
  readonly bytes: ArrayBuffer;
}

/** A line that waits to be kept by the server. */
export interface OutboxEntry {
  readonly order?: number;
  readonly jobId: string;
  readonly event: BenchEvent;
  /** Bytes of the picture that the line speaks of; they are sent before it. */
  readonly picture?: OutboxPicture;
  /** The sound that the line speaks of; it is sent before it. */
  readonly sound?: OutboxSound;
  /** Why the server refused it; null while it may still be sent. */
  readonly refused: string | null;
  /** How often the server failed over it without saying why. */
  readonly tries?: number;
}

interface Schema extends DBSchema {
  entries: { key: number; value: OutboxEntry; indexes: { 'by-key': string } };
}

let opened: Promise<IDBPDatabase<Schema>> | null = null;

function database(): Promise<IDBPDatabase<Schema>> {
  opened ??= openDB<Schema>('amber-gauge', 1, {
    upgrade(db) {
      const entries = db.createObjectStore('entries', { keyPath: 'order', autoIncrement: true });
      entries.createIndex('by-key', 'event.key', { unique: true });
    },
  });
  return opened;
}

/** Keeps a line until it is sent. */
export async function putEntry(entry: OutboxEntry): Promise<void> {
  await (await database()).add('entries', entry);
}

/** In the order they were typed. */
export async function allEntries(): Promise<OutboxEntry[]> {
  return (await database()).getAll('entries');
}

/** Forgets a line that was kept by the server. */
export async function removeEntry(key: string): Promise<void> {
  const db = await database();
  const order = await db.getKeyFromIndex('entries', 'by-key', key);
  if (order !== undefined) await db.delete('entries', order);
}

/** Counts one more failure over a line; how many there are now. */
export async function countTry(key: string): Promise<number> {
  const db = await database();
  const entry = await db.getFromIndex('entries', 'by-key', key);
  if (!entry) return 0;
  const tries = (entry.tries ?? 0) + 1;
  await db.put('entries', { ...entry, tries });
  return tries;
}

/** Notes why the server would not keep a line. */
export async function markRefused(key: string, reason: string): Promise<void> {
  const db = await database();
  const entry = await db.getFromIndex('entries', 'by-key', key);
  if (entry) await db.put('entries', { ...entry, refused: reason });
}
