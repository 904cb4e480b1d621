/** From dates to the plan's own axis: minutes from midnight, counted by hand, in the clock of this machine. */
import type { DayPlanInput } from '@amber-gauge/contract';
import { describe, expect, it } from 'vitest';
import { JOB } from '../../test/scene.js';
import { axisStart, planInput } from './input.js';

/** A Wednesday, half past ten in the morning, by this machine's clock. */
const NOW = new Date(2026, 2, 4, 10, 30);
const HOURS: DayPlanInput['hours'] = {
  from: '09:00',
  to: '17:00',
  days: [1, 2, 3, 4, 5],
  places: 2,
  isolators: 1,
  variacs: 3,
  tapes: 4,
};
type Row = DayPlanInput['jobs'][number];
const BLOCK = { id: 'b', words: 'Mend it', handsMin: 20, waitMin: 0 } as unknown as Row['chain']['blocks'][number];
const row = (more: Partial<Row['chain']> = {}, part: Partial<Row> = {}): Row => ({
  job: { ...JOB, createdAt: new Date(2026, 2, 3, 22, 0).toISOString() },
  chain: { blocks: [BLOCK], busyUntil: null, busyWhy: null, dueOn: null, ...more } as Row['chain'],
  partOn: null,
  part: null,
  ...part,
});
const planned = (...jobs: Row[]) => planInput({ jobs, hours: HOURS, first: [], more: 0 }, NOW);
const job = (one: Row) => planned(one).jobs[0];

describe('the axis of the day plan', () => {
  it('begins at the midnight before now; now is 630 minutes on it', () => {
    expect(axisStart(NOW)).toEqual(new Date(2026, 2, 4));
    expect(planned().bench).toMatchObject({ nowMin: 630, open: { first: 3, hours: HOURS } });
    // Sunday is the seventh day, not the noughth.
    expect(planInput({ jobs: [], hours: HOURS, first: [], more: 0 }, new Date(2026, 2, 8, 9)).bench.open.first).toBe(7);
  });

  it('places, isolators, variable transformers and tapes are counted each for itself', () => {
    expect(planned().bench.count).toEqual({ place: 2, isolator: 1, variac: 3, tape: 4 });
  });

  it('a job is taken in before, due at the end of its day, ready at once when nothing holds it', () => {
    expect(job(row({ dueOn: '2026-03-06' }))).toMatchObject({
      takenMin: -120,
      // Two days on, to the midnight after it.
      dueMin: 3 * 1440,
      readyMin: 0,
      readyWhy: null,
    });
    expect(job(row())?.dueMin).toBeNull();
  });

  it('a timer holds it to its end, a part to noon of its day; the later of the two counts and says why', () => {
    const until = new Date(2026, 2, 4, 13, 15).toISOString();
    expect(job(row({ busyUntil: until, busyWhy: 'soak' }))).toMatchObject({ readyMin: 795, readyWhy: 'soak runs' });
    expect(job(row({ busyUntil: until }))).toMatchObject({ readyWhy: 'a timer runs' });
    expect(job(row({}, { partOn: '2026-03-05', part: 'belt' }))).toMatchObject({
      readyMin: 1440 + 720,
      readyWhy: 'belt comes 2026-03-05',
    });
    const both = row({ busyUntil: until, busyWhy: 'soak' }, { partOn: '2026-03-05' });
    expect(job(both)).toMatchObject({ readyMin: 2160, readyWhy: 'its part comes 2026-03-05' });
    // What should have come yesterday holds nothing.
    expect(job(row({}, { partOn: '2026-03-02' }))).toMatchObject({ readyMin: 0, readyWhy: null });
  });

  it('a job without anything to do is left out', () => {
    expect(planned(row({ blocks: [] })).jobs).toEqual([]);
  });
});
