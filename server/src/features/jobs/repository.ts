/** SQL of jobs and of the state that lists show. */
import type { Job, JobFields, KeptEvent, UnreadableLine } from '@amber-gauge/contract';
import { jobNumber, jobState, nextWish } from '@amber-gauge/core/bench';
import { FAMILIES } from '@amber-gauge/core/families';
import type { Db } from '../../db/connect.js';
import { heldLog } from '../events/longLogs.js';
import { logOf } from '../events/repository.js';

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

/**
 * Computes the job's state from its log and writes it where lists read it. Call inside the writing
 * transaction. A log that no state can be computed from says so in the list and stops nothing.
 */
export async function refreshState(trx: Db, job: Job, now: Date): Promise<void> {
  let { events, unreadable } = await heldLog(trx, job.id);
  let state: StateFields | null = stateRow(job, events, unreadable, now);
  if (!state) {
    // A row taken on trust is not what it should be: each is read by the contract.
    ({ events, unreadable } = await logOf(trx, job.id));
    state = stateRow(job, events, unreadable, now) ?? unknownState(job, now);
  }
  const row = {
    job_id: job.id,
    ...state,
    line_count: events.length + unreadable.length,
    moved_at: state.last_at ?? job.createdAt,
    search: searchText(job),
  };
  await trx('job_state').insert(row).onConflict('job_id').merge();
}

/** What a unit is found by, in lower case. */
function searchText(job: Job): string {
  const family = FAMILIES.find((one) => one.id === job.familyId)?.name ?? '';
  const words = [jobNumber(job.number), job.make, job.model, job.serial, job.customer, family, job.complaint];
  return words.filter(Boolean).join(' ').toLowerCase();
}

/** What is computed from a log for the lists, by column. */
interface StateFields {
  readonly next_stage: string;
  readonly next_kind: string;
  readonly next_text: string;
  readonly next_until: string | null;
  readonly timers: string;
  readonly next_due: string | null;
  readonly power: string;
  readonly speeds: string;
  readonly last_at: string | Date | null;
}

/** The state as lists show it; null when it cannot be computed from these lines. */
function stateRow(
  job: Job,
  events: readonly KeptEvent[],
  unreadable: readonly UnreadableLine[],
  now: Date,
): StateFields | null {
  try {
    const state = jobState(job, events, unreadable);
    const next = nextWish(job, state, now);
    const open = state.timers.filter((timer) => timer.end === null);
    return {
      next_stage: next.stage,
      next_kind: next.kind,
      next_text: next.text,
      next_until: next.until,
      timers: JSON.stringify(open),
      next_due: open.map((timer) => timer.dueAt).sort()[0] ?? null,
      power: state.power,
      speeds: JSON.stringify(state.speeds.map(briefSpeed)),
      last_at: state.lastAt,
    };
  } catch {
    return null;
  }
}

/** What lists show of a unit whose log no state can be computed from: the dangerous thing. */
function unknownState(job: Job, now: Date): StateFields {
  return {
    next_stage: 'take-in',
    next_kind: 'hands',
    next_text: 'its log cannot be worked out: open it, and measure before touching',
    next_until: null,
    timers: '[]',
    next_due: null,
    power: job.powerKind === 'pack' ? 'pack-in' : 'live-direct',
    speeds: '[]',
    last_at: now,
  };
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
