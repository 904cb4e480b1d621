/** Plays a whole case: the advice asks, the unit of the case answers, until the last fault is mended or nothing is left to do. */
import {
  adviseNext,
  complaintIn,
  engineOf,
  eventsFrom,
  healthyAnswer,
  modeRank,
  nextStep,
  posteriorOf,
  suspectsOf,
  untouched,
  type CaseEntry,
  type Engine,
  type Event,
  type Situation,
} from '../../src/diagnosis/index.js';
import { PATHS, needsPower, variantPath, type DrivePath, type PathTest } from '../../src/families/index.js';
import type { WholeCase } from './wholeCase.js';

export interface Ran {
  readonly id: string;
  /** Place of the first of the case's faults among the suspects once all that was said is known; 1 leads. */
  readonly rank: number;
  /** Its block's place. */
  readonly share: number;
  /** Largest share of any block then. */
  readonly lead: number;
  readonly tests: number;
  readonly careful: number;
  readonly asked: readonly string[];
  readonly solved: boolean;
  readonly wrongMends: readonly string[];
  readonly violations: readonly string[];
  readonly problem: string | null;
}

/** "test: answer", "test: value unit", "work: block", "mend: id = result", "trial: how part = result volts amps". */
function entryOf(path: DrivePath, line: string): CaseEntry {
  const [head, rest] = line.split(/: (.*)/s) as [string, string];
  if (head === 'work') return { work: rest.split(', ') };
  if (head === 'mend') {
    const [mend, result] = rest.split(' = ') as [string, never];
    return result ? { mend, result } : { mend };
  }
  if (head === 'trial') {
    const [what, came] = rest.split(' = ') as [string, string];
    const [trial, part] = what.split(' ') as [never, string];
    const [result, ...more] = came.split(' ') as [never, ...string[]];
    const of = (unit: string) => {
      const at = more.indexOf(unit);
      return at > 0 ? Number(more[at - 1]) : undefined;
    };
    return { trial, part, result, volts: of('V'), amps: of('A') };
  }
  const value = /^(-?[\d.]+) (\S+)$/.exec(rest);
  const known = path.tests.find((test) => test.id === head)?.outcomes.some((one) => one.id === rest);
  return value && !known ? { test: head, value: Number(value[1]), unit: value[2] } : { test: head, outcome: rest };
}

const MOST_STEPS = 40;

export function runCase(one: WholeCase): Ran {
  const family = PATHS.get(one.family);
  if (!family) throw new Error(one.family);
  const engine = engineOf(variantPath(family, one.variant ?? {}));
  return new Run(engine, one).play();
}

class Run {
  private readonly entries: CaseEntry[];
  private events: readonly Event[] = [];
  private readonly done: string[] = [];
  private readonly asked: string[] = [];
  private readonly mended = new Map<string, number>();
  private readonly wrong: string[] = [];
  private readonly violations: string[] = [];
  private situation: Situation;
  private left: string[];
  private readonly cured: string[] = [];

  constructor(
    private readonly engine: Engine,
    private readonly one: WholeCase,
  ) {
    this.entries = one.said.map((line) => entryOf(engine.model.path, line));
    this.situation = untouched(engine);
    this.left = [...one.truth];
    for (const entry of this.entries) if ('test' in entry) this.done.push(entry.test);
  }

  play(): Ran {
    const { path } = this.engine.model;
    const problem = this.read();
    const suspects = suspectsOf(this.engine, posteriorOf(this.engine, this.events));
    const ranks = this.one.truth.map((ref) => modeRank(suspects, ref));
    const rank = Math.min(...ranks);
    const first = this.one.truth[ranks.indexOf(rank)]?.split('.')[0];
    const share = suspects.find((suspect) => suspect.block === first)?.share ?? 0;
    if (!problem) for (let step = 0; step < MOST_STEPS && this.step(path); step++);
    return {
      id: this.one.id,
      rank,
      share,
      lead: suspects[0]?.share ?? 0,
      tests: this.asked.length,
      careful: this.one.careful.length,
      asked: this.asked,
      solved: this.left.length === 0,
      wrongMends: this.wrong,
      violations: this.violations,
      problem,
    };
  }

