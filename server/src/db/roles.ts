/**
 * The login that serves requests: it may read, add and change rows, but neither change nor take away a line
 * of the log, nor alter a table. Migrations, backups and the demo use the owner's.
 */
import type { Db } from './connect.js';

export const APP_ROLE = 'amber_app';

/** Grants what requests need on the present schema; nothing where there is no such login (one's own PostgreSQL). */
export async function grantUse(db: Db): Promise<void> {
  const { rows } = await db.raw<{ rows: unknown[] }>('select 1 from pg_roles where rolname = ?', [APP_ROLE]);
  if (rows.length === 0) return;
  await db.raw(`grant usage on schema public to ${APP_ROLE}`);
  await db.raw(`grant select, insert, update, delete on all tables in schema public to ${APP_ROLE}`);
  await db.raw(`grant usage, select on all sequences in schema public to ${APP_ROLE}`);
  await db.raw(`revoke update, delete, truncate on job_event, shelf_line from ${APP_ROLE}`);
  await db.raw(`revoke insert, update, delete, truncate on migration, migration_lock from ${APP_ROLE}`);
}
