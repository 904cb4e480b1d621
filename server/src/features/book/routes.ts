/** Routes of the Book: pages, figures, the whole as a table, and what is due, also as a calendar. */
import {
  BOOK_HEADS,
  BOOK_PAGE,
  bookFiguresSchema,
  bookPageSchema,
  bookQuerySchema,
  bookToCsv,
  followUpListSchema,
} from '@amber-gauge/contract';
import { familyOf } from '@amber-gauge/core/families';
import type { Router } from 'express';
import { apiRouter, send } from '../../http/wire.js';
import type { Services } from '../jobs/service.js';
import { presentSettings } from '../settings/repository.js';
import { calendarOf } from './calendar.js';
import { bookFigures, bookPage, followUps } from './repository.js';

/** Jobs read at a time while the whole Book is written out. */
const CHUNK = 1000;

export function bookRoutes({ db, now }: Services): Router {
  const router = apiRouter();
  const shown = async () => (await presentSettings(db)).demoShown;
  router.get('/book', async (req, res) => {
    const rows = await bookPage(db, bookQuerySchema.parse(req.query), await shown());
    send(res, bookPageSchema, { rows: rows.slice(0, BOOK_PAGE), more: rows.length > BOOK_PAGE });
  });
  router.get('/book/figures', async (req, res) => {
    send(res, bookFiguresSchema, await bookFigures(db, bookQuerySchema.parse(req.query), await shown()));
  });
  router.get('/book.csv', async (req, res) => {
    const query = bookQuerySchema.parse(req.query);
    const withDemo = await shown();
    res.attachment('book.csv').type('text/csv');
    res.write(`${BOOK_HEADS.join(',')}\r\n`);
    let before: { beforeAt?: string; beforeId?: string } = {};
    for (;;) {
      const rows = await bookPage(db, { ...query, ...before }, withDemo, CHUNK);
      const page = rows.slice(0, CHUNK);
      const last = page.at(-1);
      if (last) res.write(`${bookToCsv(page, (job) => familyOf(job.familyId).name)}\r\n`);
      if (!last || rows.length <= CHUNK || res.destroyed) break;
      before = { beforeAt: last.movedAt, beforeId: last.job.id };
    }
    res.end();
  });
  router.get('/follow-ups', async (_req, res) => {
    send(res, followUpListSchema, { due: await followUps(db, await shown()) });
  });
  router.get('/follow-ups.ics', async (_req, res) => {
    const { shopName } = await presentSettings(db);
    const text = calendarOf(await followUps(db, await shown()), shopName, now());
    res.attachment('follow-ups.ics').type('text/calendar').send(text);
  });
  return router;
}
