/** A line with measures: what was read, where, at which speed, cold or warm; or plain words. */
import { spokenMeasures, type SpokenMeasure, decimal } from '../../quantity/index.js';
import { resolve } from './places.js';
import { BLANK_READING, type Entry, type EntryKnown, type EntryReading } from './types.js';
import { say } from '../../words/index.js';

/** A part by its designator, with a terminal or pins: R12, C3, Q3 b-e, IC2 pin 5, TP4, U-V-W. */
const DESIGNATOR =
  /^(?:(?:[bceadgks]\s?-\s?[bceadgks]\s+)?(?:R|C|L|D|Q|T|TR|VR|RV|P|U|IC|Z|ZD|F|FU|S|SW|K|X|Y|J|CN|TP|BR|M|LP)\d{1,4}(?:\s+(?:[a-z](?:\s?-\s?[a-z])?|pins?\s*\d+(?:\s?-\s?\d+)?|\d+|wiper|cathode|anode|gate|drain|source|base|emitter|collector))?|[UVW](?:\s?-\s?[UVW]){1,2}|[uvw]-[uvw](?:-[uvw])?|pins?\s*\d+(?:\s?-\s?\d+)?(?:\s+(?:of\s+)?[A-Z]{1,3}\d+)?)$/i;

/** The numbers of pins are names. */
const PINS = /\bpins?\s*\d+(?:\s?-\s?\d+)?/gi;

/** Words that make a line a story, whatever numbers stand in it. */
const STORY =
  /\b(?:customer|owner|says?|said|told|then|after|plays?|played|stops?|stopped|when|until|because|but|heard|sounds?|smells?|if|every|sometimes|maybe|perhaps|about|ago|years?|days?|weeks?|turns|minutes? of|wants?|needs?|should|will|ask|call|phone|paid|price|cost|euro|hours? of|must|please|with|from|has|have|had|bought|found|like|only|does|did|not|seems?|looks?|thinks?|screws?|photo|step|see|page|manual|model|serial|no\.|number|x)\b|\?/i;

/** Fillers between a place and its value. */
const FILLER =
  /\b(?:dc|d\.c\.|ac|a\.c\.|at|on|across|over|@|is|was|reads?|reading|measured|measures|shows|i|get|got|the|a|an|now|of|to|volts|resistance|value|ohms?|voltage|ripple|side)\b|[=:;,@()]/gi;

/** Places where a bare number is a length. */
const LENGTHS = /\b(?:brush(?:es)?|gap|height|length|play|depth|clearance|distance)\b/i;

/** Everything but the words of the line itself. */
type Known = EntryKnown;

/** Reading, readings, a question, a refusal; null when the line is plain words. */
export function readingIn(line: string, known: Known): Entry | null {
  const sides = bothSides(line);
  if (sides) return sides;
  const gives = counterIn(line);
  if (gives) return withSpeed(gives.reading, gives.rest, known);
  const pair = line.split(/\s+and\s+(?=[+-]?\d)/i);
  if (pair.length === 2 && !/\bbetween\b/i.test(line)) {
    const both = pair.map((part) => oneReading(part, known));
    const readings = both.flatMap((one) => (one?.kind === 'reading' && one.place !== null ? [one] : []));
    if (readings.length === 2) return { kind: 'readings', readings };
  }
  const parts = line.split(/\s*(?:;|,(?=\s)|\band\b)\s*(?=[^\d\s+-])/i).filter((part) => part.trim() !== '');
  if (parts.length > 1) {
    const each = parts.map((part) => oneReading(part, known));
    const readings = each.flatMap((one) => (one?.kind === 'reading' ? [one] : []));
    if (readings.length === parts.length) return { kind: 'readings', readings };
  }
  return oneReading(line, known);
}

