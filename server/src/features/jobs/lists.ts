/** SQL of the lists: each served by an index, each bounded. */
import type { Job, ListTimer } from '@amber-gauge/contract';
import { wishAt, type NextWish } from '@amber-gauge/core/bench';
import type { Knex } from 'knex';
import type { Db } from '../../db/connect.js';
import { toJob, type JobRow } from './repository.js';

/** A job as a list shows it. */
export interface JobListRow {
  readonly job: Job;
  readonly next: NextWish;
  readonly power: string;
  readonly speeds: unknown;
  readonly timers: readonly ListTimer[];
  readonly lineCount: number;
  readonly lastAt: string | null;
  /** Where it stands in its list. */
  readonly movedAt: string;
}

interface StateRow {
  next_stage: NextWish['stage'];
  next_kind: NextWish['kind'];
  next_text: string;
  next_until: Date | null;
  timers: ListTimer[];
  power: string;
  speeds: unknown;
  line_count: number;
  last_at: Date | null;
  moved_at: Date;
}

/** Which units a list wants. */
export interface ListWish {
  readonly withDemo: boolean;
  readonly now: Date;
  readonly limit: number;
  /** Place of the last row that is known: what moved before it. */
  readonly before?: ListPlace | undefined;
}

/** A row's place in a list: when it moved and which it is. */
interface ListPlace {
  readonly movedAt: Date;
  readonly jobId: string;
}

type Query = Knex.QueryBuilder<JobRow & StateRow, (JobRow & StateRow)[]>;

const STATE_COLUMNS = [
  'next_stage',
  'next_kind',
  'next_text',
  'next_until',
  'timers',
  'power',
  'speeds',
  'line_count',
  'last_at',
  'moved_at',
];

function listed(db: Db, { withDemo, limit, before }: ListWish): Query {
  const query = db('job_state')
    .join('job', 'job.id', 'job_state.job_id')
    .select('job.*', ...STATE_COLUMNS)
    .orderBy([
      { column: 'moved_at', order: 'desc' },
      { column: 'job_id', order: 'desc' },
    ])
    .limit(limit);
  if (!withDemo) void query.where('job.demo', false);
  if (before) void query.whereRaw('(moved_at, job_id) < (?, ?)', [before.movedAt, before.jobId]);
  return query as unknown as Query;
}

const NOT_DUE = '(next_due is null or next_due > ?)';

/** Units of one kind, newest movement first. A timer that has run out brings its unit under the hands. */
export async function listKind(db: Db, kind: ListKind, wish: ListWish): Promise<JobListRow[]> {
  if (kind === 'done') return rowsOf(await listed(db, wish).where({ next_kind: 'done' }), wish.now);
  if (kind !== 'hands')
    return rowsOf(await listed(db, wish).where({ next_kind: kind }).whereRaw(NOT_DUE, [wish.now]), wish.now);
  const own = await listed(db, wish).where({ next_kind: 'hands' });
  const due = await listed(db, wish).whereIn('next_kind', ['waits', 'back']).where('next_due', '<=', wish.now);
  const newest = [...own, ...due].sort((a, b) => b.moved_at.getTime() - a.moved_at.getTime());
  return rowsOf(newest.slice(0, wish.limit), wish.now);
}

export type ListKind = 'hands' | 'waits' | 'back' | 'done';

/** Units whose timers run or wait for an answer, wherever they stand in the lists. */
export async function listTimed(db: Db, wish: ListWish): Promise<JobListRow[]> {
  return rowsOf(await listed(db, wish).whereNotNull('next_due').whereNot({ next_kind: 'done' }), wish.now);
}

