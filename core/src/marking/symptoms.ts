/**
 * Two ways to set beside the advice: a plain symptom table, which goes from the symptom to the parts that usually
 * cause it and tests them in that order, and the best possible order, which knows the fault and only confirms it.
 */
import {
  curedBy,
  healthyAnswer,
  posteriorOf,
  reaching,
  suspectsOf,
  untouched,
  type Engine,
  type Event,
  type Situation,
} from '../diagnosis/index.js';
import { faultsShown, needsPower, type PathRepair, type PathTest } from '../families/index.js';
import type { MarkedUnit } from './family.js';

/** How a unit went by one of these ways. */
export interface Gone {
  readonly minutes: number;
  readonly live: number;
  readonly wrongParts: number;
  readonly found: boolean;
  readonly harm: readonly string[];
}

/** Opens and powers step by step, and counts what it takes. */
class Bench {
  private situation: Situation;
  minutes = 0;
  live = 0;
  readonly harm = new Set<string>();
  constructor(
    private readonly engine: Engine,
    private readonly unit: MarkedUnit,
  ) {
    this.situation = untouched(engine);
  }

  reach(need: Pick<PathTest, 'level' | 'power'>): void {
    this.minutes += reaching(this.engine, this.situation, need);
    const { levels } = this.engine.model.path;
    const depth = (id: string) => levels.findIndex((level) => level.id === id);
    const level = depth(need.level) > depth(this.situation.level) ? need.level : this.situation.level;
    this.situation = { ...this.situation, level, power: needsPower(need) ? 'live' : 'dead' };
    if (needsPower(need)) for (const one of this.unit.harm?.() ?? []) this.harm.add(one);
  }

  test(test: PathTest, id: string): { readonly outcome: string; readonly slip: boolean } {
    this.reach(test);
    this.minutes += test.handsMin;
    if (test.probe) this.live++;
    return this.unit.read(test, id);
  }

  mend(repair: PathRepair): void {
    this.reach({ level: repair.level, power: 'dead' });
    this.minutes += repair.handsMin;
  }
}

/** Down the table: a part with a look is looked at, one without is swapped; until nothing is wrong any more. */
export function bySymptom(engine: Engine, unit: MarkedUnit): Gone {
  const { tests, repairs } = engine.model.path;
  const bench = new Bench(engine, unit);
  const wanted = unit.faults.size;
  const events: Event[] = [];
  for (const test of tests.filter((one) => one.outside && one.signal !== null)) {
    const { observation, outcome } = unit.read(test, `c${events.length}`);
    if (healthyAnswer(engine, test)?.id === outcome) continue;
    events.push({ kind: 'saw', observation });
    break;
  }
  const table = suspectsOf(engine, posteriorOf(engine, events));
  let [found, wrongParts] = [0, 0];
  const mend = (repair: PathRepair, seen: boolean) => {
    const cures = curedBy(engine.model.path, repair.id).map(({ mode }) => mode);
    const own = [...unit.faults].filter((ref) => (unit.alike?.(ref) ?? [ref]).some((one) => cures.includes(one)));
    for (const ref of own) unit.faults.delete(ref);
    found += own.length;
    if (own.length === 0 && repair.money > 0) wrongParts++;
    if (own.length === 0 || !seen) bench.mend(repair);
  };
  for (const { block, modes } of table) {
    if (unit.faults.size === 0) break;
    const looks = tests.filter((test) => test.block === block);
    const usual = (modes[0]?.mode ?? '').slice(block.length + 1);
    const mending = (mode: string) =>
      repairs
        .filter((one) => one.cures.includes(`${block}.${mode}`) || one.cures.includes(`${block}.*`))
        .sort((a, b) => a.handsMin + a.money - b.handsMin - b.money)[0];
    if (looks.length === 0) {
      const repair = mending(usual);
      if (repair) mend(repair, false);
      continue;
    }
    for (const test of looks) {
      const { outcome } = bench.test(test, `s${test.id}`);
      const said = test.outcomes.find((one) => one.id === outcome)?.modes ?? [];
      if (said.includes('healthy')) continue;
      const repair = mending(said[0] ?? usual);
      if (repair) mend(repair, true);
      break;
    }
  }
  return {
    minutes: bench.minutes,
    live: bench.live,
    wrongParts,
    found: found >= wanted && wanted > 0,
    harm: [...bench.harm],
  };
}

/**
 * Minutes of who knows the faults and only confirms them: each by the cheapest look that shows it, from outside in;
 * one that no look shows by the cheapest mend that cures it.
 */
export function bestOrder(engine: Engine, unit: MarkedUnit): number {
  const { levels, tests, repairs } = engine.model.path;
  const depth = (id: string) => levels.findIndex((level) => level.id === id);
  const cost = (one: PathTest | PathRepair) => one.handsMin + reaching(engine, untouched(engine), one);
  const cheapest = <T extends PathTest | PathRepair>(list: readonly T[]): T | undefined =>
    [...list].sort((a, b) => cost(a) - cost(b))[0];
  const steps = [...unit.faults].flatMap((ref) => {
    const alike = unit.alike?.(ref) ?? [ref];
    const looks = tests.filter((test) =>
      test.outcomes.some(({ id }) => faultsShown(test, id).some((one) => alike.includes(one))),
    );
    const cures = () =>
      repairs.filter(({ id }) => curedBy(engine.model.path, id).some(({ mode }) => alike.includes(mode)));
    const best = cheapest(looks) ?? cheapest(cures());
    return best ? [best] : [];
  });
  const bench = new Bench(engine, unit);
  for (const step of steps.sort((a, b) => depth(a.level) - depth(b.level))) {
    bench.reach(step);
    bench.minutes += step.handsMin;
  }
  return bench.minutes;
}
