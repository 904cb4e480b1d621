/** Turns of interacting trims when their effects are known: -J^-1 e. */

/**
 * `effects[i][j]`: percent at speed i for a turn of trim j; `errors`: percent. Effects [[0.8, 0.1], [0.15, 0.7]] and
 * errors (-1.2, +0.5) give (+1.633, -1.064) turns.
 */
export function trimTurns(effects: readonly (readonly number[])[], errors: readonly number[]): number[] {
  const n = errors.length;
  const rows = effects.map((row, i) => [...row, -(errors[i] ?? 0)]);
  for (let c = 0; c < n; c++) {
    // Elimination with pivots, for the few trims of a unit.
    const size = (r: number) => Math.abs(rows[r]?.[c] ?? 0);
    const pivot = rows.reduce((best, _, r) => (r >= c && size(r) > size(best) ? r : best), c);
    const swapped = rows[pivot] as number[];
    rows[pivot] = rows[c] as number[];
    rows[c] = swapped;
    for (let r = 0; r < n; r++) {
      if (r === c) continue;
      const factor = (rows[r]?.[c] ?? 0) / (swapped[c] ?? 1);
      rows[r] = (rows[r] as number[]).map((value, k) => value - factor * (swapped[k] ?? 0));
    }
  }
  return rows.map((row, i) => (row[n] ?? 0) / (row[i] ?? 1));
}
