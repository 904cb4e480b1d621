/** What measuring a test tone gives: one type for the page, the command line and the store. */
import type { AskedSpeed } from '../asked.js';
import type { UncertaintyPart } from '../../quantity/index.js';

import type { AddedTone } from './added.js';
import { say } from '../../words/index.js';

/** A line of the flutter spectrum: sinusoidal speed variation of `peakPercent` at `frequencyHz`. */
export interface FlutterLine {
  readonly frequencyHz: number;
  readonly peakPercent: number;
}

/** Codes of things worth knowing about a result that still stands. */
export type ToneWarning =
  | 'TRUNCATED'
  | 'CLIPPED'
  | 'DROPOUTS'
  | 'SHORT'
  | 'NOISY'
  | 'DRIFTING'
  | 'REFERENCE_NOT_INCLUDED'
  | 'OTHER_SPEED_SELECTED'
  | 'MAYBE_3000_HZ_TAPE'
  | 'ADDED_TONES'
  | 'WOW_TOO_SHORT'
  | 'LOSSY'
  | 'IN_PIECES';

/** Where the tone sits in the recording and how clean it is. */
export interface ToneFacts {
  readonly startS: number;
  readonly endS: number;
  readonly snrDb: number;
  readonly dropouts: number;
  readonly clipped: boolean;
  readonly channel: number;
  /** Hum and other tones beside the test tone that were taken out, loudest first. */
  readonly added?: readonly AddedTone[] | undefined;
  /** Wow smaller than this cannot be told from what a coder did, percent; only for lossy sound. */
  readonly lossyLimitPercent?: number | undefined;
}

/** The usual figures of wow and flutter; each is defined in flutter.ts. Percent of mean speed. */
export interface FlutterFigures {
  readonly unweightedPeakPercent: number;
  readonly unweightedRmsPercent: number;
  readonly weighted2SigmaPercent: number;
  readonly weightedQuasiPeakPercent: number;
  readonly weightedRmsPercent: number;
}

/** Speed over time: deviation from nominal in percent, one value every `stepS`, with the wow's half width. */
export interface SpeedSeries {
  readonly startS: number;
  readonly stepS: number;
  readonly errorPercent: Float32Array;
  readonly halfWidthPercent: Float32Array;
}

/** Flutter spectrum for display: largest peak percent in each of a row of rising frequencies. */
export interface FlutterSpectrum {
  readonly frequencyHz: Float32Array;
  readonly peakPercent: Float32Array;
}

/** A speed by a test tone, with all its figures. */
export interface MeasuredTone extends FlutterFigures {
  readonly kind: 'measured';
  readonly nominalHz: number;
  readonly meanHz: number;
  readonly meanErrorPercent: number;
  readonly meanErrorExpandedUncertaintyPercent: number;
  readonly uncertainty: readonly UncertaintyPart[];
  readonly driftPercent: number;
  readonly lines: readonly FlutterLine[];
  readonly tone: ToneFacts;
  readonly series: SpeedSeries;
  readonly spectrum: FlutterSpectrum;
  readonly warnings: readonly ToneWarning[];
}

/** Why there is no reading. */
export type ToneRefusalReason =
  | 'EMPTY_FILE'
  | 'NOT_WAV'
  | 'BAD_HEADER'
  | 'UNSUPPORTED_ENCODING'
  | 'NO_AUDIO'
  | 'SILENT'
  | 'NO_TONE'
  | 'NOT_STEADY'
  | 'TOO_SHORT'
  | 'STOPPED';

/** No reading, by its reason. */
export interface UnusableTone {
  readonly kind: 'unusable';
  readonly reason: ToneRefusalReason;
}

/** Measured, refused by name, or asked about. */
export type ToneResult = MeasuredTone | UnusableTone | AskedSpeed;

/** What to do about each refusal, in the words the person reads. */
export const TONE_REFUSALS: Readonly<Record<ToneRefusalReason, string>> = {
  EMPTY_FILE: say`The file is empty. Record again and check that the recorder saved something.`,
  NOT_WAV: say`This is not a WAV recording. Save the recording as WAV (PCM) and drop it again.`,
  BAD_HEADER: say`The file starts like a WAV but its header is damaged. Export it again from the recorder as WAV, 44.1
    or 48 kHz.`,
  UNSUPPORTED_ENCODING: say`The samples are packed in a way this page does not read. Export as 16, 24 or 32-bit PCM or
    as float.`,
  NO_AUDIO: say`The file holds a header but no sound. The recording may have been broken off: record again.`,
  SILENT: say`The recording is silent. Check the cable, the input chosen and its level, and record again.`,
  NO_TONE: say`No steady test tone was found near the nominal. Play the test tape or record, check the nominal, and
    record at least 10 s.`,
  NOT_STEADY: say`The sound does not hold one pitch: music, speech or a sweep cannot be measured. Use the steady test
    tone.`,
  TOO_SHORT: say`The tone lasts less than half a second. Record at least 10 s, better 60 s.`,
  STOPPED: say`Measuring was stopped. Nothing was stored.`,
};

/** What each warning means, in the words the person reads. */
export const TONE_WARNINGS: Readonly<Record<ToneWarning, string>> = {
  TRUNCATED: say`The file ends before its header says; what is there was measured.`,
  CLIPPED: say`The recording is overdriven (clipped): lower the input level.`,
  DROPOUTS: say`The tone dropped out at least once; the gaps were left out.`,
  SHORT: say`Under 10 s of tone: slow wow cannot be told from drift, and the uncertainty is wider.`,
  NOISY: say`Noise close to the tone adds to the flutter figures: they are upper limits.`,
  DRIFTING: say`The speed was still moving: the mean holds for this stretch only. Warm up and measure again.`,
  REFERENCE_NOT_INCLUDED: say`The uncertainty of the test tape or record is not included.`,
  OTHER_SPEED_SELECTED: say`The tone fits another speed selected on the unit than the one this band is for.`,
  ADDED_TONES: say`Hum or another tone lies beside the test tone; it was taken out of every figure.`,
  WOW_TOO_SHORT: say`Less than two turns of a record: too short for wow.`,
  LOSSY: say`Lossy sound: the coder adds flutter of its own, and wow under the limit stated cannot be told.`,
  IN_PIECES: say`The tone comes and goes; it was measured piece by piece.`,
  MAYBE_3000_HZ_TAPE: say`The tone sits near 3000 Hz: is this a 3000 Hz tape?`,
};
