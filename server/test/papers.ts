/** Reads the papers of a job back from their PDF. */
import type { Express } from 'express';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import request from 'supertest';
import { expect } from 'vitest';

/** Pages of a job's paper, as the server prints it. */
export async function pagesOf(jobId: string, app: Express, paper = 'sheet') {
  const answer = await request(app)
    .get(`/api/v1/jobs/${jobId}/${paper}.pdf`)
    .buffer(true)
    .parse((res, done) => {
      const parts: Buffer[] = [];
      res.on('data', (part: Buffer) => parts.push(part));
      res.on('end', () => done(null, Buffer.concat(parts)));
    });
  expect(answer.headers['content-type']).toContain('application/pdf');
  const doc = await getDocument({ data: new Uint8Array(answer.body as Buffer) }).promise;
  const pages = await Promise.all(Array.from({ length: doc.numPages }, (_, i) => doc.getPage(i + 1)));
  return { doc, pages, raw: (answer.body as Buffer).toString('latin1') };
}

/** Words and size of a job's paper. */
export async function pdfOf(jobId: string, app: Express, paper = 'sheet') {
  const { doc, pages, raw } = await pagesOf(jobId, app, paper);
  const texts = await Promise.all(
    pages.map(async (page) =>
      (await page.getTextContent()).items.map((item) => ('str' in item ? item.str : '')).join(' '),
    ),
  );
  return {
    text: texts.join(' ').replace(/\s+/g, ' '),
    size: pages[0]?.getViewport({ scale: 1 }),
    pages: doc.numPages,
    raw,
  };
}
