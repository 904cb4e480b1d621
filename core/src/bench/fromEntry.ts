/** From a line understood to the line kept in the log. */
import type { FamilySpeed } from '../families/index.js';
import type { Entry, EntryReading } from './entry.js';
import type { EventBody, ReadingBody } from './event.js';
import { speedFromReading, speedFromStrobe, type ToneSource } from './speedReading.js';

/** What a typed line may lean on. */
export interface EntryContext {
  readonly speeds: readonly FamilySpeed[];
  /** The speed meant when the line names none: the one selected on the screen. */
  readonly presentSpeedId: string | null;
  readonly source: ToneSource | null;
  readonly mainsHz: number;
  /** Place asked for by the present prompt; answers a reading typed without a place. */
  readonly promptPlace: string | null;
  readonly holdKey: string | null;
}

/** The log line for an entry; null for what cannot be kept yet (empty, bad, a question still open). */
export function eventFromEntry(entry: Entry, text: string, context: EntryContext): EventBody | null {
  switch (entry.kind) {
    case 'empty':
    case 'bad':
    case 'ask':
      return null;
    case 'note':
      return { kind: 'note', text: entry.text };
    case 'work':
      return { kind: 'work', action: entry.action, what: entry.what };
    case 'trim':
      return { kind: 'work', action: 'adjust', what: `trim ${entry.speedId} to ${entry.clock}, facing the screw` };
    case 'strobe': {
      const speed = speedOf(context, entry.speedId);
      const line = speed && speedFromStrobe(entry, text, speed, context.mainsHz);
      return line ?? { kind: 'note', text: `${text} (unfinished: say which edge, near or far)` };
    }
    case 'reading':
      return readingEvent(entry, text, context);
  }
}

function readingEvent(entry: EntryReading, text: string, context: EntryContext): EventBody {
  const speed = speedOf(context, entry.speedId ?? context.presentSpeedId);
  const line = speed && context.promptPlace === null ? speedFromReading(entry, text, speed, context.source) : null;
  return line ?? readingBody(entry, text, context);
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
    place: entry.place ?? context.promptPlace,
    speedId,
    condition,
    holdKey: context.holdKey,
  };
}

const speedOf = (context: EntryContext, id: string | null): FamilySpeed | null =>
  context.speeds.find((speed) => speed.id === id) ?? (id === null ? (context.speeds[0] ?? null) : null);
