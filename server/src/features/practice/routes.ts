/** The list of practice units. Their jobs and logs go the way of every job. */
import { practiceListSchema } from '@amber-gauge/contract';
import type { Router } from 'express';
import type { Db } from '../../db/connect.js';
import { apiRouter, send } from '../../http/wire.js';
import { lessonsDone, listPractice } from './repository.js';

export function practiceRoutes({ db }: { readonly db: Db }): Router {
  const router = apiRouter();
  router.get('/practice', async (_req, res) => {
    const [units, lessons] = await Promise.all([listPractice(db), lessonsDone(db)]);
    send(res, practiceListSchema, { units, lessons });
  });
  return router;
}
