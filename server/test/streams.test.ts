/** What pages are told as it happens, with a hub and a clock of the test's own: how often, how many, how long, what is kept for whom. */
import express from 'express';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Db } from '../src/db/connect.js';
import type { Change, Hub } from '../src/db/hub.js';
import { liveRoutes } from '../src/features/live/routes.js';
import { streamRoutes } from '../src/features/stream/routes.js';
import { errorHandler } from '../src/http/errors.js';

/** News go to who subscribed, nobody else. */
function hubOf() {
  const heard = {
    job: new Set<(change: Change) => void>(),
    live: new Set<(text: string) => void>(),
    shelf: new Set<() => void>(),
  };
  const add =
    <T>(all: Set<T>) =>
    (one: T) => {
      all.add(one);
      return () => void all.delete(one);
    };
  const hub: Hub = {
    subscribe: add(heard.job),
    subscribeLive: add(heard.live),
    subscribeShelf: add(heard.shelf),
    close: () => Promise.resolve(),
    ready: Promise.resolve(),
  };
  return {
    hub,
    job: (change: Change) => heard.job.forEach((one) => one(change)),
    live: (told: object) => heard.live.forEach((one) => one(JSON.stringify(told))),
    shelf: () => heard.shelf.forEach((one) => one()),
    listening: () => heard.job.size + heard.live.size + heard.shelf.size,
  };
}

let url = '';
let close: () => void = () => undefined;
const readers: ReadableStreamDefaultReader<Uint8Array>[] = [];

async function listen(router: express.Router): Promise<void> {
  const app = express();
  app.use(express.json());
  app.use(router);
  app.use(errorHandler);
  const server = createServer(app);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  close = () => {
    server.closeAllConnections();
    server.close();
  };
}

/** A page that follows: all that came so far. */
async function follow(path: string, headers: Record<string, string> = {}) {
  const answer = await fetch(url + path, { headers });
  const reader = (answer.body as ReadableStream<Uint8Array>).getReader();
  readers.push(reader);
  const page = { text: '', ended: false, type: answer.headers.get('content-type'), leave: () => reader.cancel() };
  const decoder = new TextDecoder();
  void (async () => {
    for (let got = await reader.read(); !got.done; got = await reader.read()) page.text += decoder.decode(got.value);
    page.ended = true;
  })().catch(() => (page.ended = true));
  return page;
}
const messages = (text: string, event: string) =>
  [...text.matchAll(new RegExp(`event: ${event}\\ndata: (.*)`, 'g'))].map(
    ([, data]) => JSON.parse(data ?? '') as unknown,
  );

afterEach(async () => {
  for (const reader of readers.splice(0)) await reader.cancel().catch(() => undefined);
  close();
});

