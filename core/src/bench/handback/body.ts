/** Log lines of handing back: what stands on the sheet, what follows later, what a unit came back for. */

/** What was chosen for the owner's sheet; the last such line counts. */
export interface SheetBody {
  readonly kind: 'sheet';
  /** Keys of the photos that go with it. */
  readonly photos: readonly string[];
  /** Keys of the notes that stand on it; others do not. */
  readonly notes: readonly string[];
  /** What the owner should watch for; empty for nothing. */
  readonly watch: string;
}

/** Why somebody looks at it again. */
export const FOLLOW_UP_KINDS = ['trial', 'oil', 'brushes', 'look'] as const;
/** Names of the reasons. */
export type FollowUpKind = (typeof FOLLOW_UP_KINDS)[number];

/** Something due later, on a day as YYYY-MM-DD. */
export interface FollowUpBody {
  readonly kind: 'follow-up';
  readonly why: FollowUpKind;
  readonly what: string;
  readonly on: string;
}

/** A follow-up was seen to, or dropped. */
export interface FollowUpDoneBody {
  readonly kind: 'follow-up-done';
  readonly target: string;
  readonly how: 'done' | 'dropped';
  readonly words: string;
}

/** This unit was here before: its findings count against the earlier mend. */
export interface ReturnBody {
  readonly kind: 'return';
  /** The earlier job's number. */
  readonly number: number;
  readonly jobId: string;
  /** The same complaint again, or another one. */
  readonly same: boolean;
}

/** Lines of handing back, by kind. */
export type HandBackLaterBody = SheetBody | FollowUpBody | FollowUpDoneBody | ReturnBody;
