/** The ground: the project's own cluster survives kills, backup and restore give back what was there. */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import request from 'supertest';
import { expect, it } from 'vitest';
import { startPostgres } from '../../scripts/lib/postgres.mjs';
import { seedDemoOnce } from '../src/demo/seed.js';
import { connect } from '../src/db/connect.js';
import { harness, newJob, type Harness } from './harness.js';

const TABLES = ['setting', 'tone_source', 'job', 'job_state', 'job_event', 'speed_run', 'recording'];

/** One hash over every row of every table. */
async function contentOf(h: Pick<Harness, 'db'>): Promise<string> {
  const hash = createHash('sha256');
  for (const table of TABLES) {
    const { rows } = await h.db.raw(`select t::text as row from ${table} t order by 1`);
    hash.update(table + rows.map((row: { row: string }) => row.row).join('\n'));
  }
  return hash.digest('hex');
}

it('a backup restored is equal to what was backed up', async () => {
  const h = await harness();
  const dir = mkdtempSync(join(tmpdir(), 'backup-'));
  const data = (...args: string[]) =>
    spawnSync(process.execPath, ['scripts/data.mjs', ...args], {
      encoding: 'utf8',
      env: { ...process.env, DATABASE_URL: h.url, BACKUP_DIR: dir },
    });
  await seedDemoOnce(h.db, new Date('2026-03-01T10:00:00Z'));
  const before = await contentOf(h);
  const file = join(dir, 'all.pgdump');
  expect(data('backup', file).status).toBe(0);
  await request(h.app).post('/api/v1/jobs').send(newJob());
  expect(await contentOf(h)).not.toBe(before);
  expect(data('restore', file).status).toBe(0);
  expect(await contentOf(h)).toBe(before);
  const missing = data('restore', join(dir, 'nowhere.pgdump'));
  expect(missing.status).toBe(1);
  expect(missing.stderr).toContain('There is no backup');
  rmSync(dir, { recursive: true });
  await h.close();
});

it('the cluster starts again after a kill, over its stale pid file, with its data', async () => {
  const dir = mkdtempSync(join(tmpdir(), 'cluster-'));
  const first = await startPostgres(dir);
  const db = connect(first.url);
  await db.raw('create table kept (n integer)');
  await db.raw('insert into kept values (7)');
  const adopted = await startPostgres(dir);
  expect(adopted.pid).toBe(first.pid);
  await db.destroy();
  first.kill();
  await wait(300);
  expect(existsSync(join(dir, 'cluster', 'postmaster.pid'))).toBe(true);
  const second = await startPostgres(dir);
  const again = connect(second.url);
  expect((await again.raw('select n from kept')).rows).toEqual([{ n: 7 }]);
  await again.destroy();
  await second.stop();
  expect(existsSync(join(dir, 'cluster', 'postmaster.pid'))).toBe(false);
  rmSync(dir, { recursive: true });
});
