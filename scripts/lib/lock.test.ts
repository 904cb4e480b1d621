import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { lockOwner, takeLock } from './lock.mjs';

const dir = mkdtempSync(join(tmpdir(), 'amber-gauge-lock-'));
afterAll(() => rmSync(dir, { recursive: true }));
const root = new URL('../..', import.meta.url).pathname;

/** Another process that takes the lock, says so and stays until it is killed. */
async function holder(file: string, more: object) {
  const source = `import { takeLock } from '${root}scripts/lib/lock.mjs';
    takeLock('${file}').say(${JSON.stringify(more)}); console.log('held'); setInterval(() => 0, 1000);`;
  const child = spawn(process.execPath, ['--input-type=module', '-e', source], {
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise((resolve) => child.stdout.once('data', resolve));
  return child;
}

describe('the lock of a checkout', () => {
  it('is held by one process, which says where it is, and is anybody’s when that one was killed', async () => {
    const file = join(dir, 'a', 'b', 'started');
    const first = await holder(file, { port: 4750 });
    expect(takeLock(file)).toEqual({ owner: expect.objectContaining({ pid: first.pid, port: 4750 }) as unknown });
    const gone = new Promise((resolve) => first.once('exit', resolve));
    first.kill('SIGKILL');
    await gone;
    expect(lockOwner(file)).toBeNull();
    const own = takeLock(file);
    if (own.owner) throw new Error('not taken');
    expect(lockOwner(file)?.pid).toBe(process.pid);
    own.release();
    expect(existsSync(file)).toBe(false);
  });

  it('is not held by another process that was given the same number', () => {
    const file = join(dir, 'again');
    writeFileSync(file, JSON.stringify({ pid: process.pid, startedAt: '1' }));
    expect(lockOwner(file)).toBeNull();
    for (const damaged of ['', '{"pid":', 'null', '{"pid":"7"}']) {
      writeFileSync(file, damaged);
      expect(lockOwner(file)).toBeNull();
    }
    expect(takeLock(file)).toHaveProperty('release');
  });

  it('says in one sentence where it cannot be written', () => {
    const source = `import { takeLock } from '${root}scripts/lib/lock.mjs';
      import { plainly } from '${root}scripts/lib/say.mjs';
      await plainly(() => takeLock('/proc/none/started'));`;
    const run = spawnSync(process.execPath, ['--input-type=module', '-e', source], { encoding: 'utf8' });
    expect(run.status).toBe(1);
    expect(run.stderr.trim()).toMatch(/^\/proc\/none cannot be written \(\w+\)\. Start as .*$/);
  });
});
