/**
 * The next step. A test: expected information about what is wrong, over the minutes it takes from the
 * unit's present state of opening and power, its danger counted in minutes; an opening that makes two looks
 * possible is shared by them. Or a mend: of what was found, or when trying costs less than knowing more.
 */
import { banWords, needsPower, type PathTest } from '../families/index.js';
import { bansOf, doubtedLooks, risksOf, type StandingBan } from './bans.js';
import type { Engine } from './engine.js';
import { healthyAnswer } from './healthy.js';
import { information, pairInformation, splitter, targetOf, type Target } from './information.js';
import type { Advice, Choosing, TestAdvice } from './adviceTypes.js';
import { asFirst, beforePower, lookBeforeBuying, lookTwice } from './firstThings.js';
import { mendsOf, type MendAdvice } from './mends.js';
import { posteriorOf } from './posterior.js';
import type { Posterior } from './belief.js';
import { openingMinutes, owedOpening, reaching, type Situation } from './reaching.js';
import { suspectsOf } from './suspects.js';
import { say } from '../words/index.js';
import {
  ASKING_MIN,
  BUY_FROM,
  EQUAL_WORTH,
  EXPLAINED,
  FIND_BITS,
  LEAST_BITS,
  LIFT_BITS,
  LONG_MIN,
  MINUTES_PER_MONEY,
  PAIRED,
  WAIT_PART,
  WORTH_TRYING,
} from './defaults.js';

/** Tests by falling worth (or as `order` has them), mends by odds over cost, and which comes first. */
export function adviseNext(
  engine: Engine,
  posterior: Posterior,
  situation: Situation,
  { order, leastBits }: Choosing = BY_WORTH,
): Advice {
  const bans = bansOf(engine, posterior);
  const listed = mendsOf(engine, posterior, situation, bans);
  const ways = mendsOf(engine, posterior, situation, bans, engine.model.path.ways);
  const { contradictions } = posterior.pins;
  const again = new Set(contradictions.flatMap((one) => one.tests));
  const seek = new Set(listed.find((one) => one.found && one.seek.length > 0)?.seek ?? []);
  const owed = owedOpening(engine, posterior);
  const target = targetOf(engine, posterior, unseen(engine));
  const ask = { bans, idle: stands(engine, posterior), again, seek, owed, target };
  const open = engine.model.path.tests
    .filter((test) => (!situation.done.has(test.id) || again.has(test.id)) && !situation.unreachable.has(test.id))
    .map((test) => adviceOf(engine, posterior, situation, test, ask));
  const worthwhile = (one: TestAdvice) =>
    one.bits >= leastBits ||
    one.first !== null ||
    lifts(
      one.test,
      bans.filter((ban) => ban.chance === null),
    );
  const splits = splitter(engine, posterior, suspectsOf(engine, posterior));
  const tests = paired(engine, posterior, situation, open.filter(worthwhile), ask)
    .sort((a, b) => Number(b.first !== null) - Number(a.first !== null) || order(a, b))
    .map((one, i) => (i < EXPLAINED ? { ...one, splits: splits(one.test) } : one));
  const rest = open.filter((one) => !worthwhile(one));
  const next = nextOf(tests, listed, posterior);
  const mends = next.reason === 'only' ? likelyFirst(listed) : listed;
  const all = [...tests, ...rest];
  const look = next.next === 'mend' ? lookBeforeBuying(engine, mends, all) : null;
  if (look) return { ...asFirst(look, 'before-buying', tests, rest), mends, ways, bans, next: 'test', reason: null };
  // What is taken again is switched on for as well.
  const best = next.next === 'test' || next.next === 'repeat' ? tests.find((one) => one.forbidden === null) : undefined;
  if (!best?.powered) return { tests, rest, mends, ways, bans, ...next };
  const afterMend = situation.mended.size > 0;
  const safe = beforePower(engine, risksOf(engine, posterior, afterMend), all, afterMend);
  if (safe) return { ...asFirst(safe, 'before-power', tests, rest), mends, ways, bans, next: 'test', reason: null };
  const doubted = doubtedLooks(engine, posterior);
  const made = engine.model.path.tests.filter(
    ({ id, block }) =>
      doubted.has(block ?? '') && situation.done.has(id) && !again.has(id) && !situation.unreachable.has(id),
  );
  const twice = lookTwice(
    engine,
    made.map((test) => adviceOf(engine, posterior, situation, test, ask)),
  );
  if (twice) return { ...asFirst(twice, 'twice', tests, rest), mends, ways, bans, next: 'test', reason: null };
  return { tests, rest, mends, ways, bans, ...next };
}

