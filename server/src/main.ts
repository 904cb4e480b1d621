/** Starts the server: PORT, HOST, DATABASE_URL and PAGE_DIR come from the environment. */
import { createServer } from 'node:http';
import { join } from 'node:path';
import { pino } from 'pino';
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

const { DATABASE_URL, PAGE_DIR, PG_BIN, BACKUP_DIR, LOG_LEVEL = 'info' } = process.env;
/** The owner's login; one's own PostgreSQL may have one login for all. */
const OWNER_URL = process.env.OWNER_URL ?? DATABASE_URL;
if (!DATABASE_URL || !OWNER_URL) throw new Error('DATABASE_URL is not set: start with "npm start", which sets it');

const logger = pino({ level: LOG_LEVEL });
// Migrations and the demo take the time they take; requests are bounded.
const setUp = connect(OWNER_URL, { min: 0, max: 2 });
const db = connect(DATABASE_URL, { min: 0, max: 8 }, REQUEST_LIMITS);
const now = () => new Date();
// One sentence to whoever started this, not a stack: the address may be mistyped, or its server not up.
await setUp.raw('select 1').catch((error: Error & { code?: string }) => {
  process.send?.({ kind: 'failed', code: 'NO_DATABASE', why: error.message });
  logger.error({ err: error.message }, 'no database');
  process.exit(1);
});
const place = PG_BIN ? { url: OWNER_URL, pgBin: PG_BIN } : null;
if (place && BACKUP_DIR && (await upgradeWaits(setUp)))
  await makeBackup(place, join(BACKUP_DIR, dailyName(now()).replace('daily', 'before-upgrade')), now());
await migrate(setUp);
if (process.env.SEED_DEMO !== 'no') await seedDemoOnce(setUp, now());
await grantUse(setUp);
await setUp.destroy();

const sweep = () =>
  void sweepOrphans(db, now())
    .then(() => sweepClips(db, now()))
    .catch((error: unknown) => logger.warn({ err: String(error) }, 'no sweep'));
const sweeping = setInterval(sweep, 24 * 3600 * 1000);
// Not while everything starts: a server that is stopped at once has nothing in hand.
setTimeout(sweep, 60_000).unref();

let filling = true;
setTimeout(
  () =>
    void refillRows(db, now, () => filling).catch((error: unknown) => logger.warn({ err: String(error) }, 'no refill')),
  2000,
).unref();

const hub = createHub(DATABASE_URL, logger);
const stream = streamRoutes(hub, (id) => jobRow({ db, now }, id));
const live = liveRoutes({ db, now }, hub);
const backups = place && BACKUP_DIR ? backupKeeper(place, BACKUP_DIR, now, logger) : null;
const sheets = printers(new URL('./printed.mjs', import.meta.url), logger);
const app = createApp({ db, now, logger, pageDir: PAGE_DIR ?? null, stream, live, backups, print: sheets.print });
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
server.listen(Number(process.env.PORT ?? 0), '127.0.0.1', () => {
  const address = server.address();
  const port = typeof address === 'object' && address ? address.port : 0;
  logger.info({ port }, 'listening');
  process.send?.({ kind: 'listening', port });
});
server.on('error', (error: NodeJS.ErrnoException) => {
  logger.error({ code: error.code }, 'cannot listen');
  process.send?.({ kind: 'failed', code: error.code });
  process.exit(1);
});

/** Stops taking requests, lets those in flight finish, then lets go of the database. */
let stopping = false;
async function stop(): Promise<void> {
  if (stopping) return;
  stopping = true;
  const closed = new Promise((resolve) => server.close(resolve));
  stream.end();
  live.end();
  backups?.stop();
  clearInterval(sweeping);
  filling = false;
  await hub.close();
  server.closeIdleConnections();
  const late = setTimeout(() => server.closeAllConnections(), 5000);
  await closed;
  clearTimeout(late);
  await sheets.stop();
  await db.destroy();
  process.exit(0);
}
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => void stop());
process.on('disconnect', () => void stop());
