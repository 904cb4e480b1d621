/** Disputes of the trade, both sides with their case: the person chooses (common practice, no source). */

const side = (id: string, words: string) => ({ school: { id, case: words } });

/** Calm the stage by its resistor, or renew the zener that feeds it. */
export const ZENER_SCHOOL = {
  resistor: side('zener', 'one part, minutes, keeps the old zener: the drift may come back when it ages on'),
  renew: side('zener', 'takes the cause away: two parts, and the trims have to be set again'),
} as const;

/** Clean the pot, or replace it. */
export const POT_SCHOOL = {
  clean: side('pot', 'cheap, nothing is disturbed: may come back within the year'),
  renew: side('pot', 'lasts: a matching part has to be found, the trims are set again'),
} as const;

/** Thin oil now and often, or the oil that was specified. */
export const OIL_SCHOOL = {
  thin: side('oil', 'at once, it creeps in by itself: it creeps out again, once a year'),
  heavy: side('oil', 'as it was built, quiet for years: the well is filled and run in for a day'),
} as const;

/** Glue it, or crimp it again. */
export const GLUE_SCHOOL = {
  glue: side('glue', 'holds also where the metal is tired: a day of curing, and a drop too much is in the bearing'),
  crimp: side('glue', 'at once, nothing to cure: metal that was bent once holds less the second time'),
} as const;

/** Only what failed, or the set while it is open. */
export const SET_SCHOOL = {
  only: side('set', 'the least disturbance: what aged beside it is left, and may be the next visit'),
  set: side('set', 'same age, same stress, one visit: more parts, more to go wrong while soldering'),
} as const;

/** Repair the board, or replace it. */
export const BOARD_SCHOOL = {
  repair: side('board', 'little money, long hands: what else was hurt shows only under load'),
  replace: side('board', 'sure and quick: dear, and it waits for the boat'),
  bypass: side('board', 'hardly any money, works today: what the board did is gone for good'),
} as const;
