/** What must hold in every family, whatever is answered. */
import { describe, expect, it } from 'vitest';
import { PATHS, type DrivePath, type PathTest } from '../families/index.js';
import { seeded, type Random } from '../numeric/index.js';
import { ready, pick, eventsOf } from './everyFamily.test-data.js';
import { engineOf, modeRank, posteriorOf, suspectsOf, type CaseEntry } from './index.js';

const answer = (test: PathTest, random: Random): CaseEntry => ({
  test: test.id,
  outcome: pick(test.outcomes, random).id,
});

describe.each([...PATHS.keys()])('%s', (id) => {
  it('a fault seen at its part never falls below a half by readings elsewhere', () => {
    const engine = ready(id);
    const { path } = engine.model;
    const random = seeded(id.length * 104_729);
    const looks = path.tests.flatMap((test) =>
      test.block === null
        ? []
        : test.outcomes.filter((one) => !one.modes.includes('healthy')).map((outcome) => ({ test, outcome })),
    );
    const elsewhere = path.tests.filter((test) => test.signal !== null || test.marks);
    for (let i = 0; i < 25; i++) {
      const { test, outcome } = pick(looks, random);
      const others = Array.from({ length: 6 }, () => answer(pick(elsewhere, random), random));
      const seen: CaseEntry[] = [{ test: test.id, outcome: outcome.id }];
      const entries = i % 2 === 0 ? [...seen, ...others] : [...others, ...seen];
      const suspects = suspectsOf(engine, posteriorOf(engine, eventsOf(path, entries)));
      // The swollen cell, told at take-in, is a look at the pack as well.
      if (others.some((one) => 'outcome' in one && /swollen/.test(one.outcome ?? ''))) continue;
      // A look that may show what is not there (a trim sets right what something else put wrong) holds as far as it is right.
      expect(suspects.find((one) => one.block === test.block)?.share, `${test.id} ${outcome.id}`).toBeGreaterThan(
        Math.min(0.9, test.positive - 0.05),
      );
    }
  });

  it('an observation moves the leader by no more than its likelihoods allow', () => {
    const engine = ready(id);
    const { path } = engine.model;
    const random = seeded(id.length * 1299);
    const tests = path.tests.filter((test) => test.signal !== null);
    for (let i = 0; i < 20; i++) {
      const before = Array.from({ length: 3 }, () => answer(pick(tests, random), random));
      const fresh = tests.filter(
        (test) =>
          !before.some(
            (one) => 'test' in one && path.tests.find((each) => each.id === one.test)?.signal === test.signal,
          ),
      );
      const more = answer(pick(fresh, random), random);
      const was = posteriorOf(engine, eventsOf(path, before));
      const is = posteriorOf(engine, eventsOf(path, [...before, more]));
      const group = is.groups.find((one) => one.ids.includes('3'));
      if (!group) throw new Error('no group');
      const all = [...group.likelihood, ...group.beyond];
      const most = Math.max(...all) / Math.min(...all);
      const [leader] = suspectsOf(engine, was);
      const now = suspectsOf(engine, is).find((one) => one.block === leader?.block);
      const odds = (share: number) => share / (1 - share);
      const ratio = odds(now?.share ?? 0) / odds(leader?.share ?? 0);
      expect(ratio).toBeLessThanOrEqual(most * 1.000001);
      expect(ratio).toBeGreaterThanOrEqual(1 / most / 1.000001);
    }
  });

  it('every fault is reached by the tests of its family', () => {
    const path = PATHS.get(id) as DrivePath;
    const engine = engineOf(path, { most: 1, leastMore: Infinity });
    for (const block of path.blocks)
      for (const mode of block.modes) {
        const ref = `${block.id}.${mode.id}`;
        const m = engine.model.modeOf.get(ref) ?? -1;
        const h = engine.space.hypotheses.findIndex((one) => one.modes.length === 1 && one.modes[0] === m);
        const w = engine.space.worlds.findIndex((world) => world.hypothesis === h);
        const told = path.tests.flatMap((test): CaseEntry[] => {
          const outcome = test.outcomes[engine.answers(test)[w] as number];
          return outcome ? [{ test: test.id, outcome: outcome.id }] : [];
        });
        const work: CaseEntry[] = mode.byWork ? [{ work: block.id }] : [];
        const suspects = suspectsOf(engine, posteriorOf(engine, eventsOf(path, [...work, ...told])));
        expect(suspects[0]?.block, ref).toBe(block.id);
        // What no test tells apart is cured by one mend, which the family's page says.
        expect(modeRank(suspects, ref), ref).toBeLessThanOrEqual(4);
      }
  });
});
