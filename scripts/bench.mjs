/** Runs a benchmark by name, with what it needs: packages, and a cluster of its own for those of the server. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuilt } from './lib/build.mjs';
import { ensureChromium, ensureNpm, ensurePostgres } from './lib/install.mjs';
import { startPostgres } from './lib/postgres.mjs';
import { openly, ROOT } from './lib/run.mjs';
import { plainly } from './lib/say.mjs';

const [name, ...args] = process.argv.slice(2);
const tsx = join(ROOT, 'node_modules', '.bin', 'tsx');
const file = join(ROOT, 'benchmarks', `${name}.ts`);

async function onItsOwnServer() {
  await ensurePostgres();
  await ensureChromium();
  await ensureBuilt();
  const dir = mkdtempSync(join(tmpdir(), 'amber-gauge-benchmark-'));
  const database = await startPostgres(dir);
  try {
    return await openly(tsx, [file, ...args], { env: { ...process.env, TEST_DATABASE_URL: database.url } });
  } finally {
    await database.stop();
    rmSync(dir, { recursive: true, force: true });
  }
}

await plainly(async () => {
  await ensureNpm();
  process.exitCode = name === 'scale' ? await onItsOwnServer() : await openly(tsx, [file, ...args]);
});
