/** The test tape or record in use: chosen by hand, else the first that fits the family. */
import { ownEntry } from '@amber-gauge/core/quantity';
import type { Job, Source } from '@amber-gauge/contract';
import { familyOf } from '@amber-gauge/core/families';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface ChosenStore {
  readonly byFamily: Readonly<Record<string, string>>;
  choose(familyId: string, sourceId: string): void;
}

const useChosen = create<ChosenStore>()(
  persist(
    (set) => ({
      byFamily: {},
      choose: (familyId, sourceId) => set((old) => ({ byFamily: { ...old.byFamily, [familyId]: sourceId } })),
    }),
    {
      name: 'amber-gauge-sources',
    },
  ),
);

/** Records carry 3150 Hz as a rule, cassettes 3000 or 3150 Hz; a name that says tape or record decides first. */
function fittingSource(job: Pick<Job, 'familyId'>, sources: readonly Source[]): Source | null {
  const medium = familyOf(job.familyId).testTone;
  return (
    sources.find((source) => medium !== 'none' && source.name.toLowerCase().includes(medium)) ?? sources[0] ?? null
  );
}

export function useJobSource(job: Pick<Job, 'familyId'>, sources: readonly Source[]) {
  const chosen = useChosen((state) => ownEntry(state.byFamily, job.familyId));
  const choose = useChosen((state) => state.choose);
  const source = sources.find((one) => one.id === chosen) ?? fittingSource(job, sources);
  return { source, choose: (id: string) => choose(job.familyId, id) };
}
