/** What was seen, and how well a world accounts for it. */
import { ownEntry } from '../quantity/index.js';
import { CoreError } from '../errors.js';
import type { Context, PathSignal } from '../families/index.js';
import { modeIn, type Engine } from './engine.js';
import { keyOf, type World } from './hypotheses.js';
import { say } from '../words/index.js';
import {
  ABSURD,
  ANSWERS,
  ANY_SIZE,
  EDGE_PART,
  NOTHING_SAID,
  OFF_BAND,
  SEEMS_TO,
  SIZE_DECAY,
  STRAY_MARK,
} from './defaults.js';

/** One thing seen, told, or tried. */
export interface Observation {
  /** Names it, so that it can be struck out and spoken of. */
  readonly id: string;
  /** The test that it answers, if any. */
  readonly test?: string;
  readonly context: Context;
  /** Chance that the reading tells what is there. */
  readonly reliability: number;
  /** Reliability of a fault seen at the part itself: it is so, whatever else is read. */
  readonly pin?: number;
  /** Read with power off. */
  readonly dead?: boolean;
  /** Size of a speed error, percent with its sign. */
  readonly percent?: number;
  /** A ban that it raises, and bans that it lifts. */
  readonly raises?: string | null;
  readonly lifts?: readonly string[];
  readonly saw: Saw;
}

/** What was seen: weights of a signal's states, of a part's modes, or of marks. */
export type Saw =
  | { readonly kind: 'signal'; readonly signal: string; readonly weights: Readonly<Record<string, number>> }
  | { readonly kind: 'block'; readonly block: string; readonly modes: readonly string[] }
  /** The answer of a question about marks: what was told or smelt, or that there was none. */
  | { readonly kind: 'mark'; readonly test: string; readonly outcome: string }
  /** A signal while some blocks were as good as sound: bridged, swapped for known good ones, or fed direct past them. */
  | {
      readonly kind: 'tried';
      readonly sound: readonly string[];
      readonly signal: string;
      readonly weights: Readonly<Record<string, number>>;
    }
  /** Parts cooled, warmed, tapped, breathed on, loaded: did the fault change? How is null where only that it helped is known. */
  | {
      readonly kind: 'provoked';
      readonly blocks: readonly string[];
      readonly how: string | null;
      readonly changed: boolean;
    }
  /** A mark found without being asked for: a supply that gave no current, or all it had. */
  | { readonly kind: 'left'; readonly mark: string };

/** What a value stands for, or why it cannot be. */
export type ValueStates =
  | { readonly kind: 'states'; readonly weights: Readonly<Record<string, number>> }
  | { readonly kind: 'absurd'; readonly message: string };

/** Units of one quantity beside each other, as powers of ten. */
const PREFIX: Readonly<Record<string, number>> = { p: -12, n: -9, µ: -6, m: -3, k: 3, M: 6, G: 9 };

/** A value in another multiple of the unit: 320 mV is 0.32 V; null where the units are of two kinds. */
export function inUnit(value: number, unit: string, wanted: string): number | null {
  if (unit === wanted) return value;
  const power = (of: string): [number, string] => {
    const prefix = of.length > 1 ? ownEntry(PREFIX, of[0] as string) : undefined;
    return prefix === undefined ? [0, of] : [prefix, of.slice(1)];
  };
  const [[from, base], [to, other]] = [power(unit), power(wanted)];
  return base === other ? value * 10 ** (from - to) : null;
}

