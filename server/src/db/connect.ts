/** The way to PostgreSQL. One pool a process; nothing else holds connections. */
import knex, { type Knex } from 'knex';
import pg from 'pg';
import { migrationSource } from './migrations/index.js';

export type Db = Knex;

// bigint positions fit a double for the next few centuries; numeric never holds more than a reading.
pg.types.setTypeParser(pg.types.builtins.INT8, Number);
pg.types.setTypeParser(pg.types.builtins.NUMERIC, Number);

/** What one request may take of the database, milliseconds: a statement, a wait for a lock, a pause within. */
export const REQUEST_LIMITS = {
  statement_timeout: 15_000,
  lock_timeout: 8_000,
  idle_in_transaction_session_timeout: 20_000,
} as const;

/**
 * Opens a pool on `url`. Nothing is connected until the first query.
 * @param limits for a pool that serves requests; whole-database work goes without.
 */
export function connect(
  url: string,
  pool: { min: number; max: number } = { min: 0, max: 8 },
  limits: Partial<Record<keyof typeof REQUEST_LIMITS, number>> = {},
): Db {
  return knex({
    client: 'pg',
    connection: { connectionString: url, application_name: 'amber-gauge', ...limits },
    pool,
    acquireConnectionTimeout: 5000,
    migrations: { migrationSource, tableName: 'migration' },
  });
}

/** Is there a bench of an earlier version, which the next {@link migrate} changes? */
export async function upgradeWaits(db: Db): Promise<boolean> {
  if (!(await db.schema.hasTable('job'))) return false;
  const [, waiting] = (await db.migrate.list()) as [unknown[], unknown[]];
  return waiting.length > 0;
}

/** Brings the schema up to date; several processes may call it at once (Knex locks). */
export async function migrate(db: Db): Promise<void> {
  await db.migrate.latest();
}
