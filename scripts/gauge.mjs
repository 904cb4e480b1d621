/** The core on the command line: `npm run -s gauge -- COMMAND ...`, run where it was called. */
import { ensureNpm } from './lib/install.mjs';

// Progress of a first install must not stand on standard output, where one JSON object is promised.
const write = process.stdout.write.bind(process.stdout);
process.stdout.write = process.stderr.write.bind(process.stderr);
await ensureNpm();
process.stdout.write = write;
process.chdir(process.env.INIT_CWD ?? process.cwd());
await import('../cli/bin/gauge.mjs');
