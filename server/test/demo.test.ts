import { jobListSchema } from '@amber-gauge/contract';
import { FAMILIES } from '@amber-gauge/core/families';
import { STAGES, type StageId } from '@amber-gauge/core/bench';
import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { resetDemo, seedDemoOnce } from '../src/demo/seed.js';
import { DEMO_AT, harness, type Harness, line, newJob, note, sent } from './harness.js';

const NOW = DEMO_AT;
let h: Harness;
beforeAll(async () => {
  h = await harness({ demo: true });
});
afterAll(() => h.close());

const list = async () => jobListSchema.parse((await request(h.app).get('/api/v1/jobs')).body).jobs;

describe('the demo', () => {
  it('tells of all fifteen families over ten months, every past job ended, one come back', async () => {
    const rows = await h.db('job').select('family_id', 'number', 'created_at');
    expect(rows.length).toBeGreaterThanOrEqual(24);
    expect(new Set(rows.map((row) => row.family_id as string)).size).toBe(FAMILIES.length);
    // What came last on each past job contradicts nothing: none wants to be asked whether it is on.
    const wishes = (await h
      .db('job_state')
      .join('job', 'job.id', 'job_state.job_id')
      .where('number', '<', 141)
      .pluck('next_text')) as string[];
    expect(wishes.filter((text) => /Say whether|cannot be worked out/.test(text))).toEqual([]);
    const oldest = Math.min(...rows.map((row) => (row.created_at as Date).getTime()));
    expect((NOW.getTime() - oldest) / 86_400_000).toBeGreaterThan(270);
    const { n } = (await h.db('job_state').whereNotNull('handed_at').count('* as n').first()) as { n: number };
    expect(Number(n)).toBeGreaterThanOrEqual(14);
    expect(await h.db('job_state').whereNotNull('return_of').pluck('return_same')).toEqual([true]);
  });

  it('shows jobs at several stages, their speeds measured from synthesised tones', async () => {
    const jobs = await list();
    expect(jobs.length).toBeGreaterThanOrEqual(6);
    expect(new Set(jobs.map((item) => item.next.stage)).size).toBeGreaterThanOrEqual(4);
    const cinema = jobs.find((item) => item.job.number === 142);
    expect(cinema?.speeds[0]?.reading?.errorPercent).toBeCloseTo(0.12, 2);
    expect(cinema?.next).toMatchObject({ stage: 'prove', kind: 'hands' });
    // One that was shown in full waits for its owner.
    expect(jobs.find((item) => item.job.number === 126)?.next.kind).toBe('back');
    for (const item of jobs) expect(STAGES).toContain(item.next.stage satisfies StageId);
  });

  it('is seeded once and never over data that exists', async () => {
    expect(await seedDemoOnce(h.db, NOW)).toBe(false);
    const own = await harness();
    await request(own.app).post('/api/v1/jobs').send(newJob());
    expect(await seedDemoOnce(own.db, NOW)).toBe(false);
    expect(await own.db('job').where({ demo: true }).first()).toBeUndefined();
    await own.close();
  });

  it('hides behind one’s own bench and comes back', async () => {
    await request(h.app).post('/api/v1/settings/demo').send({ shown: false });
    expect(await list()).toHaveLength(0);
    // Nobody counts what is not shown.
    const { counts } = (await request(h.app).get('/api/v1/jobs')).body as { counts: Record<string, number> };
    const own = await h.db('job').where({ demo: false }).count('id as n').first();
    expect(Object.values(counts).reduce((sum, one) => sum + one, 0)).toBe(Number(own?.n));
    await request(h.app).post('/api/v1/settings/demo').send({ shown: true });
    expect((await list()).length).toBeGreaterThan(0);
  });

  it('is reset without touching one’s own jobs', async () => {
    const mine = newJob();
    await request(h.app).post('/api/v1/jobs').send(mine);
    await sent(h.app, mine.id, [line(note('mine'))]);
    const demo = (await list()).find((item) => item.job.demo);
    await sent(h.app, demo?.job.id, [line(note('typed on a demo job'))]);
    await resetDemo(h.db, NOW);
    const after = await list();
    expect(after.find((item) => item.job.id === mine.id)?.lineCount).toBe(1);
    // What was typed on a demo unit is one’s own: that unit stays as it is.
    expect(after.find((item) => item.job.id === demo?.job.id)?.lineCount).toBe((demo?.lineCount ?? 0) + 1);
    expect(after.filter((item) => item.job.demo).length).toBeGreaterThanOrEqual(6);
  });

  it('leaves a run of one’s own with the demo tape it was measured against', async () => {
    const source = await h.db('tone_source').where({ demo: true }).first();
    const run = await h.db('speed_run').first();
    const own = { ...run, figures: JSON.stringify(run.figures), id: randomUUID(), job_id: null, demo: false };
    await h.db('speed_run').insert({ ...own, source_id: source.id });
    await resetDemo(h.db, NOW);
    expect(await h.db('speed_run').where({ id: own.id }).pluck('source_id')).toEqual([source.id]);
    const names = (await h.db('tone_source').where({ demo: true }).pluck('name')) as string[];
    expect(new Set(names).size).toBe(names.length);
  });
});
