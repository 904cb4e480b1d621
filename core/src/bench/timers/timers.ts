/** Timers of a job, computed from its log and a clock that is passed in. */
import { linesOf, type BenchEvent } from '../event.js';
import { TIMER_WORDS, type TimerBody, type TimerKind } from './body.js';
import { DAYS_FROM_HOURS } from '../defaults.js';

/** A timer and how it ended; null while it runs. */
export interface JobTimer {
  readonly key: string;
  readonly timer: TimerKind;
  readonly label: string;
  readonly startedAt: string;
  readonly dueAt: string;
  readonly end: 'stopped' | 'answered' | null;
}

/** All timers in the order they were started. */
export function timersOf(lines: readonly BenchEvent[]): JobTimer[] {
  const ends = new Map(linesOf(lines, 'timer-end').map(({ body }) => [body.target, body.how]));
  return linesOf(lines, 'timer').map(({ key, enteredAt, body }) => ({
    key,
    timer: body.timer,
    label: body.label || TIMER_WORDS[body.timer],
    startedAt: enteredAt,
    dueAt: dueAt(enteredAt, body),
    end: ends.get(key) ?? null,
  }));
}

const dueAt = (startedAt: string, { minutes }: TimerBody): string =>
  new Date(Date.parse(startedAt) + minutes * 60_000).toISOString();

/** Still counting down at `now`. */
export const isRunning = (timer: JobTimer, now: Date): boolean =>
  timer.end === null && Date.parse(timer.dueAt) > now.getTime();

/** Its time is over and nobody has answered it. */
export const isDue = (timer: JobTimer, now: Date): boolean =>
  timer.end === null && Date.parse(timer.dueAt) <= now.getTime();

/** Timers that keep hands off the unit: while one of them runs the job waits by itself. */
export const holdsHands = (timer: Pick<JobTimer, 'timer'>): boolean =>
  timer.timer !== 'discharge' && timer.timer !== 'look-in';

/** "3:12:40", "0:19", "6 d 4 h". Never negative. */
export function countdown(dueAtIso: string, now: Date): string {
  const left = Math.max(0, Math.ceil((Date.parse(dueAtIso) - now.getTime()) / 1000));
  const two = (value: number) => String(value).padStart(2, '0');
  const hours = Math.floor(left / 3600);
  if (hours >= DAYS_FROM_HOURS) return `${Math.floor(hours / 24)} d ${hours % 24} h`;
  const minutes = Math.floor((left % 3600) / 60);
  return hours > 0 ? `${hours}:${two(minutes)}:${two(left % 60)}` : `${minutes}:${two(left % 60)}`;
}
