import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

const root = new URL('../..', import.meta.url).pathname;
const read = (path: string) => readFileSync(root + path, 'utf8');

describe('scripts that must run before anything is installed', () => {
  it('import nothing but Node’s own modules and each other', () => {
    for (const file of [
      'start',
      'test',
      'data',
      'dev',
      'gauge',
      'lib/install',
      'lib/postgres',
      'lib/run',
      'lib/say',
      'lib/build',
      'lib/database',
      'lib/lock',
      'lib/owner',
    ]) {
      const imports = [...read(`scripts/${file}.mjs`).matchAll(/from '([^']+)'/g)].map((match) => match[1]);
      for (const one of imports) expect(one, file).toMatch(/^(node:|\.)/);
    }
  });

  it('say in one line what is missing, without a stack', () => {
    const run = spawnSync(process.execPath, ['scripts/data.mjs', 'juggle'], {
      cwd: root,
      encoding: 'utf8',
      env: { ...process.env, DATABASE_URL: 'postgres://nobody@127.0.0.1:1/none' },
    });
    expect(run.status).toBe(1);
    expect(run.stderr).toContain('Say what to do');
    expect(run.stderr).not.toMatch(/\n\s+at /);
  });

  it('say in one sentence that a port is none', () => {
    const run = spawnSync(process.execPath, ['scripts/start.mjs'], {
      cwd: root,
      encoding: 'utf8',
      env: { ...process.env, PORT: '70000', DATABASE_URL: 'postgres://nobody@127.0.0.1:1/none' },
    });
    expect(run.status).toBe(1);
    expect(run.stderr.trim()).toBe(
      'PORT is “70000”, which is no port. Choose one from 1024 to 65535: PORT=5000 npm start',
    );
  });

  it('leave no download address in the lock file', () => {
    expect(read('package-lock.json')).not.toMatch(/"resolved":\s*"https?:/);
  });
});
