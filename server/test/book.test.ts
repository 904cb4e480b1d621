import { randomUUID } from 'node:crypto';
import ICAL from 'ical.js';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { EventBody } from '@amber-gauge/core/bench';
import { bookQuery } from '../src/features/book/repository.js';
import { refillRows } from '../src/features/jobs/refill.js';
import { harness, type Harness, line, newJob, note, sent } from './harness.js';
import { fillBench } from './many.js';

let h: Harness;
beforeAll(async () => {
  h = await harness();
});
afterAll(() => h.close());

const take = async (more: object = {}, ...bodies: readonly EventBody[]) => {
  const wish = newJob(more);
  const { body: job } = await request(h.app).post('/api/v1/jobs').send(wish).expect(201);
  if (bodies.length > 0) await tell(wish.id, ...bodies);
  return job as { id: string; number: number };
};
let minute = 0;
const tell = (id: string, ...bodies: readonly EventBody[]) => {
  const events = bodies.map((body) =>
    line(body, { enteredAt: new Date(Date.UTC(2026, 1, 20, 8, minute++)).toISOString(), stage: 'mend' }),
  );
  return sent(h.app, id, events).expect(201);
};
const pinned = (block: string): EventBody => ({ kind: 'suspect', block, name: block, verdict: 'pinned' });
const mended: EventBody = { kind: 'mended', repairId: 'new-belt', name: 'Fit a new belt', rank: 2 };
const back: EventBody = { kind: 'hand-back', leftUndone: 'the worn feet' };
const book = async (query: string) =>
  (await request(h.app).get(`/api/v1/book?${query}`).expect(200)).body as {
    rows: {
      job: { id: string; number: number };
      returnedAs: number | null;
      faults: string[];
      handedAt: string | null;
    }[];
    more: boolean;
  };
const numbers = async (query: string) => (await book(query)).rows.map(({ job }) => job.number);

