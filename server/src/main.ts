/** Starts the server: PORT, DATABASE_URL and PAGE_DIR come from the environment. */
import { pino } from 'pino';
import { NotStarted, serve, type Served } from './serve.js';

const { DATABASE_URL, OWNER_URL = DATABASE_URL, PAGE_DIR, PG_BIN, BACKUP_DIR, LOG_LEVEL = 'info' } = process.env;
if (!DATABASE_URL || !OWNER_URL) throw new Error('DATABASE_URL is not set: start with "npm start", which sets it');

const logger = pino({ level: LOG_LEVEL });
const served: Served = await serve(
  {
    databaseUrl: DATABASE_URL,
    ownerUrl: OWNER_URL,
    port: Number(process.env.PORT ?? 0),
    pageDir: PAGE_DIR ?? null,
    seedDemo: process.env.SEED_DEMO !== 'no',
    printed: new URL('./printed.mjs', import.meta.url),
    pgBin: PG_BIN ?? null,
    backupDir: BACKUP_DIR ?? null,
  },
  logger,
).catch((error: unknown) => {
  if (!(error instanceof NotStarted)) throw error;
  process.send?.({ kind: 'failed', code: error.code, why: error.message });
  logger.error({ err: error.message, code: error.code }, error.log);
  process.exit(1);
});
process.send?.({ kind: 'listening', port: served.port });

let stopping = false;
async function stop(): Promise<void> {
  if (stopping) return;
  stopping = true;
  await served.stop();
  process.exit(0);
}
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => void stop());
process.on('disconnect', () => void stop());
