/** What a list shows: the bench at a glance, a page of one kind, what a search finds, a family's open units. */
import {
  jobListItemSchema,
  LIST_FIRST,
  LIST_PAGE,
  LIST_TIMED,
  type JobListItem,
  type JobList,
  type listQuerySchema,
} from '@amber-gauge/contract';
import { z } from 'zod';
import { presentSettings } from '../settings/repository.js';
import {
  countKinds,
  listKind,
  listOne,
  listTimed,
  openOfFamily,
  searchJobs,
  type JobListRow,
  type ListKind,
  type ListWish,
} from './lists.js';
import type { Services } from './service.js';

const KINDS: readonly ListKind[] = ['hands', 'waits', 'back', 'done'];

/** The list that `query` asks for, as the contract has it. */
export async function jobList({ db, now }: Services, query: z.infer<typeof listQuerySchema>): Promise<JobList> {
  const { demoShown } = await presentSettings(db);
  const { beforeAt, beforeId } = query;
  const wish: ListWish = {
    withDemo: demoShown,
    now: now(),
    limit: LIST_PAGE,
    before: beforeAt && beforeId ? { movedAt: new Date(beforeAt), jobId: beforeId } : undefined,
  };
  const words = query.search?.toLowerCase().split(/\s+/).filter(Boolean) ?? [];
  if (words.length > 0) return readable(await searchJobs(db, words, wish));
  if (query.family) return readable(await openOfFamily(db, query.family, wish));
  if (query.kind) return readable(await listKind(db, query.kind, wish));
  const [kinds, timed, counts] = await Promise.all([
    Promise.all(KINDS.map((kind) => listKind(db, kind, { ...wish, limit: LIST_FIRST[kind] }))),
    listTimed(db, { ...wish, limit: LIST_TIMED }),
    countKinds(db, demoShown, now()),
  ]);
  const rows = [...new Map([...kinds.flat(), ...timed].map((row) => [row.job.id, row])).values()];
  return { ...readable(rows), counts };
}

/** One job's row as lists show it now; null where none is shown. */
export async function jobRow({ db, now }: Services, id: string): Promise<JobListItem | null> {
  const { demoShown } = await presentSettings(db);
  return readable(await listOne(db, id, { withDemo: demoShown, now: now() })).jobs[0] ?? null;
}

const rowsSchema = z.array(jobListItemSchema);

/** The rows as the contract has them. One that cannot be read stands by itself; the others are whole. */
function readable(rows: readonly JobListRow[]): JobList {
  const whole = rowsSchema.safeParse(rows);
  if (whole.success) return { jobs: whole.data, counts: null, unreadable: [] };
  const each = rows.map((row) => ({ row, read: jobListItemSchema.safeParse(row) }));
  return {
    jobs: each.flatMap(({ read }) => (read.success ? [read.data] : [])),
    counts: null,
    unreadable: each.flatMap(({ row, read }) => (read.success ? [] : [{ id: row.job.id, number: row.job.number }])),
  };
}
