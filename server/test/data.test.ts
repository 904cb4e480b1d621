/** The bench's data as a whole, as the scripts ask for it: what is said, and how it ends. */
import { execFile } from 'node:child_process';
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { postgresBin } from '../../scripts/lib/install.mjs';
import { keptBenches } from '../src/backup/restore.js';
import { harness, type Harness, line, newJob, note, sent } from './harness.js';

let h: Harness;
let dir: string;
beforeAll(async () => {
  h = await harness();
  dir = mkdtempSync(join(tmpdir(), 'data-'));
  const wish = newJob();
  await request(h.app).post('/api/v1/jobs').send(wish).expect(201);
  const events = ['one', 'two', 'three'].map((text) => line(note(text)));
  await sent(h.app, wish.id, events).expect(201);
});
afterAll(async () => {
  await h.close();
  rmSync(dir, { recursive: true });
});

const program = fileURLToPath(new URL('../src/data.ts', import.meta.url));
/** Runs one command; what it said and how it ended. */
const run = (args: readonly string[], env: object = { DATABASE_URL: h.url, PG_BIN: postgresBin() }) =>
  new Promise<{ code: number; out: string; wrong: string }>((resolve) => {
    const { DATABASE_URL: _url, PG_BIN: _bin, ...rest } = process.env;
    execFile(
      process.execPath,
      ['--import', 'tsx', program, ...args],
      { env: { ...rest, ...env } },
      (error, out, wrong) => resolve({ code: error ? Number(error.code ?? 1) : 0, out: out.trim(), wrong }),
    );
  });

describe('the data of the bench', () => {
  it('are backed up and brought back, and each says what it did in one line', async () => {
    const file = join(dir, 'now.pgdump');
    const made = await run(['backup', file]);
    expect([made.code, made.out]).toEqual([
      0,
      expect.stringMatching(/^Backed up 1 jobs, 3 lines, 0 runs, 0 photos to .*now\.pgdump \(0\.\d MB\)\.$/),
    ]);
    expect(existsSync(file)).toBe(true);
    const back = await run(['restore', file]);
    expect(back.code).toBe(0);
    // Nothing came in meanwhile: nothing is said of it.
    expect(back.out.split('\n')).toEqual([
      `Restored from ${file}.`,
      expect.stringMatching(
        /^The bench from before is kept as database .*To be rid of it: npm run restore -- --forget$/,
      ),
    ]);
    const kept = await keptBenches(h.url);
    expect(kept).toHaveLength(1);
    const gone = await run(['restore', '--forget']);
    expect([gone.code, gone.out]).toEqual([0, `Dropped ${kept.join(', ')}.`]);
    expect((await run(['restore', '--forget'])).out).toBe('No bench from before a restore is kept.');
  }, 120_000);

  it('what cannot be is said in a sentence and ends with a failure; so does what was not understood', async () => {
    const [none, strange, without] = await Promise.all([
      run(['restore', join(dir, 'missing.pgdump')]),
      run(['polish']),
      run(['backup', join(dir, 'x.pgdump')], { DATABASE_URL: h.url }),
    ]);
    expect(none.code).not.toBe(0);
    expect(none.wrong).not.toMatch(/\n\s+at /);
    expect(none.wrong.trim()).not.toBe('');
    expect([strange.code === 0, strange.wrong]).toEqual([false, expect.stringContaining('no such command: polish')]);
    expect([without.code === 0, without.wrong]).toEqual([false, expect.stringContaining('PG_BIN are not set')]);
  }, 120_000);
});
