/** Routes of the sounds of clips: size-limited before they are read, written anew before they are kept. */
import { attachmentKeptSchema } from '@amber-gauge/contract';
import express, { type RequestHandler, type Router } from 'express';
import { z } from 'zod';
import { HttpError } from '../../http/errors.js';
import { apiRouter, send } from '../../http/wire.js';
import { findJob } from '../jobs/repository.js';
import type { Services } from '../jobs/service.js';
import { clipRoomLeft, findClip, insertClip, sha256Of } from './repository.js';
import { keptSound } from './sound.js';
import { say } from '@amber-gauge/core/words';

/** Largest sound taken, bytes: half a minute at 48 kHz, or ten seconds at 192 kHz, 16 bit, mono. */
const CLIP_LIMIT = 4 * 1024 * 1024;

export function clipRoutes({ db, now }: Services): Router {
  const router = apiRouter();
  /** The job is there and has room: only then is the sound read. */
  const roomFirst: RequestHandler = async (req, _res, next) => {
    const jobId = req.params.id as string;
    if (!(await findJob(db, jobId))) throw new HttpError('NOT_FOUND');
    const known = await findClip(db, clipId(req.params.clipId));
    const full = known ? null : await clipRoomLeft(db, jobId);
    if (full) throw new HttpError('TOO_LARGE', { fields: { clip: full } });
    next();
  };
  const raw = express.raw({ type: 'audio/wav', limit: CLIP_LIMIT });
  router.put('/jobs/:id/clips/:clipId', roomFirst, raw, async (req, res) => {
    const jobId = req.params.id as string;
    const id = clipId(req.params.clipId);
    if (!Buffer.isBuffer(req.body)) throw new HttpError('BAD_REQUEST', { fields: { body: say`an empty clip` } });
    const sha256 = sha256Of(req.body);
    if (!(await findClip(db, id))) await insertClip(db, jobId, { id, bytes: await keptSound(req.body), sha256 }, now());
    const kept = await findClip(db, id);
    if (kept?.jobId !== jobId || kept.sha256 !== sha256)
      throw new HttpError('CONFLICT', { present: { id, sha256: kept?.sha256 } });
    send(res, attachmentKeptSchema, { id, sha256 }, 201);
  });
  router.get('/clips/:clipId', async (req, res) => {
    const clip = await findClip(db, clipId(req.params.clipId));
    if (!clip) throw new HttpError('NOT_FOUND');
    res.setHeader('Cache-Control', 'private, max-age=31536000, immutable');
    res.attachment('clip.wav').type('audio/wav').send(clip.bytes);
  });
  return router;
}

function clipId(value: unknown): string {
  const id = z.uuid().safeParse(value);
  if (!id.success) throw new HttpError('NOT_FOUND');
  return id.data;
}
