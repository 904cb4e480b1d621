/** Marks a practice unit off the page's own thread: the advice is played on it, and its log played back. */
import type { BenchEvent, JobFacts } from '@amber-gauge/core/bench';
import { debriefOf, type Debrief } from '@amber-gauge/core/training';
import { expose } from 'comlink';

/** The unit marked last, by its lines: it is asked for once to be ended, and once to be shown. */
let last: { readonly of: string; readonly debrief: Debrief | null } | null = null;

const api = {
  /** Null for a job that is no practice unit. */
  debrief: (job: JobFacts, events: readonly BenchEvent[]): Debrief | null => {
    const of = [job.number, job.practice?.seed, ...events.map(({ key }) => key)].join();
    if (last?.of !== of) last = { of, debrief: debriefOf(job, events) };
    return last.debrief;
  },
};

export type PracticeWorker = typeof api;
expose(api);
