/** What can be kept: the database refuses some text and some numbers that JSON allows; here they are refused by name. */
import { z } from 'zod';
import { say } from '@amber-gauge/core/words';

/** Years that a bench's lines can lie in. */
const FIRST_YEAR = 2000;
const LAST_YEAR = 2100;
/** Deeper nesting than this is no request of ours. */
const DEEPEST = 24;
/** Names that would reach an object's prototype. */
const PROTOTYPE = new Set(['__proto__', 'constructor', 'prototype']);

/** Where a value cannot be kept, and why. */
export interface Unstorable {
  readonly path: string;
  readonly why: string;
}

/** The first place in `value` (parsed JSON) that the database cannot hold, or null. */
export function unstorable(value: unknown, path: readonly string[] = []): Unstorable | null {
  const at = (why: string): Unstorable => ({ path: path.join('.') || 'body', why });
  if (typeof value === 'string') {
    const why = unstorableText(value);
    return why ? at(why) : null;
  }
  if (typeof value === 'number') return Number.isFinite(value) ? null : at(say`is not a finite number`);
  if (value === null || typeof value !== 'object') return null;
  if (path.length > DEEPEST) return at(say`is nested too deep`);
  for (const [name, inner] of Object.entries(value)) {
    if (PROTOTYPE.has(name) || unstorableText(name)) return at(say`has a name that cannot be kept`);
    const found = unstorable(inner, [...path, name]);
    if (found) return found;
  }
  return null;
}

/** NUL and half of a surrogate pair cannot be kept as text; null when all is well. */
function unstorableText(text: string): string | null {
  if (text.includes('\0')) return say`holds a sign that cannot be kept (NUL): take it out`;
  return !/\p{Surrogate}/u.test(text) ? null : say`holds half of a sign (a lone surrogate): type it again`;
}

/** A moment, ISO 8601 in UTC, to the millisecond, between the years 2000 and 2100. */
export const momentSchema = z.iso
  .datetime()
  .refine((text) => !/\.\d{4,}/.test(text), say`is finer than a millisecond`)
  .refine(
    (text) => {
      const year = new Date(text).getUTCFullYear();
      // What is no moment at all was said already.
      return Number.isNaN(year) || (year >= FIRST_YEAR && year < LAST_YEAR);
    },
    say`lies outside the years ${FIRST_YEAR} to ${LAST_YEAR}: set this device's clock`,
  );

/** A day as YYYY-MM-DD between the years 2000 and 2100. */
export const daySchema = z.iso.date().refine(
  (text) => {
    const year = Number(text.slice(0, 4));
    return year >= FIRST_YEAR && year < LAST_YEAR;
  },
  say`lies outside the years ${FIRST_YEAR} to ${LAST_YEAR}`,
);

/** A key as the database gives it back: lower case. */
export const keySchema = z.uuid().refine((key) => key === key.toLowerCase(), say`is not in lower case`);

/** A whole number from 0 that a 32-bit column holds. */
export const wholeSchema = z.number().int().nonnegative().max(2147483647);

/** A number that a single-precision column holds: smaller ones become 0. */
export const singleSchema = z
  .number()
  .refine((value) => Math.abs(value) <= 3.4e38, say`is beyond what can be kept`)
  .refine(Number.isFinite);
