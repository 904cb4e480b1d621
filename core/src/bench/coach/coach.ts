/** The trim coach in a job: its course is read from the log, speed readings of any way of measuring with it. */
import { coach, type CoachLine, type CoachState, type CoachTask } from '../../drive/index.js';
import { fixed, signed, THIN } from '../../quantity/index.js';
import { linesOf, type BenchEvent, type EventBody } from '../event.js';
import { workSaid } from '../workSaid.js';
import { atPitchRest } from '../pitch.js';
import type { CoachBody } from './body.js';
import { say } from '../../words/index.js';
import { MOST_SIGNS, RECENT_READING_MS, SINGLE_TURN_TRAVEL, STOP_CLOCK_H } from '../defaults.js';

/** What has to be seen to before a trim is turned; with why. */
export const COACH_CHECKS = [
  {
    id: 'clean',
    text: say`Trims cleaned and worked end to end`,
    why: say`a dirty wiper jumps, and what is set does not stay`,
  },
  { id: 'noted', text: say`Noted where each trim stands`, why: say`it can be put back` },
  { id: 'detent', text: say`Pitch control at its detent or centre`, why: say`otherwise its offset is trimmed in` },
  { id: 'warm', text: say`Warmed up, 15 minutes`, why: say`drift would be chased` },
  { id: 'load', text: say`Usual mat and a record on, or a tape in play`, why: say`the drive is set under its load` },
  {
    id: 'blade',
    text: say`Blade insulated, clear of the motor’s case`,
    why: say`touching it can send the motor to full speed`,
  },
  { id: 'supply', text: say`Supply exact: right volts and mains`, why: say`a low supply is no trim’s to mend` },
] as const;

/** The work on the trims as it stands. */
export interface JobCoach extends CoachState {
  readonly key: string;
  readonly at: string;
  readonly task: CoachTask;
  readonly checks: readonly string[];
  readonly lines: readonly CoachLine[];
}

/** The last course in the log; null when none was begun. Lines stand, in order. */
export function coachOf(lines: readonly BenchEvent[]): JobCoach | null {
  const begin = linesOf(lines, 'coach-begin').at(-1);
  if (!begin) return null;
  const { task, checks } = begin.body;
  const after = lines.slice(lines.findIndex((line) => line.key === begin.key) + 1);
  const course = [...readBefore(lines, begin), ...after].flatMap(courseLine);
  return { key: begin.key, at: begin.enteredAt, task, checks, lines: course, ...coach(task, course) };
}

/** Readings from shortly before, with no work since: they are not asked for again. */
function readBefore(lines: readonly BenchEvent[], begin: BenchEvent): BenchEvent[] {
  const before = lines.slice(
    0,
    lines.findIndex((line) => line.key === begin.key),
  );
  const worked = before.findLastIndex(({ body }) => body.kind === 'work');
  const since = Date.parse(begin.enteredAt) - RECENT_READING_MS;
  return before.slice(worked + 1).filter((line) => line.body.kind === 'speed' && Date.parse(line.enteredAt) >= since);
}

function courseLine({ body }: BenchEvent): CoachLine[] {
  if (body.kind === 'coach-turned') return [{ kind: 'turned', trimId: body.trimId, turns: body.turns }];
  if (body.kind === 'coach-stands') return [{ kind: 'stands', trimId: body.trimId, turns: body.turns }];
  if (body.kind !== 'speed' || body.errorPercent === null || !atPitchRest(body)) return [];
  const { speedId, errorPercent, expandedPercent } = body;
  return [{ kind: 'read', speedId, errorPercent, expandedPercent }];
}

const EIGHTHS = [
  '',
  say`an eighth of a turn`,
  say`a quarter turn`,
  say`three eighths of a turn`,
  say`half a turn`,
  say`five eighths of a turn`,
  say`three quarters of a turn`,
  say`seven eighths of a turn`,
];

/**
 * The lines of a turn: before the first one stands that the trims are adjusted, so that what was read until then is as
 * found. Turns clockwise above zero, null when it was turned by ear or eye.
 */
export function turnLines(familyId: string, course: JobCoach, trimId: string, turns: number | null): EventBody[] {
  const { trims } = course.task;
  const what = trims
    .map(({ name }) => name)
    .join(', ')
    .slice(0, MOST_SIGNS);
  const name = trims.find((one) => one.id === trimId)?.name ?? trimId;
  const turned: EventBody = { kind: 'coach-turned', trimId, name, turns };
  return course.belief.moves > 0 ? [turned] : [workSaid(familyId, { action: 'adjust', what }), turned];
}

/** "a quarter turn clockwise", "2 turns counter-clockwise": as one says it with a screwdriver in the hand. */
export function turnWords(turns: number): string {
  const way = turns > 0 ? 'clockwise' : 'counter-clockwise';
  const size = Math.abs(turns);
  const minutes = Math.round(60 * size);
  if (size < 1 / 120) return say`a hair ${way}`;
  if (minutes < 8) return say`${minutes === 1 ? say`1 minute` : say`${minutes} minutes`} of the clock ${way}`;
  const eighths = Math.round(8 * size);
  if (eighths < 8 && Math.abs(size - eighths / 8) < 0.03) return `${EIGHTHS[eighths] ?? ''} ${way}`;
  if (size < 1) return say`${minutes} minutes of the clock ${way}`;
  return say`${fixed(size, size < 3 ? 2 : 1)} turns ${way}`;
}

/** "10:30" of a single-turn trim as turns from its counter-clockwise stop, facing the screw; null when it is no such place. */
export function turnsOfClock(text: string): number | null {
  const match = /^(\d{1,2}):(\d{2})$/.exec(text.trim());
  if (!match || Number(match[1]) > 12 || Number(match[2]) > 59) return null;
  const turns = ((((Number(match[1]) + Number(match[2]) / 60 - STOP_CLOCK_H) % 12) + 12) % 12) / 12;
  return turns <= SINGLE_TURN_TRAVEL + 1e-9 ? turns : null;
}

/** Where a single-turn trim stands as a clock shows it, to five minutes: 0.25 turns from its stop is 10:30. */
export function clockOf(turns: number): string {
  const minutes = Math.round(((STOP_CLOCK_H + 12 * turns) * 60) / 5) * 5;
  const hour = Math.floor(minutes / 60) % 12;
  return `${hour === 0 ? 12 : hour}:${String(minutes % 60).padStart(2, '0')}`;
}

/** A course's line in words. */
export function coachWords(body: CoachBody): string {
  switch (body.kind) {
    case 'coach-begin':
      return say`trims begun: ${body.task.trims.map(({ name }) => name).join(', ')}`;
    case 'coach-turned':
      return body.turns === null
        ? say`turned ${body.name}, by the speed`
        : say`turned ${body.name} ${turnWords(body.turns)}`;
    case 'coach-stands':
      return say`${body.name} stands ${signed(body.turns, 2).replace('+', '')}${THIN}turns from its stop`;
  }
}
