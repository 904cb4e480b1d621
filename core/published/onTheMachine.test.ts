import { describe, expect, it } from 'vitest';
import * as marking from '../src/marking/index.js';
import { READ_ON_THE_MACHINE } from './onTheMachine.js';

/** Units of each fault that somebody would bring in; a slip of the hand and a size that hardly shows are let pass. */
const UNITS = 5;
const TRIES = 30;

const { markedUnit, pathFor } = marking;

describe.each(marking.MAPS.map((map) => [map.family, map] as const))(
  '%s: what is read on its machine',
  (family, map) => {
    const path = pathFor(map);
    const facts = Object.entries(READ_ON_THE_MACHINE[family] ?? {});

    it.each(facts)('%s: %s', (fault, said) => {
      const units: ReturnType<typeof markedUnit>[] = [];
      for (let i = 1; i <= TRIES && units.length < UNITS; i++) {
        const unit = markedUnit(map, [fault], 7_919 * i);
        if (unit.practice.complaint !== null || i > TRIES - UNITS) units.push(unit);
      }
      for (const one of said.split(' ')) {
        const [testId = '', answers = ''] = one.split('=');
        const test = path.tests.find(({ id }) => id === testId);
        if (!test) throw new Error(`${family} has no test ${testId}`);
        const known = test.outcomes.map(({ id }) => id);
        for (const answer of answers.split('|')) expect(known, `${testId}=${answer}`).toContain(answer);
        const read = units.map((unit) => unit.read(test, 'r').outcome);
        const fit = read.filter((outcome) => answers.split('|').includes(outcome)).length;
        expect(fit, `${one}, read ${[...new Set(read)].join(', ')}`).toBeGreaterThan(UNITS / 2);
      }
    });
  },
);