function oneReading(line: string, known: Known): Entry | null {
  const at = line.indexOf('@');
  const named = leadingSpeed(line, known.speedIds);
  const text = named ? line.slice(named.to).padStart(line.length) : line;
  const measures = spokenMeasures(text.replace(PINS, (pins) => pins.replace(/\d/g, '_'))).filter(
    (one) => !isName(text, one, at, known),
  );
  const first = measures.find((one) => one.unit !== null) ?? measures[0];
  if (!first)
    return at >= 0 && line.trim().startsWith('@')
      ? { kind: 'bad', from: 0, to: at + 1, message: say`a value comes before the place, as in 27.5 V at reservoir` }
      : null;
  const stuck = at >= 0 && first.unit === null ? /^\p{L}+/u.exec(text.slice(first.to)) : null;
  if (stuck)
    return {
      kind: 'bad',
      from: first.to,
      to: first.to + stuck[0].length,
      message: say`“${stuck[0]}” is no unit known here`,
    };
  const others = measures.filter((one) => one !== first);
  if (others.some((one) => one.unit !== null && one.unit !== first.unit)) return twoUnits(line, first, others, at);
  const words = cut(text, [first]);
  const rest = conditionsIn(words, known.speedIds, named?.speedId ?? null);
  const placeWords = rest.words.replace(FILLER, ' ').replace(/\s+/g, ' ').trim();
  const base: EntryReading = {
    ...BLANK_READING,
    values: first.values,
    unit: first.unit,
    qualifier: first.qualifier,
    bound: first.bound,
    speedId: rest.speedId,
    condition: rest.condition,
  };
  const slowFast = sideIn(placeWords, base);
  if (slowFast) return slowFast;
  return placed(line, placeWords, at >= 0, first, base, known);
}

function placed(
  line: string,
  placeWords: string,
  said: boolean,
  first: SpokenMeasure,
  base: EntryReading,
  known: Known,
): Entry | null {
  const ripple = /\bripple\b/i.test(line) && base.unit === 'V' ? ('pp' as const) : base.qualifier;
  const reading = { ...base, qualifier: ripple };
  if (placeWords === '') {
    if (said && /@\s*$/.test(line))
      return { kind: 'bad', from: line.indexOf('@'), to: line.length, message: say`name the place after @` };
    return finished(line, withoutPlace(reading, known), first, known);
  }
  if (/^(?:gone|again|ok|right|low|high|there)$/i.test(placeWords)) return finished(line, reading, first, known);
  const found = resolve(placeWords, known.places, reading.qualifier);
  if (found?.kind === 'known') {
    const unit = reading.unit ?? found.place.unit;
    const pp = found.place.ripple && reading.unit === 'V' ? 'pp' : reading.qualifier;
    return finished(line, { ...reading, unit, qualifier: pp, place: found.place.name }, first, known);
  }
  const designator = DESIGNATOR.test(placeWords);
  if (!designator && !said && (STORY.test(placeWords) || placeWords.split(' ').length > 4)) return null;
  if (reading.unit === 's' && !said) return null;
  if (!designator && found?.kind === 'near') {
    const asked = finished(line, reading, first, known);
    return asked?.kind === 'reading'
      ? { kind: 'ask-place', reading: asked, typed: placeWords, near: found.names }
      : asked;
  }
  if (!said && !designator && reading.unit === null && !LENGTHS.test(placeWords) && reading.bound === 'exact')
    return null;
  const unit = reading.unit ?? (LENGTHS.test(placeWords) ? 'mm' : null);
  return finished(line, { ...reading, unit, place: placeWords, newPlace: !designator }, first, known);
}

/** Ripple without a place is that of the one place whose ripple the path measures. */
function withoutPlace(reading: EntryReading, known: Known): EntryReading {
  if (reading.qualifier !== 'pp') return reading;
  const ripples = known.places.filter((place) => place.ripple);
  return ripples.length === 1 ? { ...reading, place: (ripples[0] as (typeof ripples)[number]).name } : reading;
}

