/**
 * What to do next: measure, nudge, turn so much, or stop. The moves that bring all speeds to the middle of their
 * windows together are turns = -(E[J'J])^-1 E[J]' e: the less sure an effect is, the shorter the move.
 */
import { solveNormal } from '../../numeric/index.js';
import { liesInside } from '../../speed/index.js';
import { beliefOf, effectOf, ownSpeed, type CoachBelief } from './belief.js';
import { COACH, type CoachLine, type CoachTask, type CoachTrim } from './course.js';

/** The next step; percents of nominal, turns clockwise above zero facing the screw. */
export type CoachAdvice =
  | { readonly kind: 'measure'; readonly speedId: string; readonly why: 'first' | 'after the move' }
  | { readonly kind: 'nudge'; readonly trimId: string; readonly turns: number; readonly watchSpeedId: string }
  | {
      readonly kind: 'turn';
      readonly trimId: string;
      /** Of live work null: it is turned until the speed is there. */
      readonly turns: number | null;
      readonly watchSpeedId: string;
      /** Where the watched speed should stand after it, percent. */
      readonly untilPercent: number;
      /** Turning back, play is lost first: it is counted in. */
      readonly turnsBack: boolean;
    }
  | { readonly kind: 'stop' }
  /** Inside as far as the readings go, but one of them has no uncertainty: nothing is proved by it. */
  | { readonly kind: 'prove'; readonly speedId: string }
  | { readonly kind: 'undecidable'; readonly speedId: string }
  | { readonly kind: 'useless'; readonly trimId: string }
  | { readonly kind: 'end-stop'; readonly trimId: string }
  | { readonly kind: 'runaway'; readonly trimId: string };

/** Everything said of the course so far. */
export interface CoachState {
  readonly belief: CoachBelief;
  readonly advice: CoachAdvice;
}

/** Reads the course and says what comes next. */
export function coach(task: CoachTask, lines: readonly CoachLine[]): CoachState {
  const belief = beliefOf(task, lines);
  return { belief, advice: adviceOf(task, belief) };
}

function adviceOf(task: CoachTask, belief: CoachBelief): CoachAdvice {
  if (belief.runaway !== null) return { kind: 'runaway', trimId: belief.runaway };
  const unread = measureNext(task, belief);
  if (unread) return unread;
  const wide = task.speeds.find((speed, i) => (belief.speeds[i]?.fresh?.expandedPercent ?? 0) >= halfWidth(speed));
  if (wide) return { kind: 'undecidable', speedId: wide.id };
  if (task.speeds.every((speed, i) => isRight(speed, belief.speeds[i]?.fresh ?? null))) {
    const guessed = task.speeds.find((_, i) => belief.speeds[i]?.fresh?.expandedPercent === null);
    return guessed ? { kind: 'prove', speedId: guessed.id } : { kind: 'stop' };
  }
  const useless = task.trims.find((trim, j) => doesNothing(task, belief, trim, j));
  if (useless) return { kind: 'useless', trimId: useless.id };
  return moveNext(task, belief);
}

const halfWidth = ({ lowerPercent, upperPercent }: CoachTask['speeds'][number]): number =>
  (upperPercent - lowerPercent) / 2;
const middle = ({ lowerPercent, upperPercent }: CoachTask['speeds'][number]): number =>
  (upperPercent + lowerPercent) / 2;

/** Inside with the whole of its uncertainty. */
function isRight(
  { lowerPercent, upperPercent }: CoachTask['speeds'][number],
  fresh: CoachBelief['speeds'][number]['fresh'],
): boolean {
  if (!fresh) return false;
  const spread = fresh.expandedPercent ?? Math.min(COACH.unknownPercent, (upperPercent - lowerPercent) / 4);
  return liesInside(fresh.errorPercent, spread, { lowerPercent, upperPercent });
}

/** The speed that stands unread: the selector is moved as little as can be, so the one watched last comes first. */
function measureNext(task: CoachTask, belief: CoachBelief): CoachAdvice | null {
  const i = belief.speeds.findIndex((one) => one.fresh === null);
  const speed = task.speeds[i];
  if (!speed) return null;
  return { kind: 'measure', speedId: speed.id, why: belief.moves === 0 ? 'first' : ('after the move' as const) };
}

function doesNothing(task: CoachTask, belief: CoachBelief, trim: CoachTrim, j: number): boolean {
  if (task.watched === 'live') return (belief.trims[j]?.still ?? 0) >= COACH.stillVisits;
  const walked = belief.trims[j]?.walked ?? 0;
  const limit = trim.travelTurns === null ? COACH.uselessTurns : COACH.uselessOfTravel * trim.travelTurns;
  return (
    walked >= limit &&
    belief.speeds.every((speed) => {
      const { percent, doubt } = effectOf(speed, j);
      return Math.abs(percent) + doubt < COACH.uselessPercent;
    })
  );
}

/** An effect that stands clear of its own doubt. */
export function isKnown(speed: CoachBelief['speeds'][number], j: number): boolean {
  const { percent, doubt } = effectOf(speed, j);
  return Math.abs(percent) > doubt;
}

function moveNext(task: CoachTask, belief: CoachBelief): CoachAdvice {
  const unknown = task.trims.findIndex(
    (trim, j) =>
      task.watched === 'typed' && !belief.speeds.some((speed) => isKnown(speed, j)) && needed(task, belief, trim),
  );
  const nudged = task.trims[unknown];
  if (nudged) return nudge(task, belief, nudged, unknown);
  const turns = solved(task, belief);
  const gains = turns.map((size, j) =>
    task.speeds.reduce(
      (sum, speed, i) => sum + ((size * (belief.speeds[i]?.mean[j + 1] ?? 0)) / halfWidth(speed)) ** 2,
      0,
    ),
  );
  const j = gains.indexOf(Math.max(...gains));
  const trim = task.trims[j] as CoachTrim;
  return turn(task, belief, trim, j, turns[j] ?? 0);
}

