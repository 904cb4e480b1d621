/** A mend of the drive path as a line of work: "Renew the regulator" is "replaced the regulator". */
import { recipeOf, type PathRepair } from '../../families/index.js';
import type { WorkBody } from '../event.js';

/**
 * What kind of work it is stands in the repair's recipe. The words leave out the first verb, and a second one ("and
 * oil", "or renew"): they are for reading alone.
 */
export function workOfRepair({ id, name, cures }: Pick<PathRepair, 'id' | 'name' | 'cures'>): WorkBody {
  const match = /^\w+(?:(?:,| and| or)\s+\w+(?=\s+(?:the|a|an|its|both)\b))?\s+(.*)$/.exec(name);
  // "Clean off the old belt": the part, without what belongs to the verb.
  const what = (match?.[1] ?? name)
    .replace(/^(?:off|on|out|in|up) (?=the|an?|its|both)/, '')
    .replace(/^an? new /, 'the ');
  const recipe = recipeOf(id);
  const blocks = [...new Set(cures.map((ref) => ref.split('.')[0] ?? ''))];
  return { kind: 'work', action: recipe?.action ?? 'repair', what, blocks, reach: recipe?.reach ?? 'circuit' };
}
