/** Runs one of the benchmarks by its name: `node scripts/bench.mjs fuzz-run 10000`. */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensureNpm } from './lib/install.mjs';
import { ROOT } from './lib/run.mjs';

const [name, ...rest] = process.argv.slice(2);
await ensureNpm();
const file = join(ROOT, 'benchmarks', `${name}.ts`);
const run = spawnSync(process.execPath, ['--import', 'tsx', file, ...rest], { stdio: 'inherit', cwd: ROOT });
process.exitCode = run.status ?? 1;
