/** What is asked of pulses, and what they give. */
import type { AskedSpeed } from '../asked.js';
import type { PulseSignal } from './channels.js';
import type { PulseColumns } from './columns.js';
import type { Rotation, UnusableRotation } from './result.js';
import type { WeakSegment } from './weak.js';

/** A speed by pulses. */
export interface MeasuredPulses extends Rotation {
  readonly kind: 'measured';
  /** Pulses absent that no damaged segment explains. */
  readonly missing: number;
  readonly doubled: number;
  /** Segments that fail every turn: pulse absent, or its place off by more than a quarter of the pitch. */
  readonly damagedSegmentsPerTurn: number;
  /** Error of the spacing from pulse i to the next, percent of the mean pitch; pulse 0 is the first in the file. */
  readonly spacingErrorsPercent: readonly number[];
  /** Places where the level dips once a turn; empty where the file holds no level. */
  readonly weakSegments: readonly WeakSegment[];
  readonly perTurn: number;
  readonly from: PulseSignal['from'];
  /** Which edge was used, and of which channel; '' where there was one only. */
  readonly edge: PulseSignal['edge'];
  readonly channel: string;
  readonly dutyPercent: number | null;
}

/** Measured, refused by name, or asked about. */
export type PulseResult = MeasuredPulses | UnusableRotation | AskedSpeed;

/** What is known of the pulses: a turn, nominal rpm, columns. */
export interface PulseWish {
  readonly perTurn: number;
  readonly nominalRpm: number;
  /** As corrected by hand; guessed when not given. */
  readonly columns?: PulseColumns;
  /** Channel by name where a file has several. */
  readonly channel?: string;
  /** Seconds in one unit of the time column, where the guess is not believed. */
  readonly timeUnitS?: number;
  /** Seconds between samples of a capture without a time column. */
  readonly sampleIntervalS?: number;
  /** Only this part of the log, seconds from its first pulse. */
  readonly fromS?: number;
  readonly toS?: number;
  /** Both edges of each pulse stand in the file: every second time is taken. */
  readonly bothEdges?: boolean;
  /** The figure was asked about and is right as it is. */
  readonly asIs?: boolean;
}
