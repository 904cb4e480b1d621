/** Kinds of mends in words. */
import type { MendWay } from '@amber-gauge/core/families';

export const WAY_WORDS: Readonly<Record<MendWay, string>> = {
  clean: 'clean',
  oil: 'oil',
  adjust: 'adjust',
  repair: 'repair',
  jumper: 'jumper',
  part: 'one part',
  set: 'while it is open',
  board: 'board',
  motor: 'motor',
  donor: 'donor',
  retrofit: 'retrofit',
  bypass: 'bypass',
  away: 'sent away',
};
