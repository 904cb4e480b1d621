/**
 * The next test: expected information about what is wrong, over the minutes it takes from the unit's
 * present state of opening and power, with its danger counted in minutes; or the mend, when knowing
 * more costs more than trying.
 */
import { needsPower, type DrivePath, type PathRepair, type PathTest } from '../families/index.js';
import type { Engine } from './engine.js';
import { healthyAnswer } from './healthy.js';
import { dangerOf, type Danger } from './danger.js';
import type { Posterior } from './posterior.js';
import { suspectsOf, type Suspect } from './suspects.js';

/** How the unit stands now. */
export interface Situation {
  /** Level of opening reached, by id. */
  readonly level: string;
  readonly power: 'dead' | 'live';
  /** Tests that were answered in this epoch. */
  readonly done: ReadonlySet<string>;
  /** Tests that cannot be done on this unit. */
  readonly unreachable: ReadonlySet<string>;
  /** What is off now and must be put back before a test, by test: "belt". Such tests come last. */
  readonly putBack: ReadonlyMap<string, readonly string[]>;
}

/**
 * Minutes to switch on a unit that nobody has opened, to go live through the gate once it is open, and
 * to make it dead again with the charge proved gone (common practice).
 */
export const POWER_MINUTES = { on: 0.5, live: 2, dead: 3 } as const;
/** Minutes that a unit of money is worth when a repair is tried or a test uses up parts (an hour of the bench at 60). */
export const MINUTES_PER_MONEY = 1;
/** A waiting minute costs this part of a minute of hands: other jobs lie on the bench. */
const WAIT_PART = 0.1;
/** Less information than this is not worth a test, bits. */
export const LEAST_BITS = 0.02;
/** So many of the best tests are told with what they split. */
const EXPLAINED = 12;
/** Dead tests within this part of the best live one go first. */
const EQUAL_WORTH = 0.9;

export interface TestAdvice {
  readonly test: PathTest;
  readonly bits: number;
  readonly minutes: number;
  /** Bits per minute. */
  readonly worth: number;
  /** A probe on live parts. */
  readonly live: boolean;
  /** Switched on for it, probed or merely watched. */
  readonly powered: boolean;
  /** What is off now and goes back before it. */
  readonly putBack: readonly string[];
  /** Blocks that its answers part from each other. */
  readonly splits: readonly (readonly string[])[];
  /** Chance of each answer. */
  readonly chances: readonly { readonly outcome: string; readonly chance: number }[];
  /** Its answer on a healthy unit, in words; null where it has none. */
  readonly healthy: string | null;
  /** Why it must not be done now; null when it may. */
  readonly forbidden: string | null;
}

export interface MendAdvice {
  readonly repair: PathRepair;
  /** Chance that it cures one of the faults present. */
  readonly chance: number;
  readonly minutes: number;
}

export interface Advice {
  readonly tests: readonly TestAdvice[];
  /** Tests that would tell next to nothing now; whoever wants to may make them. */
  readonly rest: readonly TestAdvice[];
  readonly mends: readonly MendAdvice[];
  /** test: know more first; mend: trying is cheaper than knowing; outside: the model has run out. */
  readonly next: 'test' | 'mend' | 'outside' | 'nothing';
}

/** How tests are put in order, and what is not worth making. */
export interface Choosing {
  readonly order: (a: TestAdvice, b: TestAdvice) => number;
  readonly leastBits: number;
}

/** Tests by falling worth (or as `order` has them), mends by odds over cost, and which comes first. */
export function adviseNext(
  engine: Engine,
  posterior: Posterior,
  situation: Situation,
  { order, leastBits }: Choosing = BY_WORTH,
): Advice {
  const suspects = suspectsOf(engine, posterior);
  const danger = dangerOf(engine, posterior);
  const open = engine.model.path.tests
    .filter((test) => !situation.done.has(test.id) && !situation.unreachable.has(test.id))
    .map((test) => adviceOf(engine, posterior, situation, test, danger));
  const tests = open
    .filter((one) => one.bits >= leastBits)
    .sort(order)
    .map((one, i) => (i < EXPLAINED ? { ...one, splits: splitsOf(engine, posterior, one.test, suspects) } : one));
  const mends = mendsOf(engine, posterior, situation);
  const rest = open.filter((one) => one.bits < leastBits);
  return { tests, rest, mends, next: nextOf(tests, mends, posterior) };
}

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

