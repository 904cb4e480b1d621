/** What may be done with jobs and their logs; each change of the log renews the state in one transaction. */
import { jobToleranceSchema, type Job, type JobDetail, type JobFields } from '@amber-gauge/contract';
import { benchKnowledge, targetsOf, type BenchEvent, type BenchKnowledge } from '@amber-gauge/core/bench';
import { FAMILIES, PATHS } from '@amber-gauge/core/families';
import type { Db } from '../../db/connect.js';
import { HttpError } from '../../http/errors.js';
import { appendEvents, eventsOf, eventsOfFamily, jobOfKey } from '../events/repository.js';
import { presentSettings } from '../settings/repository.js';
import { findPhoto } from '../photos/repository.js';
import { findJob, insertJob, jobsOfFamily, lockJob, refreshState, updateJob, type NewJob } from './repository.js';

/** What a service needs of its surroundings. */
export interface Services {
  readonly db: Db;
  readonly now: () => Date;
}

/** Takes a unit in; the same id twice makes one job. */
export async function takeIn({ db, now }: Services, wish: NewJob): Promise<Job> {
  checkFamily(wish);
  return db.transaction(async (trx) => {
    // Looked up first: a number drawn for a request sent twice would leave a gap in the book.
    const known = await findJob(trx, wish.id);
    if (known) return known;
    await insertJob(trx, wish, { demo: false, at: now() });
    const job = await lockJob(trx, wish.id);
    if (!job) throw new HttpError('NOT_FOUND');
    await refreshState(trx, job, now());
    return job;
  });
}

export async function jobDetail({ db }: Services, id: string): Promise<JobDetail> {
  const job = await findJob(db, id);
  if (!job) throw new HttpError('NOT_FOUND');
  return { job, events: await eventsOf(db, id) };
}

/** What this bench knows of a family and a model; demo jobs count only while they are shown. */
export async function knownOf({ db }: Services, familyId: string, model: string): Promise<BenchKnowledge> {
  const path = PATHS.get(familyId);
  if (!path) throw new HttpError('NOT_FOUND');
  const { demoShown } = await presentSettings(db);
  const lines = await eventsOfFamily(db, familyId, demoShown);
  const jobs = await jobsOfFamily(db, familyId);
  const logs = jobs.flatMap((job) => {
    const own = lines.get(job.id);
    return own ? [{ job, lines: own }] : [];
  });
  return benchKnowledge(path, logs, model);
}

/** Appends lines to a job's log; every line that this returns is committed. */
export async function addLines({ db, now }: Services, jobId: string, events: readonly BenchEvent[]) {
  await db.transaction(async (trx) => {
    const job = await lockJob(trx, jobId);
    if (!job) throw new HttpError('NOT_FOUND');
    await refuseStrangers(trx, jobId, events);
    await appendEvents(trx, jobId, events, now());
    await refreshState(trx, job, now());
  });
  const keys = new Set(events.map((event) => event.key));
  return (await eventsOf(db, jobId)).filter((event) => keys.has(event.key));
}

/** Changes fields when `version` is still the present one; each change is a line of the log. */
export async function changeJob(
  { db, now }: Services,
  jobId: string,
  wish: {
    version: number;
    fields: Partial<JobFields>;
    key: string;
    enteredAt: string;
    device: string;
    sequence: number;
  },
): Promise<Job> {
  return db.transaction(async (trx) => {
    const job = await lockJob(trx, jobId);
    if (!job) throw new HttpError('NOT_FOUND');
    if ((await jobOfKey(trx, wish.key)) === jobId) return job;
    if (job.version !== wish.version) throw new HttpError('CONFLICT', { present: job });
    checkFamily({ ...job, ...wish.fields });
    const changed = changedFields(job, wish.fields);
    if (changed.length === 0) return job;
    await updateJob(trx, jobId, wish.fields);
    await appendEvents(trx, jobId, fieldLines(changed, wish), now());
    const after = (await lockJob(trx, jobId)) as Job;
    await refreshState(trx, after, now());
    return after;
  });
}

type FieldChange = { readonly field: string; readonly from: string; readonly to: string };

function changedFields(job: Job, fields: Partial<JobFields>): FieldChange[] {
  return Object.entries(fields).flatMap(([field, value]) => {
    const from = asText((job as unknown as Record<string, unknown>)[field]);
    const to = asText(value);
    return from === to ? [] : [{ field, from, to }];
  });
}

function asText(value: unknown): string {
  const limits = jobToleranceSchema.safeParse(value);
  if (limits.success) return `${limits.data.lowerPercent} to +${limits.data.upperPercent} %, ${limits.data.use}`;
  if (Array.isArray(value)) return value.join(', ');
  return value === null || value === undefined ? '' : String(value);
}

/** The first line carries the request's key, so that the same request again is known. */
function fieldLines(
  changed: readonly FieldChange[],
  wish: { key: string; enteredAt: string; device: string; sequence: number },
): BenchEvent[] {
  return changed.map((change, i) => ({
    key: i === 0 ? wish.key : crypto.randomUUID(),
    enteredAt: wish.enteredAt,
    device: wish.device,
    sequence: wish.sequence,
    stage: 'take-in',
    body: { kind: 'field', ...change },
  }));
}

/** A key may not name a line of another job, nor a stroke strike another job's line. */
async function refuseStrangers(trx: Db, jobId: string, events: readonly BenchEvent[]): Promise<void> {
  for (const event of events) {
    const holder = await jobOfKey(trx, event.key);
    if (holder !== null && holder !== jobId)
      throw new HttpError('UNKNOWN_REFERENCE', { fields: { key: 'this key names a line of another job' } });
    for (const target of targetsOf(event.body)) {
      const known = (await jobOfKey(trx, target)) === jobId || events.some((other) => other.key === target);
      if (!known) throw new HttpError('UNKNOWN_REFERENCE', { fields: { target: 'no such line in this job' } });
    }
    if (event.body.kind === 'photo' && (await findPhoto(trx, event.body.photoId))?.jobId !== jobId)
      throw new HttpError('UNKNOWN_REFERENCE', { fields: { photoId: 'this picture has not arrived' } });
  }
}

function checkFamily(job: Pick<JobFields, 'familyId' | 'speedIds'>): void {
  const family = FAMILIES.find((one) => one.id === job.familyId);
  if (!family)
    throw new HttpError('UNKNOWN_REFERENCE', { fields: { familyId: 'choose a kind of machine from the list' } });
  const strange = job.speedIds.find((id) => !family.speeds.some((speed) => speed.id === id));
  if (strange) throw new HttpError('UNKNOWN_REFERENCE', { fields: { speedIds: `this kind has no speed ${strange}` } });
}
