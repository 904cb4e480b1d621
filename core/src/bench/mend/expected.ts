/** Readings judged by the sums made before them: the newest sum of a place counts. */
import { THIN } from '../../quantity/index.js';
import { linesOf, type BenchEvent } from '../event.js';
import type { Expectation } from './body.js';
import { say } from '../../words/index.js';

/** A reading beside what was reckoned for its place. */
export interface Judged {
  readonly expectation: Expectation;
  readonly verdict: 'right' | 'low' | 'high';
  /** "expected 26.4 to 31.1 V, reckoned: low". */
  readonly words: string;
}

const same = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();

/** Judgements by the reading's key. `places` gives readings their place where it was said later. Lines stand, in order. */
export function judgedReadings(
  lines: readonly BenchEvent[],
  places: ReadonlyMap<string, string | null> = new Map(),
): ReadonlyMap<string, Judged> {
  const out = new Map<string, Judged>();
  if (linesOf(lines, 'working').length === 0) return out;
  const known: Expectation[] = [];
  for (const { key, body } of lines) {
    if (body.kind === 'working' && body.expects) known.push(body.expects);
    if (body.kind !== 'reading' || body.values.length !== 1 || body.bound !== 'exact') continue;
    const place = body.place ?? places.get(key) ?? null;
    const expectation = place === null ? undefined : known.findLast((one) => same(one.place, place));
    // A ripple is no d.c.: what is read in another way is not judged by it.
    if (!expectation || body.unit !== expectation.unit || !(body.qualifier === null || body.qualifier === 'dc'))
      continue;
    const value = body.values[0] as number;
    const verdict = value < expectation.low ? 'low' : value > expectation.high ? 'high' : 'right';
    out.set(key, { expectation, verdict, words: `${expectedWords(expectation)}: ${verdict}` });
  }
  return out;
}

/** "expected 26.4 to 31.1 V, reckoned". */
function expectedWords({ low, high, unit }: Expectation): string {
  const three = (value: number) => String(Number(value.toPrecision(3)));
  return say`expected ${three(low)} to ${three(high)}${THIN}${unit}, reckoned`;
}

/** A field of a sum that the log can fill. */
interface LogField {
  readonly id: string;
  readonly unit: string | null;
  readonly kind: string;
  readonly from?: RegExp;
  readonly peakToPeak?: boolean;
}

type Reading = Extract<BenchEvent['body'], { kind: 'reading' }>;

/** Does a reading at this place belong into this field? */
const feeds = ({ from, kind, peakToPeak = false, unit }: LogField, place: string | null, reading: Reading): boolean =>
  from !== undefined &&
  place !== null &&
  from.test(place.toLowerCase()) &&
  // A row of readings belongs into a field of words, a single one into a field of a number.
  (kind === 'text' ? reading.values.length > 1 : reading.values.length === 1) &&
  reading.bound === 'exact' &&
  (reading.qualifier === 'pp') === peakToPeak &&
  (unit === null || reading.unit === unit);

/** The sums that a reading at this place feeds, by id. */
export const sumsFedBy = (
  sums: readonly { readonly id: string; readonly fields: readonly LogField[] }[],
  place: string | null,
  reading: Reading,
): string[] => sums.filter(({ fields }) => fields.some((field) => feeds(field, place, reading))).map(({ id }) => id);

/** What is typed into a working's fields from the log: the last single reading at a place that the field names. */
export function prefill(
  fields: readonly LogField[],
  readings: readonly { readonly place: string | null; readonly reading: Reading }[],
): Record<string, string> {
  const out: Record<string, string> = {};
  for (const field of fields) {
    const hit = readings.findLast(({ place, reading }) => feeds(field, place, reading));
    if (hit) out[field.id] = hit.reading.values.map((value) => String(Number(value.toPrecision(6)))).join(' ');
  }
  return out;
}
