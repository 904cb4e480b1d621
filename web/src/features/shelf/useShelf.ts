/** The shelf as it stands, and how lines are added to it. */
import { shelfSchema } from '@amber-gauge/contract';
import { partsOfJob, shelfOf, type Shelf, type ShelfBody } from '@amber-gauge/core/bench';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { call } from '../../shared/api/client.js';
import { keys, queryClient } from '../../shared/api/queries.js';
import { serverNow } from '../../shared/outbox/clock.js';

/** Today by the server's clock, YYYY-MM-DD. */
export const today = (): string => serverNow().toISOString().slice(0, 10);

/** The shelf as its log has it. */
export function useShelf(): { shelf: Shelf | null; error: Error | null } {
  const { data, error } = useQuery({
    queryKey: keys.shelf,
    queryFn: ({ signal }) => call('/shelf', shelfSchema, { signal }),
  });
  const shelf = useMemo(() => data && shelfOf(data.lines, today()), [data]);
  return { shelf: shelf ?? null, error };
}

const NONE: readonly string[] = [];

/** Parts built into a job, in words; empty until they are known. */
export function usePartsOfJob(jobNumber: number | null): readonly string[] {
  const { data } = useQuery({ queryKey: keys.shelf, queryFn: ({ signal }) => call('/shelf', shelfSchema, { signal }) });
  return useMemo(() => (data && jobNumber !== null ? partsOfJob(data.lines, jobNumber) : NONE), [data, jobNumber]);
}

/** Adds lines; what cannot be is the mutation's error, nothing is kept then. */
export function useAddToShelf() {
  return useMutation({
    mutationFn: (bodies: readonly ShelfBody[]) => {
      const at = serverNow().toISOString();
      const lines = bodies.map((body) => ({ key: crypto.randomUUID(), at, body }));
      return call('/shelf', shelfSchema, { method: 'POST', body: { lines } });
    },
    onSuccess: (kept) => queryClient.setQueryData(keys.shelf, kept),
  });
}
