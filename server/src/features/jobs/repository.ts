/** SQL of jobs and of the rows that lists show. */
import type { Job, JobFields } from '@amber-gauge/contract';
import { searchText, type ListRow } from '@amber-gauge/core/bench';
import type { Db } from '../../db/connect.js';

export interface JobRow {
  id: string;
  number: number;
  family_id: string;
  make: string;
  model: string;
  serial: string;
  customer: string;
  power_kind: Job['powerKind'];
  rated_volts: number | null;
  speed_ids: string[];
  complaint: string;
  tried: string;
  tolerance: Job['tolerance'];
  demo: boolean;
  version: number;
  created_at: Date;
  practice: Job['practice'] | null;
}

export const toJob = (row: JobRow): Job => ({
  id: row.id,
  number: row.number,
  familyId: row.family_id,
  make: row.make,
  model: row.model,
  serial: row.serial,
  customer: row.customer,
  powerKind: row.power_kind,
  ratedVolts: row.rated_volts,
  speedIds: row.speed_ids,
  complaint: row.complaint,
  tried: row.tried,
  tolerance: row.tolerance,
  demo: row.demo,
  version: row.version,
  createdAt: row.created_at.toISOString(),
  ...(row.practice ? { practice: row.practice } : {}),
});

/** Columns of the fields given; absent fields stay as they are. */
function columns(fields: Partial<JobFields>): Record<string, unknown> {
  const all: Record<string, unknown> = {
    family_id: fields.familyId,
    make: fields.make,
    model: fields.model,
    serial: fields.serial,
    customer: fields.customer,
    power_kind: fields.powerKind,
    rated_volts: fields.ratedVolts,
    speed_ids: fields.speedIds,
    complaint: fields.complaint,
    tried: fields.tried,
    tolerance: fields.tolerance && JSON.stringify(fields.tolerance),
  };
  return Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined));
}

export interface NewJob extends JobFields {
  readonly id: string;
  readonly practice?: Job['practice'];
}

/** Inserts a job with the next number; a known id is left as it is. */
export async function insertJob(
  db: Db,
  job: NewJob,
  options: { demo: boolean; at: Date; number?: number },
): Promise<void> {
  const number = options.number ?? db.raw(`nextval('${job.practice ? 'practice_number' : 'job_number'}')`);
  const practice = job.practice ? JSON.stringify(job.practice) : null;
  await db('job')
    .insert({ id: job.id, number, ...columns(job), practice, demo: options.demo, version: 1, created_at: options.at })
    .onConflict('id')
    .ignore();
}

export async function findJob(db: Db, id: string): Promise<Job | null> {
  const row = await db<JobRow>('job').where({ id }).first();
  return row ? toJob(row) : null;
}

export async function jobsById(db: Db, ids: readonly string[]): Promise<Job[]> {
  const rows = await db<JobRow>('job').whereIn('id', [...ids]);
  return rows.map(toJob);
}

/** Holds the job's row until the transaction ends, so that its state is computed by one writer at a time. */
export async function lockJob(trx: Db, id: string): Promise<Job | null> {
  const row = await trx<JobRow>('job').where({ id }).forUpdate().first();
  return row ? toJob(row) : null;
}

export async function updateJob(db: Db, id: string, fields: Partial<JobFields>): Promise<void> {
  await db('job')
    .where({ id })
    .update({ ...columns(fields), version: db.raw('version + 1') });
}

/** Writes what lists show of a job, with the number of lines it was reckoned from. */
export async function saveRow(trx: Db, job: Job, listed: ListRow, lineCount: number): Promise<void> {
  const { next, power, speeds, timers, lastAt, book, chain } = listed;
  const row = {
    job_id: job.id,
    next_stage: next.stage,
    next_kind: next.kind,
    next_text: next.text,
    next_until: next.until,
    timers: JSON.stringify(timers),
    next_due: timers.map(({ dueAt }) => dueAt).sort()[0] ?? null,
    power,
    speeds: JSON.stringify(speeds),
    last_at: lastAt,
    line_count: lineCount,
    moved_at: lastAt ?? job.createdAt,
    search: searchText(job),
    handed_at: book.handedAt,
    return_of: book.returnOf,
    return_same: book.returnSame,
    faults: [...book.faults],
    mends: [...book.mends],
    stage_minutes: JSON.stringify(book.minutes),
    worth: book.worth,
    price: book.price,
    advice_rank: book.adviceRank,
    proved: book.proved,
    follow_ups: JSON.stringify(book.followUps),
    follow_next: book.followUps[0]?.on ?? null,
    words: trx.raw(`to_tsvector('simple', ?)`, [book.text]),
    chain: JSON.stringify(chain),
    book_at: trx.fn.now(),
  };
  await trx('job_state').insert(row).onConflict('job_id').merge();
}
