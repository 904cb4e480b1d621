/** The contract in both directions: requests are parsed by it, responses too. */
import { Router, type Request, type Response } from 'express';
import { z } from 'zod';
import { HttpError } from './errors.js';

/** A router whose `:id` is a UUID; anything else is not found. */
export function apiRouter(): Router {
  const router = Router();
  router.param('id', (_req, _res, next, id) => {
    next(z.uuid().safeParse(id).success ? undefined : new HttpError('NOT_FOUND'));
  });
  return router;
}

/** The request's body as the schema has it. Throws a ZodError, answered as BAD_REQUEST. */
export function body<T>(req: Request, schema: z.ZodType<T>): T {
  return schema.parse(req.body);
}

/** Sends what the schema allows and nothing else. */
export function send<T>(res: Response, schema: z.ZodType<T>, value: unknown, status = 200): void {
  res.status(status).json(schema.parse(value));
}
