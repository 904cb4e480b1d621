/**
 * Every test, from nothing: lint, types, dependency rules, unit, API on a real PostgreSQL, browser. A page waits a sixth of
 * its time and, where it lives by the clock, two thirds: the browser's tests have the cores first, and all others take what
 * they leave.
 * Closes with "N passed, N failed" alone, summed from what the runners counted themselves.
 * `--only PART` runs one part (`--grep WORDS` some of its browser tests); `--keep` leaves the test database's folder for a look.
 */
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { stripVTControlCharacters } from 'node:util';
import { ensureBuilt, PAGE_DIR, SERVER_ENTRY } from './lib/build.mjs';
import { ensureChromium, ensureNpm, ensurePostgres } from './lib/install.mjs';
import { startPostgres } from './lib/postgres.mjs';
import { CACHE, inOnePiece, openly, ROOT } from './lib/run.mjs';
import { plainly, step } from './lib/say.mjs';

const bin = (name) => join(ROOT, 'node_modules', '.bin', name);
const only = process.argv.includes('--only') ? process.argv[process.argv.indexOf('--only') + 1] : null;
const grep = process.argv.includes('--grep') ? process.argv[process.argv.indexOf('--grep') + 1] : null;
/** What `--only` calls each part. */
const partOf = (name) => (name === 'live' ? 'browser' : name);
const COUNTS = join(CACHE, 'counts');
/** `failed`: each with why; a runner's output may be far above the end. */
const totals = { passed: 0, failed: [] };

/**
 * Runs one part. A part without a runner's count adds one failure when it ends red. `beside`: what it says comes in one
 * piece; `standsBack`: it takes what the others leave of the cores.
 */
async function part(name, command, args, { counted = false, beside = false, standsBack = false, env = {} } = {}) {
  if (only && only !== partOf(name)) return;
  if (!beside) console.log(`\n── ${name} ──`);
  const from = Date.now();
  const file = join(COUNTS, `${name}.json`);
  rmSync(file, { force: true });
  const called = standsBack ? ['nice', ['-n', '10', command, ...args]] : [command, args];
  const code = await (beside ? inOnePiece : openly)(...called, {
    env: { ...process.env, NO_COLOR: '1', FORCE_COLOR: '0', COUNTS_FILE: file, ...env },
  });
  const { passed, failed } = counted ? readCounts(file) : { passed: 0, failed: [] };
  const ranNothing = counted && passed + failed.length === 0;
  if ((code !== 0 && failed.length === 0) || ranNothing) failed.push(`ended with ${code}`);
  totals.passed += passed;
  totals.failed.push(...failed.map((one) => `${name}: ${one}`));
  console.log(`── ${name}: ${failed.length === 0 ? 'right' : 'FAILED'} (${((Date.now() - from) / 1000).toFixed(0)} s)`);
}

/** Runs these two at a time, in their order. */
async function sideBySide(...works) {
  const lane = async () => {
    for (let next = works.shift(); next; next = works.shift()) await next();
  };
  await Promise.all([lane(), lane()]);
}

/** The first lines of what a failed test said. */
const short = (said) => `  ${stripVTControlCharacters(said).trim().split('\n').slice(0, 20).join('\n    ')}`;

function readCounts(file) {
  return existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : { passed: 0, failed: [] };
}

const needsDatabase = !only || ['api', 'browser'].includes(only);
const needsBrowser = !only || only === 'browser';

await plainly(async () => {
  await ensureNpm();
  if (needsDatabase) await ensurePostgres();
  if (needsBrowser) await ensureChromium();
  mkdirSync(COUNTS, { recursive: true });
  // What did not change since the last run is known. The rules come after: they plant files that the types must not see.
  const kept = (name) => ['--cache', '--cache-strategy', 'content', '--cache-location', join(CACHE, name)];
  const beside = (...named) => part(...named, { beside: true });
  await sideBySide(
    () => beside('lint', bin('eslint'), ['.', '--max-warnings', '0', ...kept('eslint')]),
    () => beside('types', process.execPath, ['scripts/types.mjs']),
    () => beside('format', bin('prettier'), ['--check', '--log-level', 'warn', '.', ...kept('prettier')]),
    () => beside('compiled loops', process.execPath, ['scripts/kernel.mjs', '--check']),
    () => needsDatabase && ensureBuilt(),
  );
  await part('rules', process.execPath, ['scripts/deps.mjs']);
  await (needsDatabase ? withDatabase(onDatabase) : unit());
  if (totals.failed.length > 0) console.log(['', 'Failed:', ...totals.failed.map(short)].join('\n'));
  console.log(`\n${totals.passed} passed, ${totals.failed.length} failed`);
  process.exitCode = totals.failed.length > 0 || totals.passed === 0 ? 1 : 0;
});

async function unit(more = {}) {
  const projects = ['core', 'contract', 'cli', 'scripts', 'web', 'web-apart'].flatMap((name) => ['--project', name]);
  await part('unit', bin('vitest'), ['run', ...projects], { counted: true, ...more });
}

/** The browser's tests of these projects; those of some words only where words were given. */
async function browser(name, projects, env, more = {}) {
  const chosen = projects.flatMap((project) => ['--project', project]);
  const args = ['test', '--config', 'e2e/playwright.config.ts', '--no-deps', ...chosen];
  await part(name, bin('playwright'), grep ? [...args, '--grep', grep] : args, {
    counted: true,
    env: { ...env, SERVER_ENTRY, PAGE_DIR },
    ...more,
  });
}

/** What needs the database: the browser's tests, and beside them the unit tests and the API's. */
async function onDatabase(env) {
  if (grep) return browser('browser', ['beside', 'live'], env);
  const pages = async () => {
    // By themselves they are told as they go.
    await browser('live', ['live'], env, { beside: !only });
    await browser('browser', ['beside'], env, { beside: !only });
  };
  const rest = async () => {
    await unit({ standsBack: true });
    await part('api', bin('vitest'), ['run', '--project', 'server'], { counted: true, env, standsBack: true });
  };
  await Promise.all([pages(), rest()]);
}

/** Gives `work` what leads to a database that ends with it. */
async function withDatabase(work) {
  const dir = mkdtempSync(join(tmpdir(), 'amber-gauge-test-'));
  const database = await step('test database started', () => startPostgres(dir, { unsynced: true }));
  try {
    await work({ TEST_DATABASE_URL: database.url });
  } finally {
    await database.stop();
    if (!process.argv.includes('--keep')) rmSync(dir, { recursive: true, force: true });
  }
}
