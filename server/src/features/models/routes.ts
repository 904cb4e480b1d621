/** Routes of models' sheets. */
import { changeSheetSchema, keptSheetSchema } from '@amber-gauge/contract';
import { EMPTY_SHEET, PATHS, sheetProblem } from '@amber-gauge/core/families';
import type { Router } from 'express';
import { z } from 'zod';
import { HttpError } from '../../http/errors.js';
import { apiRouter, body, send } from '../../http/wire.js';
import type { Services } from '../jobs/service.js';
import { findSheet, keepSheet } from './repository.js';

export function modelRoutes({ db, now }: Services): Router {
  const router = apiRouter();
  router.get('/families/:familyId/sheet', async (req, res) => {
    pathOf(req.params.familyId);
    const { model } = z.object({ model: z.string().trim().min(1).max(240) }).parse(req.query);
    const kept = await findSheet(db, req.params.familyId, model);
    send(res, keptSheetSchema, kept ?? { model, version: 0, sheet: EMPTY_SHEET });
  });
  router.put('/families/:familyId/sheet', async (req, res) => {
    const path = pathOf(req.params.familyId);
    const wish = body(req, changeSheetSchema);
    const problem = sheetProblem(path, wish.sheet);
    if (problem) throw new HttpError('BAD_REQUEST', { fields: { sheet: problem } });
    const kept = await keepSheet(db, req.params.familyId, wish, now());
    const present = await findSheet(db, req.params.familyId, wish.model);
    if (!kept) throw new HttpError('CONFLICT', { present });
    send(res, keptSheetSchema, present);
  });
  return router;
}

function pathOf(familyId: string) {
  const path = PATHS.get(familyId);
  if (!path) throw new HttpError('NOT_FOUND');
  return path;
}