/** The states a value stands for, summing to 1: near an edge both; outside every band those nearest to it. */
export function statesOfValue(signal: PathSignal, given: number, unit: string): ValueStates {
  const { measure } = signal;
  if (!measure)
    return { kind: 'absurd', message: say`${signal.name} is not measured as a number: say what it looks like.` };
  const value = inUnit(given, unit, measure.unit);
  if (value === null)
    return { kind: 'absurd', message: say`${signal.name} is measured in ${measure.unit}, not in ${unit}.` };
  const ends = measure.bands.flatMap((band) => [band.from, band.to]).filter((end) => end !== null);
  const largest = Math.max(...ends.map(Math.abs));
  if (!Number.isFinite(value) || Math.abs(value) > ABSURD * largest)
    return {
      kind: 'absurd',
      message: say`${given} ${unit} at ${measure.place} cannot be: check range and probes, then type it again.`,
    };
  const weights: Record<string, number> = {};
  for (const { state, from, to } of measure.bands) {
    const margin = EDGE_PART * Math.max(Math.abs(value), 0.02 * largest);
    const low = from === null ? 1 : ramp((value - from) / margin);
    const high = to === null ? 1 : ramp((to - value) / margin);
    const weight = Math.min(low, high);
    if (weight > 0) weights[state] = Math.max(ownEntry(weights, state) ?? 0, weight);
  }
  if (Object.keys(weights).length === 0)
    for (const { state, from, to } of measure.bands)
      weights[state] = Math.max(
        ownEntry(weights, state) ?? 0,
        Math.exp(-distance(value, from, to, largest) / Math.log(OFF_BAND)),
      );
  const total = Object.values(weights).reduce((sum, weight) => sum + weight, 0);
  const shares = Object.fromEntries(Object.entries(weights).map(([s, w]) => [s, w / total]));
  return { kind: 'states', weights: withBlurred(signal, shares) };
}

/** The same weights, with those of states that read as one of several: each of these alike. */
export function withBlurred(
  signal: Pick<PathSignal, 'readsAs'> | undefined,
  weights: Readonly<Record<string, number>>,
): Record<string, number> {
  const out = { ...weights };
  for (const [state, list] of Object.entries(signal?.readsAs ?? {})) {
    const weight = list.reduce((sum, one) => sum + (ownEntry(weights, one) ?? 0), 0) / list.length;
    if (weight > 0) out[state] = weight;
  }
  return out;
}

/** How far a value lies outside a band, as a logarithm of their sizes; what is near nought counts as a fiftieth of the largest. */
function distance(value: number, from: number | null, to: number | null, largest: number): number {
  const size = (x: number) => Math.sign(x) * Math.log(1 + Math.abs(x) / (0.02 * largest));
  if (from !== null && value < from) return size(from) - size(value);
  return to !== null && value > to ? size(value) - size(to) : 0;
}

/** 0 well outside, a half on the edge, 1 well inside. */
const ramp = (x: number): number => Math.min(1, Math.max(0, (x + 1) / 2));

