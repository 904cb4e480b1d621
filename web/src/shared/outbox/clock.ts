/** The server's clock as seen from here: lines of several devices share one time. */
import { timeSchema } from '@amber-gauge/contract';
import { call } from '../api/client.js';

let offsetMs = 0;

/** Asks the server for its time, allowing for half the way. */
export async function setClock(): Promise<void> {
  const sent = Date.now();
  const { now } = await call('/time', timeSchema);
  offsetMs = Date.parse(now) - (sent + Date.now()) / 2;
}

export const serverNow = (): Date => new Date(Date.now() + offsetMs);

/** Time of a browser event (milliseconds since the page started) by the server's clock. */
export const serverTimeOf = (eventTimeStamp: number): Date =>
  new Date(performance.timeOrigin + eventTimeStamp + offsetMs);
