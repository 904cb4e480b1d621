/**
 * Bringing a backup back: into a new database, by our own schema and the backup's data alone, checked,
 * and only then put in the place of the old one, which is kept. Killed at any point the bench is the old
 * or the new one, whole.
 */
import { refreshState } from '../features/jobs/refresh.js';
import { randomBytes } from 'node:crypto';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { connect, migrate, type Db } from '../db/connect.js';
import { grantUse } from '../db/roles.js';
import { findJob } from '../features/jobs/repository.js';
import { checkBackup, TABLES, type CheckedBackup } from './check.js';
import { contentsOf } from './make.js';
import { BackupRefusal, connected, databaseOf, tool, withDatabase, type Place } from './tools.js';

const stamp = (): string => new Date().toISOString().slice(0, 23).replace(/[-:.]/g, '').replace('T', '_');

/** Databases of the server that are not ours to use: to be dropped or kept by name. */
const admin = (url: string): string => withDatabase(url, 'postgres');

/** A backup loaded into a database of its own, at the newest schema, its rows counted. */
async function loaded(place: Place, backup: CheckedBackup, name: string): Promise<void> {
  await connected(admin(place.url), (client) => client.query(`create database "${name}"`));
  const url = withDatabase(place.url, name);
  const db = connect(url, { min: 0, max: 2 });
  try {
    for (const migration of backup.migrations) await db.migrate.up({ name: migration });
    // What migrations put in comes with the backup.
    await db('setting').delete();
    await loadData({ ...place, url }, backup);
    await checkCounts(url, backup);
    await migrate(db);
    await grantUse(db);
  } finally {
    await db.destroy();
  }
}

/** Loads the data as a login that may insert and nothing else: whatever the file says, it can do no more. */
async function loadData(place: Place, { file, load }: CheckedBackup): Promise<void> {
  const login = { user: `amber_load_${randomBytes(4).toString('hex')}`, password: randomBytes(16).toString('hex') };
  const dir = await mkdtemp(join(tmpdir(), 'amber-gauge-load-'));
  const list = join(dir, 'list');
  try {
    await writeFile(list, `${load.join('\n')}\n`);
    await connected(place.url, async (client) => {
      await client.query(`create role ${login.user} login password '${login.password}'`);
      await client.query(`grant usage on schema public to ${login.user}`);
      await client.query(`grant insert, select on all tables in schema public to ${login.user}`);
      await client.query(`grant all on all sequences in schema public to ${login.user}`);
    });
    const name = databaseOf(place.url);
    await tool({ ...place, url: withDatabase(place.url, name, login) }, 'pg_restore', [
      '--data-only',
      '--no-owner',
      '--no-acl',
      '--exit-on-error',
      '--single-transaction',
      `--use-list=${list}`,
      `--dbname=${name}`,
      file,
    ]).catch((error: Error) => {
      throw new BackupRefusal(`${file} cannot be loaded (${error.message}). Nothing was changed.`);
    });
  } finally {
    await rm(dir, { recursive: true, force: true });
    await connected(place.url, async (client) => {
      await client.query(`drop owned by ${login.user}`).catch(() => undefined);
      await client.query(`drop role if exists ${login.user}`).catch(() => undefined);
    });
  }
}

async function checkCounts(url: string, { file, manifest }: CheckedBackup): Promise<void> {
  if (!manifest) return;
  const { counts } = await connected(url, contentsOf);
  const wrong = TABLES.find((table) => (counts[table] ?? 0) !== (manifest.counts[table] ?? 0));
  if (wrong)
    throw new BackupRefusal(
      `${file} gave ${counts[wrong] ?? 0} rows of ${wrong}, its manifest says ${manifest.counts[wrong] ?? 0}. Nothing was changed.`,
    );
}

const dropDatabase = (url: string, name: string) =>
  connected(admin(url), (client) => client.query(`drop database if exists "${name}" with (force)`));

/** Restores `file` into a database that is thrown away again: does it come back whole? */
export async function drill(place: Place, file: string): Promise<void> {
  const backup = await checkBackup(place, file);
  const name = `${databaseOf(place.url)}_drill_${stamp()}`;
  try {
    await loaded(place, backup, name);
  } finally {
    await dropDatabase(place.url, name);
  }
}

/** What a restore did. */
export interface Restored {
  /** Database in which the bench from before is kept. */
  readonly kept: string;
  /** Lines acknowledged while it ran, carried over. */
  readonly carried: number;
}

/** Puts the bench of `file` in the place of the present one, which is kept under another name. */
export async function restore(place: Place, file: string): Promise<Restored> {
  const began = new Date();
  const backup = await checkBackup(place, file);
  const present = databaseOf(place.url);
  await sweepHalfMade(place.url);
  const made = `${present}_new_${stamp()}`;
  const kept = `${present}_before_${stamp()}`;
  try {
    await loaded(place, backup, made);
    // What is acknowledged meanwhile goes along: once before the change, and again what came in until it.
    await carryOver(place.url, withDatabase(place.url, made), began);
    await swap(place.url, { present, made, kept });
  } catch (error) {
    await dropDatabase(place.url, made).catch(() => undefined);
    throw error;
  }
  const carried = await carryOver(withDatabase(place.url, kept), place.url, began);
  return { kept, carried };
}

