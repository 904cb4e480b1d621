import { errorSchema, jobDetailSchema, jobListSchema } from '@amber-gauge/contract';
import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { harness, type Harness, line, newJob, note, sent } from './harness.js';

let h: Harness;
beforeAll(async () => (h = await harness()));
afterAll(() => h.close());

const takeIn = async (more: object = {}) => {
  const wish = newJob(more);
  const answer = await request(h.app).post('/api/v1/jobs').send(wish);
  expect(answer.status).toBe(201);
  return answer.body as { id: string; number: number; version: number };
};
const detail = async (id: string) => jobDetailSchema.parse((await request(h.app).get(`/api/v1/jobs/${id}`)).body);
const post = (id: string, events: unknown[]) => sent(h.app, id, events);
const error = (body: unknown) => errorSchema.parse(body).error;

describe('taking in', () => {
  it('numbers jobs in a row and makes one job of a request sent twice', async () => {
    const wish = newJob();
    const first = await request(h.app).post('/api/v1/jobs').send(wish);
    const again = await request(h.app).post('/api/v1/jobs').send(wish);
    const next = await takeIn();
    expect(again.body).toEqual(first.body);
    expect(next.number).toBe(first.body.number + 1);
  });

  it('says which field is wrong', async () => {
    const answer = await request(h.app)
      .post('/api/v1/jobs')
      .send(newJob({ speedIds: [] }));
    expect(answer.status).toBe(400);
    expect(error(answer.body)).toMatchObject({
      code: 'BAD_REQUEST',
      fields: { speedIds: 'Choose at least one speed' },
    });
    const family = await request(h.app)
      .post('/api/v1/jobs')
      .send(newJob({ familyId: 'steam-organ' }));
    expect(error(family.body).code).toBe('UNKNOWN_REFERENCE');
    const speed = await request(h.app)
      .post('/api/v1/jobs')
      .send(newJob({ speedIds: ['19'] }));
    expect(error(speed.body).fields?.speedIds).toContain('19');
  });

  it('lists jobs with what each wants next, computed from the log', async () => {
    const { id } = await takeIn();
    await post(id, [line({ kind: 'hold', prompt: 'volts at the motor' })]);
    const { jobs } = jobListSchema.parse((await request(h.app).get('/api/v1/jobs')).body);
    expect(jobs.find((item) => item.job.id === id)?.next).toMatchObject({
      stage: 'find',
      text: 'Type the value held: volts at the motor',
    });
  });
});

describe('the bench log', () => {
  it('keeps a line once, however often it is sent', async () => {
    const { id } = await takeIn();
    const one = line(note('a knock at the start'));
    const first = await post(id, [one]);
    const again = await post(id, [one, line(note('second'))]);
    expect(first.status).toBe(201);
    expect(again.body.kept).toHaveLength(2);
    expect((await detail(id)).events.map((event) => event.key)).toHaveLength(2);
  });

  it('gives the lines behind a known one alone, the whole log when that one is not there', async () => {
    const { id } = await takeIn();
    const [one, two, three] = [line(note('one')), line(note('two')), line(note('three'))];
    const { kept } = (await post(id, [one, two])).body as { kept: { position: number; key: string }[] };
    const last = kept[1] as { position: number; key: string };
    await post(id, [three]);
    const asked = async (query: string) =>
      jobDetailSchema.parse((await request(h.app).get(`/api/v1/jobs/${id}?${query}`)).body);
    const news = await asked(`after=${last.position}&key=${last.key}`);
    expect([news.events.map(({ key }) => key), news.lines, news.onlyNew]).toEqual([[three.key], 3, true]);
    // Another bench stands where that line was: its place alone proves nothing.
    const other = await asked(`after=${last.position}&key=${three.key}`);
    expect([other.events.length, other.lines, other.onlyNew]).toEqual([3, 3, false]);
  });

  it('keeps lines sent at the same moment by two devices, both and once', async () => {
    const { id } = await takeIn();
    const lines = Array.from({ length: 12 }, (_, i) => line(note(`line ${i}`), { device: i % 2 ? 'phone' : 'laptop' }));
    await Promise.all([...lines, ...lines].map((one) => post(id, [one])));
    expect(new Set((await detail(id)).events.map((event) => event.key)).size).toBe(12);
  });

  it('cannot be changed, deleted or emptied, not even by SQL', async () => {
    const { id } = await takeIn();
    await post(id, [line(note('stays'))]);
    await expect(h.db('job_event').where({ job_id: id }).update({ stage: 'mend' })).rejects.toThrow(/append-only/);
    await expect(h.db('job_event').where({ job_id: id }).delete()).rejects.toThrow(/append-only/);
    await expect(h.db.raw('truncate job_event')).rejects.toThrow(/append-only/);
  });

  it('takes no stroke at a line of another job, nor the key of one', async () => {
    const [one, two] = [await takeIn(), await takeIn()];
    const kept = line(note('mine'));
    await post(one.id, [kept]);
    const stroke = await post(two.id, [line({ kind: 'strike', target: kept.key, reason: 'x' })]);
    expect(stroke.status).toBe(422);
    const stolen = await post(two.id, [{ ...line(note('other')), key: kept.key }]);
    expect(stolen.status).toBe(409);
    expect((await detail(two.id)).events).toHaveLength(0);
  });

  it('refuses what is no line, and keeps none of a batch that holds one', async () => {
    const { id } = await takeIn();
    const answer = await post(id, [line(note('good')), { ...line(note('bad')), body: { kind: 'rumour' } }]);
    expect(answer.status).toBe(400);
    expect((await detail(id)).events).toHaveLength(0);
    expect((await post(randomUUID(), [line(note('x'))])).status).toBe(404);
  });
});

