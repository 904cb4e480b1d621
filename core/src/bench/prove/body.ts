import type { NoiseFigures } from '../../speed/index.js';

/** Log lines of proving: what was looked at, what stays unproved and why, trials, coast-downs, safety readings, clips. */

/** Something of the proving plan that is looked at, not measured: as it should, or not. */
export interface ProvedBody {
  readonly kind: 'proved';
  readonly checkId: string;
  readonly name: string;
  readonly good: boolean;
  readonly words: string;
}

/** A check of the plan that is left unproved on purpose, with the reason that stands on the sheet. */
export interface UnprovedBody {
  readonly kind: 'unproved';
  readonly checkId: string;
  readonly name: string;
  readonly why: string;
}

/** What a trial does to a part. */
export const TRIAL_PROVOCATIONS = ['heat', 'cold', 'breath', 'tap', 'sink', 'load'] as const;
/** Names of the provocations. */
export type TrialProvocation = (typeof TRIAL_PROVOCATIONS)[number];

/** Where a trial stands from this line on: at rest, provoked, or over. Readings between belong to the phase. */
export interface TrialPhaseBody {
  readonly kind: 'trial-phase';
  /** The line that began it; null when this line begins it. */
  readonly began: string | null;
  readonly provocation: TrialProvocation;
  readonly block: string;
  readonly name: string;
  readonly phase: 'rest' | 'provoked' | 'end';
}

/** A run down with the power off, from one speed to another, seconds; 0 rpm is standstill. */
export interface CoastBody {
  readonly kind: 'coast';
  readonly speedId: string;
  readonly fromRpm: number;
  readonly toRpm: number;
  readonly seconds: number;
  readonly how: 'pulses' | 'gyro' | 'taps' | 'stopwatch';
  readonly conditions: string;
}

/** What is read for electrical safety before a unit goes back. */
export const SAFETY_READINGS = ['earth', 'insulation', 'earth-current', 'touch-current'] as const;
/** Names of those readings. */
export type SafetyReading = (typeof SAFETY_READINGS)[number];

/** Class of protection of a unit; I with a heating element has its own insulation limit. */
export const PROTECTION_CLASSES = ['I', 'I-heating', 'II', 'III'] as const;
/** Names of the classes. */
export type ProtectionClass = (typeof PROTECTION_CLASSES)[number];

/** The class printed on the plate, or seen: an earth pin, two squares. */
export interface ClassBody {
  readonly kind: 'protection-class';
  readonly protection: ProtectionClass;
  /** Length of the cord, metres: the earth path may have so much more. */
  readonly cordM: number;
}

/** A safety reading: earth in ohm, insulation in megohm, currents in mA; `above` when the meter shows more than its range. */
export interface SafetyReadingBody {
  readonly kind: 'safety-reading';
  readonly reading: SafetyReading;
  readonly value: number;
  readonly above: boolean;
  /** The limit of this shop that counted when it was read, in the same unit. */
  readonly limit: number;
  readonly instrument: string;
}

/** How a unit stood while its noise was heard: comparisons only count under the same support and distance. */
export interface ClipSetup {
  readonly support: string;
  readonly distanceCm: number;
  /** What listened: the file's or the input's name. */
  readonly device: string;
  readonly speedId: string | null;
}

/** A clip of motor noise, in figures. */
export interface ClipBody {
  readonly kind: 'clip';
  readonly clipId: string;
  /** Its sound is kept beside the log under `clipId`; lines of early versions kept figures alone. */
  readonly sound?: boolean | undefined;
  readonly setup: ClipSetup;
  readonly figures: NoiseFigures;
}

/** Lines of proving, by kind. */
export type ProveBody =
  ProvedBody | UnprovedBody | TrialPhaseBody | CoastBody | ClassBody | SafetyReadingBody | ClipBody;
