/** Where the hands were: what one needs to see on coming back after minutes or weeks. */
import { lineWords } from './describe.js';
import type { BenchEvent, StageId } from './event.js';
import { endWords, openEnds } from './ledger/index.js';
import type { JobState } from './state.js';
import { isDue, isRunning, type JobTimer } from './timers/index.js';
import { BREAK_MINUTES } from './defaults.js';
export { BREAK_MINUTES } from './defaults.js';

/** The last thing the hands were at, when it was long ago. */
export interface WhereHandsWere {
  readonly stage: StageId;
  readonly at: string;
  /** The last three lines, newest first, in words. */
  readonly last: readonly { readonly key: string; readonly at: string; readonly text: string }[];
  readonly open: readonly string[];
  readonly timers: readonly JobTimer[];
}

/** On another device at once, on the same one after a break. Null while the last line is fresh, nothing was entered yet, or the job is handed back. */
export function whereHandsWere(
  lines: readonly BenchEvent[],
  state: Pick<JobState, 'ledger' | 'timers' | 'handedBackAt'>,
  now: Date,
  device: string | null = null,
): WhereHandsWere | null {
  const last = lines.at(-1);
  if (!last || state.handedBackAt) return null;
  const elsewhere = device !== null && last.device !== device;
  if (!elsewhere && now.getTime() - Date.parse(last.enteredAt) < BREAK_MINUTES * 60_000) return null;
  const find = (key: string) => lines.find((line) => line.key === key)?.body;
  return {
    stage: last.stage,
    at: last.enteredAt,
    last: lines
      .slice(-3)
      .reverse()
      .map(({ key, enteredAt, body }) => ({ key, at: enteredAt, text: lineWords(body, find) })),
    open: openEnds(state.ledger).map(({ end }) => endWords(end)),
    timers: state.timers.filter((timer) => isRunning(timer, now) || isDue(timer, now)),
  };
}
