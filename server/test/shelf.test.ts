import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { grantUse } from '../src/db/roles.js';
import { harness, type Harness } from './harness.js';

let h: Harness;
beforeAll(async () => {
  h = await harness();
});
afterAll(() => h.close());

const line = (body: object, key: string = randomUUID()) => ({ key, at: '2026-03-01T09:00:00.000Z', body });
const lot = (quantity: number, key?: string) =>
  line(
    {
      kind: 'lot',
      part: 'belt',
      supplier: 'Quay',
      quantity,
      price: 2,
      orderedOn: '2026-02-01',
      expectedOn: null,
      claimDays: 30,
      place: '',
    },
    key,
  );
const post = (...lines: object[]) => request(h.app).post('/api/v1/shelf').send({ lines });

describe('the shelf', () => {
  it('keeps lines once, in the order they came', async () => {
    const first = lot(3);
    const used = line({ kind: 'used', lot: first.key, quantity: 1, job: 7 });
    expect((await post(first, used)).status).toBe(201);
    expect((await post(first, used)).body.lines).toHaveLength(2);
    const { body } = await request(h.app).get('/api/v1/shelf');
    expect(body.lines).toEqual([first, used]);
  });

  it('refuses what is not there, and keeps nothing of that request', async () => {
    const own = lot(2);
    await post(own);
    const before = (await request(h.app).get('/api/v1/shelf')).body.lines.length;
    const wrong = await post(lot(1), line({ kind: 'used', lot: own.key, quantity: 3, job: null }));
    expect(wrong.status).toBe(400);
    expect(JSON.stringify(wrong.body)).toContain('More used than is here.');
    expect((await post(line({ kind: 'arrived', lot: randomUUID(), on: '2026-02-03' }))).status).toBe(400);
    expect((await request(h.app).get('/api/v1/shelf')).body.lines).toHaveLength(before);
  });

  it('takes a line back, but none that others stand on', async () => {
    const own = lot(2);
    const used = line({ kind: 'used', lot: own.key, quantity: 2, job: null });
    await post(own, used);
    const back = (target: string) => post(line({ kind: 'strike', target, reason: 'taken back' }));
    expect((await back(own.key)).status).toBe(400);
    expect((await back(used.key)).status).toBe(201);
    expect((await post(line({ kind: 'used', lot: own.key, quantity: 1, job: null }))).status).toBe(201);
  });

  it('sets the last one aside once, whoever asks at the same time', async () => {
    const own = lot(1);
    await post(own);
    const answers = await Promise.all(
      [1, 2, 3, 4].map((job) => post(line({ kind: 'reserved', lot: own.key, quantity: 1, job }))),
    );
    expect(answers.map((one) => one.status).sort()).toEqual([201, 400, 400, 400]);
  });

  it('lets the login that serves requests add and read, not change', async () => {
    const { rows } = await h.db.raw<{ rows: unknown[] }>(`select 1 from pg_roles where rolname = 'amber_app'`);
    if (rows.length === 0) return;
    await grantUse(h.db);
    const may = async (right: string) =>
      (
        await h.db.raw<{ rows: { may: boolean }[] }>(
          `select has_table_privilege('amber_app', 'shelf_line', ?) as may`,
          [right],
        )
      ).rows[0]?.may;
    expect([await may('insert'), await may('select')]).toEqual([true, true]);
    expect([await may('update'), await may('delete')]).toEqual([false, false]);
  });
});
