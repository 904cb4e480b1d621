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
  /** Calls `listener` with every live frame's text until the function returned is called. */
  subscribeLive(listener: (payload: string) => void): () => void;
  /** Calls `listener` when lines came onto the shelf until the function returned is called. */
  subscribeShelf(listener: () => void): () => void;
  /** Lets go of the database and of every listener. */
  close(): Promise<void>;
  /** Resolves when the first connection listens. */
  readonly ready: Promise<void>;
}

/** Frames of a live reading. */
export const LIVE_CHANNEL = 'live_frame';
/** Lines came onto the shelf. */
export const SHELF_CHANNEL = 'shelf_changed';
/** Wait before listening is tried again, milliseconds. */
const RETRY_MS = 500;
/** A listener that hears nothing sees at least this, so that a dead line is noticed. */
export const HEARTBEAT_MS = 15_000;

/** Who listens to one kind of news. */
function listeners<T>() {
  const all = new Set<(news: T) => void>();
  return {
    add: (listener: (news: T) => void) => {
      all.add(listener);
      return () => void all.delete(listener);
    },
    tell: (news: T) => {
      for (const listener of all) listener(news);
    },
    clear: () => all.clear(),
  };
}

export function createHub(url: string, logger: Logger): Hub {
  const jobs = listeners<Change>();
  const frames = listeners<string>();
  const shelves = listeners<undefined>();
  let client: pg.Client | null = null;
  let closed = false;
  let timer: NodeJS.Timeout | null = null;
  let isReady: () => void = () => undefined;
  const ready = new Promise<void>((resolve) => (isReady = resolve));
  const again = () => {
    client = null;
    if (!closed) timer = setTimeout(() => void listen(), RETRY_MS);
  };
  async function listen(): Promise<void> {
    const next = new pg.Client({ connectionString: url, application_name: 'amber-gauge listens', keepAlive: true });
    next.on('notification', ({ channel, payload }) => {
      if (channel === SHELF_CHANNEL) shelves.tell(undefined);
      else if (channel === LIVE_CHANNEL) frames.tell(payload ?? '');
      else jobs.tell(payload ?? null);
    });
    next.once('error', (error) => {
      logger.warn({ err: error.message }, 'the listening connection was lost');
      void next.end().catch(() => undefined);
      again();
    });
    try {
      await next.connect();
      await next.query(`listen job_changed; listen ${LIVE_CHANNEL}; listen ${SHELF_CHANNEL}`);
      client = next;
      if (closed) return await next.end();
      isReady();
      jobs.tell(null);
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
    subscribe: jobs.add,
    subscribeLive: frames.add,
    subscribeShelf: shelves.add,
    close: async () => {
      closed = true;
      if (timer) clearTimeout(timer);
      for (const all of [jobs, frames, shelves]) all.clear();
      await client?.end().catch(() => undefined);
    },
  };
}
