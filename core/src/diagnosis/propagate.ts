/**
 * From rest to a fixed point: all signals are updated at once until a state of the whole comes again.
 * Signals that differ within the circle it then runs in are hunting.
 */
import type { World } from './hypotheses.js';
import type { NumberModel, NumberRow } from './model.js';

/** Steps after which a path that neither settles nor repeats is called hunting as a whole. */
const MOST_STEPS = 200;

/** Rows that decide each signal in this world: the mode's own first, then the healthy ones. */
export function rowsOf(model: NumberModel, modes: readonly number[]): NumberRow[][] {
  const bySignal: NumberRow[][] = model.states.map(() => []);
  model.healthy.forEach((healthy, block) => {
    const mode = modes.find((m) => model.modes[m]?.block === block);
    const own = mode === undefined ? [] : (model.modes[mode]?.rows ?? []);
    for (const row of [...own, ...healthy]) (bySignal[row.target] as NumberRow[]).push(row);
  });
  return bySignal;
}

/** The settled state of every signal in one context. */
export function settle(
  model: NumberModel,
  bySignal: readonly (readonly NumberRow[])[],
  world: Pick<World, 'choices'>,
  context: Int8Array,
): Int8Array {
  const usable = bySignal.map((rows) => rows.filter((row) => fitsContext(row, context)));
  const seen = new Map<string, number>();
  const history: Int8Array[] = [];
  let state = Int8Array.from(model.rest);
  for (let step = 0; step < MOST_STEPS; step++) {
    const key = state.join(',');
    const before = seen.get(key);
    if (before !== undefined) return before === step - 1 ? state : hunting(model, history.slice(before));
    seen.set(key, step);
    history.push(state);
    state = update(usable, state, world);
  }
  return hunting(model, history);
}

function fitsContext(row: NumberRow, context: Int8Array): boolean {
  return row.contexts.every(({ key, mask }) => (mask >> (context[key] as number)) & 1);
}

function update(
  bySignal: readonly (readonly NumberRow[])[],
  state: Int8Array,
  world: Pick<World, 'choices'>,
): Int8Array<ArrayBuffer> {
  const next = Int8Array.from(state);
  for (let signal = 0; signal < bySignal.length; signal++) {
    for (const row of bySignal[signal] as readonly NumberRow[]) {
      if (!fits(row, state)) continue;
      const out = outOf(row, state, world);
      if (out < 0) continue;
      next[signal] = out;
      break;
    }
  }
  return next;
}

function fits(row: NumberRow, state: Int8Array): boolean {
  for (const { signal, mask } of row.signals) if (!((mask >> (state[signal] as number)) & 1)) return false;
  return true;
}

function outOf(row: NumberRow, state: Int8Array, world: Pick<World, 'choices'>): number {
  switch (row.out.kind) {
    case 'state':
      return row.out.state;
    case 'same':
      return row.out.states[state[row.out.signal] as number] as number;
    case 'choice':
      return world.choices.get(row) ?? (row.out.states[0] as number);
  }
}

/** The last state of the circle with every signal that moves in it set to hunting. */
function hunting(model: NumberModel, circle: readonly Int8Array[]): Int8Array {
  const last = circle[circle.length - 1] as Int8Array;
  return last.map((value, signal) =>
    circle.every((state) => state[signal] === value) ? value : (model.states[signal] as string[]).length - 1,
  );
}
