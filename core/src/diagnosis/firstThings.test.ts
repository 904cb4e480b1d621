import { describe, expect, it } from 'vitest';
import { needsPower, PATHS, type DrivePath } from '../families/index.js';
import { adviseNext, engineOf, observationFrom, posteriorOf, untouched, type Event, type Situation } from './index.js';

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
  it.each(onMains)('%s is not switched on by the advice before its insulation was measured', (_id, path) => {
    const engine = engineOf(path);
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

  it('says so in words', () => {
    const path = PATHS.get('stand-mixer') as DrivePath;
    const engine = engineOf(path);
    const advice = adviseNext(engine, posteriorOf(engine, saw(path, ['runs-high=weak'])), untouched(engine));
    const [first] = advice.tests;
    expect([first?.test.id, first?.first]).toEqual(['insulation', 'before-power']);
  });

  it('a part is looked at before it is bought, where a look costs less than half of the mend', () => {
    const path = PATHS.get('stand-mixer') as DrivePath;
    const engine = engineOf(path);
    const told = saw(path, ['insulation=good', 'runs-high=weak', 'runs-low=weak', 'sparks=many', 'slot=sparks']);
    const done = new Set(['insulation', 'runs-high', 'runs-low', 'sparks', 'slot']);
    const advice = adviseNext(engine, posteriorOf(engine, told), { ...untouched(engine), done });
    expect(advice.next).toBe('test');
    const looked = new Set(['brush-look', 'commutator-look', 'armature-ohms', 'armature-spin']);
    expect(looked).toContain(advice.tests[0]?.test.id);
  });

  it('a part that was renewed is not bought again, found or not: a careful person looks elsewhere', () => {
    const path = PATHS.get('stand-mixer') as DrivePath;
    const engine = engineOf(path);
    const told = saw(path, ['runs-high=weak', 'runs-low=weak', 'brush-look=under-the-limit']);
    const mends = (mended: readonly string[]) =>
      adviseNext(engine, posteriorOf(engine, told), { ...untouched(engine), mended: new Set(mended) }).mends;
    const of = (list: ReturnType<typeof mends>) => list.find((one) => one.repair.id === 'brushes')?.forbidden;
    expect(of(mends([]))).toBeNull();
    expect(of(mends(['brushes']))).toMatch(/renewed once already/);
  });
});