describe('the Book', () => {
  it('finds a job by the words of its log and by its fields, and no other', async () => {
    const one = await take(
      { make: 'Falkwerk', customer: 'Lighthouse museum' },
      note('a brittle cog under the arm'),
      pinned('belt'),
    );
    const two = await take(
      { make: 'Falkwerk', customer: 'Bakery', familyId: 'stand-mixer', speedIds: ['high'] },
      note('a new bowl'),
    );
    expect(await numbers('words=brittle%20cog')).toEqual([one.number]);
    expect(await numbers('words=britt')).toEqual([one.number]);
    expect(await numbers('words=falkwerk')).toEqual([two.number, one.number]);
    expect(await numbers('words=falkwerk&family=stand-mixer')).toEqual([two.number]);
    expect(await numbers('customer=lighthouse%20MUSEUM')).toEqual([one.number]);
    expect(await numbers('fault=belt')).toEqual([one.number]);
    expect(await numbers('words=%26%20!%20(')).toHaveLength(2);
    await request(h.app).get('/api/v1/book?from=yesterday').expect(400);
  });

  it('counts a return with the same complaint against the mend before it', async () => {
    const first = await take({ make: 'Tvilling', model: 'A' }, pinned('belt'), mended, back);
    await take({ make: 'Tvilling', model: 'A' }, pinned('motor'), { ...mended, repairId: 'motor-swap' }, back);
    const figures = async () => (await request(h.app).get('/api/v1/book/figures').expect(200)).body;
    expect((await figures()).firstTime).toMatchObject({ hits: 2, of: 2 });
    const again = await take({ make: 'Tvilling', model: 'A' });
    await tell(again.id, { kind: 'return', number: first.number, jobId: first.id, same: true });
    const { firstTime, mends, models, advice } = await figures();
    expect(firstTime).toMatchObject({ hits: 1, of: 2 });
    // Wilson, 95 %: 1 of 2 is 0.0945 to 0.9055 (by hand from the formula).
    expect(firstTime.low).toBeCloseTo(0.0945, 3);
    expect(firstTime.high).toBeCloseTo(0.9055, 3);
    expect(mends).toEqual([
      { mend: 'motor-swap', jobs: 1, returned: 0 },
      { mend: 'new-belt', jobs: 1, returned: 1 },
    ]);
    expect(models[0]).toEqual({ model: 'Tvilling A', jobs: 3, returned: 1 });
    expect(advice.first).toMatchObject({ hits: 0, of: 2 });
    expect(advice.firstThree).toMatchObject({ hits: 2, of: 2 });
    const { rows } = await book('state=returned');
    expect(rows.map(({ job, returnedAs }) => [job.number, returnedAs])).toEqual([[first.number, again.number]]);
  });

  it('reckons days from taking in to handing back, and minutes by stage without the nights between', async () => {
    const id = (await take({ make: 'Dager' })).id;
    await h.db('job').where({ id }).update({ created_at: '2026-02-10T08:00:00Z' });
    const at = (iso: string, body: EventBody, stage: 'find' | 'mend') => line(body, { enteredAt: iso, stage });
    const events = [
      at('2026-02-10T08:00:00.000Z', note('a'), 'find'),
      at('2026-02-10T08:20:00.000Z', note('b'), 'find'),
      at('2026-02-12T09:00:00.000Z', note('c'), 'mend'),
      at('2026-02-12T09:25:00.000Z', back, 'mend'),
    ];
    await sent(h.app, id, events).expect(201);
    const { rows } = (await request(h.app).get('/api/v1/book?words=dager').expect(200)).body;
    expect(rows[0].minutes).toEqual({ find: 20, mend: 25 });
    const csv = (await request(h.app).get('/api/v1/book.csv?words=dager').expect(200)).text.split('\r\n');
    expect(csv[0]).toMatch(/^number,taken in,handed back,days,kind,make/);
    expect(csv[1]).toContain(',2.1,');
    expect(csv[1]).toContain(',Dager,');
    expect(csv[1]).toContain(',45,');
  });

  it('writes every job out as a table, and makes formulas of a spreadsheet harmless', async () => {
    await take({ make: '=1+1', customer: '"quoted", with comma' });
    const text = (await request(h.app).get('/api/v1/book.csv').expect(200)).text;
    const count = Number((await h.db('job').count('* as n').first())?.n);
    expect(text.trim().split('\r\n')).toHaveLength(count + 1);
    expect(text).toContain("'=1+1");
    expect(text).toContain('"""quoted"", with comma"');
  });

  it('fills rows that an older version wrote', async () => {
    await h.db('job_state').update({ book_at: null, words: null, faults: [] });
    const count = Number((await h.db('job_state').count('* as n').first())?.n);
    expect(
      await refillRows(
        h.db,
        () => new Date(),
        () => true,
      ),
    ).toBe(count);
    expect(await numbers('words=brittle')).toHaveLength(1);
    expect(
      await refillRows(
        h.db,
        () => new Date(),
        () => true,
      ),
    ).toBe(0);
  });

  it('looks words up by the index, and pages by the one of movement', async () => {
    const many = await harness();
    await fillBench(many.db, 4000, 4);
    await many.db.raw('vacuum analyze job_state');
    const plan = async (query: Parameters<typeof bookQuery>[1]) => {
      const { sql, bindings } = bookQuery(many.db, query, true).limit(51).toSQL().toNative();
      const { rows } = await many.db.raw<{ rows: { 'QUERY PLAN': string }[] }>(
        `explain ${sql.replaceAll(/\$\d+/g, '?')}`,
        bindings,
      );
      return rows.map((row) => row['QUERY PLAN']).join('\n');
    };
    expect(await plan({ words: 's3017' })).toContain('job_state_words');
    expect(await plan({})).toContain('job_state_newest');
    const page = (await request(many.app).get('/api/v1/book?words=customer').expect(200)).body;
    expect(page.rows).toHaveLength(50);
    expect(page.more).toBe(true);
    await many.close();
  });
});

