/** Alive (the process answers) and ready (the database does too). */
import { Router } from 'express';
import { wireError } from '../../http/errors.js';
import type { Services } from '../jobs/service.js';

export function healthRoutes({ db }: Services): Router {
  const router = Router();
  router.get('/healthz', (_req, res) => {
    res.json({ ok: true });
  });
  router.get('/readyz', async (_req, res) => {
    try {
      await db.raw('select 1');
      res.json({ ok: true });
    } catch {
      res.status(503).json(wireError('NOT_READY'));
    }
  });
  return router;
}
