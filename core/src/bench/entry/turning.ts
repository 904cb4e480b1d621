/** Trim positions by the clock and bars of a strobe ring. */
import { ownEntry, decimal } from '../../quantity/index.js';
import type { Entry } from './types.js';
import { say } from '../../words/index.js';

const HOURS = ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'];
const HOUR = `(?:${HOURS.join('|')}|1[0-2]|[1-9])`;
const SPOKEN = new RegExp(
  `^(?:(half|quarter|five|ten|twenty|twenty[- ]five)\\s+)?(past|to)\\s+(${HOUR})$|^(${HOUR})\\s*o'?\\s?clock$`,
  'i',
);
const MINUTES: Readonly<Record<string, number>> = {
  half: 30,
  quarter: 15,
  five: 5,
  ten: 10,
  twenty: 20,
  'twenty-five': 25,
  'twenty five': 25,
};

/** "half past ten" is 10:30, "quarter to two" 1:45, "ten o'clock" 10:00; null when it is no clock position. */
function clockIn(text: string): string | null {
  const plain = text
    .trim()
    .toLowerCase()
    .replace(/^(?:at|to|now|stood at|stands at)\s+/, '');
  const digits = /^(\d{1,2}):(\d{2})$/.exec(plain);
  if (digits) {
    const [hour, minute] = [Number(digits[1]), Number(digits[2])];
    return hour >= 1 && hour <= 12 && minute <= 59 ? at(hour, minute) : null;
  }
  const match = SPOKEN.exec(plain);
  if (!match) return null;
  if (match[4]) return at(hourOf(match[4]), 0);
  const minutes = ownEntry(MINUTES, (match[1] ?? '').toLowerCase());
  if (minutes === undefined) return null;
  const hour = hourOf(match[3] as string);
  return match[2]?.toLowerCase() === 'past' ? at(hour, minutes) : at(hour === 1 ? 12 : hour - 1, 60 - minutes);
}

const hourOf = (word: string): number => HOURS.indexOf(word.toLowerCase()) + 1 || Number(word);
const at = (hour: number, minute: number): string => `${hour}:${String(minute).padStart(2, '0')}`;

const TRIM =
  /^(?:the\s+)?(?:trim(?:mer|pot)?\s*(?:of\s+)?(\d{2}(?:\.\d+)?)?|(\d{2}(?:\.\d+)?)\s*trim(?:mer|pot)?)\s*[:=]?\s*(.*)$/i;

/** "trim33 10:30", "33 trim half past ten", "half past ten"; null when it is no trim. */
export function trimIn(line: string, speedIds: readonly string[]): Entry | null {
  const plain = line.trim();
  const from = line.indexOf(plain);
  const alone = /[a-z]/i.test(plain) || /^\d{1,2}:\d{2}$/.test(plain) ? clockIn(plain) : null;
  if (alone !== null) return { kind: 'trim', speedId: null, clock: alone };
  const match = TRIM.exec(plain);
  if (!match) return null;
  const speedId = match[1] ?? match[2] ?? null;
  const rest = (match[3] as string).trim();
  const clock = clockIn(rest);
  if (speedId === null && clock === null) return null;
  if (speedId !== null && !speedIds.includes(speedId)) return unknownSpeed(line, speedId);
  if (clock !== null) return { kind: 'trim', speedId, clock };
  if (speedId !== null && match[1] !== undefined && !/[a-z]{3}/i.test(rest)) {
    const range = /^\d{1,2}:\d{2}$/.test(rest);
    const tail = rest === '' ? from : line.lastIndexOf(rest);
    const message = range
      ? say`clock positions run from 1:00 to 12:59`
      : say`write the position as on a clock, facing the screw: trim33 10:30`;
    return { kind: 'bad', from: tail, to: from + plain.length, message };
  }
  return null;
}

const STROBE =
  /^(\d{2}(?:\.\d+)?)\s*[:,]?\s*(?:(still|stands? still|steady)|(\d+(?:[.,]\d+)?)\s*bars?\s+(?:to\s+the\s+)?(left|right)(?:\s+(?:on\s+the\s+)?(near|far)(?:\s+(?:edge|side))?)?\s+in\s+(\d+(?:[.,]\d+)?)\s*(?:s|sec|seconds?))$/i;

/** "33: 12 bars left near in 10 s", "33: still". */
export function strobeIn(line: string, speedIds: readonly string[]): Entry | null {
  const trimmed = line.trim();
  if (!/^\d{2}(\.\d+)?\s*(?::\s*(still|stands?|steady)|[:,]?\s*\d+([.,]\d+)?\s*bars?)/i.test(trimmed)) return null;
  const match = STROBE.exec(trimmed);
  const from = line.indexOf(trimmed);
  const refuse = (start: number, message: string): Entry => ({
    kind: 'bad',
    from: start,
    to: from + trimmed.length,
    message,
  });
  if (!match)
    return refuse(from + trimmed.indexOf(':') + 1, say`write it as 33: 12 bars left near in 10 s, or 33: still`);
  const [, speedId, still, bars, direction, edge, over] = match;
  if (!speedIds.includes(speedId as string)) return unknownSpeed(line, speedId as string);
  if (still) return { kind: 'strobe', speedId: speedId as string, bars: 0, direction: 'still', edge: null, overS: 0 };
  const overS = decimal(over as string);
  if (overS <= 0) return refuse(from, say`count for some seconds, at least 5`);
  return {
    kind: 'strobe',
    speedId: speedId as string,
    bars: decimal(bars as string),
    direction: (direction as string).toLowerCase() as 'left' | 'right',
    edge: edge ? (edge.toLowerCase() as 'near' | 'far') : null,
    overS,
  };
}

function unknownSpeed(line: string, speedId: string): Entry {
  const from = line.indexOf(speedId);
  return { kind: 'bad', from, to: from + speedId.length, message: say`this unit has no speed ${speedId}` };
}