/** Units in whose text every word stands; a whole number finds its job first. */
export async function searchJobs(db: Db, words: readonly string[], wish: ListWish): Promise<JobListRow[]> {
  const query = listed(db, wish);
  for (const word of words) void query.where('search', 'like', `%${word.replace(/[\\%_]/g, '\\$&')}%`);
  const found = await query;
  const number = words.length === 1 && /^\d{1,9}$/.test(words[0] as string) ? Number(words[0]) : null;
  const exact = number === null ? [] : await listed(db, { ...wish, limit: 2 }).where('job.number', number);
  const ids = new Set(exact.map((row) => row.id));
  return rowsOf([...exact, ...found.filter((row) => !ids.has(row.id))].slice(0, wish.limit), wish.now);
}

/** One unit's row. */
export async function listOne(db: Db, jobId: string, wish: Pick<ListWish, 'withDemo' | 'now'>): Promise<JobListRow[]> {
  return rowsOf(await listed(db, { ...wish, limit: 1 }).where('job.id', jobId), wish.now);
}

/** Units of a family that are not handed back, newest movement first. */
export async function openOfFamily(db: Db, familyId: string, wish: ListWish): Promise<JobListRow[]> {
  return rowsOf(await listed(db, wish).where('job.family_id', familyId).whereNot({ next_kind: 'done' }), wish.now);
}

/** How many units there are of each kind. Those handed back are counted apart: they are nearly all. */
export async function countKinds(db: Db, withDemo: boolean, now: Date): Promise<Record<ListKind, number>> {
  const query = db('job_state').whereIn('next_kind', OPEN);
  void query.select('next_kind').groupBy('next_kind').count('* as n');
  void query.select(db.raw(`count(*) filter (where next_kind <> 'done' and next_due <= ?) as due`, [now]));
  if (!withDemo) void query.join('job', 'job.id', 'job_state.job_id').where('job.demo', false);
  const rows = (await query) as { next_kind: ListKind; n: number; due: number }[];
  const counts = { hands: 0, waits: 0, back: 0, done: await countDone(db, withDemo, now) };
  for (const { next_kind: kind, n, due } of rows) {
    counts[kind] += kind === 'hands' ? n : n - due;
    if (kind !== 'hands') counts.hands += due;
  }
  return counts;
}

const OPEN: readonly ListKind[] = ['hands', 'waits', 'back'];

/** How long the count of those handed back serves, milliseconds: it says only how many more there are. */
const DONE_COUNT_MS = 10_000;
const doneCounts = new WeakMap<Db, Map<boolean, { readonly at: number; readonly n: number }>>();

async function countDone(db: Db, withDemo: boolean, now: Date): Promise<number> {
  const kept = doneCounts.get(db) ?? new Map<boolean, { at: number; n: number }>();
  doneCounts.set(db, kept);
  const known = kept.get(withDemo);
  if (known && Math.abs(now.getTime() - known.at) < DONE_COUNT_MS) return known.n;
  const query = db('job_state').where({ next_kind: 'done' }).count('* as n').first();
  if (!withDemo) void query.join('job', 'job.id', 'job_state.job_id').where('job.demo', false);
  const { n } = (await query) as unknown as { n: number };
  kept.set(withDemo, { at: now.getTime(), n });
  return n;
}

const rowsOf = (rows: readonly (JobRow & StateRow)[], now: Date): JobListRow[] =>
  rows.map((row) => ({
    job: toJob(row),
    next: nextAt(row, now),
    power: row.power,
    speeds: row.speeds,
    timers: row.timers,
    lineCount: row.line_count,
    lastAt: row.last_at?.toISOString() ?? null,
    movedAt: row.moved_at.toISOString(),
  }));

/** The wish at `now`. Timers that cannot be read are left to the contract, which sets the row apart. */
const nextAt = (row: StateRow, now: Date): NextWish =>
  wishAt(
    {
      next: {
        stage: row.next_stage,
        kind: row.next_kind,
        text: row.next_text,
        until: row.next_until?.toISOString() ?? null,
      },
      timers: Array.isArray(row.timers) ? row.timers : [],
    },
    now,
  );
