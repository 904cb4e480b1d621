import { randomUUID } from 'node:crypto';
import type { EventBody } from '@amber-gauge/core/bench';
import sharp from 'sharp';
import request from 'supertest';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { drawnOn, wordsOn } from './drawn.js';
import { harness, type Harness, line, newJob, sent } from './harness.js';
import { pagesOf } from './papers.js';

let h: Harness;
beforeAll(async () => {
  h = await harness();
});
afterAll(() => h.close());

it('a photo’s marks stand on the owner’s sheet where they stand on the photo', async () => {
  const wish = newJob();
  await request(h.app).post('/api/v1/jobs').send(wish).expect(201);
  const photoId = randomUUID();
  // 400 x 300 in a frame of 82 x 60 mm is drawn 80 x 60 mm: a fifth of a millimetre each.
  const picture = await sharp({ create: { width: 400, height: 300, channels: 3, background: '#3a6ea5' } })
    .jpeg()
    .toBuffer();
  await request(h.app)
    .put(`/api/v1/jobs/${wish.id}/photos/${photoId}`)
    .set('content-type', 'application/octet-stream')
    .send(picture)
    .expect(201);
  const photo = line({ kind: 'photo', photoId, caption: 'board', width: 400, height: 300, about: null, place: null });
  const marks: EventBody = {
    kind: 'marks',
    target: photo.key,
    marks: [
      { shape: 'arrow', x: 0.1, y: 0.1, toX: 0.5, toY: 0.5, text: '' },
      { shape: 'number', x: 0.25, y: 0.75, toX: 0.25, toY: 0.75, text: '7' },
      { shape: 'label', x: 0.6, y: 0.2, toX: 0.6, toY: 0.2, text: 'ring seven' },
    ],
  };
  const sheet: EventBody = { kind: 'sheet', photos: [photo.key], notes: [], watch: '' };
  await sent(h.app, wish.id, [photo, line(marks), line(sheet)]).expect(201);
  const { pages } = await pagesOf(wish.id, h.app);
  const drawn = (await Promise.all(pages.map(drawnOn))).flat();
  // A filled circle of 5.6 mm, and the shaft of the arrow: 32 mm to the right and 24 mm down.
  const circle = drawn.find(
    (one) =>
      one.fill !== null && Math.abs(one.right - one.left - 5.6) < 0.2 && Math.abs(one.bottom - one.top - 5.6) < 0.2,
  );
  const shaft = drawn.find(
    (one) =>
      one.stroke === '#221c15' &&
      Math.abs(one.right - one.left - 32) < 0.1 &&
      Math.abs(one.bottom - one.top - 24) < 0.1,
  );
  if (!circle || !shaft) throw new Error(JSON.stringify(drawn.slice(-20)));
  // The picture begins 8 mm left of the shaft and 6 mm above it: the number stands a quarter and three quarters in.
  expect((circle.left + circle.right) / 2).toBeCloseTo(shaft.left - 8 + 20, 0);
  expect((circle.top + circle.bottom) / 2).toBeCloseTo(shaft.top - 6 + 45, 0);
  const words = (await Promise.all(pages.map(wordsOn))).flat();
  const label = words.find((one) => one.text.includes('ring seven'));
  expect(label?.x).toBeCloseTo(shaft.left - 8 + 0.6 * 80 + 1, 0);
});
