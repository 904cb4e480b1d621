/** What the coach says: one thing to do, and why. */
import { effectOf, isKnown, type CoachAdvice, type CoachState, type CoachTask } from '../../drive/index.js';
import type { DrivePath } from '../../families/index.js';
import { fixed, signed, THIN } from '../../quantity/index.js';
import type { AnswerBody } from '../find/body.js';
import { clockOf, turnWords, type JobCoach } from './coach.js';
import { say } from '../../words/index.js';
import { AT_ONCE_PERCENT } from '../defaults.js';

/** A thing to do in large type, and a line under it. */
export interface CoachSays {
  readonly prompt: string;
  readonly why: string;
}

/** The advice in words: "Turn the 33 trim a quarter turn clockwise". */
export function coachSays(task: CoachTask, { belief, advice }: CoachState): CoachSays {
  const speedName = (id: string) => task.speeds.find((one) => one.id === id)?.label ?? id;
  const trimName = (id: string) => task.trims.find((one) => one.id === id)?.name ?? id;
  const live = task.watched === 'live';
  switch (advice.kind) {
    case 'measure':
      return {
        prompt: live
          ? say`Selector to ${speedName(advice.speedId)}, and wait`
          : say`Measure ${speedName(advice.speedId)}`,
        why:
          advice.why === 'first'
            ? say`Every speed is read once before a screw is touched.`
            : say`Trims act on each other: what the move did shows here too. Right at the end means right at every
              speed.`,
      };
    case 'nudge':
      return {
        prompt: say`Turn the ${trimName(advice.trimId)} ${turnWords(advice.turns)}${clockWords(task, belief, advice)}`,
        why: say`A small move shows what this trim does: which way, how much, and to which speed.`,
      };
    case 'turn':
      return turnSays(
        trimName(advice.trimId),
        speedName(advice.watchSpeedId),
        advice,
        clockWords(task, belief, advice),
      );
    case 'stop':
      return {
        prompt: say`Stop: every speed is right`,
        why: say`Each was read again after the last of ${moves(belief.moves)}, and lies inside with the whole of its
          uncertainty.`,
      };
    case 'prove':
      return {
        prompt: say`Inside by what was typed: now prove it`,
        why: say`${speedName(advice.speedId)} was read without its uncertainty. A recording, the live tone or a
          counted stretch at every speed makes it sure.`,
      };
    default:
      return troubleSays(advice, speedName, trimName);
  }
}

/** What is done when turning leads no further. */
function troubleSays(
  advice: Extract<CoachState['advice'], { kind: 'undecidable' | 'useless' | 'end-stop' | 'runaway' }>,
  speedName: (id: string) => string,
  trimName: (id: string) => string,
): CoachSays {
  switch (advice.kind) {
    case 'undecidable':
      return {
        prompt: say`${speedName(advice.speedId)} cannot be proved with this reading`,
        why: say`Its uncertainty is as wide as the window. A better test tape or record, or a longer count, before any
          screw.`,
      };
    case 'useless':
      return {
        prompt: say`The ${trimName(advice.trimId)} does nothing`,
        why: say`Put it back to where it stood. Another screw, an open track, or a lock that holds the speed whatever
          is turned.`,
      };
    case 'end-stop':
      return {
        prompt: say`The ${trimName(advice.trimId)} is at its stop`,
        why: say`By the count nothing is left that way. Look where it stands and type it; if it is at its stop, the
          fault is not the trim: back to Find.`,
      };
    case 'runaway':
      return {
        prompt: say`It ran away: take the blade off`,
        why: say`The blade may have touched the motor’s case at the ${trimName(advice.trimId)}. Let it settle and read
          the speed again.`,
      };
  }
}

function turnSays(
  trim: string,
  label: string,
  { turns, untilPercent, turnsBack }: Extract<CoachAdvice, { kind: 'turn' }>,
  clock: string,
): CoachSays {
  const target = `${signed(untilPercent, 2)}${THIN}%`;
  if (turns === null)
    return {
      prompt: say`Selector to ${label}. Turn the ${trim} until it reads ${target}`,
      why:
        Math.abs(untilPercent) < AT_ONCE_PERCENT
          ? say`Follow the sound: below the drone is slow, above it fast, unbroken is there.`
          : say`Not to nought: the other trims bring the rest.`,
    };
  return {
    prompt: say`Turn the ${trim} ${turnWords(turns)}${clock}`,
    why: say`${label} should then stand at ${target}.${turnsBack ? say` Turning back, its play is counted in.` : ''}`,
  };
}

