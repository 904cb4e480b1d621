/**
 * What holds a family's path together: blocks nobody can reach, faults that no test sees, tests that
 * split nothing, and pairs of faults that no test can tell apart.
 */
import type { Context, DrivePath } from '../families/index.js';
import type { Engine } from './engine.js';

/** What can be said of a path without any unit. */
export interface PathReport {
  readonly hypotheses: number;
  readonly worlds: number;
  /** Blocks whose outputs no test and no other block reads. */
  readonly unread: readonly string[];
  /** Faults that every test answers as a healthy unit would. */
  readonly unseen: readonly string[];
  /** States, as "signal: state", that no single fault brings about in any condition. */
  readonly never: readonly string[];
  /** Tests that answer alike for every single fault. */
  readonly idle: readonly string[];
  /** Pairs of single faults that every test answers alike, and whether one repair cures both. */
  readonly alike: readonly { readonly modes: readonly [string, string]; readonly sameRepair: boolean }[];
}

/** The report of a path with its pairs; every test is asked of every single fault. */
export function reportOf(engine: Engine): PathReport {
  const { model, space } = engine;
  const { path } = model;
  const read = new Set<string>([
    ...path.blocks.flatMap((block) => block.inputs),
    ...path.tests.flatMap((test) => (test.signal ? [test.signal] : [])),
  ]);
  const looked = new Set(path.tests.flatMap((test) => (test.block ? [test.block] : [])));
  const singles = space.hypotheses.flatMap((one, h) => (one.modes.length <= 1 ? [h] : []));
  const answers = path.tests.map((test) => singles.map((h) => answerOf(engine, test.id, h)));
  const columns = singles.map((_h, i) => answers.map((row) => row[i]).join('|'));
  const healthy = columns[0] ?? '';
  const modes = singles.map((h) => model.modes[space.hypotheses[h]?.modes[0] ?? -1]?.ref ?? '');
  const alike: { modes: readonly [string, string]; sameRepair: boolean }[] = [];
  for (let i = 1; i < columns.length; i++)
    for (let j = i + 1; j < columns.length; j++)
      if (columns[i] === columns[j] && columns[i] !== healthy)
        alike.push({
          modes: [modes[i] as string, modes[j] as string],
          sameRepair: oneRepair(engine, modes[i] as string, modes[j] as string),
        });
  return {
    hypotheses: space.hypotheses.length,
    worlds: space.worlds.length,
    unread: path.blocks
      .filter((block) => !looked.has(block.id) && !block.outputs.some((out) => read.has(out)))
      .map((block) => block.id),
    unseen: modes.filter((_mode, i) => i > 0 && columns[i] === healthy),
    never: neverSeen(engine, singles),
    idle: path.tests.filter((test, t) => !test.marks && new Set(answers[t]).size === 1).map((test) => test.id),
    alike,
  };
}

/** Every condition that a test asks for, and every condition by itself. */
function contextsOf(path: DrivePath): Context[] {
  const alone = path.contexts.flatMap(({ id, values }) => values.map((value) => ({ [id]: value })));
  return [...path.tests.map((test) => test.context), ...alone];
}

function neverSeen(engine: Engine, singles: readonly number[]): string[] {
  const { model, space } = engine;
  const { path } = model;
  const count = model.states.length;
  const single = new Set(singles);
  const worlds = space.worlds.flatMap((world, w) => (single.has(world.hypothesis) ? [w] : []));
  const seen = path.signals.map((signal) => new Set([signal.states.indexOf(signal.rest)]));
  for (const context of contextsOf(path)) {
    const settled = engine.settled(context);
    for (const w of worlds) seen.forEach((states, s) => states.add(settled[w * count + s] as number));
  }
  return path.signals.flatMap((signal, s) =>
    signal.states.flatMap((state, i) => (seen[s]?.has(i) ? [] : [`${signal.id}: ${state}`])),
  );
}

/** The answers a test can give under a hypothesis, over its worlds, as one word. */
function answerOf(engine: Engine, testId: string, hypothesis: number): string {
  const { model, space } = engine;
  const test = model.path.tests.find((one) => one.id === testId);
  if (!test) return '';
  const words = new Set<string>();
  space.worlds.forEach((world, w) => {
    if (world.hypothesis !== hypothesis) return;
    words.add(test.outcomes[engine.answers(test)[w] as number]?.id ?? '?');
  });
  return [...words].sort().join('/');
}

function oneRepair(engine: Engine, a: string, b: string): boolean {
  const cures = (refs: readonly string[], mode: string) =>
    refs.some((ref) => ref === mode || (ref.endsWith('.*') && mode.startsWith(ref.slice(0, -1))));
  return engine.model.path.repairs.some((repair) => cures(repair.cures, a) && cures(repair.cures, b));
}
