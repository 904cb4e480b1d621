/** The built page as the server hands it out, test sources, and requests in flight at shutdown. */
import { sourceListSchema, sourceSchema } from '@amber-gauge/contract';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { randomUUID } from 'node:crypto';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Writable } from 'node:stream';
import { pino } from 'pino';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp } from '../src/app.js';
import { harness, type Harness, line, newJob, note, sent } from './harness.js';

let h: Harness;
let dir: string;
let logged = '';
let app: Harness['app'];

beforeAll(async () => {
  h = await harness();
  dir = mkdtempSync(join(tmpdir(), 'page-'));
  mkdirSync(join(dir, 'assets'));
  writeFileSync(
    join(dir, 'index.html'),
    '<meta property="csp-nonce" nonce="NONCE_OF_THIS_ANSWER"><style nonce="NONCE_OF_THIS_ANSWER"></style>',
  );
  writeFileSync(join(dir, 'assets', 'a.js'), 'export {};');
  const sink = new Writable({
    write(chunk, _encoding, done) {
      logged += String(chunk);
      done();
    },
  });
  app = createApp({
    db: h.db,
    now: () => new Date(),
    logger: pino({ level: 'info' }, sink),
    pageDir: dir,
    requestsPerMinute: 500,
  });
});
afterAll(async () => {
  rmSync(dir, { recursive: true });
  await h.close();
});

describe('the page', () => {
  it('carries a nonce of its own with every answer, the same as in the policy', async () => {
    const nonces = new Set<string>();
    for (const path of ['/', '/job/7/find', '/set-up']) {
      const answer = await request(app).get(path).set('Accept', 'text/html');
      expect(answer.status).toBe(200);
      const nonce = /style nonce="([^"]+)"/.exec(answer.text)?.[1] as string;
      expect(answer.headers['content-security-policy']).toContain(`'nonce-${nonce}'`);
      expect(answer.headers['cache-control']).toBe('no-store');
      nonces.add(nonce);
    }
    expect(nonces.size).toBe(3);
  });

  it('keeps built files for long and knows no others', async () => {
    const built = await request(app).get('/assets/a.js');
    expect(built.headers['cache-control']).toContain('immutable');
    expect((await request(app).get('/assets/gone.js')).status).toBe(404);
    expect((await request(app).get('/anything').set('Accept', 'application/json')).status).toBe(404);
  });
});

describe('the log of requests', () => {
  it('holds method, path and status, and nothing that was typed', async () => {
    const job = newJob({ customer: 'Somebody Private', serial: 'SECRET-9' });
    await request(app).post('/api/v1/jobs').send(job);
    await sent(app, job.id, [line(note('a private remark'))]);
    await request(app).get('/api/v1/jobs?looking=SECRET-9');
    expect(logged).toContain('"path":"/api/v1/jobs"');
    expect(logged).toContain('"status":201');
    for (const word of ['Somebody Private', 'SECRET-9', 'a private remark']) expect(logged).not.toContain(word);
  });
});

describe('test tapes and records', () => {
  const post = (fields: object) =>
    request(app)
      .post('/api/v1/sources')
      .send({ id: randomUUID(), name: 'Tape', nominalHz: 3000, tolerancePercent: 0.3, ...fields });

  it('are added, listed and changed by version', async () => {
    const made = sourceSchema.parse((await post({})).body);
    const listed = sourceListSchema.parse((await request(app).get('/api/v1/sources')).body).sources;
    expect(listed.map((source) => source.id)).toContain(made.id);
    expect(made.demo).toBe(false);
    const change = (version: number, fields: object) =>
      request(app).patch(`/api/v1/sources/${made.id}`).send({ version, fields });
    expect((await change(1, { tolerancePercent: null })).body).toMatchObject({
      tolerancePercent: null,
      version: 2,
      name: 'Tape',
    });
    const late = await change(1, { name: 'Other' });
    expect(late.status).toBe(409);
    expect(late.body.error.present).toMatchObject({ name: 'Tape', version: 2 });
  });

  it.each([
    [{ nominalHz: 5 }, 'Between 20 Hz'],
    [{ tolerancePercent: -1 }, 'Above 0 %'],
    [{ name: ' ' }, 'Give the tape'],
  ])('refuse %j with what to do', async (fields, message) => {
    const answer = await post(fields);
    expect(answer.status).toBe(400);
    expect(Object.values(answer.body.error.fields).join()).toContain(message);
  });

  it('cannot be taken away from under the runs measured with them', async () => {
    const made = (await post({})).body as { id: string };
    await h.db('speed_run').insert({
      id: randomUUID(),
      job_id: null,
      source_id: made.id,
      file_name: 'x',
      file_bytes: 1,
      sha256: '0'.repeat(64),
      measured_at: new Date(),
      figures: '{}',
      series_start_s: 0,
      series_step_s: 1,
      series_error_percent: [],
      series_half_width_percent: [],
      spectrum_hz: [],
      spectrum_peak_percent: [],
      demo: false,
    });
    await expect(h.db('tone_source').where({ id: made.id }).delete()).rejects.toThrow(/foreign key/);
  });
});