/** ", to 12:15": where a single-turn trim should come to stand; nothing where its place is not known. */
function clockWords(
  task: CoachTask,
  belief: CoachState['belief'],
  { trimId, turns }: Extract<CoachAdvice, { kind: 'nudge' | 'turn' }>,
): string {
  const j = task.trims.findIndex((one) => one.id === trimId);
  const trim = task.trims[j];
  if (turns === null || !trim || trim.stoodTurns === null || (trim.travelTurns ?? 2) > 1) return '';
  return say`, to ${clockOf(trim.stoodTurns + (belief.trims[j]?.turned ?? 0) + turns)}`;
}

const moves = (count: number): string => (count === 1 ? say`one move` : say`${count} moves`);

/** "33: +0.12 ±0.05 %, read" for every speed. */
export function speedStands(
  task: CoachTask,
  { belief }: CoachState,
): { id: string; label: string; words: string; fresh: boolean }[] {
  return task.speeds.map((speed, i) => {
    const one = belief.speeds[i];
    const fresh = one?.fresh ?? null;
    const words = fresh
      ? `${signed(fresh.errorPercent, 2)}${fresh.expandedPercent === null ? '' : ` ± ${fixed(fresh.expandedPercent, 2)}`}${THIN}%`
      : one?.everRead
        ? say`about ${signed(one.mean[0] ?? 0, 1)}${THIN}%, to be read`
        : say`not read yet`;
    return { id: speed.id, label: speed.label, words, fresh: fresh !== null };
  });
}

/** What each trim was found to do at its own speed: "faster clockwise, 2.1 % a turn"; null while it is not known. */
export function trimDoes(
  task: CoachTask,
  { belief }: CoachState,
  trimId: string,
): { words: string; faster: 'clockwise' | 'counter-clockwise' } | null {
  const j = task.trims.findIndex((one) => one.id === trimId);
  const own = task.speeds.findIndex((one) => one.id === task.trims[j]?.serves[0]);
  const speed = belief.speeds[own];
  if (task.watched === 'live' || !speed || j < 0) return null;
  if (!isKnown(speed, j)) return null;
  const effect = effectOf(speed, j).percent;
  const faster = effect > 0 ? 'clockwise' : 'counter-clockwise';
  return { words: say`faster ${faster}, ${fixed(Math.abs(effect), 1)}${THIN}% a turn`, faster };
}

/** The test of the path that nudging the trims answers. */
const NUDGE = 'trim-nudge';

/** Id of the path's part that the speed trims belong to; null where the family has none. */
export const trimBlockOf = (path: DrivePath): string | null =>
  path.tests.find((one) => one.id === NUDGE)?.block ?? null;

/**
 * What the course answers in Find, once every speed is right: which trim stood low or high. Null where the family has
 * no such test or nothing was off.
 */
export function nudgeAnswer(path: DrivePath | null, course: JobCoach): AnswerBody | null {
  const test = path?.tests.find((one) => one.id === NUDGE);
  if (!test || course.advice.kind !== 'stop' || course.belief.moves === 0) return null;
  const off = course.task.speeds.flatMap((speed) => {
    const first = course.lines.find((line) => line.kind === 'read' && line.speedId === speed.id);
    if (first?.kind !== 'read') return [];
    const side =
      first.errorPercent > speed.upperPercent ? 'high' : first.errorPercent < speed.lowerPercent ? 'low' : null;
    return side === null ? [] : [{ id: speed.id, side }];
  });
  const [one, other] = off;
  if (!one) return null;
  const modes = other
    ? [one.side === other.side ? `${one.side}-both` : '', 'off', one.side]
    : [`${one.side}-${one.id}`, `off-${one.id}`, 'off', one.side];
  const outcome = modes.flatMap((mode) => test.outcomes.find((each) => each.modes.includes(mode)) ?? [])[0];
  if (!outcome) return null;
  return {
    kind: 'answer',
    testId: test.id,
    name: test.name,
    outcome: outcome.id,
    words: outcome.words,
    value: null,
    unit: null,
  };
}

/** Whether the advice wants a hand at a screw. */
export const wantsHand = (advice: CoachAdvice): advice is Extract<CoachAdvice, { kind: 'nudge' | 'turn' }> =>
  advice.kind === 'nudge' || advice.kind === 'turn';
