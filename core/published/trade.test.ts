/**
 * Facts of the trade, common practice with no published source: what a repairer of each kind of machine
 * thinks of first when he is told the symptom. The priors and tables of the families must agree: the part
 * named stands among the first three suspects, and a part that the symptom clears is hardly thought of.
 */
import { describe, expect, it } from 'vitest';
import {
  engineOf,
  observationFrom,
  posteriorOf,
  suspectsOf,
  type Engine,
  type Event,
  type Suspect,
} from '../src/diagnosis/index.js';
import { PATHS } from '../src/families/index.js';
import { FACTS } from './tradeFacts.js';

const engines = new Map<string, Engine>();
function ready(family: string): Engine {
  const known = engines.get(family);
  if (known) return known;
  const path = PATHS.get(family);
  if (!path) throw new Error(`no path for ${family}`);
  const made = engineOf(path);
  engines.set(family, made);
  return made;
}

/** Suspects by share after answers written "test=answer test=answer". */
function ranked(family: string, answers: string): Suspect[] {
  const engine = ready(family);
  const events = answers.split(' ').map((text, i): Event => {
    const [test, outcome] = text.split('=') as [string, string];
    const read = observationFrom(engine.model.path, { test, outcome }, String(i));
    if (read.kind !== 'observation') throw new Error(read.message);
    return { kind: 'saw', observation: read.observation };
  });
  return suspectsOf(engine, posteriorOf(engine, events));
}

/** A part that the symptom clears has less than this, or no more than in a unit of which nothing is known. */
const UNLIKELY = 0.15;

describe.each(Object.entries(FACTS))('%s', (family, facts) => {
  it.each(facts)('$says', ({ answers, first, not }) => {
    const suspects = ranked(family, answers);
    const three = suspects.slice(0, 3).map((one) => one.block);
    for (const block of first) expect(three).toContain(block);
    const before = suspectsOf(ready(family), posteriorOf(ready(family), []));
    const share = (list: readonly Suspect[], block: string) => list.find((one) => one.block === block)?.share ?? 1;
    for (const block of not)
      expect(share(suspects, block), block).toBeLessThan(Math.max(UNLIKELY, share(before, block)));
  });
});

it('every family has facts of its own, some of what it is not', () => {
  for (const id of PATHS.keys()) {
    expect(FACTS[id]?.length, id).toBeGreaterThanOrEqual(3);
    expect(
      FACTS[id]?.some(({ not }) => not.length > 0),
      id,
    ).toBe(true);
  }
});
