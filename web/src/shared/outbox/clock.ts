/** The server's clock as seen from here: lines of several devices share one time. */
import { timeSchema } from '@amber-gauge/contract';
import { create } from 'zustand';
import { call } from '../api/client.js';

/** Server time less device time, milliseconds; 0 until the server was asked. */
export const useClock = create<{ readonly offsetMs: number }>(() => ({ offsetMs: 0 }));

/** A device further off than this is told of it. */
export const CLOCK_OFF_MS = 60_000;

/** Asks the server for its time, allowing for half the way. What was known stays when it does not answer. */
export async function setClock(): Promise<void> {
  const sent = Date.now();
  const { now } = await call('/time', timeSchema);
  useClock.setState({ offsetMs: Date.parse(now) - (sent + Date.now()) / 2 });
}

const LOOK_EVERY_MS = 5000;
/** Time that passed between two looks beyond this: the device slept, or its clock was moved. */
const SLEPT_MS = 15_000;

/** Asks again whenever the page comes back into view or wakes from sleep. */
export function watchClock(): void {
  const ask = () => void setClock().catch(() => undefined);
  document.addEventListener('visibilitychange', () => {
    if (document.visibilityState === 'visible') ask();
  });
  let [seen, ran] = [Date.now(), performance.now()];
  setInterval(() => {
    const wall = Date.now() - seen;
    const moved = Math.abs(wall - (performance.now() - ran));
    if (wall > SLEPT_MS || moved > 1000) ask();
    [seen, ran] = [Date.now(), performance.now()];
  }, LOOK_EVERY_MS);
}

/** The server’s time by this device’s clock, set to it. */
export const serverNow = (): Date => new Date(Date.now() + useClock.getState().offsetMs);

/** Time of a browser event (milliseconds since the page started) by the server's clock. */
export const serverTimeOf = (eventTimeStamp: number): Date =>
  new Date(performance.timeOrigin + eventTimeStamp + useClock.getState().offsetMs);
