import type { JobList, JobListItem } from '@amber-gauge/contract';
import { describe, expect, it } from 'vitest';
import { withRow } from './changed.js';

const row = (id: string, kind: JobListItem['next']['kind'], lineCount = 1): JobListItem =>
  ({ job: { id }, next: { stage: 'find', kind, text: '', until: null }, lineCount }) as unknown as JobListItem;
const list: JobList = {
  jobs: [row('a', 'hands'), row('b', 'waits')],
  counts: { hands: 70, waits: 1, back: 0, done: 9 },
  unreadable: [],
};

describe('a changed job in the bench at a glance', () => {
  it('stands with its new row and is counted where it is now', () => {
    const next = withRow(list, row('b', 'hands', 2));
    expect(next?.jobs.map(({ job, lineCount }) => [job.id, lineCount])).toEqual([
      ['b', 2],
      ['a', 1],
    ]);
    expect(next?.counts).toEqual({ hands: 71, waits: 0, back: 0, done: 9 });
  });

  it('is asked of the server where it was not in sight, or nothing was counted', () => {
    expect(withRow(list, row('far down', 'hands'))).toBeNull();
    expect(withRow({ ...list, counts: null }, row('a', 'hands'))).toBeNull();
  });
});
