/**
 * Bayes by exact enumeration over worlds. Repeats of one reading in one context share one draw of
 * reliability: three equal readings are not three proofs. A mend opens a new epoch: earlier readings
 * speak only of the unit as it was, and what they made likely passes on.
 */
import type { Engine } from './engine.js';
import { keyOf } from './hypotheses.js';
import { matches, matchesBeyond, slipChance, type Observation } from './observation.js';

/** Chance that the fault lies outside the model. */
export const OUTSIDE_PRIOR = 0.03;
/**
 * A unit that was brought in is seldom healthy: this much of the weight that the priors alone would give
 * (common practice: about one in twenty comes in with nothing wrong).
 */
export const HEALTHY_WEIGHT = 0.1;
/** Faults that work brings in are this many times likelier in blocks touched since the last good reading. */
export const TOUCHED_FACTOR = 10;

/** What happened, in order. */
export type Event =
  | { readonly kind: 'saw'; readonly observation: Observation }
  /** A mend or a strip-down step. */
  | {
      readonly kind: 'epoch';
      readonly mended: readonly { readonly mode: string; readonly residual: number }[];
      readonly touched: readonly string[];
    }
  /** By hand: this block is not it, or it is; or something is that the path does not know. */
  | { readonly kind: 'hand'; readonly block: string; readonly verdict: 'ruled-out' | 'pinned' | 'outside' };

/** Readings of one thing in one context and epoch, with their common likelihood by world. */
export interface Group {
  readonly ids: readonly string[];
  readonly likelihood: Float64Array;
  readonly match: Float64Array;
  /** Likelihood by way to be outside the model. */
  readonly beyond: Float64Array;
}

export interface Posterior {
  /** Share of each world; with `outside` they sum to 1. */
  readonly worlds: Float64Array;
  readonly hypotheses: Float64Array;
  /** Share of each way to be outside the model, and their sum. */
  readonly beyond: Float64Array;
  readonly outside: number;
  /** Groups of the present epoch. */
  readonly groups: readonly Group[];
}

/** A pinned block is this many times likelier; a ruled-out one as much less (by hand, so never for certain). */
const HAND_FACTOR = 200;

/** The posterior after everything in `events`, in order. */
export function posteriorOf(engine: Engine, events: readonly Event[]): Posterior {
  let prior = priorOf(engine);
  let beyond: Float64Array = engine.beyond.shares.map((share) => share * OUTSIDE_PRIOR);
  let seen: Observation[] = [];
  for (const event of events) {
    if (event.kind === 'saw') seen.push(event.observation);
    else if (event.kind === 'hand' && event.verdict === 'outside') beyond = beyond.map((share) => share * HAND_FACTOR);
    else if (event.kind === 'hand') prior = byHand(engine, prior, event.block, event.verdict);
    else {
      const now = update(engine, prior, beyond, seen);
      prior = nextEpoch(engine, now.hypotheses, event);
      beyond = now.beyond;
      seen = [];
    }
  }
  return update(engine, prior, beyond, seen);
}

/** Chance of each hypothesis before anything was seen; with the outside they sum to 1. */
function priorOf(engine: Engine): Float64Array {
  const weights = Float64Array.from(engine.space.hypotheses, (one) =>
    one.modes.length === 0 ? HEALTHY_WEIGHT * one.weight : one.weight,
  );
  return scaled(weights, 1 - OUTSIDE_PRIOR);
}

function scaled(weights: Float64Array, to: number): Float64Array {
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  return weights.map((weight) => (weight / total) * to);
}

function update(engine: Engine, prior: Float64Array, outside: Float64Array, seen: readonly Observation[]): Posterior {
  const { space } = engine;
  const groups = groupsOf(engine, seen);
  const worlds = Float64Array.from(space.worlds, (world) => (prior[world.hypothesis] as number) * world.share);
  const beyond = Float64Array.from(outside);
  for (const group of groups) {
    for (let w = 0; w < worlds.length; w++) worlds[w] = (worlds[w] as number) * (group.likelihood[w] as number);
    for (let b = 0; b < beyond.length; b++) beyond[b] = (beyond[b] as number) * (group.beyond[b] as number);
  }
  const sum = (shares: Float64Array) => shares.reduce((acc, share) => acc + share, 0);
  const total = sum(worlds) + sum(beyond);
  for (let w = 0; w < worlds.length; w++) worlds[w] = (worlds[w] as number) / total;
  const hypotheses = new Float64Array(space.hypotheses.length);
  space.worlds.forEach((world, w) => {
    hypotheses[world.hypothesis] = (hypotheses[world.hypothesis] as number) + (worlds[w] as number);
  });
  for (let b = 0; b < beyond.length; b++) beyond[b] = (beyond[b] as number) / total;
  return { worlds, hypotheses, beyond, outside: sum(beyond), groups };
}

