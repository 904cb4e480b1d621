/** The drive path's reasoning off the page's own thread. */
import { findAnswer, type BenchEvent, type FindAnswer, type FindBasis, type JobFacts } from '@amber-gauge/core/bench';
import { expose } from 'comlink';

const api = {
  /** Null for a family that has no drive path. */
  solve: (job: JobFacts, events: readonly BenchEvent[], basis: FindBasis): FindAnswer | null =>
    findAnswer(job, events, basis),
};

export type FindWorker = typeof api;
expose(api);
