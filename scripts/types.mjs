/** Types of every package, two at a time. */
import { join } from 'node:path';
import { openly, ROOT } from './lib/run.mjs';

const PACKAGES = ['core', 'contract', 'server', 'web', 'web/tsconfig.worklet.json', 'cli', 'e2e', 'benchmarks'];
const tsc = join(ROOT, 'node_modules', '.bin', 'tsc');
const waiting = [...PACKAGES];
let failed = 0;

async function worker() {
  for (let name = waiting.shift(); name; name = waiting.shift()) {
    if ((await openly(tsc, ['-p', name])) !== 0) failed++;
  }
}
await Promise.all([worker(), worker()]);
if (failed > 0) console.error(`${failed} package(s) do not type-check`);
process.exitCode = failed > 0 ? 1 : 0;
