import type { BenchEvent, FindAnswer, FindBasis, JobFacts } from '@amber-gauge/core/bench';
import { EMPTY_SHEET } from '@amber-gauge/core/families';
import { expose } from 'comlink';
import { expect, it, vi } from 'vitest';
import { JOB, line } from '../test/scene.js';

vi.mock('comlink', () => ({ expose: vi.fn() }));

interface Api {
  solve(job: JobFacts, events: readonly BenchEvent[], basis: FindBasis): FindAnswer | null;
}

it('the worker as it is: what goes in and comes out can be handed between threads, and the answer moves with a reading', async () => {
  await import('./find.worker.js');
  const api = vi.mocked(expose).mock.calls[0]?.[0] as Api;
  const answered = (testId: string, outcome: string): BenchEvent =>
    line({ kind: 'answer', testId, outcome, value: null, unit: null, name: '', words: '' });
  const basis: FindBasis = { sheet: EMPTY_SHEET, known: null };
  const solve = (events: readonly BenchEvent[]) =>
    structuredClone(api.solve(structuredClone(JOB), structuredClone(events), structuredClone(basis)));
  const before = solve([]);
  expect(before?.suspects.length).toBeGreaterThan(5);
  const total = (answer: FindAnswer | null) =>
    (answer?.suspects ?? []).reduce((sum, one) => sum + one.share, (answer?.healthy ?? 0) + (answer?.outside ?? 0));
  expect(total(before)).toBeGreaterThan(0.98);
  const belt = (answer: FindAnswer | null) => answer?.suspects.find((one) => one.block === 'belt')?.share ?? 0;
  const look = before?.advice.tests.concat(before.advice.rest).find((one) => one.test.block === 'belt');
  const bad = look?.test.outcomes.find((one) => !one.modes.includes('healthy'));
  const after = solve([answered(look?.test.id ?? '', bad?.id ?? '')]);
  expect(belt(after)).toBeGreaterThan(Math.max(0.5, belt(before)));
});
