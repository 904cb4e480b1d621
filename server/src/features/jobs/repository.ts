/** SQL of jobs and of the state that lists show. */
import type { Job, JobFields, ListTimer } from '@amber-gauge/contract';
import { isDue, jobState, nextWish } from '@amber-gauge/core/bench';
import type { Db } from '../../db/connect.js';
import { eventsOf } from '../events/repository.js';

interface JobRow {
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
}

const toJob = (row: JobRow): Job => ({
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
}

/** Inserts a job with the next number; a known id is left as it is. */
export async function insertJob(
  db: Db,
  job: NewJob,
  options: { demo: boolean; at: Date; number?: number },
): Promise<void> {
  const number = options.number ?? db.raw("nextval('job_number')");
  await db('job')
    .insert({ id: job.id, number, ...columns(job), demo: options.demo, version: 1, created_at: options.at })
    .onConflict('id')
    .ignore();
}

export async function findJob(db: Db, id: string): Promise<Job | null> {
  const row = await db<JobRow>('job').where({ id }).first();
  return row ? toJob(row) : null;
}

export async function jobsOfFamily(db: Db, familyId: string): Promise<Job[]> {
  const rows = await db<JobRow>('job').where({ family_id: familyId });
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

/** A job as a list shows it. */
export interface JobListRow {
  readonly job: Job;
  readonly next: { stage: string; kind: string; text: string; until: string | null };
  readonly power: string;
  readonly speeds: unknown;
  readonly timers: readonly ListTimer[];
  readonly lineCount: number;
  readonly lastAt: string | null;
}

interface StateRow {
  next_stage: string;
  next_kind: string;
  next_text: string;
  next_until: Date | null;
  timers: ListTimer[];
  power: string;
  speeds: unknown;
  line_count: number;
  last_at: Date | null;
}

/** Jobs with their present state, newest movement first; demo jobs only when they are shown. */
export async function listJobs(db: Db, withDemo: boolean, now: Date): Promise<JobListRow[]> {
  const query = db<JobRow>('job').join('job_state', 'job_state.job_id', 'job.id');
  if (!withDemo) void query.where('job.demo', false);
  const rows = (await query
    .select(
      'job.*',
      'next_stage',
      'next_kind',
      'next_text',
      'next_until',
      'timers',
      'power',
      'speeds',
      'line_count',
      'last_at',
    )
    .orderByRaw('coalesce(last_at, job.created_at) desc, job.number desc')) as (JobRow & StateRow)[];
  return rows.map((row) => ({
    job: toJob(row),
    next: nextAt(row, now),
    power: row.power,
    speeds: row.speeds,
    timers: row.timers,
    lineCount: row.line_count,
    lastAt: row.last_at?.toISOString() ?? null,
  }));
}

/** The wish as it was computed last; a timer that has run out since then comes before it. */
function nextAt(row: StateRow, now: Date): JobListRow['next'] {
  const due = row.next_kind === 'done' ? undefined : row.timers.find((timer) => isDue({ ...timer, end: null }, now));
  if (due) return { stage: row.next_stage, kind: 'hands', text: `${due.label} done: look at it`, until: null };
  return {
    stage: row.next_stage,
    kind: row.next_kind,
    text: row.next_text,
    until: row.next_until?.toISOString() ?? null,
  };
}

/** Computes the job's state from its log and writes it where lists read it. Call inside the writing transaction. */
export async function refreshState(trx: Db, job: Job, now: Date): Promise<void> {
  const events = await eventsOf(trx, job.id);
  const state = jobState(job, events);
  const next = nextWish(job, state, now);
  const row = {
    job_id: job.id,
    next_stage: next.stage,
    next_kind: next.kind,
    next_text: next.text,
    next_until: next.until,
    timers: JSON.stringify(state.timers.filter((timer) => timer.end === null)),
    power: state.power,
    speeds: JSON.stringify(state.speeds.map(briefSpeed)),
    line_count: events.length,
    last_at: state.lastAt,
  };
  await trx('job_state').insert(row).onConflict('job_id').merge();
}

function briefSpeed(pair: ReturnType<typeof jobState>['speeds'][number]) {
  const reading = pair.asLeft ?? pair.latest;
  return {
    speedId: pair.speedId,
    label: pair.label,
    nominalRpm: pair.nominalRpm,
    reading: reading && {
      turned: reading.speed.turned,
      errorPercent: reading.speed.errorPercent,
      expandedPercent: reading.speed.expandedPercent,
      wowPeakPercent: reading.speed.wowPeakPercent,
      rpm: reading.speed.rpm,
      verdict: reading.verdict.kind,
      side: reading.verdict.kind === 'not-right' ? reading.verdict.side : null,
    },
  };
}