/** How far each world accounts for what was seen, 0 to 1, apart from slips. @throws CoreError UNKNOWN_ID. */
export function matches(engine: Engine, { saw, context }: Observation): Float64Array {
  const { model, space } = engine;
  const out = new Float64Array(space.worlds.length);
  if (saw.kind !== 'signal' && saw.kind !== 'block') {
    const fits = byHypothesis(engine, saw, context);
    for (let w = 0; w < out.length; w++) out[w] = fits[space.worlds[w]?.hypothesis ?? 0] as number;
    return out;
  }
  if (saw.kind === 'signal') {
    const signal = model.signalOf.get(saw.signal);
    if (signal === undefined) throw new CoreError('UNKNOWN_ID', `no signal ${saw.signal}`, { id: saw.signal });
    const names = model.states[signal] as string[];
    for (const state of Object.keys(saw.weights))
      if (!names.includes(state))
        throw new CoreError('UNKNOWN_ID', `${saw.signal} has no state ${state}`, { id: state });
    const weight = Float64Array.from(names, (name) => ownEntry(saw.weights, name) ?? 0);
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

function byHypothesis(engine: Engine, saw: Exclude<Saw, { kind: 'signal' | 'block' }>, context: Context): Float64Array {
  const { model, space } = engine;
  if (saw.kind === 'mark') {
    const test = model.path.tests.find((one) => one.id === saw.test);
    const at = test?.outcomes.findIndex((one) => one.id === saw.outcome) ?? -1;
    if (!test || at < 0) throw new CoreError('UNKNOWN_ID', `no answer ${saw.outcome} of ${saw.test}`, { id: saw.test });
    const chances = engine.markChances(test);
    return Float64Array.from(space.hypotheses, (_one, h) => chances[h * test.outcomes.length + at] as number);
  }
  if (saw.kind === 'provoked') {
    const blocks = new Set(saw.blocks.map((id) => model.blockOf.get(id)));
    return Float64Array.from(space.hypotheses, ({ modes }) => {
      const own = modes.filter((m) => blocks.has(model.modes[m]?.block));
      const answers = own.some((m) => saw.how === null || model.modes[m]?.provoked.includes(saw.how));
      const chance = answers ? ANSWERS : SEEMS_TO;
      return saw.changed ? chance : 1 - chance;
    });
  }
  if (saw.kind === 'left')
    return Float64Array.from(
      space.hypotheses,
      ({ modes }) =>
        1 - modes.reduce((none, m) => none * (1 - (ownEntry(model.modes[m]?.marks, saw.mark) ?? 0)), 1 - SEEMS_TO),
    );
  const sound = new Set(saw.sound.map((id) => model.blockOf.get(id)));
  const signal = model.signalOf.get(saw.signal);
  if (signal === undefined) throw new CoreError('UNKNOWN_ID', `no signal ${saw.signal}`, { id: saw.signal });
  const weight = (model.states[signal] as string[]).map((name) => ownEntry(saw.weights, name) ?? 0);
  const settled = engine.settled(context);
  const own = new Float64Array(space.hypotheses.length);
  for (let w = 0; w < space.worlds.length; w++) {
    const world = space.worlds[w] as World;
    const state = settled[w * model.states.length + signal] as number;
    own[world.hypothesis] = (own[world.hypothesis] as number) + world.share * (weight[state] as number);
  }
  return Float64Array.from(space.hypotheses, ({ modes }) => {
    const left = modes.filter((m) => !sound.has(model.modes[m]?.block));
    return own[space.indexOf.get(keyOf(left)) ?? 0] as number;
  });
}

/** How well each hypothesis accounts for the size of a speed error, relative to `ANY_SIZE`; null where none was read. */
export function sizesOf({ model, space }: Engine, { percent }: Observation): Float64Array | null {
  if (percent === undefined || percent === 0) return null;
  const size = Math.log(Math.abs(percent));
  return Float64Array.from(space.hypotheses, ({ modes }) => {
    const known = modes.flatMap((m) => (model.modes[m]?.sizes ? [model.modes[m].sizes] : []));
    if (known.length === 0) return 1;
    const low = Math.log(Math.min(...known.map((one) => one[0])));
    const high = Math.log(known.reduce((sum, one) => sum + one[1], 0));
    const off = Math.max(0, low - size, size - high);
    const density = Math.exp(-SIZE_DECAY * off) / Math.max(0.5, high - low);
    return (known.length < modes.length ? Math.max(density, ANY_SIZE) : density) / ANY_SIZE;
  });
}

/** The same for each way to be outside the model; what may be anything stands last and fits nothing. */
export function matchesBeyond({ model, beyond }: Engine, { saw, context }: Observation): Float64Array {
  const out = new Float64Array(beyond.shares.length);
  if (saw.kind === 'mark' || saw.kind === 'left') return out.fill(STRAY_MARK);
  if (saw.kind !== 'signal' && saw.kind !== 'block') return out.fill(NOTHING_SAID);
  if (saw.kind === 'block') return out.fill(saw.modes.includes('healthy') ? 1 : 0);
  const signal = model.signalOf.get(saw.signal) ?? 0;
  const weight = (model.states[signal] as string[]).map((name) => ownEntry(saw.weights, name) ?? 0);
  const settled = beyond.settled(context);
  const count = model.states.length;
  for (let b = 0; b < out.length - 1; b++) out[b] = weight[settled[b * count + signal] as number] as number;
  return out;
}

/** Chance that a slip gives just this: each state, or each mode of the block, alike. */
export function slipChance(engine: Engine, { saw }: Observation): number {
  if (saw.kind === 'provoked' || saw.kind === 'left') return 0.5;
  if (saw.kind === 'mark')
    return 1 / (engine.model.path.tests.find((one) => one.id === saw.test)?.outcomes.length ?? 2);
  if (saw.kind === 'signal' || saw.kind === 'tried') {
    const names = engine.model.states[engine.model.signalOf.get(saw.signal) ?? 0] as string[];
    return Math.min(1, Object.values(saw.weights).reduce((sum, weight) => sum + weight, 0) / names.length);
  }
  const block = engine.model.path.blocks.find((one) => one.id === saw.block);
  return Math.min(1, saw.modes.length / Math.max(2, (block?.modes.length ?? 0) + 1));
}
