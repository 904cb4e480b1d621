/** Wear of carbon brushes from two lengths. */

import { LENGTH_LIMIT_MM } from './defaults.js';
export { LENGTH_LIMIT_MM } from './defaults.js';

/** Wear and what is left of a brush. */
export interface BrushLife {
  readonly mmPerHour: number;
  /** Hours until the limit; least and most by the reading of both lengths. `most` is null where no wear is proved. */
  readonly hours: { readonly least: number; readonly usual: number; readonly most: number | null };
}

/** Hours left of a brush that went from `before` to `now` mm in `hours`; null when it did not wear. */
export function brushLife(before: number, now: number, limit: number, hours: number): BrushLife | null {
  const worn = before - now;
  if (!(worn > 0 && hours > 0)) return null;
  const left = Math.max(0, now - limit);
  // Each length within ±0.2 mm: the worn part carries both, as limits.
  const doubt = Math.SQRT2 * LENGTH_LIMIT_MM;
  const at = (wornMm: number, leftMm: number) => (Math.max(0, leftMm) * hours) / wornMm;
  return {
    mmPerHour: worn / hours,
    hours: {
      least: at(worn + doubt, left - LENGTH_LIMIT_MM),
      usual: at(worn, left),
      most: worn > doubt ? at(worn - doubt, left + LENGTH_LIMIT_MM) : null,
    },
  };
}