export const BY_WORTH: Choosing = { order: byWorth, leastBits: LEAST_BITS };

function nextOf(tests: readonly TestAdvice[], mends: readonly MendAdvice[], posterior: Posterior): Advice['next'] {
  const best = tests.find((one) => one.forbidden === null);
  const mend = mends[0];
  if (posterior.outside > 0.5) return 'outside';
  if (mend && mend.chance > 0.5) {
    // Mending at once wastes its minutes when it was something else; a test costs its own first.
    const wasted = (1 - mend.chance) * mend.minutes;
    if (!best || wasted <= best.minutes) return 'mend';
  }
  return best ? 'test' : mend ? 'mend' : 'nothing';
}

function adviceOf(
  engine: Engine,
  posterior: Posterior,
  situation: Situation,
  test: PathTest,
  danger: Danger,
): TestAdvice {
  const { bits, chances } = information(engine, posterior, test);
  const live = test.probe;
  const powered = needsPower(test);
  const minutes =
    test.handsMin +
    WAIT_PART * test.waitMin +
    MINUTES_PER_MONEY * test.money +
    test.riskMin +
    reaching(engine, situation, test);
  return {
    test,
    bits,
    minutes,
    worth: bits / minutes,
    live,
    powered,
    putBack: situation.putBack.get(test.id) ?? [],
    splits: [],
    chances: test.outcomes.map((outcome, i) => ({ outcome: outcome.id, chance: chances[i] as number })),
    healthy: healthyAnswer(engine, test)?.words ?? null,
    forbidden: powered ? (test.outside ? danger.asItCame : danger.opened) : null,
  };
}

/**
 * Mutual information of the answer and the hypothesis, bits. With a slip every answer is alike. What lies
 * outside the model counts as one more thing that may be wrong.
 */
function information(engine: Engine, posterior: Posterior, test: PathTest): { bits: number; chances: Float64Array } {
  const { space } = engine;
  const count = test.outcomes.length;
  const slip = (1 - test.reliability) / count;
  const answers = engine.answers(test);
  const sure = new Float64Array(space.hypotheses.length * count);
  for (let w = 0; w < answers.length; w++) {
    const at = (space.worlds[w]?.hypothesis ?? 0) * count;
    const share = posterior.worlds[w] as number;
    const answer = answers[w] as number;
    if (answer >= 0) sure[at + answer] = (sure[at + answer] as number) + share;
    else for (let a = 0; a < count; a++) sure[at + a] = (sure[at + a] as number) + share / count;
  }
  const chances = outsideChances(engine, posterior, test);
  let known = chances.reduce((sum, part) => sum + plogp(part, part / posterior.outside), 0);
  for (let h = 0; h < space.hypotheses.length; h++) {
    const share = posterior.hypotheses[h] as number;
    if (share < 1e-12) continue;
    for (let a = 0; a < count; a++) {
      const part = test.reliability * (sure[h * count + a] as number) + slip * share;
      chances[a] = (chances[a] as number) + part;
      known += plogp(part, part / share);
    }
  }
  const bits = chances.reduce((sum, chance) => sum - plogp(chance, chance), known);
  return { bits: Math.max(0, bits), chances };
}

/** Chance of each answer together with the fault lying outside the model. */
function outsideChances(engine: Engine, posterior: Posterior, test: PathTest): Float64Array {
  const count = test.outcomes.length;
  const chances = new Float64Array(count);
  const answers = beyondAnswers(engine, test);
  for (let b = 0; b < answers.length; b++) {
    const share = posterior.beyond[b] as number;
    const answer = answers[b] as number;
    for (let a = 0; a < count; a++) {
      const part = answer < 0 ? 1 / count : test.reliability * Number(a === answer) + (1 - test.reliability) / count;
      chances[a] = (chances[a] as number) + share * part;
    }
  }
  return chances;
}

/** The answer in each way to be outside; -1 where all are alike. */
function beyondAnswers({ model, beyond }: Engine, test: PathTest): Int8Array {
  const out = new Int8Array(beyond.shares.length).fill(-1);
  if (test.block !== null) return out.fill(test.outcomes.findIndex((one) => one.modes.includes('healthy')));
  const signal = model.signalOf.get(test.signal ?? '') ?? 0;
  const of = (model.states[signal] as string[]).map((name) =>
    test.outcomes.findIndex((one) => one.states.includes(name)),
  );
  const settled = beyond.settled(test.context);
  for (let b = 0; b < out.length - 1; b++) out[b] = of[settled[b * model.states.length + signal] as number] as number;
  return out;
}

