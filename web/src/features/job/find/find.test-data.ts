/** A job's Find as the worker would answer it, computed here, for the tests of its parts. */
import 'fake-indexeddb/auto';
import { findAnswer, pathOf, readForFind, type EventBody, type FindAnswer } from '@amber-gauge/core/bench';
import type { DrivePath } from '@amber-gauge/core/families';
import { cleanup } from '@testing-library/react';
import { afterEach, beforeEach, vi } from 'vitest';
import { allEntries, removeEntry } from '../../../shared/outbox/store.js';
import { JOB, line, viewOf, stubSizes } from '../../../test/scene.js';
import type { Find } from './useFind.js';

export const path = pathOf(JOB) as DrivePath;
export const answered = (testId: string, outcome: string): EventBody => ({
  kind: 'answer',
  testId,
  name: testId,
  outcome,
  words: outcome,
  value: null,
  unit: null,
});
export const bodies = async () => (await allEntries()).map((entry) => entry.event.body);

/** What the worker would answer, computed here. */
export function findOf(...given: EventBody[]): {
  view: ReturnType<typeof viewOf>;
  find: Find & { answer: FindAnswer };
} {
  const switched = (state: 'live-direct' | 'unplugged-unknown') => line({ kind: 'power', state, conditions: [] });
  // Switched on for what was seen, and off again.
  const events = [switched('live-direct'), ...given.map((body) => line(body)), switched('unplugged-unknown')];
  const view = viewOf(events);
  const read = readForFind(JOB, events);
  const answer = findAnswer(JOB, events);
  if (!read || !answer) throw new Error('no drive path');
  return { view, find: { ...read, kept: null, answer, change: null, turn: 1 } };
}

/** Before and after each: no network, an outbox of its own. */
export function stage(): void {
  beforeEach(() => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('away')));
    vi.stubGlobal('navigator', {
      ...navigator,
      locks: { request: (_name: string, work: () => Promise<void>) => work() },
    });
    stubSizes();
    sessionStorage.clear();
  });
  afterEach(async () => {
    cleanup();
    for (const entry of await allEntries()) await removeEntry(entry.event.key);
    vi.unstubAllGlobals();
  });
}