describe('changing what was taken in', () => {
  const change = (id: string, version: number, fields: object, key: string = randomUUID()) =>
    request(h.app)
      .patch(`/api/v1/jobs/${id}`)
      .send({ version, fields, key, enteredAt: '2026-03-01T09:30:00.000Z', device: 'test', sequence: 1 });

  it('is a line of the log with the old value', async () => {
    const { id, version } = await takeIn();
    const answer = await change(id, version, { serial: '2', speedIds: ['33'] });
    expect(answer.body).toMatchObject({ serial: '2', version: version + 1 });
    const bodies = (await detail(id)).events.map((event) => event.body);
    expect(bodies).toContainEqual({ kind: 'field', field: 'serial', from: '1', to: '2' });
    expect(bodies).toContainEqual({ kind: 'field', field: 'speedIds', from: '33, 45', to: '33' });
    const { tolerance } = newJob();
    const limits = { ...tolerance, lowerPercent: -0.5, upperPercent: 1.5, use: 'agreed' };
    await change(id, version + 1, { ratedVolts: null, tolerance: limits, make: 'Made' });
    await change(id, version + 2, { ratedVolts: 115 });
    const later = (await detail(id)).events.slice(bodies.length).map((event) => event.body);
    // What is the same as before is no change.
    expect(later).toEqual([
      { kind: 'field', field: 'ratedVolts', from: '230', to: '' },
      {
        kind: 'field',
        field: 'tolerance',
        from: `${tolerance.lowerPercent} to +${tolerance.upperPercent} %, ${tolerance.use}`,
        to: '-0.5 to +1.5 %, agreed',
      },
      { kind: 'field', field: 'ratedVolts', from: '', to: '115' },
    ]);
  });

  it('answers a lost update with what is kept now, and overwrites nothing', async () => {
    const { id, version } = await takeIn();
    await change(id, version, { customer: 'Ferry office' });
    const late = await change(id, version, { customer: 'Bakery' });
    expect(late.status).toBe(409);
    expect(error(late.body)).toMatchObject({
      code: 'CONFLICT',
      present: { customer: 'Ferry office', version: version + 1 },
    });
    expect((await detail(id)).job.customer).toBe('Ferry office');
  });

  it('applies the same request once', async () => {
    const { id, version } = await takeIn();
    const key = randomUUID();
    await change(id, version, { serial: '9' }, key);
    const again = await change(id, version, { serial: '9' }, key);
    expect(again.status).toBe(200);
    expect((await detail(id)).events).toHaveLength(1);
  });
});

describe('what this bench has confirmed', () => {
  it('is counted over the logs of a family, and asked for by its id', async () => {
    const own = await harness();
    const unit = newJob();
    await request(own.app).post('/api/v1/jobs').send(unit);
    const known = async (id: string) =>
      request(own.app).get(`/api/v1/families/${id}/known?model=${encodeURIComponent(`${unit.make} ${unit.model}`)}`);
    expect((await known('belt-turntable-dc')).body).toMatchObject({ model: { units: 0, modes: {} }, healthy: {} });
    const look = {
      kind: 'answer',
      testId: 'belt-look',
      name: 'Belt',
      outcome: 'slack-or-shiny',
      words: 'slack',
      value: null,
      unit: null,
    } as const;
    const mended = { kind: 'mended', repairId: 'new-belt', name: 'Fit a new belt' } as const;
    await sent(own.app, unit.id, [line(look), line(mended)]);
    expect((await known('belt-turntable-dc')).body).toMatchObject({
      family: { units: 0 },
      model: { units: 1, modes: { 'belt.slips': 1 } },
    });
    expect((await known('nothing')).status).toBe(404);
    await own.close();
  });
});
