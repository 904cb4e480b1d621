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

/** Only what failed, or the set while it is open. */
export const SET_SCHOOL = {
  set: side('set', 'same age, same stress, one visit: more parts, more to go wrong while soldering'),
} as const;

/** Repair the board, or replace it. */
export const BOARD_SCHOOL = {
  repair: side('board', 'little money, long hands: what else was hurt shows only under load'),
  replace: side('board', 'sure and quick: dear, and it waits for the boat'),
} as const;
