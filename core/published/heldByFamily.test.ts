import { describe, expect, it } from 'vitest';
import { engineOf, observationFrom, type Engine } from '../src/diagnosis/index.js';
import { matches } from '../src/diagnosis/observation.js';
import * as marking from '../src/marking/index.js';
import { READ_ON_THE_MACHINE } from './onTheMachine.js';

/** What a family holds less likely than this with a fault it denies: reading it speaks against the fault (chosen). */
const DENIED = 0.05;

/** Chance of an answer with one mode alone, slips left out, a fraction. */
function chanceOf(engine: Engine, mode: string, test: string, outcome: string): number {
  const { path } = engine.model;
  const read = observationFrom(path, { test, outcome }, 'r');
  if (read.kind !== 'observation') throw new Error(read.message);
  const fits = matches(engine, read.observation);
  const own = engine.space.indexOf.get(String(engine.model.modeOf.get(mode)));
  return engine.space.worlds.reduce(
    (sum, world, w) => (world.hypothesis === own ? sum + world.share * (fits[w] as number) : sum),
    0,
  );
}

/** The modes that stand for a machine's fault; null where it leads to another beside itself. */
const alone = (map: (typeof marking.MAPS)[number], fault: string): readonly string[] | null =>
  marking.markedUnit(map, [fault], 7_919).practice.faults.size === 1 ? (map.faults[fault] ?? '').split('|') : null;

describe.each(marking.MAPS.map((map) => [map.family, map] as const))(
  '%s: what a careful person reads with a fault does not speak against it',
  (family, map) => {
    const path = marking.pathFor(map);
    const engine = engineOf(path);
    const facts = Object.entries(READ_ON_THE_MACHINE[family] ?? {}).flatMap(([fault, said]) => {
      const modes = alone(map, fault);
      return modes ? [[fault, said, modes] as const] : [];
    });

    it.each(facts)('%s: %s', (_fault, said, modes) => {
      for (const one of said.split(' ')) {
        const [testId = '', answers = ''] = one.split('=');
        const test = path.tests.find(({ id }) => id === testId);
        // What a trace of the past tells says nothing of the parts it does not ask for.
        if (!test || test.marks) continue;
        const best = Math.max(
          ...answers.split('|').flatMap((answer) => modes.map((mode) => chanceOf(engine, mode, testId, answer))),
        );
        expect(best, one).toBeGreaterThan(DENIED);
      }
    });
  },
);
