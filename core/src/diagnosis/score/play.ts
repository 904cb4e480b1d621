/** One unit looked for by one way of choosing the next test; the engine's belief and stop rule are the same for all. */
import { faultsShown, needsPower, type PathTest } from '../../families/index.js';
import type { Random } from '../../numeric/index.js';
import type { Engine } from '../engine.js';
import { healthyAnswer } from '../healthy.js';
import { curedBy } from '../mends.js';
import type { Advice, Choosing, TestAdvice } from '../adviceTypes.js';
import { adviseNext, BY_WORTH } from '../nextTests.js';
import { reaching, untouched, type Situation } from '../reaching.js';
import type { Observation } from '../observation.js';
import { posteriorOf } from '../posterior.js';
import type { Event, Posterior } from '../belief.js';
import { suspectsOf, unexplained } from '../suspects.js';
import type { Unit } from './unit.js';
import { LEAST_BITS } from '../defaults.js';

/**
 * engine: the advice. checklist: along the path, skipping what the engine's belief already knows. plain:
 * the same checklist, skipping only what was answered, as a sheet of paper would. random: any order.
 */
export type Way = 'engine' | 'checklist' | 'plain' | 'random';
/** Ways of choosing tests that are played against each other. */
export const WAYS: readonly Way[] = ['engine', 'checklist', 'plain', 'random'];

/** How one unit was played. */
export interface Played {
  readonly tests: number;
  /** Minutes of hands until the last fault was confirmed: seen at its part, or cured, and then with the mend that did it. */
  readonly minutes: number;
  readonly live: number;
  readonly wrongParts: number;
  readonly found: boolean;
  /** What lies outside the model was ahead of every suspect at the end. */
  readonly outsideLed: boolean;
  /** Live tests made while a dead one of equal worth was open. */
  readonly needlessLive: number;
  /** Every fault was led by its own part when it was confirmed or cured. */
  readonly led: boolean;
  /** Harm done by power, each kind once. */
  readonly harm: readonly string[];
}

/** Steps after which a search is given up. */
const MOST_STEPS = 60;

/** How a way orders the tests, and which it leaves out. */
function choosingOf(engine: Engine, way: Way, random: Random): Choosing {
  if (way === 'engine') return BY_WORTH;
  return { order: orderOf(engine, way, random), leastBits: way === 'plain' ? 0 : LEAST_BITS };
}

function orderOf(engine: Engine, way: Way, random: Random): Choosing['order'] {
  const { levels, tests } = engine.model.path;
  if (way === 'random') {
    const lots = new Map(tests.map((test) => [test.id, random()]));
    return (a, b) => (lots.get(a.test.id) ?? 0) - (lots.get(b.test.id) ?? 0);
  }
  // From outside in, dead before live, cheapest first, then as the path lists them.
  const rank = ({ test }: TestAdvice) => [
    levels.findIndex((level) => level.id === test.level),
    test.probe ? 1 : 0,
    test.handsMin + test.waitMin / 10,
    tests.indexOf(test),
  ];
  return (a, b) => {
    const [x, y] = [rank(a), rank(b)];
    const at = x.findIndex((value, i) => value !== y[i]);
    return at < 0 ? 0 : (x[at] as number) - (y[at] as number);
  };
}

class Search {
  readonly events: Event[] = [];
  private readonly tested = new Map<string, string>();
  private readonly again = new Set<string>();
  private situation: Situation;
  private count = 0;
  tests = 0;
  minutes = 0;
  live = 0;
  wrongParts = 0;
  needlessLive = 0;
  readonly confirmed = new Set<string>();
  readonly led = new Set<string>();
  readonly harm = new Set<string>();

  constructor(
    private readonly engine: Engine,
    private readonly unit: Unit,
  ) {
    this.situation = untouched(engine);
  }

  belief(): Posterior {
    return posteriorOf(this.engine, this.events);
  }

  advice(posterior: Posterior, choosing: Choosing): Advice {
    return adviseNext(this.engine, posterior, this.situation, choosing);
  }

  /** What brought the unit in: the first thing from outside that is not as it should be, known before anything is done. */
  complain(isHealthy: (test: PathTest, outcome: string) => boolean): void {
    for (const test of this.engine.model.path.tests.filter((one) => one.outside && one.signal !== null)) {
      const { observation, outcome, slip } = this.unit.read(test, `c${this.count++}`);
      if (slip || isHealthy(test, outcome)) continue;
      this.keep(test, observation);
      return;
    }
  }

  make(test: PathTest, advice: Advice, worth: number): void {
    this.tests++;
    if (test.probe) {
      this.live++;
      if (advice.tests.some((one) => !one.live && one.forbidden === null && one.worth >= worth)) this.needlessLive++;
    }
    this.minutes += test.handsMin + reaching(this.engine, this.situation, test);
    const deeper = this.deeper(test.level);
    const power = needsPower(test) ? 'live' : test.power === 'either' ? this.situation.power : 'dead';
    this.situation = { ...this.situation, level: deeper, power };
    if (needsPower(test)) this.hurt();
    const { observation, outcome, slip } = this.unit.read(test, `t${this.count++}`);
    this.keep(test, observation);
    // What a sound part shows as well confirms nothing.
    const shown = slip ? [] : faultsShown(test, outcome);
    for (const ref of this.unit.faults)
      if (this.alike(ref).some((one) => shown.includes(one)) && this.leads(test.block)) this.confirm(ref, true);
  }

