/** Every id that a family names must exist; a record that names another throws at load. */
import { CoreError } from '../errors.js';
import type { Family } from './schema.js';
import type { Caution } from './shared/cautions.js';

/** @throws CoreError UNKNOWN_ID naming the family and the id. */
export function checkReferences(families: readonly Family[], cautions: readonly Caution[]): void {
  const cautionIds = new Set(cautions.map((caution) => caution.id));
  for (const family of families) {
    const must = (kind: string, ids: readonly string[], known: ReadonlySet<string>) => {
      for (const id of ids)
        if (!known.has(id)) throw new CoreError('UNKNOWN_ID', `family ${family.id} names an unknown ${kind}`, { id });
    };
    must('speed', family.usualSpeeds, new Set(family.speeds.map((speed) => speed.id)));
    must('caution', family.cautions, cautionIds);
    const ends = new Set(family.openEnds.map((end) => end.id));
    for (const move of family.moves) must('open end', move.opens, ends);
    mustHaveStoreOrReason(family);
    for (const list of [family.lanes.flatMap((lane) => lane.blocks), family.openEnds, family.moves, family.safeLines])
      mustDiffer(
        family,
        list.map((one) => one.id),
      );
  }
}

/** Each way of powering a family has a store of charge, or the record says why none is worth fearing. */
function mustHaveStoreOrReason(family: Family): void {
  const kinds = family.supply === 'mains-or-adapter' ? ['mains', 'adapter'] : family.supply.split('-or-');
  const stored = kinds.every((kind) => family.stores.some((store) => (store.powerKinds as string[]).includes(kind)));
  if (!stored && family.noStoreWhy === null)
    throw new CoreError('UNKNOWN_ID', `family ${family.id} names no store of charge and no reason`, { id: family.id });
}

function mustDiffer(family: Family, ids: readonly string[]): void {
  const twice = ids.find((id, i) => ids.indexOf(id) !== i);
  if (twice) throw new CoreError('UNKNOWN_ID', `family ${family.id} has the id ${twice} twice`, { id: twice });
}
