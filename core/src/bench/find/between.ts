/** The last value measured on each signal of the path: what stands between its rows. */
import type { DrivePath } from '../../families/index.js';
import { withUnit, ownEntry } from '../../quantity/index.js';
import { speedWords, valueWords } from '../describe.js';
import type { BenchEvent } from '../event.js';
import type { FindEvidence } from './evidence.js';

/** A value as it stands between two rows. */
export interface BetweenValue {
  readonly key: string;
  readonly signal: string;
  /** "27.4 V d.c.", "−1.20 ± 0.10 %", or the words of a look. */
  readonly words: string;
  readonly at: string;
  /** The state it stands for where a number was read: "right", "low"; null where the words say it. */
  readonly verdict: string | null;
  /** Conditions it was read under, other than the usual ones: "45", "warm". */
  readonly conditions: readonly string[];
  /** Read before the last work: it speaks of the unit as it was. */
  readonly before: boolean;
}

/** The newest of each signal, by its id. */
export function betweenRows(
  path: DrivePath,
  evidence: FindEvidence,
  lines: readonly BenchEvent[],
): ReadonlyMap<string, BetweenValue> {
  const byKey = new Map(lines.map((line) => [line.key, line]));
  const out = new Map<string, BetweenValue>();
  const epochs = evidence.events.map((event) => event.kind === 'epoch');
  const lastEpoch = epochs.lastIndexOf(true);
  evidence.events.forEach((event, i) => {
    if (event.kind !== 'saw' || event.observation.saw.kind !== 'signal') return;
    const { id, context, saw } = event.observation;
    const line = byKey.get(id);
    if (!line) return;
    const { words, measured } = told(line.body);
    out.set(saw.signal, {
      key: id,
      signal: saw.signal,
      words,
      at: line.enteredAt,
      verdict: measured ? topState(saw.weights) : null,
      conditions: path.contexts.flatMap(({ id: name, values }) => {
        const value = ownEntry(context, name);
        return value !== undefined && value !== values[0] ? [value] : [];
      }),
      before: i < lastEpoch,
    });
  });
  return out;
}

function told(body: BenchEvent['body']): { readonly words: string; readonly measured: boolean } {
  switch (body.kind) {
    case 'reading':
      return { words: valueWords(body).replace(/ d\.c\.$/, ''), measured: true };
    case 'speed':
      return { words: speedWords(body), measured: body.errorPercent !== null };
    case 'answer':
      return body.value === null
        ? { words: body.words, measured: false }
        : { words: withUnit(body.value, body.unit ?? ''), measured: true };
    default:
      return { words: '', measured: false };
  }
}

const topState = (weights: Readonly<Record<string, number>>): string | null =>
  Object.entries(weights).sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
