/** Starting volts of a motor brought up slowly: how much of its torque it needed to turn. */
import { requirePositive } from '../errors.js';
import { GUMMED_SHARE, STIFF_SHARE } from './defaults.js';

/** Volts and torque at the start as fractions of the rated ones. */
export interface StartShare {
  /** Volts at the start over rated volts. */
  readonly voltsShare: number;
  /** Torque at those volts over the torque at rated volts, by the motor's law. */
  readonly torqueShare: number;
  /** Common practice: a third of the volts is healthy, two thirds is gummed. */
  readonly verdict: 'free' | 'stiff' | 'gummed';
}

/**
 * Torque goes with the square of the volts in shaded-pole and induction motors, with the volts in
 * permanent-magnet synchronous ones: 80 V to start needs four times the torque of 40 V. Compare
 * only on the same motor.
 * @throws CoreError OUT_OF_RANGE unless both are above zero.
 */
export function startShare(volts: number, ratedVolts: number, law: 'square' | 'linear'): StartShare {
  requirePositive(volts, 'volts');
  requirePositive(ratedVolts, 'ratedVolts');
  const voltsShare = volts / ratedVolts;
  return {
    voltsShare,
    torqueShare: law === 'square' ? voltsShare ** 2 : voltsShare,
    verdict: voltsShare >= GUMMED_SHARE ? 'gummed' : voltsShare >= STIFF_SHARE ? 'stiff' : 'free',
  };
}
