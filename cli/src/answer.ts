/** The shape of what commands give. */

/** What a command gives: one JSON object, and the same in words. */
export interface CommandAnswer {
  readonly json: Readonly<Record<string, unknown>>;
  readonly words: string;
}
