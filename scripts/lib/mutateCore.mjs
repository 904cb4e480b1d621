/**
 * Asks the core's own tests of many changes: processes that hold all sources run one piece of a test file at a time
 * (mutateBench.mjs), first what stands beside a change, then the quick ones, until one fails.
 */
import { fork } from 'node:child_process';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { testsBelow } from './mutants.mjs';
import { ROOT } from './run.mjs';

const BENCH = fileURLToPath(new URL('mutateBench.mjs', import.meta.url));
/** A piece that takes so many times as long as before, and so long more, hangs: that is noticed too. */
const [TIMES, MORE_MS] = [20, 20_000];
/** What stands beside a change is asked first, if it takes no longer, ms. */
const NEAR_MS = 2000;
/** For one change no more than this is spent, and by the quick way, ms; what is not noticed by then counts as not noticed. */
const [ASKED_MS, QUICK_MS] = [60_000, 8000];

/** A process that answers one message at a time, anew when it hung. */
function bench(chosen) {
  let child = null;
  const answer = (message, within) =>
    new Promise((resolve) => {
      const late = setTimeout(() => {
        child.kill('SIGKILL');
        child = null;
        resolve(null);
      }, within);
      child.once('message', (told) => {
        clearTimeout(late);
        resolve(told);
      });
      child.send(message);
    });
  return {
    async say(message, within) {
      if (!child) {
        child = fork(BENCH, { stdio: ['ignore', 'ignore', 'inherit', 'ipc'] });
        await answer({ chosen }, 600_000);
      }
      return answer(message, within);
    },
    end: () => child?.kill(),
  };
}

/** Does each piece of work once, by as many benches as there are. */
async function share(benches, works, what) {
  const waiting = [...works];
  await Promise.all(
    benches.map(async (one) => {
      for (let work = waiting.shift(); work !== undefined; work = waiting.shift()) await what(one, work);
    }),
  );
}

/** All pieces of the core's tests, with the changes each comes to. */
async function survey(benches) {
  const pieces = [];
  await share(benches, testsBelow(join(ROOT, 'core')), async (one, file) => {
    const told = await one.say({ file }, 600_000);
    for (const piece of told?.pieces ?? [{ file, index: null, wrong: 'hangs' }])
      if (piece.wrong) console.error(`left out: ${file.slice(ROOT.length + 1)} ${piece.index ?? ''} ${piece.wrong}`);
      else pieces.push(piece);
  });
  return pieces;
}

/** The changes asleep in the core, and the pieces of its tests that come to each. */
async function reach(benches) {
  const reaching = new Map();
  for (const piece of await survey(benches))
    for (const number of piece.hits) {
      if (!reaching.has(number)) reaching.set(number, []);
      reaching.get(number).push(piece);
    }
  return reaching;
}

/** Asks one piece after the other of a change until one fails, or `longest` is spent, ms. */
async function noticed(one, change, pieces, longest) {
  const own = dirname(change.path);
  const rank = ({ file, ms }) => (dirname(file) === own && ms < NEAR_MS ? ms / 1e6 : ms);
  let spent = 0;
  for (const { file, index, count, ms } of [...pieces].sort((a, b) => rank(a) - rank(b))) {
    if (spent > longest) return false;
    spent += ms;
    const told = await one.say({ number: change.number, file, index, count }, TIMES * ms + MORE_MS);
    if (told === null || told.failed) return true;
  }
  return false;
}

/**
 * Asks the core's tests of each change; `tell` hears whether it was noticed, and how many pieces come to it.
 * `quick` spends no more than a few seconds on each; `reach` asks nothing but whether a piece comes to it.
 */
export async function askCore(chosen, { atOnce, quick, reach: only }, tell) {
  const benches = Array.from({ length: atOnce }, () => bench(chosen));
  try {
    const reaching = await reach(benches);
    await share(benches, chosen, async (one, change) => {
      const pieces = reaching.get(change.number) ?? [];
      const caught = only ? pieces.length > 0 : await noticed(one, change, pieces, quick ? QUICK_MS : ASKED_MS);
      tell(change, caught, pieces.length);
    });
  } finally {
    for (const one of benches) one.end();
  }
}
