/** Every number that the checks of a path choose by themselves, with why: common practice or published where it says so, chosen otherwise. */

/** A victim comes out of its cause at most this often (chosen: now and then the fuse holds). */
export const MOST_OF_CAUSE = 0.95;

/** A train is looked at under this mains; that it is another elsewhere changes nothing in what can be. */
export const TRAIN_MAINS_HZ = 50;

/** Who sees a fault at the part itself is seldom wrong (common practice: one in fifty). */
export const SEEN_CHANCE = 0.98;
