import { describe, expect, it } from 'vitest';
import { resetDemo } from '../src/demo/seed.js';
import { harness, line, note, sent } from './harness.js';

describe('a reset of the demo', () => {
  it('leaves one’s own lines and runs on demo jobs, and makes the others anew', async () => {
    const own = await harness({ demo: true });
    const jobs = (await own.db('job').where({ demo: true }).orderBy('number')) as { id: string; number: number }[];
    const [first, second] = jobs as [(typeof jobs)[0], (typeof jobs)[0]];
    await sent(own.app, first.id, [line(note('mine, on a demo unit'))]);
    const before = await own.db('job_event').where({ job_id: first.id }).count('key as n').first();
    await resetDemo(own.db, new Date('2026-03-02T10:00:00Z'));
    expect(await own.db('job_event').where({ job_id: first.id }).count('key as n').first()).toEqual(before);
    expect(await own.db('job').where({ id: second.id }).first()).toBeUndefined();
    const numbers = (await own.db('job').where({ demo: true }).orderBy('number').pluck('number')) as number[];
    expect(numbers).toEqual(jobs.map(({ number }) => number));
    const names = (await own.db('tone_source').where({ demo: true }).pluck('name')) as string[];
    expect(new Set(names).size).toBe(names.length);
    await own.close();
    // Two demos are made.
  }, 90_000);
});
