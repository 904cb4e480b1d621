/** What a schema admits is kept and read back the same; all else is refused by name, never with a 500. */
import {
  changeJobSchema,
  changeSettingsSchema,
  changeSheetSchema,
  changeSourceSchema,
  eventBodySchema,
  eventSchema,
  jobDetailSchema,
  jobListSchema,
  newJobSchema,
  newRunSchema,
  newSourceSchema,
  runSchema,
} from '@amber-gauge/contract';
import type { EventBody } from '@amber-gauge/core/bench';
import fc from 'fast-check';
import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import type { z } from 'zod';
import { arbitraryOf } from './arbitrary.js';
import { harness, type Harness, line, newJob, note, sent } from './harness.js';

let h: Harness;
let jobId: string;
/** A line that stands in the job's log. */
let standing: string;
beforeAll(async () => {
  h = await harness();
});
/** A job of its own each, so that no log grows long. */
beforeEach(async () => {
  const wish = newJob();
  jobId = wish.id;
  const made = await request(h.app).post('/api/v1/jobs').send(wish);
  expect(made.status, JSON.stringify(made.body)).toBe(201);
  const first = line(note('what others may speak of'));
  standing = first.key;
  expect((await sent(h.app, jobId, [first])).status).toBe(201);
});
afterAll(() => h.close());

/** Tries of each kind; the torture run has more. */
const RUNS = Number(process.env.STORABLE_RUNS ?? 15);
const NAMED = new Set([200, 201, 400, 404, 409, 413, 422]);

/** Runs `work` on values of `schema`; each answer must be one that is named. */
const forAll = (schema: z.ZodType, work: (value: never) => Promise<number>) =>
  fc.assert(
    fc.asyncProperty(arbitraryOf(schema), async (value) => {
      const status = await work(value as never);
      if (!NAMED.has(status)) throw new Error(`answered ${status}`);
    }),
    { numRuns: RUNS },
  );

const detail = async () => jobDetailSchema.parse((await request(h.app).get(`/api/v1/jobs/${jobId}`)).body);
/** JSON's own way with a value: -0 becomes 0. */
const throughJson = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

/** Most keys of other lines, which would be made up, are that of one which stands there. */
const referring = (body: unknown): EventBody =>
  JSON.parse(
    JSON.stringify(body, (_field, value: unknown) =>
      typeof value === 'string' && /^[0-9a-e][0-9a-f]{7}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/.test(value) ? standing : value,
    ),
  ) as EventBody;

const kinds = eventBodySchema.options.map((option) => [option.shape.kind.value as string, option] as const);

describe('lines', () => {
  it.each(kinds)('of kind %s', async (kind, schema) => {
    let kept = 0;
    const refused: string[] = [];
    const some = () =>
      forAll(schema, async (value) => {
        const event = line(referring(value));
        const answer = await sent(h.app, jobId, [event]);
        if (answer.status !== 201) {
          refused.push(answer.text);
          return answer.status;
        }
        kept++;
        const found = (await detail()).events.find(({ key }) => key === event.key);
        expect(found?.body).toEqual(throughJson(eventBodySchema.parse(event.body)));
        // The same again is known, not a conflict.
        return (await sent(h.app, jobId, [event])).status;
      });
    await some();
    // Pictures and sounds need one that has arrived; all other kinds must be kept now and then.
    if (kind !== 'photo' && kind !== 'clip') {
      for (let again = 0; kept === 0 && again < 3; again++) await some();
      expect(kept, refused.join('\n')).toBeGreaterThan(0);
    }
    expect((await detail()).unreadable).toEqual([]);
  });

  it('with any envelope', async () => {
    await forAll(eventSchema, async (event: { key: string }) => {
      const answer = await sent(h.app, jobId, [event]);
      if (answer.status === 201) expect(answer.body.kept[0].key).toBe(event.key);
      return answer.status;
    });
    expect((await request(h.app).get(`/api/v1/jobs/${jobId}`)).status).toBe(200);
  });

  it.each([
    ['NUL', 'a\0b', /NUL/],
    ['half a sign', 'a\ud800', /surrogate/],
  ])('with %s are refused by the field’s name', async (_, text, why) => {
    const answer = await sent(h.app, jobId, [line(note(text))]);
    expect(answer.status).toBe(400);
    expect(answer.body.error.fields['events.0.body.text']).toMatch(why);
  });

  it.each([
    // The bench's clock stands at ten on the first of March.
    ['more than a day ahead', '2026-03-02T10:00:00.001Z', /day ahead/],
    ['before the bench', '1999-12-31T23:59:59.000Z', /2000 to 2100/],
    ['finer than a millisecond', '2026-03-01T09:00:00.0001Z', /millisecond/],
  ])('%s are refused', async (_, enteredAt, why) => {
    const answer = await sent(h.app, jobId, [line(note('late'), { enteredAt })]);
    expect(answer.status).toBe(400);
    expect(Object.values(answer.body.error.fields).join()).toMatch(why);
  });
});

