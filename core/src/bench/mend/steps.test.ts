import { describe, expect, it } from 'vitest';
import { lineWords } from '../describe.js';
import type { BenchEvent } from '../event.js';
import { DECISION, lineMaker, testJob } from '../job.test-data.js';
import { jobState } from '../state.js';

const job = testJob('belt-turntable-dc', { speedIds: ['33'] });
const line = lineMaker('mend');
const decision = DECISION;

describe('the chosen mend, step by step', () => {
  it('steps done stand with the decision; left midway it is open no more, and its lines read as words', () => {
    const early = line({ kind: 'mend-step', repairId: 'belt', stepId: 'old', what: 'Old belt off' });
    const chosen = line(decision);
    const step = line({ kind: 'mend-step', repairId: 'belt', stepId: 'old', what: 'Old belt off' });
    const other = line({ kind: 'mend-step', repairId: 'trims', stepId: 'note', what: 'Note' });
    const left = line({ kind: 'decision-dropped', optionId: 'belt', name: 'Replace the belt' });
    expect(jobState(job, [early, chosen]).decision?.steps).toEqual([]);
    expect(jobState(job, [chosen, step, other]).decision).toMatchObject({
      key: chosen.key,
      steps: [{ repairId: 'belt', stepId: 'old' }],
    });
    expect(jobState(job, [chosen, step, left]).decision).toBeNull();
    expect(jobState(job, [chosen, left, line(decision)]).decision?.steps).toEqual([]);
    // Another mend than the chosen one ends nothing.
    const mended = (repairId: string) => line({ kind: 'mended', repairId, name: repairId });
    expect(jobState(job, [chosen, mended('trims')]).decision?.optionId).toBe('belt');
    const words = (event: BenchEvent) => lineWords(event.body, () => undefined);
    expect([words(step), words(left)]).toEqual(['done: Old belt off', 'left: Replace the belt']);
  });

  it('of several done together each ends with its own key, the decision with the last', () => {
    const both = line({ ...decision, also: ['trims'] });
    const step = line({ kind: 'mend-step', repairId: 'trims', stepId: 'note', what: 'Note' });
    const mended = (repairId: string, loses?: string) =>
      line({ kind: 'mended', repairId, name: repairId, ...(loses === undefined ? {} : { loses }) });
    const first = mended('belt');
    expect(jobState(job, [both, step, first]).decision).toMatchObject({
      mended: ['belt'],
      steps: [{ repairId: 'trims', stepId: 'note' }],
    });
    const last = mended('trims', 'the pitch control');
    const done = jobState(job, [both, first, last]);
    expect(done.decision).toBeNull();
    // What was done last stands until the next choice.
    expect(done.lastMended).toMatchObject({ repairId: 'trims', loses: 'the pitch control' });
    expect(jobState(job, [both, first, last, line(decision)]).lastMended).toBeNull();
    expect(jobState(job, [both, first, last, line({ kind: 'hand-back', leftUndone: '' })]).lastMended).toBeNull();
    expect(lineWords(last.body, () => undefined)).toBe('mended: trims; gone with it: the pitch control');
  });

  it('what a supplier said is a line; the last one counts', () => {
    const quote = (money: number, days: number | null) =>
      line({ kind: 'quote', optionId: 'belt', name: 'Replace the belt', money, days });
    const lines = [quote(9, 3), quote(7, 1), quote(8, null)];
    expect(jobState(job, lines).quotes.get('belt')).toMatchObject({ money: 8, days: null });
    expect(lines.map(({ body }) => lineWords(body, () => undefined))).toEqual([
      'asked: parts of Replace the belt 9, in 3 days',
      'asked: parts of Replace the belt 7, in a day',
      'asked: parts of Replace the belt 8',
    ]);
  });
});
