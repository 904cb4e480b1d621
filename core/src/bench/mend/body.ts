/** Log lines of mending: what was agreed with the owner, what was reckoned, what was decided. */

/** What the unit is worth and what was agreed; each may be open. Money in the shop's currency. */
export interface TermsBody {
  readonly kind: 'terms';
  readonly worth: number | null;
  readonly price: number | null;
  /** The owner wants to pay no more than this. */
  readonly ceiling: number | null;
  /** When it is wanted, a day as YYYY-MM-DD. */
  readonly wantedBy: string | null;
}

/** What later readings at a place are judged by. */
export interface Expectation {
  readonly place: string;
  readonly unit: string;
  readonly low: number;
  readonly high: number;
}

/** A sum that was made here, with what was typed into it and what it came to. */
export interface WorkingBody {
  readonly kind: 'working';
  readonly workingId: string;
  readonly name: string;
  readonly inputs: readonly { readonly id: string; readonly text: string }[];
  /** The rows that counted, in words. */
  readonly words: string;
  readonly verdict: string | null;
  readonly expects: Expectation | null;
}

/** Which mend was chosen, why, and the figures known then. */
export interface DecisionBody {
  readonly kind: 'decision';
  /** A mend of the family's path, or `leave`; of several done together the first. */
  readonly optionId: string;
  /** The others that are done together with it, while it is open. */
  readonly also?: readonly string[] | undefined;
  readonly name: string;
  readonly reason: string;
  /** Chance that it cures, a fraction. */
  readonly chance: number;
  readonly minutes: number;
  readonly money: number;
  /** Expected cost to a working unit, money. */
  readonly expectedCost: number;
  /** What stood next to it, in words; empty for nothing. */
  readonly beside: string;
}

/** What the parts of a mend really cost here and how long they take: asked of a supplier, seen in an offer. */
export interface QuoteBody {
  readonly kind: 'quote';
  readonly optionId: string;
  readonly name: string;
  /** Of all its parts, in the shop's currency. */
  readonly money: number;
  /** Days until they are here; null when nobody said. */
  readonly days: number | null;
}

/** A step of the chosen mend was done. */
export interface MendStepBody {
  readonly kind: 'mend-step';
  readonly repairId: string;
  readonly stepId: string;
  readonly what: string;
}

/** The chosen mend was left midway: what it opened stays open. */
export interface DecisionDroppedBody {
  readonly kind: 'decision-dropped';
  readonly optionId: string;
  readonly name: string;
}

/** Lines of mending, by kind. */
export type MendBody = TermsBody | WorkingBody | DecisionBody | QuoteBody | MendStepBody | DecisionDroppedBody;
