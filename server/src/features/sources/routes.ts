/** Routes of test tapes and records. */
import { changeSourceSchema, newSourceSchema, sourceListSchema, sourceSchema } from '@amber-gauge/contract';
import type { Router } from 'express';
import { HttpError } from '../../http/errors.js';
import { apiRouter, body, send } from '../../http/wire.js';
import type { Services } from '../jobs/service.js';
import { presentSettings } from '../settings/repository.js';
import { findSource, insertSource, listSources, updateSource } from './repository.js';

export function sourceRoutes({ db, now }: Services): Router {
  const router = apiRouter();
  router.get('/sources', async (_req, res) => {
    const { demoShown } = await presentSettings(db);
    send(res, sourceListSchema, { sources: await listSources(db, demoShown) });
  });
  router.post('/sources', async (req, res) => {
    const wish = body(req, newSourceSchema);
    await insertSource(db, wish, { demo: false, at: now() });
    send(res, sourceSchema, await findSource(db, wish.id), 201);
  });
  router.patch('/sources/:id', async (req, res) => {
    const wish = body(req, changeSourceSchema);
    const changed = await updateSource(db, req.params.id, wish.version, wish.fields);
    const present = await findSource(db, req.params.id);
    if (!present) throw new HttpError('NOT_FOUND');
    if (!changed) throw new HttpError('CONFLICT', { present });
    send(res, sourceSchema, present);
  });
  return router;
}
