/**
 * Two descriptions of one trade, made apart: machines that work by their equations, and the families' tables of what a
 * fault does to each test. What a machine with one fault reads is nothing that its family's table denies of that fault;
 * where they still differ it is written down (otherwise.json).
 */
import { describe, expect, it } from 'vitest';
import { engineOf, observationFrom, type Engine } from '../src/diagnosis/index.js';
import { matches } from '../src/diagnosis/observation.js';
import * as marking from '../src/marking/index.js';
import otherwise from './otherwise.json' with { type: 'json' };

/** What a family holds less likely than this with a fault it denies (chosen). */
const DENIED = 0.05;
/** Units of each fault, of which most must agree; a slip of the hand is let pass. */
const [UNITS, MOST] = [3, 2];

/** Chance of an answer by each set of faults, slips left out, a fraction. */
function chancesOf(engine: Engine, test: string, outcome: string): ReadonlyMap<string, number> {
  const read = observationFrom(engine.model.path, { test, outcome }, 'r');
  if (read.kind !== 'observation') throw new Error(read.message);
  const fits = matches(engine, read.observation);
  const chances = new Map<string, number>();
  engine.space.worlds.forEach(({ hypothesis, share }, w) => {
    const key = String(hypothesis);
    chances.set(key, (chances.get(key) ?? 0) + share * (fits[w] as number));
  });
  return chances;
}

describe.each(marking.MAPS.map((map) => [map.family, map] as const))('%s', (family, map) => {
  const path = marking.pathFor(map);
  const engine = engineOf(path);
  const known = new Map<string, ReadonlyMap<string, number>>();
  const chances = (test: string, outcome: string) => {
    const key = `${test}=${outcome}`;
    const found = known.get(key) ?? chancesOf(engine, test, outcome);
    known.set(key, found);
    return found;
  };
  const written = (otherwise.families as Readonly<Record<string, Readonly<Record<string, string>>>>)[family] ?? {};
  const alone = map.machine.faults.filter(({ id }) => marking.markedUnit(map, [id], 7_919).practice.faults.size === 1);

  it('what is written down is of faults that are asked', () => {
    expect(Object.keys(written).filter((fault) => !alone.some(({ id }) => id === fault))).toEqual([]);
  });

  it.each(alone.map(({ id }) => id))('%s', (fault) => {
    const own = (map.faults[fault] ?? '')
      .split('|')
      .map((mode) => String(engine.space.indexOf.get(String(engine.model.modeOf.get(mode)))));
    // One that leads to another in some units is asked of those that have it alone.
    const units = Array.from({ length: 10 * UNITS }, (_, i) => marking.markedUnit(map, [fault], 7_919 * (i + 1)))
      .filter(({ practice }) => practice.faults.size === 1)
      .slice(0, UNITS);
    const denied = path.tests
      .filter((test) => !test.marks)
      .flatMap((test) => {
        const said = units.flatMap((unit) => {
          const { outcome, slip } = unit.read(test, 'r');
          return slip ? [] : [outcome];
        });
        const usual = said.find((one) => said.filter((other) => other === one).length >= MOST);
        if (usual === undefined) return [];
        const best = Math.max(...own.map((one) => chances(test.id, usual).get(one) ?? 0));
        return best > DENIED ? [] : [`${test.id}=${usual}`];
      });
    expect(denied.join(' ')).toBe(written[fault] ?? '');
  });
});
