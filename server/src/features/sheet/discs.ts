/** Strobe discs and strips as a PDF at true size. */
import { PAPERS, POINTS_PER_MM, traceDrawing, type Drawing } from '@amber-gauge/core/formats';
import { discProblems, drawDisc } from '@amber-gauge/core/speed';
import type { Router } from 'express';
import PDFDocument from 'pdfkit';
import { z } from 'zod';
import { HttpError } from '../../http/errors.js';
import { apiRouter } from '../../http/wire.js';
import { registerFonts } from './fonts.js';
import { bytesOf } from './pen.js';

const size = z.coerce.number().min(0).max(10_000);
/** The wish as a link carries it; what numbers may be is said by the core. */
const wishSchema = z
  .object({
    rpm: z.string().max(200),
    lampHz: size,
    flashes: z.enum(['1', '2']),
    paper: z.enum(Object.keys(PAPERS) as (keyof typeof PAPERS)[]),
    disc: size.optional(),
    hole: size,
    strip: size.optional(),
  })
  .transform(({ rpm, lampHz, flashes, paper, disc, hole, strip }) => ({
    speedsRpm: rpm.split(',').map(Number),
    lampHz,
    flashesPerCycle: flashes === '2' ? (2 as const) : (1 as const),
    paper,
    discMm: strip === undefined ? (disc ?? null) : null,
    holeMm: hole,
    stripMm: strip ?? null,
  }));

export function discRoutes(): Router {
  const router = apiRouter();
  router.get('/discs.pdf', async (req, res) => {
    const read = wishSchema.safeParse(req.query);
    if (!read.success) throw new HttpError('BAD_REQUEST', { fields: { disc: 'The link names no disc that can be.' } });
    const [problem] = discProblems(read.data);
    if (problem) throw new HttpError('BAD_REQUEST', { fields: { [problem.field]: problem.message } });
    const pdf = await pdfOf(drawDisc(read.data));
    res
      .attachment(read.data.stripMm === null ? 'strobe-disc.pdf' : 'strobe-strip.pdf')
      .type('application/pdf')
      .send(pdf);
  });
  return router;
}

function pdfOf(pages: readonly Drawing[]): Promise<Buffer> {
  const doc = new PDFDocument({ autoFirstPage: false, margin: 0, info: { Title: pages[0]?.title ?? '' } });
  registerFonts(doc);
  const done = bytesOf(doc);
  for (const page of pages) {
    doc.addPage({ size: [page.widthMm * POINTS_PER_MM, page.heightMm * POINTS_PER_MM], margin: 0 });
    doc.font('text');
    traceDrawing(page, doc);
  }
  doc.end();
  return done;
}
