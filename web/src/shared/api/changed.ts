/** What a change of one job makes of the bench at a glance, without fetching it anew. */
import type { JobList, JobListItem } from '@amber-gauge/contract';

/** The glance with a job's new row; null where only the server knows how it looks now. */
export function withRow(list: JobList, item: JobListItem): JobList | null {
  const before = list.jobs.find(({ job }) => job.id === item.job.id);
  // A unit that was not in sight may have counted anywhere.
  if (!before || !list.counts) return null;
  const counts = { ...list.counts };
  counts[before.next.kind] -= 1;
  counts[item.next.kind] += 1;
  return { ...list, counts, jobs: [item, ...list.jobs.filter((one) => one !== before)] };
}
