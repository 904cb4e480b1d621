/** SQL of the Book: pages found by words or fields, figures, what is due. */
import {
  BOOK_PAGE,
  FOLLOW_UPS_SHOWN,
  type BookFigures,
  type BookQuery,
  type BookRow,
  type FollowUpRow,
} from '@amber-gauge/contract';
import { STAGES, type FollowUp, type StageId } from '@amber-gauge/core/bench';
import { wilsonInterval } from '@amber-gauge/core/numeric';
import type { Knex } from 'knex';
import type { Db } from '../../db/connect.js';
import { toJob, type JobRow } from '../jobs/repository.js';

interface BookColumns {
  handed_at: Date | null;
  return_of: string | null;
  returned_as: number | null;
  faults: string[];
  mends: string[];
  stage_minutes: BookRow['minutes'];
  worth: number | null;
  price: number | null;
  proved: boolean;
  moved_at: Date;
}

const RETURNED_AS = `(select min(later.number) from job_state back join job later on later.id = back.job_id
  where back.return_of = job.id) as returned_as`;
const COLUMNS = ['handed_at', 'return_of', 'faults', 'mends', 'stage_minutes', 'worth', 'price', 'proved', 'moved_at'];

/** Letters and figures of each word, looked for as beginnings; null when nothing is left. */
function wordsQuery(text: string): string | null {
  const words = text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? [];
  return words.length === 0 ? null : words.map((word) => `${word}:*`).join(' & ');
}

/** Jobs of the Book that a query wants, newest movement first. */
export function bookQuery(db: Db, query: BookQuery, withDemo: boolean): Knex.QueryBuilder {
  const found = db('job_state')
    .join('job', 'job.id', 'job_state.job_id')
    .select('job.*', ...COLUMNS.map((one) => `job_state.${one}`), db.raw(RETURNED_AS))
    .orderBy([
      { column: 'moved_at', order: 'desc' },
      { column: 'job_id', order: 'desc' },
    ]);
  if (!withDemo) void found.where('job.demo', false);
  const words = query.words ? wordsQuery(query.words) : null;
  if (words) void found.whereRaw(`job_state.words @@ to_tsquery('simple', ?)`, [words]);
  narrowed(found, query);
  if (query.beforeAt && query.beforeId)
    void found.whereRaw('(moved_at, job_id) < (?, ?)', [new Date(query.beforeAt), query.beforeId]);
  return found;
}

function narrowed(found: Knex.QueryBuilder, query: BookQuery): void {
  if (query.family) void found.where('job.family_id', query.family);
  if (query.model) void found.whereRaw(`lower(trim(job.make || ' ' || job.model)) = lower(?)`, [query.model]);
  if (query.customer) void found.whereRaw('lower(job.customer) = lower(?)', [query.customer]);
  if (query.fault) void found.whereRaw('? = any(job_state.faults)', [query.fault]);
  if (query.from) void found.where('job.created_at', '>=', query.from);
  if (query.to) void found.whereRaw(`job.created_at < ?::date + 1`, [query.to]);
  if (query.state === 'open') void found.whereNull('job_state.handed_at');
  if (query.state === 'handed') void found.whereNotNull('job_state.handed_at');
  if (query.state === 'returned')
    void found.whereRaw('exists (select 1 from job_state back where back.return_of = job.id)');
}

/** A page of the Book; one row more than a page says that there is another. */
export async function bookPage(db: Db, query: BookQuery, withDemo: boolean, limit = BOOK_PAGE): Promise<BookRow[]> {
  const rows = (await bookQuery(db, query, withDemo).limit(limit + 1)) as (JobRow & BookColumns)[];
  return rows.map(toBookRow);
}

const toBookRow = (row: JobRow & BookColumns): BookRow => ({
  job: toJob(row),
  handedAt: row.handed_at?.toISOString() ?? null,
  returnOf: row.return_of,
  returnedAs: row.returned_as,
  faults: row.faults,
  mends: row.mends,
  minutes: row.stage_minutes,
  worth: row.worth,
  price: row.price,
  proved: row.proved,
  movedAt: row.moved_at.toISOString(),
});

/** What is due, soonest first. */
export async function followUps(db: Db, withDemo: boolean): Promise<FollowUpRow[]> {
  const query = db('job_state')
    .join('job', 'job.id', 'job_state.job_id')
    .select('job.*', 'job_state.follow_ups')
    .whereNotNull('follow_next')
    .orderBy('follow_next')
    .limit(FOLLOW_UPS_SHOWN);
  if (!withDemo) void query.where('job.demo', false);
  const rows = (await query) as (JobRow & { follow_ups: FollowUp[] })[];
  return rows
    .flatMap((row) => row.follow_ups.map((one) => ({ job: toJob(row), ...one })))
    .sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : a.job.number - b.job.number))
    .slice(0, FOLLOW_UPS_SHOWN);
}

/** Rows of a table of the figures. */
const TOP = 12;

