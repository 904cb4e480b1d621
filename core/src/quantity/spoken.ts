/**
 * Measures in a line as it is spoken: "27,5 V DC", "0.6 V ripple", "4k7", "4.6 to 5.4 V", "under an
 * ohm", "O.L.", "5/16 in". Finds every one with its place in the line; what stands between is words.
 */
import { decimal } from './decimal.js';
import { ownEntry } from './own.js';
import type { Bound, Qualifier } from './notation.js';
import { PREFIX, SPELLINGS, type Spelling } from './spokenUnits.js';

/** One measure found in a line; values in the base unit. */
export interface SpokenMeasure {
  readonly from: number;
  readonly to: number;
  /** One value; two for a range (lower, upper); none for open and over range. */
  readonly values: readonly number[];
  readonly unit: string | null;
  readonly qualifier: Qualifier | null;
  readonly bound: Bound;
  /** "1,500": thousand or decimal? The other reading of the value; null where there is no doubt. */
  readonly orElse: number | null;
  /** It stood with a sign: "+0.3" is a difference, not an amount. */
  readonly signed: boolean;
}

const NUM = '[+-]?(?:\\d+(?:[.,]\\d+)?|[.,]\\d+)';
const SIGNED = /^[+-]/;
/** "R12" and "C3" are names, "2.3" and "@33" hold numbers. */
const NUMBER_AT = new RegExp(`(?<![\\p{L}\\d.,_/])(?:${NUM})`, 'gu');
const INFIX = /^([+-]?\d+)([RrkKMVvmunpµ])(\d+)(?![\d.,])/u;
const FRACTION = /^(\d{1,2})\/(\d{1,3})(?=\s*(?:in\b|inch|"))/u;
const SPECIAL =
  /(?<![\p{L}\d])(?:o\.?l\.?(?=$|[\s,;@)])|over\s?range|overload|infinite|infinity|open[ -]circuit|no continuity|open|short[ -]circuit|dead short|short)(?![\p{L}\d-])/giu;
const BEFORE = /(>=|<=|>|<|≥|≤|\b(?:above|over|more than|at least|below|under|less than|at most|up to))\s*$/iu;
const LINK = /^\s*(?:-|to|and|\.\.\.?|…)\s*/iu;
const BETWEEN = /\bbetween\s*$/iu;

/** Every measure in `text` (already in plain signs, see plainSigns), left to right, none overlapping. */
export function spokenMeasures(text: string): SpokenMeasure[] {
  const found: SpokenMeasure[] = [];
  let past = 0;
  for (const match of text.matchAll(NUMBER_AT)) {
    if (match.index < past) continue;
    const one = measureAt(text, match.index);
    found.push(one);
    past = one.to;
  }
  for (const match of text.matchAll(SPECIAL)) {
    const inside = found.some((one) => match.index < one.to && match.index + match[0].length > one.from);
    if (!inside) found.push(special(match[0], match.index));
  }
  return joined(
    text,
    found.sort((a, b) => a.from - b.from),
  );
}

interface Piece {
  readonly value: number;
  readonly orElse: number | null;
  readonly end: number;
  readonly unit: Spelling | null;
}

function measureAt(text: string, from: number): SpokenMeasure {
  const first = pieceAt(text, from);
  const before = text.slice(0, from);
  const signed = SIGNED.test(text.slice(from));
  const between = BETWEEN.exec(before);
  const link = LINK.exec(text.slice(first.end));
  if (link && (between !== null || !/and/i.test(link[0]))) {
    const next = first.end + link[0].length;
    const second = /^(?:\d|[.,]\d)/.test(text.slice(next)) ? pieceAt(text, next) : null;
    if (
      second &&
      (second.unit || first.unit || between) &&
      second.value * (second.unit?.scale ?? 1) > first.value * scaleIn(first.unit ?? second.unit)
    )
      return rangeOf(first, second, between ? between.index : from);
  }
  const limit = BEFORE.exec(before);
  const bound: Bound =
    limit === null ? 'exact' : /^(?:>|≥|above|over|more|at least)/i.test(limit[1] as string) ? 'above' : 'below';
  const scale = first.unit?.scale ?? 1;
  return {
    from: limit ? limit.index : from,
    to: first.end,
    values: [first.value * scale],
    unit: first.unit?.unit ?? null,
    qualifier: first.unit?.qualifier ?? null,
    bound,
    orElse: first.orElse === null ? null : first.orElse * scale,
    signed,
  };
}

const scaleIn = (unit: Spelling | null): number => unit?.scale ?? 1;

function rangeOf(low: Piece, high: Piece, from: number): SpokenMeasure {
  const unit = high.unit ?? low.unit;
  return {
    from,
    to: high.end,
    values: [low.value * scaleIn(low.unit ?? unit), high.value * scaleIn(high.unit ?? unit)],
    unit: unit?.unit ?? null,
    qualifier: unit?.qualifier ?? null,
    bound: 'between',
    orElse: null,
    signed: false,
  };
}

/** A number with its unit, in whatever notation. */
function pieceAt(text: string, from: number): Piece {
  const rest = text.slice(from);
  const infix = INFIX.exec(rest);
  if (infix) return infixPiece(rest, infix, from);
  const fraction = FRACTION.exec(rest);
  if (fraction) {
    const end = from + fraction[0].length;
    const unit = unitAt(text, end);
    return {
      value: Number(fraction[1]) / Number(fraction[2]),
      orElse: null,
      end: unit?.end ?? end,
      unit: unit?.spelling ?? null,
    };
  }
  const number = (new RegExp(`^(?:${NUM})`, 'u').exec(rest) as RegExpExecArray)[0];
  const thousands = /^[+-]?[1-9]\d{0,2},\d{3}$/.test(number);
  const end = from + number.length;
  const unit = unitAt(text, end);
  return {
    value: decimal(number),
    orElse: thousands ? Number(number.replace(',', '')) : null,
    end: unit?.end ?? end,
    unit: unit?.spelling ?? null,
  };
}

/** 4k7, 2R2, 0u1, 4V7, 4m7H: the letter stands where the point would. */
function infixPiece(rest: string, match: RegExpExecArray, from: number): Piece {
  const letter = match[2] as string;
  const value = Number(`${match[1]}.${match[3]}`);
  const tail = from + match[0].length;
  const after = /^\s?(V|A|F|H|Ω|ohms?)(?![\p{L}\d])/u.exec(rest.slice(match[0].length));
  const scale = /[RrVv]/.test(letter) ? 1 : (ownEntry(PREFIX, letter === 'K' ? 'k' : letter) as number);
  const own = /[RrkKM]/.test(letter) ? 'Ω' : /[Vv]/.test(letter) ? 'V' : letter === 'm' ? null : 'F';
  const said = after ? (after[1]?.startsWith('ohm') ? 'Ω' : (after[1] as string)) : null;
  const unit = said ?? own;
  return {
    value,
    orElse: null,
    end: after ? tail + after[0].length : tail,
    unit: unit === null ? null : { pattern: INFIX, unit, scale },
  };
}

function unitAt(text: string, at: number): { readonly spelling: Spelling; readonly end: number } | null {
  const rest = text.slice(at);
  for (const spelling of SPELLINGS) {
    const match = spelling.pattern.exec(rest);
    if (!match || match[0].trim() === '') continue;
    const end = at + match[0].length;
    if (spelling.unit !== 'V' || spelling.qualifier) return { spelling, end };
    const kind = KIND.exec(text.slice(end));
    if (!kind) return { spelling, end };
    return { spelling: { ...spelling, qualifier: qualifierOf(kind[1] as string) }, end: end + kind[0].length };
  }
  return null;
}

const KIND = /^\s*\(?(d\.?\s?c\.?|a\.?\s?c\.?|p-?p|pk-?pk|peak[ -]to[ -]peak|true\s?rms|rms|ripple)\)?(?![\p{L}\d])/iu;

function qualifierOf(word: string): Qualifier {
  const plain = word.toLowerCase().replace(/[\s.]/g, '');
  return plain === 'dc' ? 'dc' : plain === 'ac' ? 'ac' : plain.includes('rms') ? 'rms' : 'pp';
}

function special(word: string, from: number): SpokenMeasure {
  const plain = word.toLowerCase();
  const bound: Bound = /short/.test(plain) ? 'short' : /open|continuity/.test(plain) ? 'open' : 'overload';
  return {
    from,
    to: from + word.length,
    values: bound === 'short' ? [0] : [],
    unit: 'Ω',
    qualifier: null,
    bound,
    orElse: null,
    signed: false,
  };
}

/** "2.3 2.3 2.0R": bare numbers right before one with a unit share it, prefix and all. */
function joined(text: string, list: readonly SpokenMeasure[]): SpokenMeasure[] {
  const out: SpokenMeasure[] = [];
  for (const one of list) {
    const last = out[out.length - 1];
    const gap = last ? text.slice(last.to, one.from) : '';
    const row =
      last !== undefined && /^\s*(?:[,/;]\s*|\s)\s*$/.test(gap) && last.bound === 'exact' && one.bound === 'exact';
    if (row && last.unit === null && one.unit !== null && !one.signed && last.orElse === null) {
      const scale = scaleOf(text, one);
      out[out.length - 1] = {
        ...one,
        from: last.from,
        values: [...last.values.map((value) => value * scale), ...one.values],
      };
    } else if (row && last.unit === null && one.unit === null && !one.signed) {
      out[out.length - 1] = { ...last, to: one.to, values: [...last.values, ...one.values] };
    } else if (
      row &&
      last.unit !== null &&
      last.unit === one.unit &&
      last.qualifier === one.qualifier &&
      gap.trim() !== ';'
    ) {
      out[out.length - 1] = { ...last, to: one.to, values: [...last.values, ...one.values] };
    } else out.push(one);
  }
  return out;
}

/** The scale of a single measure's unit, from its own writing. */
function scaleOf(text: string, one: SpokenMeasure): number {
  const number = new RegExp(`^(?:${NUM})`, 'u').exec(text.slice(one.from));
  const written = number ? decimal(number[0]) : 0;
  const value = one.values[0] ?? 0;
  return written !== 0 && !INFIX.test(text.slice(one.from)) ? value / written : 1;
}
