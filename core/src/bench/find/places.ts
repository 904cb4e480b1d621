/** Which signal of the path a reading speaks of. */
import type { DrivePath, PathSignal } from '../../families/index.js';
import type { ReadingBody } from '../event.js';

/** A place read from peak to peak is called so in the families' tables. */
const PEAK_TO_PEAK = ', peak to peak' as const;

/** The signal measured at a place, in the reading's unit; peak to peak is a place of its own. */
export function signalAt(path: DrivePath, body: ReadingBody, place: string | null): PathSignal | null {
  if (place === null) return null;
  const wanted = `${place}${body.qualifier === 'pp' ? PEAK_TO_PEAK : ''}`.toLowerCase();
  const signal = path.signals.find((one) => one.measure?.place.toLowerCase() === wanted);
  return signal && signal.measure?.unit === body.unit ? signal : null;
}
