/** What was done to the unit: power, work, ends opened and closed, timers, orders. */
import { ownEntry, decimal } from '../../quantity/index.js';
import { saidClosed, saidEnds } from '../ledger/index.js';
import { minutesIn, type TimerKind } from '../timers/index.js';
import type { WorkAction } from '../event.js';
import type { Entry } from './types.js';

const WORK_VERBS: Readonly<Record<string, WorkAction>> = {
  cleaned: 'clean',
  washed: 'clean',
  wiped: 'clean',
  demagnetised: 'clean',
  oiled: 'oil',
  greased: 'oil',
  lubricated: 'oil',
  adjusted: 'adjust',
  trimmed: 'adjust',
  aligned: 'adjust',
  set: 'adjust',
  replaced: 'replace',
  renewed: 'replace',
  fitted: 'replace',
  changed: 'replace',
  swapped: 'replace',
  recapped: 'replace',
  repaired: 'repair',
  mended: 'repair',
  soldered: 'repair',
  resoldered: 'repair',
  reflowed: 'repair',
  glued: 'repair',
  tightened: 'repair',
  bent: 'repair',
};

/** Not done: asked, planned or denied. */
const NOT_DONE =
  /\b(?:not|never|needs?|to be|should|will|must|want(?:s|ed)?|could|would|cannot|without)\b|n[o']t\b|\?$/i;
/** Words that tell a story: then it is a note. */
const STORY =
  /\b(?:customer|owner|somebody|someone|says|said|he|she|they|years? ago|before|because|when|after|until)\b/i;

/** "cleaned the pot", "belt replaced", "new belt fitted". */
export function workIn(text: string): Entry | null {
  const words = text.split(/\s+/);
  if (words.length < 2 || NOT_DONE.test(text)) return null;
  const first = ownEntry(WORK_VERBS, (words[0] as string).toLowerCase());
  if (first) return { kind: 'work', action: first, what: words.slice(1).join(' ') };
  if (STORY.test(text) || words.length > 8) return null;
  const last = (words[words.length - 1] as string).toLowerCase().replace(/[.!]$/, '');
  const action = last === 'set' || last === 'bent' ? undefined : ownEntry(WORK_VERBS, last);
  const what = words
    .slice(0, -1)
    .join(' ')
    .replace(/\s+(?:was|were|is|are|has been|have been|got|now)$/i, '');
  return action && what !== '' ? { kind: 'work', action, what } : null;
}

const OFF =
  /^(?:it(?:'s| is)?\s+|now\s+|all\s+)?(?:unplugged|plug\s+(?:is\s+)?(?:out|pulled)|pulled\s+the\s+plug|mains\s+(?:off|out)|off\s+and\s+unplugged|power\s+off|unplugged\s+now)(?:\s+now|\s+again)?[.!]?$/i;
const ON =
  /^(?:it(?:'s| is)?\s+|now\s+)?(?:plugged\s+in|switched\s+on|powered(?:\s+up|\s+on)?|power\s+on|live|live\s+now|mains\s+on|on\s+now)(?:\s+now|\s+again)?[.!]?$/i;
const PACK = /^(?:the\s+)?(?:pack|battery)\s+(?:is\s+)?(out|off|in|on|removed|fitted)(?:\s+now)?[.!]?$/i;

/** "unplugged", "plugged in", "pack out". Going live is asked through the gate, never done by a line. */
export function powerIn(text: string): Entry | null {
  if (OFF.test(text)) return { kind: 'power', on: false, pack: false };
  if (ON.test(text)) return { kind: 'power', on: true, pack: false };
  const pack = PACK.exec(text);
  if (!pack) return null;
  return { kind: 'power', on: /^(?:in|on|fitted)$/i.test(pack[1] as string), pack: true };
}

const LEFT = /^(\d{1,3}|a|one|two|three|four|five)\s+(.{2,40}?)\s+(?:is |are )?left(?:\s+over)?[.!]?$/i;
const OVER = /^left\s+over:?\s+(.{2,60})$/i;

/** Ends opened ("unsoldered motor red"), things left over, and ends closed again. */
export function endsIn(text: string, open: readonly string[]): Entry | null {
  const left = LEFT.exec(text);
  if (left && /screw|bolt|nut|washer|spring|clip|part|foot|feet|pin|spacer|ring|piece/i.test(left[2] as string))
    return { kind: 'ends', ends: [{ what: `${left[1]} ${left[2]}`, how: 'left over' as const }], work: null };
  const over = OVER.exec(text);
  if (over) return { kind: 'ends', ends: [{ what: over[1] as string, how: 'left over' as const }], work: null };
  if (/\?$/.test(text) || /\b(?:needs?|to be|should|will|must|why|if)\b/i.test(text)) return null;
  const closed = saidClosed(text);
  if (closed !== null && open.some((one) => shares(one, closed))) return { kind: 'closed', what: closed };
  const ends = saidEnds(text);
  return ends.length > 0 ? { kind: 'ends', ends, work: workBeside(text) } : null;
}

/** What was done, in the clauses that open no end. */
function workBeside(text: string): { readonly action: WorkAction; readonly what: string } | null {
  const clauses = text.split(/[,;]\s*|\s+and\s+/i);
  const at = clauses.findIndex((clause) => saidEnds(clause).length > 0);
  const before = workIn(clauses.slice(0, Math.max(0, at)).join(', '));
  return before?.kind === 'work' ? { action: before.action, what: before.what } : null;
}

/** Do an open end and what was said to be closed share a word that tells it? */
export function shares(open: string, said: string): boolean {
  const words = (text: string) =>
    text
      .toLowerCase()
      .split(/[^\p{L}\d]+/u)
      .filter((one) => one.length > 2);
  const own = new Set(words(open));
  return words(said).some((word) => own.has(word));
}

const TIMERS: readonly (readonly [RegExp, TimerKind])[] = [
  [/\bsoak(?:ing)?\b/i, 'soak'],
  [/\brun(?:ning)?[- ]?in\b/i, 'run-in'],
  [/\bcur(?:e|ing)\b|\bglue\s+(?:sets?|setting)\b/i, 'cure'],
  [/\bwarm(?:ing)?[- ]?up\b/i, 'warm-up'],
  [/\bdischarge\b|\bbleed\b/i, 'discharge'],
];

/** "30 min soak", "soak 12 h", "cure overnight": a timer. */
export function timerIn(text: string): Entry | null {
  const kind = TIMERS.find(([pattern]) => pattern.test(text));
  if (!kind) return null;
  const rest = text
    .replace(kind[0], ' ')
    .replace(/\b(?:for|started?|starts?|start|timer|a|an|of|test|now)\b|(?<!\d)[:,]|[:,](?!\d)/gi, (word) =>
      /^(?:a|an)$/i.test(word) ? `${word} ` : ' ',
    )
    .replace(/\s+/g, ' ')
    .trim()
    .replace(/^an? (?=\d)/, '');
  const minutes = minutesIn(rest);
  return minutes === null ? null : { kind: 'timer', timer: kind[1], minutes };
}

const ORDERED = /^(?:ordered|on order:?|sent for)\s+(.+)$|^(.+?)\s+(?:is\s+|are\s+)?(?:ordered|on order)[.!]?$/i;

/** "ordered belt", "belt on order". */
export function orderIn(text: string): Entry | null {
  const match = ORDERED.exec(text);
  const what = (match?.[1] ?? match?.[2] ?? '').trim();
  return match && what !== '' && what.split(/\s+/).length <= 8 && !STORY.test(text) ? { kind: 'ordered', what } : null;
}

const STARTS =
  /^(?:it\s+)?(?:starts?|started|begins?\s+to\s+turn|turns?)\s+(?:up\s+)?(?:at|from)\s+([\d.,]+)\s*(?:v|volts?)(?:\s+on\s+the\s+variable\s+transformer|\s+on\s+the\s+variac)?$/i;

/** "starts at 60 V": brought up on a variable transformer. */
export function startVoltsIn(text: string): Entry | null {
  const match = STARTS.exec(text);
  const volts = match ? decimal(match[1] as string) : Number.NaN;
  return volts > 0 && volts <= 1000 ? { kind: 'start-volts', volts } : null;
}
