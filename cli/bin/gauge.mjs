#!/usr/bin/env node
/** `gauge COMMAND ...`: runs the built command line, built anew when a source is newer than the build. */
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout } from 'node:timers/promises';
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

/** Builds it; says what went wrong, and whether it went right. */
function build() {
  const vite = join(ROOT, 'node_modules', '.bin', 'vite');
  const run = spawnSync(vite, ['build', '--logLevel', 'error'], { cwd: join(ROOT, 'cli'), encoding: 'utf8' });
  if (run.status !== 0) {
    console.error(`The command line could not be built. Run npm ci in ${ROOT} first.\n${run.stderr ?? ''}`);
  }
  return run.status === 0;
}

/** Builds that take longer than this (ms) were stopped midway; their lock is no one's any more. */
const LOCK_STALE_MS = 120_000;

/** Gone already is gone as well: another may have found it stale. */
const release = (lock) => rmSync(lock, { recursive: true, force: true });

/** Is the lock still held by a build under way? */
function isHeld(lock) {
  const stat = statSync(lock, { throwIfNoEntry: false });
  if (stat && Date.now() - stat.mtimeMs > LOCK_STALE_MS) release(lock);
  return stat !== undefined;
}

/** An installed copy may come without its sources: what is built is then run as it is. */
function isStale() {
  const built = statSync(ENTRY, { throwIfNoEntry: false })?.mtimeMs ?? 0;
  const hasSources = existsSync(join(ROOT, 'cli', 'src'));
  return built === 0 || (hasSources && SOURCES.some((source) => isNewer(join(ROOT, source), built)));
}

/** Of several started at once one builds and the others wait: a build empties what they would be reading. */
async function buildOnce() {
  const lock = join(ROOT, 'cli', '.building');
  for (;;) {
    if (isHeld(lock)) await setTimeout(100);
    else if (!isStale()) return;
    else
      try {
        mkdirSync(lock);
        break;
      } catch (error) {
        if (error.code !== 'EEXIST') throw error;
      }
  }
  const done = !isStale() || build();
  release(lock);
  if (!done) process.exit(1);
}
await buildOnce();
await import(pathToFileURL(ENTRY).href);
