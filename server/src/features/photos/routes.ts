/** Routes of photos: size-limited before they are read, made anew before they are kept. */
import { attachmentKeptSchema } from '@amber-gauge/contract';
import express, { type RequestHandler, type Router } from 'express';
import { createHash } from 'node:crypto';
import { z } from 'zod';
import { HttpError } from '../../http/errors.js';
import { apiRouter, send } from '../../http/wire.js';
import { findJob } from '../jobs/repository.js';
import type { Services } from '../jobs/service.js';
import { madePicture } from './picture.js';
import { findPhoto, insertPhoto, pictureOf, roomLeft } from './repository.js';
import { say } from '@amber-gauge/core/words';

/** Largest picture taken, bytes; the page shrinks to far less. */
const PHOTO_LIMIT = 8 * 1024 * 1024;

export function photoRoutes({ db, now }: Services): Router {
  const router = apiRouter();
  /** The job is there and has room: only then is the picture read. */
  const roomFirst: RequestHandler = async (req, _res, next) => {
    const jobId = req.params.id as string;
    if (!(await findJob(db, jobId))) throw new HttpError('NOT_FOUND');
    const known = await findPhoto(db, photoId(req.params.photoId));
    const full = known ? null : await roomLeft(db, jobId);
    if (full) throw new HttpError('TOO_LARGE', { fields: { photo: full } });
    next();
  };
  const raw = express.raw({ type: 'application/octet-stream', limit: PHOTO_LIMIT });
  router.put('/jobs/:id/photos/:photoId', roomFirst, raw, async (req, res) => {
    const jobId = req.params.id as string;
    const id = photoId(req.params.photoId);
    if (!Buffer.isBuffer(req.body) || req.body.length === 0)
      throw new HttpError('BAD_REQUEST', { fields: { body: say`an empty picture` } });
    // The hash is of what was sent: sent again it is known, whatever was made of it.
    const sha256 = createHash('sha256').update(req.body).digest('hex');
    if (!(await findPhoto(db, id)))
      await insertPhoto(db, { id, jobId, picture: await madePicture(req.body), sha256, at: now() });
    const kept = await findPhoto(db, id);
    if (kept?.jobId !== jobId || kept.sha256 !== sha256)
      throw new HttpError('CONFLICT', { present: { id, sha256: kept?.sha256 } });
    send(res, attachmentKeptSchema, { id, sha256 }, 201);
  });
  for (const [path, small] of [
    ['/photos/:photoId', false],
    ['/photos/:photoId/thumb', true],
  ] as const)
    router.get(path, async (req, res) => {
      const picture = await pictureOf(db, photoId(req.params.photoId), small);
      if (!picture) throw new HttpError('NOT_FOUND');
      res.setHeader('Cache-Control', 'private, max-age=31536000, immutable');
      res.setHeader('ETag', `"${createHash('sha256').update(picture.bytes).digest('hex')}"`);
      res.setHeader('Content-Disposition', 'inline');
      res.type(picture.mediaType).send(picture.bytes);
    });
  return router;
}

function photoId(value: unknown): string {
  const id = z.uuid().safeParse(value);
  if (!id.success) throw new HttpError('NOT_FOUND');
  return id.data;
}
