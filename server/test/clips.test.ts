import { writeWav } from '@amber-gauge/core/formats';
import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Bundle } from '@amber-gauge/contract';
import { sweepClips } from '../src/features/clips/repository.js';
import { harness, type Harness, line, newJob, sent } from './harness.js';

let h: Harness;
let to: Harness;
const job = newJob();
beforeAll(async () => {
  [h, to] = await Promise.all([harness(), harness()]);
  await request(h.app).post('/api/v1/jobs').send(job).expect(201);
});
afterAll(() => Promise.all([h.close(), to.close()]));

/** Two seconds of 440 Hz at a quarter of full scale. */
const tone = (seconds = 2) =>
  Buffer.from(
    writeWav(
      [Float64Array.from({ length: seconds * 8000 }, (_, i) => 0.25 * Math.sin((Math.PI * 880 * i) / 8000))],
      8000,
    ),
  );
const put = (id: string, bytes: Buffer, type = 'audio/wav', of = job.id) =>
  request(h.app).put(`/api/v1/jobs/${of}/clips/${id}`).set('content-type', type).send(bytes);
const level = { db: -12, variance: 0.1, count: 20 };
const clipLine = (clipId: string, sound: boolean) =>
  line({
    kind: 'clip',
    clipId,
    sound,
    setup: { support: 'on foam', distanceCm: 20, device: 'a recorder’s file', speedId: null },
    figures: {
      seconds: 2,
      sampleRate: 8000,
      aWeighted: level,
      octaves: [{ hz: 500, ...level }],
      ticks: null,
      hum: { mainsHz: 50, part: 0 },
    },
  });
const post = (events: unknown[]) => sent(h.app, job.id, events);

describe('the sound of a clip', () => {
  it('is kept once, comes back sample for sample, with nothing that hung behind it', async () => {
    const id = randomUUID();
    const sent = Buffer.concat([tone(), Buffer.from('LIST\u0004\u0000\u0000\u0000here')]);
    await put(id, sent).expect(201);
    await put(id, sent).expect(201);
    const back = await request(h.app).get(`/api/v1/clips/${id}`).expect(200);
    expect(back.headers['content-type']).toBe('audio/wav');
    expect(Buffer.compare(back.body as Buffer, tone())).toBe(0);
    await put(id, tone(3)).expect(409);
  });

  it('that is none, too long, of two channels, cut short or for no job is refused by name', async () => {
    const said = async (bytes: Buffer, status: number) =>
      JSON.stringify((await put(randomUUID(), bytes).expect(status)).body.error.fields ?? '');
    expect(await said(Buffer.from('no sound at all'), 400)).toMatch(/WAV/);
    expect(await said(tone(40), 413)).toMatch(/half a minute/);
    const both = Buffer.from(writeWav([new Float64Array(800), new Float64Array(800)], 8000));
    expect(await said(both, 400)).toMatch(/one channel/);
    expect(await said(tone().subarray(0, 500), 400)).toMatch(/whole sound/);
    expect(await said(Buffer.alloc(4 * 1024 * 1024 + 1), 413)).toBeDefined();
    await put(randomUUID(), tone(), 'audio/wav', randomUUID()).expect(404);
    await put('x', tone()).expect(404);
    await request(h.app).get(`/api/v1/clips/${randomUUID()}`).expect(404);
  });

  it('has to be there before its line; a line without sound needs none', async () => {
    const id = randomUUID();
    await post([clipLine(randomUUID(), false)]).expect(201);
    expect((await post([clipLine(id, true)]).expect(422)).body.error.fields.clipId).toMatch(/not arrived/);
    await put(id, tone()).expect(201);
    await post([clipLine(id, true)]).expect(201);
  });

  it('that no line names goes after a month; one that is named stays', async () => {
    const orphan = randomUUID();
    await put(orphan, tone()).expect(201);
    const named = (await h.db('job_event').whereRaw("body ->> 'sound' = 'true'").first()) as {
      body: { clipId: string };
    };
    await sweepClips(h.db, new Date('2026-03-20T10:00:00Z'));
    await request(h.app).get(`/api/v1/clips/${orphan}`).expect(200);
    await sweepClips(h.db, new Date('2026-04-02T10:00:00Z'));
    await request(h.app).get(`/api/v1/clips/${orphan}`).expect(404);
    await request(h.app).get(`/api/v1/clips/${named.body.clipId}`).expect(200);
  });

  it('goes along in the bundle, beside a photo that was made anew here; without it the bundle is refused', async () => {
    const photoId = randomUUID();
    const picture = await sharp({ create: { width: 64, height: 48, channels: 3, background: '#208040' } })
      .jpeg({ quality: 95 })
      .toBuffer();
    await request(h.app)
      .put(`/api/v1/jobs/${job.id}/photos/${photoId}`)
      .set('content-type', 'application/octet-stream')
      .send(picture)
      .expect(201);
    const photo = { kind: 'photo', photoId, caption: 'x', width: 64, height: 48, about: null, place: null } as const;
    await post([line(photo)]).expect(201);
    const bundle = (await request(h.app).get(`/api/v1/jobs/${job.id}/bundle.json`).expect(200)).body as Bundle;
    const take = (value: unknown) =>
      request(to.app)
        .post('/api/v1/bundles')
        .send(value as object);
    const cut = await take({ ...bundle, clips: [] }).expect(400);
    expect(cut.body.error.fields.bundle).toMatch(/sound of a clip .* cut short/);
    const hostile = structuredClone(bundle);
    (hostile.clips[0] as Bundle['clips'][0]).base64 = Buffer.from('<script>').toString('base64');
    expect((await take(hostile).expect(400)).body.error.fields.bundle).toMatch(/checksum/);
    expect(await to.db('job').count('* as n').first()).toEqual({ n: 0 });
    expect((await take(bundle).expect(201)).body).toMatchObject({ photos: 1, clips: 1 });
    expect((await take(bundle).expect(201)).body).toMatchObject({ photos: 0, clips: 0, lines: 0 });
    const again = (await request(to.app).get(`/api/v1/jobs/${job.id}/bundle.json`).expect(200)).body as Bundle;
    expect([again.clips, again.photos]).toEqual([bundle.clips, bundle.photos]);
  });
});
