/** What may be wrong at once: the sets of faults that a posterior holds likely, as a decision reckons with them. */
import type { Engine } from './engine.js';
import type { Posterior } from './belief.js';
import { MOST_SETS } from './defaults.js';

/** Faults that are there together, and the chance of just these, a fraction. */
export interface FaultSet {
  readonly modes: readonly string[];
  readonly share: number;
}

/**
 * Sets of one fault and of two by falling chance, without "nothing is wrong". A third that was seen beside two, which
 * no hypothesis holds, is there in every set, as surely as it was seen.
 */
export function faultSetsOf(engine: Engine, posterior: Posterior): FaultSet[] {
  const { model, space } = engine;
  let sets: FaultSet[] = [...posterior.hypotheses].flatMap((share, h) => {
    const modes = (space.hypotheses[h]?.modes ?? []).map((m) => model.modes[m]?.ref ?? '');
    return share > 0 && modes.length > 0 ? [{ modes, share }] : [];
  });
  for (const { modes, ids, reliability } of posterior.pins.pins)
    if (ids.some((id) => posterior.pins.aside.has(id)))
      sets = sets.flatMap((set) => [
        { ...set, share: set.share * (1 - reliability) },
        ...modes.map((mode) => ({
          modes: [...new Set([...set.modes, mode])],
          share: (set.share * reliability) / modes.length,
        })),
      ]);
  return sets.sort((a, b) => b.share - a.share).slice(0, MOST_SETS);
}