/** A trim whose speeds are all right already is left alone. */
const needed = (task: CoachTask, belief: CoachBelief, trim: CoachTrim): boolean =>
  trim.serves.some((id) => {
    const i = task.speeds.findIndex((speed) => speed.id === id);
    const speed = task.speeds[i];
    return speed !== undefined && !isRight(speed, belief.speeds[i]?.fresh ?? null);
  });

/** A small move that shows what a trim does; longer when the one before showed nothing, away from a near stop. */
function nudge(task: CoachTask, belief: CoachBelief, trim: CoachTrim, j: number): CoachAdvice {
  const known = belief.trims[j];
  const first = Math.min(
    COACH.nudgeTurns,
    trim.travelTurns === null ? Infinity : COACH.nudgeOfTravel * trim.travelTurns,
  );
  const size = first * 2 ** (known?.moves ?? 0);
  const stood = position(belief, trim, j);
  const own = ownSpeed(task, trim);
  const speed = task.speeds[own] as CoachTask['speeds'][number];
  const slow = (belief.speeds[own]?.mean[0] ?? 0) < middle(speed);
  const hint = trim.faster === null ? (known?.lastWay ?? 0) || 1 : (trim.faster === 'clockwise') === slow ? 1 : -1;
  const way =
    stood !== null && trim.travelTurns !== null && stood + hint * size > trim.travelTurns - COACH.stopMarginTurns
      ? -1
      : stood !== null && stood + hint * size < COACH.stopMarginTurns
        ? 1
        : hint;
  return { kind: 'nudge', trimId: trim.id, turns: clamped(trim, stood, way * size), watchSpeedId: speed.id };
}

/** Turns from the counter-clockwise stop now, as far as they were counted. */
const position = (belief: CoachBelief, trim: CoachTrim, j: number): number | null =>
  trim.stoodTurns === null ? null : trim.stoodTurns + (belief.trims[j]?.turned ?? 0);

/** A move kept between the stops, as far as they are known: never more than a part of the travel that is left. */
function clamped(trim: CoachTrim, stood: number | null, turns: number): number {
  if (stood === null) return turns;
  const left = (room: number) => Math.max(0, COACH.ofTravelLeft * (room - COACH.stopMarginTurns));
  const most = trim.travelTurns === null ? Infinity : left(trim.travelTurns - stood);
  return Math.max(-left(stood), Math.min(most, turns));
}

/** All moves together, each in its trim's own measure. */
function solved(task: CoachTask, belief: CoachBelief): number[] {
  const n = task.trims.length;
  const normal = new Float64Array(n * n);
  const right = new Float64Array(n);
  task.speeds.forEach((speed, i) => {
    const { mean, covariance } = belief.speeds[i] as CoachBelief['speeds'][number];
    const weight = 1 / halfWidth(speed) ** 2;
    const off = (mean[0] ?? 0) - middle(speed);
    for (let a = 0; a < n; a++) {
      right[a] = (right[a] ?? 0) - weight * (mean[a + 1] ?? 0) * off;
      for (let b = 0; b < n; b++)
        normal[a * n + b] =
          (normal[a * n + b] ?? 0) +
          weight * ((mean[a + 1] ?? 0) * (mean[b + 1] ?? 0) + (covariance[a + 1]?.[b + 1] ?? 0));
    }
  });
  // A trim without any effect, and two trims that do the same, would leave the system without an answer.
  const ridge = 1e-6 * Math.max(...Array.from({ length: n }, (_, a) => normal[a * n + a] ?? 0), 1e-12);
  for (let a = 0; a < n; a++) normal[a * n + a] = (normal[a * n + a] ?? 0) + ridge;
  return [...(solveNormal(normal, right)?.coefficients ?? new Float64Array(n))];
}

function turn(task: CoachTask, belief: CoachBelief, trim: CoachTrim, j: number, wanted: number): CoachAdvice {
  const own = ownSpeed(task, trim);
  const speed = belief.speeds[own] as CoachBelief['speeds'][number];
  const watchSpeedId = (task.speeds[own] as CoachTask['speeds'][number]).id;
  const until = (size: number) => (speed.mean[0] ?? 0) + size * (speed.mean[j + 1] ?? 0);
  if (task.watched === 'live')
    return { kind: 'turn', trimId: trim.id, turns: null, watchSpeedId, untilPercent: until(wanted), turnsBack: false };
  const lastWay = belief.trims[j]?.lastWay ?? 0;
  const turnsBack = lastWay !== 0 && Math.sign(wanted) !== lastWay;
  const play = belief.trims[j]?.play ?? COACH.playTurns;
  const withPlay = wanted + (turnsBack ? Math.sign(wanted) * play : 0);
  const bounded = Math.max(-COACH.longestTurns, Math.min(COACH.longestTurns, withPlay));
  const turns = clamped(trim, position(belief, trim, j), bounded);
  // Nothing is left of the travel that way, and much is wanted: it is not this trim's to give.
  if (Math.abs(turns) < COACH.stopMarginTurns && Math.abs(turns) < 0.5 * Math.abs(bounded))
    return { kind: 'end-stop', trimId: trim.id };
  const reached = turnsBack ? turns - Math.sign(turns) * Math.min(Math.abs(turns), play) : turns;
  return { kind: 'turn', trimId: trim.id, turns, watchSpeedId, untilPercent: until(reached), turnsBack };
}
