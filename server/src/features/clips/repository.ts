/** SQL of the sounds of clips. */
import { createHash } from 'node:crypto';
import type { Db } from '../../db/connect.js';

interface ClipRow {
  id: string;
  job_id: string;
  bytes: Buffer;
  sha256: string;
  created_at: Date;
}

/** A sound with its hash: of what was sent, so that the same again is known. */
export interface ClipSoundRow {
  readonly id: string;
  readonly bytes: Buffer;
  readonly sha256: string;
}

/** Sounds that one job may hold. */
const MOST_CLIPS = 100;

/** SHA-256 in hexadecimal. */
export const sha256Of = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');

/** Keeps a sound; the same id again leaves the first. */
export async function insertClip(db: Db, jobId: string, { id, bytes, sha256 }: ClipSoundRow, at: Date): Promise<void> {
  await db('clip_sound').insert({ id, job_id: jobId, bytes, sha256, created_at: at }).onConflict('id').ignore();
}

/** Why a job takes no more sounds, or null while it does. */
export async function clipRoomLeft(db: Db, jobId: string): Promise<string | null> {
  const { held } = (await db('clip_sound').where({ job_id: jobId }).first(db.raw('count(*)::int as held'))) as {
    held: number;
  };
  return held >= MOST_CLIPS ? `this job holds ${MOST_CLIPS} clips already, which is the most` : null;
}

/** The job that holds a sound, its hash and its bytes, or null. */
export async function findClip(db: Db, id: string): Promise<(ClipSoundRow & { readonly jobId: string }) | null> {
  const row = await db<ClipRow>('clip_sound').where({ id }).first();
  return row ? { id, jobId: row.job_id, bytes: row.bytes, sha256: row.sha256 } : null;
}

/** The jobs that hold sounds, by the clips' ids. */
export async function jobsOfClips(db: Db, ids: readonly string[]): Promise<ReadonlyMap<string, string>> {
  if (ids.length === 0) return new Map();
  const rows = await db<ClipRow>('clip_sound')
    .whereIn('id', [...ids])
    .select('id', 'job_id');
  return new Map(rows.map((row) => [row.id, row.job_id]));
}

/** Sounds of a job, oldest first. */
export async function clipsOfJob(db: Db, jobId: string): Promise<ClipSoundRow[]> {
  return db<ClipRow>('clip_sound')
    .where({ job_id: jobId })
    .orderBy(['created_at', 'id'])
    .select('id', 'bytes', 'sha256');
}

/** Sounds older than this that no line names are swept, days: their line waits in no browser any more. */
const ORPHAN_DAYS = 30;

/** Throws away sounds that no line names; how many. */
export async function sweepClips(db: Db, now: Date): Promise<number> {
  return db('clip_sound')
    .where('created_at', '<', new Date(now.getTime() - ORPHAN_DAYS * 24 * 3600 * 1000))
    .whereNotExists(
      db('job_event')
        .whereRaw('job_event.job_id = clip_sound.job_id')
        .where({ kind: 'clip' })
        .whereRaw(`job_event.body ->> 'clipId' = clip_sound.id::text`),
    )
    .delete();
}
