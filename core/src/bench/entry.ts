/**
 * The entry line: one line of typing understood before it is kept. A reading with its place and
 * conditions, a trim position, a strobe count, work done, or a note; never a silent guess.
 */
import { looksLikeValue, readUnit, readValue, type Bound, type Qualifier } from '../quantity/index.js';
import type { WorkAction } from './event.js';

export interface EntryReading {
  readonly kind: 'reading';
  readonly values: readonly number[];
  readonly unit: string | null;
  readonly qualifier: Qualifier | null;
  readonly bound: Bound;
  readonly place: string | null;
  readonly speedId: string | null;
  readonly condition: 'cold' | 'warm' | null;
}

export interface EntryStrobe {
  readonly kind: 'strobe';
  readonly speedId: string;
  readonly bars: number;
  readonly direction: 'left' | 'right' | 'still';
  /** Which edge of the platter was looked at; without it left and right say nothing yet. */
  readonly edge: 'near' | 'far' | null;
  readonly overS: number;
}

export type Entry =
  | { readonly kind: 'empty' }
  | EntryReading
  | EntryStrobe
  | { readonly kind: 'trim'; readonly speedId: string; readonly clock: string }
  | { readonly kind: 'work'; readonly action: WorkAction; readonly what: string }
  | { readonly kind: 'note'; readonly text: string }
  | { readonly kind: 'ask'; readonly readings: readonly [EntryReading, EntryReading] }
  | { readonly kind: 'bad'; readonly from: number; readonly to: number; readonly message: string };

const WORK_VERBS: Readonly<Record<string, WorkAction>> = {
  cleaned: 'clean',
  washed: 'clean',
  oiled: 'oil',
  greased: 'oil',
  lubricated: 'oil',
  adjusted: 'adjust',
  trimmed: 'adjust',
  set: 'adjust',
  replaced: 'replace',
  renewed: 'replace',
  fitted: 'replace',
  swapped: 'replace',
  repaired: 'repair',
  soldered: 'repair',
  resoldered: 'repair',
  glued: 'repair',
  tightened: 'repair',
};

const TRIM = /^trim\s*(\d+(?:\.\d+)?)\s+(\d{1,2}):(\d{2})$/i;
const STROBE =
  /^(\d{2}(?:\.\d+)?):\s*(?:(still)|(\d+(?:[.,]\d+)?)\s*bars?\s+(left|right)(?:\s+(near|far))?\s+in\s+(\d+(?:[.,]\d+)?)\s*s)$/i;

interface Token {
  readonly text: string;
  readonly from: number;
  readonly to: number;
}

/** Understands `line` for a unit whose speeds have the ids `speedIds` ("33", "45"). Pure and total. */
export function parseEntry(line: string, speedIds: readonly string[]): Entry {
  const trimmed = line.trim();
  if (trimmed === '') return { kind: 'empty' };
  return (
    parseTrim(line, trimmed, speedIds) ??
    parseStrobe(line, trimmed, speedIds) ??
    parseWork(trimmed) ??
    parseReading(line, speedIds) ?? { kind: 'note', text: trimmed }
  );
}

function parseTrim(line: string, trimmed: string, speedIds: readonly string[]): Entry | null {
  if (!/^trim\s*\d/i.test(trimmed)) return null;
  const match = TRIM.exec(trimmed);
  const from = line.indexOf(trimmed);
  if (!match) {
    const tail = trimmed.search(/\s/) < 0 ? 0 : trimmed.search(/\s/) + 1;
    return {
      kind: 'bad',
      from: from + tail,
      to: from + trimmed.length,
      message: 'write the position as on a clock, facing the screw: trim33 10:30',
    };
  }
  const [, speedId, hour, minute] = match as unknown as [string, string, string, string];
  if (!speedIds.includes(speedId)) return unknownSpeed(line, speedId);
  if (Number(hour) < 1 || Number(hour) > 12 || Number(minute) > 59) {
    const at = line.lastIndexOf(hour + ':');
    return { kind: 'bad', from: at, to: line.trimEnd().length, message: 'clock positions run from 1:00 to 12:59' };
  }
  return { kind: 'trim', speedId, clock: `${Number(hour)}:${minute}` };
}

