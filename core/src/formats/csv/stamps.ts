/** Stamps of date or clock in a text column, as seconds. */
import { decimal } from '../../quantity/index.js';

const CLOCK = /(?:(\d{1,2}):)?(\d{1,2}):(\d{2})([.,]\d+)?\s*(am|pm)?/i;
const DATE = /(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})/;
const ZONE = /(z|[+-]\d{2}:?\d{2})$/i;

/**
 * Seconds of one stamp ("2026-03-01T10:00:00.250Z", "10:00:00,25", "10:00:00.2 PM", "1:02.345"), from midnight
 * where it has no date; null when it is none. Zones are passed over: only differences matter.
 */
export function stampSeconds(cell: string): number | null {
  const text = cell.trim().replace(ZONE, '').trim();
  const clock = CLOCK.exec(text);
  if (!clock) return null;
  const left = text
    .replace(clock[0], '')
    .replace(DATE, '')
    .replace(/[tT\s,]/g, '');
  if (left !== '') return null;
  const [, hours, minutes, seconds, part, half] = clock;
  const hour = (Number(hours ?? 0) % (half ? 12 : 100)) + (half?.toLowerCase() === 'pm' ? 12 : 0);
  const date = DATE.exec(text);
  const day = date ? Date.UTC(Number(date[1]), Number(date[2]) - 1, Number(date[3])) / 1000 : 0;
  return day + 3600 * hour + 60 * Number(minutes) + Number(seconds) + (part === undefined ? 0 : decimal(part));
}

/** A column of stamps as seconds from its first, midnight passed over; null when not all of it are stamps. */
export function stampColumn(cells: readonly string[]): Float64Array | null {
  const out = new Float64Array(cells.length);
  let first = 0;
  let days = 0;
  for (let i = 0; i < cells.length; i++) {
    const seconds = stampSeconds(cells[i] as string);
    if (seconds === null) return null;
    if (i === 0) first = seconds;
    let since = seconds - first + 86400 * days;
    if (i > 0 && since < (out[i - 1] as number) - 43200) {
      days++;
      since += 86400;
    }
    out[i] = since;
  }
  return out;
}
