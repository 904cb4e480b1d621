/** What the decision lays side by side, and what it reckons with. */
import type { MendWay } from '../../families/index.js';
import type { Offer } from './offer.js';
import { HOUR_MONEY } from '../defaults.js';
export { HOUR_MONEY } from '../defaults.js';

/** A mend as it may be chosen; several that are done together stand as one. */
export interface MendOption {
  readonly id: string;
  /** Of several done together the others. */
  readonly also: readonly string[];
  readonly name: string;
  /** Names of what is done together; one for a single mend. */
  readonly members: readonly string[];
  readonly way: MendWay;
  /** A way round the usual mends whose price nobody has asked yet: it waits behind them. */
  readonly guessed: boolean;
  /** Chance that it cures, a fraction, from what was seen. */
  readonly chance: number;
  /** Minutes of hands, with reaching the part. */
  readonly minutes: number;
  /** Waiting that it brings, minutes: curing, drying, running in. */
  readonly waitMin: number;
  /** Days until its parts are here, and where that is known from. */
  readonly partsDays: number;
  readonly partsFrom: Offer['from'];
  /** Parts, money. */
  readonly partsMoney: number;
  /** The price was paid or asked here. */
  readonly priced: boolean;
  /** Parts and hands together, money. */
  readonly money: number;
  /** Expected money until the unit works, begun with this one, the others after it in their best order. */
  readonly expectedCost: number;
  /** What it leaves undone or what has to follow; null for nothing. */
  readonly leaves: string | null;
  /** What the unit can do no more after it; null for nothing. */
  readonly loses: string | null;
  /** What it may do to the unit; null for nothing worth a word. */
  readonly risks: string | null;
  /** Where practice differs: the dispute, and the case for this way; null for none. */
  readonly school: { readonly id: string; readonly case: string } | null;
  /** Why it must not be done now. */
  readonly forbidden: string | null;
  /** It costs more than the owner's ceiling. */
  readonly overCeiling: boolean;
  /** Its parts and its waiting go past the day on which it is wanted. */
  readonly late: boolean;
}

/** Mends side by side; chances are fractions, money is the shop's. */
export interface Decision {
  /** The best first; forbidden ones last. */
  readonly options: readonly MendOption[];
  /** Chance that none of them cures it. */
  readonly uncured: number;
  /** The likeliest one with parts comes before the likeliest other while its parts cost less than this; null without such a pair. */
  readonly turning: { readonly best: string; readonly other: string; readonly partsMoney: number } | null;
  /** Why one had better stop; empty while it pays and nothing is at stake. */
  readonly stop: readonly string[];
}

/** What the shop reckons with. */
export interface DecisionCosts {
  /** An hour of hands, money. */
  readonly hourMoney: number;
  /** A day on which the unit lies here and waits: its place, the owner's patience; money. */
  readonly dayMoney: number;
  /** Minutes to see whether a mend has cured it: closed far enough, through the gate, run. */
  readonly tryMin: number;
}

/** Until a shop says otherwise (all three our choice; a day is worth little beside an hour, but not nothing). */
export const USUAL_COSTS: DecisionCosts = { hourMoney: HOUR_MONEY, dayMoney: 1, tryMin: 10 };
