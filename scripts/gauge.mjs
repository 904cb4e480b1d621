/** The core on the command line: `npm run -s gauge -- COMMAND ...`. */
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensureNpm } from './lib/install.mjs';
import { ROOT } from './lib/run.mjs';

// Progress of a first install must not stand on standard output, where one JSON object is promised.
const write = process.stdout.write.bind(process.stdout);
process.stdout.write = process.stderr.write.bind(process.stderr);
await ensureNpm();
process.stdout.write = write;
const run = spawnSync(
  process.execPath,
  ['--import', 'tsx', join(ROOT, 'cli', 'src', 'main.ts'), ...process.argv.slice(2)],
  {
    stdio: 'inherit',
    cwd: process.env.INIT_CWD ?? process.cwd(),
    env: { ...process.env, NODE_PATH: join(ROOT, 'node_modules') },
  },
);
process.exitCode = run.status ?? 1;
