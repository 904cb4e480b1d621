/** SQL of the bench log. */
import { eventBodySchema, keptEventSchema, type KeptEvent, type UnreadableLine } from '@amber-gauge/contract';
import type { BenchEvent } from '@amber-gauge/core/bench';
import type { Db } from '../../db/connect.js';

interface EventRow {
  position: number;
  job_id: string;
  key: string;
  entered_at: Date;
  received_at: Date;
  device: string;
  sequence: number;
  stage: KeptEvent['stage'];
  kind: string;
  body: KeptEvent['body'];
}

const toEvent = (row: EventRow): KeptEvent => ({
  position: row.position,
  key: row.key,
  enteredAt: row.entered_at.toISOString(),
  receivedAt: row.received_at.toISOString(),
  device: row.device,
  sequence: row.sequence,
  stage: row.stage,
  body: row.body,
});

/** Appends lines and gives them as they are kept; those whose key is known already are left as they are and not given. */
export async function appendEvents(
  db: Db,
  jobId: string,
  events: readonly BenchEvent[],
  receivedAt: Date,
): Promise<KeptEvent[]> {
  if (events.length === 0) return [];
  const rows = events.map((event) => ({
    job_id: jobId,
    key: event.key,
    entered_at: event.enteredAt,
    received_at: receivedAt,
    device: event.device,
    sequence: event.sequence,
    stage: event.stage,
    kind: event.body.kind,
    body: JSON.stringify(event.body),
  }));
  const kept = (await db('job_event').insert(rows).onConflict('key').ignore().returning('*')) as EventRow[];
  return kept.map(toEvent).sort((a, b) => a.position - b.position);
}

/** Lines by their keys, with the job that holds each, in the order they came in. */
export async function linesByKey(
  db: Db,
  keys: readonly string[],
): Promise<{ readonly jobId: string; readonly line: KeptEvent }[]> {
  const rows = await db<EventRow>('job_event')
    .whereIn('key', [...keys])
    .orderBy('position');
  return rows.map((row) => ({ jobId: row.job_id, line: toEvent(row) }));
}

/** Jobs that hold lines, by the lines' keys. */
export async function jobsOfKeys(db: Db, keys: readonly string[]): Promise<ReadonlyMap<string, string>> {
  if (keys.length === 0) return new Map();
  const rows = await db<EventRow>('job_event')
    .whereIn('key', [...new Set(keys)])
    .select('key', 'job_id');
  return new Map(rows.map((row) => [row.key, row.job_id]));
}

/** A log: what can be read of it in the order it came in, and what cannot. */
export interface JobLog {
  readonly events: KeptEvent[];
  readonly unreadable: UnreadableLine[];
}

/** Kinds of line that {@link logOf} takes as they stand when it is told to trust: they came in by the contract. */
const TRUSTED: ReadonlySet<string> = new Set(
  eventBodySchema.options.map((option) => option.shape.kind.value).filter((kind) => kind !== 'power'),
);

/**
 * All lines of a job. A row that the contract does not know is set apart; it never stops the others.
 * With `trusting` only lines of power and of unknown kinds are parsed: for long logs, where each line counts.
 * With `after` only the lines behind that place are given.
 */
export async function logOf(
  db: Db,
  jobId: string,
  { trusting = false, after }: { trusting?: boolean; after?: number | undefined } = {},
): Promise<JobLog> {
  const query = db<EventRow>('job_event').where({ job_id: jobId }).orderBy('position');
  if (after !== undefined) void query.where('position', '>', after);
  const rows = await query;
  const log: JobLog = { events: [], unreadable: [] };
  for (const row of rows) {
    const event = toEvent(row);
    if (trusting && TRUSTED.has(row.kind)) {
      log.events.push(event);
      continue;
    }
    const line = keptEventSchema.safeParse(event);
    if (line.success) log.events.push(line.data);
    else log.unreadable.push({ position: row.position, kind: row.kind, receivedAt: row.received_at.toISOString() });
  }
  return log;
}

/** Place of a line in a job's log; null when it is not there. */
export async function positionOf(db: Db, jobId: string, key: string): Promise<number | null> {
  const row = await db<EventRow>('job_event').where({ job_id: jobId, key }).first('position');
  return row?.position ?? null;
}

/** How many lines a job's log has. */
export async function countLines(db: Db, jobId: string): Promise<number> {
  const row = (await db('job_event').where({ job_id: jobId }).count('* as n').first()) as { n: number };
  return row.n;
}

/** Kinds of line that tell what was wrong with a unit and what a healthy one shows. */
const TELLING = ['answer', 'mended', 'strike', 'reading', 'place', 'speed', 'work', 'hand-back', 'return', 'step'];

/** What a bench knows of a family comes from its newest units, so many at most: habits and suppliers change. */
const MOST_KNOWN = 500;

/** The telling lines of a family's newest jobs, by job; with `trusting` as they stand, else those that the contract knows. */
export async function eventsOfFamily(
  db: Db,
  familyId: string,
  { withDemo, trusting }: { readonly withDemo: boolean; readonly trusting: boolean },
): Promise<Map<string, KeptEvent[]>> {
  const newest = db('job')
    .where({ family_id: familyId, practice: null })
    .orderBy('created_at', 'desc')
    .limit(MOST_KNOWN);
  if (!withDemo) void newest.where({ demo: false });
  // Asked for first: with the jobs named, their lines are found by the index and the others are not looked at.
  const ids = (await newest.pluck('id')) as string[];
  const rows = (await db<EventRow>('job_event')
    .whereIn('job_id', ids)
    .whereIn('kind', TELLING)
    .orderBy('position')) as EventRow[];
  const byJob = new Map<string, KeptEvent[]>();
  for (const row of rows) {
    const event = toEvent(row);
    const line = trusting ? event : keptEventSchema.safeParse(event).data;
    if (!line) continue;
    const lines = byJob.get(row.job_id);
    if (lines) lines.push(line);
    else byJob.set(row.job_id, [line]);
  }
  return byJob;
}
