/**
 * Long logs as they were last read, so that a line more costs a line and not the whole log. Only a writer
 * that holds the job's row asks here; what is held is good as long as its last line still stands where it stood.
 */
import type { Db } from '../../db/connect.js';
import { logOf, positionOf, type JobLog } from './repository.js';

/** Logs shorter than this are read whole each time: that takes a few milliseconds. */
const LONG_LOG = 300;
/** Lines held of all logs together; about 1 KB each. */
const MOST_LINES = 30_000;

/** By job, the one used last at the end. */
const held = new Map<string, JobLog>();

/** The log of a job whose row the caller holds, lines of known kinds taken as they stand. */
export async function heldLog(trx: Db, jobId: string): Promise<JobLog> {
  const known = held.get(jobId);
  held.delete(jobId);
  const log = (known && (await grown(trx, jobId, known))) ?? (await logOf(trx, jobId, { trusting: true }));
  if (linesOf(log) >= LONG_LOG) {
    held.set(jobId, log);
    forgetOldest();
  }
  return log;
}

/** What is held with the lines behind it; null when its last line is not where it was (a restore, a line never committed). */
async function grown(trx: Db, jobId: string, known: JobLog): Promise<JobLog | null> {
  const last = known.events.at(-1);
  if (!last || known.unreadable.length > 0) return null;
  if ((await positionOf(trx, jobId, last.key)) !== last.position) return null;
  const news = await logOf(trx, jobId, { trusting: true, after: last.position });
  return { events: [...known.events, ...news.events], unreadable: news.unreadable };
}

const linesOf = ({ events, unreadable }: JobLog): number => events.length + unreadable.length;

function forgetOldest(): void {
  let lines = [...held.values()].reduce((sum, log) => sum + linesOf(log), 0);
  for (const [jobId, log] of held) {
    if (lines <= MOST_LINES) return;
    held.delete(jobId);
    lines -= linesOf(log);
  }
}