  /** Everything so far as events; what cannot be read, in words. */
  private read(): string | null {
    const read = eventsFrom(this.engine.model.path, this.entries);
    if ('reason' in read) return read.message;
    this.events = read.events;
    return null;
  }

  private step(path: DrivePath): boolean {
    if (this.left.length === 0) return false;
    const since = this.entries.findLastIndex((entry) => 'mend' in entry || 'work' in entry) + 1;
    const done = new Set(this.entries.slice(since).flatMap((entry) => ('test' in entry ? [entry.test] : [])));
    this.situation = { ...this.situation, done, mended: this.mended };
    const advice = adviseNext(this.engine, posteriorOf(this.engine, this.events), this.situation);
    const next = nextStep(path, advice);
    if (!next) return false;
    if (next.kind === 'mend') return this.mend(next.id);
    const test = path.tests.find((each) => each.id === next.id) as PathTest;
    this.judge(`test ${test.id}`, needsPower(test));
    this.asked.push(test.id);
    this.done.push(test.id);
    this.entries.push(entryOf(path, `${test.id}: ${this.answer(test)}`));
    const problem = this.read();
    if (problem) throw new Error(`${this.one.id}: ${problem}`);
    const depth = (id: string) => path.levels.findIndex((level) => level.id === id);
    const level = depth(test.level) > depth(this.situation.level) ? test.level : this.situation.level;
    const power = needsPower(test) ? 'live' : test.power === 'either' ? this.situation.power : 'dead';
    this.situation = { ...this.situation, level, power };
    return true;
  }

  /** What the unit shows: what the case names, at rest where nothing runs, else as a sound unit. */
  private answer(test: PathTest): string {
    const changed = this.cured.map((ref) => this.one.then?.[ref]?.[test.id]).find((each) => each !== undefined);
    const own = changed ?? this.one.shows[test.id];
    if (own !== undefined) return own;
    if (test.marks) return test.outcomes.find((each) => each.mark === null)?.id ?? '';
    if (this.one.still && test.signal !== null && test.power !== 'dead') {
      const rest = this.engine.model.path.signals.find((each) => each.id === test.signal)?.rest ?? '';
      return test.outcomes.find((each) => each.states.includes(rest))?.id ?? '';
    }
    return healthyAnswer(this.engine, test)?.id ?? '';
  }

  private mend(id: string): boolean {
    const { path } = this.engine.model;
    const repair = path.repairs.find((each) => each.id === id);
    if (!repair) return false;
    this.judge(`mend ${id}`, repair.power === 'running');
    const cures = (ref: string) =>
      repair.cures.some((cure) => cure === ref || cure === `${ref.split('.')[0]}.*` || cure.startsWith(`${ref}.`));
    const cured = this.left.filter(cures);
    if (cured.length === 0) this.wrong.push(id);
    this.left = this.left.filter((ref) => !cured.includes(ref));
    this.cured.push(...cured);
    this.mended.set(id, (this.mended.get(id) ?? 0) + 1);
    const complaint = complaintIn(path, this.events).length > 0;
    this.entries.push(
      this.left.length === 0 || !complaint
        ? { mend: id }
        : { mend: id, result: cured.length > 0 ? 'better' : 'no-change' },
    );
    const problem = this.read();
    if (problem) throw new Error(`${this.one.id}: ${problem}`);
    return true;
  }

  /** Advice that must not come, by the words of the case. */
  private judge(advice: string, power: boolean): void {
    for (const rule of this.one.never ?? []) {
      const [what, until] = rule.split(' until ') as [string, string | undefined];
      const meant = what === 'power' ? power : what === advice;
      if (meant && !(until?.split('|').some((test) => this.done.includes(test)) ?? false))
        this.violations.push(`${advice} (${rule})`);
    }
  }
}
