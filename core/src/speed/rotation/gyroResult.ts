/** What a gyroscope's log comes to, and what is known of it before. */
import type { AskedSpeed } from '../asked.js';
import type { AxisUnit, GyroColumns } from './gyroColumns.js';
import type { Rotation, UnusableRotation } from './result.js';

/** A speed by a gyroscope. */
export interface MeasuredGyro extends Rotation {
  readonly kind: 'measured';
  /** Size of the bias vector that was taken off, degrees a second. */
  readonly biasDps: number;
  readonly unit: AxisUnit;
}

/** Measured, refused by name, or asked about. */
export type GyroResult = MeasuredGyro | UnusableRotation | AskedSpeed;

/** What is known of the log. */
export interface GyroWish {
  readonly nominalRpm: number;
  /** Limit of the scale error either way, percent; 3 % uncalibrated (common practice). */
  readonly scaleLimitPercent?: number;
  /** As corrected by hand; guessed when not given. */
  readonly columns?: GyroColumns;
  readonly timeUnitS?: number;
  readonly axisUnit?: AxisUnit;
  /** Only this part of the log, seconds from its start. */
  readonly fromS?: number;
  readonly toS?: number;
  readonly asIs?: boolean;
}
