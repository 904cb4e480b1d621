/**
 * What every way of measuring ends in: one run, whatever it was measured with. The page, the store,
 * the export and the comparison know only this type; what is particular to a way stands in `detail`.
 */
import type { UncertaintyPart } from '../../quantity/index.js';
import type { SteadyStretch } from '../asked.js';
import type { AddedTone } from '../tone/added.js';
import type { AxisUnit } from '../rotation/gyroColumns.js';
import type { WeakSegment } from '../rotation/weak.js';
import { ROTATION_WARNINGS, type RotationWarning } from '../rotation/result.js';
import {
  SOUND_WARNINGS,
  type SoundCandidate,
  type SoundLines,
  type SoundStretch,
  type SoundWarning,
} from '../sound/result.js';
import { STROBE_WARNINGS, type StrobeWarning } from '../strobe/reading.js';
import {
  TONE_WARNINGS,
  type FlutterFigures,
  type FlutterLine,
  type FlutterSpectrum,
  type SpeedSeries,
  type ToneWarning,
} from '../tone/result.js';

/** Ways to a speed that leave a run. */
export const SPEED_WAYS = ['tone', 'pulses', 'gyro', 'strobe', 'stopwatch', 'sound'] as const;
/** Names of the ways. */
export type SpeedWay = (typeof SPEED_WAYS)[number];

/** Warnings of every way. */
export type SpeedWarning = ToneWarning | RotationWarning | SoundWarning | StrobeWarning;

/** What each warning means, in the words the person reads. */
export const SPEED_WARNINGS: Readonly<Record<SpeedWarning, string>> = {
  ...TONE_WARNINGS,
  ...ROTATION_WARNINGS,
  ...SOUND_WARNINGS,
  ...STROBE_WARNINGS,
};

/** What pulses and a gyroscope know of a shaft beyond its mean. */
export interface ShaftFacts {
  /** Wow, 2-sigma from 0.2 Hz to `wowUpToHz`, percent; null where it was too short. */
  readonly wowPeakPercent: number | null;
  readonly wowUpToHz: number;
  readonly stretches: readonly SteadyStretch[];
  readonly sense: 1 | -1 | null;
}

/** What only one way knows. */
export type SpeedDetail =
  | {
      readonly way: 'tone';
      readonly live: boolean;
      readonly startS: number;
      readonly endS: number;
      readonly snrDb: number;
      readonly dropouts: number;
      readonly clipped: boolean;
      readonly channel: number;
      /** Missing in runs kept before these were looked for, and where there are none. */
      readonly added?: readonly AddedTone[] | undefined;
      readonly lossyLimitPercent?: number | undefined;
    }
  | {
      readonly way: 'pulses';
      readonly from: 'times' | 'scope' | 'changes' | 'recording' | 'live';
      readonly perTurn: number;
      readonly missing: number;
      readonly doubled: number;
      readonly damagedSegmentsPerTurn: number;
      readonly spacingErrorsPercent: readonly number[];
      /** Missing in runs kept before these were measured. */
      readonly shaft?: ShaftFacts | undefined;
      readonly weakSegments?: readonly WeakSegment[] | undefined;
      /** Channel of a file with several, '' otherwise. */
      readonly channel?: string | undefined;
    }
  | {
      readonly way: 'gyro';
      readonly biasDps: number;
      readonly unit: AxisUnit;
      readonly shaft?: ShaftFacts | undefined;
    }
  | {
      readonly way: 'strobe';
      readonly ringBars: number;
      readonly flashHz: number;
      /** Bars a minute in the sense of rotation. */
      readonly driftBarsPerMin: number;
    }
  | {
      readonly way: 'stopwatch';
      readonly taps: number;
      readonly turns: number;
      readonly reactionS: number;
    }
  | {
      readonly way: 'sound';
      readonly lines: SoundLines;
      readonly linesPerTurn: number;
      readonly candidates: readonly SoundCandidate[];
      readonly stretches: readonly SoundStretch[];
    };

/** One measured speed. Percents are of the nominal; without a nominal they are of the mean. */
export interface SpeedRun {
  readonly unit: 'Hz' | 'rpm';
  /** Null when the machine has none (a drill, a vacuum): the centre is then as found. */
  readonly nominal: number | null;
  readonly mean: number;
  readonly errorPercent: number | null;
  /** Expanded, k = 2. */
  readonly expandedPercent: number;
  readonly uncertainty: readonly UncertaintyPart[];
  /** Null where the way cannot see it. */
  readonly driftPercent: number | null;
  readonly flutter: FlutterFigures | null;
  readonly lines: readonly FlutterLine[];
  readonly warnings: readonly SpeedWarning[];
  readonly detail: SpeedDetail;
  /** Speed over time, percent against the nominal (against the mean where there is none). */
  readonly series: SpeedSeries | null;
  readonly spectrum: FlutterSpectrum | null;
}