/** The unit of the prompt for a bare number; a question where a comma may be either; else the reading. */
function finished(line: string, reading: EntryReading, first: SpokenMeasure, known: Known): Entry | null {
  const own = known.prompt?.unit ?? null;
  const answersPrompt = reading.place === null && known.prompt?.place !== undefined;
  const unit = reading.unit ?? (answersPrompt ? own : null);
  if (first.orElse !== null && first.values.length === 1) {
    const make = (value: number): EntryReading => ({ ...reading, unit, values: [value] });
    return { kind: 'ask', readings: [make(first.values[0] as number), make(first.orElse)] };
  }
  if (unit === null) {
    if (reading.speedId !== null && first.signed) return { ...reading, unit: '%' };
    const bare = /^[\s\d.,+\-<>=:@]+$/.test(line) || reading.place !== null || reading.speedId !== null;
    return bare ? { kind: 'bad', from: first.from, to: first.to, message: say`add the unit, as in 47 V or 4k7` } : null;
  }
  return { ...reading, unit };
}

/** "33: ...", "45 +0.3", "33 5.02 V", "high: 262 rpm": a speed of the unit at the head of the line. */
function leadingSpeed(
  line: string,
  speedIds: readonly string[],
): { readonly speedId: string; readonly to: number } | null {
  const head = `^\\s*(?:(?:at|on)\\s+)?(${idsPattern(speedIds)})(?:⅓|⅔|\\s1\\/3)?(?:\\s*:\\s*|\\s*,\\s+|\\s+(?=[+-]?\\s?[\\d.]))`;
  const match = new RegExp(head, 'i').exec(line);
  const speedId = speedIds.find((id) => id.toLowerCase() === match?.[1]?.toLowerCase());
  return match && speedId !== undefined ? { speedId, to: match[0].length } : null;
}

/** The ids of the unit's speeds as alternatives, the longest first; one that matches nothing where there are none. */
const idsPattern = (speedIds: readonly string[]): string =>
  speedIds.length === 0
    ? '(?!)'
    : [...speedIds]
        .sort((a, b) => b.length - a.length)
        .map((id) => id.replace(/[^a-z0-9]/gi, '\\$&'))
        .join('|');

/** Numbers that are names: the speed after "@" or "at", the number of a part or a pin. */
function isName(text: string, one: SpokenMeasure, at: number, { speedIds }: Known): boolean {
  const word = text.slice(one.from, one.to).trim();
  const before = text.slice(0, one.from);
  if (one.unit !== null) return at >= 0 && one.from > at && /^(?:open|short)$/i.test(word);
  if (at >= 0 && one.from > at) return true;
  if (/\b(?:step|tray|no\.?|number)\s*$/i.test(before)) return true;
  return (
    speedIds.includes(word) &&
    (/(?:@|\bat|\bon|\bin|,)\s*$/i.test(before) || text.slice(one.to).trim() === '') &&
    spokenMeasures(before).length > 0
  );
}

/** The line without the measures. */
function cut(text: string, measures: readonly SpokenMeasure[]): string {
  return measures.reduce(
    (left, one) => left.slice(0, one.from) + ' '.repeat(one.to - one.from) + left.slice(one.to),
    text,
  );
}

/** Cold, warm and a speed taken out of the words. */
function conditionsIn(words: string, speedIds: readonly string[], named: string | null) {
  let speedId = named;
  let condition: 'cold' | 'warm' | null = null;
  const left = words
    .replace(/\b(?:when\s+|while\s+)?(cold|warm|hot|warmed up)\b/gi, (_all, word: string) => {
      condition ??= /cold/i.test(word) ? 'cold' : 'warm';
      return ' ';
    })
    .replace(
      new RegExp(
        `(@\\s*|\\bat\\s+|\\bin\\s+|\\bon\\s+|,\\s*|^\\s*|\\s)(${idsPattern(speedIds)})(?:⅓|⅔)?(?:\\s+(?:selected|chosen|set))?(?=$|[\\s,;)])`,
        'gi',
      ),
      (all: string, head: string, id: string) => {
        if (speedId !== null) return all;
        speedId = speedIds.find((one) => one.toLowerCase() === id.toLowerCase()) ?? null;
        return head.includes('@') ? '@ ' : ' ';
      },
    );
  return { words: left.replace(/@\s*$/, ''), speedId, condition };
}

