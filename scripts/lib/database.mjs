/** The database to work on: DATABASE_URL as given, or the project's own cluster. */
import { join } from 'node:path';
import { ensurePostgres } from './install.mjs';
import { startPostgres } from './postgres.mjs';
import { ROOT } from './run.mjs';
import { step } from './say.mjs';

export const DATA_DIR = join(ROOT, '.data', 'pg');

/** @returns {{ url: string, stop: () => Promise<void> }} */
export async function openDatabase() {
  const given = process.env.DATABASE_URL;
  if (given) return { url: given, stop: async () => {} };
  await ensurePostgres();
  return step('database started', () => startPostgres(DATA_DIR));
}
