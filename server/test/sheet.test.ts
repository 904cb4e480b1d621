import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { seedDemoOnce } from '../src/demo/seed.js';
import { harness, line, newJob, note, type Harness } from './harness.js';

let h: Harness;
beforeAll(async () => {
  h = await harness();
  await seedDemoOnce(h.db, new Date('2026-03-01T10:00:00Z'));
});
afterAll(() => h.close());

async function pdfOf(jobId: string) {
  const answer = await request(h.app)
    .get(`/api/v1/jobs/${jobId}/sheet.pdf`)
    .buffer(true)
    .parse((res, done) => {
      const parts: Buffer[] = [];
      res.on('data', (part: Buffer) => parts.push(part));
      res.on('end', () => done(null, Buffer.concat(parts)));
    });
  expect(answer.headers['content-type']).toContain('application/pdf');
  const doc = await getDocument({ data: new Uint8Array(answer.body as Buffer) }).promise;
  const pages = await Promise.all(Array.from({ length: doc.numPages }, (_, i) => doc.getPage(i + 1)));
  const texts = await Promise.all(
    pages.map(async (page) =>
      (await page.getTextContent()).items.map((item) => ('str' in item ? item.str : '')).join(' '),
    ),
  );
  return {
    text: texts.join(' ').replace(/\s+/g, ' '),
    size: pages[0]?.getViewport({ scale: 1 }),
    pages: doc.numPages,
    raw: (answer.body as Buffer).toString('latin1'),
  };
}

describe('the sheet as PDF', () => {
  it('is A4, carries its fonts and says what the model says', async () => {
    const job = await h.db('job').where({ customer: 'Cinema club' }).first();
    const { text, size, raw } = await pdfOf(job.id);
    expect([size?.width, size?.height].map(Math.round as (v: unknown) => number)).toEqual([595, 842]);
    expect(raw).toMatch(/FontFile[23]/);
    expect(text).toContain('Job 0142');
    expect(text).toContain('+2.41');
    expect(text).toContain('+0.12');
    expect(text).toContain('right');
    expect(text).toContain('Cleaned capstan, pinch roller and belt path');
    expect(text).toMatch(/page 1 of 1/);
  });

  it('breaks pages for a long log and loses nothing', async () => {
    const wish = newJob({ make: 'Lang', complaint: 'x '.repeat(300) });
    await request(h.app).post('/api/v1/jobs').send(wish);
    const events = Array.from({ length: 90 }, (_, i) => line(note(`remark number ${i} with Ω and 33⅓`)));
    await request(h.app).post(`/api/v1/jobs/${wish.id}/events`).send({ events });
    const { text, pages } = await pdfOf(wish.id);
    expect(pages).toBeGreaterThan(2);
    for (let i = 0; i < 90; i++) expect(text).toContain(`remark number ${i} with`);
    expect(text.replaceAll(' ', '')).toContain('Ωand33⅓');
  });
});
