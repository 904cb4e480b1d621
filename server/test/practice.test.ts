import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { EventBody } from '@amber-gauge/core/bench';
import { harness, line, newJob, type Harness } from './harness.js';

let h: Harness;
beforeAll(async () => {
  h = await harness();
});
afterAll(() => h.close());

const SPEC = { machine: 'turntable-dc', faults: ['pitch-off'], seed: 4, lesson: 'strobe-slow' };
const take = async (more: object = {}, status = 201) =>
  (
    await request(h.app)
      .post('/api/v1/jobs')
      .send(newJob({ practice: SPEC, ...more }))
      .expect(status)
  ).body;
const get = async (path: string) => (await request(h.app).get(`/api/v1${path}`).expect(200)).body;
const tell = (id: string, ...bodies: EventBody[]) =>
  request(h.app)
    .post(`/api/v1/jobs/${id}/events`)
    .send({ events: bodies.map((body) => line(body)) })
    .expect(201);
const END: EventBody = {
  kind: 'practice-end',
  minutes: 12.5,
  live: 1,
  parts: 0,
  wrongParts: 0,
  harm: [],
  found: ['pitch control not at its centre'],
  left: [],
  adviceMinutes: 9,
  bestMinutes: 6,
};

describe('practice units', () => {
  it('have a number series of their own beside that of real jobs', async () => {
    const real = (await request(h.app).post('/api/v1/jobs').send(newJob()).expect(201)).body;
    const [one, two] = [await take(), await take()];
    const next = (await request(h.app).post('/api/v1/jobs').send(newJob()).expect(201)).body;
    expect([one.number, two.number]).toEqual([1, 2]);
    expect(next.number - real.number).toBe(1);
    expect((await get(`/jobs/${one.id}`)).job.practice).toEqual(SPEC);
    expect(real).not.toHaveProperty('practice');
  });

  it('stand in no list, no search, no Book and nothing the bench knows, whatever is logged', async () => {
    const family = { familyId: 'belt-turntable-dc', make: 'Ovrek', model: 'P 9', complaint: 'unheardof' };
    const known = await get('/families/belt-turntable-dc/known?model=Ovrek%20P%209');
    const [counts, figures] = [(await get('/jobs')).counts, await get('/book/figures')];
    const { id } = await take(family);
    await tell(
      id,
      { kind: 'mended', repairId: 'new-belt', name: 'Fit a new belt' },
      { kind: 'timer', timer: 'soak', label: 'soak', minutes: 1 },
      { kind: 'follow-up', why: 'trial', what: 'look again', on: '2026-03-02' },
      { kind: 'hand-back', leftUndone: '' },
    );
    const list = await get('/jobs');
    expect(list.counts).toEqual(counts);
    expect(list.jobs.filter((row: { job: { id: string } }) => row.job.id === id)).toEqual([]);
    for (const query of ['/jobs?search=unheardof', '/jobs?family=belt-turntable-dc', '/jobs?kind=done'])
      expect((await get(query)).jobs.filter((row: { job: { id: string } }) => row.job.id === id)).toEqual([]);
    expect((await get('/book?words=unheardof')).rows).toEqual([]);
    expect(await get('/book/figures')).toEqual(figures);
    expect(await get('/families/belt-turntable-dc/known?model=Ovrek%20P%209')).toEqual(known);
    expect(await h.db('job_state').where({ job_id: id })).toEqual([]);
  });

  it('are listed by themselves with how they ended; a lesson counts when nothing was left and nothing harmed', async () => {
    const [good, left, harmed] = [await take(), await take(), await take()];
    await tell(good.id, END);
    await tell(left.id, { ...END, minutes: 2, found: [], left: ['pitch control not at its centre'] });
    await tell(harmed.id, { ...END, minutes: 3, harm: ['the transformer cooks'] });
    const { units, lessons } = await get('/practice');
    const ended = new Map(units.map((unit: { id: string; ended: unknown }) => [unit.id, unit.ended]));
    expect(ended.get(good.id)).toEqual(END);
    expect(ended.get(harmed.id)).toMatchObject({ harm: ['the transformer cooks'] });
    expect(lessons).toEqual([{ lesson: 'strobe-slow', times: 1, bestMinutes: 12.5 }]);
  });

  it.each([
    ['another machine', { machine: 'mixer' }, /machine is turntable-dc, not mixer/],
    ['a fault it has not', { faults: ['gremlin'] }, /no fault gremlin/],
    ['a name of the prototype', { faults: ['toString'] }, /no fault toString/],
  ])('with %s are refused by name, and nothing is kept', async (_what, more, why) => {
    const id = randomUUID();
    const body = await take({ id, practice: { ...SPEC, ...more } }, 422);
    expect(body.error.fields.practice).toMatch(why);
    await request(h.app).get(`/api/v1/jobs/${id}`).expect(404);
  });

  it('go out as a bundle and come in as practice, on another bench under its own next number', async () => {
    const other = await harness();
    try {
      const { id } = await take();
      await tell(id, END);
      const bundle = await get(`/jobs/${id}/bundle.json`);
      await request(other.app).post('/api/v1/bundles').send(bundle).expect(201);
      const { job, events } = (await request(other.app).get(`/api/v1/jobs/${id}`).expect(200)).body;
      expect(job).toMatchObject({ number: 1, practice: SPEC });
      expect(events).toHaveLength(1);
      expect((await request(other.app).get('/api/v1/jobs').expect(200)).body.jobs).toEqual([]);
      const strange = { ...bundle, job: { ...bundle.job, id: randomUUID(), practice: { ...SPEC, machine: 'none' } } };
      await request(other.app).post('/api/v1/bundles').send(strange).expect(422);
    } finally {
      await other.close();
    }
  });
});
