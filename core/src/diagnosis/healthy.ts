/** What a unit without any fault shows. */
import type { Context, DrivePath, PathTest } from '../families/index.js';
import { contextIndex, numberModel, type NumberModel } from './model.js';
import type { Engine } from './engine.js';
import { rowsOf, settle } from './propagate.js';

/** States by signal of a healthy unit in a context, without making the whole family ready. */
export function healthyStates(path: DrivePath, context: Context = {}): Map<string, string> {
  const model = numberModel(path);
  const settled = settle(model, rowsOf(model, []), { choices: new Map() }, contextIndex(model, context));
  return new Map(path.signals.map((signal, i) => [signal.id, stateName(model, i, settled[i] ?? 0)]));
}

const stateName = (model: NumberModel, signal: number, state: number): string => model.states[signal]?.[state] ?? '';

/** The answer of a test on a healthy unit, in its own words; null where it has none. */
export function healthyAnswer(engine: Engine, test: PathTest): string | null {
  const { space } = engine;
  if (test.block !== null) return test.outcomes.find((one) => one.modes.includes('healthy'))?.words ?? null;
  const healthy = space.worlds.findIndex((world) => space.hypotheses[world.hypothesis]?.modes.length === 0);
  return test.outcomes[engine.answers(test)[healthy] ?? -1]?.words ?? null;
}
