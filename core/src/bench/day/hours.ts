/** Opening hours: minutes of hands lie within them, waits run through nights and Sundays. */

import { MOST_DAYS_AHEAD } from '../defaults.js';
/** When the bench is open: clock times of its own place, weekdays Monday 1 to Sunday 7. */
export interface OpenHours {
  readonly from: string;
  readonly to: string;
  readonly days: readonly number[];
}

const DAY_MIN = 1440;

const minuteOf = (clock: string): number => {
  const colon = clock.indexOf(':');
  return 60 * Number(clock.slice(0, colon)) + Number(clock.slice(colon + 1));
};

/** Minutes from the midnight that begins `first`, a weekday 1 to 7: the open stretch of a day counted from it. */
export interface OpenDays {
  /** Weekday of day 0. */
  readonly first: number;
  readonly hours: OpenHours;
}

/** The open stretch of day `day`, minutes; null when it is closed. */
export function stretchOf({ first, hours }: OpenDays, day: number): readonly [number, number] | null {
  const weekday = ((((first - 1 + day) % 7) + 7) % 7) + 1;
  if (!hours.days.includes(weekday)) return null;
  return [day * DAY_MIN + minuteOf(hours.from), day * DAY_MIN + minuteOf(hours.to)];
}

/** The earliest start at or after `from` of `minutes` in one open stretch; a block longer than a day starts with its day. */
export function fitOpen(open: OpenDays, from: number, minutes: number): number {
  for (let day = Math.floor(from / DAY_MIN), seen = 0; seen <= MOST_DAYS_AHEAD; day++, seen++) {
    const stretch = stretchOf(open, day);
    if (!stretch) continue;
    const start = Math.max(from, stretch[0]);
    if (start + minutes <= stretch[1] || (minutes > stretch[1] - stretch[0] && start === stretch[0])) return start;
  }
  return from;
}

/** Open minutes between two moments. */
export function openBetween(open: OpenDays, from: number, to: number): number {
  let sum = 0;
  for (let day = Math.floor(from / DAY_MIN); day * DAY_MIN < to; day++) {
    const stretch = stretchOf(open, day);
    if (stretch) sum += Math.max(0, Math.min(to, stretch[1]) - Math.max(from, stretch[0]));
  }
  return sum;
}

/** When so many open minutes have passed since `from`. */
export function afterOpen(open: OpenDays, from: number, minutes: number): number {
  let left = minutes;
  let last = from;
  for (let day = Math.floor(from / DAY_MIN); left > 0; day++) {
    const stretch = stretchOf(open, day);
    if (!stretch) continue;
    const start = Math.max(from, stretch[0]);
    const here = Math.max(0, stretch[1] - start);
    if (here === 0) continue;
    const take = Math.min(here, left);
    left -= take;
    last = start + take;
  }
  return last;
}
