/**
 * Do the tests bite? Changes of logic are drawn and written into a copy of the tree, asleep. All tests are run once
 * to see which come to which change; then one change at a time is woken and those tests are run. A change that none
 * of them notices is shown with its place, to be judged by hand (some changes are no change at all).
 * `npm run mutate -- [--rung core|contract|cli|web|server] [--count N] [--seed N] [--file PART] [--at-once N]`
 * `--quick` asks the tests beside a change and the short ones alone: what lives there wants a test of its own.
 * `--reach` wakes none and lists the lines of logic that no test comes to; `--browser` (of the web) shows what lived to the
 * browser's tests too.
 */
import { spawn } from 'node:child_process';
import {
  cpSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { parseArgs } from 'node:util';
import { ensureChromium, ensureNpm, ensurePostgres } from './lib/install.mjs';
import { changesOf, numbers, sourcesBelow, withChanges } from './lib/mutants.mjs';
import { askBrowser } from './lib/mutateBrowser.mjs';
import { startPostgres } from './lib/postgres.mjs';
import { ROOT } from './lib/run.mjs';
import { Plain, plainly } from './lib/say.mjs';

/** A mutated test that runs longer than this hangs: that is noticed too, seconds. */
const LONGEST_S = 900;
/** Tests are asked in groups of about so many seconds. */
const LONG_S = 15;
/** One process reads the sources once for all of a group. */
const BAIL = ['--bail', '1', '--reporter', 'dot', '--maxWorkers', '1'];
const RUNGS = ['core', 'contract', 'cli', 'web', 'server'];
/** Whose tests are run for a rung: the contract is held by the server's too. */
const TESTS = {
  core: ['core'],
  contract: ['contract', 'server'],
  cli: ['cli'],
  web: ['web', 'web-apart'],
  server: ['server'],
};
/** A copy of what tests need; packages are shared. */
function copyOfTree() {
  const dir = mkdtempSync(join(tmpdir(), 'amber-gauge-mutate-'));
  const skipped = new Set(['node_modules', '.git', '.data', '.cache', 'docs']);
  for (const name of readdirSync(ROOT)) {
    if (skipped.has(name)) continue;
    cpSync(join(ROOT, name), join(dir, name), {
      recursive: true,
      filter: (path) => !/node_modules|e2e\/results/.test(path.slice(ROOT.length)),
    });
  }
  // Packages are shared, but for our own: those are the copy's.
  const modules = join(dir, 'node_modules');
  mkdirSync(join(modules, '@amber-gauge'), { recursive: true });
  for (const name of readdirSync(join(ROOT, 'node_modules')))
    if (name !== '@amber-gauge') symlinkSync(join(ROOT, 'node_modules', name), join(modules, name));
  for (const rung of RUNGS) {
    symlinkSync(join(dir, rung), join(modules, '@amber-gauge', rung));
    const own = join(ROOT, rung, 'node_modules');
    if (statSync(own, { throwIfNoEntry: false })) symlinkSync(own, join(dir, rung, 'node_modules'));
  }
  return dir;
}

/** Runs these test files, all of the rung's for none; resolves with whether one of them failed. */
function fails(dir, rung, files, env, more = []) {
  const projects = TESTS[rung].flatMap((one) => ['--project', one]);
  const args = ['run', ...files, ...projects, ...more];
  const child = spawn(join(dir, 'node_modules', '.bin', 'vitest'), args, {
    cwd: dir,
    stdio: 'ignore',
    detached: true,
    env: { ...process.env, ...env, NO_COLOR: '1', CI: 'true' },
  });
  return new Promise((resolve) => {
    const late = setTimeout(() => process.kill(-child.pid, 'SIGKILL'), 1000 * LONGEST_S);
    child.on('exit', (code) => {
      clearTimeout(late);
      resolve(code !== 0);
    });
  });
}

/**
 * Which test files come to which change, and how long each takes, seconds: all tests are run once with every
 * change asleep, each file with modules of its own, so that what is reckoned once is reckoned for each.
 */
async function reach(dir, rung, env) {
  const [reached, report] = [join(dir, 'reached'), join(dir, 'report.json')];
  writeFileSync(reached, '');
  const more = ['--isolate', '--reporter', 'json', '--outputFile', report];
  if (await fails(dir, rung, [], { ...env, REACHED: reached }, more))
    throw new Plain('Tests fail with nothing changed: mend that first.');
  const { testResults } = JSON.parse(readFileSync(report, 'utf8'));
  const took = new Map(testResults.map(({ name, startTime, endTime }) => [name, (endTime - startTime) / 1000]));
  const files = new Map();
  for (const line of readFileSync(reached, 'utf8').split('\n').filter(Boolean)) {
    const [number, ...name] = line.split(' ');
    // A process of its own cannot say whose test it is: then all are asked.
    const who = name.join(' ') === '' ? [...took.keys()] : [name.join(' ')];
    files.set(Number(number), new Set([...(files.get(Number(number)) ?? []), ...who]));
  }
  return { took, files };
}

/** The tests beside the file first, where a change is mostly noticed, then the quick ones, then all that come to it. */
async function noticed(dir, rung, change, { took, files }, env, alone) {
  const own = dirname(change.path.slice(ROOT.length));
  const mine = [...(files.get(change.number) ?? [])].sort((a, b) => (took.get(a) ?? 0) - (took.get(b) ?? 0));
  const near = mine.filter((name) => dirname(name.slice(dir.length)) === own && (took.get(name) ?? 0) < LONG_S);
  const rest = mine.filter((name) => !near.includes(name));
  let spent = 0;
  const quick = rest.filter((name) => (spent += took.get(name) ?? 0) < LONG_S);
  const slow = rest.filter((name) => !quick.includes(name));
  for (const group of alone ? [[...near, ...quick]] : [[...near, ...quick], slow])
    if (group.length > 0 && (await fails(dir, rung, group, { ...env, CHANGED: String(change.number) }, BAIL)))
      return true;
  return false;
}

/** A sample of all changes, numbered, the same for the same seed. */
async function sample({ rung, count, seed, file }) {
  const { default: ts } = await import('typescript');
  const all = sourcesBelow(join(ROOT, rung, 'src'))
    .filter((path) => path.includes(file))
    .flatMap((path) => changesOf(ts, path));
  const next = numbers(seed);
  return Array.from(
    { length: Math.min(count, all.length) },
    () => all.splice(Math.floor(next() * all.length), 1)[0],
  ).map((change, i) => ({ ...change, number: i + 1 }));
}

/** The lines of logic that no test comes to: no change there can be noticed. */
function tellReach(rung, chosen, { files }) {
  const missed = chosen.filter(({ number }) => !files.has(number));
  const places = new Set(missed.map(placeOf));
  for (const place of [...places].sort()) console.log(place);
  console.log(`\n${rung}: tests come to ${chosen.length - missed.length} of ${chosen.length} changes`);
}

const placeOf = ({ path, line }) => `${path.slice(ROOT.length + 1)}:${line}`;

function tell(change, caught, by) {
  const [was, instead] = [change.was, change.instead].map((one) => one.replace(/\s+/g, ' ').slice(0, 60));
  console.log(`${caught ? 'noticed ' : 'LIVED   '} ${placeOf(change)}  ${was}  →  ${instead}  (${by})`);
}

/** Asks the unit tests of each change; gives back those that lived. */
async function askUnits(dir, { rung, atOnce, quick }, chosen, reached, env) {
  const waiting = [...chosen];
  const lived = [];
  const work = async () => {
    for (let change = waiting.shift(); change; change = waiting.shift()) {
      const caught = await noticed(dir, rung, change, reached, env, quick);
      if (!caught) lived.push(change);
      tell(change, caught, `${reached.files.get(change.number)?.size ?? 0} files come to it`);
    }
  };
  await Promise.all(Array.from({ length: atOnce }, work));
  return lived;
}

async function mutate(wish, env) {
  const { rung, seed } = wish;
  const chosen = await sample(wish);
  const dir = copyOfTree();
  const total = (lived, by) => {
    const caught = chosen.length - lived.length;
    const share = (100 * caught) / Math.max(1, chosen.length);
    console.log(`\n${rung}, seed ${seed}: ${caught} of ${chosen.length} noticed${by} (${share.toFixed(0)} %)`);
  };
  try {
    const wake = join(dir, 'scripts', 'lib', 'wake.mjs');
    for (const path of new Set(chosen.map((one) => one.path))) {
      const own = chosen.filter((one) => one.path === path);
      writeFileSync(join(dir, path.slice(ROOT.length)), withChanges(own[0].text, own, wake));
    }
    const reached = await reach(dir, rung, env);
    if (wish.reach) return tellReach(rung, chosen, reached);
    const lived = await askUnits(dir, wish, chosen, reached, env);
    total(lived, wish.quick ? ' by the quick tests' : rung === 'web' ? ' by the unit tests' : '');
    if (!wish.browser || lived.length === 0) return;
    console.log('');
    const left = new Set(lived);
    await askBrowser(dir, lived, env, (change, caught, tests) => {
      if (caught) left.delete(change);
      tell(change, caught, `${tests} browser tests come to it`);
    });
    total([...left], ' by unit or browser tests');
  } finally {
    rmSync(dir, { recursive: true, force: true });
  }
}

await plainly(async () => {
  const { values } = parseArgs({
    options: {
      rung: { type: 'string', default: 'core' },
      count: { type: 'string', default: '40' },
      seed: { type: 'string', default: '1' },
      file: { type: 'string', default: '' },
      'at-once': { type: 'string', default: '1' },
      reach: { type: 'boolean', default: false },
      quick: { type: 'boolean', default: false },
      browser: { type: 'boolean', default: false },
    },
  });
  const wish = {
    ...values,
    count: values.reach ? Infinity : Number(values.count),
    seed: Number(values.seed),
    atOnce: Number(values['at-once']),
  };
  if (!RUNGS.includes(wish.rung)) throw new Plain(`There is no rung “${wish.rung}”. Rungs: ${RUNGS.join(', ')}.`);
  if (wish.browser && wish.rung !== 'web')
    throw new Plain("--browser asks the browser's tests of the page: --rung web.");
  await ensureNpm();
  if (!TESTS[wish.rung].includes('server') && !wish.browser) return mutate(wish, {});
  if (wish.browser) await ensureChromium();
  await ensurePostgres();
  const dir = mkdtempSync(join(tmpdir(), 'amber-gauge-mutate-db-'));
  const database = await startPostgres(dir, { unsynced: true });
  try {
    await mutate(wish, { TEST_DATABASE_URL: database.url });
  } finally {
    await database.stop();
    rmSync(dir, { recursive: true, force: true });
  }
});
