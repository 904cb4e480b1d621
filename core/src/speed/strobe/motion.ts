/** What the eye sees of a turning ring under a flashing lamp: the pattern's own motion, from where one stands. */

import { FOLLOWED_PER_S, STILL_PER_S } from './defaults.js';
/** A ring as it looks. */
export interface RingLook {
  /** Bars a second with the rotation (above zero), against it (below); where it blurs still what it would be. */
  readonly barsPerS: number;
  readonly looks: 'still' | 'moves' | 'grey';
  /** From where one stands. */
  readonly runs: 'left' | 'right' | null;
}

/**
 * Bars that pass between two flashes, less the nearest whole number, times the flashes. A lamp that does not flash
 * (`flashHz` null) shows grey. Clockwise seen from above, the near edge of what turns runs left.
 */
export function ringLook(
  bars: number,
  rpm: number,
  flashHz: number | null,
  from: { readonly edge: 'near' | 'far'; readonly clockwise: boolean },
): RingLook {
  if (flashHz === null) return { barsPerS: (bars * rpm) / 60, looks: 'grey', runs: null };
  const perFlash = (bars * rpm) / 60 / flashHz;
  const barsPerS = (perFlash - Math.round(perFlash)) * flashHz;
  if (Math.abs(barsPerS) > FOLLOWED_PER_S) return { barsPerS, looks: 'grey', runs: null };
  if (Math.abs(barsPerS) < STILL_PER_S) return { barsPerS, looks: 'still', runs: null };
  const withRotation = (from.edge === 'near') === from.clockwise ? 'left' : 'right';
  const against = withRotation === 'left' ? 'right' : 'left';
  return { barsPerS, looks: 'moves', runs: barsPerS > 0 ? withRotation : against };
}
