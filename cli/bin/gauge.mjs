#!/usr/bin/env node
/** `gauge COMMAND ...`: runs the built command line, built anew when a source is newer than the build. */
import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const ROOT = fileURLToPath(new URL('../../', import.meta.url));
const ENTRY = join(ROOT, 'cli', 'dist', 'main.mjs');
const SOURCES = ['core/src', 'contract/src', 'cli/src', 'cli/vite.config.ts'];

/** Is any source newer than `since` (ms)? Tests do not count. */
function isNewer(path, since) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs > since && !path.includes('.test');
  return readdirSync(path).some((name) => isNewer(join(path, name), since));
}

function build() {
  const vite = join(ROOT, 'node_modules', '.bin', 'vite');
  const run = spawnSync(vite, ['build', '--logLevel', 'error'], { cwd: join(ROOT, 'cli'), encoding: 'utf8' });
  if (run.status !== 0) {
    console.error(`The command line could not be built. Run npm ci in ${ROOT} first.\n${run.stderr ?? ''}`);
    process.exit(1);
  }
}

const built = existsSync(ENTRY) ? statSync(ENTRY).mtimeMs : 0;
// An installed copy may come without its sources: what is built is then run as it is.
const hasSources = existsSync(join(ROOT, 'cli', 'src'));
if (built === 0 || (hasSources && SOURCES.some((source) => isNewer(join(ROOT, source), built)))) build();
await import(pathToFileURL(ENTRY).href);
