/** SQL of the live view: a notification, nothing kept. */
import type { Db } from '../../db/connect.js';

/** Tells every process that listens to the channel. */
export async function notifyLive(db: Db, channel: string, payload: string): Promise<void> {
  await db.raw('select pg_notify(?, ?)', [channel, payload]);
}
