/** A row of readings that one answer sums up: every joint of a line, three pairs of windings. */
import type { PathTest } from '../families/index.js';
import { fixed, decimal } from '../quantity/index.js';
import { say } from '../words/index.js';

/** The answer that a row of readings stands for, or why there is none. */
export type RowAnswer =
  | { readonly kind: 'answer'; readonly outcome: string; readonly words: string }
  | { readonly kind: 'unusable'; readonly message: string };

const OPEN = /^(open|o\.?l\.?|inf|infinite|∞)$/i;

/** A typed reading of a row: a number with point or comma, or open (Infinity); null when it is neither. */
export function readCell(text: string): number | null {
  const plain = text.trim();
  if (OPEN.test(plain)) return Infinity;
  if (!/^-?\d+(?:[.,]\d+)?$/.test(plain)) return null;
  return decimal(plain);
}

/** The answer that a row of readings stands for, in the order too low, open, too far apart, right. */
export function readRow(test: PathTest, values: readonly number[]): RowAnswer {
  const { row } = test;
  if (!row) return { kind: 'unusable', message: say`${test.name} has one reading, not a row.` };
  if (values.length !== row.labels.length)
    return {
      kind: 'unusable',
      message: say`${test.name} has ${row.labels.length} readings: ${row.labels.join(', ')}.`,
    };
  const strange = values.findIndex((value) => Number.isNaN(value) || value < 0);
  if (strange >= 0)
    return { kind: 'unusable', message: say`${row.labels[strange] ?? ''}: a number of ${row.unit}, or open.` };
  const cell = (value: number, i: number) =>
    `${row.labels[i]} ${value === Infinity ? 'open' : `${fixed(value, 2)} ${row.unit}`}`;
  const answered = (outcome: string, where: readonly number[]): RowAnswer => {
    const words = test.outcomes.find((one) => one.id === outcome)?.words ?? outcome;
    const at = where.length > 0 ? ` at ${where.map((i) => row.labels[i]).join(', ')}` : '';
    return { kind: 'answer', outcome, words: `${words}${at} (${values.map(cell).join('; ')})` };
  };
  const which = (odd: (value: number) => boolean) => values.flatMap((value, i) => (odd(value) ? [i] : []));
  const { low, open, apart } = row;
  const lows = low ? which((value) => value < low.below) : [];
  if (low && lows.length > 0) return answered(low.answer, lows);
  const opens = open ? which((value) => value > open.above) : [];
  if (open && opens.length > 0) return answered(open.answer, opens);
  const spread = Math.max(...values) - Math.min(...values);
  if (apart && !(spread <= apart.over)) {
    const middle = [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] as number;
    return answered(
      apart.answer,
      which((value) => Math.abs(value - middle) > apart.over / 2),
    );
  }
  return answered(row.right, []);
}
