/** From a line understood to the lines kept in the log. */
import { ownEntry } from '../quantity/index.js';
import { PATHS, type FamilySpeed } from '../families/index.js';
import { capital, speedWords, valueWords, whereWords } from './describe.js';
import { shares, type Entry, type EntryReading } from './entry/index.js';
import { WORK_WORDS, type EventBody, type ReadingBody } from './event.js';
import { signalAt } from './find/places.js';
import type { OpenEnd } from './ledger/index.js';
import { endWords } from './ledger/index.js';
import { workSaid } from './workSaid.js';
import { speedFromReading, speedFromStrobe, type ToneSource } from './speedReading.js';
import { said, say } from '../words/index.js';

/** The prompt a line may answer. */
export interface PromptAsked {
  readonly testId: string | null;
  readonly name: string;
  readonly place: string | null;
  readonly unit: string | null;
  /** Read otherwise than direct; absent for the usual way. */
  readonly by?: 'volts-ac' | 'scope' | undefined;
}

/** What a typed line may lean on. */
export interface EntryContext {
  readonly familyId: string;
  readonly speeds: readonly FamilySpeed[];
  /** The speed meant when the line names none: the one selected on the screen. */
  readonly presentSpeedId: string | null;
  readonly source: ToneSource | null;
  readonly mainsHz: number;
  /** Answers a reading typed without a place. */
  readonly prompt: PromptAsked | null;
  readonly holdKey: string | null;
  readonly open: readonly OpenEnd[];
}

/** The log lines of an entry; none for what cannot be kept yet (empty, bad, a question still open, going live). */
export function linesFromEntry(entry: Entry, text: string, context: EntryContext): EventBody[] {
  switch (entry.kind) {
    case 'empty':
    case 'bad':
    case 'ask':
    case 'ask-place':
      return [];
    case 'note':
      return [{ kind: 'note', text: entry.text }];
    case 'ordered':
      return [{ kind: 'note', text: say`ordered: ${entry.what}` }];
    case 'work':
      return [workSaid(context.familyId, entry)];
    case 'trim': {
      const speed = entry.speedId ?? meantSpeed(context);
      const what = say`trim${speed === null ? '' : ` ${speed}`} to ${entry.clock}, facing the screw`;
      return [workSaid(context.familyId, { action: 'adjust', what })];
    }
    case 'ends':
      return [
        ...(entry.work ? [workSaid(context.familyId, entry.work)] : []),
        ...entry.ends.map(({ what, how }): EventBody => ({
          kind: 'open-end',
          what,
          how,
          usualId: null,
          stepKey: null,
          moveKey: null,
        })),
      ];
    case 'closed': {
      const meant = context.open.filter(({ end }) => shares(end.what, entry.what));
      if (meant.length === 0) return [{ kind: 'note', text }];
      return meant.map(({ key }) => ({ kind: 'close', target: key, how: text }));
    }
    case 'power':
      // Going live is asked through the gate.
      return entry.on ? [] : [{ kind: 'power', state: entry.pack ? 'pack-out' : 'unplugged-unknown', conditions: [] }];
    case 'start-volts':
      return [{ kind: 'start-volts', volts: entry.volts, start: 'first' }];
    case 'timer':
      return [{ kind: 'timer', timer: entry.timer, label: '', minutes: entry.minutes }];
    case 'answer': {
      const { testId, name, outcome, words } = entry;
      return [{ kind: 'answer', testId, name, outcome, words, value: null, unit: null }];
    }
    case 'strobe': {
      const speed = speedOf(context, entry.speedId);
      const line = speed && speedFromStrobe(entry, text, speed, context.mainsHz);
      return [line ?? { kind: 'note', text: say`${text} (unfinished: say which edge, near or far)` }];
    }
    case 'readings':
      return entry.readings.map((one) => readingLine(one, text, context));
    case 'reading':
      return [readingLine(entry, text, context)];
  }
}

/** The speed meant when the line names none: that of the test asked, else the one selected on the screen. */
function meantSpeed({ prompt, familyId, speeds, presentSpeedId }: EntryContext): string | null {
  const test = PATHS.get(familyId)?.tests.find((one) => one.id === prompt?.testId);
  const asked = test && ownEntry(test.context, 'speed');
  return asked !== undefined && speeds.some(({ id }) => id === asked) ? asked : presentSpeedId;
}

function readingLine(entry: EntryReading, text: string, context: EntryContext): EventBody {
  const answer = promptAnswer(entry, context);
  if (answer) return answer;
  const speed = speedOf(context, entry.speedId ?? meantSpeed(context));
  const asked = context.prompt?.place ?? null;
  const line = speed && asked === null ? speedFromReading(entry, text, speed, context.source) : null;
  return line ?? readingBody(entry, text, context);
}

