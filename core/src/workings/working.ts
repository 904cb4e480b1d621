/**
 * A working: one sum of the bench with its fields, what it takes for granted, and what it says. The page, the
 * command line and the log only carry typed texts in and rows out.
 */
import { numberIn, ownEntry } from '../quantity/index.js';
import { say } from '../words/index.js';
import { LARGEST_ENTRY } from './defaults.js';

/** What a field takes. */
export interface WorkingField {
  readonly id: string;
  readonly label: string;
  readonly unit: string | null;
  readonly kind: 'number' | 'choice' | 'text';
  readonly choices?: readonly string[];
  /** Stands in the field until something else is typed. */
  readonly usual?: string;
  /** The clock fills it: the core has none of its own. */
  readonly now?: 'year';
  /** May be left empty. */
  readonly optional?: boolean;
  /** Numbers: which are allowed; above zero unless said. */
  readonly range?: 'above zero' | 'zero or more' | 'any';
  /** Words of a place whose last reading in this unit fills the field; see `prefill`. */
  readonly from?: RegExp;
  /** The model's sheet fills it, from the field of that name. */
  readonly fromSheet?: 'codes';
  /** It is filled by a reading from peak to peak; the others never are. */
  readonly peakToPeak?: boolean;
}

/** A line of the answer. */
export interface WorkingRow {
  readonly label: string;
  readonly value: string;
}

/** What later readings at a place are judged by. */
export interface WorkingExpectation {
  readonly place: string;
  readonly unit: string;
  readonly low: number;
  readonly high: number;
}

/** What a sum comes to. */
export interface WorkingAnswer {
  readonly kind: 'answer';
  readonly rows: readonly WorkingRow[];
  /** The word that counts; null where the sum judges nothing. */
  readonly verdict: string | null;
  /** What it means and what to do, a sentence each. */
  readonly says: readonly string[];
  readonly expects: WorkingExpectation | null;
}

/** Fields still empty, or one that cannot be. */
export type WorkingResult =
  | WorkingAnswer
  | { readonly kind: 'missing'; readonly fields: readonly string[] }
  | { readonly kind: 'wrong'; readonly field: string; readonly message: string };

/** Typed texts by field. */
export type WorkingTexts = Readonly<Record<string, string>>;

/** See the head of this file. */
export interface Working {
  readonly id: string;
  readonly name: string;
  /** The question it answers, as one would ask it at the bench. */
  readonly asks: string;
  /** What it takes for granted, with where it comes from. */
  readonly assumes: readonly string[];
  readonly fields: readonly WorkingField[];
  solve(given: Given): Omit<WorkingAnswer, 'kind'>;
}

/** A value that cannot be, at its field. */
class FieldProblem extends Error {
  constructor(
    readonly field: string,
    message: string,
  ) {
    super(message);
  }
}

/** What was typed, read by field. */
export class Given {
  constructor(
    private readonly working: Pick<Working, 'fields'>,
    private readonly texts: WorkingTexts,
  ) {}

  /** The words in a field, or what usually stands there. */
  text(id: string): string {
    const field = this.working.fields.find((one) => one.id === id);
    const typed = (ownEntry(this.texts, id) ?? '').trim();
    return typed === '' ? (field?.usual ?? '') : typed;
  }

  /** Null when an optional field is empty. */
  optional(id: string): number | null {
    return this.text(id) === '' ? null : this.number(id);
  }

  number(id: string): number {
    const field = this.working.fields.find((one) => one.id === id);
    const text = this.text(id);
    const value = numberIn(text);
    if (value === null) return this.refuse(id, say`“${text}” is no number.`);
    const range = field?.range ?? ('above zero' as const);
    if (range === 'above zero' && value <= 0) return this.refuse(id, say`It must be above zero.`);
    if (range === 'zero or more' && value < 0) return this.refuse(id, say`It cannot be below zero.`);
    if (Math.abs(value) > LARGEST_ENTRY || (value !== 0 && Math.abs(value) < 1 / LARGEST_ENTRY))
      return this.refuse(id, say`That size cannot be: check the unit.`);
    return value;
  }

  /** Several numbers in one field, apart by spaces or strokes; "OL" and "open" count as Infinity. */
  numbers(id: string, count: number): number[] {
    const words = this.text(id)
      .split(/[\s;/|]+/)
      .filter(Boolean);
    const values = words.map((word) => (/^(ol|open|inf|∞)$/i.test(word) ? Infinity : (numberIn(word) ?? Number.NaN)));
    if (values.length !== count || values.some((one) => Number.isNaN(one) || one < 0))
      return this.refuse(id, say`${count} readings are wanted, apart by spaces; OL for open.`);
    return values;
  }

  choice<T extends string>(id: string, among: readonly T[]): T {
    const text = this.text(id);
    return among.find((one) => one === text) ?? this.refuse(id, say`One of: ${among.join(', ')}.`);
  }

  /** @throws to the field: the sum stops there and says why. */
  refuse(field: string, message: string): never {
    throw new FieldProblem(field, message);
  }
}

/** Solves a working from typed texts; what cannot be is said at its field, never thrown. */
export function solveWorking(working: Working, texts: WorkingTexts): WorkingResult {
  const given = new Given(working, texts);
  const missing = working.fields.filter((field) => !field.optional && given.text(field.id) === '');
  if (missing.length > 0) return { kind: 'missing', fields: missing.map((field) => field.id) };
  try {
    return { kind: 'answer', ...working.solve(given) };
  } catch (error) {
    if (error instanceof FieldProblem) return { kind: 'wrong', field: error.field, message: error.message };
    throw error;
  }
}
