/** From a job's log to its row in lists. */
import type { Job } from '@amber-gauge/contract';
import { listRow, unknownRow, type ListRow } from '@amber-gauge/core/bench';
import type { Db } from '../../db/connect.js';
import { heldLog } from '../events/longLogs.js';
import { logOf, type JobLog } from '../events/repository.js';
import { saveRow } from './repository.js';

/**
 * Reckons the job's row from its log and writes it where lists read it. Call inside the writing
 * transaction. A log that no state can be reckoned from says so in the list and stops nothing.
 */
export async function refreshState(trx: Db, job: Job, now: Date): Promise<void> {
  // A practice unit stands in no list and no figure: it has no row.
  if (job.practice) return;
  let log = await heldLog(trx, job.id);
  let row = rowOf(job, log, now);
  if (!row) {
    // A row taken on trust is not what it should be: each is read by the contract.
    log = await logOf(trx, job.id);
    row = rowOf(job, log, now) ?? unknownRow(job, now);
  }
  await saveRow(trx, job, row, log.events.length + log.unreadable.length);
}

/** The row of a log; null when it cannot be reckoned from these lines. */
function rowOf(job: Job, { events, unreadable }: JobLog, now: Date): ListRow | null {
  try {
    return listRow(job, events, unreadable, now);
  } catch {
    return null;
  }
}
