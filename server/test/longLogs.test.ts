/** Long logs are read once, as the database counts rows: what is held, for how long, and that it is never older than the log. */
import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { heldLog } from '../src/features/events/longLogs.js';
import { harness, newJob, type Harness } from './harness.js';

let h: Harness;
beforeAll(async () => {
  h = await harness();
});
afterAll(() => h.close());

/** A job with so many notes, put there by SQL: nothing is held of it. */
async function logOf(lines: number): Promise<string> {
  const wish = newJob();
  await request(h.app).post('/api/v1/jobs').send(wish).expect(201);
  await more(wish.id, lines);
  return wish.id;
}
const more = (id: string, lines: number) =>
  h.db.raw(
    `insert into job_event (job_id, key, entered_at, received_at, device, sequence, stage, kind, body)
     select ?, gen_random_uuid(), '2026-03-01', '2026-03-01', 'bench', n, 'find', 'note',
       jsonb_build_object('kind', 'note', 'text', 'note ' || n) from generate_series(1, ?) n`,
    [id, lines],
  );

/** Asks for the log; gives how many lines it has, and how many of them were read for it. */
async function asked(id: string): Promise<[lines: number, read: number]> {
  let read = 0;
  const count = (rows: unknown, { sql }: { sql: string }) => {
    if (/^select \* from "job_event"/.test(sql)) read += (rows as unknown[]).length;
  };
  h.db.on('query-response', count);
  const { events } = await heldLog(h.db, id);
  h.db.off('query-response', count);
  return [events.length, read];
}

it('shorter than three hundred lines are read each time, longer ones once and then what is new', async () => {
  const short = await logOf(299);
  expect([await asked(short), await asked(short)]).toEqual([
    [299, 299],
    [299, 299],
  ]);
  const long = await logOf(300);
  expect([await asked(long), await asked(long)]).toEqual([
    [300, 300],
    [300, 0],
  ]);
  await more(long, 2);
  expect([await asked(long), await asked(long)]).toEqual([
    [302, 2],
    [302, 0],
  ]);
});

it('are read anew when their last line is not where it was: it was never committed', async () => {
  const id = await logOf(400);
  await asked(id);
  const trx = await h.db.transaction();
  await trx.raw(
    `insert into job_event (job_id, key, entered_at, received_at, device, sequence, stage, kind, body)
     select job_id, ?, entered_at, received_at, device, 401, stage, kind, body from job_event where job_id = ? limit 1`,
    [randomUUID(), id],
  );
  expect((await heldLog(trx, id)).events).toHaveLength(401);
  await trx.rollback();
  expect(await asked(id)).toEqual([400, 400]);
  expect(await asked(id)).toEqual([400, 0]);
});

it('are read anew as long as one of their lines cannot be read: a newer version may', async () => {
  const id = await logOf(400);
  await h.db.raw(
    `insert into job_event (job_id, key, entered_at, received_at, device, sequence, stage, kind, body)
     values (?, ?, '2026-03-01', '2026-03-01', 'bench', 1, 'find', 'later', '{"kind": "later"}')`,
    [id, randomUUID()],
  );
  expect([await asked(id), await asked(id)]).toEqual([
    [400, 401],
    [400, 401],
  ]);
});

it('are held up to thirty thousand lines of all; the one that was not asked for longest goes first', async () => {
  const [one, two] = [await logOf(20_000), await logOf(9_000)];
  await asked(one);
  await asked(two);
  // What earlier tests left is older, and goes.
  const [three, four] = [await logOf(300), await logOf(701)];
  await asked(three);
  expect(await asked(one)).toEqual([20_000, 0]);
  // 20,000, 9,000, 300 and 701 are one too many: the second was asked for longest ago.
  await asked(four);
  expect([await asked(one), await asked(three), await asked(four)]).toEqual([
    [20_000, 0],
    [300, 0],
    [701, 0],
  ]);
  expect(await asked(two)).toEqual([9_000, 9_000]);
});
