/** What a unit without any fault shows. */
import type { Context, DrivePath, PathOutcome, PathTest } from '../families/index.js';
import { contextIndex, numberModel, type NumberModel } from './model.js';
import { healthyWorld, type Engine } from './engine.js';
import { rowsOf, settle } from './propagate.js';

const KNOWN = new WeakMap<DrivePath, Map<string, Map<string, string>>>();

/** States by signal of a healthy unit in a context, without making the whole family ready; once for each context. */
export function healthyStates(path: DrivePath, context: Context = {}): ReadonlyMap<string, string> {
  const known = KNOWN.get(path) ?? new Map<string, Map<string, string>>();
  KNOWN.set(path, known);
  const key = JSON.stringify(Object.entries(context).sort());
  const made = known.get(key) ?? statesIn(path, context);
  known.set(key, made);
  return made;
}

function statesIn(path: DrivePath, context: Context): Map<string, string> {
  const model = numberModel(path);
  const settled = settle(model, rowsOf(model, []), { choices: new Map() }, contextIndex(model, context));
  return new Map(path.signals.map((signal, i) => [signal.id, stateName(model, i, settled[i] ?? 0)]));
}

const stateName = (model: NumberModel, signal: number, state: number): string => model.states[signal]?.[state] ?? '';

/** The answer of a test on a healthy unit; null where it has none. */
export function healthyAnswer(engine: Engine, test: PathTest): PathOutcome | null {
  return test.outcomes[engine.answers(test)[healthyWorld(engine)] ?? -1] ?? null;
}
