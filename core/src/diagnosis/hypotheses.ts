/**
 * What may be wrong: nothing, every single fault, every pair of blocks. A mode whose behaviour is
 * uncertain splits its hypothesis into worlds; each world is deterministic.
 */
import type { NumberModel, NumberRow } from './model.js';
import { MOST_OF_CAUSE, MOST_WORLDS } from './defaults.js';

interface Hypothesis {
  /** Modes by index, rising; empty when nothing is wrong. */
  readonly modes: readonly number[];
  /** Product of the odds of its modes. */
  readonly weight: number;
}

/** One way a hypothesis may show itself. */
export interface World {
  readonly hypothesis: number;
  /** Chance of this world within its hypothesis. */
  readonly share: number;
  /** Chosen state of each uncertain row. */
  readonly choices: ReadonlyMap<NumberRow, number>;
}

/** All hypotheses with their worlds. */
export interface Space {
  readonly hypotheses: readonly Hypothesis[];
  readonly worlds: readonly World[];
  /** Index by modes joined with commas. */
  readonly indexOf: ReadonlyMap<string, number>;
}

/** A set of modes as a key. */
export const keyOf = (modes: readonly number[]): string => modes.join(',');

/**
 * Odds of faults together. A victim beside its cause is as likely as the cause makes it: chance of both is the
 * victim's odds times the cause's share of such victims. A victim alone, and a cause without its victim, are what remains.
 */
function weightOf({ modes: all, causes }: NumberModel, modes: readonly number[]): number {
  let weight = 1;
  for (const m of modes) {
    const odds = all[m]?.odds ?? 0;
    const mine = causes.filter((one) => one.victim === m);
    const beside = mine.find((one) => modes.includes(one.cause));
    if (beside) weight *= Math.min(MOST_OF_CAUSE, (odds * beside.share) / (all[beside.cause]?.odds ?? 1));
    else weight *= odds * (1 - mine.reduce((sum, one) => sum + one.share, 0));
    for (const one of causes) {
      if (one.cause !== m || modes.includes(one.victim)) continue;
      const victimOdds = all[one.victim]?.odds ?? 0;
      const taken = modes.some((other) => all[other]?.block === all[one.victim]?.block);
      if (!taken) weight *= 1 - Math.min(MOST_OF_CAUSE, (victimOdds * one.share) / odds);
    }
  }
  return weight;
}

/** All hypotheses with up to `most` faults at once (1 to 3), at most one mode a block; one fault more where its weight is `leastMore` or above. */
export function spaceOf(model: NumberModel, most: number, leastMore: number): Space {
  const hypotheses: Hypothesis[] = [{ modes: [], weight: weightOf(model, []) }];
  const coupled = new Set(model.causes.flatMap(({ cause, victim }) => [cause, victim]));
  // Where no cause or victim is among them the weight is the product of the odds.
  const grow = (modes: readonly number[], weight: number, alone: boolean, from: number) => {
    if (modes.length > most) return;
    for (let m = from; m < model.modes.length; m++) {
      const mode = model.modes[m] as NumberModel['modes'][number];
      if (modes.some((other) => model.modes[other]?.block === mode.block)) continue;
      const simple = alone && !coupled.has(m);
      if (simple && modes.length >= most && weight * mode.odds < leastMore) continue;
      const next = [...modes, m];
      const both = simple ? weight * mode.odds : weightOf(model, next);
      if (next.length > most && both < leastMore) continue;
      hypotheses.push({ modes: next, weight: both });
      grow(next, both, simple, m + 1);
    }
  };
  grow([], 1, true, 0);
  const worlds = hypotheses.flatMap((hypothesis, h) => worldsOf(model, hypothesis, h));
  return { hypotheses, worlds, indexOf: new Map(hypotheses.map((one, i) => [keyOf(one.modes), i])) };
}

function worldsOf(model: NumberModel, { modes }: Hypothesis, hypothesis: number): World[] {
  const uncertain = modes.flatMap((m) => (model.modes[m]?.rows ?? []).filter((row) => row.out.kind === 'choice'));
  let worlds: { share: number; choices: Map<NumberRow, number> }[] = [{ share: 1, choices: new Map() }];
  for (const row of uncertain) {
    if (row.out.kind !== 'choice') continue;
    const { states, chances } = row.out;
    worlds = worlds.flatMap((world) =>
      states.map((state, i) => ({
        share: world.share * (chances[i] as number),
        choices: new Map(world.choices).set(row, state),
      })),
    );
    if (worlds.length > MOST_WORLDS) worlds = worlds.sort((a, b) => b.share - a.share).slice(0, MOST_WORLDS);
  }
  const total = worlds.reduce((sum, world) => sum + world.share, 0);
  return worlds.map(({ share, choices }) => ({ hypothesis, share: share / total, choices }));
}
