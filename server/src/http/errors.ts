/** Every failure leaves as the one error shape of the contract. */
import { ERROR_TABLE, type ErrorCode, type WireError } from '@amber-gauge/contract';
import type { ErrorRequestHandler, RequestHandler } from 'express';
import { ZodError } from 'zod';
import { say } from '@amber-gauge/core/words';

/** Thrown by services; the code decides status and message. */
export class HttpError extends Error {
  constructor(
    readonly code: ErrorCode,
    readonly extra: { readonly fields?: Record<string, string>; readonly present?: unknown } = {},
  ) {
    super(ERROR_TABLE[code].message);
    this.name = 'HttpError';
  }
}

/** Body of an error on the wire. */
export function wireError(code: ErrorCode, extra: HttpError['extra'] = {}): { error: WireError } {
  return { error: { code, message: ERROR_TABLE[code].message, ...extra } };
}

export const notFound: RequestHandler = (_req, res) => {
  res.status(404).json(wireError('NOT_FOUND'));
};

/** When a busy server is asked again, seconds. */
const RETRY_AFTER_S = 2;

/** Turns whatever was thrown into the one shape; only what nobody foresaw is logged as an error. */
export const errorHandler: ErrorRequestHandler = (error: unknown, req, res, next) => {
  if (res.headersSent) return next(error);
  const known = asHttpError(error);
  if (known.code === 'INTERNAL') req.log.error({ err: error }, 'unforeseen');
  if (known.code === 'NOT_READY' || known.code === 'TOO_MANY') res.setHeader('Retry-After', RETRY_AFTER_S);
  res.status(ERROR_TABLE[known.code].status).json(wireError(known.code, known.extra));
};

function asHttpError(error: unknown): HttpError {
  if (error instanceof HttpError) return error;
  if (error instanceof ZodError) return new HttpError('BAD_REQUEST', { fields: fieldsOf(error) });
  const { type, code, status } = error as { type?: string; code?: string; status?: number };
  if (type === 'entity.too.large') return new HttpError('TOO_LARGE');
  if (type === 'entity.parse.failed') return new HttpError('BAD_REQUEST', { fields: { body: say`not valid JSON` } });
  if (type === 'encoding.unsupported' || type === 'charset.unsupported' || status === 415)
    return new HttpError('UNSUPPORTED_TYPE');
  // An address that is no text, with or without a way up in it.
  if (error instanceof URIError) return new HttpError('NOT_FOUND');
  if (status === 404) return new HttpError('NOT_FOUND');
  if (status === 400) return new HttpError('BAD_REQUEST');
  if (code === '23503') return new HttpError('UNKNOWN_REFERENCE');
  if (code && /^(08|57P|57014|55P03|40P01|40001|ECONN|53)/.test(code)) return new HttpError('NOT_READY');
  if (error instanceof Error && /Timeout acquiring|Connection terminated/.test(error.message))
    return new HttpError('NOT_READY');
  return new HttpError('INTERNAL');
}

function fieldsOf(error: ZodError): Record<string, string> {
  return Object.fromEntries(error.issues.map((issue) => [issue.path.join('.') || 'body', issue.message]));
}
