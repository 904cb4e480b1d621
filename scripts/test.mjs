/**
 * Every test, from nothing: lint, types, dependency rules, unit, API on a real PostgreSQL, browser.
 * Closes with "N passed, N failed" alone, summed from what the runners counted themselves.
 * `--only PART` runs one part (`--grep WORDS` some of its browser tests); `--keep` leaves the test database's folder for a look.
 */
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuilt, PAGE_DIR, SERVER_ENTRY } from './lib/build.mjs';
import { ensureChromium, ensureNpm, ensurePostgres } from './lib/install.mjs';
import { startPostgres } from './lib/postgres.mjs';
import { CACHE, inOnePiece, openly, ROOT } from './lib/run.mjs';
import { plainly, step } from './lib/say.mjs';

const bin = (name) => join(ROOT, 'node_modules', '.bin', name);
const only = process.argv.includes('--only') ? process.argv[process.argv.indexOf('--only') + 1] : null;
const grep = process.argv.includes('--grep')
  ? ['--no-deps', '--grep', process.argv[process.argv.indexOf('--grep') + 1]]
  : [];
const COUNTS = join(CACHE, 'counts');
const totals = { passed: 0, failed: 0 };
const failedParts = [];

/** Runs one part. A part without a runner's count adds one failure when it ends red. */
async function part(name, command, args, { counted = false, beside = false, env = {} } = {}) {
  if (only && only !== name) return;
  if (!beside) console.log(`\n── ${name} ──`);
  const from = Date.now();
  const file = join(COUNTS, `${name}.json`);
  rmSync(file, { force: true });
  const code = await (beside ? inOnePiece : openly)(command, args, {
    env: { ...process.env, NO_COLOR: '1', FORCE_COLOR: '0', COUNTS_FILE: file, ...env },
  });
  const counts = counted ? readCounts(file) : { passed: 0, failed: 0 };
  const ranNothing = counted && counts.passed + counts.failed === 0;
  if ((code !== 0 && counts.failed === 0) || ranNothing) counts.failed += 1;
  if (counts.failed > 0) failedParts.push(name);
  totals.passed += counts.passed;
  totals.failed += counts.failed;
  console.log(
    `── ${name}: ${code === 0 && counts.failed === 0 ? 'right' : 'FAILED'} (${((Date.now() - from) / 1000).toFixed(0)} s)`,
  );
}

/** Runs these parts two at a time, in their order. */
async function sideBySide(...parts) {
  const lane = async () => {
    for (let next = parts.shift(); next; next = parts.shift()) await part(...next, { beside: true });
  };
  await Promise.all([lane(), lane()]);
}

function readCounts(file) {
  return existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : { passed: 0, failed: 0 };
}

const needsDatabase = () => !only || ['api', 'browser'].includes(only);
const needsBrowser = () => !only || only === 'browser';

await plainly(async () => {
  await ensureNpm();
  if (needsDatabase()) await ensurePostgres();
  if (needsBrowser()) await ensureChromium();
  mkdirSync(COUNTS, { recursive: true });
  // A core each; what did not change since the last run is known. The rules come after: they plant files that the types must not see.
  const kept = (name) => ['--cache', '--cache-strategy', 'content', '--cache-location', join(CACHE, name)];
  await sideBySide(
    ['lint', bin('eslint'), ['.', '--max-warnings', '0', ...kept('eslint')]],
    ['types', process.execPath, ['scripts/types.mjs']],
    ['format', bin('prettier'), ['--check', '--log-level', 'warn', '.', ...kept('prettier')]],
    ['compiled loops', process.execPath, ['scripts/kernel.mjs', '--check']],
  );
  await part('rules', process.execPath, ['scripts/deps.mjs']);
  const units = ['core', 'contract', 'cli', 'scripts', 'web', 'web-apart'].flatMap((name) => ['--project', name]);
  await part('unit', bin('vitest'), ['run', ...units], { counted: true });
  if (needsDatabase()) await withDatabase();
  if (failedParts.length > 0) console.log(`\nFailed: ${failedParts.join(', ')}`);
  console.log(`\n${totals.passed} passed, ${totals.failed} failed`);
  process.exitCode = totals.failed > 0 || totals.passed === 0 ? 1 : 0;
});

async function withDatabase() {
  const dir = mkdtempSync(join(tmpdir(), 'amber-gauge-test-'));
  const database = await step('test database started', () => startPostgres(dir, { unsynced: true }));
  const env = { TEST_DATABASE_URL: database.url };
  try {
    await ensureBuilt();
    await part('api', bin('vitest'), ['run', '--project', 'server'], { counted: true, env });
    await part('browser', bin('playwright'), ['test', '--config', 'e2e/playwright.config.ts', ...grep], {
      counted: true,
      env: { ...env, SERVER_ENTRY, PAGE_DIR },
    });
  } finally {
    await database.stop();
    if (!process.argv.includes('--keep')) rmSync(dir, { recursive: true, force: true });
  }
}
