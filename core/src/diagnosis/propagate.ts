/**
 * From rest to a fixed point: all signals are updated at once until a state of the whole comes again.
 * Signals that differ within the circle it then runs in are hunting.
 */
import type { World } from './hypotheses.js';
import type { NumberModel, NumberRow } from './model.js';
import { MOSTLY_AT_REST, MOST_STEPS } from './defaults.js';

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
  return settleRows(
    model,
    bySignal.map((rows) => rows.filter((row) => fitsContext(row, context))),
    world,
  );
}

/** The rows that count in one context, made ready for many hypotheses: a mode's own rows stand before its block's. */
export function rowsInContext(model: NumberModel, context: Int8Array): (modes: readonly number[]) => NumberRow[][] {
  const inContext = (rows: readonly NumberRow[]) => rows.filter((row) => fitsContext(row, context));
  const healthy = model.healthy.map(inContext);
  const base: NumberRow[][] = model.states.map(() => []);
  for (const rows of healthy) for (const row of rows) (base[row.target] as NumberRow[]).push(row);
  const own = model.modes.map((mode) => {
    const bySignal = new Map<number, NumberRow[]>();
    for (const row of inContext(mode.rows)) bySignal.set(row.target, [...(bySignal.get(row.target) ?? []), row]);
    for (const [signal, rows] of bySignal) bySignal.set(signal, [...rows, ...(base[signal] as NumberRow[])]);
    return bySignal;
  });
  return (modes) => {
    const out = base.slice();
    for (const m of modes) for (const [signal, rows] of own[m] ?? []) out[signal] = rows;
    return out;
  };
}

const DEPENDENTS = new WeakMap<NumberModel, readonly (readonly number[])[]>();

/** Signals that any row decides by a signal, for each signal: what is not among them need not be computed again. */
function dependentsOf(model: NumberModel): readonly (readonly number[])[] {
  const known = DEPENDENTS.get(model);
  if (known) return known;
  const sets = model.states.map(() => new Set<number>());
  for (const row of [...model.healthy.flat(), ...model.modes.flatMap((mode) => mode.rows)]) {
    for (const { signal } of row.signals) sets[signal]?.add(row.target);
    if (row.out.kind === 'same') sets[row.out.signal]?.add(row.target);
  }
  const made = sets.map((set) => [...set]);
  DEPENDENTS.set(model, made);
  return made;
}

/** The settled state under rows that all fit the context. */
export function settleRows(
  model: NumberModel,
  usable: readonly (readonly NumberRow[])[],
  world: Pick<World, 'choices'>,
): Int8Array {
  const dependents = dependentsOf(model);
  const history: Int8Array[] = [];
  let state = Int8Array.from(model.rest);
  let next = Int8Array.from(state);
  let changed: number[] | null = null;
  for (let step = 0; step < MOST_STEPS; step++) {
    if (step >= MOSTLY_AT_REST) {
      const from = history.findIndex((before) => same(before, state));
      if (from >= 0) return hunting(model, history.slice(from));
      history.push(Int8Array.from(state));
    }
    next.set(state);
    if (changed === null)
      for (let signal = 0; signal < usable.length; signal++) decide(usable, state, next, world, signal);
    else
      for (const one of changed)
        for (const signal of dependents[one] as number[]) decide(usable, state, next, world, signal);
    const moved: number[] = [];
    for (let signal = 0; signal < next.length; signal++) if (next[signal] !== state[signal]) moved.push(signal);
    if (moved.length === 0) return state;
    changed = moved;
    [state, next] = [next, state];
  }
  return hunting(model, history);
}

/** The next state of one signal: the first of its rows that fits. */
function decide(
  usable: readonly (readonly NumberRow[])[],
  state: Int8Array,
  next: Int8Array,
  world: Pick<World, 'choices'>,
  signal: number,
): void {
  for (const row of usable[signal] as readonly NumberRow[]) {
    if (!fits(row, state)) continue;
    const out = outOf(row, state, world);
    if (out < 0) continue;
    next[signal] = out;
    return;
  }
}

function same(a: Int8Array, b: Int8Array): boolean {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
}

function fitsContext(row: NumberRow, context: Int8Array): boolean {
  return row.contexts.every(({ key, mask }) => (mask >> (context[key] as number)) & 1);
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
