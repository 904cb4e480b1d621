/**
 * What no unit test of the page notices is shown to the browser's tests: the page is built once with the changes asleep,
 * all tests run once to see which come to which change, then one is woken at a time and those are run, the quick ones
 * first, those that live by the clock last. The kills at random moments are not asked.
 */
import { spawn } from 'node:child_process';
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { ensureBuilt, SERVER_ENTRY } from './build.mjs';
import { wakingChanges } from './mutants.mjs';
import { quietly, ROOT } from './run.mjs';
import { Plain } from './say.mjs';

/** For one change no more than this is asked, seconds of tests; what is not noticed by then counts as not noticed. */
const ASKED_S = 400;
/** Asked at once, seconds of tests: the first groups are small, a change is mostly noticed at once. */
const GROUPS_S = [20, 60, 320];

const LIVE = /live\.spec/;

/** Runs the named tests (all for none); resolves with what came of them. A test that fails is asked twice. */
async function play(dir, names, env, more = []) {
  const projects = names.length === 0 ? ['beside', 'live'] : [LIVE.test(names[0]) ? 'live' : 'beside'];
  const chosen = projects.map((one) => `--project=${one}`);
  const args = ['test', '--config', 'e2e/playwright.config.ts', ...chosen, '--reporter=json', ...more, ...names];
  const report = join(dir, 'report.json');
  rmSync(report, { force: true });
  const child = spawn(join(dir, 'node_modules', '.bin', 'playwright'), args, {
    cwd: dir,
    stdio: 'ignore',
    env: {
      ...process.env,
      ...env,
      SERVER_ENTRY,
      PAGE_DIR: join(dir, 'web', 'dist'),
      PLAYWRIGHT_JSON_OUTPUT_NAME: report,
      NODE_OPTIONS: `--import=${pathToFileURL(join(dir, 'scripts', 'lib', 'wakeServer.mjs')).href}`,
    },
  });
  await new Promise((resolve) => child.on('exit', resolve));
  const { suites, stats, errors } = JSON.parse(readFileSync(report, 'utf8'));
  if (stats.expected + stats.unexpected + stats.flaky === 0)
    throw new Plain(`The browser's tests did not run: ${errors[0]?.message ?? 'no reason given'}`);
  return { suites, failed: stats.unexpected };
}

/** Every test that ran: its place as the runner takes it, when, how long in milliseconds, by which worker. */
function testsOf(suites) {
  const out = [];
  const visit = (suite) => {
    for (const { file, line, tests } of suite.specs ?? [])
      for (const { results } of tests)
        for (const { workerIndex, startTime, duration } of results)
          out.push({ name: `${file}:${line}`, workerIndex, from: Date.parse(startTime), duration });
    for (const inner of suite.suites ?? []) visit(inner);
  };
  suites.forEach(visit);
  return out;
}

/** Which tests come to which change. */
async function reach(dir, env) {
  const reached = join(dir, 'reached');
  writeFileSync(reached, '');
  const { suites, failed } = await play(dir, [], { ...env, REACHED: reached });
  if (failed > 0) throw new Plain("The browser's tests fail with nothing changed: mend that first.");
  // The sown database stands now: it is not made again for each change.
  writeFileSync(join(dir, 'e2e', 'support', 'before.ts'), 'export default () => undefined;\n');
  const tests = testsOf(suites);
  const of = new Map();
  for (const line of readFileSync(reached, 'utf8').split('\n').filter(Boolean)) {
    const [worker, at, numbers] = line.split(' ');
    const test = tests.find(
      (one) => one.workerIndex === Number(worker) && Number(at) >= one.from && Number(at) <= one.from + one.duration,
    );
    if (!test) continue;
    for (const number of numbers.split(',').map(Number))
      of.set(number, new Map([...(of.get(number) ?? []), [test.name, test.duration / 1000]]));
  }
  return of;
}

/** Groups of tests, the quick ones first; those that live by the clock are a group of their own. */
function groupsOf(tests) {
  const groups = GROUPS_S.map(() => []);
  const live = [...tests.keys()].filter((name) => LIVE.test(name));
  let spent = 0;
  for (const [name, tookS] of [...tests].sort((a, b) => a[1] - b[1])) {
    if (live.includes(name)) continue;
    spent += tookS;
    if (spent > ASKED_S) break;
    let [group, room] = [0, GROUPS_S[0]];
    while (spent > room && group < GROUPS_S.length - 1) room += GROUPS_S[++group];
    groups[group].push(name);
  }
  return [...groups, live].filter((group) => group.length > 0);
}

/**
 * Asks the browser's tests of `lived`, changes of the page's sources that stand in the copy `dir`.
 * @param {(change: object, caught: boolean, tests: number) => void} tell is told of each as it is known
 */
export async function askBrowser(dir, lived, env, tell) {
  await ensureBuilt();
  const wake = join(dir, 'scripts', 'lib', 'wakePage.mjs');
  for (const path of new Set(lived.map((one) => one.path))) {
    const own = lived.filter((one) => one.path === path);
    writeFileSync(join(dir, path.slice(ROOT.length)), wakingChanges(own, wake));
  }
  rmSync(join(dir, 'web', 'dist'), { recursive: true, force: true });
  await quietly(join(dir, 'node_modules', '.bin', 'vite'), ['build'], { cwd: join(dir, 'web'), log: 'mutate-build' });
  const comes = await reach(dir, env);
  for (const change of lived) {
    const tests = comes.get(change.number) ?? new Map();
    let caught = false;
    for (const group of groupsOf(tests)) {
      const { failed } = await play(dir, group, { ...env, CHANGED: String(change.number) }, [
        '--max-failures=1',
        '--no-deps',
      ]);
      caught = failed > 0;
      if (caught) break;
    }
    tell(change, caught, tests.size);
  }
}
