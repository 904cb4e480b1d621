/**
 * Asks a rung's tests of many changes, each run by the runner of the tests in a copy of the tree: all tests once to see
 * which file comes to which change, then one change at a time, the quick ones and those beside it first.
 */
import { spawn } from 'node:child_process';
import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  statSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { wakingChanges } from './mutants.mjs';
import { ROOT } from './run.mjs';
import { Plain } from './say.mjs';

/** A mutated test that runs longer than this hangs: that is noticed too, seconds. */
const LONGEST_S = 900;
/** Tests are asked in groups of about so many seconds. */
const LONG_S = 15;
/** One process reads the sources once for all of a group. */
const BAIL = ['--bail', '1', '--reporter', 'dot', '--maxWorkers', '1'];
/** Whose tests are run for a rung: the contract is held by the server's too, and what the core's own leave by all others. */
export const TESTS = {
  core: ['contract', 'cli', 'web', 'web-apart', 'server'],
  contract: ['contract', 'server'],
  cli: ['cli'],
  web: ['web', 'web-apart'],
  server: ['server'],
};
/** A copy of what tests need; packages are shared. */
export function copyOfTree() {
  const dir = mkdtempSync(join(tmpdir(), 'amber-gauge-mutate-'));
  const skipped = new Set(['node_modules', '.git', '.data', '.cache']);
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
  for (const rung of Object.keys(TESTS)) {
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
 * change asleep, each file with modules of its own, so that what is reckoned once is reckoned for each. A file that
 * fails with nothing changed is left out, and said.
 */
async function reach(dir, rung, env) {
  const [reached, report] = [join(dir, 'reached'), join(dir, 'report.json')];
  writeFileSync(reached, '');
  const more = ['--isolate', '--reporter', 'json', '--outputFile', report];
  await fails(dir, rung, [], { ...env, REACHED: reached }, more);
  if (!existsSync(report)) throw new Plain('The tests did not run through with nothing changed: mend that first.');
  const { testResults } = JSON.parse(readFileSync(report, 'utf8'));
  const right = testResults.filter(({ status }) => status === 'passed');
  for (const one of testResults)
    if (!right.includes(one)) console.error(`left out: ${one.name.slice(dir.length + 1)} fails with nothing changed`);
  const took = new Map(right.map(({ name, startTime, endTime }) => [name, (endTime - startTime) / 1000]));
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
  const mine = [...(files.get(change.number) ?? [])]
    .filter((name) => took.has(name))
    .sort((a, b) => (took.get(a) ?? 0) - (took.get(b) ?? 0));
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

/**
 * Asks the unit tests of each change, or only whether one comes to it, in the copy `dir`; `tell` hears it of each, and
 * how many files come to it.
 */
export async function askUnits(dir, { rung, atOnce, quick, reach: only }, chosen, env, tell) {
  const wake = join(dir, 'scripts', 'lib', 'wake.mjs');
  for (const path of new Set(chosen.map((one) => one.path))) {
    const own = chosen.filter((one) => one.path === path);
    writeFileSync(join(dir, path.slice(ROOT.length)), wakingChanges(own, wake));
  }
  const reached = await reach(dir, rung, env);
  const waiting = [...chosen];
  const work = async () => {
    for (let change = waiting.shift(); change; change = waiting.shift()) {
      const come = reached.files.get(change.number)?.size ?? 0;
      tell(change, only ? come > 0 : await noticed(dir, rung, change, reached, env, quick), come);
    }
  };
  await Promise.all(Array.from({ length: atOnce }, work));
}
