/** A job's Find as the worker would answer it, computed here, for the tests of its parts. */
import 'fake-indexeddb/auto';
import { findEvidence, pathOf, standing, type EventBody } from '@amber-gauge/core/bench';
import {
  adviseNext,
  engineOf,
  evidenceFor,
  healthyShare,
  posteriorOf,
  suspectsOf,
  unexplained,
} from '@amber-gauge/core/diagnosis';
import type { DrivePath } from '@amber-gauge/core/families';
import { cleanup } from '@testing-library/react';
import { afterEach, beforeEach, vi } from 'vitest';
import { allEntries, removeEntry } from '../../../shared/outbox/store.js';
import { JOB, line, viewOf } from '../../../test/scene.js';
import type { FindAnswer } from '../../../workers/find.worker.js';
import type { Find } from './useFind.js';

export const path = pathOf(JOB) as DrivePath;
const engine = engineOf(path);
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
  const evidence = findEvidence(JOB, path, standing(events), {
    ledger: view.state.ledger,
    power: view.state.power,
    places: new Map(),
  });
  const posterior = posteriorOf(engine, evidence.events);
  const answer: FindAnswer = {
    suspects: suspectsOf(engine, posterior).map((one) => ({
      ...one,
      evidence: evidenceFor(engine, posterior, one.block),
    })),
    outside: posterior.outside,
    healthy: healthyShare(engine, posterior),
    unexplained: unexplained(posterior),
    advice: adviseNext(engine, posterior, evidence.situation),
  };
  return { view, find: { family: path, path, kept: null, evidence, answer, change: null, turn: 1 } };
}

/** Before and after each: no network, an outbox of its own. */
export function stage(): void {
  beforeEach(() => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('away')));
    vi.stubGlobal('navigator', {
      ...navigator,
      locks: { request: (_name: string, work: () => Promise<void>) => work() },
    });
    vi.stubGlobal(
      'ResizeObserver',
      class {
        observe() {}
        unobserve() {}
        disconnect() {}
      },
    );
  });
  afterEach(async () => {
    cleanup();
    for (const entry of await allEntries()) await removeEntry(entry.event.key);
    vi.unstubAllGlobals();
  });
}