const TRIES = 200;

/** Both names change in one transaction, as soon as nobody is connected to either. */
async function swap(url: string, names: { present: string; made: string; kept: string }): Promise<void> {
  await connected(admin(url), async (client) => {
    for (let tries = 0; ; tries++) {
      try {
        await client.query(
          `select pg_terminate_backend(pid) from pg_stat_activity where datname = any($1) and pid <> pg_backend_pid()`,
          [[names.present, names.made]],
        );
        await client.query('begin');
        await client.query(`alter database "${names.present}" rename to "${names.kept}"`);
        await client.query(`alter database "${names.made}" rename to "${names.present}"`);
        await client.query('commit');
        return;
      } catch (error) {
        await client.query('rollback').catch(() => undefined);
        // 55006: somebody connected again in between.
        if ((error as { code?: string }).code !== '55006' || tries >= TRIES) throw error;
        await wait(10);
      }
    }
  });
}

/** Tables that lines acknowledged during a restore may stand in, with the column that says when. */
const GROWING = [
  ['job', 'created_at'],
  ['photo', 'created_at'],
  ['clip_sound', 'created_at'],
  ['job_event', 'received_at'],
  ['shelf_line', 'received_at'],
] as const;

/** Copies what came in since `began` from one database to another; how many lines of the log. */
async function carryOver(fromUrl: string, toUrl: string, began: Date): Promise<number> {
  const db = connect(toUrl, { min: 0, max: 1 });
  let lines = 0;
  const touched = new Set<string>();
  try {
    await connected(fromUrl, async (from) => {
      for (const [table, when] of GROWING) {
        const { rows } = await from.query<{ row: Record<string, unknown> }>(
          `select to_jsonb(t) as row from ${table} t where ${when} >= $1 order by ${when}`,
          [began],
        );
        for (const { row } of rows) {
          const added = await insertRow(db, table, row);
          if (!added) continue;
          if (table === 'job_event') lines++;
          if (table !== 'shelf_line') touched.add(String(table === 'job' ? row.id : row.job_id));
        }
      }
    });
    for (const id of touched) {
      const job = await findJob(db, id);
      if (job) await refreshState(db, job, new Date());
    }
    // A unit that was taken in meanwhile keeps its number; the next one gets a higher.
    if (touched.size > 0)
      await db.raw(
        `select setval('job_number', greatest((select last_value from job_number), (select max(number) from job where not demo and practice is null))),
           setval('practice_number', greatest((select last_value from practice_number), (select max(number) from job where practice is not null)))`,
      );
  } finally {
    await db.destroy();
  }
  return lines;
}

/** Inserts a row unless it, or what it speaks of, is not there; places in the log are given anew. */
async function insertRow(db: Db, table: string, row: Record<string, unknown>): Promise<boolean> {
  const names = Object.keys(row).filter((name) => name !== 'position');
  const columns = names.map((name) => `"${name}"`).join(', ');
  const parent = ['job', 'shelf_line'].includes(table) ? '' : 'where exists (select 1 from job where id = r.job_id)';
  const { rowCount } = await db.raw<{ rowCount: number }>(
    `insert into ${table} (${columns}) select ${columns} from jsonb_populate_record(null::${table}, ?::jsonb) r ${parent}
     on conflict do nothing`,
    [JSON.stringify(row)],
  );
  return rowCount > 0;
}

/** Drops what restores and tries that were killed left half made; one that is being filled right now is in use and stays. */
async function sweepHalfMade(url: string): Promise<void> {
  await connected(admin(url), async (client) => {
    const name = databaseOf(url).replaceAll('_', '\\_');
    const { rows } = await client.query<{ name: string }>(
      `select datname as name from pg_database where (datname like $1 or datname like $2)
       and not exists (select 1 from pg_stat_activity where pg_stat_activity.datname = pg_database.datname)`,
      [`${name}\\_new\\_%`, `${name}\\_drill\\_%`],
    );
    for (const { name: half } of rows) await client.query(`drop database if exists "${half}"`).catch(() => undefined);
  });
}

/** Databases of benches from before a restore, oldest first. */
export async function keptBenches(url: string): Promise<string[]> {
  const like = `${databaseOf(url)}_before_%`;
  return connected(admin(url), async (client) => {
    const { rows } = await client.query<{ name: string }>(
      'select datname as name from pg_database where datname like $1 order by 1',
      [like.replaceAll('_', '\\_')],
    );
    return rows.map((row) => row.name);
  });
}

/** Drops them. */
export async function forgetKept(url: string): Promise<string[]> {
  const names = await keptBenches(url);
  for (const name of names) await dropDatabase(url, name);
  return names;
}
