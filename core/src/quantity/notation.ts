/**
 * The trade's way of writing values: 4k7, 2R2, 0u1, 15n, 12,4 V, 0.62Vpp, >20M, OL. Decimal comma
 * and point both count; a comma before exactly three digits ("1,500") is asked about, never guessed.
 */
import { decimal } from './decimal.js';
import { ownEntry } from './own.js';
import { say } from '../words/index.js';

/** How a voltage was read. */
export type Qualifier = 'dc' | 'ac' | 'pp' | 'rms';

/** A value that is not a plain number: over range, open, shorted, above or below a limit. */
export type Bound = 'exact' | 'above' | 'below' | 'between' | 'open' | 'short' | 'overload';

/** One written value, in the base unit (volts, ohms, farads, ...), or why it is not one. */
export type Written =
  | {
      readonly kind: 'value';
      /** Null for open and over range: there is no number. */
      readonly value: number | null;
      readonly unit: string | null;
      readonly qualifier: Qualifier | null;
      readonly bound: Bound;
    }
  | { readonly kind: 'ask'; readonly asDecimal: number; readonly asThousands: number; readonly rest: string }
  | { readonly kind: 'bad'; readonly from: number; readonly to: number; readonly message: string };

const PREFIX: Readonly<Record<string, number>> = {
  p: 1e-12,
  n: 1e-9,
  u: 1e-6,
  µ: 1e-6,
  μ: 1e-6,
  m: 1e-3,
  '': 1,
  k: 1e3,
  K: 1e3,
  M: 1e6,
  G: 1e9,
};

/** Unit as typed (after the prefix) to unit as kept. */
const UNITS: Readonly<
  Record<string, { readonly unit: string; readonly qualifier?: Qualifier; readonly scale?: number }>
> = {
  V: { unit: 'V' },
  v: { unit: 'V' },
  Vdc: { unit: 'V', qualifier: 'dc' },
  VDC: { unit: 'V', qualifier: 'dc' },
  Vac: { unit: 'V', qualifier: 'ac' },
  VAC: { unit: 'V', qualifier: 'ac' },
  'V~': { unit: 'V', qualifier: 'ac' },
  Vpp: { unit: 'V', qualifier: 'pp' },
  Vrms: { unit: 'V', qualifier: 'rms' },
  A: { unit: 'A' },
  R: { unit: 'Ω' },
  Ω: { unit: 'Ω' },
  '\u2126': { unit: 'Ω' },
  ohm: { unit: 'Ω' },
  ohms: { unit: 'Ω' },
  F: { unit: 'F' },
  H: { unit: 'H' },
  Hz: { unit: 'Hz' },
  hz: { unit: 'Hz' },
  W: { unit: 'W' },
  rpm: { unit: 'rpm' },
  '%': { unit: '%' },
  s: { unit: 's' },
  min: { unit: 's', scale: 60 },
  h: { unit: 's', scale: 3600 },
  '°C': { unit: '°C' },
  C: { unit: '°C' },
  mm: { unit: 'mm' },
  dB: { unit: 'dB' },
  g: { unit: 'g' },
};

/** Units that take no prefix, so that "mm" is never a milli-metre guess and "min" no milli-inch. */
const WHOLE = new Set(['rpm', '%', 'min', 'h', '°C', 'C', 'mm', 'dB', 'ohms']);

const NUMBER = /^[+\-−]?(?:\d+(?:[.,]\d+)?|[.,]\d+)/;
const LETTER_POINT = /^([+\-−]?\d+)([RVkKMmunpµμ])(\d+)(.*)$/;

/** True for a word that starts like a value: a digit, a sign and digit, a limit mark. */
export function looksLikeValue(word: string): boolean {
  return /^[<>]?[+\-−]?[.,]?\d/.test(word) || /^(OL|O\.L\.?|open|short)$/i.test(word);
}

