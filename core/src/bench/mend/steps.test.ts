import { describe, expect, it } from 'vitest';
import { lineWords } from '../describe.js';
import type { BenchEvent, EventBody } from '../event.js';
import { testJob } from '../job.test-data.js';
import { jobState } from '../state.js';

const job = testJob('belt-turntable-dc', { speedIds: ['33'] });
let count = 0;
const line = (body: EventBody): BenchEvent => ({
  key: `k${++count}`,
  enteredAt: new Date(Date.UTC(2026, 0, 1, 8, count)).toISOString(),
  device: 'd',
  sequence: count,
  stage: 'mend',
  body,
});
const decision: EventBody = {
  kind: 'decision',
  optionId: 'belt',
  name: 'Replace the belt',
  reason: '',
  chance: 0.6,
  minutes: 15,
  money: 23,
  expectedCost: 31,
  beside: '',
};

describe('the chosen mend, step by step', () => {
  it('steps done stand with the decision; left midway it is open no more, and its lines read as words', () => {
    const early = line({ kind: 'mend-step', repairId: 'belt', stepId: 'old', what: 'Old belt off' });
    const chosen = line(decision);
    const step = line({ kind: 'mend-step', repairId: 'belt', stepId: 'old', what: 'Old belt off' });
    const other = line({ kind: 'mend-step', repairId: 'trims', stepId: 'note', what: 'Note' });
    const left = line({ kind: 'decision-dropped', optionId: 'belt', name: 'Replace the belt' });
    expect(jobState(job, [early, chosen]).decision?.steps).toEqual([]);
    expect(jobState(job, [chosen, step, other]).decision).toMatchObject({ key: chosen.key, steps: ['old'] });
    expect(jobState(job, [chosen, step, left]).decision).toBeNull();
    expect(jobState(job, [chosen, left, line(decision)]).decision?.steps).toEqual([]);
    const words = (event: BenchEvent) => lineWords(event.body, () => undefined);
    expect([words(step), words(left)]).toEqual(['done: Old belt off', 'left: Replace the belt']);
  });
});
