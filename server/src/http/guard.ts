/** Host and origin checks: against name rebinding and against other sites writing here. */
import type { RequestHandler } from 'express';
import { HttpError } from './errors.js';

const LOOPBACK = new Set(['127.0.0.1', 'localhost', '[::1]']);

/** Refuses requests for another host name, and writes that come from another origin. */
export const guard: RequestHandler = (req, _res, next) => {
  const host = req.headers.host ?? '';
  // Node keeps the first of two; what stands before us may read the other.
  const hosts = req.rawHeaders.filter((name, i) => i % 2 === 0 && name.toLowerCase() === 'host');
  if (hosts.length > 1) return next(new HttpError('BAD_HOST'));
  if (!LOOPBACK.has(host.replace(/:\d+$/, ''))) return next(new HttpError('BAD_HOST'));
  if (req.method === 'GET' || req.method === 'HEAD') return next();
  const origin = req.headers.origin;
  if (origin !== undefined && origin !== `http://${host}`) return next(new HttpError('BAD_ORIGIN'));
  if (req.headers['sec-fetch-site'] === 'cross-site') return next(new HttpError('BAD_ORIGIN'));
  const type = req.headers['content-type'] ?? '';
  if (!/^(application\/json|audio\/wav|application\/octet-stream)\b/.test(type))
    return next(new HttpError('UNSUPPORTED_TYPE'));
  next();
};
