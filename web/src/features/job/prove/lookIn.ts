/** The hourly look at a unit that soaks. */
import { TIMER_MINUTES, TIMER_WORDS, type EventBody, type JobTimer } from '@amber-gauge/core/bench';
import { say } from '@amber-gauge/core/words';

/** Starts the hour to the next look. */
export const LOOK_IN: EventBody = {
  kind: 'timer',
  timer: 'look-in',
  label: TIMER_WORDS['look-in'],
  minutes: TIMER_MINUTES['look-in'],
};

/** The look is a line of the log; the next is due in an hour, while the soak lasts longer than that. */
export function lookedIn(look: JobTimer | null, soak: JobTimer | null, now: Date): EventBody[] {
  const leftMin = soak ? (Date.parse(soak.dueAt) - now.getTime()) / 60_000 : 0;
  return [
    { kind: 'note', text: say`Soak: looked in, all well` },
    ...(look ? [{ kind: 'timer-end', target: look.key, how: 'answered' } as const] : []),
    ...(leftMin > TIMER_MINUTES['look-in'] ? [LOOK_IN] : []),
  ];
}
