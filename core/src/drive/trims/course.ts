/**
 * The course of setting interacting trims: what was read, which trim was turned. Everything the coach knows is
 * reckoned from these lines, so a line struck out is as if it had never been.
 */

/** A speed to be set: limits in percent of its nominal. */
export interface CoachSpeed {
  readonly id: string;
  readonly label: string;
  readonly lowerPercent: number;
  readonly upperPercent: number;
}

/** A trim: the speed it is watched at, which way is faster (facing the screw), its travel and where it stood. */
export interface CoachTrim {
  readonly id: string;
  readonly name: string;
  /** Speeds it serves; it is watched at the first of them. */
  readonly serves: readonly string[];
  readonly faster: 'clockwise' | 'counter-clockwise' | null;
  /** Turns from stop to stop; null when not known. */
  readonly travelTurns: number | null;
  /** Turns from the counter-clockwise stop when the work began; null when not noted. */
  readonly stoodTurns: number | null;
}

/**
 * What is set, and how it is watched: `live`, the speed is seen or heard while the screw turns, so a visit ends at a
 * speed; `typed`, it is read between moves, so a move is so many turns.
 */
export interface CoachTask {
  readonly speeds: readonly CoachSpeed[];
  readonly trims: readonly CoachTrim[];
  readonly watched: 'live' | 'typed';
}

/** A line of the course. Turns are clockwise above zero, facing the screw; of a live visit they need not be known. */
export type CoachLine =
  | {
      readonly kind: 'read';
      readonly speedId: string;
      readonly errorPercent: number;
      /** Null where nobody knows: it leads, but proves nothing. */
      readonly expandedPercent: number | null;
    }
  | { readonly kind: 'turned'; readonly trimId: string; readonly turns: number | null }
  /** Looked at: so many turns from its counter-clockwise stop it stands now. The count begins anew from there. */
  | { readonly kind: 'stands'; readonly trimId: string; readonly turns: number };

/** Constants of the coach; common practice unless said, tried on the simulated units. */
export const COACH = {
  /** First nudge, turns, and how much of the travel it may take. */
  nudgeTurns: 0.5,
  nudgeOfTravel: 1 / 6,
  /** A trim that moved nothing over so many turns, or this part of its travel, does nothing. */
  uselessTurns: 4,
  uselessOfTravel: 0.5,
  /** So many live visits in a row that moved nothing: the trim does nothing. */
  stillVisits: 1,
  /** An effect smaller than this, percent a turn, with all its doubt, is none. */
  uselessPercent: 0.15,
  /** Error of the hand: a turn is meant and nine tenths are done. One standard deviation, of what is turned. */
  handShare: 0.1,
  /** Play that is lost on turning back, turns: mean and standard deviation. */
  playTurns: 0.07,
  playSpreadTurns: 0.04,
  /** Where a live visit stops beside what was meant, percent, one standard deviation. */
  stopsWithinPercent: 0.05,
  /** Percent a turn that a trim may have when nothing is known of it, one standard deviation; of another speed's trim. */
  ownPerTurn: 4,
  crossShare: 0.3,
  /** A reading without its uncertainty is taken for one of this, percent (typed from a strobe or a counter). */
  unknownPercent: 0.2,
  /** Faster than this after a small move is no trim's doing: the blade touches the motor's case. */
  runawayPercent: 15,
  /** A move is kept so far from the end stops, turns. */
  stopMarginTurns: 0.02,
  /** Of the travel that is left no move takes more than this: the count of turns is the hand's. */
  ofTravelLeft: 0.75,
  /** Longest single move that is advised, turns: what a trim does is learnt on the way. */
  longestTurns: 12,
} as const;
