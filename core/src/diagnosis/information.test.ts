/** Bits by the identity of the books, I = H(answer) + H(thing) − H(both), and by cases that can be counted on fingers. */
import { describe, expect, it } from 'vitest';
import type { DrivePath, PathTest } from '../families/index.js';
import { engineOf } from './engine.js';
import { information, pairInformation, splitter, targetOf } from './information.js';
import type { Observation } from './observation.js';
import { posteriorOf } from './posterior.js';
import { SMALL } from './smallPath.test-data.js';
import { suspectsOf } from './suspects.js';

/** The small path with tests that never slip, or slip so often. */
const pathOf = (reliability: number): DrivePath => ({
  ...SMALL,
  tests: SMALL.tests.map((test) => ({ ...test, reliability })),
});
const testOf = (path: DrivePath, id: string): PathTest => {
  const found = path.tests.find((one) => one.id === id);
  if (!found) throw new Error(id);
  return found;
};
const entropy = (chances: Iterable<number>) => {
  let bits = 0;
  for (const chance of chances) if (chance > 0) bits -= chance * Math.log2(chance);
  return bits;
};
const stand = (reliability: number) => {
  const path = pathOf(reliability);
  const engine = engineOf(path);
  const before = posteriorOf(engine, []);
  return { path, engine, before, target: targetOf(engine, before, before) };
};

describe('what two answers tell together', () => {
  const pairs = [
    ['volts', 'light'],
    ['light', 'motor-look'],
    ['volts', 'motor-look'],
    ['light', 'light'],
  ] as const;

  it.each(pairs)('%s and %s: H(answers) + H(fault) − H(both) of what lies inside the model', (one, other) => {
    const { path, engine, before, target } = stand(1);
    const [a, b] = [testOf(path, one), testOf(path, other)];
    const [first, second] = [engine.answers(a), engine.answers(b)];
    const [joint, answers, faults] = [new Map<string, number>(), new Map<string, number>(), new Map<number, number>()];
    const add = <K>(to: Map<K, number>, key: K, share: number) => to.set(key, (to.get(key) ?? 0) + share);
    let inside = 0;
    before.worlds.forEach((share, w) => {
      const thing = target.classes[engine.space.worlds[w]?.hypothesis ?? 0] as number;
      const said = `${first[w]} ${second[w]}`;
      add(joint, `${thing}: ${said}`, share);
      add(answers, said, share);
      add(faults, thing, share);
      inside += share;
    });
    const parts = (of: Map<unknown, number>) => [...of.values()].map((share) => share / inside);
    const bits = entropy(parts(answers)) + entropy(parts(faults)) - entropy(parts(joint));
    const told = pairInformation(engine, before, target, a, b);
    expect(told).toBeGreaterThan(0.05);
    expect(told).toBeCloseTo(inside * bits, 6);
    // The order does not matter.
    expect(pairInformation(engine, before, target, b, a)).toBeCloseTo(told, 9);
  });

  it('is no less than one tells, and no more than both tell by themselves, of independent parts', () => {
    const { path, engine, before, target } = stand(1);
    const [volts, light] = [testOf(path, 'volts'), testOf(path, 'light')];
    const together = pairInformation(engine, before, target, volts, light);
    const alone = (test: PathTest) => pairInformation(engine, before, target, test, test);
    expect(together).toBeGreaterThan(Math.max(alone(volts), alone(light)));
    expect(together).toBeLessThan(alone(volts) + alone(light));
  });

  it('counts as far as both can be believed: 0.9 and 0.9 leave 0.81', () => {
    const [sure, doubted] = [stand(1), stand(0.9)];
    const told = ({ path, engine, before, target }: ReturnType<typeof stand>) =>
      pairInformation(engine, before, target, testOf(path, 'volts'), testOf(path, 'light'));
    expect(told(doubted) / told(sure)).toBeCloseTo(0.81, 6);
  });
});

describe('what one answer tells', () => {
  it('is the most it can be where it never slips, less where it does, nothing where it is a coin', () => {
    const of = (reliability: number) => {
      const { path, engine, before, target } = stand(reliability);
      return information(engine, before, testOf(path, 'light'), target);
    };
    const [sure, often, coin] = [of(1), of(0.8), of(0)];
    expect(sure.bits).toBeGreaterThan(often.bits);
    expect(often.bits).toBeGreaterThan(0);
    expect(coin.bits).toBeCloseTo(0, 9);
    for (const { chances } of [sure, often, coin]) expect(chances.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 9);
    expect(coin.chances[0]).toBeCloseTo(0.5, 9);
    // A bit at most of two answers.
    expect(sure.bits).toBeLessThan(1);
  });

  it('the likeliest suspects are sorted by the answer each makes likeliest', () => {
    const { path, engine, before } = stand(1);
    const suspects = suspectsOf(engine, before);
    const light = testOf(path, 'light');
    const [dark, lit] = splitter(engine, before, suspects)(light);
    // A dead supply or a burnt lamp leave it dark; a motor does nothing to it.
    expect([...(dark ?? [])].sort()).toEqual(['lamp', 'supply']);
    expect(lit).toEqual(['motor']);
  });
});

describe('what is looked for', () => {
  it('is every fault while nothing speaks for any, then those that something speaks for', () => {
    const { engine, before } = stand(1);
    const all = targetOf(engine, before, before);
    expect(new Set(all.classes).size).toBe(engine.space.hypotheses.length);
    expect(all.shares.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1 - before.outside, 9);
    const saw: Observation = {
      id: 'o',
      context: {},
      reliability: 0.98,
      saw: { kind: 'signal', signal: 'light', weights: { dark: 1 } },
    };
    const dark = posteriorOf(engine, [{ kind: 'saw', observation: saw }]);
    const now = targetOf(engine, dark, before);
    // Lamp and supply are parted; what the motor may have beside them is one and the same.
    const { model, space } = engine;
    const nameOf = (m: number) => model.modes[m]?.ref ?? '';
    const key = (h: number) =>
      (space.hypotheses[h]?.modes ?? [])
        .map(nameOf)
        .filter((ref) => !ref.startsWith('motor'))
        .join();
    const byClass = new Map<number, Set<string>>();
    now.classes.forEach((of, h) => byClass.set(of, (byClass.get(of) ?? new Set()).add(key(h))));
    for (const keys of byClass.values()) expect(keys.size).toBe(1);
    expect(now.shares.length).toBeLessThan(all.shares.length);
  });
});
