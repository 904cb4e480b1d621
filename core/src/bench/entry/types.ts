/** What a typed line can mean, and what it may lean on. */
import type { Bound, Qualifier } from '../../quantity/index.js';
import type { DrivePath } from '../../families/index.js';
import type { WorkAction } from '../event.js';
import type { SaidEnd } from '../ledger/index.js';
import type { TimerKind } from '../timers/index.js';

/** A reading that was heard. */
export interface EntryReading {
  readonly kind: 'reading';
  /** In the base unit; two with bound "between": lower and upper. */
  readonly values: readonly number[];
  readonly unit: string | null;
  readonly qualifier: Qualifier | null;
  readonly bound: Bound;
  readonly place: string | null;
  /** True where the place is none this unit is known to have: said so before it is kept. */
  readonly newPlace: boolean;
  readonly speedId: string | null;
  readonly condition: 'cold' | 'warm' | null;
  /** "3150 gives 3012": what the tone ought to be, Hz. */
  readonly nominalHz: number | null;
}

/** A strobe count that was heard. */
export interface EntryStrobe {
  readonly kind: 'strobe';
  readonly speedId: string;
  readonly bars: number;
  readonly direction: 'left' | 'right' | 'still';
  /** Which edge of the platter was looked at; without it left and right say nothing yet. */
  readonly edge: 'near' | 'far' | null;
  readonly overS: number;
}

/** An answer of a test of the path: the prompt's own, or a symptom the family knows. */
export interface EntryAnswer {
  readonly kind: 'answer';
  readonly testId: string;
  readonly name: string;
  readonly outcome: string;
  readonly words: string;
  readonly by: 'prompt' | 'symptom';
}

/** What a typed line was heard as; `bad` names the part that could not be read. */
export type Entry =
  | { readonly kind: 'empty' }
  | EntryReading
  | { readonly kind: 'readings'; readonly readings: readonly EntryReading[] }
  | EntryStrobe
  | EntryAnswer
  | { readonly kind: 'trim'; readonly speedId: string | null; readonly clock: string }
  | { readonly kind: 'work'; readonly action: WorkAction; readonly what: string }
  | {
      readonly kind: 'ends';
      readonly ends: readonly SaidEnd[];
      /** Work said on the same line: "replaced the fuse, unsoldered motor red". */
      readonly work: { readonly action: WorkAction; readonly what: string } | null;
    }
  | { readonly kind: 'closed'; readonly what: string }
  | { readonly kind: 'power'; readonly on: boolean; readonly pack: boolean }
  | { readonly kind: 'start-volts'; readonly volts: number }
  | { readonly kind: 'timer'; readonly timer: TimerKind; readonly minutes: number }
  | { readonly kind: 'ordered'; readonly what: string }
  | { readonly kind: 'note'; readonly text: string }
  /** Thousand or decimal? */
  | { readonly kind: 'ask'; readonly readings: readonly [EntryReading, EntryReading] }
  /** A near name of a known place: which is meant? */
  | {
      readonly kind: 'ask-place';
      readonly reading: EntryReading;
      readonly typed: string;
      readonly near: readonly string[];
    }
  | { readonly kind: 'bad'; readonly from: number; readonly to: number; readonly message: string };

/** A place this unit is known to have. */
export interface KnownPlace {
  readonly name: string;
  readonly aliases: readonly string[];
  readonly unit: string | null;
  /** True where what is measured there is a ripple, peak to peak. */
  readonly ripple: boolean;
}

/** The present prompt. */
export interface EntryPrompt {
  readonly testId: string | null;
  readonly place: string | null;
  readonly unit: string | null;
}

/** What the line is understood against. */
export interface EntryKnown {
  readonly speedIds: readonly string[];
  readonly places: readonly KnownPlace[];
  readonly path: DrivePath | null;
  readonly prompt: EntryPrompt | null;
  /** What is open now, in words, so that "soldered back" finds it. */
  readonly open: readonly string[];
}

/** A job of which nothing is known but its speeds. */
export const NOTHING_KNOWN: Omit<EntryKnown, 'speedIds'> = { places: [], path: null, prompt: null, open: [] };

/** A reading about which nothing is said yet. */
export const BLANK_READING: EntryReading = {
  kind: 'reading',
  values: [],
  unit: null,
  qualifier: null,
  bound: 'exact',
  place: null,
  newPlace: false,
  speedId: null,
  condition: null,
  nominalHz: null,
};
