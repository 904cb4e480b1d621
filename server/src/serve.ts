/** One server from its settings: made ready, listening, and stopped again. A process may hold several. */
import { createServer, type Server } from 'node:http';
import { join } from 'node:path';
import type { Logger } from 'pino';
import { createApp } from './app.js';
import { backupKeeper } from './backup/keeper.js';
import { dailyName, makeBackup } from './backup/make.js';
import { connect, migrate, REQUEST_LIMITS, upgradeWaits } from './db/connect.js';
import { grantUse } from './db/roles.js';
import { seedDemoOnce } from './demo/seed.js';
import { createHub } from './db/hub.js';
import { jobRow } from './features/jobs/list.js';
import { refillRows } from './features/jobs/refill.js';
import { sweepClips } from './features/clips/repository.js';
import { sweepOrphans } from './features/photos/repository.js';
import { printers } from './features/sheet/printers.js';
import { liveRoutes } from './features/live/routes.js';
import { streamRoutes } from './features/stream/routes.js';

export interface Settings {
  readonly databaseUrl: string;
  /** The owner's login; one's own PostgreSQL may have one login for all. */
  readonly ownerUrl: string;
  /** 0 takes one that is free. */
  readonly port: number;
  readonly pageDir: string | null;
  readonly seedDemo: boolean;
  /** The program that prints, which runs in threads of its own. */
  readonly printed: URL;
  /** Folder of PostgreSQL's programs and folder of the daily backups; without both none are made. */
  readonly pgBin: string | null;
  readonly backupDir: string | null;
}

export interface Served {
  readonly port: number;
  /** Stops taking requests, lets those in flight finish, then lets go of the database. */
  stop(): Promise<void>;
}

/** Why it could not start: a code for the program that started it, a sentence for the log. */
export class NotStarted extends Error {
  constructor(
    readonly code: string | undefined,
    readonly log: string,
    message: string,
  ) {
    super(message);
  }
}

const now = () => new Date();

/** Migrations and the demo take the time they take; requests are bounded. */
async function makeReady(settings: Settings): Promise<void> {
  const { ownerUrl, pgBin, backupDir, seedDemo } = settings;
  const setUp = connect(ownerUrl, { min: 0, max: 2 });
  // One sentence to whoever started this, not a stack: the address may be mistyped, or its server not up.
  await setUp.raw('select 1').catch((error: Error) => {
    throw new NotStarted('NO_DATABASE', 'no database', error.message);
  });
  if (pgBin && backupDir && (await upgradeWaits(setUp)))
    await makeBackup(
      { url: ownerUrl, pgBin },
      join(backupDir, dailyName(now()).replace('daily', 'before-upgrade')),
      now(),
    );
  await migrate(setUp);
  if (seedDemo) await seedDemoOnce(setUp, now());
  await grantUse(setUp);
  await setUp.destroy();
}

/** What is done beside the requests: swept once a day, rows of older lists made anew. */
function housekeeping(db: ReturnType<typeof connect>, logger: Logger): () => void {
  const sweep = () =>
    void sweepOrphans(db, now())
      .then(() => sweepClips(db, now()))
      .catch((error: unknown) => logger.warn({ err: String(error) }, 'no sweep'));
  let filling = true;
  const refill = () =>
    void refillRows(db, now, () => filling).catch((error: unknown) => logger.warn({ err: String(error) }, 'no refill'));
  const sweeping = setInterval(sweep, 24 * 3600 * 1000);
  // Not while everything starts: a server that is stopped at once has nothing in hand.
  const once = [setTimeout(sweep, 60_000).unref(), setTimeout(refill, 2000).unref()];
  return () => {
    filling = false;
    clearInterval(sweeping);
    for (const timer of once) clearTimeout(timer);
  };
}

/** Resolves with the port. An error of a server that listens is nobody's to catch: the process ends and is started again. */
function listen(server: Server, port: number): Promise<number> {
  return new Promise((resolve, reject) => {
    const refused = (error: NodeJS.ErrnoException) =>
      reject(new NotStarted(error.code, 'cannot listen', error.message));
    server.once('error', refused);
    server.listen(port, '127.0.0.1', () => {
      server.off('error', refused);
      const address = server.address();
      resolve(typeof address === 'object' && address ? address.port : 0);
    });
  });
}

/** Starts one. Throws `NotStarted` where database or port are not to be had. */
export async function serve(settings: Settings, logger: Logger): Promise<Served> {
  await makeReady(settings);
  const { databaseUrl, ownerUrl, pgBin, backupDir, pageDir, printed } = settings;
  const db = connect(databaseUrl, { min: 0, max: 8 }, REQUEST_LIMITS);
  const endHousekeeping = housekeeping(db, logger);
  const hub = createHub(databaseUrl, logger);
  const stream = streamRoutes(hub, (id) => jobRow({ db, now }, id));
  const live = liveRoutes({ db, now }, hub);
  const backups = pgBin && backupDir ? backupKeeper({ url: ownerUrl, pgBin }, backupDir, now, logger) : null;
  const sheets = printers(printed, logger);
  const app = createApp({ db, now, logger, pageDir, stream, live, backups, print: sheets.print });
  const server = createServer(
    {
      // A request that does not arrive, and a page that does not read, are let go of.
      headersTimeout: 10_000,
      requestTimeout: 60_000,
      connectionsCheckingInterval: 5_000,
      keepAliveTimeout: 20_000,
    },
    app,
  );
  // The stream of changes says something every fifteen seconds, so a living page is never cut off.
  server.setTimeout(60_000);
  const port = await listen(server, settings.port);
  logger.info({ port }, 'listening');
  return {
    port,
    stop: async () => {
      const closed = new Promise((resolve) => server.close(resolve));
      stream.end();
      live.end();
      backups?.stop();
      endHousekeeping();
      await hub.close();
      server.closeIdleConnections();
      const late = setTimeout(() => server.closeAllConnections(), 5000);
      await closed;
      clearTimeout(late);
      await sheets.stop();
      await db.destroy();
    },
  };
}
