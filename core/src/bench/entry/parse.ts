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

/** Understands `line` for a unit; places of a refusal are places in `line`. */
export function parseEntry(line: string, given: Partial<EntryKnown> & Pick<EntryKnown, 'speedIds'>): Entry {
  const known: EntryKnown = { ...NOTHING_KNOWN, ...given };
  const plain = plainSigns(line);
  const text = plain.trim();
  if (text === '') return { kind: 'empty' };
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
