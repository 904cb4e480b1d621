/** The contract in both directions: requests are parsed by it, responses too. */
import { keySchema, unstorable } from '@amber-gauge/contract';
import { Router, type Request, type RequestHandler, type Response } from 'express';
import type { z } from 'zod';
import { HttpError } from './errors.js';

/** A router whose `:id` is a UUID; anything else is not found. */
export function apiRouter(): Router {
  const router = Router();
  router.param('id', (_req, _res, next, id) => {
    next(keySchema.safeParse(id).success ? undefined : new HttpError('NOT_FOUND'));
  });
  return router;
}

/** Refuses, by name, what the database could not hold, wherever it stands in body or query. */
export const storableOnly: RequestHandler = (req, _res, next) => {
  const found = unstorable(req.query, ['query']) ?? (Buffer.isBuffer(req.body) ? null : unstorable(req.body));
  next(found ? new HttpError('BAD_REQUEST', { fields: { [found.path]: found.why } }) : undefined);
};

/** The request's body as the schema has it. Throws a ZodError, answered as BAD_REQUEST. */
export function body<T>(req: Request, schema: z.ZodType<T>): T {
  return schema.parse(req.body);
}

/** Sends what the schema allows and nothing else. */
export function send<T>(res: Response, schema: z.ZodType<T>, value: unknown, status = 200): void {
  const wire = schema.safeParse(value);
  // Our own answer breaks the contract: that is no fault of the request.
  if (!wire.success) throw new Error(`an answer breaks the contract at ${wire.error.issues[0]?.path.join('.')}`);
  res.status(status).json(wire.data);
}