describe('what is due later', () => {
  it('is listed soonest first, gone when it is seen to, and a calendar that a library reads', async () => {
    const job = await take({ make: 'Kalender', customer: 'Church hall' });
    const due = (on: string, what: string, why: 'oil' | 'trial'): EventBody => ({ kind: 'follow-up', why, what, on });
    await tell(
      job.id,
      due('2027-03-01', 'Oil again: the bearing; well', 'oil'),
      due('2026-12-18', 'Ask how it runs', 'trial'),
    );
    const list = async () =>
      (await request(h.app).get('/api/v1/follow-ups').expect(200)).body.due as {
        on: string;
        key: string;
        what: string;
      }[];
    expect((await list()).map(({ on }) => on)).toEqual(['2026-12-18', '2027-03-01']);
    const text = (
      await request(h.app)
        .get('/api/v1/follow-ups.ics')
        .expect('content-type', /text\/calendar/)
    ).text;
    const events = new ICAL.Component(ICAL.parse(text) as unknown[])
      .getAllSubcomponents('vevent')
      .map((one) => new ICAL.Event(one));
    expect(events.map((one) => [one.startDate.toString(), one.endDate.toString(), one.startDate.isDate])).toEqual([
      ['2026-12-18', '2026-12-19', true],
      ['2027-03-01', '2027-03-02', true],
    ]);
    expect(events[1]?.summary).toBe(`${String(job.number).padStart(4, '0')} Kalender Up: Oil again: the bearing; well`);
    expect(events[1]?.description).toBe('Oil again, Church hall');
    // Two of one day: the job with the smaller number first, however they were told.
    const later = await take({ make: 'Kalender', customer: 'Church hall' });
    await tell(later.id, due('2026-12-18', 'Second', 'trial'));
    await tell(job.id, due('2026-12-18', 'First', 'trial'));
    const sameDay = (await list()).filter(({ on }) => on === '2026-12-18').map(({ what }) => what);
    expect(sameDay.at(-1)).toBe('Second');
    for (const one of (await list()).filter(({ what }) => what === 'First' || what === 'Second'))
      await tell(one.what === 'First' ? job.id : later.id, {
        kind: 'follow-up-done',
        target: one.key,
        how: 'done',
        words: '',
      });
    const [first] = await list();
    await tell(job.id, { kind: 'follow-up-done', target: first?.key ?? '', how: 'done', words: '' });
    expect((await list()).map(({ on }) => on)).toEqual(['2027-03-01']);
  });

  it('is an empty calendar when nothing is due', async () => {
    await h.db('job_state').update({ follow_ups: '[]', follow_next: null });
    const text = (await request(h.app).get('/api/v1/follow-ups.ics').expect(200)).text;
    expect(new ICAL.Component(ICAL.parse(text) as unknown[]).getAllSubcomponents('vevent')).toEqual([]);
  });
});

describe('the day plan', () => {
  it('keeps what was put first for every device, and refuses what is no list of jobs', async () => {
    const first = [randomUUID(), randomUUID()];
    const put = (body: object) => request(h.app).put('/api/v1/day-plan/first').send(body);
    expect((await put({ first: [...first, first[0]] }).expect(200)).body).toEqual({ first });
    expect((await request(h.app).get('/api/v1/day-plan').expect(200)).body.first).toEqual(first);
    await put({ first: ['not a job'] }).expect(400);
    await put({ first: Array.from({ length: 101 }, () => randomUUID()) }).expect(400);
    await h.db('setting').update({ day_first: JSON.stringify('broken') });
    expect((await request(h.app).get('/api/v1/day-plan').expect(200)).body.first).toEqual([]);
    expect((await put({ first: [] }).expect(200)).body).toEqual({ first: [] });
  });
});
