/** A path made ready: its hypotheses and worlds, and their settled states by context, computed when first asked for. */
import { ownEntry } from '../quantity/index.js';
import type { Context, DrivePath, PathTest } from '../families/index.js';
import { beyondOf, type Beyond } from './beyond.js';
import { spaceOf, type Space } from './hypotheses.js';
import { contextIndex, NO_KNOWLEDGE, numberModel, type Knowledge, type NumberModel, type NumberRow } from './model.js';
import { rowsInContext, settleRows } from './propagate.js';
import { LEAST_TRIPLE, STRAY_MARK } from './defaults.js';

/** A path made ready for reasoning; made once, never changed. */
export interface Engine {
  readonly model: NumberModel;
  readonly space: Space;
  readonly beyond: Beyond;
  /** Settled states in a context: signal s of world w at w * signals + s. */
  settled(context: Context): Int8Array;
  /** The answer that a test gives in each world, by index; -1 where none of its answers fits, or where it is a matter of chance. */
  answers(test: PathTest): Int8Array;
  /** Chance of each answer of a question about marks: hypothesis h, answer a at h * answers + a. */
  markChances(test: PathTest): Float64Array;
}

interface Reach {
  /** Faults at once that are always thought of. */
  readonly most?: number;
  /** Odds from which one fault more is thought of. */
  readonly leastMore?: number;
  /** What the bench has confirmed itself. */
  readonly knowledge?: Knowledge;
}

/** Every single fault and every pair, and the likeliest triples, unless `reach` says otherwise. */
export function engineOf(path: DrivePath, reach: Reach = {}): Engine {
  const model = numberModel(path, reach.knowledge ?? NO_KNOWLEDGE);
  const space = spaceOf(model, reach.most ?? 2, reach.leastMore ?? LEAST_TRIPLE);
  const cache = new Map<string, Int8Array>();
  const settled = (context: Context): Int8Array => {
    const index = contextIndex(model, context);
    const key = index.join(',');
    const known = cache.get(key);
    if (known) return known;
    const signals = model.states.length;
    const out = new Int8Array(space.worlds.length * signals);
    const rowsOf = rowsInContext(model, index);
    let rows: NumberRow[][] = [];
    let of = -1;
    space.worlds.forEach((world, w) => {
      if (world.hypothesis !== of) {
        of = world.hypothesis;
        rows = rowsOf(space.hypotheses[of]?.modes ?? []);
      }
      out.set(settleRows(model, rows, world), w * signals);
    });
    cache.set(key, out);
    return out;
  };
  const known = new Map<string, Int8Array>();
  const answers = (test: PathTest): Int8Array => {
    const before = known.get(test.id);
    if (before) return before;
    const found = answersIn(model, space, settled, test);
    known.set(test.id, found);
    return found;
  };
  const chances = new Map<string, Float64Array>();
  const markChances = (test: PathTest): Float64Array => {
    const found = chances.get(test.id) ?? marksIn(model, space, test);
    chances.set(test.id, found);
    return found;
  };
  return { model, space, beyond: beyondOf(model), settled, answers, markChances };
}

/** Each fault leaves its marks by its own chance; the answer names one of those left, or that there is none. */
function marksIn(model: NumberModel, space: Space, test: PathTest): Float64Array {
  const count = test.outcomes.length;
  const out = new Float64Array(space.hypotheses.length * count);
  space.hypotheses.forEach(({ modes }, h) => {
    const left = test.outcomes.map(({ mark }) =>
      mark === null
        ? 0
        : 1 - modes.reduce((none, m) => none * (1 - (ownEntry(model.modes[m]?.marks, mark) ?? 0)), 1 - STRAY_MARK),
    );
    const none = left.reduce((product, chance) => product * (1 - chance), 1);
    const total = left.reduce((sum, chance) => sum + chance, 0);
    test.outcomes.forEach(({ mark }, a) => {
      out[h * count + a] = mark === null ? none : ((1 - none) * (left[a] as number)) / total;
    });
  });
  return out;
}

/** The answer that each state of the signal gives; -1 where none does, or where none of those that it reads as is the usual one. */
export function answerOfStates(
  { path }: NumberModel,
  test: PathTest,
  names: readonly string[],
  signal: number,
): Int8Array {
  const readsAs = path.signals[signal]?.readsAs ?? {};
  const own = (name: string) => test.outcomes.findIndex((outcome) => outcome.states.includes(name));
  return Int8Array.from(names, (name) => {
    const list = ownEntry(readsAs, name);
    if (!list) return own(name);
    const answers = list.map(own);
    return answers.find((one) => 2 * answers.filter((other) => other === one).length > answers.length) ?? -1;
  });
}

function answersIn(model: NumberModel, space: Space, settled: Engine['settled'], test: PathTest): Int8Array {
  if (test.marks) return new Int8Array(space.worlds.length).fill(-1);
  if (test.signal !== null) {
    const signal = model.signalOf.get(test.signal) ?? 0;
    const names = model.states[signal] as string[];
    const of = answerOfStates(model, test, names, signal);
    const states = settled(test.context);
    const count = model.states.length;
    return Int8Array.from(space.worlds, (_world, w) => of[states[w * count + signal] as number] as number);
  }
  const block = model.blockOf.get(test.block ?? '') ?? -1;
  const of = space.hypotheses.map(({ modes }) => {
    const name = modeIn(model, modes, block);
    return test.outcomes.findIndex((outcome) => outcome.modes.includes(name));
  });
  return Int8Array.from(space.worlds, (world) => of[world.hypothesis] as number);
}

/** Name of the block's mode in a hypothesis, or "healthy". */
export function modeIn(model: NumberModel, modes: readonly number[], block: number): string {
  const mode = modes.find((m) => model.modes[m]?.block === block);
  return mode === undefined ? 'healthy' : (model.modes[mode]?.ref.split('.').slice(1).join('.') ?? '');
}

/** Index of the world in which nothing is wrong. */
export function healthyWorld({ space }: Engine): number {
  const healthy = space.indexOf.get('') ?? 0;
  return space.worlds.findIndex((world) => world.hypothesis === healthy);
}
