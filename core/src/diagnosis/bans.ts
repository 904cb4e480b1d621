/**
 * What keeps power off. A ban stands while the chance of a fault that power makes worse is above one line,
 * unless a reading made with power off speaks against that fault; or because something was seen or told
 * (smoke, a tingle, a blown fuse, water, a swollen cell) that nobody has traced yet.
 */
import { ownEntry } from '../quantity/index.js';
import { banOf, type Ban } from '../families/index.js';
import type { Engine } from './engine.js';
import type { Event, Posterior } from './belief.js';
import { BAN_SHARE, LOOK_TWICE, RISK_SHARE, RISK_SHARE_AFTER, SPEAKS_AGAINST } from './defaults.js';

/** A ban that stands, with what raised it. */
export interface StandingBan extends Ban {
  /** Chance of its faults; null where something seen or told raised it. */
  readonly chance: number | null;
}

/** Marks that are a ban of their own once they are told of. */
const BAN_OF_MARK: Readonly<Record<string, string>> = {
  burnt: 'burnt',
  tingle: 'frame',
  blew: 'fuse',
  wet: 'wet',
  swollen: 'cell',
};

/** Chance of the faults of each ban that no dead reading speaks against. */
function chancesOf(
  engine: Engine,
  posterior: Posterior,
  cleared: ReadonlySet<number> = clearedModes(engine, posterior),
): Map<string, number> {
  const { model, space } = engine;
  const chances = new Map<string, number>();
  posterior.hypotheses.forEach((share, h) => {
    const bans = new Set<string>();
    for (const m of space.hypotheses[h]?.modes ?? []) {
      const ban = model.modes[m]?.bans;
      if (ban && !cleared.has(m)) bans.add(ban);
    }
    for (const ban of bans) chances.set(ban, (chances.get(ban) ?? 0) + share);
  });
  for (const { modes, ids } of posterior.pins.pins)
    if (ids.some((id) => posterior.pins.aside.has(id)))
      for (const ref of modes) {
        const ban = model.modes[model.modeOf.get(ref) ?? -1]?.bans;
        if (ban) chances.set(ban, 1);
      }
  return chances;
}

/** Bans whose faults are too unlikely to keep power off, and likely enough for a quick look before it. */
export function risksOf(engine: Engine, posterior: Posterior, afterMend: boolean): ReadonlySet<string> {
  const least = afterMend ? RISK_SHARE_AFTER : RISK_SHARE;
  // That a fuse is whole says little of the bridge behind it: only a look at the part itself spares the look.
  const looked = clearedModes(engine, posterior, true);
  return new Set([...chancesOf(engine, posterior, looked)].filter(([, chance]) => chance > least).map(([ban]) => ban));
}

/**
 * Blocks where one look with power off saw nothing of a fault that power makes worse, while everything else still
 * speaks for it: who looked may have slipped.
 */
export function doubtedLooks(engine: Engine, posterior: Posterior): ReadonlySet<string> {
  const { model, space } = engine;
  const once = new Set(
    posterior.groups.flatMap(({ dead, looked, ids }) => (dead && looked !== null && ids.length === 1 ? [looked] : [])),
  );
  return new Set(
    [...clearedModes(engine, posterior, true)].flatMap((m) => {
      const { block, bans } = model.modes[m] as (typeof model.modes)[number];
      const id = model.path.blocks[block]?.id ?? '';
      if (bans === null || !once.has(id)) return [];
      const chance = withMode(space, m).reduce((sum, h) => sum + (posterior.hypotheses[h] as number), 0);
      return chance > LOOK_TWICE ? [id] : [];
    }),
  );
}

/** What keeps power off now, the likeliest first. */
export function bansOf(engine: Engine, posterior: Posterior): StandingBan[] {
  const chances = chancesOf(engine, posterior);
  const likely = [...chances].filter(([, chance]) => chance > BAN_SHARE).sort((a, b) => b[1] - a[1]);
  const told = posterior.standing.filter((id) => !likely.some(([ban]) => ban === id));
  return [
    ...likely.map(([id, chance]) => ({ ...banOf(id), chance })),
    ...told.map((id) => ({ ...banOf(id), chance: null })),
  ];
}

/**
 * Faults against which a reading with power off speaks: it fits a fifth as well with the fault as without
 * it, whatever else may be wrong beside it. `itself`: looks at the part's own block alone count.
 */
