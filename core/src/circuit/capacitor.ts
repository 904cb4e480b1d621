/** Capacitors: limits by kind, and codes printed on them. */
import { requirePositive } from '../errors.js';
import { decimal, ownEntry } from '../quantity/index.js';

/** Kinds that are judged by rules of their own. */
export const CAPACITOR_KINDS = ['electrolytic', 'film', 'X2', 'Y2', 'motor run'] as const;
/** Names of the kinds. */
export type CapacitorKind = (typeof CAPACITOR_KINDS)[number];

/** Largest dissipation factor at 120 Hz by rated volts (typical catalogue of aluminium electrolytics, from memory). */
const DISSIPATION: readonly (readonly [volts: number, factor: number])[] = [
  [6.3, 0.22],
  [10, 0.19],
  [16, 0.16],
  [25, 0.14],
  [35, 0.12],
  [50, 0.1],
  [63, 0.09],
  [100, 0.08],
];

/** Dissipation limit of an electrolytic at 120 Hz, plus 0.02 for each further 1000 uF above 1000 uF. */
export function dissipationLimit(ratedV: number, microfarad: number): number {
  requirePositive(ratedV, 'ratedV');
  requirePositive(microfarad, 'microfarad');
  const row = [...DISSIPATION].reverse().find(([volts]) => volts <= ratedV * (1 + 1e-9)) ?? DISSIPATION[0];
  const more = Math.max(0, Math.ceil(microfarad / 1000 - 1 - 1e-9));
  return (row?.[1] ?? 0.22) + 0.02 * more;
}

/** ESR that the dissipation limit allows, ohm: tan d / (2 pi f C), a limit at 120 Hz only. */
export const esrLimit120 = (ratedV: number, microfarad: number): number =>
  dissipationLimit(ratedV, microfarad) / (2 * Math.PI * 120 * microfarad * 1e-6);

/** Leakage that an electrolytic may have after 2 minutes at its volts, microamperes: 0.01 C V, at least 3 (typical catalogue, from memory). 1000 uF, 25 V: 250. */
export const leakageLimit = (ratedV: number, microfarad: number): number =>
  Math.max(3, 0.01 * requirePositive(microfarad, 'microfarad') * requirePositive(ratedV, 'ratedV'));

/** Usual tolerance, percent, by kind: electrolytics ±20, film and X or Y ±20 (M) unless marked, motor run ±10 (IEC 60252-1, from memory). */
export const USUAL_TOLERANCE: Readonly<Record<CapacitorKind, number>> = {
  electrolytic: 20,
  film: 10,
  X2: 20,
  Y2: 20,
  'motor run': 10,
};

/** Tolerance letters, percent (IEC 60062, from memory). */
export const TOLERANCE_LETTERS: Readonly<Record<string, number>> = { F: 1, G: 2, J: 5, K: 10, M: 20 };

/** Life left over life at rated temperature: it doubles with each 10 K less (handbook rule). */
export const lifeFactor = (ratedC: number, usedC: number): number => 2 ** ((ratedC - usedC) / 10);

/** What is printed on a capacitor. */
export interface CapacitorMark {
  readonly farad: number;
  readonly tolerancePercent: number | null;
  /** Rated volts; of X and Y kinds a.c. */
  readonly volts: number | null;
  readonly kind: 'X1' | 'X2' | 'Y1' | 'Y2' | null;
}

const CLASS = /\b(X1|X2|Y1|Y2)\b/i;
/** 104K275: two figures, a power of ten in picofarads, tolerance letter, volts. */
const CODE = /^(\d{2})(\d)([FGJKM])?\s*(\d{2,4})?(?:\s*V)?$/i;
/** 4n7, 0u1, 470n, 0.15 uF, 1000 µF; tolerance letter and volts may follow. */
const PLAIN = /^(\d+)(?:[.,](\d+))?\s*([pnuµ])\s*(\d*)\s*F?\s*([FGJKM](?![a-z]))?\s*(?:(\d{1,4}(?:[.,]\d)?)\s*V)?/i;
const SCALE: Readonly<Record<string, number>> = { p: 1e-12, n: 1e-9, u: 1e-6, µ: 1e-6 };

/** Reads a marking; null when it is none of the usual ones. */
export function readCapacitorMark(text: string): CapacitorMark | null {
  const kind = (CLASS.exec(text)?.[1]?.toUpperCase() ?? null) as CapacitorMark['kind'];
  const plain = text
    .replace(CLASS, '')
    .replace(/~|AC\b|DC\b/gi, '')
    .trim();
  const code = CODE.exec(plain);
  if (code) {
    const farad = Number(code[1]) * 10 ** (Number(code[2]) - 12);
    return farad > 0
      ? { farad, tolerancePercent: letter(code[3]), volts: code[4] ? Number(code[4]) : null, kind }
      : null;
  }
  const read = PLAIN.exec(plain);
  if (!read) return null;
  const [, whole, part, prefix = '', after] = read;
  const number = Number(`${whole}.${part ?? ''}${after ?? ''}`);
  const farad = number * (ownEntry(SCALE, prefix.toLowerCase()) ?? 0);
  const volts = read[6] ? decimal(read[6]) : null;
  return farad > 0 ? { farad, tolerancePercent: letter(read[5]), volts, kind } : null;
}

const letter = (text: string | undefined): number | null =>
  text ? (ownEntry(TOLERANCE_LETTERS, text.toUpperCase()) ?? null) : null;

/** A date code: year and week. */
export interface DateCode {
  readonly year: number;
  readonly week: number;
}

/** "201842" is week 42 of 2018, "1842" and "18W42" too: years to come belong to the last century. Null when no week fits. */
export function readDateCode(text: string, thisYear: number): DateCode | null {
  const match = /^(\d{2}|\d{4})[\s/W-]?(\d{2})$/i.exec(text.trim());
  if (!match) return null;
  const [years, week] = [Number(match[1]), Number(match[2])];
  if (week < 1 || week > 53) return null;
  const century = Math.floor(thisYear / 100) * 100;
  const year =
    (match[1] as string).length === 4 ? years : years + century <= thisYear ? years + century : years + century - 100;
  return year < 1950 || year > thisYear ? null : { year, week };
}
