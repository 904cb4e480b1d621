/** What may be done with jobs and their logs; each change of the log renews the state in one transaction. */
import { refreshState } from './refresh.js';
import { ownEntry } from '@amber-gauge/core/quantity';
import { isDeepStrictEqual } from 'node:util';
import {
  benchKnowledgeSchema,
  jobFieldsSchema,
  jobToleranceSchema,
  type Job,
  type JobDetail,
  type JobFields,
  type KeptEvent,
} from '@amber-gauge/contract';
import {
  benchKnowledge,
  targetsOf,
  type BenchEvent,
  type BenchKnowledge,
  type PracticeSpec,
} from '@amber-gauge/core/bench';
import { practiceProblem } from '@amber-gauge/core/training';
import { FAMILIES, PATHS } from '@amber-gauge/core/families';
import type { Db } from '../../db/connect.js';
import { HttpError } from '../../http/errors.js';
import {
  appendEvents,
  eventsOfFamily,
  jobsOfKeys,
  linesByKey,
  logOf,
  positionOf,
  countLines,
} from '../events/repository.js';
import { presentSettings } from '../settings/repository.js';
import { jobsOfClips } from '../clips/repository.js';
import { jobsOfPhotos } from '../photos/repository.js';
import { findJob, insertJob, jobsById, lockJob, updateJob, type NewJob } from './repository.js';
import { say } from '@amber-gauge/core/words';

/** What a service needs of its surroundings. */
export interface Services {
  readonly db: Db;
  readonly now: () => Date;
}

/** Takes a unit in; the same id twice makes one job. */
export async function takeIn({ db, now }: Services, wish: NewJob): Promise<Job> {
  checkFamily(wish);
  if (wish.practice) checkPractice(wish.familyId, wish.practice);
  return db.transaction(async (trx) => {
    // Looked up first: a number drawn for a request sent twice would leave a gap in the book.
    const known = await findJob(trx, wish.id);
    if (known) {
      if (known.version === 1 && changedFields(known, fieldsOf(wish)).length > 0)
        throw new HttpError('CONFLICT', { present: known });
      return known;
    }
    await insertJob(trx, wish, { demo: false, at: now() });
    const job = await lockJob(trx, wish.id);
    if (!job) throw new HttpError('NOT_FOUND');
    await refreshState(trx, job, now());
    return job;
  });
}

const fieldsOf = (wish: NewJob): JobFields => jobFieldsSchema.parse(wish);

/**
 * A job with its log; where `known` names a line that stands in it, with the lines behind that one alone.
 * A page that is told of a change asks so, however long the log is.
 */
export async function jobDetail(
  { db }: Services,
  id: string,
  known: { after?: number | undefined; key?: string | undefined } = {},
): Promise<JobDetail> {
  const job = await findJob(db, id);
  if (!job) throw new HttpError('NOT_FOUND');
  const after =
    known.key !== undefined && (await positionOf(db, id, known.key)) === known.after ? known.after : undefined;
  const log = await logOf(db, id, { after });
  const lines = after === undefined ? log.events.length + log.unreadable.length : await countLines(db, id);
  return { job, ...log, lines, onlyNew: after !== undefined };
}

/** What this bench knows of a family and a model; demo jobs count only while they are shown. */
export async function knownOf({ db }: Services, familyId: string, model: string): Promise<BenchKnowledge> {
  const path = PATHS.get(familyId);
  if (!path) throw new HttpError('NOT_FOUND');
  const { demoShown } = await presentSettings(db);
  const known = async (trusting: boolean) => {
    const lines = await eventsOfFamily(db, familyId, { withDemo: demoShown, trusting });
    const jobs = await jobsById(db, [...lines.keys()]);
    const logs = jobs.flatMap((job) => {
      const own = lines.get(job.id);
      return own ? [{ job, lines: own }] : [];
    });
    return benchKnowledge(path, logs, model);
  };
  try {
    return benchKnowledgeSchema.parse(await known(true));
  } catch {
    // A row taken on trust is not what it should be: each is read by the contract.
    return known(false);
  }
}

/** Lines further ahead than this come from a device whose clock is wrong. */
export const FURTHEST_AHEAD_MS = 24 * 3600 * 1000;

/**
 * Appends lines to a job's log; every line that this returns is committed. A key that is known stands
 * for the line it named first: the same again is answered as kept, another is a conflict.
 */
