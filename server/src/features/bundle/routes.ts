/** Routes of job bundles. Mounted before the small limit on bodies: a bundle carries pictures. */
import { BUNDLE_MOST_BYTES, importedSchema } from '@amber-gauge/contract';
import { jobLabel } from '@amber-gauge/core/bench';
import express, { type Router } from 'express';
import { HttpError } from '../../http/errors.js';
import { apiRouter, send, storableOnly } from '../../http/wire.js';
import type { Services } from '../jobs/service.js';
import { bundleOf, importBundle } from './service.js';

export function bundleRoutes(services: Services): Router {
  const router = apiRouter();
  router.get('/jobs/:id/bundle.json', async (req, res) => {
    const bundle = await bundleOf(services, req.params.id);
    const text = JSON.stringify(bundle);
    if (text.length > BUNDLE_MOST_BYTES) throw new HttpError('TOO_LARGE');
    res
      .attachment(`job-${jobLabel(bundle.job)}.json`)
      .type('application/json')
      .send(text);
  });
  let busy = false;
  router.post('/bundles', express.json({ limit: BUNDLE_MOST_BYTES }), storableOnly, async (req, res) => {
    // One at a time: each may take much memory.
    if (busy) throw new HttpError('NOT_READY');
    busy = true;
    try {
      send(res, importedSchema, await importBundle(services, req.body), 201);
    } finally {
      busy = false;
    }
  });
  return router;
}
