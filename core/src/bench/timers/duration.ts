/** Lengths of time as people write them: "20 min", "1:30 h", "12h", "1 h 30", "45 s", "half an hour". */
import { decimal, fixed, ownEntry } from '../../quantity/index.js';
import { say } from '../../words/index.js';

const WORDS: Readonly<Record<string, number>> = {
  'half an hour': 30,
  'an hour': 60,
  'quarter of an hour': 15,
  overnight: 720,
};

const NUMBER = String.raw`\d+(?:[.,]\d+)?`;
const CLOCK = /^(\d{1,3}):(\d{2})(?::(\d{2}))?\s*(h|hours?|hrs?|min|minutes?|mins?)?$/i;
const PARTS = new RegExp(
  String.raw`^(?:(${NUMBER})\s*(?:d|days?))?\s*(?:(${NUMBER})\s*(?:h|hrs?|hours?))?\s*(?:(${NUMBER})\s*(?:m|min|mins|minutes?)?)?\s*(?:(${NUMBER})\s*(?:s|sec|secs|seconds?))?$`,
  'i',
);
const ONLY_SECONDS = new RegExp(String.raw`^(${NUMBER})\s*(?:s|sec|secs|seconds?)$`, 'i');

/**
 * Minutes, or null when it is no length of time. A bare number is minutes; "1:30" and "1:30 h" are an
 * hour and a half, "1:30 min" a minute and a half.
 */
export function minutesIn(text: string): number | null {
  const plain = text.trim().toLowerCase().replace(/\s+/g, ' ');
  if (plain === '') return null;
  const named = ownEntry(WORDS, plain);
  if (named !== undefined) return named;
  const clock = CLOCK.exec(plain);
  if (clock) {
    const [big, small, smallest] = [clock[1], clock[2], clock[3] ?? '0'].map(Number) as [number, number, number];
    if (small > 59 || smallest > 59) return null;
    const inMinutes = (clock[4] ?? 'h').startsWith('m');
    return positive(inMinutes ? big + small / 60 : 60 * big + small + smallest / 60);
  }
  const seconds = ONLY_SECONDS.exec(plain);
  if (seconds) return positive(decimal(seconds[1] as string) / 60);
  const parts = PARTS.exec(plain);
  if (!parts || parts.slice(1).every((one) => one === undefined)) return null;
  const [days, hours, minutes, rest] = parts.slice(1).map((one) => (one === undefined ? 0 : decimal(one))) as [
    number,
    number,
    number,
    number,
  ];
  return positive(1440 * days + 60 * hours + minutes + rest / 60);
}

const positive = (minutes: number): number | null => (minutes > 0 && Number.isFinite(minutes) ? minutes : null);

/** "19 s", "15 min", "12 h", "7 days". */
export function minutesWords(minutes: number): string {
  if (minutes < 1) return `${Math.max(1, Math.round(minutes * 60))} s`;
  if (minutes < 120) return `${fixed(minutes, Number.isInteger(minutes) ? 0 : 1)} min`;
  if (minutes >= 2880 && minutes % 1440 === 0) return say`${minutes / 1440} days`;
  return `${fixed(minutes / 60, minutes % 60 === 0 ? 0 : 1)} h`;
}
