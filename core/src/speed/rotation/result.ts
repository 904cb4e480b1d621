/** What pulses and a gyroscope give: the speed of a shaft, the same figures for both. */
import type { UncertaintyPart } from '../../quantity/index.js';
import type { SteadyStretch } from '../asked.js';
import type { FlutterLine, FlutterSpectrum, SpeedSeries } from '../tone/result.js';
import { say } from '../../words/index.js';

/** What a reading must be taken with. */
export type RotationWarning =
  | 'FEW_TURNS'
  | 'DRIFTING'
  | 'MISSING_PULSES'
  | 'DOUBLED_PULSES'
  | 'DAMAGED_SEGMENT'
  | 'ONCE_A_TURN_NOT_SEPARABLE'
  | 'SCALE_NOT_CALIBRATED'
  | 'NO_STANDSTILL'
  | 'CLIPPED'
  | 'UNIT_GUESSED'
  | 'TIME_UNIT_GUESSED'
  | 'COUNTER_WRAPPED'
  | 'POLLED_TIMES'
  | 'INTERVALS_SUMMED'
  | 'BOTH_EDGES'
  | 'CHANNEL_CHOSEN'
  | 'UNSTEADY_PART_LEFT_OUT'
  | 'RUN_BY_RUN'
  | 'WEAK_SEGMENT'
  | 'GAPS'
  | 'OTHER_SPEEDS_IN_LOG'
  | 'WOW_TOO_SHORT'
  | 'COARSE_EDGES';

/** Steady speed of a shaft with its uncertainty, drift and periodic lines. */
export interface Rotation {
  readonly nominalRpm: number;
  readonly meanRpm: number;
  readonly meanErrorPercent: number;
  readonly meanErrorExpandedUncertaintyPercent: number;
  readonly uncertainty: readonly UncertaintyPart[];
  readonly driftPercent: number;
  readonly lines: readonly FlutterLine[];
  readonly warnings: readonly RotationWarning[];
  /** Speed over time against the nominal, and the spectrum of its variation. */
  readonly series: SpeedSeries;
  readonly spectrum: FlutterSpectrum;
  /**
   * Wow of the shaft: the size not exceeded 95 % of the time (2-sigma), from 0.2 Hz to `wowUpToHz`,
   * percent of the mean. Null where the log is shorter than two turns.
   */
  readonly unweightedPeakPercent: number | null;
  readonly wowUpToHz: number;
  /** Every steady stretch of the log, the measured ones among them. */
  readonly stretches: readonly SteadyStretch[];
  /** +1 or -1 where the source tells the sense (the gyroscope: counter-clockwise from above is +1), else null. */
  readonly sense: 1 | -1 | null;
}

/** Why there is no reading. */
export type RotationRefusalReason =
  | 'EMPTY_FILE'
  | 'NOT_A_TABLE'
  | 'TEXT_IN_NUMBERS'
  | 'TOO_MANY_ROWS'
  | 'TIMES_BACKWARD'
  | 'TOO_FEW_PULSES'
  | 'NO_PULSES'
  | 'IRREGULAR'
  | 'NOT_TURNING'
  | 'TOO_SHORT'
  | 'NO_AXES'
  | 'ACCELEROMETER_ONLY'
  | 'ALREADY_SPEEDS'
  | 'NOT_WAV'
  | 'BAD_HEADER'
  | 'UNSUPPORTED_ENCODING'
  | 'NO_AUDIO'
  | 'SILENT'
  | 'STOPPED';

/** No reading, by its reason. */
export interface UnusableRotation {
  readonly kind: 'unusable';
  readonly reason: RotationRefusalReason;
  /** Line of the file, 0 when the whole is meant. */
  readonly line: number;
}

const RECORDING_REFUSALS = {
  NOT_WAV: say`This is not a WAV recording. Save the pulses as WAV (PCM) and drop them again.`,
  BAD_HEADER: say`The file starts like a WAV but its header is damaged. Export it again as WAV.`,
  UNSUPPORTED_ENCODING: say`The samples are packed in a way this page does not read. Export as 16, 24 or 32-bit PCM.`,
  NO_AUDIO: say`The file holds a header but no sound. Record again.`,
  SILENT: say`The recording is silent. Check the probe, the input chosen and its level.`,
  STOPPED: say`Measuring was stopped. Nothing was stored.`,
} as const;