function parseStrobe(line: string, trimmed: string, speedIds: readonly string[]): Entry | null {
  if (!/^\d{2}(\.\d+)?:\s*(still|\d+([.,]\d+)?\s*bars?)/i.test(trimmed)) return null;
  const match = STROBE.exec(trimmed);
  const from = line.indexOf(trimmed);
  if (!match) {
    const at = trimmed.indexOf(':') + 1;
    return {
      kind: 'bad',
      from: from + at,
      to: from + trimmed.length,
      message: 'write it as 33: 12 bars left near in 10 s, or 33: still',
    };
  }
  const [, speedId, still, bars, direction, edge, over] = match;
  if (!speedIds.includes(speedId as string)) return unknownSpeed(line, speedId as string);
  if (still) return { kind: 'strobe', speedId: speedId as string, bars: 0, direction: 'still', edge: null, overS: 0 };
  const overS = decimal(over as string);
  if (overS <= 0)
    return { kind: 'bad', from, to: from + trimmed.length, message: 'count for some seconds, at least 5' };
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
  return { kind: 'bad', from, to: from + speedId.length, message: `this unit has no speed ${speedId}` };
}

function parseWork(trimmed: string): Entry | null {
  const [verb, ...rest] = trimmed.split(/\s+/);
  const action = WORK_VERBS[(verb as string).toLowerCase()];
  return action && rest.length > 0 ? { kind: 'work', action, what: rest.join(' ') } : null;
}

/** A reading, an ask, a refusal, or null when the line is plain words. */
function parseReading(line: string, speedIds: readonly string[]): Entry | null {
  const at = line.indexOf('@');
  const head = tokens(at < 0 ? line : line.slice(0, at), 0);
  const tail = at < 0 ? [] : tokens(line.slice(at + 1), at + 1);
  const first = head[0];
  if (!first || !looksLikeValue(first.text)) {
    if (at < 0) return null;
    return first
      ? null
      : { kind: 'bad', from: 0, to: at + 1, message: 'a value comes before the place, as in 27.5V @reservoir' };
  }
  const { rest: headRest, ...conditions } = takeConditions(head, tail.length === 0 ? speedIds : []);
  const after = takeConditions(tail, speedIds);
  const place = after.rest.map((token) => token.text).join(' ') || null;
  if (at >= 0 && !place) return { kind: 'bad', from: at, to: line.length, message: 'name the place after @' };
  const values = readValues(headRest, at >= 0);
  if (values === null) return null;
  if (values.kind === 'bad') return values;
  const extra = {
    place,
    speedId: after.speedId ?? conditions.speedId,
    condition: after.condition ?? conditions.condition,
  };
  if (values.kind === 'ask') {
    const make = (value: number): EntryReading => ({ ...values.base, values: [value], ...extra });
    return { kind: 'ask', readings: [make(values.asDecimal), make(values.asThousands)] };
  }
  return { ...values.reading, ...extra };
}

type Values =
  | { readonly kind: 'values'; readonly reading: EntryReading }
  | { readonly kind: 'ask'; readonly asDecimal: number; readonly asThousands: number; readonly base: EntryReading }
  | { readonly kind: 'bad'; readonly from: number; readonly to: number; readonly message: string };

const BLANK: EntryReading = {
  kind: 'reading',
  values: [],
  unit: null,
  qualifier: null,
  bound: 'exact',
  place: null,
  speedId: null,
  condition: null,
};

