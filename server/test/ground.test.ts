/** The ground: the project's own cluster survives kills. */
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { expect, it } from 'vitest';
import { startPostgres } from '../../scripts/lib/postgres.mjs';
import { connect } from '../src/db/connect.js';

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
