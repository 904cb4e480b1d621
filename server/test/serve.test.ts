/** A server from its settings: what it makes ready, what it says when it cannot, and that nothing is left behind. */
import { settingsSchema } from '@amber-gauge/contract';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { postgresBin } from '../../scripts/lib/install.mjs';
import { NotStarted, serve, type Served, type Settings } from '../src/serve.js';
import { harness, type Harness } from './harness.js';

const quiet = pino({ level: 'silent' });
let h: Harness;
let dir: string;
let served: Served | null = null;
beforeEach(async () => {
  h = await harness();
  dir = mkdtempSync(join(tmpdir(), 'served-'));
});
afterEach(async () => {
  await served?.stop();
  served = null;
  await h.close();
  rmSync(dir, { recursive: true });
});

const settings = (more: Partial<Settings> = {}): Settings => ({
  databaseUrl: h.url,
  ownerUrl: h.url,
  port: 0,
  pageDir: null,
  seedDemo: false,
  printed: new URL('../dist/printed.mjs', import.meta.url),
  pgBin: null,
  backupDir: null,
  ...more,
});
const start = async (more: Partial<Settings> = {}) => (served = await serve(settings(more), quiet));
const get = async (path: string) =>
  (await fetch(`http://127.0.0.1:${served?.port}/api/v1${path}`)).json() as Promise<unknown>;
const jobs = async () => Number((await h.db('job').count<{ n: string }[]>('* as n'))[0]?.n);

describe('a server', () => {
  it('answers on a port of its own, with the demo where it was asked for, and lets go of the database', async () => {
    await start({ seedDemo: true });
    expect(await jobs()).toBeGreaterThan(3);
    expect(settingsSchema.parse(await get('/settings')).hasDemo).toBe(true);
    // Nobody told it where backups go: it says that it keeps none.
    expect(await get('/backups')).toBeNull();
    const there = async () =>
      (
        (await h.db.raw('select count(*)::int as n from pg_stat_activity where datname = current_database()')) as {
          rows: { n: number }[];
        }
      ).rows[0]?.n ?? 0;
    const during = await there();
    await served?.stop();
    const port = served?.port;
    served = null;
    expect(await there()).toBeLessThan(during);
    await expect(fetch(`http://127.0.0.1:${port}/healthz`)).rejects.toThrow();
  });

  it('takes the port it was told, and brings no demo where none was asked for', async () => {
    const free = await new Promise<number>((resolve) => {
      const probe = createServer().listen(0, '127.0.0.1', () => {
        const { port } = probe.address() as AddressInfo;
        probe.close(() => resolve(port));
      });
    });
    await start({ port: free });
    expect(served?.port).toBe(free);
    expect(await jobs()).toBe(0);
  });

  it('says in one sentence that the port is taken, or that there is no database', async () => {
    await start();
    const again = await serve(settings({ port: served?.port ?? 0 }), quiet).catch((error: unknown) => error);
    expect(again).toBeInstanceOf(NotStarted);
    expect(again).toMatchObject({ code: 'EADDRINUSE', log: 'cannot listen' });
    const nowhere = h.url.replace(/:\d+\//, ':9/');
    const lost = await serve(settings({ ownerUrl: nowhere }), quiet).catch((error: unknown) => error);
    expect(lost).toBeInstanceOf(NotStarted);
    expect(lost).toMatchObject({ code: 'NO_DATABASE', log: 'no database' });
  });
});

describe('before an upgrade', () => {
  const pgBin = postgresBin() as string;
  const files = () => readdirSync(dir).filter((name) => name.endsWith('.pgdump'));

  it('a backup is made of a bench of an earlier version, and then it is brought up', async () => {
    await h.db.migrate.down();
    await start({ pgBin, backupDir: dir });
    expect(files()).toHaveLength(1);
    expect(files()[0]).toMatch(/before-upgrade\.pgdump$/);
    expect(await h.db.migrate.list().then(([, waiting]) => (waiting as unknown[]).length)).toBe(0);
    expect(await get('/backups')).toMatchObject({ kept: 1, busy: false, trouble: null, drill: null });
  });

  it('none is made of one that is up to date, and none where either of tools and folder is missing', async () => {
    await start({ pgBin, backupDir: dir });
    expect(files()).toEqual([]);
    expect(await get('/backups')).toMatchObject({ newest: null, kept: 0 });
    await served?.stop();
    for (const half of [
      { pgBin, backupDir: null },
      { pgBin: null, backupDir: dir },
    ]) {
      await h.db.migrate.down();
      await start(half);
      expect(files()).toEqual([]);
      expect(await get('/backups')).toBeNull();
      await served?.stop();
    }
    served = null;
  });
});
