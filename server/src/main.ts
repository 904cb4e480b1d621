/** Starts the server: PORT, HOST, DATABASE_URL and PAGE_DIR come from the environment. */
import { createServer } from 'node:http';
import { pino } from 'pino';
import { createApp } from './app.js';
import { connect, migrate } from './db/connect.js';
import { seedDemoOnce } from './demo/seed.js';
import { createHub } from './db/hub.js';
import { streamRoutes } from './features/stream/routes.js';

const { DATABASE_URL, PAGE_DIR, LOG_LEVEL = 'info' } = process.env;
if (!DATABASE_URL) throw new Error('DATABASE_URL is not set: start with "npm start", which sets it');

const logger = pino({ level: LOG_LEVEL });
const db = connect(DATABASE_URL);
await migrate(db);
if (process.env.SEED_DEMO !== 'no') await seedDemoOnce(db, new Date());

const hub = createHub(DATABASE_URL, logger);
const stream = streamRoutes(hub);
const app = createApp({ db, now: () => new Date(), logger, pageDir: PAGE_DIR ?? null, stream });
const server = createServer(app);
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
  await hub.close();
  server.closeIdleConnections();
  const late = setTimeout(() => server.closeAllConnections(), 5000);
  await closed;
  clearTimeout(late);
  await db.destroy();
  process.exit(0);
}
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => void stop());
process.on('disconnect', () => void stop());
