/** Windings of a three-phase motor from readings between its leads. */

/** Pairs in the order a-b, b-c, c-a. */
export type Three = readonly [number, number, number];

/** Star: the phases behind three pair readings, leads taken off: R_a = (R_ab + R_ca - R_bc) / 2. 2.3, 2.3, 2.0 gives 1.0, 1.3, 1.0. */
export function starPhases([ab, bc, ca]: Three): Three {
  return [(ab + ca - bc) / 2, (ab + bc - ca) / 2, (bc + ca - ab) / 2];
}

/** Delta: the phases between a-b, b-c and c-a behind three pair readings. */
export function deltaPhases(pairs: Three): Three {
  const [a, b, c] = starPhases(pairs);
  const sum = a * b + b * c + c * a;
  return [sum / c, sum / a, sum / b];
}

/** Largest less smallest over the mean, percent. */
export function imbalancePercent(values: Three): number {
  return (100 * (Math.max(...values) - Math.min(...values))) / (values.reduce((sum, one) => sum + one, 0) / 3);
}

/** Ohms of copper or aluminium at another temperature: R2 = R1 (k + T2) / (k + T1), k 235 or 225 (IEC 60034-1, from memory). */
export function resistanceAt(ohm: number, fromC: number, toC: number, metal: 'copper' | 'aluminium'): number {
  const k = metal === 'copper' ? 235 : 225;
  return (ohm * (k + toC)) / (k + fromC);
}
