import { once } from 'node:events';
import { connect, type AddressInfo } from 'node:net';
import { ERROR_TABLE, errorSchema, settingsSchema } from '@amber-gauge/contract';
import { randomUUID } from 'node:crypto';
import { pino } from 'pino';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp } from '../src/app.js';
import { connect as connectDb } from '../src/db/connect.js';
import { migrationSource } from '../src/db/migrations/index.js';
import { harness, type Harness, line, newJob, note, sent } from './harness.js';

let h: Harness;
beforeAll(async () => (h = await harness()));
afterAll(() => h.close());

const code = (body: unknown) => errorSchema.parse(body).error.code;

describe('guards', () => {
  it('answers no foreign host and takes no write from another site', async () => {
    const rebound = await request(h.app).get('/api/v1/jobs').set('Host', 'evil.example');
    expect([rebound.status, code(rebound.body)]).toEqual([421, 'BAD_HOST']);
    const cross = await request(h.app).post('/api/v1/jobs').set('Origin', 'http://evil.example').send(newJob());
    expect([cross.status, code(cross.body)]).toEqual([403, 'BAD_ORIGIN']);
    const form = await request(h.app).post('/api/v1/jobs').type('form').send({ a: 1 });
    expect([form.status, code(form.body)]).toEqual([415, 'UNSUPPORTED_TYPE']);
  });

  it('limits sizes and refuses broken JSON, in the one shape', async () => {
    const large = await request(h.app)
      .post('/api/v1/jobs')
      .send({ text: 'x'.repeat(3_000_000) });
    expect([large.status, code(large.body)]).toEqual([413, 'TOO_LARGE']);
    const broken = await request(h.app).post('/api/v1/jobs').type('json').send('{"a":');
    expect([broken.status, code(broken.body)]).toEqual([400, 'BAD_REQUEST']);
  });

  it('has no inline script in its policy and tells nothing of its make', async () => {
    const answer = await request(h.app).get('/healthz');
    const policy = answer.headers['content-security-policy'] as string;
    expect(policy).toContain("script-src 'self'");
    expect(
      policy
        .split(';')
        .find((part) => part.startsWith('script-src'))
        ?.trim(),
    ).toBe("script-src 'self' 'wasm-unsafe-eval'");
    expect(answer.headers['x-powered-by']).toBeUndefined();
  });

  it('says when to come again while somebody holds what a request needs', async () => {
    const job = newJob();
    await request(h.app).post('/api/v1/jobs').send(job);
    const hasty = connectDb(h.url, { min: 0, max: 2 }, { lock_timeout: 200 });
    const app = createApp({ db: hasty, now: () => new Date(), logger: pino({ level: 'silent' }), pageDir: null });
    const post = () => sent(app, job.id, [line(note('waits'))]);
    await h.db.transaction(async (trx) => {
      await trx('job').where({ id: job.id }).forUpdate().first();
      const busy = await post();
      expect([busy.status, code(busy.body), busy.headers['retry-after']]).toEqual([503, 'NOT_READY', '2']);
    });
    expect((await post()).status).toBe(201);
    await hasty.destroy();
  });

  it('takes no second Host, no strange encoding, and no way up', async () => {
    const server = h.app.listen(0, '127.0.0.1');
    await once(server, 'listening');
    const { port } = server.address() as AddressInfo;
    /** First line of the answer to a request as it stands. */
    const raw = (text: string) =>
      new Promise<string>((resolve) => {
        const socket = connect(port, '127.0.0.1', () => socket.write(text));
        socket.once('data', (data) => {
          resolve(data.toString().split('\r\n')[0] ?? '');
          socket.destroy();
        });
      });
    const get = (path: string, more = '') => raw(`GET ${path} HTTP/1.1\r\nHost: 127.0.0.1:${port}\r\n${more}\r\n`);
    expect(await get('/healthz')).toContain('200');
    expect(await get('/healthz', 'Host: evil.example\r\n')).toMatch(/400|421/);
    for (const path of ['/api/v1/jobs/%ff', '/%c0%ae%c0%ae/etc/passwd', '/assets/..%2f..%2fpackage.json', '/%e2%28'])
      expect([path, await get(path)]).toEqual([path, expect.stringContaining('404')]);
    server.close();
    const odd = await request(h.app)
      .post('/api/v1/jobs')
      .set('content-type', 'application/json')
      .set('content-encoding', 'compress')
      .send('{}');
    expect(odd.status).toBe(415);
  });

  it('says not found for strange addresses and ids', async () => {
    for (const path of ['/api/v1/nothing', '/api/v1/jobs/7', `/api/v1/jobs/${randomUUID()}`]) {
      const answer = await request(h.app).get(path);
      expect([answer.status, code(answer.body)]).toEqual([404, 'NOT_FOUND']);
    }
  });

  it('knows ready from alive', async () => {
    expect((await request(h.app).get('/readyz')).status).toBe(200);
    const dead = await harness();
    await dead.db.destroy();
    expect((await request(dead.app).get('/healthz')).status).toBe(200);
    const ready = await request(dead.app).get('/readyz');
    expect([ready.status, code(ready.body)]).toEqual([503, 'NOT_READY']);
    await dead.close();
  });
});

describe('errors', () => {
  it('each has a status of the right hundred and a message that ends in a full stop', () => {
    for (const { status, message } of Object.values(ERROR_TABLE)) {
      expect(status).toBeGreaterThanOrEqual(400);
      expect(message).toMatch(/\.$/);
    }
  });
});

describe('settings', () => {
  it('change by version; a conflict shows what is kept', async () => {
    const before = settingsSchema.parse((await request(h.app).get('/api/v1/settings')).body);
    const ok = await request(h.app)
      .patch('/api/v1/settings')
      .send({ version: before.version, fields: { mainsHz: 60 } });
    expect(ok.body).toMatchObject({ mainsHz: 60, version: before.version + 1 });
    const late = await request(h.app)
      .patch('/api/v1/settings')
      .send({ version: before.version, fields: { mainsHz: 50 } });
    expect(late.status).toBe(409);
    expect(late.body.error.present.mainsHz).toBe(60);
    const wrong = await request(h.app)
      .patch('/api/v1/settings')
      .send({ version: before.version + 1, fields: { mainsHz: 55 } });
    expect(wrong.status).toBe(400);
  });
});

describe('migrations', () => {
  it('go down to nothing and up again', async () => {
    const own = await harness();
    await own.db.migrate.rollback(undefined, true);
    const left = await own.db('information_schema.tables').where({ table_schema: 'public' }).select('table_name');
    expect(left.map((row) => row.table_name).sort()).toEqual(['migration', 'migration_lock']);
    await own.db.migrate.latest();
    expect(await own.db('setting').count('id as n').first()).toMatchObject({ n: 1 });
    expect(await migrationSource.getMigrations([])).not.toHaveLength(0);
    await own.close();
  });
});
