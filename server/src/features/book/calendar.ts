/** What is due as an iCalendar file: one whole-day entry each, known again by its line's key. */
import type { FollowUpRow } from '@amber-gauge/contract';
import { FOLLOW_UP_WORDS, jobNumber, unitName } from '@amber-gauge/core/bench';
import { createEvents, type EventAttributes } from 'ics';

type Day = [number, number, number];
const partsOf = (date: string): Day => date.split('-').map(Number) as Day;
const dayAfter = (date: string): string => new Date(Date.parse(date) + 86_400_000).toISOString().slice(0, 10);

/** The calendar's text. @throws what the writer says of an entry that cannot be. */
export function calendarOf(due: readonly FollowUpRow[], shop: string, at: Date): string {
  if (due.length === 0) return EMPTY;
  const stamp = at.getTime();
  const events = due.map(({ job, key, why, what, on }): EventAttributes => ({
    uid: `${key}@amber-gauge`,
    start: partsOf(on),
    end: partsOf(dayAfter(on)),
    title: `${jobNumber(job.number)} ${unitName(job)}: ${what}`,
    description: [FOLLOW_UP_WORDS[why], job.customer].filter(Boolean).join(', '),
    calName: shop,
    productId: 'amber-gauge/ics',
    created: stamp,
    lastModified: stamp,
  }));
  const { error, value } = createEvents(events);
  if (error || !value) throw error ?? new Error('the calendar was not written');
  return value;
}

/** A calendar of nothing (RFC 5545): the writer makes none without entries. */
const EMPTY = ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:amber-gauge/ics', 'END:VCALENDAR', ''].join('\r\n');