describe('live frames', () => {
  let at = 0;
  let told: { kind: string; frame?: object }[] = [];
  let bench: ReturnType<typeof hubOf>;
  let live: ReturnType<typeof liveRoutes>;
  const sender = (i: number) => `00000000-0000-4000-8000-${String(i).padStart(12, '0')}`;
  const frame = (from = 1) => ({
    sender: sender(from),
    what: '',
    speedLabel: '',
    nominalRpm: 45,
    lowerPercent: -1,
    upperPercent: 1,
    edgePercent: null,
    meanPercent: 0,
    expandedPercent: null,
    wowPercent: null,
    words: '',
    todo: null,
  });
  const post = async (path: string, body: object) =>
    (await (
      await fetch(url + path, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      })
    ).json()) as { followed: boolean; capture: number };
  const frames = () => told.filter(({ kind }) => kind === 'frame').length;

  beforeEach(async () => {
    at = 1_000_000;
    told = [];
    bench = hubOf();
    const db = { raw: (_sql: string, [, text]: string[]) => Promise.resolve(told.push(JSON.parse(text ?? ''))) };
    live = liveRoutes({ db: db as unknown as Db, now: () => new Date(at) }, bench.hub);
    await listen(live.router);
  });
  afterEach(() => live.end());

  it('of one sender go out twelve times a second at most, those of two do not count together', async () => {
    for (let ms = 0; ms < 1000; ms += 10) {
      at = 1_000_000 + ms;
      await post('/live/frames', frame());
    }
    // Every 84 ms of those that come every 10: each 90.
    expect(frames()).toBe(12);
    await post('/live/frames', frame(2));
    expect(frames()).toBe(13);
  });

  it('a follower elsewhere counts for four seconds after it was told of, one here while it follows', async () => {
    expect((await post('/live/frames', frame())).followed).toBe(false);
    bench.live({ kind: 'followed' });
    at += 3999;
    expect((await post('/live/frames', frame())).followed).toBe(true);
    at += 1;
    expect((await post('/live/frames', frame())).followed).toBe(false);
    const page = await follow('/live/stream');
    await vi.waitFor(() => expect(told.some(({ kind }) => kind === 'followed')).toBe(true));
    expect((await post('/live/frames', frame())).followed).toBe(true);
    await page.leave();
    await vi.waitFor(async () => expect((await post('/live/frames', frame())).followed).toBe(false));
  });

  it('while somebody follows here, the other processes are told of it every two seconds', async () => {
    const page = await follow('/live/stream');
    const times = () => told.filter(({ kind }) => kind === 'followed').length;
    await vi.waitFor(() => expect(times()).toBe(1));
    await vi.waitFor(() => expect(times()).toBeGreaterThanOrEqual(2), { timeout: 3000 });
    await vi.waitFor(() => expect(page.text).toContain(': still here'));
  });

  it('captures are counted for the sender they were asked of; of fifty-one the oldest is forgotten', async () => {
    await post('/live/captures', { sender: sender(1) });
    expect(told).toEqual([{ kind: 'capture', sender: sender(1) }]);
    for (let i = 0; i < 3; i++) bench.live({ kind: 'capture', sender: sender(1) });
    expect((await post('/live/frames', frame(1))).capture).toBe(3);
    expect((await post('/live/frames', frame(2))).capture).toBe(0);
    for (let i = 2; i <= 50; i++) bench.live({ kind: 'capture', sender: sender(i) });
    expect((await post('/live/frames', frame(1))).capture).toBe(3);
    bench.live({ kind: 'capture', sender: sender(51) });
    expect((await post('/live/frames', frame(1))).capture).toBe(0);
    expect((await post('/live/frames', frame(2))).capture).toBe(1);
  });

  it('twenty may follow; each is told where to come again, and every frame as it came', async () => {
    const pages = await Promise.all(Array.from({ length: 20 }, () => follow('/live/stream')));
    expect((await fetch(`${url}/live/stream`)).status).toBe(429);
    bench.live({ kind: 'frame', frame: frame(7) });
    for (const page of pages) {
      await vi.waitFor(() => expect(messages(page.text, 'frame')).toEqual([frame(7)]));
      expect(page.type).toBe('text/event-stream');
      expect(page.text).toMatch(/^retry: 500\n\n/);
    }
    live.end();
    await vi.waitFor(() => expect(pages.every(({ ended }) => ended)).toBe(true));
    expect(bench.listening()).toBe(0);
  });
});

