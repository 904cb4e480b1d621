import { createHash, randomUUID } from 'node:crypto';
import sharp from 'sharp';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Bundle } from '@amber-gauge/contract';
import { harness, type Harness } from './harness.js';

let from: Harness;
let to: Harness;
let bundle: Bundle;
beforeAll(async () => {
  [from, to] = await Promise.all([harness({ demo: true }), harness()]);
  // The demo's unit with photos, and with runs that have their series.
  const withPhotos = (await from.db('photo').first('job_id')) as { job_id: string };
  bundle = await exported(from, withPhotos.job_id);
});
afterAll(() => Promise.all([from.close(), to.close()]));

const exported = async (h: Harness, id: string) =>
  (await request(h.app).get(`/api/v1/jobs/${id}/bundle.json`).expect(200)).body as Bundle;
const put = (value: unknown) =>
  request(to.app)
    .post('/api/v1/bundles')
    .send(value as object);
const counts = async () =>
  Object.fromEntries(
    await Promise.all(
      ['job', 'job_event', 'speed_run', 'photo', 'job_state'].map(
        async (table) => [table, Number((await to.db(table).count('* as n').first())?.n)] as const,
      ),
    ),
  );
const refused = async (value: unknown, why: RegExp) => {
  const before = await counts();
  const { body } = await put(value).expect(400);
  expect(JSON.stringify(body.error.fields)).toMatch(why);
  expect(await counts()).toEqual(before);
};

