/** Response headers: no script but our own files, styles by a nonce of this answer, no framing, no sniffing. */
import { randomBytes } from 'node:crypto';
import type { RequestHandler, Response } from 'express';
import helmet from 'helmet';
import { say } from '@amber-gauge/core/words';

/** The nonce of this answer; the page's own style elements carry it. */
export const nonceOf = (res: Response): string => res.locals.nonce as string;

const headers = helmet({
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      'default-src': ["'self'"],
      // The meter's inner loops are WebAssembly; this lets modules compile and nothing else.
      'script-src': ["'self'", "'wasm-unsafe-eval'"],
      'style-src': ["'self'", (_req, res) => `'nonce-${nonceOf(res as Response)}'`],
      'style-src-attr': ["'unsafe-inline'"],
      'img-src': ["'self'", say`data:`, say`blob:`],
      'font-src': ["'self'"],
      'connect-src': ["'self'"],
      'worker-src': ["'self'"],
      'object-src': ["'none'"],
      'base-uri': ["'none'"],
      'form-action': ["'self'"],
      'frame-ancestors': ["'none'"],
    },
  },
  strictTransportSecurity: false,
});

export const security: RequestHandler = (req, res, next) => {
  res.locals.nonce = randomBytes(16).toString('base64');
  headers(req, res, next);
};
