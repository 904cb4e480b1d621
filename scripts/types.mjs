/** Types of every package, each read once: what stands below comes as declarations, and what did not change is kept. */
import { join } from 'node:path';
import { openly, ROOT } from './lib/run.mjs';

process.exitCode = await openly(join(ROOT, 'node_modules', '.bin', 'tsc'), ['-b', ...process.argv.slice(2)]);