function groupsOf(engine: Engine, seen: readonly Observation[]): Group[] {
  const byThing = new Map<string, Observation[]>();
  for (const one of seen) {
    const thing = one.saw.kind === 'signal' ? `s:${one.saw.signal}` : `b:${one.saw.block}`;
    const key = `${thing}|${JSON.stringify(Object.entries(one.context).sort())}`;
    byThing.set(key, [...(byThing.get(key) ?? []), one]);
  }
  return [...byThing.values()].map((list) => groupOf(engine, list));
}

function groupOf(engine: Engine, list: readonly Observation[]): Group {
  const match = new Float64Array(engine.space.worlds.length).fill(1);
  let chance = 1;
  for (const one of list) {
    const fits = matches(engine, one);
    for (let w = 0; w < match.length; w++) match[w] = (match[w] as number) * (fits[w] as number);
    chance *= slipChance(engine, one);
  }
  const reliability = Math.min(...list.map((one) => one.reliability));
  const likelihood = match.map((fit) => reliability * fit + (1 - reliability) * chance);
  const known = list.map((one) => matchesBeyond(engine, one));
  const anything = engine.beyond.shares.length - 1;
  const beyond = engine.beyond.shares.map((_share, b) => {
    if (b === anything && list[0]?.saw.kind === 'signal') return chance;
    const fit = known.reduce((product, fits) => product * (fits[b] as number), 1);
    return reliability * fit + (1 - reliability) * chance;
  });
  return { ids: list.map((one) => one.id), match, likelihood, beyond };
}

function byHand(engine: Engine, prior: Float64Array, block: string, verdict: string): Float64Array {
  const index = engine.model.blockOf.get(block);
  const total = prior.reduce((sum, one) => sum + one, 0);
  const changed = prior.map((share, h) => {
    const has = engine.space.hypotheses[h]?.modes.some((m) => engine.model.modes[m]?.block === index) ?? false;
    if (!has) return share;
    return verdict === 'pinned' ? share * HAND_FACTOR : share / HAND_FACTOR;
  });
  return scaled(changed, total);
}

/** Mended modes go, less what the mend leaves; blocks touched may have gained a fault by the work. */
function nextEpoch(
  engine: Engine,
  before: Float64Array,
  { mended, touched }: Extract<Event, { kind: 'epoch' }>,
): Float64Array {
  const { model, space } = engine;
  const residual = new Map(mended.map((one) => [model.modeOf.get(one.mode) ?? -1, one.residual]));
  const cured = new Float64Array(before.length);
  const add = (to: Float64Array, modes: readonly number[], share: number) => {
    const index = space.indexOf.get(keyOf(modes));
    if (index !== undefined) to[index] = (to[index] as number) + share;
  };
  before.forEach((share, h) => {
    let parts: [readonly number[], number][] = [[[], share]];
    for (const mode of space.hypotheses[h]?.modes ?? []) {
      const stays = residual.get(mode) ?? 1;
      parts = parts.flatMap(([modes, part]) => [
        ...(stays > 0 ? [[[...modes, mode], part * stays] as [readonly number[], number]] : []),
        ...(stays < 1 ? [[modes, part * (1 - stays)] as [readonly number[], number]] : []),
      ]);
    }
    for (const [modes, part] of parts) add(cured, modes, part);
  });
  const blocks = new Set(touched.map((id) => model.blockOf.get(id)));
  const gained = model.modes.flatMap((mode, m) => (mode.byWork && blocks.has(mode.block) ? [m] : []));
  const total = before.reduce((sum, share) => sum + share, 0);
  const after = Float64Array.from(cured);
  cured.forEach((share, h) => {
    const modes = space.hypotheses[h]?.modes ?? [];
    for (const m of gained) {
      const taken = modes.some((other) => model.modes[other]?.block === model.modes[m]?.block);
      if (taken) continue;
      const next = [...modes, m].sort((a, b) => a - b);
      add(after, next, share * (model.modes[m]?.odds ?? 0) * TOUCHED_FACTOR);
    }
  });
  return scaled(after, total);
}
