/**
 * What a mend or a strip-down leaves of the belief: mended modes go, less what the mend leaves, and blocks touched may
 * have gained a fault by the work. How a fault behaves, as far as readings have told, stays so: a weak governor that
 * gave its volts with the belt off gives them after the belt was renewed.
 */
import type { Event } from './belief.js';
import { TOUCHED_ODDS } from './defaults.js';
import type { Engine } from './engine.js';
import { keyOf } from './hypotheses.js';

type Epoch = Extract<Event, { kind: 'epoch' }>;

/** Share of each world after the work; in all as much as before, less what no hypothesis holds. */
export function nextEpoch(engine: Engine, before: Float64Array, { mended, touched }: Epoch): Float64Array {
  const { model } = engine;
  const residual = new Map(mended.map((one) => [model.modeOf.get(one.mode) ?? -1, one.residual]));
  const cured = carry(engine, before, (modes) => {
    let parts: Part[] = [{ modes: [], share: 1 }];
    for (const mode of modes) {
      const stays = residual.get(mode) ?? 1;
      parts = parts.flatMap((part) => [
        ...(stays > 0 ? [{ modes: [...part.modes, mode], share: part.share * stays }] : []),
        ...(stays < 1 ? [{ modes: part.modes, share: part.share * (1 - stays) }] : []),
      ]);
    }
    return parts;
  });
  const blocks = new Set(touched.map((id) => model.blockOf.get(id)));
  const gained = model.modes.flatMap((mode, m) => (mode.byWork && blocks.has(mode.block) ? [m] : []));
  const after = carry(engine, cured, (modes) => [
    { modes, share: 1 },
    ...gained
      .filter((m) => !modes.some((other) => model.modes[other]?.block === model.modes[m]?.block))
      .map((m) => ({
        modes: [...modes, m].sort((a, b) => a - b),
        share: Math.max(TOUCHED_ODDS, model.modes[m]?.odds ?? 0),
      })),
  ]);
  return scaled(
    after,
    before.reduce((sum, share) => sum + share, 0),
  );
}

/** The same shares, so that they sum to `to`. */
export function scaled(shares: Float64Array, to: number): Float64Array {
  const total = shares.reduce((sum, share) => sum + share, 0);
  return shares.map((share) => (share / total) * to);
}

/** Faults that a hypothesis turns into, and with what share of it. */
interface Part {
  readonly modes: readonly number[];
  readonly share: number;
}

/** Each world's share goes to the worlds of what its hypothesis turns into that behave as it did. */
function carry(
  { space }: Engine,
  from: Float64Array,
  into: (modes: readonly number[]) => readonly Part[],
): Float64Array {
  const to = new Float64Array(from.length);
  const parts = space.hypotheses.map(({ modes }) =>
    into(modes).flatMap(({ modes: left, share }) => {
      const index = space.indexOf.get(keyOf(left));
      return index === undefined ? [] : [{ index, share }];
    }),
  );
  from.forEach((share, w) => {
    if (share === 0) return;
    const own = space.worlds[w]?.hypothesis ?? 0;
    for (const part of parts[own] ?? [])
      if (part.index === own) to[w] = (to[w] as number) + share * part.share;
      else
        for (const [other, of] of alike(space, w, part.index))
          to[other] = (to[other] as number) + share * part.share * of;
  });
  return to;
}

const WORLDS = new WeakMap<Engine['space'], readonly (readonly number[])[]>();

/** Worlds by hypothesis. */
function worldsBy(space: Engine['space']): readonly (readonly number[])[] {
  const known = WORLDS.get(space);
  if (known) return known;
  const by: number[][] = space.hypotheses.map(() => []);
  space.worlds.forEach(({ hypothesis }, w) => by[hypothesis]?.push(w));
  WORLDS.set(space, by);
  return by;
}

/**
 * Worlds of a hypothesis that behave like a world of another in all that both leave open, with their shares among
 * these; all of the hypothesis where the likeliest that were kept hold none that does.
 */
function alike(space: Engine['space'], world: number, hypothesis: number): (readonly [number, number])[] {
  const choices = space.worlds[world]?.choices;
  const all = worldsBy(space)[hypothesis] ?? [];
  const same = all.filter((w) =>
    [...(space.worlds[w]?.choices ?? [])].every(([row, state]) => (choices?.get(row) ?? state) === state),
  );
  const list = same.length > 0 ? same : all;
  const total = list.reduce((sum, w) => sum + (space.worlds[w]?.share ?? 0), 0);
  return list.map((w) => [w, (space.worlds[w]?.share ?? 0) / total]);
}
