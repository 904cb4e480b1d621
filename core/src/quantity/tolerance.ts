/** Limits of a speed error, with where they come from. */
import { CoreError } from '../errors.js';
import type { Percent } from './units.js';

/** What a number rests on; shown beside it everywhere. */
export type Origin =
  | { readonly kind: 'standard'; readonly text: string }
  | { readonly kind: 'practice'; readonly text: string }
  | { readonly kind: 'sheet'; readonly text: string }
  | { readonly kind: 'chosen'; readonly text: string };

/** Limits in percent of the nominal speed; `lower` is negative, `upper` positive, each its own size. */
export interface Tolerance {
  readonly lower: Percent;
  readonly upper: Percent;
  readonly origin: Origin;
}

/**
 * A tolerance from its two limits: `tolerance(-1, 1.5, ...)` is +1.5/-1.0 %.
 * @throws CoreError OUT_OF_RANGE unless lower < 0 < upper.
 */
export function tolerance(lower: number, upper: number, origin: Origin): Tolerance {
  if (!(lower < 0 && upper > 0 && Number.isFinite(lower) && Number.isFinite(upper))) {
    throw new CoreError('OUT_OF_RANGE', 'a tolerance needs a lower limit below 0 and an upper above 0', {
      lower,
      upper,
    });
  }
  return { lower: lower as Percent, upper: upper as Percent, origin };
}
