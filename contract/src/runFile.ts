/**
 * A run as a file: JSON whole, or CSV that a spreadsheet opens (figures as name and value, then the
 * series, then the spectrum). Either read again gives the same run.
 */
import { ownEntry } from '@amber-gauge/core/quantity';
import Papa from 'papaparse';
import { z } from 'zod';
import { newRunSchema, type NewRun } from './runs.js';
import { say } from '@amber-gauge/core/words';

/** Name and version of the open format of a run. */
export const RUN_FORMAT = 'amber-gauge-run-1';

/** What leaves with a run; ids of this database stay here. */
const runFileSchema = newRunSchema
  .pick({ fileName: true, fileBytes: true, sha256: true, measuredAt: true, figures: true })
  .extend({ format: z.literal(RUN_FORMAT), sourceName: z.string().max(120).nullable() });
/** A run as it is exported. */
export type RunFile = z.infer<typeof runFileSchema>;

/** What reading a run's file came to; a refusal says what to do. */
export type RunFileResult =
  { readonly kind: 'run'; readonly file: RunFile } | { readonly kind: 'unusable'; readonly message: string };

/** The parts of a run that a file carries. */
export function runFileOf(run: Omit<NewRun, 'id' | 'jobId'>, sourceName: string | null): RunFile {
  const { fileName, fileBytes, sha256, measuredAt, figures } = run;
  return { format: RUN_FORMAT, fileName, fileBytes, sha256, measuredAt, sourceName, figures };
}

/** The file's text, one field a line. */
export const runToJson = (file: RunFile): string => `${JSON.stringify(file, null, 1)}\n`;

/** Three tables one under the other, with an empty line between. */
export function runToCsv(file: RunFile): string {
  const { figures, ...head } = file;
  const { series, spectrum, ...rest } = figures;
  const table = (rows: readonly (readonly unknown[])[]) => Papa.unparse(rows as unknown[][], { newline: '\n' });
  const parts = [table([['name', 'value'], ...leaves('', { ...head, figures: rest })])];
  if (series) {
    parts.push(
      table([
        ['time_s', 'error_percent', 'half_width_percent', `start_s=${series.startS}`, `step_s=${series.stepS}`],
        ...series.errorPercent.map((value, i) => [
          Number((series.startS + i * series.stepS).toFixed(6)),
          value,
          series.halfWidthPercent[i],
        ]),
      ]),
    );
  }
  if (spectrum) {
    parts.push(
      table([['frequency_hz', 'peak_percent'], ...spectrum.frequencyHz.map((hz, i) => [hz, spectrum.peakPercent[i]])]),
    );
  }
  return `${parts.join('\n\n')}\n`;
}

/** Reads a file written by either; a message says what is wrong with it. */
export function readRunFile(text: string): RunFileResult {
  const body = text.replace(/^\uFEFF/, '').trimStart();
  try {
    return checked(body.startsWith('{') ? (JSON.parse(body) as unknown) : fromCsv(body));
  } catch {
    return {
      kind: 'unusable',
      message: say`This is neither JSON nor CSV of a run. Export it again and import that file.`,
    };
  }
}

function checked(value: unknown): RunFileResult {
  if (!(typeof value === 'object' && value !== null && (value as { format?: unknown }).format === RUN_FORMAT)) {
    return { kind: 'unusable', message: say`This file is not a run exported here: its format line is missing.` };
  }
  const parsed = runFileSchema.safeParse(value);
  if (parsed.success) return { kind: 'run', file: parsed.data };
  const first = parsed.error.issues[0];
  return {
    kind: 'unusable',
    message: say`The run in this file is damaged at ${first?.path.join('.') ?? say`its start`}.`,
  };
}

function fromCsv(text: string): unknown {
  const [head = '', ...tables] = text.trim().split(/\r?\n\s*\r?\n/);
  const rows = (part: string) => Papa.parse<string[]>(part, { skipEmptyLines: true }).data;
  const root: Record<string, unknown> = {};
  for (const [name, value] of rows(head).slice(1)) if (name) plant(root, name.split('.'), fromCell(value ?? ''));
  const figures = root.figures as Record<string, unknown>;
  const series = tables.map(rows).find((table) => table[0]?.[0] === 'time_s');
  const spectrum = tables.map(rows).find((table) => table[0]?.[0] === 'frequency_hz');
  const column = (table: string[][], i: number) => table.slice(1).map((row) => Number(row[i]));
  figures.series = series
    ? { ...headNumbers(series[0] ?? []), errorPercent: column(series, 1), halfWidthPercent: column(series, 2) }
    : null;
  figures.spectrum = spectrum ? { frequencyHz: column(spectrum, 0), peakPercent: column(spectrum, 1) } : null;
  return root;
}

function headNumbers(cells: readonly string[]): { startS: number; stepS: number } {
  const read = (name: string) => Number(cells.find((cell) => cell.startsWith(`${name}=`))?.slice(name.length + 1));
  return { startS: read('start_s'), stepS: read('step_s') };
}

/** Name and value of every leaf; lists carry their index, empty lists their brackets. */
function leaves(path: string, value: unknown): [string, string][] {
  if (typeof value !== 'object' || value === null) return [[path, toCell(value)]];
  const entries = Object.entries(value);
  if (entries.length === 0) return [[path, Array.isArray(value) ? '[]' : '{}']];
  return entries.flatMap(([key, inner]) => leaves(path ? `${path}.${key}` : key, inner));
}

/** Text that would be read as something else, by us or as a formula by a spreadsheet, stands in quotes. */
function toCell(value: unknown): string {
  if (typeof value !== 'string') return String(value);
  return fromCell(value) === value && !/^[=+\-@\t\r]/.test(value) ? value : JSON.stringify(value);
}

function fromCell(cell: string): unknown {
  if (cell === '[]') return [];
  if (cell === 'true' || cell === 'false') return cell === 'true';
  if (cell === 'null') return null;
  if (/^-?\d+(\.\d+)?(e[+-]?\d+)?$/i.test(cell)) return Number(cell);
  return /^".*"$/s.test(cell) ? (JSON.parse(cell) as string) : cell;
}

/** Puts a value in its place; a name that every object inherits is a name like any other, and no run has it. */
function plant(root: Record<string, unknown>, path: readonly string[], value: unknown): void {
  let at: Record<string, unknown> = root;
  path.forEach((key, i) => {
    if (key in Object.prototype) throw new Error('a name that no run has');
    const inner = /^\d+$/.test(path[i + 1] ?? '') ? [] : {};
    const next = i === path.length - 1 ? value : (ownEntry(at, key) ?? inner);
    Object.defineProperty(at, key, { value: next, writable: true, enumerable: true, configurable: true });
    at = next as Record<string, unknown>;
  });
}
