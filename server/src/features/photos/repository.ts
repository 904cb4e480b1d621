/** SQL of photos. */
import type { Db } from '../../db/connect.js';

export interface Picture {
  readonly mediaType: string;
  readonly bytes: Buffer;
}

interface PhotoRow {
  id: string;
  job_id: string;
  media_type: string;
  bytes: Buffer;
  thumb: Buffer | null;
  sha256: string;
  created_at: Date;
}

/** Keeps a photo; the same id again leaves the first. */
export async function insertPhoto(
  db: Db,
  photo: { id: string; jobId: string; picture: Picture; sha256: string; at: Date },
): Promise<void> {
  await db('photo')
    .insert({
      id: photo.id,
      job_id: photo.jobId,
      media_type: photo.picture.mediaType,
      bytes: photo.picture.bytes,
      sha256: photo.sha256,
      created_at: photo.at,
    })
    .onConflict('id')
    .ignore();
}

export async function setThumb(db: Db, id: string, thumb: Buffer): Promise<void> {
  await db('photo').where({ id }).update({ thumb });
}

/** The job that holds a photo and its hash, or null. */
export async function findPhoto(db: Db, id: string): Promise<{ jobId: string; sha256: string } | null> {
  const row = await db<PhotoRow>('photo').where({ id }).first('job_id', 'sha256');
  return row ? { jobId: row.job_id, sha256: row.sha256 } : null;
}

/** The picture, or its small one where it has one. */
export async function pictureOf(db: Db, id: string, small: boolean): Promise<Picture | null> {
  const row = await db<PhotoRow>('photo').where({ id }).first();
  if (!row) return null;
  return small && row.thumb
    ? { mediaType: 'image/jpeg', bytes: row.thumb }
    : { mediaType: row.media_type, bytes: row.bytes };
}
