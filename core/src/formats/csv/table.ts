/**
 * Tables of numbers as instruments write them: any usual separator, decimal point or comma, header
 * and unit rows, comment lines. Guesses are part of the result, so that they can be shown.
 */

/** A table of finite numbers, all rows of one width. */
export interface NumberTable {
  readonly kind: 'table';
  /** Names above the columns, '' where there were none; the unit row is joined to them. */
  readonly names: readonly string[];
  readonly columns: readonly Float64Array[];
  readonly separator: string;
  readonly decimalComma: boolean;
  /** Line in the file (from 1) of each row. */
  readonly lineOf: Uint32Array;
}

export type TableRefusal = {
  readonly kind: 'unusable';
  readonly reason: 'EMPTY_FILE' | 'NOT_A_TABLE' | 'TEXT_IN_NUMBERS' | 'TOO_MANY_ROWS';
  /** Line in the file (from 1) where it went wrong; 0 when the whole file is meant. */
  readonly line: number;
};

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
  if (!dialect) return refuse('NOT_A_TABLE');
  const first = rows.findIndex((row) => isNumbers(split(row.text, dialect), dialect));
  const header = rows.slice(0, first).map((row) => split(row.text, dialect));
  return fill(rows.slice(first), header, dialect);
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
  const values = numeric.slice(0, 2000).map((row) => Number(row.text.replace(',', '.')));
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
  return (
    cells.length > 0 && cells.every((cell) => pattern.test(cell) && Math.abs(Number(cell.replace(',', '.'))) < LARGEST)
  );
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
      (columns[c] as Float64Array)[i] = Number((cells[c] as string).replace(',', '.'));
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
  const wide = header.filter((cells) => cells.length >= width).slice(-2);
  const names = Array.from({ length: width }, (_, c) =>
    wide
      .map((cells) => cells[c] ?? '')
      .join(' ')
      .trim(),
  );
  return {
    kind: 'table',
    names,
    columns: columns.map((column) => column.subarray(0, count)),
    separator,
    decimalComma,
    lineOf: lineOf.subarray(0, count),
  };
}