it('a line of a clock that is a day ahead is kept: the next zone’s noon is no fault', async () => {
  await sent(h.app, jobId, [line(note('early'), { enteredAt: '2026-03-02T10:00:00.000Z' })]).expect(201);
});

describe('all else that is kept', () => {
  it('jobs', async () => {
    await forAll(newJobSchema, async (given: object) => {
      // Practice units have lists of their own.
      const wish = { ...given, practice: undefined, familyId: 'belt-turntable-dc', speedIds: ['33'] };
      const answer = await request(h.app).post('/api/v1/jobs').send(wish);
      if (answer.status !== 201) return answer.status;
      const read = await request(h.app).get(`/api/v1/jobs/${answer.body.id}`);
      expect(read.body.job).toEqual(answer.body);
      return read.status;
    });
    const list = jobListSchema.parse((await request(h.app).get('/api/v1/jobs')).body);
    expect(list.unreadable).toEqual([]);
    expect(list.jobs.length).toBeGreaterThan(1);
  });

  it('changes of jobs, of Set-up, of tapes and of sheets', async () => {
    const patch = (path: string) => async (wish: object) => (await request(h.app).patch(path).send(wish)).status;
    await forAll(changeJobSchema, patch(`/api/v1/jobs/${jobId}`));
    await forAll(changeSettingsSchema, patch('/api/v1/settings'));
    const source = { id: randomUUID(), name: 'Tape', nominalHz: 3150, tolerancePercent: null };
    await request(h.app).post('/api/v1/sources').send(source);
    await forAll(changeSourceSchema, patch(`/api/v1/sources/${source.id}`));
    await forAll(
      newSourceSchema,
      async (wish: object) => (await request(h.app).post('/api/v1/sources').send(wish)).status,
    );
    await forAll(
      changeSheetSchema,
      async (wish: object) => (await request(h.app).put('/api/v1/families/belt-turntable-dc/sheet').send(wish)).status,
    );
    for (const path of ['/api/v1/settings', '/api/v1/sources', '/api/v1/jobs'])
      expect((await request(h.app).get(path)).status).toBe(200);
  });

  it('runs', async () => {
    let kept = 0;
    await forAll(newRunSchema, async (given: object) => {
      const wish = { ...given, jobId, sourceId: null };
      const answer = await request(h.app).post('/api/v1/runs').send(wish);
      if (answer.status !== 201) return answer.status;
      kept++;
      const read = runSchema.parse((await request(h.app).get(`/api/v1/runs/${answer.body.id}`)).body);
      expect(read.figures.detail).toEqual(
        throughJson((answer.body as { figures: { detail: unknown } }).figures.detail),
      );
      return 200;
    });
    expect(kept).toBeGreaterThan(0);
    expect((await request(h.app).get(`/api/v1/runs?jobId=${jobId}`)).status).toBe(200);
  });

  it.each(['/api/v1/families/belt-turntable-dc/sheet?model=%00', '/api/v1/runs?jobId=%00', '/api/v1/jobs/%00'])(
    'a strange address, %s, is no failure',
    async (path) => {
      expect([400, 404]).toContain((await request(h.app).get(path)).status);
    },
  );
});

