/**
 * Do the tests bite? Changes of logic are drawn and put, asleep, where the tests run: all tests are run once to see
 * which come to which change; then one change at a time is woken and those tests are run. A change that none of them
 * notices is shown with its place, to be judged by hand (some changes are no change at all).
 * `npm run mutate -- [--rung core|contract|cli|web|server] [--count N] [--seed N] [--file PART] [--at-once N]`
 * `--quick` spends little on each change: what lives there wants a test of its own.
 * `--reach` wakes none and lists the lines of logic that no test comes to; `--others` (of the core) shows what lived to the
 * tests of the other rungs too, `--browser` (of the web) to the browser's.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { ensureChromium, ensureNpm, ensurePostgres } from './lib/install.mjs';
import { changesOf, numbers, sourcesBelow } from './lib/mutants.mjs';
import { askBrowser } from './lib/mutateBrowser.mjs';
import { askCore } from './lib/mutateCore.mjs';
import { askUnits, copyOfTree, TESTS } from './lib/mutateUnits.mjs';
import { startPostgres } from './lib/postgres.mjs';
import { ROOT } from './lib/run.mjs';
import { Plain, plainly } from './lib/say.mjs';

const RUNGS = Object.keys(TESTS);

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

const placeOf = ({ path, line }) => `${path.slice(ROOT.length + 1)}:${line}`;

function tell(change, caught, by) {
  const [was, instead] = [change.was, change.instead].map((one) => one.replace(/\s+/g, ' ').slice(0, 60));
  console.log(`${caught ? 'noticed ' : 'LIVED   '} ${placeOf(change)}  ${was}  →  ${instead}  (${by})`);
}

/** The lines of logic that no test comes to: no change there can be noticed. */
function tellReach({ rung }, chosen, lived) {
  for (const place of [...new Set([...lived].map(placeOf))].sort()) console.log(place);
  console.log(`\n${rung}: tests come to ${chosen.length - lived.size} of ${chosen.length} changes`);
}

function tellTotal({ rung, seed }, chosen, lived, by) {
  const caught = chosen.length - lived.size;
  const share = (100 * caught) / Math.max(1, chosen.length);
  console.log(`\n${rung}, seed ${seed}: ${caught} of ${chosen.length} noticed${by} (${share.toFixed(0)} %)`);
}

async function mutate(wish, env) {
  const chosen = await sample(wish);
  const lived = new Set();
  const hear = (change, caught, come, who) => {
    if (caught) lived.delete(change);
    else lived.add(change);
    if (!wish.reach) tell(change, caught, `${come} ${who} come to it`);
  };
  const units = { web: ' by the unit tests', core: ' by its own tests' }[wish.rung] ?? '';
  const say = () =>
    wish.reach
      ? tellReach(wish, chosen, lived)
      : tellTotal(wish, chosen, lived, wish.quick ? ' by the quick way' : units);
  if (wish.rung === 'core') {
    await askCore(chosen, wish, (change, caught, come) => hear(change, caught, come, 'pieces of tests'));
    say();
    if (!wish.others || lived.size === 0) return;
    console.log('');
  }
  const dir = copyOfTree();
  try {
    const asked = wish.rung === 'core' ? [...lived] : chosen;
    await askUnits(dir, wish, asked, env, (change, caught, come) => hear(change, caught, come, 'files'));
    if (wish.rung === 'core') return tellTotal(wish, chosen, lived, ' by all unit tests');
    say();
    if (!wish.browser || lived.size === 0) return;
    console.log('');
    await askBrowser(dir, [...lived], env, (change, caught, come) => hear(change, caught, come, 'browser tests'));
    tellTotal(wish, chosen, lived, ' by unit or browser tests');
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
      others: { type: 'boolean', default: false },
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
  if (wish.others && wish.rung !== 'core')
    throw new Plain('--others asks the tests of the other rungs of the core: --rung core.');
  await ensureNpm();
  const served = wish.rung === 'core' ? wish.others : TESTS[wish.rung].includes('server');
  if (!served && !wish.browser) return mutate(wish, {});
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