describe('the database guards itself', () => {
  it.each([
    ['a job without a speed', () => h.db('job').insert({ ...row(), speed_ids: [] }), /job_has_speed/],
    ['volts below nought', () => h.db('job').insert({ ...row(), rated_volts: -5 }), /job_volts_positive/],
    ['an unknown way of feeding', () => h.db('job').insert({ ...row(), power_kind: 'steam' }), /power_kind/],
    [
      'a line of a job that is not there',
      () =>
        h.db('job_event').insert({
          job_id: randomUUID(),
          key: randomUUID(),
          entered_at: new Date(),
          received_at: new Date(),
          device: 'd',
          sequence: 1,
          stage: 'find',
          kind: 'note',
          body: '{}',
        }),
      /foreign key/,
    ],
    [
      'a second row of settings',
      () =>
        h.db('setting').insert({
          id: 2,
          shop_name: '',
          shop_address: '',
          currency: 'EUR',
          mains_volts: 1,
          mains_hz: 50,
          capture_key: 'x',
          clock_limit_ppm: 1,
          demo_shown: true,
          demo_seeded: true,
          version: 1,
        }),
      /setting/,
    ],
  ] as const)('against %s', async (_name, insert, message) => {
    await expect(insert()).rejects.toThrow(message);
  });

  const row = () => ({
    id: randomUUID(),
    number: Math.floor(1e6 + 1e6 * Math.random()),
    family_id: 'x',
    make: '',
    model: '',
    serial: '',
    customer: '',
    complaint: '',
    tried: '',
    power_kind: 'mains',
    rated_volts: null,
    speed_ids: ['33'],
    tolerance: '{}',
    demo: false,
    version: 1,
    created_at: new Date(),
  });
});

describe('closing', () => {
  it('finishes a request in flight before it ends', async () => {
    const job = newJob();
    await request(app).post('/api/v1/jobs').send(job);
    const server = createServer(app).listen(0, '127.0.0.1');
    await new Promise((resolve) => server.once('listening', resolve));
    const { port } = server.address() as AddressInfo;
    const lines = Array.from({ length: 150 }, (_, i) => line(note(`line ${i}`)));
    const answer = fetch(`http://127.0.0.1:${port}/api/v1/jobs/${job.id}/events`, {
      method: 'POST',
      body: JSON.stringify({ events: lines }),
      headers: { 'content-type': 'application/json' },
    });
    await new Promise((resolve) => server.once('request', resolve));
    const closed = new Promise((resolve) => server.close(resolve));
    expect((await answer).status).toBe(201);
    server.closeIdleConnections();
    await closed;
  });

  it('too many requests at once are told to wait', async () => {
    const busy = createApp({
      db: h.db,
      now: () => new Date(),
      logger: pino({ level: 'silent' }),
      pageDir: null,
      requestsPerMinute: 3,
    });
    const answers = [];
    for (let i = 0; i < 5; i++) answers.push((await request(busy).get('/api/v1/time')).status);
    expect(answers).toEqual([200, 200, 200, 429, 429]);
  });
});
