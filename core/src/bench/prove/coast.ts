/** Coast-down: how long it runs on with the power off, before and after the work. */
import { timeBetween } from '../../speed/index.js';
import type { BenchEvent } from '../event.js';
import type { CoastBody } from './body.js';
import { COAST_HAND_S, COAST_INSTRUMENT_S, SAME_SPEED_PART } from '../defaults.js';

/** A run down with when it was made. */
export interface JobCoast {
  readonly key: string;
  readonly at: string;
  readonly body: CoastBody;
  readonly when: 'before' | 'after';
  readonly index: number;
}

/** Runs down in order; `after` from the first work on the unit. */
export function coastsOf(lines: readonly BenchEvent[]): JobCoast[] {
  let when: JobCoast['when'] = 'before';
  const out: JobCoast[] = [];
  lines.forEach(({ key, enteredAt: at, body }, index) => {
    if (body.kind === 'work') when = 'after';
    if (body.kind === 'coast') out.push({ key, at, body, when, index });
  });
  return out;
}

/** Two runs from and to the same speeds, held alike: drag after as a part of the drag before, by the times. */
export interface CoastChange {
  readonly before: JobCoast;
  readonly after: JobCoast;
  /** 0.8: a fifth less drag. */
  readonly dragTimes: number;
  /** Standard uncertainty of that ratio from two hand-taken times, or less where an instrument took them. */
  readonly uncertainty: number;
}

/**
 * The newest run after beside the newest before of the same speeds and conditions: the mean drag goes as one over the
 * time. Null where no two are alike; runs held otherwise are never compared.
 */
export function coastChange(coasts: readonly JobCoast[]): CoastChange | null {
  const after = coasts.findLast((one) => one.when === 'after');
  if (!after) return null;
  const before = coasts.findLast((one) => one.when === 'before' && alike(one.body, after.body));
  if (!before) return null;
  const part = ({ body }: JobCoast) =>
    (Math.SQRT2 * (body.how === 'taps' || body.how === 'stopwatch' ? COAST_HAND_S : COAST_INSTRUMENT_S)) / body.seconds;
  const dragTimes = before.body.seconds / after.body.seconds;
  return { before, after, dragTimes, uncertainty: dragTimes * Math.hypot(part(before), part(after)) };
}

const alike = (one: CoastBody, other: CoastBody): boolean =>
  one.speedId === other.speedId &&
  Math.abs(one.fromRpm - other.fromRpm) <= SAME_SPEED_PART * other.fromRpm &&
  Math.abs(one.toRpm - other.toRpm) <= SAME_SPEED_PART * other.fromRpm &&
  one.conditions.trim().toLowerCase() === other.conditions.trim().toLowerCase();

/**
 * Seconds from one speed to another out of turns tapped while it runs down: the moments of whole turns, seconds. The
 * speed of each turn stands at its middle; between those it is read in a straight line.
 * @throws CoreError OUT_OF_RANGE when it was never as fast, or not seen as slow.
 */
export function coastTime(turns: readonly number[], fromRpm: number, toRpm: number): number {
  const speeds = turns.slice(1).map((t, i) => {
    const before = turns[i] as number;
    return { at: (t + before) / 2, rpm: 60 / (t - before) };
  });
  return timeBetween(speeds, fromRpm, toRpm);
}