  private alike(ref: string): readonly string[] {
    return this.unit.alike?.(ref) ?? [ref];
  }

  private leads(block: string | null): boolean {
    return suspectsOf(this.engine, this.belief())[0]?.block === block;
  }

  private confirm(ref: string, led: boolean): void {
    this.confirmed.add(ref);
    if (led) this.led.add(ref);
  }

  private hurt(): void {
    for (const one of this.unit.harm?.() ?? []) this.harm.add(one);
  }

  /** Takes again, once, what nothing likely explains; the older reading is struck out. */
  retake(posterior: Posterior): boolean {
    for (const id of unexplained(posterior)) {
      const testId = this.tested.get(id);
      const test = this.engine.model.path.tests.find((one) => one.id === testId);
      if (!test || this.again.has(test.id)) continue;
      this.again.add(test.id);
      const at = this.events.findIndex((event) => event.kind === 'saw' && event.observation.id === id);
      if (at < 0) continue;
      this.tests++;
      if (test.probe) this.live++;
      this.minutes += test.handsMin + reaching(this.engine, this.situation, test);
      const { observation } = this.unit.read(test, `t${this.count++}`);
      this.tested.set(observation.id, test.id);
      this.events[at] = { kind: 'saw', observation };
      return true;
    }
    return false;
  }

  /** Does the first mend; true when it cured something. */
  mend(advice: Advice, random: Random): boolean {
    const repair = advice.mends.find((one) => one.forbidden === null)?.repair;
    if (!repair) return false;
    const cures = curedBy(this.engine.model.path, repair.id);
    const present = [...this.unit.faults].flatMap((ref) => {
      const own = cures.filter(({ mode }) => this.alike(ref).includes(mode));
      const [best] = own.sort((x, y) => x.residual - y.residual);
      return best ? [{ ref, ...best }] : [];
    });
    const cured = present.filter(({ residual }) => random() >= residual);
    if (present.length === 0 && repair.money > 0) this.wrongParts++;
    // What was seen at its part is mended on nobody's clock; what is tried, and helps or not, costs its minutes.
    if (!cured.some(({ ref }) => this.confirmed.has(ref)))
      this.minutes += repair.handsMin + reaching(this.engine, this.situation, { level: repair.level, power: 'dead' });
    if (repair.power === 'running') this.hurt();
    for (const { ref, mode } of cured) {
      this.confirm(ref, this.leads(mode.slice(0, mode.indexOf('.'))));
      this.unit.faults.delete(ref);
    }
    this.events.push({ kind: 'epoch', mended: cures, touched: [] });
    this.situation = {
      ...this.situation,
      level: this.deeper(repair.level),
      power: 'dead',
      done: new Set(),
      mended: new Map(this.situation.mended).set(repair.id, (this.situation.mended.get(repair.id) ?? 0) + 1),
    };
    return cured.length > 0;
  }

  private keep(test: PathTest, observation: Observation): void {
    this.events.push({ kind: 'saw', observation });
    this.tested.set(observation.id, test.id);
    this.situation = { ...this.situation, done: new Set([...this.situation.done, test.id]) };
  }

  private deeper(level: string): string {
    const { levels } = this.engine.model.path;
    const depth = (id: string) => levels.findIndex((one) => one.id === id);
    return depth(level) > depth(this.situation.level) ? level : this.situation.level;
  }
}

/** Plays until every fault is confirmed by a direct check or by a cure, or nothing is left to do. */
export function play(engine: Engine, unit: Unit, way: Way, random: Random): Played {
  const choosing = choosingOf(engine, way, random);
  const wanted = [...unit.faults];
  const search = new Search(engine, unit);
  search.complain((test, outcome) => healthyAnswer(engine, test)?.id === outcome);
  let posterior = search.belief();
  for (let step = 0; step < MOST_STEPS; step++) {
    if (!unit.outside && wanted.every((ref) => search.confirmed.has(ref))) break;
    posterior = search.belief();
    if (search.retake(posterior)) continue;
    const advice = search.advice(posterior, choosing);
    if (advice.next === 'outside' || advice.next === 'nothing') break;
    const test = advice.tests.find((one) => one.forbidden === null);
    if (advice.next === 'mend' || !test) search.mend(advice, random);
    else search.make(test.test, advice, test.worth);
  }
  const best = suspectsOf(engine, posterior)[0]?.share ?? 0;
  return {
    tests: search.tests,
    minutes: search.minutes,
    live: search.live,
    wrongParts: search.wrongParts,
    found: wanted.length > 0 && wanted.every((ref) => search.confirmed.has(ref)),
    outsideLed: posterior.outside > best,
    needlessLive: search.needlessLive,
    led: wanted.every((ref) => search.led.has(ref)),
    harm: [...search.harm],
  };
}
