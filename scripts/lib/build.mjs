/** Builds page and server when their sources changed since the last build. */
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { CACHE, quietly, ROOT } from './run.mjs';
import { step } from './say.mjs';

const SOURCES = [
  'core/src',
  'contract/src',
  'server/src',
  'server/vite.config.ts',
  'web/src',
  'web/index.html',
  'web/vite.config.ts',
  'web/public',
  'package-lock.json',
];
const STAMP = join(CACHE, 'built');
export const PAGE_DIR = join(ROOT, 'web', 'dist');
export const SERVER_ENTRY = join(ROOT, 'server', 'dist', 'main.mjs');
export const DATA_ENTRY = join(ROOT, 'server', 'dist', 'data.mjs');

function filesBelow(path) {
  if (!existsSync(path)) return [];
  try {
    return readdirSync(path, { withFileTypes: true })
      .sort((a, b) => (a.name < b.name ? -1 : 1))
      .flatMap((entry) => filesBelow(join(path, entry.name)));
  } catch {
    return [path];
  }
}

function sourceHash() {
  const hash = createHash('sha256').update(process.version);
  for (const source of SOURCES) {
    for (const file of filesBelow(join(ROOT, source))) {
      if (/\.test\.tsx?$/.test(file)) continue;
      hash.update(file.slice(ROOT.length)).update(readFileSync(file));
    }
  }
  return hash.digest('hex');
}

export async function ensureBuilt() {
  const wanted = sourceHash();
  const built = existsSync(STAMP) && existsSync(SERVER_ENTRY) && existsSync(join(PAGE_DIR, 'index.html'));
  if (built && readFileSync(STAMP, 'utf8') === wanted) return;
  const vite = join(ROOT, 'node_modules', '.bin', 'vite');
  await step('page built', () => quietly(vite, ['build'], { cwd: join(ROOT, 'web'), log: 'build-web' }));
  await step('server built', () => quietly(vite, ['build'], { cwd: join(ROOT, 'server'), log: 'build-server' }));
  mkdirSync(CACHE, { recursive: true });
  writeFileSync(STAMP, wanted);
}
