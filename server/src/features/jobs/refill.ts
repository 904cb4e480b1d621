/** Rows that an older version wrote are reckoned anew, a few at a time, while the server serves. */
import type { Db } from '../../db/connect.js';
import { lockJob } from './repository.js';
import { refreshState } from './refresh.js';

const CHUNK = 20;

/** Fills rows whose part of the Book was never reckoned; how many. Stops when `going` says so. */
export async function refillRows(db: Db, now: () => Date, going: () => boolean): Promise<number> {
  let filled = 0;
  while (going()) {
    const ids = (await db('job_state').whereNull('book_at').limit(CHUNK).pluck('job_id')) as string[];
    if (ids.length === 0) break;
    for (const id of ids) {
      await db.transaction(async (trx) => {
        const job = await lockJob(trx, id);
        if (job) await refreshState(trx, job, now());
      });
      filled++;
    }
  }
  return filled;
}
