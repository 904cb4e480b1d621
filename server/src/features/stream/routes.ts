/**
 * Server-sent events: which job changed, and its row as lists show it; that the shelf changed. Every message has an id: a page
 * whose stream broke for a moment names the last one it heard and is told what came since.
 */
import { randomUUID } from 'node:crypto';
import type { JobListItem } from '@amber-gauge/contract';
import { Router, type Response } from 'express';
import { HEARTBEAT_MS, type Change, type Hub } from '../../db/hub.js';

/** Bytes that may wait for a page to read them. */
const MOST_UNREAD = 256 * 1024;
/** Milliseconds after which a page whose stream broke tries again. */
const RETRY_MS = 500;
/** Messages kept for pages that come back; one that missed more asks for everything. */
const MOST_KEPT = 500;

export interface StreamRoutes {
  readonly router: Router;
  /** Ends every stream, so that the server can stop. */
  end(): void;
}

interface Message {
  readonly id: string;
  readonly text: string;
}

/** @param rowOf the row of a job in lists, null where it is not shown. */
export function streamRoutes(hub: Hub, rowOf: (jobId: string) => Promise<JobListItem | null>): StreamRoutes {
  const open = new Set<Response>();
  const epoch = randomUUID();
  let count = 0;
  let kept: readonly Message[] = [];
  const message = (event: string, data: unknown): Message => {
    const id = `${epoch}:${++count}`;
    return { id, text: `id: ${id}\nevent: ${event}\ndata: ${JSON.stringify(data)}\n\n` };
  };
  const tell = (res: Response, text: string) => {
    // A page that does not read is let go of: it asks for what it missed when it comes back.
    if (res.writableLength > MOST_UNREAD) res.destroy();
    else res.write(text);
  };
  const sayAll = (one: Message) => {
    kept = [...kept.slice(1 - MOST_KEPT), one];
    for (const res of open) tell(res, one.text);
  };
  const changed = async (id: string) => sayAll(message('job', { id, item: await rowOf(id).catch(() => null) }));
  const leave = hub.subscribe(
    inTurn(async (change) => {
      if (change !== null) return changed(change);
      // Changes were missed: nobody can be told what came since.
      kept = [];
      sayAll(message('all', {}));
    }),
  );
  const leaveShelf = hub.subscribeShelf(() => sayAll(message('shelf', {})));
  const router = Router();
  router.get('/stream', (req, res) => {
    res.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-store', connection: 'keep-alive' });
    res.write(`retry: ${RETRY_MS}\n\n`);
    const heard = kept.findIndex(({ id }) => id === req.get('last-event-id'));
    const missed = heard < 0 ? [message('all', {})] : kept.slice(heard + 1);
    for (const { text } of missed) res.write(text);
    open.add(res);
    const beat = setInterval(() => tell(res, ': still here\n\n'), HEARTBEAT_MS);
    req.on('close', () => {
      clearInterval(beat);
      open.delete(res);
    });
  });
  return {
    router,
    end: () => {
      leave();
      leaveShelf();
      for (const res of open) res.end();
    },
  };
}

/** Changes one after another; of several that wait for one job the last alone is told. */
function inTurn(tell: (change: Change) => Promise<void>): (change: Change) => void {
  const waiting: Change[] = [];
  let busy = false;
  return (change) => {
    const before = waiting.indexOf(change);
    if (before >= 0) waiting.splice(before, 1);
    waiting.push(change);
    if (!busy) void work();
  };
  async function work(): Promise<void> {
    busy = true;
    for (let change = waiting.shift(); change !== undefined; change = waiting.shift()) await tell(change);
    busy = false;
  }
}