/** With nothing left to ask: may be done, and likely enough. */
const worthTrying = (one: MendAdvice): boolean => one.forbidden === null && one.chance >= WORTH_TRYING;

/** What is cheap and hardly likely does not stand before what is worth trying. */
const likelyFirst = (mends: readonly MendAdvice[]): MendAdvice[] =>
  [...mends].sort((a, b) => Number(worthTrying(b)) - Number(worthTrying(a)));

/** A dead test of nearly equal worth goes before a live one, whatever the order of the rest. */
function byWorth(a: TestAdvice, b: TestAdvice): number {
  if ((a.forbidden === null) !== (b.forbidden === null)) return a.forbidden === null ? -1 : 1;
  if ((a.putBack.length === 0) !== (b.putBack.length === 0)) return a.putBack.length === 0 ? -1 : 1;
  if (a.live !== b.live) {
    const [dead, live] = a.live ? [b, a] : [a, b];
    if (dead.worth >= EQUAL_WORTH * live.worth) return a.live ? 1 : -1;
  }
  return b.worth - a.worth;
}

/** Tests by bits for their minutes. */
export const BY_WORTH: Choosing = { order: byWorth, leastBits: LEAST_BITS };

function nextOf(
  tests: readonly TestAdvice[],
  mends: readonly MendAdvice[],
  posterior: Posterior,
): Pick<Advice, 'next' | 'reason'> {
  const best = tests.find((one) => one.forbidden === null);
  if (best?.first === 'repeat') return { next: 'repeat', reason: null };
  const mend = mends.find((one) => one.forbidden === null);
  if (mend?.found) return { next: 'mend', reason: 'found' };
  if (best?.first === 'cause') return { next: 'test', reason: null };
  if (posterior.outside > 0.5) return { next: 'outside', reason: null };
  if (mend && mend.chance > 0.5) {
    // Mending at once wastes its minutes when it was something else; a test costs its own first.
    const wasted = (1 - mend.chance) * mend.minutes;
    const cheaper = !best || wasted <= best.minutes;
    if (cheaper && mend.chance >= BUY_FROM) return { next: 'mend', reason: best ? 'sure' : 'only' };
    if (cheaper && mend.repair.money === 0) return { next: 'mend', reason: best ? 'cheaper' : 'only' };
    if (!best) return { next: 'mend', reason: 'only' };
    if (best.minutes >= mend.minutes) return { next: 'mend', reason: 'cheaper' };
  }
  if (best) return { next: 'test', reason: null };
  return mends.some(worthTrying) ? { next: 'mend', reason: 'only' } : { next: 'nothing', reason: null };
}

const seesFault = (test: PathTest, chances: Float64Array): number =>
  test.block === null
    ? 0
    : test.outcomes.reduce((sum, one, i) => sum + (one.modes.includes('healthy') ? 0 : (chances[i] as number)), 0);

const UNSEEN = new WeakMap<Engine, Posterior>();

/** A unit of which nothing is known. */
function unseen(engine: Engine): Posterior {
  const known = UNSEEN.get(engine) ?? posteriorOf(engine, []);
  UNSEEN.set(engine, known);
  return known;
}

const BEFORE = new WeakMap<Engine, Map<string, number>>();

/**
 * Chance that the answer sees a fault at its part, beyond that of a unit of which nothing is known: a fault
 * that has nothing to do with the complaint is not what is looked for.
 */
function findChance(engine: Engine, test: PathTest, chances: Float64Array): number {
  if (test.block === null) return 0;
  const known = BEFORE.get(engine) ?? new Map<string, number>();
  BEFORE.set(engine, known);
  const nothing = unseen(engine);
  const all = () => targetOf(engine, nothing, nothing);
  const before = known.get(test.id) ?? seesFault(test, information(engine, nothing, test, all()).chances);
  known.set(test.id, before);
  return Math.max(0, seesFault(test, chances) - before);
}

interface Asking {
  readonly bans: readonly StandingBan[];
  /** More likely than not it does not turn at all. */
  readonly idle: boolean;
  readonly again: ReadonlySet<string>;
  readonly seek: ReadonlySet<string>;
  /** Part of each level's opening that a test has to answer for. */
  readonly owed: readonly number[];
  readonly target: Target;
}

