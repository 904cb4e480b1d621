/** A job as the screen shows it: what the server keeps plus what waits in this browser, and its state. */
import type { Job, UnreadableLine } from '@amber-gauge/contract';
import {
  inOrder,
  jobState,
  nextWish,
  owedItems,
  powerLineWords,
  standing,
  type BenchEvent,
  type JobState,
  type NextWish,
  type Owed,
} from '@amber-gauge/core/bench';
import { useMemo } from 'react';
import { useJob } from '../../shared/api/queries.js';
import { useOutbox } from '../../shared/outbox/outbox.js';
import { useNow } from '../../shared/ui/useNow.js';

/** A line of the log, and whether it has been kept by the server. */
export interface LogLine {
  readonly event: BenchEvent;
  readonly status: 'kept' | 'waiting' | 'refused';
  readonly refused: string | null;
}

/** A job as the screen stands on it: facts, lines, state. */
export interface JobView {
  readonly job: Job;
  readonly lines: readonly LogLine[];
  /** Lines of the log that cannot be read here. */
  readonly unreadable: readonly UnreadableLine[];
  readonly state: JobState;
  readonly owed: readonly Owed[];
  readonly next: NextWish;
  /** The words of each power line, as the bar said them. */
  readonly powerWords: ReadonlyMap<string, string>;
}

const NOW_EVERY_MS = 5000;

/** The job by its id, with lines that still wait to be sent. */
export function useJobView(id: string): { view: JobView | null; error: Error | null } {
  const { data, error } = useJob(id);
  const entries = useOutbox((state) => state.entries);
  // The wish depends on the clock only through timers; a few seconds are fine enough for it.
  const now = useNow(NOW_EVERY_MS);
  const base = useMemo(() => {
    if (!data) return null;
    const kept = new Set(data.events.map((event) => event.key));
    const own = entries.filter((entry) => entry.jobId === id && !kept.has(entry.event.key));
    const status = new Map<string, LogLine>();
    for (const event of data.events) status.set(event.key, { event, status: 'kept', refused: null });
    for (const entry of own) {
      status.set(entry.event.key, {
        event: entry.event,
        status: entry.refused ? 'refused' : 'waiting',
        refused: entry.refused,
      });
    }
    const counted = [...status.values()].filter((line) => line.status !== 'refused').map((line) => line.event);
    const state = jobState(data.job, counted, data.unreadable);
    const lines = inOrder([...status.values()].map((line) => line.event)).map(
      (event) => status.get(event.key) as LogLine,
    );
    const powerWords = powerLineWords(data.job, standing(counted));
    return {
      job: data.job,
      lines,
      unreadable: data.unreadable,
      state,
      owed: owedItems(data.job, state),
      powerWords,
    };
  }, [data, entries, id]);
  const view = useMemo(() => base && { ...base, next: nextWish(base.job, base.state, now) }, [base, now]);
  return { view, error };
}
