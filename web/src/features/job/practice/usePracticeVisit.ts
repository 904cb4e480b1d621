/** The practice unit of a job as its log has left it, and its tone where the cable would be. */
import { noiseOfUnit, practiceVisit, toneOf, type Visit } from '@amber-gauge/core/training';
import type { Condition } from '@amber-gauge/core/practice';
import { useEffect, useMemo } from 'react';
import { useSources } from '../../../shared/api/queries.js';
import { useJobSource } from '../../../shared/api/useJobSource.js';
import { usePracticeTone } from '../../measuring/live/practiceTone.js';
import type { JobView } from '../useJobView.js';

/** Null for a machine that is not known here. */
export function usePracticeVisit({ job, lines }: JobView): Visit | null {
  return useMemo(
    () =>
      practiceVisit(
        job,
        lines.filter((line) => line.status !== 'refused').map((line) => line.event),
      ),
    [job, lines],
  );
}

const SILENT = { on: false, tone: null, nominalHz: 3150, noise: null };

/** What is heard live comes from the unit while it is on the bench. */
export function usePracticeSound(view: JobView, visit: Visit | null, condition: Partial<Condition>): void {
  const set = usePracticeTone((state) => state.set);
  const sources = useSources().data ?? [];
  const { source } = useJobSource(view.job, sources);
  const seed = view.job.practice?.seed ?? 1;
  const nominalHz = source?.nominalHz ?? SILENT.nominalHz;
  useEffect(() => {
    const sounds = visit !== null && visit.map.machine.sounds.length > 0;
    const noise = sounds ? () => noiseOfUnit(visit, condition, seed) : null;
    set({ on: true, tone: visit && toneOf(visit, condition), nominalHz, noise });
  }, [visit, condition, nominalHz, seed, set]);
  useEffect(() => () => set(SILENT), [set]);
}
