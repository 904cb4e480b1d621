/** Parts of the path that words speak of. */
import type { DrivePath } from '../../families/index.js';
import { LEAST_WORD_LETTERS } from '../defaults.js';

/** Covers and what holds them: they are taken off to reach a part, and are none. */
const COVER = / (?:covers?|lid|shield|plate|screws?|hood|panel|case|bracket) /;

/** Words between spaces, in small letters. */
const plainOf = (words: string): string => ` ${words.toLowerCase().replace(/[^\p{L}\d]+/gu, ' ')} `;

/** Does a step take off a cover or its screws, nothing of the drive? */
export const isCover = (words: string): boolean => COVER.test(plainOf(words));

/** Blocks whose whole name stands in the words: "platter" in "platter and mat"; "motor" not in "motor cover". */
export function blocksNamed(path: DrivePath, words: string): string[] {
  const plain = plainOf(words);
  if (COVER.test(plain)) return [];
  return path.blocks.filter((block) => plain.includes(` ${block.name.toLowerCase()} `)).map((block) => block.id);
}

/** A word without its plural, in small letters. */
const singular = (word: string): string => word.toLowerCase().replace(/(?<=\w{3})s$/, '');
/** Words of a text without their plurals, in small letters. */
export const wordsIn = (text: string): string[] => (text.match(/[\p{L}\p{N}]+/gu) ?? []).map(singular);

/** Blocks with a word of their name in what was done: whole words, "recorder" is no "cord". */
export function touchedBy(path: DrivePath, text: string): string[] {
  const said = new Set(wordsIn(text));
  return path.blocks
    .filter((block) => wordsIn(block.name).some((word) => word.length >= LEAST_WORD_LETTERS && said.has(word)))
    .map((block) => block.id);
}
