/** A made-up table of numbers. */
import type { NumberTable } from '../../formats/index.js';

/** Columns by name; the first row stands in line 2. */
export const tableOf = (
  columns: readonly (readonly [string, readonly number[]])[],
  more: Partial<NumberTable> = {},
): NumberTable => ({
  kind: 'table',
  texts: [],
  preamble: [],
  stamps: null,
  names: columns.map(([name]) => name),
  columns: columns.map(([, values]) => Float64Array.from(values)),
  separator: ',',
  decimalComma: false,
  lineOf: Uint32Array.from({ length: columns[0]?.[1].length ?? 0 }, (_, i) => i + 2),
  ...more,
});
