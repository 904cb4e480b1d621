/** Faults and mends of the Book in the path's words. */
import { mendOf, PATHS } from '@amber-gauge/core/families';

/** "governor.hunts" as the family says it; a block alone by its name. */
export function faultWords(familyId: string, fault: string): string {
  const [blockId = '', modeId] = fault.split('.');
  const block = PATHS.get(familyId)?.blocks.find((one) => one.id === blockId);
  return block?.modes.find((one) => one.id === modeId)?.name ?? block?.name ?? fault;
}

/** The name of a repair. */
export const mendWords = (familyId: string, mend: string): string => mendOf(PATHS.get(familyId), mend)?.name ?? mend;

/** The first family that knows the repair: figures count it over all. */
export function anyMendWords(mend: string): string {
  for (const path of PATHS.values()) {
    const repair = mendOf(path, mend);
    if (repair) return repair.name;
  }
  return mend;
}
