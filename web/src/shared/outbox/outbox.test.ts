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
    expect(left[0]?.refused).toBe('too long');
  });
});

const OTHER = '22222222-2222-4222-8222-222222222222';
const failing = (events: BenchEvent[], word: string) =>
  events.some((event) => event.body.kind === 'note' && event.body.text === word);

it('goes past a line that the server fails over, and past its job meanwhile', async () => {
  reply = (events) =>
    failing(events, 'poison')
      ? answer(500, { error: { code: 'INTERNAL', message: 'Something went wrong here.' } })
      : answer(201, keptOf(events));
  await submitLines(JOB, note('poison'));
  await submitLines(JOB, note('behind it'));
  await submitLines(OTHER, note('elsewhere'));
  // The other job does not wait for this one.
  await vi.waitFor(async () => expect((await allEntries()).map((entry) => entry.jobId)).toEqual([JOB, JOB]));
  for (let i = 0; i < 6; i++) {
    await flush();
    await new Promise((resolve) => setTimeout(resolve, 1));
  }
  await vi.waitFor(async () => {
    const left = await allEntries();
    expect(left.map((entry) => entry.event.body)).toEqual([{ kind: 'note', text: 'poison' }]);
    expect(left[0]?.refused).toContain('failed over it');
  });
  expect(sent.flat().filter((text) => text === 'poison').length).toBeLessThanOrEqual(12);
});

it('sets a line aside that the server answers without keeping', async () => {
  reply = () => answer(201, { kept: [] });
  await submitLines(JOB, note('lost on the way'));
  await vi.waitFor(async () => expect((await allEntries())[0]?.refused).toContain('did not keep'));
});

it('does not blame a line for an answer about the address', async () => {
  reply = () => answer(403, { error: { code: 'BAD_ORIGIN', message: 'Another site may not write here.' } });
  await submitLines(JOB, note('waits for its own page'));
  await vi.waitFor(() => expect(useOutbox.getState().away).toBe(true));
  expect((await allEntries())[0]?.refused).toBeNull();
});
