import { figuresOf, runSchema } from '@amber-gauge/contract';
import { memorySource, writeWav } from '@amber-gauge/core/formats';
import { measureWav, runOfTone, synthTone } from '@amber-gauge/core/speed';
import { createHash, randomUUID } from 'node:crypto';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { harness, newJob, type Harness } from './harness.js';

let h: Harness;
let wav: Uint8Array;
beforeAll(async () => {
  h = await harness();
  wav = writeWav([synthTone({ sampleRate: 8000, durationS: 6, nominalHz: 3000, errorPercent: 1.25, snrDb: 40 })], 8000);
});
afterAll(() => h.close());

async function newRun(more: object = {}) {
  const tone = await measureWav(memorySource(wav), { nominalHz: 3000 });
  if (tone.kind !== 'measured') throw new Error(tone.kind);
  return {
    id: randomUUID(),
    jobId: null,
    fileName: 'side a.wav',
    fileBytes: wav.length,
    sha256: createHash('sha256').update(wav).digest('hex'),
    sourceId: null,
    measuredAt: '2026-03-01T09:00:00.000Z',
    figures: figuresOf(runOfTone(tone)),
    ...more,
  };
}

describe('speed runs', () => {
  it('come back as they were sent, series and all', async () => {
    const run = await newRun();
    await request(h.app).post('/api/v1/runs').send(run);
    const back = runSchema.parse((await request(h.app).get(`/api/v1/runs/${run.id}`)).body);
    expect(back.figures.errorPercent).toBe(run.figures.errorPercent);
    // Series are kept as 32-bit floats, as the core makes them.
    expect(back.figures.series?.errorPercent.map(Math.fround)).toEqual(
      run.figures.series?.errorPercent.map(Math.fround),
    );
    expect(back.figures.spectrum?.peakPercent.map(Math.fround)).toEqual(
      run.figures.spectrum?.peakPercent.map(Math.fround),
    );
  });

  it('keep a recording only when it is the one that was measured', async () => {
    const run = await newRun();
    await request(h.app).post('/api/v1/runs').send(run);
    const put = (bytes: Uint8Array) =>
      request(h.app).put(`/api/v1/runs/${run.id}/recording`).set('Content-Type', 'audio/wav').send(Buffer.from(bytes));
    expect((await put(wav.slice(0, 1000))).status).toBe(400);
    expect((await put(wav)).body.hasRecording).toBe(true);
    const got = await request(h.app)
      .get(`/api/v1/runs/${run.id}/recording`)
      .buffer(true)
      .parse((res, done) => {
        const parts: Buffer[] = [];
        res.on('data', (part: Buffer) => parts.push(part));
        res.on('end', () => done(null, Buffer.concat(parts)));
      });
    expect(Buffer.compare(got.body as Buffer, Buffer.from(wav))).toBe(0);
  });

  it('are filed to a job once', async () => {
    const run = await newRun();
    await request(h.app).post('/api/v1/runs').send(run);
    const one = (await request(h.app).post('/api/v1/jobs').send(newJob())).body.id as string;
    const two = (await request(h.app).post('/api/v1/jobs').send(newJob())).body.id as string;
    const file = (jobId: string) => request(h.app).post(`/api/v1/runs/${run.id}/file`).send({ jobId });
    expect((await file(one)).body.jobId).toBe(one);
    expect((await file(one)).status).toBe(200);
    expect((await file(two)).status).toBe(409);
    const list = await request(h.app).get(`/api/v1/runs?jobId=${one}`);
    expect(list.body.runs.map((item: { id: string }) => item.id)).toEqual([run.id]);
  });

  it('refuse a job or source that is not there, and figures that are no numbers', async () => {
    expect(
      (
        await request(h.app)
          .post('/api/v1/runs')
          .send(await newRun({ jobId: randomUUID() }))
      ).status,
    ).toBe(422);
    expect(
      (
        await request(h.app)
          .post('/api/v1/runs')
          .send(await newRun({ sourceId: randomUUID() }))
      ).status,
    ).toBe(422);
    const run = await newRun();
    expect(
      (
        await request(h.app)
          .post('/api/v1/runs')
          .send({ ...run, figures: { ...run.figures, mean: null } })
      ).status,
    ).toBe(400);
  });
});
