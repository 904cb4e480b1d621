import { describe, expect, it } from 'vitest';
import { needsPower, PATHS, type DrivePath } from '../families/index.js';
import {
  adviseNext,
  observationFrom,
  posteriorOf,
  reasonOf,
  counted,
  untouched,
  type Event,
  type Situation,
} from './index.js';
import { ready } from './everyFamily.test-data.js';

/** The families on the mains: those in which the insulation of what hangs on it can be measured. */
const onMains = [...PATHS].filter(([, path]) => path.tests.some((test) => test.id === 'insulation'));

const saw = (path: DrivePath, entries: readonly string[]): Event[] =>
  entries.map((entry, i) => {
    const [test, outcome] = entry.split('=') as [string, string];
    const read = observationFrom(path, { test, outcome }, `e${i}`);
    if (read.kind !== 'observation') throw new Error(read.message);
    return { kind: 'saw', observation: read.observation };
  });

describe('what comes before the best test', () => {
  it.each(onMains)('%s is not switched on by the advice before its insulation was measured', (id, path) => {
    const engine = ready(id);
    let situation: Situation = untouched(engine);
    const events: Event[] = [];
    // The advice is followed with answers of a sound unit, twelve steps far, as it was brought in without a word.
    for (let step = 0; step < 12; step++) {
      const advice = adviseNext(engine, posteriorOf(engine, events), situation);
      const next = advice.tests.find((one) => one.forbidden === null);
      if (advice.next !== 'test' || !next) break;
      if (needsPower(next.test)) expect(situation.done).toContain('insulation');
      const healthy = next.test.outcomes.find((one) => one.words === next.healthy) ?? next.test.outcomes[0];
      events.push(...saw(path, [`${next.test.id}=${healthy?.id ?? ''}`]));
      situation = { ...situation, done: new Set([...situation.done, next.test.id]) };
    }
    expect(events.length).toBeGreaterThan(0);
  });

  it('a winding seen sound that everything else speaks for is measured once more before the pack goes in (measure twice)', () => {
    const engine = ready('cordless-brushless');
    const { path } = engine.model;
    const told = [
      'full=kicks-once-and-stops',
      'load-turn=free-and-tight',
      'winding-ohms=alike',
      'harness-ohms=through',
      'bridge-diode=alike',
      'first=nothing-special',
      'motor-known=runs',
      'pack-volts=holds',
      'contact-ohms=through',
      'pot-ohms=smooth',
      'bulk-capacitor=in-tolerance',
    ];
    const done = (of: readonly string[]) => new Set(of.map((one) => one.split('=')[0] ?? ''));
    const ask = (of: readonly string[]) =>
      adviseNext(engine, posteriorOf(engine, saw(path, of)), { ...untouched(engine), level: 'board', done: done(of) });
    const twice = new Set<string>();
    const answers = [...told];
    for (let step = 0; step < 8; step++) {
      const advice = ask(answers);
      const [first] = advice.tests;
      if (!first || (first.first !== 'before-power' && first.first !== 'twice')) break;
      expect(first.test.power).toBe('dead');
      const before = answers.find((one) => one.startsWith(`${first.test.id}=`));
      expect(before !== undefined, first.test.id).toBe(first.first === 'twice');
      if (before !== undefined) {
        twice.add(first.test.id);
        expect(reasonOf(first)).toMatch(/^seen sound once, and everything else speaks against it: once more before/);
      }
      answers.push(before ?? `${first.test.id}=${first.test.outcomes[0]?.id ?? ''}`);
    }
    expect([...twice]).toContain('winding-ohms');
    // Seen so twice it is so: nothing is asked a third time.
    expect(answers.filter((one) => one.startsWith('winding-ohms='))).toHaveLength(2);
  });

  it('says so in words', () => {
    const engine = ready('stand-mixer');
    const { path } = engine.model;
    const advice = adviseNext(engine, posteriorOf(engine, saw(path, ['runs-high=weak'])), untouched(engine));
    const [first] = advice.tests;
    expect([first?.test.id, first?.first]).toEqual(['insulation', 'before-power']);
  });

  it.each([
    // Its lamp hangs before the rail: lit, it says nothing of a short behind it.
    ['belt-turntable-dc', ['lamp=lit', 'speed-33=still'], ['insulation', 'spin-pulley', 'rails-ohms']],
    // Its lamps hang behind the rail: lit, the rail is not shorted.
    ['cassette-belt', ['lamps=lit', 'play=still'], ['insulation', 'spin-pulley']],
    // A drill that is weak: whatever it is, a swollen cell is seen before the pack goes in.
    ['tool-brushed', ['full=weak'], ['pack-volts']],
    // A whole fuse, a free load and even windings leave the bridge behind them unseen.
    ['cordless-brushless', ['full=kicks-once-and-stops'], ['load-turn', 'winding-ohms', 'bridge-diode']],
  ])(
    '%s as it was told of: what power would make worse is looked for before it is switched on again (common practice)',
    (id, told, owed) => {
      const path = PATHS.get(id) as DrivePath;
      const engine = ready(id);
      const events = saw(path, told);
      let situation: Situation = { ...untouched(engine), done: new Set(told.map((one) => one.split('=')[0] ?? '')) };
      for (let step = 0; ; step++) {
        expect(step).toBeLessThan(25);
        const advice = adviseNext(engine, posteriorOf(engine, events), situation);
        const next = advice.tests.find((one) => one.forbidden === null);
        if (!next || needsPower(next.test)) break;
        if (next.test.id === 'spin-pulley' && next.first === 'before-power')
          expect(reasonOf(next)).toMatch(/^before it is switched on: power would make worse what this may find; about/);
        const healthy = next.test.outcomes.find((one) => one.words === next.healthy) ?? next.test.outcomes[0];
        events.push(...saw(path, [`${next.test.id}=${healthy?.id ?? ''}`]));
        situation = { ...situation, level: next.test.level, done: new Set([...situation.done, next.test.id]) };
      }
      for (const test of owed) expect(situation.done, test).toContain(test);
    },
  );

  it('the words say why: a live case, or what power would make worse', () => {
    const engine = ready('cassette-belt');
    const { path } = engine.model;
    const { tests } = adviseNext(engine, posteriorOf(engine, []), untouched(engine));
    const as = (id: string) => {
      const one = tests.find(({ test }) => test.id === id) ?? tests[0];
      const test = path.tests.find((other) => other.id === id);
      if (!one || !test) throw new Error(`no ${id}`);
      return reasonOf({ ...one, test, first: 'before-power' });
    };
    expect(as('insulation')).toContain('a case may be live');
    expect(as('rails-ohms')).toContain('power would make worse what this may find');
  });

  it('a part is looked at before it is bought, where a look costs less than half of the mend', () => {
    const engine = ready('stand-mixer');
    const { path } = engine.model;
    const told = saw(path, ['insulation=good', 'runs-high=weak', 'runs-low=weak', 'sparks=many', 'slot=sparks']);
    const done = new Set(['insulation', 'runs-high', 'runs-low', 'sparks', 'slot']);
    const advice = adviseNext(engine, posteriorOf(engine, told), { ...untouched(engine), done });
    expect(advice.next).toBe('test');
    const looked = new Set(['brush-look', 'commutator-look', 'armature-ohms', 'armature-spin']);
    expect(looked).toContain(advice.tests[0]?.test.id);
  });

  it('a part that was renewed is not bought again, found or not: a careful person looks elsewhere', () => {
    const engine = ready('stand-mixer');
    const { path } = engine.model;
    const told = saw(path, ['runs-high=weak', 'runs-low=weak', 'brush-look=under-the-limit']);
    const mends = (mended: readonly string[]) =>
      adviseNext(engine, posteriorOf(engine, told), { ...untouched(engine), mended: counted(mended) }).mends;
    const of = (list: ReturnType<typeof mends>) => list.find((one) => one.repair.id === 'brushes')?.forbidden;
    expect(of(mends([]))).toBeNull();
    expect(of(mends(['brushes']))).toMatch(/renewed once already/);
  });
});
