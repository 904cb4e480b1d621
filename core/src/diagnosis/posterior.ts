/**
 * Bayes by exact enumeration over worlds. Repeats of one reading in one context share one draw of
 * reliability: three equal readings are not three proofs. A mend opens a new epoch: earlier readings
 * speak only of the unit as it was, and what they made likely passes on.
 */
import type { Engine } from './engine.js';
import { nextEpoch, scaled } from './epoch.js';
import { matches, matchesBeyond, sizesOf, slipChance, type Observation } from './observation.js';
import { pinsOf, type Pins } from './pins.js';
import { standingAfter } from './bans.js';
import type { Event, Group, Posterior } from './belief.js';
import { HAND_FACTOR, HEALTHY_WEIGHT, OUTSIDE_PRIOR } from './defaults.js';

/** The posterior after everything in `events`, in order. */
export function posteriorOf(engine: Engine, events: readonly Event[]): Posterior {
  let prior = priorOf(engine);
  let beyond: Float64Array = engine.beyond.shares.map((share) => share * OUTSIDE_PRIOR);
  let seen: Observation[] = [];
  for (const event of events) {
    if (event.kind === 'saw') seen = [...withoutOlder(seen, event.observation), event.observation];
    else if (event.kind === 'hand' && event.verdict === 'outside') beyond = beyond.map((share) => share * HAND_FACTOR);
    else if (event.kind === 'hand') prior = byHand(engine, prior, event.block, event.verdict);
    else {
      const now = update(engine, prior, beyond, seen);
      prior = nextEpoch(engine, now.worlds, event);
      beyond = now.beyond;
      seen = carried(seen, event);
    }
  }
  return { ...update(engine, prior, beyond, seen), standing: standingAfter(engine, events) };
}

/** Seen at a part before it was worked on: it stands beside later work elsewhere, until somebody looks again. */
const CARRIED = Symbol('carried');
type Kept = Observation & { readonly [CARRIED]?: true };

function carried(seen: readonly Observation[], { mended, touched }: Extract<Event, { kind: 'epoch' }>): Observation[] {
  const cured = new Set(mended.map((one) => one.mode));
  return seen.flatMap((one): Kept[] => {
    if (one.pin === undefined || one.saw.kind !== 'block') return [];
    const { block, modes } = one.saw;
    return touched.includes(block) || modes.some((mode) => cured.has(`${block}.${mode}`))
      ? []
      : [{ ...one, [CARRIED]: true }];
  });
}

const withoutOlder = (seen: readonly Kept[], { saw }: Observation): Observation[] =>
  saw.kind !== 'block'
    ? [...seen]
    : seen.filter((one) => !one[CARRIED] || one.saw.kind !== 'block' || one.saw.block !== saw.block);

/** Chance of each world before anything was seen; with the outside they sum to 1. */
function priorOf({ space }: Engine): Float64Array {
  const weights = Float64Array.from(space.worlds, ({ hypothesis, share }) => {
    const { modes, weight } = space.hypotheses[hypothesis] as (typeof space.hypotheses)[number];
    return share * (modes.length === 0 ? HEALTHY_WEIGHT * weight : weight);
  });
  return scaled(weights, 1 - OUTSIDE_PRIOR);
}

function update(
  engine: Engine,
  prior: Float64Array,
  outside: Float64Array,
  all: readonly Observation[],
): Omit<Posterior, 'standing'> {
  const { space } = engine;
  const pins = pinsOf(engine, all);
  const seen = all.filter((one) => !pins.aside.has(one.id));
  const groups = groupsOf(engine, seen);
  const worlds = Float64Array.from(prior);
  const beyond = Float64Array.from(outside);
  for (const group of groups) {
    for (let w = 0; w < worlds.length; w++) worlds[w] = (worlds[w] as number) * (group.likelihood[w] as number);
    for (let b = 0; b < beyond.length; b++) beyond[b] = (beyond[b] as number) * (group.beyond[b] as number);
  }
  const sum = (shares: Float64Array) => shares.reduce((acc, share) => acc + share, 0);
  const total = sum(worlds) + sum(beyond);
  for (let w = 0; w < worlds.length; w++) worlds[w] = (worlds[w] as number) / total;
  for (let b = 0; b < beyond.length; b++) beyond[b] = (beyond[b] as number) / total;
  holdPins(engine, pins, worlds, beyond);
  const hypotheses = new Float64Array(space.hypotheses.length);
  space.worlds.forEach((world, w) => {
    hypotheses[world.hypothesis] = (hypotheses[world.hypothesis] as number) + (worlds[w] as number);
  });
  return { worlds, hypotheses, beyond, outside: sum(beyond), groups, pins };
}