export function clearedModes(
  { model, space }: Engine,
  { groups, pins }: Posterior,
  itself = false,
): ReadonlySet<number> {
  const dead = groups.filter((group) => group.dead && (!itself || group.looked !== null));
  const out = new Set<number>();
  const guarded = model.modes.flatMap((mode, m) =>
    mode.bans !== null || model.causes.some(({ cause }) => cause === m) ? [m] : [],
  );
  if (dead.length === 0 || guarded.length === 0) return out;
  const open = new Set(pins.contradictions.map((one) => model.blockOf.get(one.block)));
  const weights = new Float64Array(space.hypotheses.length);
  for (const group of dead) {
    const fits = byHypothesis(space, group.match, weights);
    let all = 0;
    let total = 0;
    for (let h = 0; h < weights.length; h++) {
      all += (fits[h] as number) * (weights[h] as number);
      total += weights[h] as number;
    }
    for (const m of guarded) {
      const { block } = model.modes[m] as (typeof model.modes)[number];
      if (open.has(block) || (itself && model.blockOf.get(group.looked ?? '') !== block)) continue;
      let [mine, weight] = [0, 0];
      for (const h of withMode(space, m)) {
        mine += (fits[h] as number) * (weights[h] as number);
        weight += weights[h] as number;
      }
      const without = (all - mine) / (total - weight);
      if (without > 0 && mine / weight < SPEAKS_AGAINST * without) out.add(m);
    }
  }
  return out;
}

/** Mean fit of each hypothesis over its worlds; fills `weights` with their prior weights. */
function byHypothesis(space: Engine['space'], match: Float64Array, weights: Float64Array): Float64Array {
  const fits = new Float64Array(weights.length);
  space.worlds.forEach(({ hypothesis, share }, w) => {
    fits[hypothesis] = (fits[hypothesis] as number) + share * (match[w] as number);
  });
  space.hypotheses.forEach(({ weight }, h) => {
    weights[h] = weight;
  });
  return fits;
}

const HOLDING = new WeakMap<Engine['space'], Map<number, readonly number[]>>();

/** Hypotheses that hold a mode, by index. */
function withMode(space: Engine['space'], mode: number): readonly number[] {
  const known = HOLDING.get(space) ?? new Map<number, readonly number[]>();
  HOLDING.set(space, known);
  const found = known.get(mode) ?? space.hypotheses.flatMap(({ modes }, h) => (modes.includes(mode) ? [h] : []));
  known.set(mode, found);
  return found;
}

/**
 * Bans raised by answers, not lifted since: every measurement that speaks to the ban has to be made (a sound
 * cord says nothing of the bridge behind it), or what was behind it is seen or mended.
 */
export function standingAfter(engine: Engine, events: readonly Event[]): string[] {
  const { model } = engine;
  const standing = new Map<string, Set<string>>();
  const lifting = (ban: string) => model.path.tests.filter((test) => test.lifts.includes(ban)).map((test) => test.id);
  for (const event of events) {
    if (event.kind === 'saw') {
      const { raises, lifts, saw, pin, test } = event.observation;
      for (const ban of lifts ?? []) {
        const owed = standing.get(ban);
        owed?.delete(test ?? '');
        if (owed?.size === 0) standing.delete(ban);
      }
      // On a kind that has nothing to measure there is nothing to wait for; a bad cell waits for another pack.
      if (raises && (raises === 'cell' || lifting(raises).length > 0)) standing.set(raises, new Set(lifting(raises)));
      if (saw.kind === 'block' && pin !== undefined)
        traced(saw.modes.map((mode) => model.modes[model.modeOf.get(`${saw.block}.${mode}`) ?? -1]?.marks ?? {}));
    } else if (event.kind === 'epoch') {
      for (const { mode } of event.mended) {
        const own = model.modes[model.modeOf.get(mode) ?? -1];
        if (own?.bans) standing.delete(own.bans);
        traced([own?.marks ?? {}]);
      }
    }
  }
  return [...standing.keys()];

  /** What every fault that it can have been explains is traced. */
  function traced(marks: readonly Readonly<Record<string, number>>[]) {
    for (const [mark, ban] of Object.entries(BAN_OF_MARK))
      if (marks.length > 0 && marks.every((one) => (ownEntry(one, mark) ?? 0) > 0)) standing.delete(ban);
  }
}
