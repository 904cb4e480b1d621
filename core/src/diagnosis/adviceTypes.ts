/** What the advice says of each test and mend, and what comes next. */
import type { PathTest } from '../families/index.js';
import type { StandingBan } from './bans.js';
import type { MendAdvice } from './mends.js';

/** A test with what it tells (bits) and costs (minutes). */
export interface TestAdvice {
  readonly test: PathTest;
  readonly bits: number;
  readonly minutes: number;
  /** Bits per minute; of two looks together where they share an opening. */
  readonly worth: number;
  /** A probe on live parts. */
  readonly live: boolean;
  /** Switched on for it, probed or merely watched. */
  readonly powered: boolean;
  /** What is off now and goes back before it. */
  readonly putBack: readonly string[];
  /** Blocks that its answers part from each other. */
  readonly splits: readonly (readonly string[])[];
  /** Chance of each answer. */
  readonly chances: readonly { readonly outcome: string; readonly chance: number }[];
  /** Its answer on a healthy unit, in words; null where it has none. */
  readonly healthy: string | null;
  /** Why it must not be done now; null when it may. */
  readonly forbidden: string | null;
  /** What it has to be made for before anything else: what may have done the damage, a contradiction, a part that would be bought unseen, power on a case that may be live, a fault that power makes worse and one look alone has denied. */
  readonly first: 'cause' | 'repeat' | 'before-buying' | 'before-power' | 'twice' | null;
}

/** Why a mend comes next: it was found; it is all but sure; trying costs less than knowing; nothing is left to ask. */
export type MendReason = 'found' | 'sure' | 'cheaper' | 'only';

/** What to do next, all of it. */
export interface Advice {
  readonly tests: readonly TestAdvice[];
  /** Tests that would tell next to nothing now; whoever wants to may make them. */
  readonly rest: readonly TestAdvice[];
  readonly mends: readonly MendAdvice[];
  /** Ways round them: a donor, something else in its place, past a part. They stand in the decision, nothing leads to them. */
  readonly ways: readonly MendAdvice[];
  /** What keeps power off. */
  readonly bans: readonly StandingBan[];
  /** test: know more first; repeat: two looks at one part contradict each other; mend; outside: the model has run out. */
  readonly next: 'test' | 'repeat' | 'mend' | 'outside' | 'nothing';
  readonly reason: MendReason | null;
}

/** How tests are put in order, and what is not worth making. */
export interface Choosing {
  readonly order: (a: TestAdvice, b: TestAdvice) => number;
  readonly leastBits: number;
}
