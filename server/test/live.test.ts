/** The live reading on its way to a second screen: in time, through the database, never stored. */
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp } from '../src/app.js';
import { createHub, type Hub } from '../src/db/hub.js';
import { liveRoutes } from '../src/features/live/routes.js';
import { harness, type Harness } from './harness.js';

let h: Harness;
/** Two server processes on one database: the second one is followed, the first one is sent to. */
let servers: { server: Server; hub: Hub; url: string; end: () => void }[] = [];

async function start(): Promise<(typeof servers)[number]> {
  const logger = pino({ level: 'silent' });
  const hub = createHub(h.url, logger);
  await hub.ready;
  const services = { db: h.db, now: () => new Date() };
  const live = liveRoutes(services, hub);
  const server = createServer(createApp({ ...services, logger, pageDir: null, live }));
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api/v1`;
  return { server, hub, url, end: () => live.end() };
}

beforeAll(async () => {
  h = await harness();
  servers = [await start(), await start()];
});
afterAll(async () => {
  for (const { server, hub, end } of servers) {
    end();
    await hub.close();
    server.closeAllConnections();
    server.close();
  }
  await h.close();
});

const SENDER = '00000000-0000-4000-8000-0000000000aa';
const frame = (meanPercent: number, more: object = {}) => ({
  sender: SENDER,
  what: '0147 deck',
  speedLabel: '33⅓ rpm',
  nominalRpm: 100 / 3,
  lowerPercent: -0.3,
  upperPercent: 0.3,
  edgePercent: meanPercent,
  meanPercent,
  expandedPercent: 0.1,
  wowPercent: 0.05,
  words: 'mean of the last two turns',
  todo: null,
  ...more,
});
const post = (url: string, path: string, body: unknown) =>
  fetch(`${url}${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });

/** Follows until `count` frames came; gives the mean of each. */
async function follow(url: string, count: number, ready: () => void): Promise<{ mean: number }[]> {
  const response = await fetch(`${url}/live/stream`);
  const reader = (response.body as ReadableStream<Uint8Array>).getReader();
  const out: { mean: number }[] = [];
  const decoder = new TextDecoder();
  ready();
  for (let text = ''; out.length < count;) {
    const { value, done } = await reader.read();
    if (done) break;
    text += decoder.decode(value, { stream: true });
    for (let end = text.indexOf('\n\n'); end >= 0; end = text.indexOf('\n\n')) {
      const data = /^data: (.*)$/m.exec(text.slice(0, end))?.[1];
      if (data) out.push({ mean: (JSON.parse(data) as { meanPercent: number }).meanPercent });
      text = text.slice(end + 2);
    }
  }
  await reader.cancel();
  return out;
}

describe('live frames', () => {
  it('reach a screen that follows through another process, in order, and are not stored', async () => {
    const [first, second] = servers as [(typeof servers)[number], (typeof servers)[number]];
    const tables = async () => {
      const names = ['job_event', 'speed_run', 'shelf_line', 'model_sheet', 'setting'];
      const counts = await Promise.all(names.map((name) => h.db(name).count<{ count: string }[]>('* as count')));
      return counts.map((rows) => rows[0]?.count);
    };
    const before = await tables();
    let ready: () => void = () => undefined;
    const open = new Promise<void>((resolve) => (ready = resolve));
    const followed = follow(second.url, 5, ready);
    await open;
    for (let i = 1; i <= 5; i++) {
      const answer = await post(first.url, '/live/frames', frame(i / 10));
      expect(answer.status).toBe(200);
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    const got = await followed;
    expect(got.map((one) => one.mean)).toEqual([0.1, 0.2, 0.3, 0.4, 0.5]);
    expect(await tables()).toEqual(before);
  });

  it('tell the sender that it is followed, pass on a capture asked for, and drop what comes too fast', async () => {
    const [first, second] = servers as [(typeof servers)[number], (typeof servers)[number]];
    const answer = async () =>
      (await (await post(first.url, '/live/frames', frame(0))).json()) as { followed: boolean; capture: number };
    const start = (await answer()).capture;
    expect((await post(second.url, '/live/captures', { sender: SENDER })).status).toBe(200);
    await expect.poll(async () => (await answer()).capture, { timeout: 5000 }).toBe(start + 1);
    let ready: () => void = () => undefined;
    const open = new Promise<void>((resolve) => (ready = resolve));
    const followed = follow(first.url, 1, ready);
    await open;
    await new Promise((resolve) => setTimeout(resolve, 120));
    for (let i = 0; i < 10; i++) await post(first.url, '/live/frames', frame(i));
    expect((await followed).length).toBe(1);
    expect((await answer()).followed).toBe(true);
  });

  it('refuse what is no frame', async () => {
    const [first] = servers as [(typeof servers)[number]];
    expect((await post(first.url, '/live/frames', frame(Number.NaN))).status).toBe(200);
    expect((await post(first.url, '/live/frames', frame(5000))).status).toBe(400);
    expect((await post(first.url, '/live/frames', frame(0, { what: 'x'.repeat(1000) }))).status).toBe(400);
    expect((await post(first.url, '/live/frames', frame(0, { lowerPercent: 1 }))).status).toBe(400);
    expect((await post(first.url, '/live/captures', { sender: 'x' })).status).toBe(400);
  });
});
