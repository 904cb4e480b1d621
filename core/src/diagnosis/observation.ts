/** What was seen, and how well a world accounts for it. */
import { CoreError } from '../errors.js';
import type { Context, PathSignal } from '../families/index.js';
import { modeIn, type Engine } from './engine.js';

/** One thing seen: states of a signal, or modes of a block looked at directly. */
export interface Observation {
  /** Names it, so that it can be struck out and spoken of. */
  readonly id: string;
  readonly context: Context;
  /** Chance that the reading tells what is there. */
  readonly reliability: number;
  readonly saw:
    | { readonly kind: 'signal'; readonly signal: string; readonly weights: Readonly<Record<string, number>> }
    | { readonly kind: 'block'; readonly block: string; readonly modes: readonly string[] };
}

/** Reliability of a reading that says nothing else (common practice: one slip in thirty). */
export const USUAL_RELIABILITY = 0.97;

/** A value this near the edge of a band, as a part of the value, counts for both states. */
export const EDGE_PART = 0.05;

/** Beyond this many times the largest number in the bands a value is taken for a slip, not a reading. */
const ABSURD = 8;

export type ValueStates =
  | { readonly kind: 'states'; readonly weights: Readonly<Record<string, number>> }
  | { readonly kind: 'absurd'; readonly message: string };

/** The states a value stands for; near an edge both, each with its weight, summing to 1. */
export function statesOfValue(signal: PathSignal, value: number, unit: string): ValueStates {
  const { measure } = signal;
  if (!measure)
    return { kind: 'absurd', message: `${signal.name} is not measured as a number: say what it looks like.` };
  if (unit !== measure.unit)
    return { kind: 'absurd', message: `${signal.name} is measured in ${measure.unit}, not in ${unit}.` };
  const ends = measure.bands.flatMap((band) => [band.from, band.to]).filter((end) => end !== null);
  const largest = Math.max(...ends.map(Math.abs));
  if (!Number.isFinite(value) || Math.abs(value) > ABSURD * largest)
    return {
      kind: 'absurd',
      message: `${value} ${unit} at ${measure.place} cannot be: check range and probes, then type it again.`,
    };
  const weights: Record<string, number> = {};
  for (const { state, from, to } of measure.bands) {
    const margin = EDGE_PART * Math.max(Math.abs(value), 0.02 * largest);
    const low = from === null ? 1 : ramp((value - from) / margin);
    const high = to === null ? 1 : ramp((to - value) / margin);
    const weight = Math.min(low, high);
    if (weight > 0) weights[state] = Math.max(weights[state] ?? 0, weight);
  }
  const total = Object.values(weights).reduce((sum, weight) => sum + weight, 0);
  if (total === 0)
    return { kind: 'absurd', message: `${value} ${unit} at ${measure.place} fits no state of ${signal.name}.` };
  return { kind: 'states', weights: Object.fromEntries(Object.entries(weights).map(([s, w]) => [s, w / total])) };
}

/** 0 well outside, a half on the edge, 1 well inside. */
const ramp = (x: number): number => Math.min(1, Math.max(0, (x + 1) / 2));

/** How far each world accounts for what was seen, 0 to 1, apart from slips. @throws CoreError UNKNOWN_ID. */
export function matches(engine: Engine, { saw, context }: Observation): Float64Array {
  const { model, space } = engine;
  const out = new Float64Array(space.worlds.length);
  if (saw.kind === 'signal') {
    const signal = model.signalOf.get(saw.signal);
    if (signal === undefined) throw new CoreError('UNKNOWN_ID', `no signal ${saw.signal}`, { id: saw.signal });
    const names = model.states[signal] as string[];
    for (const state of Object.keys(saw.weights))
      if (!names.includes(state))
        throw new CoreError('UNKNOWN_ID', `${saw.signal} has no state ${state}`, { id: state });
    const weight = Float64Array.from(names, (name) => saw.weights[name] ?? 0);
    const settled = engine.settled(context);
    const count = model.states.length;
    for (let w = 0; w < out.length; w++) out[w] = weight[settled[w * count + signal] as number] as number;
    return out;
  }
  const block = model.blockOf.get(saw.block);
  if (block === undefined) throw new CoreError('UNKNOWN_ID', `no block ${saw.block}`, { id: saw.block });
  const fits = space.hypotheses.map(({ modes }) => (saw.modes.includes(modeIn(model, modes, block)) ? 1 : 0));
  for (let w = 0; w < out.length; w++) out[w] = fits[space.worlds[w]?.hypothesis ?? 0] as number;
  return out;
}

/** The same for each way to be outside the model; what may be anything stands last and fits nothing. */
export function matchesBeyond({ model, beyond }: Engine, { saw, context }: Observation): Float64Array {
  const out = new Float64Array(beyond.shares.length);
  if (saw.kind === 'block') return out.fill(saw.modes.includes('healthy') ? 1 : 0);
  const signal = model.signalOf.get(saw.signal) ?? 0;
  const weight = (model.states[signal] as string[]).map((name) => saw.weights[name] ?? 0);
  const settled = beyond.settled(context);
  const count = model.states.length;
  for (let b = 0; b < out.length - 1; b++) out[b] = weight[settled[b * count + signal] as number] as number;
  return out;
}

/** Chance that a slip gives just this: each state, or each mode of the block, alike. */
export function slipChance(engine: Engine, { saw }: Observation): number {
  if (saw.kind === 'signal') {
    const names = engine.model.states[engine.model.signalOf.get(saw.signal) ?? 0] as string[];
    return Math.min(1, Object.values(saw.weights).reduce((sum, weight) => sum + weight, 0) / names.length);
  }
  const block = engine.model.path.blocks.find((one) => one.id === saw.block);
  return Math.min(1, saw.modes.length / Math.max(2, (block?.modes.length ?? 0) + 1));
}
