/** Routes of Set-up. */
import { changeSettingsSchema, settingsSchema, timeSchema } from '@amber-gauge/contract';
import type { Router } from 'express';
import { z } from 'zod';
import { HttpError } from '../../http/errors.js';
import { apiRouter, body, send } from '../../http/wire.js';
import type { Services } from '../jobs/service.js';
import { presentSettings, showDemo, writeSettings } from './repository.js';

export function settingsRoutes({ db, now }: Services): Router {
  const router = apiRouter();
  router.get('/settings', async (_req, res) => {
    send(res, settingsSchema, await presentSettings(db));
  });
  router.patch('/settings', async (req, res) => {
    const wish = body(req, changeSettingsSchema);
    if (!(await writeSettings(db, wish.version, wish.fields))) {
      throw new HttpError('CONFLICT', { present: await presentSettings(db) });
    }
    send(res, settingsSchema, await presentSettings(db));
  });
  router.post('/settings/demo', async (req, res) => {
    await showDemo(db, body(req, z.object({ shown: z.boolean() })).shown);
    send(res, settingsSchema, await presentSettings(db));
  });
  router.get('/time', (_req, res) => {
    send(res, timeSchema, { now: now().toISOString() });
  });
  return router;
}