/**
 * What was seen at the part itself is so, up to the reliability of such a look: readings elsewhere share
 * out what stands beside it, and do not argue it away.
 */
function holdPins({ space }: Engine, { fits, reliability }: Pins, worlds: Float64Array, beyond: Float64Array): void {
  if (fits === null) return;
  let held = 0;
  for (let w = 0; w < worlds.length; w++) if (fits[space.worlds[w]?.hypothesis ?? 0]) held += worlds[w] as number;
  if (held <= 0 || held >= reliability) return;
  const [up, down] = [reliability / held, (1 - reliability) / (1 - held)];
  for (let w = 0; w < worlds.length; w++)
    worlds[w] = (worlds[w] as number) * (fits[space.worlds[w]?.hypothesis ?? 0] ? up : down);
  for (let b = 0; b < beyond.length; b++) beyond[b] = (beyond[b] as number) * down;
}

function groupsOf(engine: Engine, seen: readonly Observation[]): Group[] {
  const byThing = new Map<string, Observation[]>();
  for (const one of seen) {
    const key = `${thingOf(one)}|${JSON.stringify(Object.entries(one.context).sort())}`;
    byThing.set(key, [...(byThing.get(key) ?? []), one]);
  }
  return [...byThing.values()].map((list) => groupOf(engine, list));
}

/** What is read: two readings of one thing share one draw of reliability. */
function thingOf({ saw }: Observation): string {
  switch (saw.kind) {
    case 'signal':
      return `s:${saw.signal}`;
    case 'block':
      return `b:${saw.block}`;
    case 'mark':
      return `m:${saw.test}:${saw.outcome}`;
    case 'tried':
      return `t:${saw.signal}:${[...saw.sound].sort().join()}`;
    case 'provoked':
      return `p:${[...saw.blocks].sort().join()}:${saw.how ?? ''}`;
    case 'left':
      return `l:${saw.mark}`;
  }
}

function groupOf(engine: Engine, list: readonly Observation[]): Group {
  const match = new Float64Array(engine.space.worlds.length).fill(1);
  let chance = 1;
  for (const one of list) {
    const fits = matches(engine, one);
    for (let w = 0; w < match.length; w++) match[w] = (match[w] as number) * (fits[w] as number);
    chance *= slipChance(engine, one);
  }
  const reliability = Math.min(...list.map((one) => one.pin ?? one.reliability));
  const likelihood = match.map((fit) => reliability * fit + (1 - reliability) * chance);
  const sizes = sizesOf(engine, list.find((one) => one.percent !== undefined) ?? (list[0] as Observation));
  if (sizes)
    engine.space.worlds.forEach((world, w) => {
      const size = sizes[world.hypothesis] as number;
      likelihood[w] = reliability * (match[w] as number) * size + (1 - reliability) * chance;
    });
  const known = list.map((one) => matchesBeyond(engine, one));
  const anything = engine.beyond.shares.length - 1;
  const beyond = engine.beyond.shares.map((_share, b) => {
    if (b === anything && list[0]?.saw.kind === 'signal') return chance;
    const fit = known.reduce((product, fits) => product * (fits[b] as number), 1);
    return reliability * fit + (1 - reliability) * chance;
  });
  const saw = list[0]?.saw;
  return {
    ids: list.map((one) => one.id),
    match,
    likelihood,
    beyond,
    dead: list.every((one) => one.dead === true),
    looked: saw?.kind === 'block' ? saw.block : null,
  };
}

function byHand(engine: Engine, prior: Float64Array, block: string, verdict: string): Float64Array {
  const index = engine.model.blockOf.get(block);
  const total = prior.reduce((sum, one) => sum + one, 0);
  const holds = engine.space.hypotheses.map(({ modes }) => modes.some((m) => engine.model.modes[m]?.block === index));
  const changed = prior.map((share, w) => {
    if (!holds[engine.space.worlds[w]?.hypothesis ?? 0]) return share;
    return verdict === 'pinned' ? share * HAND_FACTOR : share / HAND_FACTOR;
  });
  return scaled(changed, total);
}
