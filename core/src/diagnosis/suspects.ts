/** Who is suspected, what speaks for and against each, and which readings nobody explains. */
import type { Engine } from './engine.js';
import type { Posterior } from './belief.js';
import { LEAST_EVIDENCE_BITS, UNEXPLAINED } from './defaults.js';

/** A fault of a part with its share, a fraction. */
export interface SuspectMode {
  readonly mode: string;
  readonly name: string;
  readonly share: number;
}

/** A part with the share of suspicion left on it, a fraction. */
export interface Suspect {
  readonly block: string;
  readonly name: string;
  /** Chance that the block has one of its faults, alone or with another. */
  readonly share: number;
  readonly modes: readonly SuspectMode[];
}

/** Blocks by falling chance; the chance of a block is the sum over every hypothesis that holds one of its modes. */
export function suspectsOf(engine: Engine, posterior: Posterior): Suspect[] {
  const { model, space } = engine;
  const byMode = new Float64Array(model.modes.length);
  posterior.hypotheses.forEach((share, h) => {
    for (const mode of space.hypotheses[h]?.modes ?? []) byMode[mode] = (byMode[mode] as number) + share;
  });
  // A third fault seen beside two stands aside of the sums, not of the list.
  for (const { modes, ids, reliability } of posterior.pins.pins)
    if (ids.some((id) => posterior.pins.aside.has(id)))
      for (const ref of modes) {
        const m = model.modeOf.get(ref) ?? -1;
        byMode[m] = Math.max(byMode[m] as number, reliability / modes.length);
      }
  return model.path.blocks
    .map((block, b) => {
      const modes = model.modes
        .flatMap((mode, m) =>
          mode.block === b ? [{ mode: mode.ref, name: mode.name, share: byMode[m] as number }] : [],
        )
        .sort((a, c) => c.share - a.share);
      const share = Math.min(
        1,
        modes.reduce((sum, one) => sum + one.share, 0),
      );
      return { block: block.id, name: block.name, share, modes };
    })
    .sort((a, b) => b.share - a.share);
}

/** One reading for or against a suspect, in bits: above zero speaks for it. */
export interface Evidence {
  readonly ids: readonly string[];
  readonly bits: number;
}

/**
 * For each group of readings the log-likelihood ratio of the block being at fault over its being
 * healthy, with everything else seen taken into account. Largest first, either way.
 */
export function evidenceFor(engine: Engine, posterior: Posterior, block: string): Evidence[] {
  const { model, space } = engine;
  const index = model.blockOf.get(block);
  const holds = space.hypotheses.map(({ modes }) => modes.some((m) => model.modes[m]?.block === index));
  return posterior.groups
    .map((group) => {
      let [withIt, withWeight, without, withoutWeight] = [0, 0, 0, 0];
      space.worlds.forEach((world, w) => {
        const likelihood = group.likelihood[w] as number;
        const share = (posterior.worlds[w] as number) / likelihood;
        if (holds[world.hypothesis]) [withIt, withWeight] = [withIt + share * likelihood, withWeight + share];
        else [without, withoutWeight] = [without + share * likelihood, withoutWeight + share];
      });
      const ratio = withWeight > 0 && withoutWeight > 0 ? withIt / withWeight / (without / withoutWeight) : 1;
      return { ids: group.ids, bits: Math.log2(ratio) };
    })
    .filter((one) => Math.abs(one.bits) >= LEAST_EVIDENCE_BITS)
    .sort((a, b) => Math.abs(b.bits) - Math.abs(a.bits));
}

/** Ids of readings that no likely hypothesis accounts for. */
export function unexplained(posterior: Posterior): string[] {
  return posterior.groups.flatMap((group) => {
    let accounted = 0;
    for (let w = 0; w < group.match.length; w++) {
      if ((group.match[w] as number) > 0.25) accounted += posterior.worlds[w] as number;
    }
    return accounted < UNEXPLAINED ? group.ids : [];
  });
}

/** Chance that nothing is wrong within the model. */
export const healthyShare = (engine: Engine, posterior: Posterior): number =>
  posterior.hypotheses[engine.space.indexOf.get('') ?? 0] as number;

/** Place of a fault ("block.mode") or of a block ("block") among all suspects, 1 for the first: modes with modes, blocks with blocks. */
export function modeRank(suspects: readonly Suspect[], ref: string): number {
  const block = ref.split('.')[0];
  const share = ref.includes('.')
    ? suspects.flatMap((one) => one.modes).find((one) => one.mode === ref)?.share
    : suspects.find((one) => one.block === block)?.share;
  if (share === undefined) return Infinity;
  const all = ref.includes('.') ? suspects.flatMap((one) => one.modes) : suspects;
  return 1 + all.filter((one) => one.share > share).length;
}