describe('the stream of changes', () => {
  let bench: ReturnType<typeof hubOf>;
  let stream: ReturnType<typeof streamRoutes>;
  let asked: string[] = [];
  let answer: (id: string) => Promise<never>;
  beforeEach(async () => {
    bench = hubOf();
    asked = [];
    answer = (id) => Promise.resolve({ row: id } as never);
    stream = streamRoutes(bench.hub, (id) => {
      asked.push(id);
      return answer(id);
    });
    await listen(stream.router);
  });
  afterEach(() => stream.end());
  const ids = (text: string) => [...text.matchAll(/^id: (.*)$/gm)].map(([, id]) => id ?? '');

  it('tells a page that begins to fetch everything, then each change with its row; where none can be read, none', async () => {
    const page = await follow('/stream');
    await vi.waitFor(() => expect(messages(page.text, 'all')).toEqual([{}]));
    bench.job('a');
    await vi.waitFor(() => expect(messages(page.text, 'job')).toEqual([{ id: 'a', item: { row: 'a' } }]));
    answer = () => Promise.reject(new Error('damaged'));
    bench.job('b');
    await vi.waitFor(() => expect(messages(page.text, 'job')[1]).toEqual({ id: 'b', item: null }));
    bench.shelf();
    await vi.waitFor(() => expect(messages(page.text, 'shelf')).toEqual([{}]));
    expect(page.text).toMatch(/^retry: 500\n\n/);
  });

  it('tells one that comes back what came since, and no more', async () => {
    const page = await follow('/stream');
    for (const id of ['a', 'b', 'c']) {
      bench.job(id);
      await vi.waitFor(() => expect(messages(page.text, 'job').at(-1)).toMatchObject({ id }));
    }
    const [, first, , last] = ids(page.text);
    const back = await follow('/stream', { 'last-event-id': first ?? '' });
    await vi.waitFor(() =>
      expect(messages(back.text, 'job').map((one) => (one as { id: string }).id)).toEqual(['b', 'c']),
    );
    expect(messages(back.text, 'all')).toEqual([]);
    const here = await follow('/stream', { 'last-event-id': last ?? '' });
    bench.job('d');
    await vi.waitFor(() => expect(messages(here.text, 'job').map((one) => (one as { id: string }).id)).toEqual(['d']));
    expect(messages(here.text, 'all')).toEqual([]);
    // One of another start of the server, and one after changes were missed, fetch everything.
    const strange = await follow('/stream', { 'last-event-id': 'elsewhere:1' });
    await vi.waitFor(() => expect(messages(strange.text, 'all')).toEqual([{}]));
    bench.job(null);
    await vi.waitFor(() => expect(messages(page.text, 'all')).toHaveLength(2));
    const late = await follow('/stream', { 'last-event-id': last ?? '' });
    await vi.waitFor(() => expect(messages(late.text, 'all')).toEqual([{}]));
  });

  it('keeps five hundred messages for those who come back', async () => {
    const page = await follow('/stream');
    for (let i = 0; i < 501; i++) bench.shelf();
    await vi.waitFor(() => expect(messages(page.text, 'shelf')).toHaveLength(501));
    const [, oldest = '', second = ''] = ids(page.text);
    const known = await follow('/stream', { 'last-event-id': second });
    await vi.waitFor(() => expect(messages(known.text, 'shelf')).toHaveLength(499));
    const gone = await follow('/stream', { 'last-event-id': oldest });
    await vi.waitFor(() => expect(messages(gone.text, 'all')).toHaveLength(1));
    expect(messages(gone.text, 'shelf')).toEqual([]);
  });

  it('asks once for a job that changed often while another was read, in the order of their last changes', async () => {
    const open: (() => void)[] = [];
    answer = () => new Promise<never>((resolve) => open.push(() => resolve(null as never)));
    for (const id of ['a', 'b', 'c', 'b', 'b']) bench.job(id);
    for (let i = 0; i < 3; i++) {
      await vi.waitFor(() => expect(open).toHaveLength(i + 1));
      open[i]?.();
    }
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect(asked).toEqual(['a', 'c', 'b']);
    bench.job('a');
    await vi.waitFor(() => expect(asked).toEqual(['a', 'c', 'b', 'a']));
  });

  it('ends with the server: pages are let go of, nobody listens any more', async () => {
    const page = await follow('/stream');
    await vi.waitFor(() => expect(page.text).not.toBe(''));
    stream.end();
    await vi.waitFor(() => expect(page.ended).toBe(true));
    expect(bench.listening()).toBe(0);
  });
});
