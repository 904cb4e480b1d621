/** The machine families as validated data, and the cautions and refusals they share. */
import { z } from 'zod';
import { FAMILY_DATA } from './data.js';
import { checkPath } from './path/check.js';
import { pathSchema, type DrivePath } from './path/schema.js';
import { PATH_DATA } from './paths/index.js';
import { checkReferences } from './references.js';
import { familySchema, type Family } from './schema.js';
import { CAUTION_DATA, cautionSchema, type Caution } from './shared/cautions.js';
import { REFUSAL_DATA, refusalSchema, type Refusal } from './shared/refusals.js';
import { CoreError } from '../errors.js';

export type {
  ChargeStore,
  Family,
  FamilyMove,
  FamilySpeed,
  PowerKind,
  SafeLine,
  ToleranceUse,
  UsualEnd,
} from './schema.js';
export { POWER_KINDS } from './schema.js';
export {
  EMPTY_SHEET,
  fitPath,
  modelSheetSchema,
  ratedPath,
  sheetProblem,
  variantPath,
  withoutParts,
  type ModelSheet,
  type ModelTrim,
} from './path/fit.js';
export { mendOf, risksOfMend, wayOf } from './path/mend.js';
export { pathSchema } from './path/schema.js';
export { provingOf, type FamilyProving, type ProvingFunction } from './shared/proving.js';
export {
  CONSUMABLES,
  recipeOf,
  type ConsumableId,
  type Recipe,
  type RecipeStep,
  type WorkReach,
} from './shared/recipes.js';
export { BANS, banOf, banWords, type Ban } from './shared/bans.js';
export { PLACE_ALIASES } from './shared/aliases.js';
export { restsOn } from './path/flow.js';
export { LANE_ORDER, pathOrder } from './path/order.js';
export { needsPower } from './path/power.js';
export { faultsShown } from './path/shown.js';
export { turningStates } from './path/turning.js';
export type {
  Context,
  DrivePath,
  MendWay,
  PathBlock,
  PathCause,
  PathMode,
  PathOutcome,
  PathRepair,
  PathRow,
  PathSignal,
  PathTest,
} from './path/schema.js';
export type { Caution } from './shared/cautions.js';
export type { Refusal } from './shared/refusals.js';
export { DEFEAT_WORDS, FINDING_WORDS } from './shared/refusals.js';

/** All families, in the trade's usual order; a record that does not hold together throws at load. */
export const FAMILIES: readonly Family[] = z.array(familySchema).parse(FAMILY_DATA);
/** Cautions by what is about to be done. */
export const CAUTIONS: readonly Caution[] = z.array(cautionSchema).parse(CAUTION_DATA);
/** What is never planned. */
export const REFUSALS: readonly Refusal[] = z.array(refusalSchema).parse(REFUSAL_DATA);

checkReferences(FAMILIES, CAUTIONS);

/** Drive paths by family id; a family without one is found in by hand. */
export const PATHS: ReadonlyMap<string, DrivePath> = new Map(
  Object.entries(z.record(z.string(), pathSchema).parse(PATH_DATA)),
);

for (const [id, path] of PATHS) {
  const family = FAMILIES.find((one) => one.id === id);
  if (!family) throw new CoreError('UNKNOWN_ID', `a drive path for an unknown family ${id}`, { id });
  checkPath(family, path, CAUTIONS);
}

const byId = new Map(FAMILIES.map((family) => [family.id, family]));

/** The family of that id. @throws CoreError UNKNOWN_ID. */
export function familyOf(id: string): Family {
  const family = byId.get(id);
  if (!family) throw new CoreError('UNKNOWN_ID', `no family has the id ${id}`, { id });
  return family;
}
