/** Routes of backups: what is kept, one more now, and a try of the newest. */
import { backupStateSchema } from '@amber-gauge/contract';
import type { Router } from 'express';
import type { BackupKeeper } from '../../backup/keeper.js';
import { HttpError } from '../../http/errors.js';
import { apiRouter, send } from '../../http/wire.js';

/** Longest that a backup or its try may take, milliseconds. */
const WHOLE_BENCH_MS = 20 * 60_000;

/** @param keeper null where the server was not told where backups go. */
export function backupRoutes(keeper: BackupKeeper | null): Router {
  const router = apiRouter();
  const present = (): BackupKeeper => {
    if (!keeper) throw new HttpError('NOT_FOUND');
    return keeper;
  };
  // Whole benches take their time: the usual patience with a silent connection does not hold here.
  router.use('/backups', (req, _res, next) => {
    req.socket.setTimeout(WHOLE_BENCH_MS);
    next();
  });
  // A server that keeps none says so: nothing is wrong with asking.
  router.get('/backups', async (_req, res) => {
    send(res, backupStateSchema.nullable(), keeper ? await keeper.state() : null);
  });
  router.post('/backups', async (_req, res) => {
    await present().now();
    send(res, backupStateSchema, await present().state(), 201);
  });
  router.post('/backups/try', async (_req, res) => {
    await present().tryNewest();
    send(res, backupStateSchema, await present().state());
  });
  return router;
}
