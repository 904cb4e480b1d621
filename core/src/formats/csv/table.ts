/**
 * Tables of numbers as instruments write them: any usual separator, decimal point or comma, header
 * and unit rows, comment lines. Guesses are part of the result, so that they can be shown.
 */

import { decimal } from '../../quantity/index.js';
import { stampColumn, stampSeconds } from './stamps.js';

/** A table of finite numbers, all rows of one width. */
export interface NumberTable {
  readonly kind: 'table';
  /** Columns of words beside the numbers (a channel's name, the sense of an edge), one cell a row. */
  readonly texts: readonly TextColumn[];
  /** Rows before the numbers that are no header, cells as they stand: names with their values. */
  readonly preamble: readonly (readonly string[])[];
  /** Which of `columns` was made from stamps of date or clock; its unit is the second. Null when none was. */
  readonly stamps: number | null;
  /** Names above the columns, '' where there were none; the unit row is joined to them. */
  readonly names: readonly string[];
  readonly columns: readonly Float64Array[];
  readonly separator: string;
  readonly decimalComma: boolean;
  /** Line in the file (from 1) of each row. */
  readonly lineOf: Uint32Array;
}

/** A column that holds words. */
export interface TextColumn {
  readonly name: string;
  readonly cells: readonly string[];
}

/** Why a table cannot be read, with its row. */
export type TableRefusal = {
  readonly kind: 'unusable';
  readonly reason: 'EMPTY_FILE' | 'NOT_A_TABLE' | 'TEXT_IN_NUMBERS' | 'TOO_MANY_ROWS';
  /** Line in the file (from 1) where it went wrong; 0 when the whole file is meant. */
  readonly line: number;
};

/** Rows that are read; a longer table is refused by name. */
export const MOST_ROWS = 4_000_000;

const refuse = (reason: TableRefusal['reason'], line = 0): TableRefusal => ({ kind: 'unusable', reason, line });

interface Row {
  readonly line: number;
  readonly text: string;
}

/** Reads a table. Never throws; text among the numbers is refused with its line. */
export function readTable(text: string): NumberTable | TableRefusal {
  const rows = rowsOf(text);
  if (rows.length === 0) return refuse('EMPTY_FILE');
  if (rows.length > MOST_ROWS) return refuse('TOO_MANY_ROWS');
  const dialect = guessDialect(rows);
  const mixed = mixedDialect(rows, dialect);
  if (mixed) return fillMixed(rows, mixed);
  if (!dialect) return refuse('NOT_A_TABLE');
  const first = firstOfBlock(rows, dialect);
  const header = rows.slice(0, first).map((row) => split(row.text, dialect));
  return fill(rows.slice(first), header, dialect);
}

/** The first row of numbers that is followed by more of its width: a preamble may hold numbers too. */
function firstOfBlock(rows: readonly Row[], dialect: Dialect): number {
  const fits = (row: Row | undefined) => {
    const cells = row ? split(row.text, dialect) : [];
    return cells.length >= dialect.width && isNumbers(cells, dialect);
  };
  const found = rows.findIndex((row, i) => fits(row) && (i + 1 >= rows.length || fits(rows[i + 1]) || i > 200));
  return found >= 0 ? found : rows.findIndex(fits);
}

/** Rows of one width in which some columns are words: stamps, channels, the sense of an edge. */
interface MixedDialect extends Dialect {
  readonly isText: readonly boolean[];
  readonly first: number;
}

/** Share of the sampled rows a reading must explain to be preferred over rows of numbers alone. */
const MIXED_SHARE = 0.6;

