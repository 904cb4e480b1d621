import 'fake-indexeddb/auto';
import type { BenchEvent } from '@amber-gauge/core/bench';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { flush, makeLine, submitLines, useOutbox } from './outbox.js';
import { allEntries, removeEntry } from './store.js';

const JOB = '11111111-1111-4111-8111-111111111111';
const note = (text: string) => makeLine('find', { kind: 'note', text });
const keptOf = (events: BenchEvent[]) => ({
  kept: events.map((event, i) => ({ ...event, position: i + 1, receivedAt: event.enteredAt })),
});
const answer = (status: number, body: unknown) => new Response(JSON.stringify(body), { status });
const refusal = { error: { code: 'BAD_REQUEST', message: 'No.', fields: { text: 'too long' } } };

let sent: string[][];
let reply: (events: BenchEvent[]) => Response | Promise<Response>;

beforeEach(() => {
  sent = [];
  vi.stubGlobal('navigator', { locks: { request: (_name: string, work: () => Promise<void>) => work() } });
  vi.stubGlobal('fetch', async (_url: string, init: { body: string }) => {
    const { events } = JSON.parse(init.body) as { events: BenchEvent[] };
    sent.push(events.map((event) => (event.body.kind === 'note' ? event.body.text : '')));
    return reply(events);
  });
});
afterEach(async () => {
  for (const entry of await allEntries()) await removeEntry(entry.event.key);
  vi.unstubAllGlobals();
});

it('sends lines in the order they were typed and forgets only those that are kept', async () => {
  reply = (events) => answer(201, keptOf(events));
  await submitLines(JOB, note('one'), note('two'));
  await vi.waitFor(async () => expect(await allEntries()).toHaveLength(0));
  expect(sent.flat()).toEqual(['one', 'two']);
});

it('keeps lines while the server is away and sends them again', async () => {
  reply = () => Promise.reject(new TypeError('no route'));
  await submitLines(JOB, note('waits'));
  await vi.waitFor(() => expect(useOutbox.getState().away).toBe(true));
  expect(await allEntries()).toHaveLength(1);
  reply = (events) => answer(201, keptOf(events));
  await flush();
  await vi.waitFor(async () => expect(await allEntries()).toHaveLength(0));
});

it('sets a refused line aside with the reason and lets the others through', async () => {
  reply = (events) =>
    events.some((event) => event.body.kind === 'note' && event.body.text === 'bad')
      ? answer(400, refusal)
      : answer(201, keptOf(events));
  await submitLines(JOB, note('good'), note('bad'), note('also good'));
  await vi.waitFor(async () => {
    const left = await allEntries();
    expect(left).toHaveLength(1);
    expect(left[0]?.refused).toBe('No. (too long)');
  });
});
