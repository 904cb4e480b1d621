/** What is due after a unit went back, and what usually is. */
import { DAY_MS } from '../../quantity/index.js';
import { linesOf, type BenchEvent, type WorkBody } from '../event.js';
import type { FollowUpBody, FollowUpKind } from './body.js';
import { say } from '../../words/index.js';
import { TRIAL_DAYS } from '../defaults.js';

/** A follow-up of a job; open while nobody has seen to it. */
export interface FollowUp {
  readonly key: string;
  readonly why: FollowUpKind;
  readonly what: string;
  readonly on: string;
}

/** Their words. */
export const FOLLOW_UP_WORDS: Readonly<Record<FollowUpKind, string>> = {
  trial: say`Trial over`,
  oil: say`Oil again`,
  brushes: say`Brushes`,
  look: say`Look at it again`,
};

/** Those nobody has seen to, by day. */
export function openFollowUps(lines: readonly BenchEvent[]): FollowUp[] {
  const done = new Set(linesOf(lines, 'follow-up-done').map(({ body }) => body.target));
  return linesOf(lines, 'follow-up')
    .filter(({ key }) => !done.has(key))
    .map(({ key, body: { why, what, on } }) => ({ key, why, what, on }))
    .sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0));
}

const YEAR_DAYS = 365;

/** What is usual after such work, counted from `from`; offered, never put in by itself. */
export function usualFollowUps(
  work: readonly Pick<WorkBody, 'action' | 'what' | 'blocks'>[],
  from: Date,
): FollowUpBody[] {
  const on = (days: number) => new Date(from.getTime() + days * DAY_MS).toISOString().slice(0, 10);
  const out: FollowUpBody[] = [];
  if (work.length > 0)
    out.push({ kind: 'follow-up', why: 'trial', what: say`Ask how it runs: the trial ends`, on: on(TRIAL_DAYS) });
  const oiled = work.find(({ action }) => action === 'oil');
  if (oiled) out.push({ kind: 'follow-up', why: 'oil', what: say`Oil again: ${oiled.what}`, on: on(YEAR_DAYS) });
  // Those of mixers, vacuums and tools, which are a part of their own; of a small motor they are not.
  if (work.some(({ blocks }) => blocks?.includes('brushes')))
    out.push({ kind: 'follow-up', why: 'brushes', what: say`Measure the brushes`, on: on(YEAR_DAYS) });
  return out;
}
