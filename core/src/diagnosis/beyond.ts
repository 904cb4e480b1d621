/**
 * What lies outside the model: one signal stays in a state that it should not have, for a reason that no
 * mode of the path knows, and what hangs on it follows; or anything at all. The parts themselves are
 * sound, so a direct look finds them so.
 */
import type { Context } from '../families/index.js';
import { contextIndex, type NumberModel, type NumberRow } from './model.js';
import { rowsOf, settle } from './propagate.js';
import { ANYTHING } from './defaults.js';

/** How far what was seen fits nothing the path knows. */
export interface Beyond {
  /** Share of each way to be outside, summing to 1; the last is anything at all. */
  readonly shares: Float64Array;
  /** Settled states: signal s of way b at b * signals + s; the last way has none. */
  settled(context: Context): Int8Array;
}

const NONE = { choices: new Map<NumberRow, number>() };

/**
 *
 */
/** Every signal of the path stuck in each state that it should not have, and anything at all. */
export function beyondOf(model: NumberModel): Beyond {
  const healthy = settle(model, rowsOf(model, []), NONE, contextIndex(model, {}));
  const given = model.path.blocks.flatMap((block) =>
    block.outputs.map((id) => wrongStates(model, model.signalOf.get(id) ?? 0, healthy)),
  );
  const stuck = given.flat();
  const shares = Float64Array.from([
    ...given.flatMap((one) => one.map(() => (1 - ANYTHING) / given.length / one.length)),
    ANYTHING,
  ]);
  const rows = stuck.map(({ signal, state }) => {
    const bySignal = rowsOf(model, []);
    bySignal[signal] = [{ signals: [], contexts: [], target: signal, out: { kind: 'state', state } }];
    return bySignal;
  });
  const cache = new Map<string, Int8Array>();
  return {
    shares,
    settled(context) {
      const index = contextIndex(model, context);
      const key = index.join(',');
      const known = cache.get(key);
      if (known) return known;
      const count = model.states.length;
      const out = new Int8Array(rows.length * count);
      rows.forEach((bySignal, b) => out.set(settle(model, bySignal, NONE, index), b * count));
      cache.set(key, out);
      return out;
    },
  };
}

/** Every state of a signal but the healthy one; hunting is none of its own. */
function wrongStates(model: NumberModel, signal: number, healthy: Int8Array): { signal: number; state: number }[] {
  const own = (model.states[signal]?.length ?? 1) - 1;
  return Array.from({ length: own }, (_one, state) => ({ signal, state })).filter(
    ({ state }) => state !== healthy[signal],
  );
}
