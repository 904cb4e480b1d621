/** Log lines of timers. A timer is a line with its length: it runs wherever the log is. */
import { say } from '../../words/index.js';
export { TIMER_MINUTES } from '../defaults.js';

/** What a timer is for. */
export const TIMER_KINDS = ['run-in', 'cure', 'discharge', 'soak', 'warm-up', 'look-in', 'parts'] as const;
/** What runs by itself. */
export type TimerKind = (typeof TIMER_KINDS)[number];

/** Its words. */
export const TIMER_WORDS: Readonly<Record<TimerKind, string>> = {
  'run-in': say`Run-in`,
  cure: say`Cure`,
  discharge: say`Discharge`,
  soak: say`Soak`,
  'warm-up': say`Warm-up`,
  'look-in': say`Look in`,
  parts: say`Parts`,
};

/** A timer that was started, minutes. */
export interface TimerBody {
  readonly kind: 'timer';
  readonly timer: TimerKind;
  readonly label: string;
  readonly minutes: number;
}

/** Stopped before its time, or answered after it. */
export interface TimerEndBody {
  readonly kind: 'timer-end';
  readonly target: string;
  readonly how: 'stopped' | 'answered';
}
