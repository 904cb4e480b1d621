import type { TrialEntry } from '../../diagnosis/index.js';

/** Log lines of finding: answers of tests, what was mended, what the repairer knows better. */
export interface AnswerBody {
  readonly kind: 'answer';
  readonly testId: string;
  /** The test in words, so that the line reads by itself. */
  readonly name: string;
  /** One of the test's answers; null when a value was typed. */
  readonly outcome: string | null;
  readonly words: string;
  readonly value: number | null;
  readonly unit: string | null;
  /** The instrument that gave the value over the line; absent for one that was typed. */
  readonly instrument?: string | undefined;
}

/** A repair of the family's path was done: it opens a new epoch. */
export interface MendedBody {
  readonly kind: 'mended';
  readonly repairId: string;
  readonly name: string;
  /** Where the part stood among the suspects just before, from 1; left out where nobody sought. */
  readonly rank?: number | undefined;
  /** What the unit can do no more after it; left out for nothing. */
  readonly loses?: string | undefined;
}

/** By hand: this block is it, or is not; or something was found that the path does not know, and `name` says what. */
export interface SuspectBody {
  readonly kind: 'suspect';
  readonly block: string;
  readonly name: string;
  readonly verdict: 'ruled-out' | 'pinned' | 'outside';
}

/** A test that cannot be done on this unit. */
export interface UnreachableBody {
  readonly kind: 'unreachable';
  readonly testId: string;
  readonly name: string;
}

/** Something was done to a part for a trial, and what came of it. */
export interface TriedBody {
  readonly kind: 'tried';
  readonly block: string;
  readonly name: string;
  readonly trial: TrialEntry['trial'];
  readonly result: TrialEntry['result'];
  readonly amps: number | null;
}

/** Lines of Find, by kind. */
export type FindBody = AnswerBody | MendedBody | SuspectBody | UnreachableBody | TriedBody;
