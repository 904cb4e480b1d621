/** Length of a belt round two wheels (handbook, exact for thin belts on circles: Shigley's forms, from memory). */

/** Diameters to the middle of the belt, distance of the shafts, all mm. */
export interface BeltRun {
  readonly first: number;
  readonly second: number;
  readonly centre: number;
  readonly crossed: boolean;
}

/**
 * Length along the middle of the belt, mm; null when the wheels overlap. Open: 2 C cos a + pi (D + d)/2 + a (D - d),
 * sin a = (D - d)/2C; crossed: 2 C cos b + (D + d)(pi/2 + b), sin b = (D + d)/2C. Equal wheels of 100 at 200: 714.16.
 */
export function beltLength({ first, second, centre, crossed }: BeltRun): number | null {
  const sine = (crossed ? first + second : Math.abs(first - second)) / (2 * centre);
  if (!(sine < 1) || centre <= (first + second) / 2) return null;
  const angle = Math.asin(sine);
  const straight = 2 * centre * Math.cos(angle);
  return crossed
    ? straight + (first + second) * (Math.PI / 2 + angle)
    : straight + (Math.PI * (first + second)) / 2 + angle * Math.abs(first - second);
}

/** Stretch of a belt on its run, percent of its length at rest. */
export const stretchPercent = (runMm: number, lengthMm: number): number => 100 * (runMm / lengthMm - 1);

/** Stretch of rubber belts when fitted, percent (common practice). */
export const USUAL_STRETCH_PERCENT = { least: 3, most: 8 } as const;
