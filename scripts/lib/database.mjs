/** The database to work on: DATABASE_URL as given, or the project's own cluster. */
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { ensurePostgres } from './install.mjs';
import { startPostgres } from './postgres.mjs';
import { ROOT } from './run.mjs';
import { step } from './say.mjs';

/** Where backups go. */
export const BACKUP_DIR = process.env.BACKUP_DIR ?? join(ROOT, '.data', 'backups');

const DATA_DIR = join(ROOT, '.data', 'pg');

/**
 * @returns {Promise<{ url: string, appUrl: string, stop: () => Promise<void>, revive: () => Promise<void> }>} the owner's
 *   address and that for requests; `revive` starts the cluster again on its port when it is gone
 */
export async function openDatabase() {
  const given = process.env.DATABASE_URL;
  if (given) return { url: given, appUrl: given, stop: async () => {}, revive: async () => {} };
  await ensurePostgres();
  let running = await step('database started', () => startPostgres(DATA_DIR));
  let reviving = null;
  const revive = async () => {
    console.log('• the database is gone; it is started again');
    const again = await startPostgres(DATA_DIR, { port: running.port });
    // One that was only borrowed has gone with its owner: from here on it is ours.
    running = again;
    console.log('• database up again');
  };
  return {
    url: running.url,
    appUrl: running.appUrl,
    stop: () => running.stop(),
    async revive() {
      if (existsSync(`/proc/${running.pid}`)) return;
      reviving ??= revive().finally(() => (reviving = null));
      await reviving;
    },
  };
}