/** What to do about each refusal; "line" is put in front when one is known. */
export const ROTATION_REFUSALS: Readonly<Record<RotationRefusalReason, string>> = {
  EMPTY_FILE: say`The file is empty. Save the capture again.`,
  NOT_A_TABLE: say`No row of numbers was found. Export the capture as CSV: times, or time and volts.`,
  TEXT_IN_NUMBERS: say`There is text among the numbers. Remove or mend that line, or export again.`,
  TOO_MANY_ROWS: say`The table has more than four million rows. Capture a shorter stretch or fewer points.`,
  TIMES_BACKWARD: say`The times run backwards there. Sort the file by time, or export one capture only.`,
  TOO_FEW_PULSES: say`Fewer than four pulses were found. Capture at least a few turns.`,
  NO_PULSES: say`The voltage never swings clearly from low to high. Check probe and trigger, and capture again.`,
  IRREGULAR: say`The pulses follow no steady rhythm. Check the sensor, its threshold and the pulses per turn.`,
  NOT_TURNING: say`The turntable stood still throughout. Start it while the log runs.`,
  TOO_SHORT: say`Less than two seconds of steady turning. Log at least ten seconds.`,
  NO_AXES: say`No time and three axes were found. Export time, x, y, z of the gyroscope.`,
  ACCELEROMETER_ONLY: say`The log holds an accelerometer alone, which shows gravity and not turning. Log the gyroscope
    (deg/s or rad/s).`,
  ALREADY_SPEEDS: say`The file holds speeds or frequencies that are reckoned already, no pulses. Export the pulses or
    their times.`,
  ...RECORDING_REFUSALS,
};

/** What each warning means and asks for. */
export const ROTATION_WARNINGS: Readonly<Record<RotationWarning, string>> = {
  FEW_TURNS: say`Fewer than ten turns: the uncertainty is wide. Capture longer.`,
  DRIFTING: say`The speed was still moving: the mean holds for this stretch only.`,
  MISSING_PULSES: say`Some pulses are missing; they were filled in by count.`,
  DOUBLED_PULSES: say`Some pulses came twice; the extra ones were left out.`,
  DAMAGED_SEGMENT: say`The same segment fails every turn: look at that pole or slot of the wheel.`,
  ONCE_A_TURN_NOT_SEPARABLE: say`Variation once a turn of this wheel cannot be told from errors of its spacing.`,
  SCALE_NOT_CALIBRATED: say`The gyroscope’s scale is not calibrated (1 to 3 %, common practice): no close verdict.`,
  NO_STANDSTILL: say`There is no standstill in the log: its bias was not removed. Log a few seconds at rest first.`,
  CLIPPED: say`The gyroscope hit the end of its range: the speed is higher than it can show.`,
  TIME_UNIT_GUESSED: say`The unit of the times is not said; it was told from the speed the machine can reach. Check
    it.`,
  COUNTER_WRAPPED: say`The counter of the times ran over; that was put right.`,
  INTERVALS_SUMMED: say`The file holds the time from each pulse to the next; they were added up.`,
  POLLED_TIMES: say`The times come in coarse steps: their rounding is in the uncertainty and in the lines.`,
  BOTH_EDGES: say`Both edges of each pulse stand in the file; every second one was used.`,
  CHANNEL_CHOSEN: say`Several channels stand in the file; the one whose speed this machine can reach was used.`,
  UNSTEADY_PART_LEFT_OUT: say`Coming up to speed, or a change of speed, was left out.`,
  RUN_BY_RUN: say`The drive stops and starts: each run was measured by itself.`,
  WEAK_SEGMENT: say`The level of the generator dips at the same place every turn: a weak pole or a worn gap there.`,
  GAPS: say`The log has gaps; they were bridged.`,
  OTHER_SPEEDS_IN_LOG: say`The log holds other steady speeds too; they are listed.`,
  WOW_TOO_SHORT: say`Less than two turns: too short for wow.`,
  COARSE_EDGES: say`The signal jumps between two samples: an edge is known to one sample only, and that shows in the
    wow. For a figure of wow sample at least 2000 times a pulse; the mean is not touched.`,
  UNIT_GUESSED: say`The unit of the axes was guessed from the nominal speed; check it.`,
};
