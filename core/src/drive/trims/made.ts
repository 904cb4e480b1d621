/**
 * Simulated units with interacting trims that have play, under a hand that errs and a reading that is noisy: the test
 * bed of the coach. Drawn as the bench meets them: 0.2 to 8 % a turn either way, cross effects to 30 %, play of 0.02 to
 * 0.15 turn, all speeds within 6 % at the start.
 */
import type { Random } from '../../numeric/index.js';
import { coach, type CoachAdvice } from './advise.js';
import { COACH, type CoachLine, type CoachTask } from './course.js';
import { trimTurns } from './turns.js';
import { say } from '../../words/index.js';

/** A unit as it truly is; only the simulation looks into it. */
export interface MadeUnit {
  readonly task: CoachTask;
  /** Percent at speed i for a turn of trim j. */
  readonly effects: readonly (readonly number[])[];
  readonly start: readonly number[];
  readonly playTurns: readonly number[];
}

/** Tolerance of the speeds, and U of a reading, percent. */
const TOLERANCE = 0.3;
const READING_U = 0.1;
/** How well the place of a screw is seen, turns, one standard deviation. */
const LOOK_TURNS = 0.03;

const gauss = (random: Random): number => {
  const [a, b] = [Math.max(random(), 1e-12), random()];
  return Math.sqrt(-2 * Math.log(a)) * Math.cos(2 * Math.PI * b);
};
const between = (random: Random, low: number, high: number): number => low + (high - low) * random();

/** Draws a unit of `count` speeds with a trim each. */
export function madeUnit(random: Random, count: number, watched: CoachTask['watched']): MadeUnit {
  const own = Array.from({ length: count }, () => between(random, 0.2, 8) * (random() < 0.5 ? -1 : 1));
  const effects = own.map((_, i) => own.map((size, j) => (i === j ? size : size * between(random, -0.3, 0.3))));
  const start = own.map(() => between(random, -6, 6));
  const ids = own.map((_, i) => `s${i}`);
  // Where the screws have to go, so that travel and stops leave room for it.
  const wanted = trimTurns(effects, start);
  return {
    effects,
    start,
    playTurns: own.map(() => between(random, 0.02, 0.15)),
    task: {
      watched,
      speeds: ids.map((id) => ({ id, label: id, lowerPercent: -TOLERANCE, upperPercent: TOLERANCE })),
      trims: ids.map((id, j) => {
        const need = wanted[j] ?? 0;
        const travel = Math.max(0.75, between(random, 1.3, 3) * Math.abs(need) + 1);
        const room = travel - Math.abs(need);
        const low = between(random, 0.15, 0.85) * room;
        return {
          id: `t${j}`,
          name: say`trim ${j}`,
          serves: [id],
          faster: null,
          travelTurns: travel,
          stoodTurns: need < 0 ? low - need : low,
        };
      }),
    },
  };
}

/** How a unit was brought to its speeds. */
export interface MadeCourse {
  readonly moves: number;
  readonly done: boolean;
  /** Largest true error at any time, percent. */
  readonly worstPercent: number;
  /** True errors at the end. */
  readonly left: readonly number[];
  /** Moves advised that would have run into an end stop. */
  readonly beyondStop: number;
  readonly last: CoachAdvice;
  readonly lines: readonly CoachLine[];
}

/** Plays the coach on a unit until it says stop or `most` moves are done. */
export function playCoach(unit: MadeUnit, random: Random, most = 60): MadeCourse {
  const { task } = unit;
  const shafts = task.trims.map((trim) => ({ screw: trim.stoodTurns ?? 0, wiper: trim.stoodTurns ?? 0, slack: 0 }));
  shafts.forEach((shaft, j) => (shaft.slack = random() * (unit.playTurns[j] ?? 0)));
  const error = (i: number) =>
    (unit.start[i] ?? 0) +
    shafts.reduce(
      (sum, { wiper }, j) => sum + (unit.effects[i]?.[j] ?? 0) * (wiper - (task.trims[j]?.stoodTurns ?? 0)),
      0,
    );
  const lines: CoachLine[] = [];
  let [moves, beyondStop] = [0, 0];
  let worstPercent = Math.max(...unit.start.map(Math.abs));
  let advice = coach(task, lines).advice;
  let looked = '';
  while (moves < most && advice.kind !== 'stop') {
    if (advice.kind === 'end-stop') {
      // Looked at once: the count of turns was the hand's. Asked again at the same place, it is at its stop.
      if (looked === `${advice.trimId} ${moves}`) break;
      looked = `${advice.trimId} ${moves}`;
      const { trimId } = advice;
      const shaft = shafts[task.trims.findIndex((trim) => trim.id === trimId)];
      lines.push({ kind: 'stands', trimId, turns: (shaft?.screw ?? 0) + LOOK_TURNS * gauss(random) });
    } else if (advice.kind === 'measure') {
      const { speedId } = advice;
      const i = task.speeds.findIndex((speed) => speed.id === speedId);
      lines.push({
        kind: 'read',
        speedId,
        errorPercent: error(i) + (READING_U / 2) * gauss(random),
        expandedPercent: READING_U,
      });
    } else if (advice.kind === 'nudge' || advice.kind === 'turn') {
      const { trimId } = advice;
      const j = task.trims.findIndex((trim) => trim.id === trimId);
      const [shaft, travel] = [shafts[j] as (typeof shafts)[number], task.trims[j]?.travelTurns ?? Infinity];
      if (advice.turns === null && advice.kind === 'turn') {
        // By ear or eye: turned until the watched speed is there, and let go a little beside it.
        const until = advice.untilPercent + COACH.stopsWithinPercent * gauss(random);
        const wiper = shaft.wiper + (until - error(j)) / (unit.effects[j]?.[j] ?? 1);
        shaft.wiper = Math.max(0, Math.min(travel, wiper));
        lines.push({ kind: 'turned', trimId, turns: null });
      } else {
        const meant = advice.turns ?? 0;
        const screw = shaft.screw + meant * (1 + COACH.handShare * gauss(random));
        if (shaft.screw + meant > travel + 1e-9 || shaft.screw + meant < -1e-9) beyondStop += 1;
        turnShaft(shaft, Math.max(0, Math.min(travel, screw)), unit.playTurns[j] ?? 0);
        lines.push({ kind: 'turned', trimId, turns: meant });
      }
      moves += 1;
      worstPercent = Math.max(worstPercent, ...task.speeds.map((_, i) => Math.abs(error(i))));
    } else break;
    advice = coach(task, lines).advice;
  }
  const left = task.speeds.map((_, i) => error(i));
  return { moves, done: advice.kind === 'stop', worstPercent, left, beyondStop, last: advice, lines };
}

/** The wiper follows the screw when its play is taken up. */
function turnShaft(shaft: { screw: number; wiper: number; slack: number }, to: number, play: number): void {
  const by = to - shaft.screw;
  shaft.screw = to;
  // slack: how far the screw may go clockwise before the wiper follows.
  if (by > 0) {
    const free = Math.min(by, shaft.slack);
    shaft.slack -= free;
    shaft.wiper += by - free;
  } else {
    const free = Math.min(-by, play - shaft.slack);
    shaft.slack += free;
    shaft.wiper += by + free;
  }
}
