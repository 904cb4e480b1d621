/** SQL of the bench log. */
import type { KeptEvent } from '@amber-gauge/contract';
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

/** Appends lines; those whose key is known already are left as they are. */
export async function appendEvents(
  db: Db,
  jobId: string,
  events: readonly BenchEvent[],
  receivedAt: Date,
): Promise<void> {
  if (events.length === 0) return;
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
  await db('job_event').insert(rows).onConflict('key').ignore();
}

/** All lines of a job in the order they came in. */
export async function eventsOf(db: Db, jobId: string): Promise<KeptEvent[]> {
  const rows = await db<EventRow>('job_event').where({ job_id: jobId }).orderBy('position');
  return rows.map(toEvent);
}

/** The job that holds a line, or null. */
export async function jobOfKey(db: Db, key: string): Promise<string | null> {
  const row = await db<EventRow>('job_event').where({ key }).first('job_id');
  return row?.job_id ?? null;
}

/** Kinds of line that tell what was wrong with a unit and what a healthy one shows. */
const TELLING = ['answer', 'mended', 'strike', 'reading', 'place', 'speed', 'work', 'hand-back'];

/** The telling lines of every job of a family, by job. */
export async function eventsOfFamily(db: Db, familyId: string, withDemo: boolean): Promise<Map<string, KeptEvent[]>> {
  const query = db<EventRow>('job_event')
    .join('job', 'job.id', 'job_event.job_id')
    .where({ 'job.family_id': familyId })
    .whereIn('job_event.kind', TELLING)
    .orderBy('position');
  if (!withDemo) void query.where('job.demo', false);
  const rows = (await query.select('job_event.*')) as EventRow[];
  const byJob = new Map<string, KeptEvent[]>();
  for (const row of rows) {
    const lines = byJob.get(row.job_id);
    if (lines) lines.push(toEvent(row));
    else byJob.set(row.job_id, [toEvent(row)]);
  }
  return byJob;
}
