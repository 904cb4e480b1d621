/**
 * The live reading for a second screen: frames come in from the device that listens and go out to those that follow,
 * through PostgreSQL's notifications, so that any server process may carry either. Nothing is stored.
 */
import { liveAnswerSchema, liveCaptureSchema, liveFrameSchema, type LiveFrame } from '@amber-gauge/contract';
import { Router, type Response } from 'express';
import { z } from 'zod';
import { HEARTBEAT_MS, LIVE_CHANNEL, type Hub } from '../../db/hub.js';
import type { Services } from '../jobs/service.js';
import { HttpError } from '../../http/errors.js';
import { body, send } from '../../http/wire.js';
import { notifyLive } from './repository.js';

/** Followers of one process, frames a second of one sender, bytes that may wait for a follower, senders remembered. */
const MOST_FOLLOWERS = 20;
const FRAMES_PER_S = 12;
const MOST_UNREAD = 64 * 1024;
const MOST_SENDERS = 50;
/** Followers of another process count for so long, milliseconds; theirs are told of every half of it. */
const FOLLOWED_MS = 4000;

/** What goes over the notification. */
type Told =
  | { readonly kind: 'frame'; readonly frame: LiveFrame }
  | { readonly kind: 'capture'; readonly sender: string }
  | { readonly kind: 'followed' };

export interface LiveRoutes {
  readonly router: Router;
  /** Ends every follower's stream, so that the server can stop. */
  end(): void;
}

export function liveRoutes({ db, now }: Pick<Services, 'db' | 'now'>, hub: Hub): LiveRoutes {
  const open = new Set<Response>();
  const captures = new Map<string, number>();
  const lastFrame = new Map<string, number>();
  let followedUntil = 0;
  const tell = (told: Told) => notifyLive(db, LIVE_CHANNEL, JSON.stringify(told));
  const leave = hub.subscribeLive((payload) => {
    const told = JSON.parse(payload) as Told;
    if (told.kind === 'followed') followedUntil = now().getTime() + FOLLOWED_MS;
    else if (told.kind === 'capture') remember(captures, told.sender, (captures.get(told.sender) ?? 0) + 1);
    else for (const res of open) give(res, told.frame);
  });
  const beat = setInterval(() => {
    for (const res of open) res.write(': still here\n\n');
    if (open.size > 0) void tell({ kind: 'followed' }).catch(() => undefined);
  }, FOLLOWED_MS / 2);
  beat.unref();
  const router = Router();
  router.post('/live/frames', async (req, res) => {
    const frame = body(req, liveFrameSchema);
    const at = now().getTime();
    const due = at - (lastFrame.get(frame.sender) ?? 0) >= 1000 / FRAMES_PER_S;
    if (due) {
      remember(lastFrame, frame.sender, at);
      await tell({ kind: 'frame', frame });
    }
    const followed = open.size > 0 || at < followedUntil;
    send(res, liveAnswerSchema, { followed, capture: captures.get(frame.sender) ?? 0 });
  });
  router.post('/live/captures', async (req, res) => {
    await tell({ kind: 'capture', sender: body(req, liveCaptureSchema).sender });
    send(res, z.object({}), {});
  });
  router.get('/live/stream', (req, res) => {
    if (open.size >= MOST_FOLLOWERS) throw new HttpError('TOO_MANY');
    res.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-store', connection: 'keep-alive' });
    res.write(`retry: ${HEARTBEAT_MS / 30}\n\n`);
    open.add(res);
    void tell({ kind: 'followed' }).catch(() => undefined);
    req.on('close', () => open.delete(res));
  });
  return {
    router,
    end: () => {
      leave();
      clearInterval(beat);
      for (const res of open) res.end();
    },
  };
}

/** A frame to one follower; one that does not read is let go of. */
function give(res: Response, frame: LiveFrame): void {
  if (res.writableLength > MOST_UNREAD) res.destroy();
  else res.write(`event: frame\ndata: ${JSON.stringify(frame)}\n\n`);
}

/** The newest senders are remembered, no more. */
function remember(map: Map<string, number>, key: string, value: number): void {
  map.delete(key);
  map.set(key, value);
  for (const old of map.keys()) if (map.size > MOST_SENDERS) map.delete(old);
}
