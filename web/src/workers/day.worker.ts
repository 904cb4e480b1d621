/** Plans the day beside the page: the search takes a good part of a second. */
import { planDay, type Bench, type ChainJob, type DayPlan } from '@amber-gauge/core/bench';
import { expose } from 'comlink';

const dayWorker = {
  plan: (jobs: readonly ChainJob[], bench: Bench, pinned: readonly string[]): DayPlan => planDay(jobs, bench, pinned),
};
export type DayWorker = typeof dayWorker;
expose(dayWorker);
