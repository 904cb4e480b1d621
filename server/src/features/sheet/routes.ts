/** The hand-back sheet as a PDF. */
import { jobNumber } from '@amber-gauge/core/bench';
import type { Router } from 'express';
import { apiRouter } from '../../http/wire.js';
import { jobDetail, type Services } from '../jobs/service.js';
import { presentSettings } from '../settings/repository.js';
import printed, { type Printer } from './printed.js';

/** @param print where the sheet is drawn; in this thread when nothing is given. */
export function sheetRoutes({ print = printed, ...services }: Services & { readonly print?: Printer }): Router {
  const router = apiRouter();
  router.get('/jobs/:id/sheet.pdf', async (req, res) => {
    const { job, events } = await jobDetail(services, req.params.id);
    const { shopName: name, shopAddress: address } = await presentSettings(services.db);
    const pdf = await print({ shop: { name, address }, job, events });
    res
      .attachment(`job-${jobNumber(job.number)}.pdf`)
      .type('application/pdf')
      .send(Buffer.from(pdf));
  });
  return router;
}
