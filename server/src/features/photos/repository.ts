/** SQL of photos. */
import type { Db } from '../../db/connect.js';
import type { MadePicture } from './picture.js';

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
  photo: { id: string; jobId: string; picture: MadePicture; sha256: string; at: Date },
): Promise<void> {
  await db('photo')
    .insert({
      id: photo.id,
      job_id: photo.jobId,
      media_type: photo.picture.mediaType,
      bytes: photo.picture.bytes,
      thumb: photo.picture.thumb,
      sha256: photo.sha256,
      created_at: photo.at,
    })
    .onConflict('id')
    .ignore();
}

/** Pictures that one job may hold, and bytes. */
const MOST_PHOTOS = 300;
const MOST_BYTES = 300e6;

/** Why a job takes no more pictures, or null while it does. */
export async function roomLeft(db: Db, jobId: string): Promise<string | null> {
  const held = (await db('photo')
    .where({ job_id: jobId })
    .first(db.raw('count(*)::int as photos'), db.raw('coalesce(sum(octet_length(bytes)), 0)::bigint as bytes'))) as {
    photos: number;
    bytes: number;
  };
  if (held.photos >= MOST_PHOTOS) return `this job holds ${MOST_PHOTOS} pictures already, which is the most`;
  if (held.bytes >= MOST_BYTES) return `this job holds ${MOST_BYTES / 1e6} MB of pictures already, which is the most`;
  return null;
}

/** Pictures older than this that no line names are swept, days: their line waits in no browser any more. */
const ORPHAN_DAYS = 30;

/** Throws away pictures that no line names; how many. */
export async function sweepOrphans(db: Db, now: Date): Promise<number> {
  return db('photo')
    .where('created_at', '<', new Date(now.getTime() - ORPHAN_DAYS * 24 * 3600 * 1000))
    .whereNotExists(
      db('job_event')
        .whereRaw('job_event.job_id = photo.job_id')
        .where({ kind: 'photo' })
        .whereRaw(`job_event.body ->> 'photoId' = photo.id::text`),
    )
    .delete();
}

/** The job that holds a photo and its hash, or null. */
export async function findPhoto(db: Db, id: string): Promise<{ jobId: string; sha256: string } | null> {
  const row = await db<PhotoRow>('photo').where({ id }).first('job_id', 'sha256');
  return row ? { jobId: row.job_id, sha256: row.sha256 } : null;
}

/** The jobs that hold photos, by the photos' ids. */
export async function jobsOfPhotos(db: Db, ids: readonly string[]): Promise<ReadonlyMap<string, string>> {
  if (ids.length === 0) return new Map();
  const rows = await db<PhotoRow>('photo')
    .whereIn('id', [...ids])
    .select('id', 'job_id');
  return new Map(rows.map((row) => [row.id, row.job_id]));
}

/** The picture, or its small one where it has one. */
export async function pictureOf(
  db: Db,
  id: string,
  small: boolean,
): Promise<{ readonly mediaType: string; readonly bytes: Buffer } | null> {
  const row = await db<PhotoRow>('photo').where({ id }).first();
  if (!row) return null;
  return small && row.thumb
    ? { mediaType: 'image/jpeg', bytes: row.thumb }
    : { mediaType: row.media_type, bytes: row.bytes };
}

/** Pictures of a job with their bytes, oldest first. */
export async function photosOfJob(
  db: Db,
  jobId: string,
): Promise<
  {
    readonly id: string;
    readonly mediaType: MadePicture['mediaType'];
    readonly bytes: Buffer;
    readonly sha256: string;
  }[]
> {
  const rows = await db<PhotoRow>('photo').where({ job_id: jobId }).orderBy(['created_at', 'id']);
  return rows.map(({ id, media_type, bytes, sha256 }) => ({
    id,
    mediaType: media_type as MadePicture['mediaType'],
    bytes,
    sha256,
  }));
}
