/** Routes of photos: size-limited, the type told by the bytes, never by the name. */
import { photoKeptSchema } from '@amber-gauge/contract';
import express, { type Router } from 'express';
import { fileTypeFromBuffer } from 'file-type';
import { createHash } from 'node:crypto';
import { z } from 'zod';
import { HttpError } from '../../http/errors.js';
import { apiRouter, send } from '../../http/wire.js';
import { findJob } from '../jobs/repository.js';
import type { Services } from '../jobs/service.js';
import { findPhoto, insertPhoto, pictureOf, setThumb, type Picture } from './repository.js';

/** Largest picture and largest small picture kept, bytes; the page shrinks to far less. */
export const PHOTO_LIMIT = 8 * 1024 * 1024;
export const THUMB_LIMIT = 256 * 1024;

const TYPES = ['image/jpeg', 'image/png', 'image/webp'];

export function photoRoutes({ db, now }: Services): Router {
  const router = apiRouter();
  const raw = (limit: number) => express.raw({ type: 'application/octet-stream', limit });
  router.put('/jobs/:id/photos/:photoId', raw(PHOTO_LIMIT), async (req, res) => {
    const jobId = req.params.id as string;
    const id = photoId(req.params.photoId);
    if (!(await findJob(db, jobId))) throw new HttpError('NOT_FOUND');
    const picture = await sniffed(req.body);
    const sha256 = createHash('sha256').update(picture.bytes).digest('hex');
    await insertPhoto(db, { id, jobId, picture, sha256, at: now() });
    const kept = await findPhoto(db, id);
    if (kept?.jobId !== jobId || kept.sha256 !== sha256)
      throw new HttpError('CONFLICT', { present: { id, sha256: kept?.sha256 } });
    send(res, photoKeptSchema, { id, sha256 }, 201);
  });
  router.put('/photos/:photoId/thumb', raw(THUMB_LIMIT), async (req, res) => {
    const id = photoId(req.params.photoId);
    const kept = await findPhoto(db, id);
    if (!kept) throw new HttpError('NOT_FOUND');
    const picture = await sniffed(req.body);
    if (picture.mediaType !== 'image/jpeg')
      throw new HttpError('UNSUPPORTED_TYPE', { fields: { body: 'small pictures are JPEG' } });
    await setThumb(db, id, picture.bytes);
    send(res, photoKeptSchema, { id, sha256: kept.sha256 });
  });
  for (const [path, small] of [
    ['/photos/:photoId', false],
    ['/photos/:photoId/thumb', true],
  ] as const)
    router.get(path, async (req, res) => {
      const picture = await pictureOf(db, photoId(req.params.photoId), small);
      if (!picture) throw new HttpError('NOT_FOUND');
      res.setHeader('Cache-Control', 'private, max-age=31536000, immutable');
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

/** The bytes with the type that they themselves say. */
async function sniffed(body: unknown): Promise<Picture> {
  if (!Buffer.isBuffer(body) || body.length === 0)
    throw new HttpError('BAD_REQUEST', { fields: { body: 'an empty picture' } });
  const type = await fileTypeFromBuffer(body);
  if (!type || !TYPES.includes(type.mime))
    throw new HttpError('UNSUPPORTED_TYPE', { fields: { body: 'send a JPEG, PNG or WebP picture' } });
  return { mediaType: type.mime, bytes: body };
}
