/** The application put together: guards, API, the built page. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import express, { type Express } from 'express';
import rateLimit from 'express-rate-limit';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { errorHandler, HttpError, notFound } from './http/errors.js';
import { guard } from './http/guard.js';
import { nonceOf, security } from './http/security.js';
import { storableOnly } from './http/wire.js';
import type { BackupKeeper } from './backup/keeper.js';
import { bookRoutes } from './features/book/routes.js';
import { bundleRoutes } from './features/bundle/routes.js';
import { backupRoutes } from './features/backups/routes.js';
import { dayRoutes } from './features/day/routes.js';
import type { LiveRoutes } from './features/live/routes.js';
import { healthRoutes } from './features/health/routes.js';
import { jobRoutes } from './features/jobs/routes.js';
import type { Services } from './features/jobs/service.js';
import { clipRoutes } from './features/clips/routes.js';
import { instrumentRoutes } from './features/instruments/routes.js';
import { practiceRoutes } from './features/practice/routes.js';
import { photoRoutes } from './features/photos/routes.js';
import { modelRoutes } from './features/models/routes.js';
import { runRoutes } from './features/runs/routes.js';
import { settingsRoutes } from './features/settings/routes.js';
import type { Printer } from './features/sheet/printed.js';
import { shelfRoutes } from './features/shelf/routes.js';
import { discRoutes } from './features/sheet/discs.js';
import { sheetRoutes } from './features/sheet/routes.js';
import { sourceRoutes } from './features/sources/routes.js';
import type { StreamRoutes } from './features/stream/routes.js';

export interface AppOptions extends Services {
  readonly logger: Logger;
  /** Folder of the built page; null serves the API alone. */
  readonly pageDir: string | null;
  /** The stream of changes; null serves none. */
  readonly stream?: StreamRoutes | null;
  /** The live reading for a second screen; null serves none. */
  readonly live?: LiveRoutes | null;
  /** Requests a minute from one address. */
  readonly requestsPerMinute?: number;
  /** Draws sheets; in this thread when nothing is given. */
  readonly print?: Printer;
  /** Keeps backups; null where it was not told where. */
  readonly backups?: BackupKeeper | null;
}

/** Largest JSON body: two hundred lines or one run with its series. */
const JSON_LIMIT = '2mb';

export function createApp(options: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(
    pinoHttp({
      logger: options.logger,
      // What people type and what units are called never reaches the log: method, path and status only.
      serializers: {
        req: (req: { method: string; url: string }) => ({ method: req.method, path: req.url.split('?')[0] }),
        res: (res: { statusCode: number }) => ({ status: res.statusCode }),
      },
    }),
  );
  app.use(security);
  app.use(guard);
  app.use(healthRoutes(options));
  app.use('/api/v1', api(options));
  if (options.pageDir) servePage(app, options.pageDir);
  app.use(notFound);
  app.use(errorHandler);
  return app;
}

function api(options: AppOptions): express.Router {
  const router = express.Router();
  router.use(
    rateLimit({
      windowMs: 60_000,
      limit: options.requestsPerMinute ?? 3000,
      handler: (_req, _res, next) => next(new HttpError('TOO_MANY')),
    }),
  );
  router.use((_req, res, next) => {
    res.setHeader('Cache-Control', 'no-store');
    next();
  });
  if (options.stream) router.use(options.stream.router);
  router.use(bundleRoutes(options));
  router.use(express.json({ limit: JSON_LIMIT }));
  router.use(storableOnly);
  if (options.live) router.use(options.live.router);
  for (const routes of [
    jobRoutes,
    modelRoutes,
    photoRoutes,
    clipRoutes,
    runRoutes,
    sourceRoutes,
    settingsRoutes,
    sheetRoutes,
    discRoutes,
    shelfRoutes,
    bookRoutes,
    dayRoutes,
    practiceRoutes,
    instrumentRoutes,
  ])
    router.use(routes(options));
  router.use(backupRoutes(options.backups ?? null));
  router.use(notFound);
  return router;
}

/** The page with this answer's nonce put in where the build left its mark. */
function servePage(app: Express, dir: string): void {
  const page = readFileSync(join(dir, 'index.html'), 'utf8');
  app.use('/assets', express.static(join(dir, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }));
  app.use(express.static(dir, { index: false }));
  app.get('/{*path}', (req, res, next) => {
    if (!req.accepts('html')) return next();
    res.setHeader('Cache-Control', 'no-store');
    res.type('html').send(page.replaceAll('NONCE_OF_THIS_ANSWER', nonceOf(res)));
  });
}
