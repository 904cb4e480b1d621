/** Server-sent events: which job changed, and nothing else; the page fetches what it shows. */
import { Router, type Response } from 'express';
import { HEARTBEAT_MS, type Hub } from '../../db/hub.js';

/** Bytes that may wait for a page to read them. */
const MOST_UNREAD = 256 * 1024;
/** Milliseconds after which a page whose stream broke tries again. */
const RETRY_MS = 500;

export interface StreamRoutes {
  readonly router: Router;
  /** Ends every stream, so that the server can stop. */
  end(): void;
}

export function streamRoutes(hub: Hub): StreamRoutes {
  const open = new Set<Response>();
  const router = Router();
  router.get('/stream', (req, res) => {
    res.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-store', connection: 'keep-alive' });
    res.write(`retry: ${RETRY_MS}\n\nevent: all\ndata: {}\n\n`);
    open.add(res);
    const say = (text: string) => {
      // A page that does not read is let go of: it asks for everything when it comes back.
      if (res.writableLength > MOST_UNREAD) res.destroy();
      else res.write(text);
    };
    const leave = hub.subscribe((change) =>
      say(change === null ? 'event: all\ndata: {}\n\n' : `event: job\ndata: ${JSON.stringify({ id: change })}\n\n`),
    );
    const beat = setInterval(() => say(': still here\n\n'), HEARTBEAT_MS);
    req.on('close', () => {
      clearInterval(beat);
      leave();
      open.delete(res);
    });
  });
  return {
    router,
    end: () => {
      for (const res of open) res.end();
    },
  };
}