const plogp = (weight: number, chance: number): number => (chance > 0 ? weight * Math.log2(chance) : 0);

/** The likeliest suspects sorted by the answer that each makes likeliest. */
function splitsOf(
  engine: Engine,
  posterior: Posterior,
  test: PathTest,
  suspects: readonly Suspect[],
): readonly (readonly string[])[] {
  const { model, space } = engine;
  const count = test.outcomes.length;
  const answers = engine.answers(test);
  const groups: string[][] = test.outcomes.map(() => []);
  for (const suspect of suspects.slice(0, 6)) {
    if (suspect.share < 0.02) continue;
    const block = model.blockOf.get(suspect.block);
    const holds = space.hypotheses.map(({ modes }) => modes.some((m) => model.modes[m]?.block === block));
    const sums = new Float64Array(count);
    for (let w = 0; w < answers.length; w++) {
      const answer = answers[w] as number;
      if (answer >= 0 && holds[space.worlds[w]?.hypothesis ?? 0])
        sums[answer] = (sums[answer] as number) + (posterior.worlds[w] as number);
    }
    const total = sums.reduce((sum, one) => sum + one, 0);
    const best = sums.indexOf(Math.max(...sums));
    if (total > 0 && (sums[best] as number) / total > 0.6) groups[best]?.push(suspect.name);
  }
  return groups.filter((group) => group.length > 0);
}

/** Minutes from the unit's present opening and power to what the test needs. */
export function reaching(
  engine: Engine,
  situation: Situation,
  need: { level: string; power: PathTest['power'] },
): number {
  const { levels } = engine.model.path;
  const [here, there] = [situation.level, need.level].map((id) => levels.findIndex((level) => level.id === id));
  const opening = levels.slice((here ?? 0) + 1, (there ?? 0) + 1).reduce((sum, level) => sum + level.minutes, 0);
  const mustOpen = opening > 0;
  if (needsPower(need)) {
    if (situation.power === 'live' && !mustOpen) return 0;
    const on = (here ?? 0) <= 0 && !mustOpen ? POWER_MINUTES.on : POWER_MINUTES.live;
    return opening + on + (situation.power === 'live' ? POWER_MINUTES.dead : 0);
  }
  const off = situation.power === 'live' && (need.power === 'dead' || mustOpen) ? POWER_MINUTES.dead : 0;
  return opening + off;
}

/** Mends in falling order of chance over cost: for one fault, costs apart and the cure seen at once, the cheapest order. */
function mendsOf(engine: Engine, posterior: Posterior, situation: Situation): MendAdvice[] {
  const { model, space } = engine;
  return model.path.repairs
    .map((repair) => {
      const cures = new Set(curedModes(engine, repair));
      let chance = 0;
      posterior.hypotheses.forEach((share, h) => {
        if (space.hypotheses[h]?.modes.some((m) => cures.has(model.modes[m]?.ref ?? ''))) chance += share;
      });
      const minutes =
        repair.handsMin +
        WAIT_PART * repair.waitMin +
        MINUTES_PER_MONEY * repair.money +
        reaching(engine, situation, { level: repair.level, power: 'dead' });
      return { repair, chance: chance * (1 - repair.residual), minutes };
    })
    .filter((one) => one.chance >= 0.01)
    .sort((a, b) => b.chance / b.minutes - a.chance / a.minutes);
}

/** Modes that a repair cures. */
export const curedModes = (engine: Engine, repair: PathRepair): string[] => modesOf(engine.model.path, repair.cures);

/** The modes a repair of the path cures, each with what it leaves; empty for an unknown repair. */
export function curedBy(path: DrivePath, repairId: string): { mode: string; residual: number }[] {
  const repair = path.repairs.find((one) => one.id === repairId);
  return repair ? modesOf(path, repair.cures).map((mode) => ({ mode, residual: repair.residual })) : [];
}

/** "block.*" stands for every mode of the block. */
function modesOf(path: DrivePath, refs: readonly string[]): string[] {
  const all = path.blocks.flatMap((block) => block.modes.map((mode) => `${block.id}.${mode.id}`));
  return refs.flatMap((ref) => (ref.endsWith('.*') ? all.filter((mode) => mode.startsWith(ref.slice(0, -1))) : [ref]));
}