/** Figures over jobs taken in within the stretch. */
export async function bookFigures(
  db: Db,
  { from, to }: Pick<BookQuery, 'from' | 'to'>,
  withDemo: boolean,
): Promise<BookFigures> {
  const within = () => {
    const query = db('job_state').join('job', 'job.id', 'job_state.job_id');
    if (!withDemo) void query.where('job.demo', false);
    narrowed(query, { from, to });
    return query;
  };
  const [sums, faults, models, mends, stages, months] = await Promise.all([
    sumsOf(db, within()),
    faultsOf(within()),
    modelsOf(db, within()),
    mendsOf(db, within()),
    stagesIn(db, within()),
    monthsOf(db, within()),
  ]);
  return {
    taken: sums.taken,
    handed: sums.handed,
    turnaround: { medianDays: sums.median, p90Days: sums.p90 },
    firstTime: share(sums.first_time, sums.mended),
    proved: share(sums.proved, sums.handed),
    advice: { first: share(sums.rank_first, sums.ranked), firstThree: share(sums.rank_three, sums.ranked) },
    faults,
    models,
    mends,
    ...stagesOf(stages),
    months,
    price: sums.price,
    worth: sums.worth,
  };
}

type Asked = Knex.QueryBuilder;

const DAYS = `extract(epoch from handed_at - job.created_at) / 86400`;
const CAME = `exists (select 1 from job_state back where back.return_of = job.id and back.return_same)`;
const MENDED = `handed_at is not null and cardinality(mends) > 0`;

const sumsOf = async (db: Db, asked: Asked): Promise<Sums> =>
  (await asked.first(
    db.raw('count(*)::int as taken'),
    db.raw('count(handed_at)::int as handed'),
    db.raw(`percentile_cont(0.5) within group (order by ${DAYS}) as median`),
    db.raw(`percentile_cont(0.9) within group (order by ${DAYS}) as p90`),
    db.raw(`count(*) filter (where ${MENDED})::int as mended`),
    db.raw(`count(*) filter (where ${MENDED} and not ${CAME})::int as first_time`),
    db.raw('count(*) filter (where handed_at is not null and proved)::int as proved'),
    db.raw('count(advice_rank)::int as ranked'),
    db.raw('count(*) filter (where advice_rank = 1)::int as rank_first'),
    db.raw('count(*) filter (where advice_rank <= 3)::int as rank_three'),
    db.raw('sum(price) as price'),
    db.raw('sum(worth) as worth'),
  )) as Sums;

async function faultsOf(asked: Asked): Promise<BookFigures['faults']> {
  const rows = (await asked
    .joinRaw('cross join lateral unnest(faults) fault')
    .select('family_id as family', 'fault')
    .count('* as jobs')
    .groupBy('family_id', 'fault')
    .orderBy([{ column: 'jobs', order: 'desc' }, 'family', 'fault'])
    .limit(TOP)) as { family: string; fault: string; jobs: string }[];
  return rows.map((one) => ({ ...one, jobs: Number(one.jobs) }));
}

const COUNTS = ['count(*)::int as jobs', `count(*) filter (where ${CAME})::int as returned`];

const modelsOf = async (db: Db, asked: Asked): Promise<BookFigures['models']> =>
  (await asked
    .whereRaw(`trim(make || model) <> ''`)
    .select(db.raw(`trim(make || ' ' || model) as model`), ...COUNTS.map((one) => db.raw(one)))
    .groupByRaw('1')
    .orderBy([{ column: 'jobs', order: 'desc' }, 'model'])
    .limit(TOP)) as BookFigures['models'];

const mendsOf = async (db: Db, asked: Asked): Promise<BookFigures['mends']> =>
  (await asked
    .joinRaw('cross join lateral unnest(mends) mend')
    .select('mend', ...COUNTS.map((one) => db.raw(one)))
    .groupBy('mend')
    .orderBy([{ column: 'jobs', order: 'desc' }, 'mend'])
    .limit(TOP)) as BookFigures['mends'];

const stagesIn = async (db: Db, asked: Asked): Promise<StageRow[]> =>
  (await asked
    .joinRaw('cross join lateral jsonb_each_text(stage_minutes) spent')
    .select(
      'spent.key as stage',
      db.raw('percentile_cont(0.5) within group (order by spent.value::float8) as median'),
      db.raw('sum(spent.value::float8) as total'),
    )
    .groupBy('spent.key')) as StageRow[];

/** The last months in which something was taken in, oldest first. */
async function monthsOf(db: Db, asked: Asked): Promise<BookFigures['months']> {
  const rows = (await asked
    .select(
      db.raw(`to_char(job.created_at, 'YYYY-MM') as month`),
      db.raw('count(*)::int as taken'),
      db.raw('count(handed_at)::int as handed'),
    )
    .groupByRaw('1')
    .orderBy('month', 'desc')
    .limit(TOP)) as BookFigures['months'];
  return rows.reverse();
}

interface Sums {
  readonly taken: number;
  readonly handed: number;
  readonly median: number | null;
  readonly p90: number | null;
  readonly mended: number;
  readonly first_time: number;
  readonly proved: number;
  readonly ranked: number;
  readonly rank_first: number;
  readonly rank_three: number;
  readonly price: number | null;
  readonly worth: number | null;
}

interface StageRow {
  readonly stage: StageId;
  readonly median: number;
  readonly total: number;
}

const stagesOf = (rows: readonly StageRow[]): Pick<BookFigures, 'stages' | 'handsMin'> => ({
  stages: STAGES.flatMap((stage) => {
    const row = rows.find((one) => one.stage === stage);
    return row ? [{ stage, medianMin: row.median }] : [];
  }),
  handsMin: rows.reduce((sum, row) => sum + row.total, 0),
});

function share(hits: number, of: number): BookFigures['proved'] {
  const [low, high] = wilsonInterval(hits, of);
  return { hits, of, low, high };
}
