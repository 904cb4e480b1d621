/** How the unit stands, and what it costs to reach a part from there. */
import { needsPower, type DrivePath, type PathTest } from '../families/index.js';
import type { Engine } from './engine.js';
import type { Posterior } from './belief.js';
import { POWER_MINUTES } from './defaults.js';

/** How the unit stands now. */
export interface Situation {
  /** Level of opening reached, by id. */
  readonly level: string;
  readonly power: 'dead' | 'live';
  /** Tests that were answered in this epoch. */
  readonly done: ReadonlySet<string>;
  /** Tests that cannot be done on this unit. */
  readonly unreachable: ReadonlySet<string>;
  /** What is off now and must be put back before a test, by test: "belt". Such tests come last. */
  readonly putBack: ReadonlyMap<string, readonly string[]>;
  /** Mends of the path done on this unit, by id, and how often. */
  readonly mended: ReadonlyMap<string, number>;
}

/** How often each was done. */
export const counted = (ids: readonly string[]): ReadonlyMap<string, number> =>
  ids.reduce((map, id) => map.set(id, (map.get(id) ?? 0) + 1), new Map<string, number>());

/** A closed, dead unit on which nothing was done yet. */
export const untouched = (engine: Engine): Situation => ({
  level: engine.model.path.levels[0]?.id ?? '',
  power: 'dead',
  done: new Set(),
  unreachable: new Set(),
  putBack: new Map(),
  mended: new Map(),
});

/** Minutes from the unit's present opening and power to what the test or mend needs; `owed` is the part of each level's opening that has to be paid for it. */
export function reaching(
  engine: { readonly model: { readonly path: Pick<DrivePath, 'levels'> } },
  situation: Situation,
  need: { level: string; power: PathTest['power'] },
  owed: readonly number[] = [],
): number {
  const { levels } = engine.model.path;
  const [here, there] = [situation.level, need.level].map((id) => levels.findIndex((level) => level.id === id)) as [
    number,
    number,
  ];
  const opening = levels.reduce(
    (sum, level, i) => (i > here && i <= there ? sum + level.minutes * (owed[i] ?? 1) : sum),
    0,
  );
  const mustOpen = there > here;
  if (needsPower(need)) {
    if (situation.power === 'live' && !mustOpen) return 0;
    const on = here <= 0 && !mustOpen ? POWER_MINUTES.on : POWER_MINUTES.live;
    return opening + on + (situation.power === 'live' ? POWER_MINUTES.dead : 0);
  }
  const off = situation.power === 'live' && (need.power === 'dead' || mustOpen) ? POWER_MINUTES.dead : 0;
  return opening + off;
}

/**
 * The part of each level's opening that a test there has to answer for: what has to be opened anyway for
 * the mend of the faults present is owed to the mend.
 */
export function owedOpening({ model, space }: Engine, posterior: Posterior): number[] {
  const { levels, repairs } = model.path;
  const depth = (id: string) => levels.findIndex((level) => level.id === id);
  const needed = model.modes.map(({ ref, block }) => {
    const own = `${model.path.blocks[block]?.id ?? ''}.*`;
    const cures = repairs.filter((repair) => repair.cures.some((cure) => cure === ref || cure === own));
    return cures.length > 0 ? Math.min(...cures.map((repair) => depth(repair.level))) : 0;
  });
  const share = levels.map(() => 0);
  posterior.hypotheses.forEach((chance, h) => {
    const deepest = Math.max(0, ...(space.hypotheses[h]?.modes ?? []).map((m) => needed[m] ?? 0));
    for (let i = 1; i <= deepest; i++) share[i] = (share[i] ?? 0) + chance;
  });
  return share.map((one) => 1 - one);
}

/** Minutes of opening that lie between the unit and a level. */
export const openingMinutes = (
  engine: Engine,
  situation: Situation,
  level: string,
  owed: readonly number[] = [],
): number => reaching(engine, { ...situation, power: 'dead' }, { level, power: 'either' }, owed);
