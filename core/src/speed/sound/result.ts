/** What listening to a motor without a test tone gives. */
import type { UncertaintyPart } from '../../quantity/index.js';
import type { SpeedSeries } from '../tone/result.js';
import { say } from '../../words/index.js';

/** What makes the lines in the noise. */
export const SOUND_LINES = ['blades', 'bars', 'pole pairs', 'once a turn'] as const;
/** What makes the lines: blades, bars, pole pairs. */
export type SoundLines = (typeof SOUND_LINES)[number];

/** A speed that fits the harmonics, with its share of belief. */
export interface SoundCandidate {
  readonly rpm: number;
  /** 0..1; all candidates together give 1. */
  readonly share: number;
  readonly why: string;
}

/** One run of a drive that stops and starts, or the whole recording. The sign is the sense of rotation. */
export interface SoundStretch {
  readonly startS: number;
  readonly endS: number;
  readonly rpm: number;
}

/** What a reading must be taken with. */
export type SoundWarning = 'OCTAVE_UNSURE' | 'SENSE_ASSUMED' | 'CHANGING_SPEED' | 'FEW_HARMONICS';

/** What each warning means and asks for. */
export const SOUND_WARNINGS: Readonly<Record<SoundWarning, string>> = {
  OCTAVE_UNSURE: say`More than one speed fits these harmonics: no verdict. Check by strobe, stopwatch or a mark, or
    give a closer range.`,
  SENSE_ASSUMED: say`Sound does not tell the sense of rotation: the runs are taken as turning left and right in turn.`,
  CHANGING_SPEED: say`The speed changed by more than 3 %: read it over time, not as one number.`,
  FEW_HARMONICS: say`Few harmonics stand out of the noise: bring the microphone nearer or record longer.`,
};

/** A speed by the sound of the motor, with its rivals. */
export interface MeasuredSound {
  readonly kind: 'measured';
  readonly nominalRpm: number | null;
  readonly meanRpm: number;
  readonly uncertainty: readonly UncertaintyPart[];
  readonly driftPercent: number | null;
  readonly lines: SoundLines;
  readonly linesPerTurn: number;
  readonly candidates: readonly SoundCandidate[];
  readonly stretches: readonly SoundStretch[];
  /** Percent of the nominal, or of the mean where there is none. */
  readonly series: SpeedSeries;
  readonly warnings: readonly SoundWarning[];
}

/** Why there is no reading. */
export type SoundRefusalReason =
  | 'EMPTY_FILE'
  | 'NOT_WAV'
  | 'BAD_HEADER'
  | 'UNSUPPORTED_ENCODING'
  | 'NO_AUDIO'
  | 'SILENT'
  | 'TOO_SHORT'
  | 'NO_HARMONICS'
  | 'STOPPED';

/** What to do about each refusal, in the words the person reads. */
export const SOUND_REFUSALS: Readonly<Record<SoundRefusalReason, string>> = {
  EMPTY_FILE: say`The file is empty. Record again and check that the recorder saved something.`,
  NOT_WAV: say`This is not a recording that can be read here. Save it as WAV (PCM) and drop it again.`,
  BAD_HEADER: say`The file starts like a WAV but its header is damaged. Export it again as WAV.`,
  UNSUPPORTED_ENCODING: say`The samples are packed in a way this page does not read. Export as 16, 24 or 32-bit PCM.`,
  NO_AUDIO: say`The file holds a header but no sound. Record again.`,
  SILENT: say`The recording is silent. Check the microphone and its level.`,
  TOO_SHORT: say`Less than a second of sound. Record at least five seconds of steady running.`,
  NO_HARMONICS: say`No row of harmonics fits a speed in this range. Bring the microphone nearer, check the number of
    blades or bars and the range.`,
  STOPPED: say`Listening was stopped. Nothing was stored.`,
};

/** No reading, by its reason. */
export interface UnusableSound {
  readonly kind: 'unusable';
  readonly reason: SoundRefusalReason;
}
/** Measured, or refused by name. */
export type SoundResult = MeasuredSound | UnusableSound;
