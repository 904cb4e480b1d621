/**
 * Measures in a line as it is spoken: "27,5 V DC", "0.6 V ripple", "4k7", "4.6 to 5.4 V", "under an
 * ohm", "O.L.", "5/16 in". Finds every one with its place in the line; what stands between is words.
 */
import type { Bound, Qualifier } from './notation.js';

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

interface Spelling {
  readonly pattern: RegExp;
  readonly unit: string;
  readonly scale: number;
  readonly qualifier?: Qualifier;
}

const PREFIX: Readonly<Record<string, number>> = {
  p: 1e-12,
  n: 1e-9,
  u: 1e-6,
  µ: 1e-6,
  m: 1e-3,
  k: 1e3,
  M: 1e6,
  G: 1e9,
};
const PREFIX_WORDS: Readonly<Record<string, string>> = {
  pico: 'p',
  nano: 'n',
  micro: 'u',
  milli: 'm',
  kilo: 'k',
  mega: 'M',
};

/** Spellings of a unit with the prefixes it takes; each is anchored at the end of a number. */
const spelled = (names: string, unit: string, prefixes: string): Spelling[] => [
  { pattern: new RegExp(`^\\s*(?:${names})(?![\\p{L}\\d])`, 'u'), unit, scale: 1 },
  ...[...prefixes].map((prefix) => ({
    pattern: new RegExp(
      `^\\s*${prefix === 'k' ? '[kK]' : prefix === 'u' ? '[uµ]' : prefix}\\s?(?:${names})(?![\\p{L}\\d])`,
      'u',
    ),
    unit,
    scale: PREFIX[prefix] as number,
  })),
  ...Object.entries(PREFIX_WORDS)
    .filter(([, letter]) => prefixes.includes(letter))
    .map(([word, letter]) => ({
      pattern: new RegExp(`^\\s*${word}[ -]?(?:${names})(?![\\p{L}\\d])`, 'iu'),
      unit,
      scale: PREFIX[letter] as number,
    })),
];

const whole = (names: string, unit: string, scale = 1): Spelling => ({
  pattern: new RegExp(`^\\s*(?:${names})(?![\\p{L}\\d])`, 'iu'),
  unit,
  scale,
});

/** Longer and narrower spellings first. */
const SPELLINGS: readonly Spelling[] = [
  ...(
    [
      ['V\\s?d\\.?\\s?c\\.?|V\\s?DC|[Vv]olts?\\s+d\\.?\\s?c\\.?|[Vv]olts?\\s+DC|vdc|v\\s?d\\.?c\\.?|VDC', 'dc'],
      ['V\\s?a\\.?\\s?c\\.?|V\\s?AC|[Vv]olts?\\s+a\\.?\\s?c\\.?|[Vv]olts?\\s+AC|vac|v\\s?a\\.?c\\.?|VAC|V~', 'ac'],
      [
        'V\\s?p-?p|V\\s?pk-?pk|[Vv](?:olts?)?\\s+peak[ -]to[ -]peak|vpp|V\\s?ripple|[Vv]olts?\\s+(?:of\\s+)?ripple|V\\s+of\\s+ripple|v\\s+ripple',
        'pp',
      ],
      ['V\\s?rms|V\\s?RMS|[Vv]olts?\\s+rms|vrms|V\\s+true\\s?rms', 'rms'],
    ] as const
  ).flatMap(([names, qualifier]) => spelled(names, 'V', 'mku').map((one) => ({ ...one, qualifier }))),
  ...spelled('V|v|[Vv]olts?|VOLTS?', 'V', 'mku'),
  whole('r\\.?p\\.?m\\.?|r/min|revs?/min|u/min|turns?\\s+(?:a|per)\\s+minute', 'rpm'),
  whole('%|percent|per\\s?cent|pct', '%'),
  ...spelled('Ω|ohms?|Ohms?|OHMS?|R', 'Ω', 'mkMG'),
  whole('kilohms?', 'Ω', 1e3),
  whole('megohms?|megs?', 'Ω', 1e6),
  { pattern: /^\s*(?:k|K|kilos?)(?![\p{L}\d])/u, unit: 'Ω', scale: 1e3 },
  { pattern: /^\s*M(?![\p{L}\d])/u, unit: 'Ω', scale: 1e6 },
  whole('m\\.?f\\.?d\\.?', 'F', 1e-6),
  ...spelled('F|farads?|f', 'F', 'pnum'),
  { pattern: /^[nN](?![\p{L}\d])/u, unit: 'F', scale: 1e-9 },
  { pattern: /^[uµ](?![\p{L}\d])/u, unit: 'F', scale: 1e-6 },
  { pattern: /^p(?![\p{L}\d])/u, unit: 'F', scale: 1e-12 },
  ...spelled('Hz|hz|HZ|[Hh]ertz|c/s', 'Hz', 'kM'),
  ...spelled('A|[Aa]mps?|[Aa]mperes?|a', 'A', 'mu'),
  whole('mins?|minutes?', 's', 60),
  whole('h|hrs?|hours?', 's', 3600),
  whole('ms|milliseconds?', 's', 1e-3),
  whole('s|secs?|seconds?', 's'),
  whole('mm|millimet(?:er|re)s?', 'mm'),
  whole('cm', 'mm', 10),
  whole('[uµ]m|microns?', 'mm', 1e-3),
  whole('cm/s', 'cm/s'),
  whole('in/s|ips', 'cm/s', 2.54),
  whole('in|inch|inches', 'mm', 25.4),
  { pattern: /^"(?!\w)/u, unit: 'mm', scale: 25.4 },
  whole('°\\s?c|deg\\.?\\s?c|degrees?(?:\\s+c(?:elsius)?)?', '°C'),
  { pattern: /^\s?C(?![\p{L}\d])/u, unit: '°C', scale: 1 },
  whole('dB', 'dB'),
  whole('g', 'g'),
  ...spelled('W|[Ww]atts?', 'W', 'mk'),
  ...spelled('H|[Hh]enr(?:y|ies)', 'H', 'mu'),
];

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
  const scale = /[RrVv]/.test(letter) ? 1 : (PREFIX[letter === 'K' ? 'k' : letter] as number);
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

const decimal = (text: string): number => Number(text.replace(',', '.'));

/**
 * The line in plain signs, one for one, so that places in it stay: fullwidth to ASCII, every dash and
 * minus to "-", typographic quotes and spaces to plain ones, both micros and both ohms to one.
 */
export function plainSigns(text: string): string {
  return [...text]
    .map((sign) => {
      const known = SIGNS[sign];
      if (known !== undefined) return known;
      const folded = sign.normalize('NFKC');
      return folded.length === sign.length && /^[\x20-\x7e]$/.test(folded) ? folded : sign;
    })
    .join('');
}

const SIGNS: Readonly<Record<string, string>> = {
  '\u2212': '-',
  '\u2010': '-',
  '\u2011': '-',
  '\u2012': '-',
  '\u2013': '-',
  '\u2014': '-',
  '\u00a0': ' ',
  '\u202f': ' ',
  '\u2009': ' ',
  '\u2007': ' ',
  '\u3000': ' ',
  '\t': ' ',
  '\u2019': "'",
  '\u2018': "'",
  '\u201c': '"',
  '\u201d': '"',
  '\u2033': '"',
  '\u03bc': 'µ',
  '\u2126': 'Ω',
  '\u00d7': 'x',
  '\uff0e': '.',
  '\u066b': ',',
  '\uff0c': ',',
  '\u3001': ',',
  '\uff05': '%',
  '\uff1a': ':',
  '\uff20': '@',
  '\u2236': ':',
  '\u223c': '~',
};
