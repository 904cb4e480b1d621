/** Papers of a job as PDF: the owner's sheet, the bench sheet, the sticker. */
import { jobLabel, partsOfJob, standing, linesOf } from '@amber-gauge/core/bench';
import type { Request, Router } from 'express';
import sharp from 'sharp';
import { apiRouter } from '../../http/wire.js';
import { jobDetail, type Services } from '../jobs/service.js';
import { pictureOf } from '../photos/repository.js';
import { presentSettings } from '../settings/repository.js';
import { shelfLines } from '../shelf/repository.js';
import type { Printer, SheetJob } from './printed.js';

const FILES: Readonly<Record<SheetJob['paper'], string>> = { owner: 'job', bench: 'bench-sheet', sticker: 'sticker' };

/** In this thread; the writer of PDFs comes when there is something to write. */
const here: Printer = async (wanted) => (await import('./printed.js')).default(wanted);

/** @param print where a paper is drawn; in this thread when nothing is given. */
export function sheetRoutes({ print = here, ...services }: Services & { readonly print?: Printer }): Router {
  const router = apiRouter();
  const send = async (req: Request, paper: SheetJob['paper']) => {
    const { db } = services;
    const { job, events } = await jobDetail(services, String(req.params.id));
    const { shopName: name, shopAddress: address, currency, demoShown } = await presentSettings(db);
    const parts = paper === 'owner' && !job.practice ? partsOfJob(await shelfLines(db, demoShown), job.number) : [];
    const pdf = await print({
      paper,
      shop: { name, address, currency },
      job,
      events,
      parts,
      photos: paper === 'owner' ? await chosenPhotos(services, events) : {},
      link: `http://${req.headers.host ?? 'localhost'}/job/${job.id}`,
    });
    return { name: `${FILES[paper]}-${jobLabel(job)}.pdf`, pdf: Buffer.from(pdf) };
  };
  for (const [path, paper] of [
    ['/jobs/:id/sheet.pdf', 'owner'],
    ['/jobs/:id/bench-sheet.pdf', 'bench'],
    ['/jobs/:id/sticker.pdf', 'sticker'],
  ] as const)
    router.get(path, async (req, res) => {
      const { name, pdf } = await send(req, paper);
      res.attachment(name).type('application/pdf').send(pdf);
    });
  return router;
}

/** Longest side of a printed photo, px: half a page at 250 dots an inch. */
const PRINT_PX = 1000;

const forPrint = (bytes: Buffer): Promise<Buffer> =>
  sharp(bytes)
    .resize({ width: PRINT_PX, height: PRINT_PX, fit: 'inside', withoutEnlargement: true })
    .jpeg({ quality: 85 })
    .toBuffer();

/** Pictures that the last choice for the sheet names; one that is gone is left out. */
async function chosenPhotos({ db }: Services, events: SheetJob['events']): Promise<SheetJob['photos']> {
  const lines = standing(events);
  const chosen = new Set(linesOf(lines, 'sheet').at(-1)?.body.photos ?? []);
  const ids = linesOf(lines, 'photo').flatMap(({ key, body }) => (chosen.has(key) ? [body.photoId] : []));
  const pictures = await Promise.all(ids.map(async (id) => [id, await pictureOf(db, id, false)] as const));
  const small = pictures.flatMap(([id, picture]) =>
    picture ? [forPrint(picture.bytes).then((bytes) => [id, bytes] as const)] : [],
  );
  return Object.fromEntries(await Promise.all(small));
}