describe('a job bundle', () => {
  it('comes out of another bench as it went in, and a second time changes nothing', async () => {
    expect(bundle.photos.length).toBeGreaterThan(0);
    const { body } = await put(bundle).expect(201);
    expect(body).toMatchObject({ known: false, lines: bundle.events.length, photos: bundle.photos.length });
    const again = await exported(to, bundle.job.id);
    expect({ ...again, madeAt: '' }).toEqual({ ...bundle, madeAt: '', job: { ...bundle.job, number: body.number } });
    // What came from a demo elsewhere is one's own here: a reset leaves it.
    const marked = async (table: string) => (await to.db(table).pluck('demo')) as boolean[];
    expect(new Set([...(await marked('job')), ...(await marked('speed_run'))])).toEqual(new Set([false]));
    const before = await counts();
    expect((await put(bundle).expect(201)).body).toMatchObject({ known: true, lines: 0, runs: 0, photos: 0 });
    expect(await counts()).toEqual(before);
  });

  it('with runs keeps their series to the last figure', async () => {
    const run = (await from
      .db('speed_run')
      .whereNotNull('job_id')
      .whereNotNull('series_error_percent')
      .first('job_id')) as { job_id: string };
    const other = await exported(from, run.job_id);
    expect(other.runs[0]?.figures.series?.errorPercent.length).toBeGreaterThan(10);
    const { body } = await put(other).expect(201);
    const again = await exported(to, other.job.id);
    const without = (one: Bundle) => ({
      ...one,
      madeAt: '',
      job: { ...one.job, number: body.number },
      runs: one.runs.map((each) => ({ ...each, sourceId: null })),
    });
    expect(without(again)).toEqual(without(other));
  });

  it('adds only what is missing to a job that is here already', async () => {
    const more = structuredClone(bundle);
    more.events.push({
      ...(more.events[0] as Bundle['events'][0]),
      key: randomUUID(),
      body: { kind: 'note', text: 'later' },
    });
    expect((await put(more).expect(201)).body).toMatchObject({ known: true, lines: 1 });
  });

  it('is refused by name when it is of another version, no bundle, or cut short; nothing is kept', async () => {
    const fresh = renamed(bundle);
    await refused({ ...fresh, version: 7 }, /version 7; version 1 is read here/);
    await refused({ some: 'thing' }, /no job bundle/);
    const about = { ...(fresh.events[0] as Bundle['events'][0]), key: randomUUID() };
    const events = [...fresh.events, { ...about, body: { kind: 'close', target: randomUUID(), how: '' } }];
    await refused({ ...fresh, events }, /speaks of another that is not in the bundle: it was cut short/);
    await refused({ ...fresh, photos: [] }, /photo that the log names is not in the bundle/);
    const [first] = fresh.events as [Bundle['events'][0]];
    await refused({ ...fresh, events: [...fresh.events, first] }, /two lines have the same key/);
    // The bench's clock stands at ten on the first of March.
    const ahead = (enteredAt: string) => ({
      ...renamed(bundle),
      events: [{ ...about, enteredAt, body: { kind: 'note', text: 'early' } }],
      photos: [],
    });
    await refused(ahead('2026-03-02T10:00:00.001Z'), /more than a day ahead/);
    await put(ahead('2026-03-02T10:00:00.000Z')).expect(201);
    const withRun = (await from.db('speed_run').whereNotNull('job_id').first('job_id')) as { job_id: string };
    const run = (await exported(from, withRun.job_id)).runs[0] as Bundle['runs'][0];
    await refused({ ...fresh, runs: [{ ...run, id: randomUUID() }] }, /a run belongs to another job/);
    const level = { db: 40, variance: 1, count: 10 };
    const clip = {
      kind: 'clip',
      clipId: randomUUID(),
      sound: true,
      setup: { support: 'foam', distanceCm: 10, device: 'mic', speedId: null },
      figures: {
        seconds: 1,
        sampleRate: 8000,
        aWeighted: level,
        octaves: [],
        ticks: null,
        hum: { mainsHz: 50, part: 0 },
      },
    };
    const heard = { ...fresh, events: [...fresh.events, { ...about, body: clip }] };
    await refused(heard, /sound of a clip that the log names is not in the bundle/);
    const before = await counts();
    const text = JSON.stringify(fresh);
    await request(to.app)
      .post('/api/v1/bundles')
      .set('content-type', 'application/json')
      .send(text.slice(0, text.length / 2))
      .expect(400);
    expect(await counts()).toEqual(before);
  });

  it('with a hostile attachment keeps nothing at all', async () => {
    const evil = (bytes: Buffer) => {
      const one = renamed(bundle);
      const [photo] = one.photos;
      if (!photo) throw new Error('no photo');
      photo.base64 = bytes.toString('base64');
      photo.sha256 = createHash('sha256').update(bytes).digest('hex');
      return one;
    };
    await refused(evil(Buffer.from('<script>alert(1)</script>')), /no picture/);
    await refused(evil(Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>')), /no picture/);
    const changed = renamed(bundle);
    (changed.photos[0] as Bundle['photos'][0]).sha256 = '0'.repeat(64);
    await refused(changed, /checksum/);
    const key = renamed(bundle);
    (key.events[0] as Bundle['events'][0]).key = (bundle.events[0] as Bundle['events'][0]).key;
    await refused(key, /another job here|cut short/);
    // A picture that another job here holds already.
    const fresh = renamed(bundle);
    const text = JSON.stringify(fresh);
    const taken = text.replaceAll(
      (fresh.photos[0] as Bundle['photos'][0]).id,
      (bundle.photos[0] as Bundle['photos'][0]).id,
    );
    await refused(JSON.parse(text === taken ? '{}' : taken), /a photo of it belongs to another job here/);
  });

  it('keeps nothing that hangs behind a picture', async () => {
    const clean = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#d0c0a0' } })
      .jpeg()
      .toBuffer();
    const bytes = Buffer.concat([clean, Buffer.from('#!/bin/sh\necho hello\n')]);
    const one = renamed(bundle);
    const photo = one.photos[0] as Bundle['photos'][0];
    photo.base64 = bytes.toString('base64');
    photo.mediaType = 'image/jpeg';
    photo.sha256 = createHash('sha256').update(bytes).digest('hex');
    await put(one).expect(201);
    const kept = (await to.db('photo').where({ id: photo.id }).first('bytes')) as { bytes: Buffer };
    expect(kept.bytes.includes('echo hello')).toBe(false);
  });
});

/** The same with ids and keys of its own, as if from elsewhere. */
function renamed(one: Bundle): Bundle {
  const ids = [
    one.job.id,
    ...one.events.map(({ key }) => key),
    ...one.runs.map(({ id }) => id),
    ...one.photos.map(({ id }) => id),
  ];
  let text = JSON.stringify(one);
  for (const id of ids) text = text.replaceAll(id, randomUUID());
  return JSON.parse(text) as Bundle;
}
