import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { harness, line, newJob, type Harness } from './harness.js';

/** One pixel, as JPEG and as PNG. */
const JPEG = Buffer.from(
  '/9j/4AAQSkZJRgABAQAAAQABAAD/2wBDAAMCAgICAgMCAgIDAwMDBAYEBAQEBAgGBgUGCQgKCgkICQkKDA8MCgsOCwkJDRENDg8QEBEQCgwSExIQEw8QEBD/wAALCAABAAEBAREA/8QAFAABAAAAAAAAAAAAAAAAAAAACf/EABQQAQAAAAAAAAAAAAAAAAAAAAD/2gAIAQEAAD8AVN//2Q==',
  'base64',
);
const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
);
let h: Harness;
const job = newJob();
beforeAll(async () => {
  h = await harness();
  await request(h.app).post('/api/v1/jobs').send(job);
});
afterAll(() => h.close());

const put = (path: string, bytes: Buffer, type = 'application/octet-stream') =>
  request(h.app).put(`/api/v1${path}`).set('content-type', type).send(bytes);
const photoLine = (photoId: string) =>
  line({ kind: 'photo', photoId, caption: 'x', width: 1, height: 1, about: null, place: null });
const post = (events: unknown[], id = job.id) => request(h.app).post(`/api/v1/jobs/${id}/events`).send({ events });

describe('photos', () => {
  it('are kept once however often they are sent, and come back as they were', async () => {
    const id = randomUUID();
    const first = await put(`/jobs/${job.id}/photos/${id}`, JPEG);
    expect(first.status).toBe(201);
    expect((await put(`/jobs/${job.id}/photos/${id}`, JPEG)).body).toEqual(first.body);
    expect(await h.db('photo').where({ id })).toHaveLength(1);
    const back = await request(h.app).get(`/api/v1/photos/${id}`);
    expect(back.headers['content-type']).toBe('image/jpeg');
    expect(back.headers['x-content-type-options']).toBe('nosniff');
    expect(Buffer.from(back.body as Buffer).equals(JPEG)).toBe(true);
  });

  it('have a small one; without it the whole one stands in', async () => {
    const id = randomUUID();
    await put(`/jobs/${job.id}/photos/${id}`, PNG);
    expect((await request(h.app).get(`/api/v1/photos/${id}/thumb`)).headers['content-type']).toBe('image/png');
    expect((await put(`/photos/${id}/thumb`, JPEG)).status).toBe(200);
    expect((await request(h.app).get(`/api/v1/photos/${id}/thumb`)).headers['content-type']).toBe('image/jpeg');
    expect((await put(`/photos/${id}/thumb`, PNG)).status).toBe(415);
  });

  it('are told by their bytes, never by what is said of them', async () => {
    const bad = await put(`/jobs/${job.id}/photos/${randomUUID()}`, Buffer.from('<svg onload="x"/>'));
    expect(bad.status).toBe(415);
    expect(bad.body.error.fields.body).toContain('JPEG');
    expect((await put(`/jobs/${job.id}/photos/${randomUUID()}`, Buffer.alloc(0))).status).toBe(400);
    const large = await put(`/jobs/${job.id}/photos/${randomUUID()}`, Buffer.concat([JPEG, Buffer.alloc(9e6)]));
    expect(large.status).toBe(413);
  });

  it('belong to one job; other bytes under the same id are a conflict', async () => {
    const id = randomUUID();
    await put(`/jobs/${job.id}/photos/${id}`, JPEG);
    expect((await put(`/jobs/${job.id}/photos/${id}`, PNG)).status).toBe(409);
    expect((await put(`/jobs/${randomUUID()}/photos/${randomUUID()}`, JPEG)).status).toBe(404);
    expect((await request(h.app).get(`/api/v1/photos/${randomUUID()}`)).status).toBe(404);
    expect((await request(h.app).get('/api/v1/photos/nothing')).status).toBe(404);
  });

  it('are named by a line only once they have arrived', async () => {
    const id = randomUUID();
    expect((await post([photoLine(id)])).status).toBe(422);
    await put(`/jobs/${job.id}/photos/${id}`, JPEG);
    expect((await post([photoLine(id)])).status).toBe(201);
    const other = newJob();
    await request(h.app).post('/api/v1/jobs').send(other);
    expect((await post([photoLine(id)], other.id)).status).toBe(422);
  });
});

describe('lines that speak of others', () => {
  const end = () =>
    line({ kind: 'open-end', what: 'plug', how: 'unplugged', usualId: null, stepKey: null, moveKey: null });

  it('are taken when those stand in the same job, also in the same request', async () => {
    const open = end();
    expect((await post([open, line({ kind: 'close', target: open.key, how: '' })])).status).toBe(201);
  });

  it('are refused when they are nowhere or in another job', async () => {
    expect((await post([line({ kind: 'close', target: randomUUID(), how: '' })])).status).toBe(422);
    const other = newJob();
    await request(h.app).post('/api/v1/jobs').send(other);
    const open = end();
    await post([open], other.id);
    expect((await post([line({ kind: 'close', target: open.key, how: '' })])).status).toBe(422);
  });

  it('are refused with the field when they make no sense', async () => {
    const bad = line({ kind: 'timer', timer: 'soak', label: 'x', minutes: -1 });
    const answer = await post([bad]);
    expect(answer.status).toBe(400);
    expect(JSON.stringify(answer.body.error.fields)).toContain('above zero');
  });
});
