/**
 * Constants of belief and advice in one place, each with its origin: common practice of the trade (with no published
 * source), or chosen here and held by the runs against practice machines (docs/advice-score.md).
 */

// What is believed before anything is read.

/** Chance that the fault lies outside the model (chosen). */
export const OUTSIDE_PRIOR = 0.03;
/**
 * A unit that was brought in is seldom healthy: this much of the weight that the priors alone would give (common
 * practice: about one in twenty comes in with nothing wrong).
 */
export const HEALTHY_WEIGHT = 0.1;
/**
 * Odds of a fault that work brings in, in a block touched since the last good reading (common practice: one job in
 * twenty).
 */
export const TOUCHED_ODDS = 0.05;
/**
 * A pinned block is this many times likelier; a ruled-out one as much less (by hand, so never for certain) (chosen).
 */
export const HAND_FACTOR = 200;
/** The family's prior counts as much as this many units of one's own (chosen). */
export const PRIOR_UNITS = 20;
/** A cause leaves its victim at most so often: now and then the fuse holds (chosen). */
export const MOST_OF_CAUSE = 0.95;
/** Three faults at once are thought of where their odds ask for it: one such unit in five thousand (chosen). */
export const LEAST_TRIPLE = 2e-4;

// What a reading is worth.

/** Reliability of a reading that says nothing else (common practice: one slip in thirty). */
export const USUAL_RELIABILITY = 0.97;
/** A value this near the edge of a band, as a part of the value, counts for both states (chosen). */
export const EDGE_PART = 0.05;
/** A value this many times beyond every band is taken for a wrong range, and asked for again (chosen). */
export const ABSURD = 30;
/**
 * A value that fits no band counts for those near it, each less by its distance: this many times off is a third
 * (chosen).
 */
export const OFF_BAND = 1.5;
/** Chance that a part at fault answers its provocation, and that a help of half an hour was its own (chosen). */
export const ANSWERS = 0.85;
/** Chance that any other part’s fault seems to answer it (chosen). */
export const SEEMS_TO = 0.06;
/** What was tried says neither way of what no part of the path explains (chosen). */
export const NOTHING_SAID = 0.1;
/** A size outside the range of a fault counts less by this power of how many times outside it is (chosen). */
export const SIZE_DECAY = 5;
/** Share of speed errors by size that says nothing of the fault: alike in the logarithm from 0.3 to 100 %. */
export const ANY_SIZE = 1 / Math.log(100 / 0.3);
/** Share of what lies outside in which every answer at a signal is alike (chosen). */
export const ANYTHING = 0.3;
/** Chance that a mark is told of although no fault left it (chosen: an old smell, another's tingle). */
export const STRAY_MARK = 0.005;
/**
 * A motor on a bench supply that takes less than this is not connected inside, A (common practice for small motors).
 */
export const NO_CURRENT_A = 0.03;
/** A reading that less than this share of what is likely accounts for should be taken again (chosen). */
export const UNEXPLAINED = 0.3;
/** Less than this speaks neither for nor against, bits (chosen). */
export const LEAST_EVIDENCE_BITS = 0.05;
/** Suspects under this share are not listed (chosen). */
export const LEAST_LISTED_SHARE = 0.005;

// What keeps power off, and what is looked at before it.

/** Chance from which a fault that power makes worse bans power (chosen). */
export const BAN_SHARE = 0.03;
/** A dead reading speaks against a fault that accounts for it less than this (chosen). */
export const SPEAKS_AGAINST = 0.2;
/**
 * Chance from which a fault that power makes worse is looked for with power off, where that is quickly done (chosen).
 */
export const RISK_SHARE = 0.0015;
/** The same once something was mended and the complaint is still there: what is left is the second fault (chosen). */
export const RISK_SHARE_AFTER = 0.0003;
/**
 * A fault that power makes worse, not seen at its part and still this likely, is looked for once more before power
 * (common practice: measure twice; the figure is chosen).
 */
export const LOOK_TWICE = 0.02;
/** A dead look that takes no longer than this comes before power, for a fault that power makes worse (chosen). */
export const QUICK_MIN = 8;
/** After work the gate asks for a short test before power: it may take so long (chosen). */
export const SHORT_TEST_MIN = 25;
/** A look at the part itself that costs at most this part of the mend comes before it is bought (chosen). */
export const LOOK_PART = 0.5;

// Which test, and when to mend.

/** Less information than this is not worth a test, bits (chosen). */
export const LEAST_BITS = 0.02;
/** So many of the best tests are told with what they split (chosen). */
export const EXPLAINED = 12;
/** Dead tests within this part of the best live one go first (chosen). */
export const EQUAL_WORTH = 0.9;
/** A mend that costs parts is bought on odds alone only from this chance (chosen). */
export const BUY_FROM = 0.9;
/** With nothing left to ask a mend is tried from this chance on (chosen). */
export const WORTH_TRYING = 0.2;
/** A mend that did not help is done once more from this chance on (chosen). */
export const SURE_AGAIN = 0.9;
/** Lifting a ban opens every test that needs power: worth so many bits beside its own (chosen). */
export const LIFT_BITS = 0.25;
/** Seeing the fault ends the search: worth so many bits beside its own, times its chance (chosen). */
export const FIND_BITS = 1;
/** A fault is spoken for once its chance is this many times what it was before anything was seen (chosen). */
export const SPOKEN_FOR = 1.3;
/** Of so many likeliest suspects, of at least this share each, those are named that an answer is likelier than this for (chosen). */
export const SPLIT = { most: 6, share: 0.02, sure: 0.6 };
/** Every question costs as much: taking it up, writing it down (chosen). */
export const ASKING_MIN = 1;
/** So many looks behind one opening are weighed in pairs (chosen). */
export const PAIRED = 4;
/** A run of so many minutes is a long one (chosen). */
export const LONG_MIN = 10;
/**
 * Minutes to switch on a unit that nobody has opened, to go live through the gate once it is open, and to make it
 * dead again with the charge proved gone (common practice).
 */
export const POWER_MINUTES = { on: 0.5, live: 2, dead: 3 } as const;
/**
 * Minutes that a unit of money is worth when a repair is tried or a test uses up parts (an hour of the bench at 60).
 */
export const MINUTES_PER_MONEY = 1;
/** A waiting minute costs this part of a minute of hands: other jobs lie on the bench (chosen). */
export const WAIT_PART = 0.1;

// Bounds of the computation.

/** Steps after which a path that neither settles nor repeats is called hunting as a whole (chosen). */
export const MOST_STEPS = 200;
/** Steps after which what has not come to rest is watched for running in a circle (chosen). */
export const MOSTLY_AT_REST = 24;
/** Most worlds of one hypothesis; the least likely beyond it are left out and the rest scaled (chosen). */
export const MOST_WORLDS = 4096;
/** So many are kept at most; what is left out counts as cured by nothing (chosen). */
export const MOST_SETS = 600;

/** Limits of mean speed where a case names none, percent: inside right, from there on by size (common practice, half of it a doubt). */
export const SPEED_LIMITS = { right: 0.7, wrong: 1.5, still: -98 } as const;
