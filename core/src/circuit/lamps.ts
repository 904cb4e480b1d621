/** Codes shown on a row of lamps. */

/** A row of lamps as a number: `lit` from left to right; the sense and the end that counts most may differ by model. */
export function lampNumbers(lit: readonly boolean[]): { asShown: number; inverted: number; mirrored: number } {
  const of = (row: readonly boolean[]) => row.reduce((sum, on) => 2 * sum + (on ? 1 : 0), 0);
  return { asShown: of(lit), inverted: of(lit.map((on) => !on)), mirrored: of([...lit].reverse()) };
}