/** Reads one written value. `from` and `to` of a refusal are positions in `text`. */
export function readValue(text: string): Written {
  const special = specialValue(text);
  if (special) return special;
  const mark = text[0] === '>' ? 'above' : text[0] === '<' ? 'below' : 'exact';
  const skip = mark === 'exact' ? 0 : 1;
  const body = text.slice(skip).trimStart();
  const offset = text.length - body.length;
  const infix = LETTER_POINT.exec(body);
  if (infix) return letterPoint(infix, mark, offset, text);
  const number = NUMBER.exec(body)?.[0];
  if (!number) return { kind: 'bad', from: 0, to: text.length, message: say`a number is expected here` };
  const rest = body.slice(number.length).trim();
  const thousands = /^[+\-−]?([1-9]\d{0,2}),(\d{3})$/.exec(number);
  if (thousands) {
    const [asDecimal, asThousands] = [decimal(number), decimal(number.replace(',', ''))];
    return { kind: 'ask', asDecimal, asThousands, rest };
  }
  const unit = readUnit(rest);
  if (!unit) {
    const from = offset + number.length;
    return { kind: 'bad', from, to: text.length, message: say`“${rest}” is no unit known here` };
  }
  return {
    kind: 'value',
    value: decimal(number) * unit.scale,
    unit: unit.unit,
    qualifier: unit.qualifier,
    bound: mark,
  };
}

function specialValue(text: string): Written | null {
  const word = text.toLowerCase();
  const bound: Bound | null =
    word === 'ol' || word === 'o.l.' || word === 'o.l'
      ? 'overload'
      : word === 'open'
        ? 'open'
        : word === 'short'
          ? 'short'
          : null;
  if (!bound) return null;
  return { kind: 'value', value: bound === 'short' ? 0 : null, unit: 'Ω', qualifier: null, bound };
}

function letterPoint(match: RegExpExecArray, bound: Bound, offset: number, text: string): Written {
  const [, whole, letter, decimals, tail] = match as unknown as [string, string, string, string, string];
  const plain = decimal(`${whole}.${decimals}`);
  const unit = letter === 'R' || letter === 'k' || letter === 'K' || letter === 'M' ? 'Ω' : letter === 'V' ? 'V' : 'F';
  const scale = letter === 'R' || letter === 'V' ? 1 : (ownEntry(PREFIX, letter) as number);
  const said = tail.trim();
  const known = said === '' ? null : readUnit(said);
  if (said !== '' && (known === null || known.scale !== 1 || (letter !== 'm' && known.unit !== unit))) {
    const from = offset + match[0].length - tail.length;
    return {
      kind: 'bad',
      from,
      to: text.length,
      message: say`“${said}” does not fit after ${match[0].slice(0, -tail.length)}`,
    };
  }
  if (letter === 'm' && known === null) {
    return { kind: 'bad', from: offset, to: text.length, message: say`milli of what? Add the unit, as in 4m7H` };
  }
  return { kind: 'value', value: plain * scale, unit: known?.unit ?? unit, qualifier: null, bound };
}

interface UnitRead {
  readonly unit: string | null;
  readonly scale: number;
  readonly qualifier: Qualifier | null;
}

/** Reads a unit with its prefix: "kHz", "uF", "mVpp"; a bare "k" or "M" means ohms, "n", "u", "p" farads. */
export function readUnit(text: string): UnitRead | null {
  if (text === '') return { unit: null, scale: 1, qualifier: null };
  const whole = ownEntry(UNITS, text);
  if (whole) return { unit: whole.unit, scale: whole.scale ?? 1, qualifier: whole.qualifier ?? null };
  const scale = ownEntry(PREFIX, text[0] as string);
  if (scale === undefined) return null;
  const rest = text.slice(1).trim();
  if (rest === '') {
    if ('kKMG'.includes(text)) return { unit: 'Ω', scale, qualifier: null };
    return 'nuµμp'.includes(text) ? { unit: 'F', scale, qualifier: null } : null;
  }
  const known = WHOLE.has(rest) ? undefined : ownEntry(UNITS, rest);
  return known ? { unit: known.unit, scale: scale * (known.scale ?? 1), qualifier: known.qualifier ?? null } : null;
}
