/** The hand-back sheet as a model and as a PDF. */
import { jobNumber, sheetModel } from '@amber-gauge/core/bench';
import type { Router } from 'express';
import { apiRouter } from '../../http/wire.js';
import { jobDetail, type Services } from '../jobs/service.js';
import { presentSettings } from '../settings/repository.js';
import { sheetPdf } from './pdf.js';

/** Day and time where the server stands, as the bench writes them: 2026-11-25 14:02. */
function printDate(iso: string): string {
  const at = new Date(iso);
  const two = (value: number) => String(value).padStart(2, '0');
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())} ${two(at.getHours())}:${two(at.getMinutes())}`;
}

export function sheetRoutes(services: Services): Router {
  const router = apiRouter();
  router.get('/jobs/:id/sheet.pdf', async (req, res) => {
    const { job, events } = await jobDetail(services, req.params.id);
    const settings = await presentSettings(services.db);
    const shop = { name: settings.shopName, address: settings.shopAddress };
    const pdf = await sheetPdf(sheetModel(shop, job, events), printDate);
    res
      .attachment(`job-${jobNumber(job.number)}.pdf`)
      .type('application/pdf')
      .send(pdf);
  });
  return router;
}