function mixedDialect(rows: readonly Row[], plain: Dialect | null): MixedDialect | null {
  const sample = rows.slice(0, 40).concat(rows.slice(Math.max(40, rows.length - 120)));
  if (plain) {
    const plainShare = sample.filter((row) => {
      const cells = split(row.text, plain);
      return cells.length === plain.width && isNumbers(cells, plain);
    }).length;
    if (plainShare > 0.5 * sample.length) return null;
  }
  let best: MixedDialect | null = null;
  let bestScore = MIXED_SHARE;
  for (const separator of [';', '\t', ',', '|', ' ']) {
    for (const decimalComma of [false, true]) {
      if (separator === ',' && decimalComma) continue;
      const dialect = { separator, decimalComma, width: 0 };
      const cut = sample.map((row) => split(row.text, dialect));
      const width = mostCommon(cut.map((cells) => cells.length));
      if (width < 1) continue;
      const own = cut.filter((cells) => cells.length === width);
      const numeric = (c: number) =>
        own.filter((cells) => isNumbers([cells[c] as string], dialect)).length / own.length;
      const isText = Array.from({ length: width }, (_, c) => numeric(c) < 0.5);
      const useful = isText.some(
        (text, c) =>
          !text || own.filter((cells) => stampSeconds(cells[c] as string) !== null).length > 0.5 * own.length,
      );
      const score = useful ? own.length / sample.length + 0.01 * isText.filter((text) => !text).length : 0;
      if (score <= bestScore) continue;
      const found = { ...dialect, width, isText };
      const first = rows.findIndex(
        (row, i) => isMixedRow(row, found) && (i + 1 >= rows.length || isMixedRow(rows[i + 1] as Row, found)),
      );
      if (first >= 0) [best, bestScore] = [{ ...found, first }, score];
    }
  }
  return best;
}

function isMixedRow(row: Row, { isText, ...dialect }: Dialect & { readonly isText: readonly boolean[] }): boolean {
  const cells = split(row.text, dialect);
  return (
    cells.length === isText.length &&
    cells.every((cell, c) => isText[c] || isNumbers([cell], dialect)) &&
    isText.some((text, c) => !text || stampSeconds(cells[c] as string) !== null)
  );
}

function fillMixed(rows: readonly Row[], dialect: MixedDialect): NumberTable | TableRefusal {
  const body = rows.slice(dialect.first);
  // A last row broken off by the end of a recording is left out.
  if (body.length > 3 && !isMixedRow(body[body.length - 1] as Row, dialect)) body.pop();
  const broken = body.find((row) => !isMixedRow(row, dialect));
  if (broken) return refuse('TEXT_IN_NUMBERS', broken.line);
  const header = rows.slice(0, dialect.first).map((row) => split(row.text, dialect));
  const names = namesFrom(header, dialect.width);
  const cells = body.map((row) => split(row.text, dialect));
  const columns: Float64Array[] = [];
  const columnNames: string[] = [];
  const texts: TextColumn[] = [];
  let stamps: number | null = null;
  dialect.isText.forEach((isText, c) => {
    const words = cells.map((row) => row[c] as string);
    const seconds = isText && stamps === null ? stampColumn(words) : null;
    if (isText && !seconds) return texts.push({ name: names[c] as string, cells: words });
    if (seconds) stamps = columns.length;
    columnNames.push(names[c] as string);
    return columns.push(seconds ?? Float64Array.from(words, (word) => decimal(word)));
  });
  const { separator, decimalComma } = dialect;
  const lineOf = Uint32Array.from(body, (row) => row.line);
  return {
    kind: 'table',
    names: columnNames,
    columns,
    texts,
    preamble: header,
    stamps,
    separator,
    decimalComma,
    lineOf,
  };
}

interface Dialect {
  readonly separator: string;
  readonly decimalComma: boolean;
  readonly width: number;
}

function rowsOf(text: string): Row[] {
  const out: Row[] = [];
  text
    .replace(/^\uFEFF/, '')
    .split(/\r\n|\r|\n/)
    .forEach((raw, i) => {
      const row = raw.trim();
      if (row !== '' && !row.startsWith('#') && !row.startsWith('%')) out.push({ line: i + 1, text: row });
    });
  return out;
}

/** The reading under which most of a sample of rows are numbers of one width; more than one column weighs as much as a third of the rows. */
function guessDialect(rows: readonly Row[]): Dialect | null {
  const sample = rows.slice(0, 40).concat(rows.slice(-40));
  let best: Dialect | null = null;
  let bestScore = 0;
  for (const separator of [';', '\t', ',', '|', ' ']) {
    for (const decimalComma of [false, true]) {
      if (separator === ',' && decimalComma) continue;
      const widths = sample.flatMap((row) => {
        const cells = split(row.text, { separator, decimalComma, width: 0 });
        return isNumbers(cells, { separator, decimalComma, width: 0 }) ? [cells.length] : [];
      });
      const width = mostCommon(widths);
      const share = widths.filter((one) => one === width).length / sample.length;
      const score = share + (width > 1 ? 0.3 : 0) + (decimalComma ? 0 : 0.05);
      if (width > 0 && score > bestScore) [best, bestScore] = [{ separator, decimalComma, width }, score];
    }
  }
  return best && preferDecimalComma(rows, best);
}

