import { jobListSchema } from '@amber-gauge/contract';
import { randomUUID } from 'node:crypto';
import type { AddressInfo } from 'node:net';
import { createServer, type Server } from 'node:http';
import { pino } from 'pino';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp } from '../src/app.js';
import { createHub, type Hub } from '../src/db/hub.js';
import { jobRow } from '../src/features/jobs/list.js';
import { streamRoutes, type StreamRoutes } from '../src/features/stream/routes.js';
import { harness, type Harness, line, newJob, note, sent } from './harness.js';

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
  stream = streamRoutes(hub, (id) => jobRow({ db: h.db, now: () => new Date() }, id));
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

interface Heard {
  readonly id: string;
  readonly event: string;
  readonly data: { readonly id?: string; readonly item?: { readonly lineCount: number; readonly power: string } };
}

/** Messages in what was read of a stream. */
const messages = (text: string): Heard[] =>
  [...text.matchAll(/^id: (.*)\nevent: (.*)\ndata: (.*)\n\n/gm)].map(([, id = '', event = '', data = '{}']) => ({
    id,
    event,
    data: JSON.parse(data) as Heard['data'],
  }));

/** Reads the stream from its start, or from behind `lastId`, acts once it is open, and reads on until `enough`. */
async function hear(
  enough: (heard: readonly Heard[]) => boolean,
  act: () => Promise<unknown> = () => Promise.resolve(),
  lastId?: string,
): Promise<Heard[]> {
  const gone = new AbortController();
  const headers: Record<string, string> = lastId === undefined ? {} : { 'last-event-id': lastId };
  const answer = await fetch(`${base}/stream`, { signal: gone.signal, headers });
  expect(answer.headers.get('content-type')).toBe('text/event-stream');
  const reader = (answer.body as ReadableStream<Uint8Array>).getReader();
  let text = '';
  let acted = false;
  while (!enough(messages(text))) {
    const { value, done } = await reader.read();
    if (done) break;
    text += Buffer.from(value).toString();
    if (!acted) {
      acted = true;
      await act();
    }
  }
  gone.abort();
  return messages(text);
}

const keep = (text: string, id = job.id) => sent(h.app, id, [line(note(text))]);
const ofJob = (heard: readonly Heard[], id = job.id) =>
  heard.filter(({ event, data }) => event === 'job' && data.id === id);
const all = (heard: readonly Heard[]) => heard.filter(({ event }) => event === 'all');

describe('the stream of changes', () => {
  it('tells at first that everything is to be fetched', async () => {
    expect((await hear((heard) => heard.length > 0))[0]?.event).toBe('all');
  });

  it('names the job that changed with its new row, whichever server process changed it', async () => {
    // The harness' own application is the other process: they share nothing but the database. News of the job's
    // beginning may still be on its way when the stream opens; the line's come behind it.
    const heard = await hear(
      (one) => ofJob(one).at(-1)?.data.item?.lineCount === 1,
      () => keep('from elsewhere'),
    );
    const row = (await request(h.app).get('/api/v1/jobs')).body as { jobs: { job: { id: string } }[] };
    expect(ofJob(heard).at(-1)?.data.item).toEqual(row.jobs.find(({ job: { id } }) => id === job.id));
  });

  it('tells that the shelf changed, whichever process took the lines', async () => {
    const lot = {
      kind: 'lot',
      part: 'belt',
      supplier: 'Quay',
      quantity: 1,
      price: null,
      orderedOn: '2026-02-01',
      expectedOn: null,
      claimDays: 0,
      place: '',
      serves: ['belt-turntable-dc/new-belt', 'use/swabs'],
    };
    const sent = { key: randomUUID(), at: '2026-03-01T09:00:00.000Z', body: lot };
    const heard = await hear(
      (one) => one.some(({ event }) => event === 'shelf'),
      () =>
        request(h.app)
          .post('/api/v1/shelf')
          .send({ lines: [sent] }),
    );
    expect(heard.filter(({ event }) => event === 'shelf')).toHaveLength(1);
    expect((await request(h.app).get('/api/v1/shelf')).body.lines).toEqual([sent]);
    const wrong = { ...sent, key: randomUUID(), body: { ...lot, serves: ['Belts of all kinds'] } };
    const refused = await request(h.app)
      .post('/api/v1/shelf')
      .send({ lines: [wrong] });
    expect(refused.status).toBe(400);
    expect(JSON.stringify(refused.body)).toContain('Name it as family/mend or use/what');
  });

  it('tells a page that comes back what it missed, in order, and no more', async () => {
    const other = newJob();
    await request(h.app).post('/api/v1/jobs').send(other);
    const first = await hear(
      (one) => ofJob(one).length > 0,
      () => keep('before it broke'),
    );
    // Told one after another, each with the row as it is then.
    await hear(
      (one) => ofJob(one).length > 0,
      () => keep('meanwhile'),
    );
    await hear(
      (one) => ofJob(one, other.id).length > 0,
      () => keep('elsewhere', other.id),
    );
    const missed = await hear((one) => ofJob(one, other.id).length > 0, undefined, first.at(-1)?.id);
    expect(missed.map(({ data }) => [data.id, data.item?.lineCount])).toEqual([
      [job.id, 3],
      [other.id, 1],
    ]);
    // One that names a message nobody knows any more fetches everything.
    expect((await hear((one) => one.length > 0, undefined, 'from:before'))[0]?.event).toBe('all');
  });

  it('listens again when its connection to the database is cut, and has everything fetched anew', async () => {
    const heard = await hear(
      (one) => all(one).length > 1,
      () =>
        h.db.raw(
          `select pg_terminate_backend(pid) from pg_stat_activity where application_name = 'amber-gauge listens' and datname = current_database()`,
        ),
    );
    expect(all(heard)).toHaveLength(2);
    // What was missed then is known to nobody: a message from before it stands for nothing any more.
    const back = await hear((one) => one.length > 0, undefined, heard[0]?.id);
    expect(back[0]?.event).toBe('all');
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
    await sent(h.app, job.id, [timer]);
    expect((await item())?.next).toMatchObject({ kind: 'waits', text: 'Soak', until: '2026-03-01T11:00:00.000Z' });
    expect((await item())?.timers).toHaveLength(1);
    h.setNow('2026-03-01T11:00:01Z');
    expect((await item())?.next).toMatchObject({ kind: 'hands', text: 'Soak done: look at it' });
    const answered = line({ kind: 'timer-end', target: timer.key, how: 'answered' });
    await sent(h.app, job.id, [answered]);
    expect((await item())?.timers).toEqual([]);
    expect((await item())?.next.kind).toBe('hands');
  });
});
