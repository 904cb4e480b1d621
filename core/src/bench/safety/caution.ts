/** Cautions called up by what is about to be done. */
import { CAUTIONS, familyOf, type Caution } from '../../families/index.js';

const patterns = CAUTIONS.map((caution) => ({
  caution,
  pattern: new RegExp(`\\b(?:${caution.words.map((word) => word.replace(/[-\s]/g, '[-\\s]?')).join('|')})`, 'i'),
}));

/** Cautions whose words stand in `text`, those of the family first. Pure and total. */
export function cautionsFor(text: string, familyId: string): Caution[] {
  const own = familyOf(familyId).cautions;
  return patterns
    .filter(({ pattern }) => pattern.test(text))
    .map(({ caution }) => caution)
    .sort((a, b) => Number(own.includes(b.id)) - Number(own.includes(a.id)));
}
