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

/** Wire of a winding. */
export const METALS = ['copper', 'aluminium'] as const;
/** Names of the wires. */
export type Metal = (typeof METALS)[number];

/** Where the ohms of each would be nought by the straight line, degrees below (IEC 60034-1, from memory). */
const METAL_C: Readonly<Record<Metal, number>> = { copper: 235, aluminium: 225 };

/** Ohms of copper or aluminium at another temperature: R2 = R1 (k + T2) / (k + T1), k 235 or 225 (IEC 60034-1, from memory). */
export function resistanceAt(ohm: number, fromC: number, toC: number, metal: Metal): number {
  return (ohm * (METAL_C[metal] + toC)) / (METAL_C[metal] + fromC);
}

/** Degrees behind ohms: the inverse, for a winding that read `ohm` at `fromC` and `hotOhm` now. */
export function temperatureBy(ohm: number, fromC: number, hotOhm: number, metal: Metal): number {
  return (hotOhm / ohm) * (METAL_C[metal] + fromC) - METAL_C[metal];
}
