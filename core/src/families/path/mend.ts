/** Mends of a path by id: the usual ones and the ways round them. */
import { recipeOf } from '../shared/recipes.js';
import type { DrivePath, MendWay, PathRepair } from './schema.js';

/** The mend of that id, usual or a way round; null where the path has none. */
export const mendOf = (path: DrivePath | null | undefined, id: string): PathRepair | null =>
  path?.repairs.find((one) => one.id === id) ?? path?.ways.find((one) => one.id === id) ?? null;

/** What kind of mend it is: what it says itself, else by its steps. */
export const wayOf = (mend: PathRepair): MendWay => mend.way ?? recipeOf(mend.id)?.way ?? 'repair';

/** What it may do to the unit; null for nothing worth a word. */
export const risksOfMend = (mend: PathRepair): string | null => mend.risks ?? recipeOf(mend.id)?.risks ?? null;
