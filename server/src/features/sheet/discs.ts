/** Strobe discs and strips as a PDF at true size. */
import { PAPERS } from '@amber-gauge/core/formats';
import { discProblems, drawDisc } from '@amber-gauge/core/speed';
import type { Router } from 'express';
import { z } from 'zod';
import { HttpError } from '../../http/errors.js';
import { apiRouter } from '../../http/wire.js';
import { say } from '@amber-gauge/core/words';

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
    if (!read.success)
      throw new HttpError('BAD_REQUEST', { fields: { disc: say`The link names no disc that can be.` } });
    const [problem] = discProblems(read.data);
    if (problem) throw new HttpError('BAD_REQUEST', { fields: { [problem.field]: problem.message } });
    // The writer of PDFs comes when there is something to write: the server starts without it.
    const { drawingPdf } = await import('./drawingPdf.js');
    const pdf = await drawingPdf(drawDisc(read.data));
    res
      .attachment(read.data.stripMm === null ? 'strobe-disc.pdf' : 'strobe-strip.pdf')
      .type('application/pdf')
      .send(pdf);
  });
  return router;
}
