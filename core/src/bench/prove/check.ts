/** A check of the proving plan: what is owed, what it rests on, and what stands for it. */
import type { PitchPosition } from '../pitch.js';
import type { SafetyReading, TrialProvocation } from './body.js';
import { say } from '../../words/index.js';

/** Groups of the plan, in the order they are made. */
export const CHECK_GROUPS = ['speed', 'fault', 'function', 'endurance', 'closed', 'safety'] as const;
/** Names of the groups. */
export type CheckGroup = (typeof CHECK_GROUPS)[number];

/** Their words. */
export const CHECK_GROUP_WORDS: Readonly<Record<CheckGroup, string>> = {
  fault: say`The fault itself`,
  speed: say`Speeds`,
  function: say`Functions`,
  endurance: say`Time and starts`,
  closed: say`Closed again`,
  safety: say`Electrical safety`,
};

/** What a check is bound to: the measurement or the look that can meet it. */
export type CheckBound =
  | {
      readonly kind: 'speed';
      readonly speedId: string;
      readonly heat: 'cold' | 'warm' | null;
      readonly pitch: PitchPosition | null;
    }
  | { readonly kind: 'test'; readonly testId: string }
  | { readonly kind: 'look' }
  | { readonly kind: 'trial'; readonly provocation: TrialProvocation; readonly block: string; readonly name: string }
  | { readonly kind: 'soak'; readonly minutes: number }
  | { readonly kind: 'start-volts' }
  | { readonly kind: 'noise' }
  | { readonly kind: 'class' }
  | { readonly kind: 'safety'; readonly reading: SafetyReading };

/**
 * met: shown after the last disturbance. owed: never shown since the work. undone: shown, and disturbed since. bad:
 * shown to be wrong. undecided: read, and it proves nothing. waived: left unproved, with a reason. untouched: nothing
 * it rests on was disturbed, and it is not owed.
 */
export type CheckStatus = 'met' | 'owed' | 'undone' | 'bad' | 'undecided' | 'waived' | 'untouched';

/** Words of a status, as they stand in the grid and on the sheet. */
export const CHECK_STATUS_WORDS: Readonly<Record<CheckStatus, string>> = {
  met: say`shown`,
  owed: say`owed`,
  undone: say`owed again`,
  bad: say`not as it should`,
  undecided: say`undecided`,
  waived: say`not proved`,
  untouched: say`not touched`,
};

/** One check of the plan. */
export interface ProvingCheck {
  readonly id: string;
  readonly group: CheckGroup;
  readonly name: string;
  /** One line in the imperative. */
  readonly how: string;
  readonly bound: CheckBound;
  readonly blocks: ReadonlySet<string> | 'all';
  readonly status: CheckStatus;
  /** The reading, the reason, or what undid it. */
  readonly words: string;
  /** The line that speaks for its status; null for none. */
  readonly by: string | null;
  readonly at: string | null;
}

/** Does it still want hands? */
export const isOwed = ({ status }: Pick<ProvingCheck, 'status'>): boolean =>
  status === 'owed' || status === 'undone' || status === 'bad' || status === 'undecided';
