/** Limits of a speed error, with where they come from. */
import { CoreError } from '../errors.js';

/** What a number rests on; shown beside it everywhere. */
export type Origin =
  | { readonly kind: 'standard'; readonly text: string }
  | { readonly kind: 'practice'; readonly text: string }
  | { readonly kind: 'sheet'; readonly text: string }
  | { readonly kind: 'chosen'; readonly text: string };

/** Limits in percent of the nominal speed; the lower is negative, the upper positive, each its own size. */
export interface Tolerance {
  readonly lowerPercent: number;
  readonly upperPercent: number;
  readonly origin: Origin;
}

/**
 * A tolerance from its two limits: `tolerance(-1, 1.5, ...)` is +1.5/-1.0 %.
 * @throws CoreError OUT_OF_RANGE unless lowerPercent < 0 < upperPercent, both finite.
 */
export function tolerance(lowerPercent: number, upperPercent: number, origin: Origin): Tolerance {
  const finite = Number.isFinite(lowerPercent) && Number.isFinite(upperPercent);
  if (!(finite && lowerPercent < 0 && upperPercent > 0)) {
    throw new CoreError('OUT_OF_RANGE', 'a tolerance needs a lower limit below 0 and an upper above 0', {
      lowerPercent,
      upperPercent,
    });
  }
  return { lowerPercent, upperPercent, origin };
}
