/** Tables that are asked for words of other people. */

/**
 * The entry of `table` under `key`, or undefined where it has none of its own. A typed or imported word such
 * as "constructor" finds nothing, where plain indexing would find what every object inherits.
 */
export const ownEntry = <T>(table: { readonly [key: string]: T } | undefined, key: string): T | undefined =>
  table !== undefined && Object.hasOwn(table, key) ? table[key] : undefined;
