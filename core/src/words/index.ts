/** The words of the interface: English where it is said, one list of all of them, and the way to another language. */

/**
 * Puts a sentence into another language.
 * @param sentence as it stands in the list: English, its gaps as {0}, {1} …
 * @param values what goes into the gaps, in their order
 */
export type Translate = (sentence: string, values: readonly (string | number)[]) => string;

let translate: Translate | undefined;

/** From here on everything is said through this; undefined: in English. Sentences of tables are said when their module is read: call it before. */
export function speakThrough(next: Translate | undefined): void {
  translate = next;
}

interface Sentence {
  readonly pieces: readonly string[];
  readonly key: string;
}

const read = new WeakMap<TemplateStringsArray, Sentence>();

/** A sentence that runs over several lines of code is one line. */
function sentenceOf(strings: TemplateStringsArray): Sentence {
  const known = read.get(strings);
  if (known) return known;
  const pieces = strings.map((piece) => piece.replace(/[ \t]*\n[ \t]*/g, ' '));
  const key = pieces.reduce((text, piece, index) => `${text}{${index - 1}}${piece}`);
  const sentence = { pieces, key };
  read.set(strings, sentence);
  return sentence;
}

/** Says a sentence of the interface: say`Waited ${minutes} min`. Every text that is shown or printed is said with it. */
export function say(strings: TemplateStringsArray, ...values: readonly (string | number)[]): string {
  const { pieces, key } = sentenceOf(strings);
  if (translate) return translate(key, values);
  return pieces.reduce((text, piece, index) => `${text}${values[index - 1]}${piece}`);
}

/** Says what the families' and practice machines' tables call something (a state, a part, a fault): their names are ids as well. */
export function said(name: string): string {
  return translate ? translate(name, []) : name;
}
