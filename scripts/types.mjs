/**
 * Types of every package, each read once: what stands below comes as declarations, and what did not change is kept.
 * By the compiler's present generation; the older one beside it is what linter and dependency rules are made for.
 */
import { join } from 'node:path';
import { openly, ROOT } from './lib/run.mjs';

const compiler = join(ROOT, 'node_modules', 'typescript7', 'bin', 'tsc');
process.exitCode = await openly(process.execPath, [compiler, '-b', ...process.argv.slice(2)]);
