/** Kinds of mends in words. */
import type { MendWay } from '@amber-gauge/core/families';
import { say } from '@amber-gauge/core/words';

export const WAY_WORDS: Readonly<Record<MendWay, string>> = {
  clean: say`clean`,
  oil: say`oil`,
  adjust: say`adjust`,
  repair: say`repair`,
  jumper: say`jumper`,
  part: say`one part`,
  set: say`while it is open`,
  board: say`board`,
  motor: say`motor`,
  donor: say`donor`,
  retrofit: say`retrofit`,
  bypass: say`bypass`,
  away: say`sent away`,
};
