/**
 * The entry line hears a repairer: one line of typing understood before it is kept. Pure and total;
 * never a silent guess: what is in doubt is asked, what is plain words stays a note.
 */
import { plainSigns } from '../../quantity/index.js';
import { answerOf } from './answers.js';
import { endsIn, orderIn, powerIn, startVoltsIn, timerIn, workIn } from './doing.js';
import { readingIn } from './reading.js';
import { symptomIn } from './symptoms.js';
import { strobeIn, trimIn } from './turning.js';
import { NOTHING_KNOWN, type Entry, type EntryKnown } from './types.js';
import { say } from '../../words/index.js';

/** Understands `line` for a unit; places of a refusal are places in `line`. */
export function parseEntry(line: string, given: Partial<EntryKnown> & Pick<EntryKnown, 'speedIds'>): Entry {
  const known: EntryKnown = { ...NOTHING_KNOWN, ...given };
  const plain = plainSigns(line);
  const text = plain.trim();
  if (text === '') return { kind: 'empty' };
  if (text.length > LONGEST.note) return tooMuch(line, say`a line holds at most ${LONGEST.note} signs: split it`);
  // Nobody types a reading this long: it is a story.
  if (text.length > LONGEST.read) return { kind: 'note', text: line.trim() };
  const power = POWER_OF_TEN.exec(plain);
  if (power) {
    const from = power.index + (power[1] ?? '').length;
    const to = Math.min(line.length, power.index + power[0].length);
    return { kind: 'bad', from, to, message: say`write it without a power of ten, as in 150nF or 4k7` };
  }
  return storable(line, understood(line, plain, text, known));
}

/** "1.5e-7F": taken apart it would read as 7 F. */
const POWER_OF_TEN = /(^|\s)\d+(?:[.,]\d+)?e[-+]?\d{1,3}\s*[a-zµΩ%]+/i;

/** Signs up to which a line is read as more than a note, and up to which it can be kept at all. */
const LONGEST = { read: 300, note: 4000 } as const;
/** Values on one line, the largest value and the longest timer that a log line holds. */
const MOST = { values: 64, size: 1e15, timerMin: 60 * 24 * 60 } as const;

const tooMuch = (line: string, message: string): Entry => ({ kind: 'bad', from: 0, to: line.length, message });

/** What the log cannot hold is refused here, in words, and never by the server. */
function storable(line: string, entry: Entry): Entry {
  const readings =
    entry.kind === 'reading'
      ? [entry]
      : entry.kind === 'readings'
        ? entry.readings
        : entry.kind === 'ask'
          ? entry.readings
          : [];
  if (readings.some((one) => one.values.length > MOST.values))
    return tooMuch(line, say`one line holds at most ${MOST.values} values`);
  if (readings.some((one) => one.values.some((value) => !(Math.abs(value) <= MOST.size))))
    return tooMuch(line, say`the value is too large: check the unit and the point`);
  if (entry.kind === 'timer' && entry.minutes > MOST.timerMin)
    return tooMuch(line, say`a timer runs for at most 60 days`);
  return entry;
}

function understood(line: string, plain: string, text: string, known: EntryKnown): Entry {
  return (
    promptAnswer(text, known) ??
    powerIn(text) ??
    trimIn(plain, known.speedIds) ??
    strobeIn(plain, known.speedIds) ??
    startVoltsIn(text) ??
    orderIn(text) ??
    timerIn(text) ??
    endsIn(text, known.open) ??
    workIn(text) ??
    readingIn(plain, known) ??
    symptom(text, known) ?? { kind: 'note', text: line.trim() }
  );
}

const promptAnswer = (text: string, { path, prompt }: EntryKnown): Entry | null =>
  path && prompt?.testId ? answerOf(text, path, prompt.testId) : null;

const symptom = (text: string, { path, speedIds }: EntryKnown): Entry | null =>
  path ? symptomIn(text, path, speedIds) : null;
