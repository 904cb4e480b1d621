/** Marks a practice unit off the page's own thread: the advice is played on it, and its log played back. */
import type { BenchEvent, JobFacts } from '@amber-gauge/core/bench';
import { debriefOf, type Debrief } from '@amber-gauge/core/training';
import { expose } from 'comlink';

const api = {
  /** Null for a job that is no practice unit. */
  debrief: (job: JobFacts, events: readonly BenchEvent[]): Debrief | null => debriefOf(job, events),
};

export type PracticeWorker = typeof api;
expose(api);
