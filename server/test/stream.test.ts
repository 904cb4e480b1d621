import { jobListSchema } from '@amber-gauge/contract';
import type { AddressInfo } from 'node:net';
import { createServer, type Server } from 'node:http';
import { pino } from 'pino';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp } from '../src/app.js';
import { createHub, type Hub } from '../src/db/hub.js';
import { streamRoutes, type StreamRoutes } from '../src/features/stream/routes.js';
import { harness, line, newJob, note, type Harness } from './harness.js';

let h: Harness;
let hub: Hub;
let stream: StreamRoutes;
let server: Server;
let base: string;
const job = newJob();

beforeAll(async () => {
  h = await harness();
  const logger = pino({ level: 'silent' });
  hub = createHub(h.url, logger);
  stream = streamRoutes(hub);
  await hub.ready;
  server = createServer(createApp({ db: h.db, now: () => new Date(), logger, pageDir: null, stream }));
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api/v1`;
  await request(h.app).post('/api/v1/jobs').send(job);
});
afterAll(async () => {
  stream.end();
  await hub.close();
  await new Promise((resolve) => server.close(resolve));
  await h.close();
});

/** Reads the stream until `wanted` has been heard. */
async function hear(wanted: string, act: () => Promise<unknown>): Promise<string> {
  const gone = new AbortController();
  const answer = await fetch(`${base}/stream`, { signal: gone.signal });
  expect(answer.headers.get('content-type')).toBe('text/event-stream');
  const reader = (answer.body as ReadableStream<Uint8Array>).getReader();
  let heard = '';
  let acted = false;
  while (!heard.includes(wanted)) {
    const { value, done } = await reader.read();
    if (done) break;
    heard += Buffer.from(value).toString();
    if (!acted) {
      acted = true;
      await act();
    }
  }
  gone.abort();
  return heard;
}

describe('the stream of changes', () => {
  it('tells at first that everything is to be fetched', async () => {
    expect(await hear('event: all', async () => undefined)).toContain('retry:');
  });

  it('names the job that changed, whichever server process changed it', async () => {
    // The harness' own application is the other process: they share nothing but the database.
    const heard = await hear(`"id":"${job.id}"`, () =>
      request(h.app)
        .post(`/api/v1/jobs/${job.id}/events`)
        .send({ events: [line(note('from elsewhere'))] }),
    );
    expect(heard).toContain('event: job');
  });

  it('listens again when its connection to the database is cut, and has everything fetched anew', async () => {
    const heard = await hear('event: all\ndata: {}\n\nevent: all', () =>
      h.db.raw(
        `select pg_terminate_backend(pid) from pg_stat_activity where application_name = 'amber-gauge listens' and datname = current_database()`,
      ),
    );
    expect(heard.match(/event: all/g)?.length).toBeGreaterThanOrEqual(2);
  });
});

describe('timers in lists', () => {
  const timer = line(
    { kind: 'timer', timer: 'soak', label: 'Soak', minutes: 60 },
    { enteredAt: '2026-03-01T10:00:00.000Z' },
  );
  const item = async () =>
    jobListSchema.parse((await request(h.app).get('/api/v1/jobs')).body).jobs.find((one) => one.job.id === job.id);

  it('make the job wait, then want hands when the time is over, without anybody writing', async () => {
    h.setNow('2026-03-01T10:05:00Z');
    await request(h.app)
      .post(`/api/v1/jobs/${job.id}/events`)
      .send({ events: [timer] });
    expect((await item())?.next).toMatchObject({ kind: 'waits', text: 'Soak', until: '2026-03-01T11:00:00.000Z' });
    expect((await item())?.timers).toHaveLength(1);
    h.setNow('2026-03-01T11:00:01Z');
    expect((await item())?.next).toMatchObject({ kind: 'hands', text: 'Soak done: look at it' });
    const answered = line({ kind: 'timer-end', target: timer.key, how: 'answered' });
    await request(h.app)
      .post(`/api/v1/jobs/${job.id}/events`)
      .send({ events: [answered] });
    expect((await item())?.timers).toEqual([]);
    expect((await item())?.next.kind).toBe('hands');
  });
});