/** "0,0123" in every row is one column with decimal commas, not two columns, when it rises as such. */
function preferDecimalComma(rows: readonly Row[], dialect: Dialect): Dialect {
  if (dialect.separator !== ',' || dialect.width !== 2) return dialect;
  const numeric = rows.filter((row) => /^-?\d+,\d+$/.test(row.text));
  if (numeric.length < rows.length - 2 || numeric.length < 3) return dialect;
  const values = numeric.slice(0, 2000).map((row) => decimal(row.text));
  const rising = values.every((value, i) => i === 0 || value > (values[i - 1] as number));
  return rising && looksDecimal(numeric) ? { separator: ' ', decimalComma: true, width: 1 } : dialect;
}

/** Decimals show by repeated whole parts, leading noughts, or a right part that does not rise by itself. */
function looksDecimal(rows: readonly Row[]): boolean {
  const parts = rows.slice(0, 2000).map((row) => row.text.split(',') as [string, string]);
  return parts.some(([whole, part], i) => {
    const before = parts[i - 1];
    const leading = part.length > 1 && part.startsWith('0');
    return leading || (before !== undefined && (before[0] === whole || Number(part) <= Number(before[1])));
  });
}

function mostCommon(values: readonly number[]): number {
  const counts = new Map<number, number>();
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? 0;
}

function split(text: string, { separator }: Dialect): string[] {
  const cells = separator === ' ' ? text.split(/\s+/) : text.split(separator);
  const trimmed = cells.map((cell) => cell.trim().replace(/^"(.*)"$/, '$1'));
  while (trimmed.length > 1 && trimmed[trimmed.length - 1] === '') trimmed.pop();
  return trimmed;
}

const POINT = /^[+-]?(\d+\.?\d*|\.\d+)([eE][+-]?\d+)?$/;
const COMMA = /^[+-]?(\d+,?\d*|,\d+)([eE][+-]?\d+)?$/;

/** Beyond this no time and no reading lies; squares of such a number leave the range of doubles. */
const LARGEST = 1e100;

function isNumbers(cells: readonly string[], dialect: Dialect): boolean {
  const pattern = dialect.decimalComma ? COMMA : POINT;
  return cells.length > 0 && cells.every((cell) => pattern.test(cell) && Math.abs(decimal(cell)) < LARGEST);
}

function fill(rows: readonly Row[], header: readonly string[][], dialect: Dialect): NumberTable | TableRefusal {
  const columns = Array.from({ length: dialect.width }, () => new Float64Array(rows.length));
  const lineOf = new Uint32Array(rows.length);
  for (const [i, row] of rows.entries()) {
    const cells = split(row.text, dialect);
    if (cells.length < dialect.width || !isNumbers(cells.slice(0, dialect.width), dialect)) {
      // A last row broken off by the end of a recording is left out; anything else is refused.
      if (i === rows.length - 1 && i > 2) return cut(columns, lineOf, i, header, dialect);
      return refuse('TEXT_IN_NUMBERS', row.line);
    }
    for (let c = 0; c < dialect.width; c++) {
      (columns[c] as Float64Array)[i] = decimal(cells[c] as string);
    }
    lineOf[i] = row.line;
  }
  return cut(columns, lineOf, rows.length, header, dialect);
}

function cut(
  columns: readonly Float64Array[],
  lineOf: Uint32Array,
  count: number,
  header: readonly string[][],
  { separator, decimalComma, width }: Dialect,
): NumberTable {
  return {
    kind: 'table',
    names: namesFrom(header, width),
    texts: [],
    preamble: header,
    stamps: null,
    columns: columns.map((column) => column.subarray(0, count)),
    separator,
    decimalComma,
    lineOf: lineOf.subarray(0, count),
  };
}

/** The last two rows wide enough, joined; rows of name and value before them are the preamble. */
function namesFrom(header: readonly (readonly string[])[], width: number): string[] {
  const last = header
    .slice(-2)
    .filter((cells) => cells.length >= width && cells.every((cell) => Number.isNaN(Number(cell || 'x'))));
  return Array.from({ length: width }, (_, c) =>
    last
      .map((cells) => cells[c] ?? '')
      .join(' ')
      .trim(),
  );
}
