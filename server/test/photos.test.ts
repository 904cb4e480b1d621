import fc from 'fast-check';
import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { sweepOrphans } from '../src/features/photos/repository.js';
import { harness, type Harness, line, newJob, sent } from './harness.js';

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
const post = (events: unknown[], id = job.id) => sent(h.app, id, events);

describe('photos', () => {
  it('are kept once however often they are sent, made anew without what the camera hid in them', async () => {
    const taken = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#a04020' } })
      .jpeg()
      .withExif({ IFD0: { Make: 'Some camera' }, IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '54/1 30/1 0/1' } })
      .withMetadata({ orientation: 6 })
      .toBuffer();
    expect((await sharp(taken).metadata()).exif).toBeDefined();
    const id = randomUUID();
    const first = await put(`/jobs/${job.id}/photos/${id}`, taken);
    expect(first.status).toBe(201);
    expect((await put(`/jobs/${job.id}/photos/${id}`, taken)).body).toEqual(first.body);
    expect(await h.db('photo').where({ id })).toHaveLength(1);
    const back = await request(h.app).get(`/api/v1/photos/${id}`);
    expect(back.headers['content-type']).toBe('image/jpeg');
    expect(back.headers['x-content-type-options']).toBe('nosniff');
    const { exif, width, height, orientation } = await sharp(back.body as Buffer).metadata();
    // The right way up: what lay on its side stands.
    expect({ exif, width, height, orientation }).toEqual({
      exif: undefined,
      width: 40,
      height: 60,
      orientation: undefined,
    });
    expect((back.body as Buffer).includes('Some camera')).toBe(false);
    const { data } = await sharp(back.body as Buffer)
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect(Math.abs((data[0] as number) - 0xa0)).toBeLessThan(6);
  });

  it('have a small one, made here', async () => {
    const id = randomUUID();
    const large = await sharp({ create: { width: 1600, height: 900, channels: 3, background: '#204060' } })
      .png()
      .toBuffer();
    await put(`/jobs/${job.id}/photos/${id}`, large);
    const small = await request(h.app).get(`/api/v1/photos/${id}/thumb`);
    expect(await sharp(small.body as Buffer).metadata()).toMatchObject({ format: 'jpeg', width: 320, height: 180 });
    expect(small.headers.etag).toMatch(/^"[0-9a-f]{64}"$/);
    const whole = await request(h.app).get(`/api/v1/photos/${id}`);
    expect(await sharp(whole.body as Buffer).metadata()).toMatchObject({ format: 'png', width: 1600, height: 900 });
  });

  it('of absurd size are refused from their header; damaged ones by name', async () => {
    const huge = await sharp({ create: { width: 9000, height: 9000, channels: 3, background: '#000000' } })
      .png({ compressionLevel: 9 })
      .toBuffer();
    expect(huge.length).toBeLessThan(1e6);
    const answer = await put(`/jobs/${job.id}/photos/${randomUUID()}`, huge);
    expect(answer.status).toBe(413);
    expect(answer.body.error.fields.body).toContain('40 million');
    const noisy = await sharp({
      create: {
        width: 300,
        height: 300,
        channels: 3,
        background: '#808080',
        noise: { type: 'gaussian', mean: 128, sigma: 60 },
      },
    })
      .jpeg()
      .toBuffer();
    const cut = await put(`/jobs/${job.id}/photos/${randomUUID()}`, noisy.subarray(0, noisy.length >> 1));
    expect([cut.status, cut.body.error.fields.body]).toEqual([400, expect.stringContaining('damaged')]);
  });

  it('damaged in any way end in a picture or a named refusal', async () => {
    const fuzzed = newJob();
    await request(h.app).post('/api/v1/jobs').send(fuzzed);
    const seeds = await Promise.all(
      (['jpeg', 'png', 'webp'] as const).map((format) =>
        sharp({ create: { width: 64, height: 48, channels: 3, background: '#3070a0' } })
          .toFormat(format)
          .toBuffer(),
      ),
    );
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom(...seeds),
        fc.array(fc.tuple(fc.nat(), fc.nat(255)), { minLength: 1, maxLength: 12 }),
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        async (seed, changes, part) => {
          const bytes = Buffer.from(seed.subarray(0, Math.max(1, Math.ceil(part * seed.length))));
          for (const [at, value] of changes) bytes[at % bytes.length] = value;
          const { status } = await put(`/jobs/${fuzzed.id}/photos/${randomUUID()}`, bytes);
          if (![201, 400, 413, 415].includes(status)) throw new Error(`answered ${status}`);
        },
      ),
      { numRuns: 80 },
    );
  });

  it('are bounded in number for a job, and swept when no line names them', async () => {
    const full = newJob();
    await request(h.app).post('/api/v1/jobs').send(full);
    const row = { job_id: full.id, media_type: 'image/jpeg', bytes: JPEG, thumb: JPEG, sha256: 'a'.repeat(64) };
    const old = new Date('2026-01-01T00:00:00Z');
    const ids = Array.from({ length: 300 }, () => randomUUID());
    await h.db('photo').insert(ids.map((id) => ({ ...row, id, created_at: old })));
    const answer = await put(`/jobs/${full.id}/photos/${randomUUID()}`, JPEG);
    expect([answer.status, answer.body.error.fields.photo]).toEqual([413, expect.stringContaining('300 pictures')]);
    // One that is there already may be sent again; it is not counted anew.
    await post([photoLine(ids[0] as string)], full.id);
    await sweepOrphans(h.db, new Date('2026-03-01T10:00:00Z'));
    expect(await h.db('photo').where({ job_id: full.id }).pluck('id')).toEqual([ids[0]]);
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
