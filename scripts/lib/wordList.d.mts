/** The path of the list. */
export const LIST: string;
/** The list as text, the same for the same code. */
export function wordList(): Promise<string>;
/** Places where something is shown that is not said. */
export function unsaid(): Promise<string[]>;
