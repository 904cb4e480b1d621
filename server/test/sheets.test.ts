import { EMPTY_SHEET } from '@amber-gauge/core/families';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { harness, type Harness } from './harness.js';

let h: Harness;
beforeAll(async () => void (h = await harness()));
afterAll(() => h.close());

const PATH = '/api/v1/families/belt-turntable-dc/sheet';
const get = (model: string) => request(h.app).get(PATH).query({ model });
const put = (version: number, sheet: object = {}, model = 'Brenning Dans 33') =>
  request(h.app)
    .put(PATH)
    .send({ model, version, sheet: { ...EMPTY_SHEET, ...sheet } });

describe('a model’s sheet', () => {
  it('is the family’s until one is kept, then found however the model is written', async () => {
    expect((await get('Brenning Dans 33')).body).toEqual({ model: 'Brenning Dans 33', version: 0, sheet: EMPTY_SHEET });
    expect((await put(0, { absent: ['return'] })).body).toMatchObject({ version: 1, sheet: { absent: ['return'] } });
    expect((await get('  brenning   DANS 33 ')).body.version).toBe(1);
    expect((await get('Brenning Dans 45')).body.version).toBe(0);
  });

  it('is never overwritten unseen: a stale one is a conflict that shows the present one', async () => {
    expect((await put(0, { absent: ['lamp'] })).status).toBe(409);
    const second = await put(1, { absent: ['lamp'] });
    expect(second.body.version).toBe(2);
    const stale = await put(1, { absent: [] });
    expect(stale.status).toBe(409);
    expect(stale.body.error.present).toMatchObject({ version: 2, sheet: { absent: ['lamp'] } });
  });

  it('that cannot be is refused with the reason', async () => {
    const loop = {
      bands: {
        supply: [{ state: 'right', from: { of: 'raw', times: 1 }, to: null }],
        raw: [{ state: 'right', from: { of: 'supply', times: 1 }, to: null }],
      },
    };
    const answer = await put(2, loop);
    expect(answer.status).toBe(400);
    expect(answer.body.error.fields.sheet).toContain('a loop');
    expect((await put(2, { absent: ['flux'] })).body.error.fields.sheet).toContain('no part');
    expect((await put(2, {}, ' ')).status).toBe(400);
    expect((await request(h.app).get('/api/v1/families/nothing/sheet').query({ model: 'x' })).status).toBe(404);
  });
});
