/** Making backups: consistent, complete before it has its name, for the owner's eyes alone. */
import { chmod, mkdir, open, readdir, rename, rm, stat, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import type pg from 'pg';
import { hashOf, MANIFEST_FORMAT, manifestOf, manifestPath, type Manifest } from './manifest.js';
import { connected, tool, type Place } from './tools.js';

/** Rows by table of the schema, and the migrations it has been through. */
export async function contentsOf(client: pg.Client): Promise<Pick<Manifest, 'counts' | 'migrations'>> {
  const tables = await client.query<{ name: string }>(
    `select tablename as name from pg_tables where schemaname = 'public' order by 1`,
  );
  const counts: Record<string, number> = {};
  for (const { name } of tables.rows) {
    const { rows } = await client.query<{ n: string }>(`select count(*) as n from "${name}"`);
    counts[name] = Number(rows[0]?.n);
  }
  const { rows } = await client.query<{ name: string }>('select name from migration order by id');
  return { counts, migrations: rows.map((row) => row.name) };
}

/** Writes everything to `file` and its manifest beside it. Dump and counts see the same moment. */
export async function makeBackup(place: Place, file: string, now: Date): Promise<Manifest> {
  await mkdir(dirname(file), { recursive: true });
  const partial = `${file}.partial`;
  await writeFile(partial, '', { mode: 0o600 });
  await chmod(partial, 0o600);
  try {
    const contents = await connected(place.url, async (client) => {
      await client.query('begin isolation level repeatable read, read only');
      const { rows } = await client.query<{ id: string }>('select pg_export_snapshot() as id');
      const found = await contentsOf(client);
      const snapshot = `--snapshot=${rows[0]?.id}`;
      const database = new URL(place.url).pathname.slice(1);
      await tool(place, 'pg_dump', [
        '--format=custom',
        '--no-owner',
        '--no-acl',
        snapshot,
        '--file',
        partial,
        database,
      ]);
      await client.query('commit');
      return found;
    });
    await flushed(partial);
    const manifest: Manifest = {
      format: MANIFEST_FORMAT,
      madeAt: now.toISOString(),
      ...contents,
      bytes: (await stat(partial)).size,
      sha256: await hashOf(partial),
    };
    await writeFile(`${manifestPath(file)}.partial`, `${JSON.stringify(manifest, null, 2)}\n`, { mode: 0o600 });
    await rename(partial, file);
    await rename(`${manifestPath(file)}.partial`, manifestPath(file));
    return manifest;
  } finally {
    await rm(partial, { force: true });
    await rm(`${manifestPath(file)}.partial`, { force: true });
  }
}

async function flushed(file: string): Promise<void> {
  const handle = await open(file, 'r+');
  await handle.sync();
  await handle.close();
}

/** A backup that stands whole in a folder. */
export interface KeptBackup {
  readonly file: string;
  readonly manifest: Manifest;
}

/** Whole backups of `dir`, newest first. */
export async function backupsIn(dir: string): Promise<KeptBackup[]> {
  const names = await readdir(dir).catch(() => []);
  const found: KeptBackup[] = [];
  for (const name of names.filter((one) => one.endsWith('.pgdump'))) {
    const file = join(dir, name);
    const manifest = await manifestOf(file).catch(() => null);
    if (manifest) found.push({ file, manifest });
  }
  return found.sort((a, b) => (a.manifest.madeAt < b.manifest.madeAt ? 1 : -1));
}

/** Name of a backup made by itself; only such are thinned out. */
export const dailyName = (now: Date): string => `${now.toISOString().slice(0, 19).replace(/:/g, '-')}-daily.pgdump`;

const DAILIES_KEPT = 7;
const WEEKLIES_KEPT = 4;
const DAY_MS = 24 * 3600 * 1000;

/** Throws away daily backups beyond the last seven days and the last of each of four weeks. */
export async function thinOut(dir: string): Promise<void> {
  const daily = (await backupsIn(dir)).filter(({ file }) => file.endsWith('-daily.pgdump'));
  const newestOf = (span: number, count: number) => {
    const seen = new Map<number, KeptBackup>();
    for (const one of daily) {
      const part = Math.floor(Date.parse(one.manifest.madeAt) / span);
      if (!seen.has(part) && seen.size < count) seen.set(part, one);
    }
    return [...seen.values()];
  };
  const kept = new Set([...newestOf(DAY_MS, DAILIES_KEPT), ...newestOf(7 * DAY_MS, WEEKLIES_KEPT)]);
  for (const one of daily) {
    if (kept.has(one)) continue;
    await rm(manifestPath(one.file), { force: true });
    await rm(one.file, { force: true });
  }
}

/** Makes the daily backup when the newest one is a day old. */
export async function backUpDaily(place: Place, dir: string, now: Date): Promise<void> {
  const [newest] = await backupsIn(dir);
  if (newest && now.getTime() - Date.parse(newest.manifest.madeAt) < DAY_MS) return;
  await makeBackup(place, join(dir, dailyName(now)), now);
  await thinOut(dir);
}
