/**
 * A figure that cannot be is asked about, never given: what speaks against it, and the readings that
 * would make sense, likeliest first.
 */

export { FOLD_PART, SAME_SPEED_PERCENT } from './defaults.js';
/**
 * How far a turning part may be from its nominal before the figure is doubted, as parts of nominal:
 * a record speed chosen wrongly is 0.43 to 2.35, a dragging motor a third, the wrong mains 1.2 (common
 * practice); beyond three either way a unit, a count or a channel is wrong.
 */
export const REACH = { low: 0.3, high: 3 } as const;

/** Why a speed is asked about. */
export type AskCode =
  | 'TIME_UNIT'
  | 'AXIS_UNIT'
  | 'SPEED_OUT_OF_REACH'
  | 'MAYBE_FOLDED'
  | 'SEVERAL_SPEEDS'
  | 'WHICH_CHANNEL'
  | 'SAMPLE_INTERVAL'
  | 'BOTH_EDGES'
  | 'UNSTEADY';

/** Changes of the wish that a choice stands for; which of them apply depends on the way. */
export interface Answer {
  /** Seconds in one unit of the time column. */
  readonly timeUnitS?: number;
  /** Turns a minute in one unit of the axes. */
  readonly axisUnit?: string;
  readonly channel?: string;
  readonly perTurn?: number;
  readonly bothEdges?: boolean;
  readonly fromS?: number;
  readonly toS?: number;
  /** The figure is right as it is: measure it without asking again. */
  readonly asIs?: boolean;
}

/** An answer that may be given, the likely one first. */
export interface Choice {
  /** As in "microseconds: 33.36 rpm". */
  readonly words: string;
  readonly answer: Answer;
  readonly meanRpm: number | null;
}

/** A speed held for a while; times in seconds of the log. */
export interface SteadyStretch {
  readonly startS: number;
  readonly endS: number;
  /** Signed where the sense is known. */
  readonly meanRpm: number;
}

/** A figure that cannot be taken as it is. */
export interface AskedSpeed {
  readonly kind: 'asked';
  readonly code: AskCode;
  readonly message: string;
  readonly choices: readonly Choice[];
  readonly stretches: readonly SteadyStretch[];
}

/** Is this speed one that a machine of this nominal could reach? */
export const isReachable = (rpm: number, nominalRpm: number): boolean =>
  Math.abs(rpm) >= REACH.low * nominalRpm && Math.abs(rpm) <= REACH.high * nominalRpm;

/** Makes the question. */
export const ask = (
  code: AskCode,
  message: string,
  choices: readonly Choice[],
  stretches: readonly SteadyStretch[] = [],
): AskedSpeed => ({ kind: 'asked', code, message, choices, stretches });

/** "33.36 rpm" with four figures. */
export const rpmWords = (rpm: number): string => `${Number(rpm.toPrecision(4))} rpm`;