export async function addLines({ db, now }: Services, jobId: string, events: readonly BenchEvent[]) {
  const latest = now().getTime() + FURTHEST_AHEAD_MS;
  if (events.some((event) => Date.parse(event.enteredAt) > latest))
    throw new HttpError('BAD_REQUEST', {
      fields: { enteredAt: say`lies more than a day ahead: set this device’s clock` },
    });
  return db.transaction(async (trx) => {
    const job = await lockJob(trx, jobId);
    if (!job) throw new HttpError('NOT_FOUND');
    await refuseStrangers(trx, jobId, events);
    const added = await appendEvents(trx, jobId, events, now());
    const held =
      added.length === events.length
        ? added.map((line) => ({ jobId, line }))
        : await linesByKey(
            trx,
            events.map((event) => event.key),
          );
    const other = held.find(({ jobId: holder, line }) => holder !== jobId || !saysTheSame(line, events));
    if (other)
      throw new HttpError('CONFLICT', {
        fields: { key: say`this key names another line already` },
        present: other.jobId === jobId ? other.line : null,
      });
    await refreshState(trx, job, now());
    return held.map(({ line }) => line);
  });
}

/** Is what is kept the line that was sent under its key? */
function saysTheSame(kept: KeptEvent, sent: readonly BenchEvent[]): boolean {
  const line = sent.find((event) => event.key === kept.key);
  const said = ({ enteredAt, device, sequence, stage, body }: BenchEvent) => ({
    at: Date.parse(enteredAt),
    device,
    sequence,
    stage,
    body: JSON.parse(JSON.stringify(body)) as unknown,
  });
  return line !== undefined && isDeepStrictEqual(said(kept), said(line));
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
    const holder = (await jobsOfKeys(trx, [wish.key])).get(wish.key);
    if (holder === jobId) return job;
    if (holder)
      throw new HttpError('CONFLICT', { present: job, fields: { key: say`this key names a line of another job` } });
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
    const from = asText(ownEntry(job as unknown as Record<string, unknown>, field));
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

/** A key may not name a line of another job, nor a stroke strike another job's line; pictures must have arrived. */
async function refuseStrangers(trx: Db, jobId: string, events: readonly BenchEvent[]): Promise<void> {
  const own = new Set(events.map((event) => event.key));
  const targets = events.flatMap((event) => targetsOf(event.body)).filter((target) => !own.has(target));
  const holders = await jobsOfKeys(trx, [...own, ...targets]);
  if ([...own].some((key) => (holders.get(key) ?? jobId) !== jobId))
    throw new HttpError('CONFLICT', { fields: { key: say`this key names a line of another job` } });
  if (targets.some((target) => holders.get(target) !== jobId))
    throw new HttpError('UNKNOWN_REFERENCE', { fields: { target: say`no such line in this job` } });
  const photos = events.flatMap(({ body }) => (body.kind === 'photo' ? [body.photoId] : []));
  const arrived = await jobsOfPhotos(trx, photos);
  if (photos.some((photo) => arrived.get(photo) !== jobId))
    throw new HttpError('UNKNOWN_REFERENCE', { fields: { photoId: say`this picture has not arrived` } });
  const clips = events.flatMap(({ body }) => (body.kind === 'clip' && body.sound === true ? [body.clipId] : []));
  const heard = await jobsOfClips(trx, clips);
  if (clips.some((clip) => heard.get(clip) !== jobId))
    throw new HttpError('UNKNOWN_REFERENCE', { fields: { clipId: say`the sound of this clip has not arrived` } });
}

/** @throws HttpError UNKNOWN_REFERENCE for a machine or a fault that the practice bench has not. */
export function checkPractice(familyId: string, spec: PracticeSpec): void {
  const problem = practiceProblem(familyId, spec);
  if (problem) throw new HttpError('UNKNOWN_REFERENCE', { fields: { practice: problem } });
}

/** @throws HttpError UNKNOWN_REFERENCE for a kind of machine or a speed that is not known. */
export function checkFamily(job: Pick<JobFields, 'familyId' | 'speedIds'>): void {
  const family = FAMILIES.find((one) => one.id === job.familyId);
  if (!family)
    throw new HttpError('UNKNOWN_REFERENCE', { fields: { familyId: say`choose a kind of machine from the list` } });
  const strange = job.speedIds.find((id) => !family.speeds.some((speed) => speed.id === id));
  if (strange)
    throw new HttpError('UNKNOWN_REFERENCE', { fields: { speedIds: say`this kind has no speed ${strange}` } });
}
