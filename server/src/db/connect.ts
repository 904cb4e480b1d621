/** The way to PostgreSQL. One pool a process; nothing else holds connections. */
import knex, { type Knex } from 'knex';
import pg from 'pg';
import { migrationSource } from './migrations/index.js';

export type Db = Knex;

// bigint positions fit a double for the next few centuries; numeric never holds more than a reading.
pg.types.setTypeParser(pg.types.builtins.INT8, Number);
pg.types.setTypeParser(pg.types.builtins.NUMERIC, Number);

/** Opens a pool on `url`. Nothing is connected until the first query. */
export function connect(url: string, pool: { min: number; max: number } = { min: 0, max: 8 }): Db {
  return knex({
    client: 'pg',
    connection: { connectionString: url, application_name: 'amber-gauge' },
    pool,
    acquireConnectionTimeout: 5000,
    migrations: { migrationSource, tableName: 'migration' },
  });
}

/** Brings the schema up to date; several processes may call it at once (Knex locks). */
export async function migrate(db: Db): Promise<void> {
  await db.migrate.latest();
}