/** "2 % slow", "1.2 percent fast at 33": the side is the sign. */
function sideIn(words: string, base: EntryReading): Entry | null {
  const match = /^(?:too\s+)?(slow|fast)(?:er)?$/i.exec(words);
  if (!match || base.unit !== '%') return null;
  const sign = /slow/i.test(match[1] as string) ? -1 : 1;
  return { ...base, values: base.values.map((value) => sign * Math.abs(value)) };
}

/** "3150 gives 3012", "3012 for 3150": what the tone ought to be and what was counted. */
function counterIn(line: string): { readonly reading: EntryReading; readonly rest: string } | null {
  const HZ = '(?:\\s*hz)?';
  const gives = new RegExp(
    `(\\d{3,5}(?:[.,]\\d+)?)${HZ}\\s+(?:gives|reads|comes out (?:as|at)|is|plays (?:as|at)|->|→)\\s+(\\d{3,5}(?:[.,]\\d+)?)${HZ}`,
    'i',
  ).exec(line);
  const swapped = gives
    ? null
    : new RegExp(`(\\d{3,5}(?:[.,]\\d+)?)${HZ}\\s+(?:for|instead of|of)\\s+(\\d{3,5}(?:[.,]\\d+)?)${HZ}`, 'i').exec(
        line,
      );
  const match = gives ?? swapped;
  if (!match) return null;
  const [one, two] = [match[1], match[2]].map((text) => decimal(text as string)) as [number, number];
  const [nominalHz, value] = gives ? [one, two] : [two, one];
  if (!(value > 0.3 * nominalHz && value < 3 * nominalHz)) return null;
  return {
    reading: { ...BLANK_READING, values: [value], unit: 'Hz', nominalHz },
    rest: `${line.slice(0, match.index)} ${line.slice(match.index + match[0].length)}`,
  };
}

function withSpeed(reading: EntryReading, rest: string, known: Known): Entry | null {
  const { words, speedId, condition } = conditionsIn(rest.replace(/^(\s*\d+)\s*:/, ' $1 '), known.speedIds, null);
  const left = words
    .replace(FILLER, ' ')
    .replace(/\b(?:counter|tone|record|tape)\b/gi, ' ')
    .trim();
  return left === '' ? { ...reading, speedId, condition } : null;
}

const SIDES =
  /^\s*(l|left|r|right)\.?\s+(\p{L}+)\s*[:=]?\s*(\d+(?:[.,]\d+)?)\s*(mm)?\s*[,;/]?\s*(?:and\s+)?(r|right|l|left)\.?\s*(?:\2)?\s*[:=]?\s*(\d+(?:[.,]\d+)?)\s*(mm)?\s*$/iu;

/** "L brush 6.5 R 7": two readings of the same thing, left and right. */
function bothSides(line: string): Entry | null {
  const match = SIDES.exec(line);
  if (!match || (!LENGTHS.test(match[2] as string) && !match[4] && !match[7])) return null;
  const side = (word: string) => (/^l/i.test(word) ? 'left' : 'right');
  const what = (match[2] as string).toLowerCase();
  if (side(match[1] as string) === side(match[5] as string)) return null;
  const make = (word: string, value: string): EntryReading => ({
    ...BLANK_READING,
    values: [decimal(value)],
    unit: 'mm',
    place: `${side(word)} ${what}`,
  });
  return {
    kind: 'readings',
    readings: [make(match[1] as string, match[3] as string), make(match[5] as string, match[6] as string)],
  };
}

/** Two units on one line: a refusal where a place was named for one value, plain words otherwise. */
function twoUnits(line: string, first: SpokenMeasure, others: readonly SpokenMeasure[], at: number): Entry | null {
  const other = others.find((one) => one.unit !== null && one.unit !== first.unit) as SpokenMeasure;
  if (at < 0 && /\p{L}{4,}/u.test(cut(line, [first, ...others]))) return null;
  return {
    kind: 'bad',
    from: other.from,
    to: other.to,
    message: say`one line holds one unit: ${first.unit ?? ''} or ${other.unit ?? ''}`,
  };
}
