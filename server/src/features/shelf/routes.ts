/** Routes of the shelf. */
import { addShelfSchema, shelfSchema } from '@amber-gauge/contract';
import { shelfOf } from '@amber-gauge/core/bench';
import type { Router } from 'express';
import { HttpError } from '../../http/errors.js';
import { apiRouter, body, send } from '../../http/wire.js';
import type { Services } from '../jobs/service.js';
import { presentSettings } from '../settings/repository.js';
import { addShelfLines, shelfLines } from './repository.js';

export function shelfRoutes({ db, now }: Services): Router {
  const router = apiRouter();
  router.get('/shelf', async (_req, res) => {
    const { demoShown } = await presentSettings(db);
    send(res, shelfSchema, { lines: await shelfLines(db, demoShown) });
  });
  router.post('/shelf', async (req, res) => {
    const { lines } = body(req, addShelfSchema);
    const kept = await db.transaction(async (trx) => {
      // One after the other: what is free is decided here, not on two screens.
      await trx.raw('lock table shelf_line in share row exclusive mode');
      const { demoShown } = await presentSettings(trx);
      const before = await shelfLines(trx, demoShown);
      const known = new Set(before.map((one) => one.key));
      const fresh = lines.filter((one) => !known.has(one.key));
      const today = now().toISOString().slice(0, 10);
      // A stroke may make an older line impossible: neither may be kept then.
      const old = new Set(shelfOf(before, today).problems.map((one) => one.key));
      const wrong = shelfOf([...before, ...fresh], today).problems.find((one) => !old.has(one.key));
      if (wrong) throw new HttpError('BAD_REQUEST', { fields: { lines: wrong.message } });
      if (fresh.length > 0) await addShelfLines(trx, fresh, { receivedAt: now(), demo: false });
      return shelfLines(trx, demoShown);
    });
    send(res, shelfSchema, { lines: kept }, 201);
  });
  return router;
}