describe('one bad row', () => {
  // A list shows a page of them: this one has few.
  beforeAll(async () => {
    await h.close();
    h = await harness();
  });

  it('of a log stands apart: the job and all others are whole, and its power is not known', async () => {
    const wish = newJob();
    await request(h.app).post('/api/v1/jobs').send(wish);
    const post = (...events: unknown[]) => sent(h.app, wish.id, events);
    await post(line(note('before')));
    await h.db('job_event').insert({
      job_id: wish.id,
      key: randomUUID(),
      entered_at: new Date('2026-03-01T09:00:00Z'),
      received_at: new Date('2026-03-01T09:00:00Z'),
      device: 'newer',
      sequence: 0,
      stage: 'find',
      kind: 'power',
      body: JSON.stringify({ kind: 'power', state: 'something new' }),
    });
    expect((await post(line(note('after')))).status).toBe(201);
    const read = jobDetailSchema.parse((await request(h.app).get(`/api/v1/jobs/${wish.id}`)).body);
    expect(read.events.map(({ body }) => (body.kind === 'note' ? body.text : body.kind))).toEqual(['before', 'after']);
    expect(read.unreadable).toMatchObject([{ kind: 'power' }]);
    const { jobs } = jobListSchema.parse((await request(h.app).get('/api/v1/jobs')).body);
    expect(jobs.find(({ job }) => job.id === wish.id)?.power).toBe('live-direct');
  });

  it('of the list stands apart', async () => {
    const wish = newJob();
    await request(h.app).post('/api/v1/jobs').send(wish);
    await h.db('job_state').where({ job_id: wish.id }).update({ power: 'nonsense', timers: '{}' });
    const list = jobListSchema.parse((await request(h.app).get('/api/v1/jobs')).body);
    expect(list.unreadable.map(({ id }) => id)).toEqual([wish.id]);
    expect(list.jobs.some(({ job }) => job.id === jobId)).toBe(true);
  });
});

describe('a key used again', () => {
  it('with other content is a conflict, and what is kept is shown', async () => {
    const one = line(note('first'));
    const post = (event: unknown) => sent(h.app, jobId, [event]);
    expect((await post(one)).status).toBe(201);
    const other = await post({ ...one, body: note('second') });
    expect(other.status).toBe(409);
    expect(other.body.error.present.body.text).toBe('first');
    expect((await post(one)).status).toBe(201);
  });

  it('for a unit or a run is a conflict, the same again is not', async () => {
    const wish = newJob();
    const take = (more: object) =>
      request(h.app)
        .post('/api/v1/jobs')
        .send({ ...wish, ...more });
    expect((await take({})).status).toBe(201);
    expect((await take({})).status).toBe(201);
    expect((await take({ complaint: 'another unit' })).status).toBe(409);
    const run = fc
      .sample(arbitraryOf(newRunSchema), { numRuns: 200, seed: 1 })
      .find((one) => newRunSchema.safeParse(one).success);
    const file = (more: object) =>
      request(h.app)
        .post('/api/v1/runs')
        .send({ ...(run as object), jobId: null, sourceId: null, ...more });
    expect((await file({})).status).toBe(201);
    expect((await file({})).status).toBe(201);
    expect((await file({ sha256: 'b'.repeat(64) })).status).toBe(409);
  });

  it('for two jobs at once keeps one and says so to the other', async () => {
    const other = newJob();
    await request(h.app).post('/api/v1/jobs').send(other);
    for (let round = 0; round < 10; round++) {
      const one = line(note(`round ${round}`));
      const answers = await Promise.all([jobId, other.id].map((id) => sent(h.app, id, [one])));
      expect(answers.map(({ status }) => status).sort()).toEqual([201, 409]);
    }
  });
});
