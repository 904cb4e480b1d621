/** Which way can read a file that was dropped on another. */
import { guessFor } from './columns.js';
import type { Way } from './way.js';
import { say } from '@amber-gauge/core/words';

/** A table by its name; anything else is listened to. */
export const isTable = (file: File): boolean => /\.(csv|txt|tsv|dat|asc)$/i.test(file.name) || file.type === 'text/csv';

/** A file passed on from the way it was dropped on. */
export interface Handed {
  readonly file: File;
  readonly to: Way;
  readonly words: string;
}

/** Columns that name a gyroscope, or four columns that are no capture, are one's log; other tables are pulses. */
async function wayForTable(file: File, ways: readonly Way[]): Promise<Way | null> {
  const guess = await guessFor(file).catch(() => null);
  const gyro = guess?.gyro;
  const isGyro =
    gyro === 'accelerometer' ||
    (gyro != null && (gyro.axes.length === 3 || /gyr|omega|ω/i.test(guess?.head.names.join(' ') ?? '')));
  const wished: Way = isGyro ? 'gyroscope' : 'pulses';
  return ways.includes(wished) ? wished : null;
}

/** Where a file goes that `way` cannot read; null when it stays. */
export async function passedOn(file: File, way: Way, ways: readonly Way[]): Promise<Handed | null> {
  const hears: readonly Way[] = ['recording', 'sound'];
  if (hears.includes(way) && isTable(file)) {
    const to = await wayForTable(file, ways);
    return (
      to && {
        file,
        to,
        words: say`${file.name} is a table, no recording: read as
          ${to === 'pulses' ? say`pulses` : say`a gyroscope log`}.`,
      }
    );
  }
  if (way === 'gyroscope' && !isTable(file)) {
    const to: Way = ways.includes('recording') ? 'recording' : 'sound';
    return { file, to, words: say`${file.name} is a recording, no log: measured as a test tone.` };
  }
  if (way === 'pulses' && isTable(file) && (await wayForTable(file, ways)) === 'gyroscope')
    return { file, to: 'gyroscope', words: say`${file.name} holds three axes: read as a gyroscope log.` };
  return null;
}
