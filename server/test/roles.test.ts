/** What the login that serves requests may do, and what nobody may. */
import { eventsKeptSchema } from '@amber-gauge/contract';
import { randomUUID } from 'node:crypto';
import { pino } from 'pino';
import request from 'supertest';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { createApp } from '../src/app.js';
import { connect, type Db } from '../src/db/connect.js';
import { APP_ROLE, grantUse } from '../src/db/roles.js';
import { harness, type Harness, line, newJob, note, sent } from './harness.js';

let h: Harness;
let asApp: Db;
beforeAll(async () => {
  h = await harness({ demo: true });
  await grantUse(h.db);
  const url = new URL(h.url);
  url.searchParams.set('options', `-c role=${APP_ROLE}`);
  asApp = connect(url.href, { min: 0, max: 4 });
});
afterAll(async () => {
  await asApp.destroy();
  await h.close();
});

it('the application does all its work with it', async () => {
  expect((await asApp.raw('select current_user as name')).rows).toEqual([{ name: APP_ROLE }]);
  const app = createApp({ db: asApp, now: () => new Date(), logger: pino({ level: 'silent' }), pageDir: null });
  const job = newJob();
  const call = async (method: 'get' | 'post' | 'patch' | 'put', path: string, body?: object) =>
    (await request(app)[method](`/api/v1${path}`).send(body)).status;
  expect(await call('post', '/jobs', job)).toBe(201);
  const kept = await sent(app, job.id, [line(note('one')), line(note('two'))]);
  expect(eventsKeptSchema.parse(kept.body).kept).toHaveLength(2);
  const change = { key: randomUUID(), enteredAt: '2026-03-01T10:00:00.000Z', device: 't', sequence: 1 };
  expect(await call('patch', `/jobs/${job.id}`, { version: 1, fields: { customer: 'Hall' }, ...change })).toBe(200);
  expect(await call('post', '/sources', { id: randomUUID(), name: 'T', nominalHz: 3150, tolerancePercent: null })).toBe(
    201,
  );
  const { version } = (await request(app).get('/api/v1/settings')).body as { version: number };
  expect(await call('patch', '/settings', { version, fields: { shopName: 'Shed' } })).toBe(200);
  expect(await call('post', '/settings/demo', { shown: false })).toBe(200);
  for (const path of ['/jobs', `/jobs/${job.id}`, '/runs', '/sources', '/families/belt-turntable-dc/known?model=x'])
    expect([path, await call('get', path)]).toEqual([path, 200]);
});

it.each([
  ['change a line', `update job_event set stage = 'prove'`],
  ['take one away', 'delete from job_event'],
  ['take one away under the demo’s setting', `set amber_gauge.remove_demo = 'on'; delete from job_event`],
  ['empty the log', 'truncate job_event'],
  ['silence the guard', 'alter table job_event disable trigger all'],
  ['pass the guard by', `set session_replication_role = 'replica'`],
  [
    'replace the guard',
    `create or replace function job_event_append_only() returns trigger language plpgsql as 'begin return old; end'`,
  ],
  ['change the schema', 'alter table job add column x integer'],
  ['write what migrations there were', 'delete from migration'],
  ['run a program', `copy job to program 'cat'`],
  ['read a file', `select pg_read_file('/etc/passwd')`],
])('it cannot %s', async (_, sql) => {
  await expect(asApp.raw(sql)).rejects.toThrow(/permission denied|must be (owner|superuser)/);
});

it('not even the owner takes away lines of jobs that are no demo', async () => {
  const job = newJob();
  await request(h.app).post('/api/v1/jobs').send(job);
  await sent(h.app, job.id, [line(note('mine'))]);
  const under = (sql: string) =>
    h.db.transaction(async (trx) => {
      await trx.raw(`set local amber_gauge.remove_demo = 'on'`);
      await trx.raw(sql, [job.id]);
    });
  await expect(under('delete from job_event where job_id = ?')).rejects.toThrow(/append-only/);
  await expect(under('delete from job where id = ?')).rejects.toThrow(/append-only/);
  expect(await h.db('job_event').where({ job_id: job.id }).count('key as n').first()).toEqual({ n: 1 });
});