/** A plain value without a place answers the test asked, in its own unit and under its own condition. */
function promptAnswer(entry: EntryReading, { prompt, familyId }: EntryContext): EventBody | null {
  const value = entry.values[0];
  if (prompt?.testId == null || prompt.unit === null || entry.unit !== prompt.unit) return null;
  if (entry.place !== null || entry.speedId !== null || entry.values.length !== 1 || entry.bound !== 'exact')
    return null;
  const measured = PATHS.get(familyId)?.tests.find((one) => one.id === prompt.testId)?.signal ?? null;
  if (value === undefined || measured === null) return null;
  return {
    kind: 'answer',
    testId: prompt.testId,
    name: prompt.name,
    outcome: null,
    words: '',
    value,
    unit: prompt.unit,
  };
}

function readingBody(entry: EntryReading, text: string, context: EntryContext): ReadingBody {
  const { values, unit, bound, speedId, condition } = entry;
  return {
    kind: 'reading',
    text,
    values,
    unit,
    qualifier: entry.qualifier ?? (unit === 'V' ? 'dc' : null),
    bound,
    place: entry.place ?? context.prompt?.place ?? null,
    speedId,
    condition,
    holdKey: context.holdKey,
  };
}

/** A named speed, or the first where none is selected; a speed this unit has not is none. */
const speedOf = (context: EntryContext, id: string | null): FamilySpeed | null =>
  context.speeds.find((speed) => speed.id === id) ?? (id === null ? (context.speeds[0] ?? null) : null);

/** What Enter will do with the line, exactly: a speed shows the figure that is filed. */
export function entryPreview(entry: Entry, text: string, context: EntryContext): string {
  switch (entry.kind) {
    case 'empty':
      return '';
    case 'bad':
      return entry.message;
    case 'ask':
      return `${valueWords(entry.readings[0])} or ${valueWords(entry.readings[1])}?`;
    case 'ask-place':
      return `${valueWords(entry.reading)} at ${entry.near.map((name) => `${name}?`).join(' ')}`;
    case 'power':
      return entry.on
        ? say`power on: asked through the gate`
        : entry.pack
          ? say`power: pack out`
          : say`power: unplugged`;
    default: {
      const fresh = entry.kind === 'reading' && entry.newPlace ? say`, a new place` : '';
      return `${linesFromEntry(entry, text, context)
        .map((body) => bodyPreview(body, context))
        .join('; ')}${fresh}`;
    }
  }
}

function bodyPreview(body: EventBody, context: EntryContext): string {
  switch (body.kind) {
    case 'speed':
      return say`speed ${body.speedId}:
        ${speedWords(body)}${body.condition ? `, ${said(body.condition)}` : ''}${body.sourceName ? say`, on ${body.sourceName}` : ''}`;
    case 'reading':
      return `${valueWords(body)}, ${whereWords(body)}${tonelessHz(body)}`;
    case 'answer':
      return `${capital(body.name)}: ${body.value === null ? body.words : valueWords({ values: [body.value], unit: body.unit, qualifier: null, bound: 'exact' })}`;
    case 'open-end':
      return say`open end: ${endWords(body)}`;
    case 'close': {
      const end = context.open.find((one) => one.key === body.target);
      return say`closes: ${end?.end.what ?? ''}`;
    }
    case 'work':
      return say`work done:
        ${body.action === 'adjust' && body.what.startsWith('trim') ? body.what : `${WORK_WORDS[body.action]} ${body.what}`}${body.reach === 'circuit' ? say`, in the circuit` : ''}`;
    case 'start-volts':
      return say`starts at ${body.volts}\u202fV`;
    case 'timer':
      return say`starts a timer: ${body.timer},
        ${body.minutes < 120 ? `${Number(body.minutes.toFixed(1))} min` : `${Number((body.minutes / 60).toFixed(1))} h`}`;
    case 'note':
      return body.text.startsWith(say`ordered: ${''}`) ? say`a note, ${body.text}` : say`a note`;
    default:
      return body.kind;
  }
}

/** A frequency that could be a tone but has no record or tape to stand against. */
const tonelessHz = (body: ReadingBody): string =>
  body.unit === 'Hz' && body.place === null
    ? say` (for a speed choose the test record or tape, or type 3150 gives 3012)`
    : '';

/** Why a kept reading moves no suspect; null when it does, or is none. */
export function bearsOnNothing(body: EventBody, familyId: string): string | null {
  if (body.kind !== 'reading') return null;
  const path = PATHS.get(familyId);
  if (!path) return say`bears on no suspect: this family has no drive path yet`;
  if (body.place === null) return say`bears on no suspect until it has a place`;
  if (signalAt(path, body, body.place)) return null;
  return say`bears on no suspect: the path measures no ${body.unit ?? say`value`} at ${body.place}`;
}
