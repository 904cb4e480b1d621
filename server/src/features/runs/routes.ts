/** Routes of speed runs and of recordings that one chose to keep. */
import { createHash } from 'node:crypto';
import { fileRunSchema, newRunSchema, runListSchema, runSchema } from '@amber-gauge/contract';
import express, { type RequestHandler, type Router } from 'express';
import { z } from 'zod';
import { HttpError } from '../../http/errors.js';
import { apiRouter, body, send } from '../../http/wire.js';
import { findJob } from '../jobs/repository.js';
import type { Services } from '../jobs/service.js';
import { presentSettings } from '../settings/repository.js';
import { fileRun, findRun, insertRun, keepRecording, listRuns, recordingOf } from './repository.js';
import { say } from '@amber-gauge/core/words';

/** Largest recording kept, bytes: ten minutes at 48 kHz, 16 bit, mono, and a little. */
const RECORDING_LIMIT = 64 * 1024 * 1024;

export function runRoutes({ db }: Services): Router {
  const router = apiRouter();
  router.get('/runs', async (req, res) => {
    const { jobId } = z.object({ jobId: z.uuid().optional() }).parse(req.query);
    const { demoShown } = await presentSettings(db);
    send(res, runListSchema, { runs: await listRuns(db, jobId ?? null, demoShown) });
  });
  router.post('/runs', async (req, res) => {
    const run = body(req, newRunSchema);
    const job = run.jobId === null ? null : await findJob(db, run.jobId);
    if (run.jobId !== null && !job) throw new HttpError('UNKNOWN_REFERENCE', { fields: { jobId: say`no such job` } });
    await insertRun(db, run, job?.demo ?? false);
    const kept = await findRun(db, run.id);
    // Filed elsewhere since, it is still the same run.
    if (!kept || kept.sha256 !== run.sha256 || Date.parse(kept.measuredAt) !== Date.parse(run.measuredAt))
      throw new HttpError('CONFLICT', { present: kept });
    send(res, runSchema, kept, 201);
  });
  router.get('/runs/:id', async (req, res) => {
    send(res, runSchema, await present(db, req.params.id));
  });
  router.post('/runs/:id/file', async (req, res) => {
    const { jobId } = body(req, fileRunSchema);
    const run = await present(db, req.params.id);
    const filed = await fileRun(db, run.id, jobId);
    if (!filed && run.jobId !== jobId) throw new HttpError('CONFLICT', { present: run });
    send(res, runSchema, await present(db, run.id));
  });
  const raw = express.raw({ type: 'audio/wav', limit: RECORDING_LIMIT });
  /** The run is there: only then is its recording read. */
  const runFirst: RequestHandler = async (req, _res, next) => {
    await present(db, req.params.id as string);
    next();
  };
  router.put('/runs/:id/recording', runFirst, raw, async (req, res) => {
    const run = await present(db, req.params.id as string);
    const bytes = req.body as Buffer;
    const sha256 = createHash('sha256').update(bytes).digest('hex');
    if (sha256 !== run.sha256)
      throw new HttpError('BAD_REQUEST', { fields: { body: say`this is not the recording that was measured` } });
    await keepRecording(db, run.id, bytes);
    send(res, runSchema, await present(db, run.id));
  });
  router.get('/runs/:id/recording', async (req, res) => {
    const run = await present(db, req.params.id);
    const bytes = await recordingOf(db, run.id);
    if (!bytes) throw new HttpError('NOT_FOUND');
    res.attachment(run.fileName).type('audio/wav').send(bytes);
  });
  return router;
}

async function present(db: Services['db'], id: string) {
  const run = await findRun(db, id);
  if (!run) throw new HttpError('NOT_FOUND');
  return run;
}
