import type { CoachTask } from '../../drive/index.js';

/** The work on the trims begins: what is set, with what was seen to before. */
export interface CoachBeginBody {
  readonly kind: 'coach-begin';
  readonly task: CoachTask;
  /** Ids of the checks that were answered before the first turn. */
  readonly checks: readonly string[];
}

/** A trim was turned: turns clockwise above zero, facing the screw; null when it was turned by ear or eye. */
export interface CoachTurnedBody {
  readonly kind: 'coach-turned';
  readonly trimId: string;
  readonly name: string;
  readonly turns: number | null;
}

/** A trim stands so many turns from its counter-clockwise stop. */
export interface CoachStandsBody {
  readonly kind: 'coach-stands';
  readonly trimId: string;
  readonly name: string;
  readonly turns: number;
}

/** Lines of setting trims, by kind. */
export type CoachBody = CoachBeginBody | CoachTurnedBody | CoachStandsBody;