/** One value or a row of values of one unit; null when words follow, so that it is a note. */
function readValues(words: readonly Token[], mustBeReading: boolean): Values | null {
  const joined = joinUnits(words);
  const values: number[] = [];
  let unit: string | null = null;
  let qualifier: Qualifier | null = null;
  let bound: Bound = 'exact';
  for (const word of joined) {
    if (!looksLikeValue(word.text)) {
      return mustBeReading
        ? { kind: 'bad', from: word.from, to: word.to, message: `“${word.text}” is no unit known here` }
        : null;
    }
    const read = readValue(word.text);
    if (read.kind === 'bad') return { ...read, from: word.from + read.from, to: word.from + read.to };
    if (read.kind === 'ask') return askFor(joined, word, read);
    if (unit !== null && read.unit !== null && read.unit !== unit) {
      return { kind: 'bad', from: word.from, to: word.to, message: `one line holds one unit: ${unit} or ${read.unit}` };
    }
    if (read.value !== null) values.push(read.value);
    unit = read.unit ?? unit;
    qualifier = read.qualifier ?? qualifier;
    if (read.bound !== 'exact') bound = read.bound;
  }
  if (unit === null && bound === 'exact') {
    return {
      kind: 'bad',
      from: joined[0]?.from ?? 0,
      to: joined[joined.length - 1]?.to ?? 0,
      message: 'add the unit, as in 47V or 4k7',
    };
  }
  if (unit === null && !mustBeReading && joined.length === 1 && !/^[<>+\-−.,\d]+$/.test(joined[0]?.text ?? ''))
    return null;
  const scaled = unit === null ? null : commonScale(joined, values);
  return { kind: 'values', reading: { ...BLANK, values: scaled ?? values, unit, qualifier, bound } };
}

function askFor(
  joined: readonly Token[],
  word: Token,
  read: { asDecimal: number; asThousands: number; rest: string },
): Values {
  if (joined.length > 1) {
    return { kind: 'bad', from: word.from, to: word.to, message: 'thousand or decimal? write 1.5 or 1500' };
  }
  const unit = readUnit(read.rest);
  if (!unit) return { kind: 'bad', from: word.from, to: word.to, message: `“${read.rest}” is no unit known here` };
  return {
    kind: 'ask',
    asDecimal: read.asDecimal * unit.scale,
    asThousands: read.asThousands * unit.scale,
    base: { ...BLANK, unit: unit.unit, qualifier: unit.qualifier },
  };
}

/** "2.3 2.3 2.0k": the unit (and prefix) at the end counts for the bare numbers before it. */
function commonScale(words: readonly Token[], values: readonly number[]): number[] | null {
  const bare = words.map((word) => /^[+\-−]?[\d.,]+$/.test(word.text));
  const last = words[words.length - 1]?.text ?? '';
  if (words.length < 2 || bare[words.length - 1] || !bare.slice(0, -1).every(Boolean)) return null;
  const unit = readUnit(last.replace(/^[<>]?[+\-−]?[\d.,]+/, '').trim());
  return unit ? values.map((value, i) => (i === words.length - 1 ? value : value * unit.scale)) : null;
}

/** Joins "12,4 V" into one token when the second word is a unit. */
function joinUnits(words: readonly Token[]): Token[] {
  const out: Token[] = [];
  for (const word of words) {
    const before = out[out.length - 1];
    const bare = before !== undefined && /^[<>]?[+\-−]?[\d.,]+$/.test(before.text);
    if (bare && readUnit(word.text) && !looksLikeValue(word.text)) {
      out[out.length - 1] = { text: `${before.text} ${word.text}`, from: before.from, to: word.to };
    } else if (before && (before.text === '>' || before.text === '<')) {
      out[out.length - 1] = { text: before.text + word.text, from: before.from, to: word.to };
    } else out.push(word);
  }
  return out;
}

/** Takes cold, warm and a known speed off the end of a row of words. */
function takeConditions(words: readonly Token[], speedIds: readonly string[]) {
  const rest = [...words];
  let speedId: string | null = null;
  let condition: 'cold' | 'warm' | null = null;
  for (;;) {
    const last = rest[rest.length - 1]?.text.toLowerCase();
    if ((last === 'cold' || last === 'warm') && !condition && rest.length > 1) condition = last;
    else if (last && speedIds.includes(last) && !speedId && rest.length > 1) speedId = last;
    else return { rest, speedId, condition };
    rest.pop();
  }
}

function tokens(text: string, offset: number): Token[] {
  return [...text.matchAll(/\S+/g)].map((match) => ({
    text: match[0],
    from: offset + match.index,
    to: offset + match.index + match[0].length,
  }));
}

const decimal = (text: string): number => Number(text.replace(',', '.'));
