/** What is told to the engine, and what it believes then. */
import type { Observation } from './observation.js';
import type { Pins } from './pins.js';

/** What happened, in order. */
export type Event =
  | { readonly kind: 'saw'; readonly observation: Observation }
  /** A mend or a strip-down step. */
  | {
      readonly kind: 'epoch';
      readonly mended: readonly { readonly mode: string; readonly residual: number }[];
      readonly touched: readonly string[];
    }
  /** By hand: this block is not it, or it is; or something is that the path does not know. */
  | { readonly kind: 'hand'; readonly block: string; readonly verdict: 'ruled-out' | 'pinned' | 'outside' };

/** Readings of one thing in one context and epoch, with their common likelihood by world. */
export interface Group {
  readonly ids: readonly string[];
  readonly likelihood: Float64Array;
  readonly match: Float64Array;
  /** Likelihood by way to be outside the model. */
  readonly beyond: Float64Array;
  /** All its readings were made with power off. */
  readonly dead: boolean;
  /** The block that was looked at; null for readings of signals, marks and trials. */
  readonly looked: string | null;
}

/** Chances of all hypotheses after what was seen, fractions. */
export interface Posterior {
  /** Share of each world; with `outside` they sum to 1. */
  readonly worlds: Float64Array;
  readonly hypotheses: Float64Array;
  /** Share of each way to be outside the model, and their sum. */
  readonly beyond: Float64Array;
  readonly outside: number;
  /** Groups of the present epoch. */
  readonly groups: readonly Group[];
  /** What was seen at the parts themselves. */
  readonly pins: Pins;
  /** Bans raised by what was seen or told, and not lifted since. */
  readonly standing: readonly string[];
}
