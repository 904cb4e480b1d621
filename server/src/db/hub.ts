/**
 * Changes of jobs as PostgreSQL tells them: one listening connection a process, so that what is
 * entered through any server process reaches the pages of all.
 */
import pg from 'pg';
import type { Logger } from 'pino';

/** A job that changed, or null when changes may have been missed: fetch everything anew. */
export type Change = string | null;
type Listener = (change: Change) => void;

export interface Hub {
  /** Calls `listener` for each change until the function returned is called. */
  subscribe(listener: Listener): () => void;
  /** Lets go of the database and of every listener. */
  close(): Promise<void>;
  /** Resolves when the first connection listens. */
  readonly ready: Promise<void>;
}

/** Wait before listening is tried again, milliseconds. */
const RETRY_MS = 500;
/** A listener that hears nothing sees at least this, so that a dead line is noticed. */
export const HEARTBEAT_MS = 15_000;

export function createHub(url: string, logger: Logger): Hub {
  const listeners = new Set<Listener>();
  let client: pg.Client | null = null;
  let closed = false;
  let timer: NodeJS.Timeout | null = null;
  let isReady: () => void = () => undefined;
  const ready = new Promise<void>((resolve) => (isReady = resolve));
  const tell = (change: Change) => {
    for (const listener of listeners) listener(change);
  };
  const again = () => {
    client = null;
    if (!closed) timer = setTimeout(() => void listen(), RETRY_MS);
  };
  async function listen(): Promise<void> {
    const next = new pg.Client({ connectionString: url, application_name: 'amber-gauge listens', keepAlive: true });
    next.on('notification', ({ payload }) => tell(payload ?? null));
    next.once('error', (error) => {
      logger.warn({ err: error.message }, 'the listening connection was lost');
      void next.end().catch(() => undefined);
      again();
    });
    try {
      await next.connect();
      await next.query('listen job_changed');
      client = next;
      if (closed) return await next.end();
      isReady();
      tell(null);
    } catch {
      next.removeAllListeners('error');
      next.on('error', () => undefined);
      void next.end().catch(() => undefined);
      again();
    }
  }
  void listen();
  return {
    ready,
    subscribe: (listener) => {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
    close: async () => {
      closed = true;
      if (timer) clearTimeout(timer);
      listeners.clear();
      await client?.end().catch(() => undefined);
    },
  };
}
