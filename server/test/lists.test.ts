/** Lists of thousands of jobs: bounded, in order without gap or double, and served by their indexes. */
import { jobListSchema, LIST_FIRST, LIST_PAGE } from '@amber-gauge/contract';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { harness, type Harness, line, newJob, sent } from './harness.js';
import { fillBench } from './many.js';

const JOBS = 6000;

let h: Harness;
beforeAll(async () => {
  h = await harness();
  await fillBench(h.db, JOBS, 1);
});
afterAll(() => h.close());

const list = async (query = '') => {
  const answer = await request(h.app).get(`/api/v1/jobs${query}`);
  expect(answer.status).toBe(200);
  return jobListSchema.parse(answer.body);
};

describe('the bench at a glance', () => {
  it('counts all and brings the newest of each kind alone', async () => {
    const { jobs, counts } = await list();
    // 6000 / 500 want hands, those that are 0 mod 501 but not mod 500 go back.
    expect(counts).toEqual({ hands: 12, waits: 0, back: 11, done: JOBS - 23 });
    const of = (kind: string) => jobs.filter((item) => item.next.kind === kind);
    expect([of('hands').length, of('back').length, of('done').length]).toEqual([12, 11, LIST_FIRST.done]);
    const newest = of('done').map((item) => item.job.number);
    expect(newest[0]).toBe(5999);
    expect(newest).toEqual([...newest].sort((a, b) => b - a));
  });

  it('brings a unit whose timer has run out under the hands, from wherever it stands', async () => {
    const wish = newJob();
    await request(h.app).post('/api/v1/jobs').send(wish);
    const soak = line({ kind: 'timer', timer: 'soak', label: 'Soak', minutes: 30 });
    await sent(h.app, wish.id, [soak]);
    // Whatever else it wants: here it is taken to wait for the soak alone.
    await h.db('job_state').where({ job_id: wish.id }).update({ next_kind: 'waits' });
    const kindNow = async () => (await list()).jobs.find((item) => item.job.id === wish.id)?.next.kind;
    h.setNow('2026-03-01T09:10:00Z');
    expect(await kindNow()).toBe('waits');
    const before = (await list()).counts;
    h.setNow('2026-03-01T09:31:00Z');
    expect(await kindNow()).toBe('hands');
    const after = (await list()).counts;
    expect([after?.hands, after?.waits]).toEqual([(before?.hands ?? 0) + 1, (before?.waits ?? 0) - 1]);
    expect((await list('?kind=waits')).jobs).toEqual([]);
    expect((await list('?kind=hands')).jobs[0]?.job.id).toBe(wish.id);
  });
});

describe('pages', () => {
  it('go through all of a kind once, in order', async () => {
    const seen: number[] = [];
    let query = '?kind=done';
    for (;;) {
      const { jobs } = await list(query);
      const last = jobs.at(-1);
      if (!last) break;
      expect(jobs.length).toBeLessThanOrEqual(LIST_PAGE);
      seen.push(...jobs.map((item) => item.job.number));
      query = `?kind=done&beforeAt=${last.movedAt}&beforeId=${last.job.id}`;
    }
    expect(seen).toHaveLength(JOBS - 23);
    expect(seen).toEqual([...seen].sort((a, b) => b - a));
    expect(new Set(seen).size).toBe(seen.length);
  });
});

describe('search', () => {
  const found = async (text: string) =>
    (await list(`?search=${encodeURIComponent(text)}`)).jobs.map((item) => item.job.number);

  it('finds by number, by name, by customer and complaint, every word', async () => {
    expect((await found('4321'))[0]).toBe(4321);
    expect(await found('customer 1234')).toContain(1234);
    expect((await found('SCHOOL hall')).every((number) => number % 9 === 0)).toBe(true);
    expect(await found('s5407 made')).toEqual([5407]);
    expect(await found('no such thing')).toEqual([]);
  });

  it('takes signs that mean something to the database as they stand', async () => {
    const wish = newJob({ customer: "100 % O'Hara_\\x" });
    await request(h.app).post('/api/v1/jobs').send(wish);
    for (const text of ['100 %', "o'hara_", 'hara_\\x'])
      expect((await list(`?search=${encodeURIComponent(text)}`)).jobs.map(({ job }) => job.id)).toEqual([wish.id]);
    expect(await found('%%')).toEqual([]);
  });

  it('finds a changed name and no longer the old one', async () => {
    const wish = newJob({ customer: 'Old Quartz' });
    await request(h.app).post('/api/v1/jobs').send(wish);
    await request(h.app)
      .patch(`/api/v1/jobs/${wish.id}`)
      .send({
        version: 1,
        fields: { customer: 'New Feldspar' },
        key: line({ kind: 'note', text: 'x' }).key,
        enteredAt: '2026-03-01T09:00:00.000Z',
        device: 't',
        sequence: 1,
      });
    expect((await list('?search=feldspar')).jobs).toHaveLength(1);
    expect((await list('?search=quartz')).jobs).toHaveLength(0);
  });
});

describe('plans', () => {
  /** How the database would find the rows, its other ways shut: six thousand are few enough to be read through. */
  const planOf = async (off: readonly string[], sql: string, ...bindings: string[]) =>
    h.db.transaction(async (trx) => {
      for (const way of ['seqscan', ...off]) await trx.raw(`set local enable_${way} = off`);
      const { rows } = await trx.raw<{ rows: { 'QUERY PLAN': string }[] }>(`explain ${sql}`, bindings);
      return rows.map((row) => row['QUERY PLAN']).join('\n');
    });

  it('use the indexes', async () => {
    const select = 'select job.*, job_state.* from job_state join job on job.id = job_state.job_id';
    const order = 'order by moved_at desc, job_id desc limit 60';
    const newest = await planOf([], `${select} where next_kind = ? ${order}`, 'done');
    // Nearly all are handed back: either order of movement serves.
    expect(newest).toMatch(/job_state_(?:moved|newest)/);
    const beyond = ['done', '2023-04-01', '00000000-0000-4000-8000-000000000000'];
    const page = await planOf([], `${select} where next_kind = ? and (moved_at, job_id) < (?, ?) ${order}`, ...beyond);
    expect(page).toMatch(/job_state_(?:moved|newest)/);
    const searched = await planOf(['indexscan'], `select * from job_state where search like ?`, '%customer 1234%');
    expect(searched).toContain('job_state_search');
    const timed = await planOf([], `select * from job_state where next_due is not null`);
    expect(timed).toContain('job_state_due');
  });
});
