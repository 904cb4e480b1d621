/** The head of a table with the columns guessed from it. */
import { guessGyroColumns, guessPulseColumns, type GyroColumns, type PulseColumns } from '@amber-gauge/core/speed';
import { inWorker } from '../../../workers/speedClient.js';
import type { TableHead } from '../../../workers/speed.worker.js';
import { say } from '@amber-gauge/core/words';

export type { TableHead } from '../../../workers/speed.worker.js';

/** Columns as they seem to be. */
export interface Guess {
  readonly head: TableHead;
  readonly pulses: PulseColumns;
  readonly gyro: GyroColumns | 'accelerometer' | null;
}

/** @throws an Error in plain words when the file is no table. */
export async function guessFor(file: File, nominalRpm: number | null = null): Promise<Guess> {
  const stopped: TableHead | { message: string } = { message: say`Stopped.` };
  const head = await inWorker<TableHead | { message: string }>(async (api) => api.head(file), stopped).answer;
  if ('message' in head) throw new Error(head.message);
  const table = {
    kind: 'table' as const,
    names: head.names,
    columns: head.columns,
    separator: head.separator,
    decimalComma: head.decimalComma,
    lineOf: new Uint32Array(0),
    texts: [],
    preamble: [],
    stamps: head.stamps,
  };
  return { head, pulses: guessPulseColumns(table), gyro: guessGyroColumns(table, nominalRpm) };
}

/** A column's name for the choice: its own, or its place. */
export const columnName = (head: TableHead, i: number): string =>
  head.names[i] ? `${i + 1}: ${head.names[i]}` : say`column ${i + 1}`;

/** Units of a time column, seconds each. */
export const TIME_UNITS: readonly (readonly [string, number])[] = [
  ['s', 1],
  ['ms', 1e-3],
  ['µs', 1e-6],
  ['ns', 1e-9],
  ['min', 60],
];