const lifts = (test: PathTest, bans: readonly StandingBan[]): boolean =>
  bans.some((ban) => test.lifts.includes(ban.id));

function adviceOf(engine: Engine, posterior: Posterior, situation: Situation, test: PathTest, ask: Asking): TestAdvice {
  const { bits, chances } = information(engine, posterior, test, ask.target);
  const powered = needsPower(test);
  const minutes =
    ASKING_MIN +
    test.handsMin +
    WAIT_PART * test.waitMin +
    MINUTES_PER_MONEY * test.money +
    test.riskMin +
    reaching(engine, situation, test, ask.owed);
  const bonus = (!powered && lifts(test, ask.bans) ? LIFT_BITS : 0) + FIND_BITS * findChance(engine, test, chances);
  const cause = test.power === 'dead' && test.block !== null && ask.seek.has(test.block);
  return {
    test,
    bits,
    minutes,
    worth: (bits + bonus) / minutes,
    live: test.probe,
    powered,
    putBack: situation.putBack.get(test.id) ?? [],
    splits: [],
    chances: test.outcomes.map((outcome, i) => ({ outcome: outcome.id, chance: chances[i] as number })),
    healthy: healthyAnswer(engine, test)?.words ?? null,
    forbidden:
      (powered || test.cautions.some((id) => ask.bans.some((ban) => ban.id === id)) ? forbiddenBy(test, ask) : null) ??
      notBefore(engine, situation, test),
    first: ask.again.has(test.id) ? 'repeat' : cause ? 'cause' : null,
  };
}

function forbiddenBy(test: PathTest, { bans, idle }: Asking): string | null {
  const ban = bans.find((one) => test.cautions.includes(one.id)) ?? bans[0];
  if (ban) return banWords(ban);
  return idle && (test.waitMin >= LONG_MIN || NEEDS_RUNNING.some((key) => Object.hasOwn(test.context, key)))
    ? say`It does not turn: it cannot be run warm or loaded.`
    : null;
}

/** A test that risks a good part waits for those that prove it safe. */
function notBefore(engine: Engine, { done }: Situation, test: PathTest): string | null {
  const owed = test.after.filter((id) => !done.has(id));
  const names = owed.map((id) => engine.model.path.tests.find((one) => one.id === id)?.name ?? id);
  return names.length > 0 ? say`Not before these are answered: ${names.join(', ')}.` : null;
}

/** Conditions that only a unit that turns can reach. */
const NEEDS_RUNNING = ['heat', 'load'] as const;

/** States in which nothing is driven. */
const STANDING = /^(still|quivers|kicks once|hums)$/;

/** Whether the unit more likely than not stands still as it was brought in. */
function stands(engine: Engine, posterior: Posterior): boolean {
  const { model, space } = engine;
  const signal = model.signalOf.get(model.path.speed?.signal ?? '');
  if (signal === undefined) return false;
  const still = (model.states[signal] ?? []).map((state) => STANDING.test(state));
  const settled = engine.settled({});
  let share = 0;
  for (let w = 0; w < space.worlds.length; w++)
    if (still[settled[w * model.states.length + signal] as number]) share += posterior.worlds[w] as number;
  return share > 0.5;
}

/** Two looks behind one opening share its minutes: the better of a pair is worth what both tell over what both cost. */
function paired(
  engine: Engine,
  posterior: Posterior,
  situation: Situation,
  open: readonly TestAdvice[],
  { owed, target }: Asking,
): TestAdvice[] {
  const out = [...open];
  for (const { id } of engine.model.path.levels) {
    const opening = openingMinutes(engine, situation, id, owed);
    if (opening === 0) continue;
    const own = (one: TestAdvice) => one.minutes - opening;
    const bonusOf = (one: TestAdvice) => one.worth * one.minutes - one.bits;
    const here = open
      .filter((one) => one.test.level === id && one.forbidden === null && !one.test.marks && !one.powered)
      .sort((a, b) => b.bits / own(b) - a.bits / own(a))
      .slice(0, PAIRED);
    const [first] = here;
    if (!first) continue;
    const best = here.slice(1).reduce((worth, other) => {
      const both = pairInformation(engine, posterior, target, first.test, other.test);
      const extra = bonusOf(first) + bonusOf(other);
      return Math.max(worth, (both + extra) / (opening + own(first) + own(other)));
    }, first.worth);
    if (best > first.worth) out[out.indexOf(first)] = { ...first, worth: best };
  }
  return out;
}
