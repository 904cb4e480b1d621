/** Server data in the query cache. */
import {
  benchKnowledgeSchema,
  jobDetailSchema,
  jobListSchema,
  keptSheetSchema,
  runListSchema,
  runSchema,
  settingsSchema,
  sourceListSchema,
  type JobDetail,
  type KeptEvent,
} from '@amber-gauge/contract';
import { QueryClient, useQuery } from '@tanstack/react-query';
import { ApiError, call } from './client.js';

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 2000,
      retry: (count, error) => !(error instanceof ApiError) && count < 3,
      networkMode: 'always',
    },
    mutations: { networkMode: 'always' },
  },
});

export const keys = {
  jobs: ['jobs'] as const,
  job: (id: string) => ['job', id] as const,
  settings: ['settings'] as const,
  sources: ['sources'] as const,
  runs: (jobId: string | null) => ['runs', jobId] as const,
  run: (id: string) => ['run', id] as const,
  sheet: (familyId: string, model: string) => ['sheet', familyId, model] as const,
  known: (familyId: string, model: string) => ['known', familyId, model] as const,
};

export const useJobs = () =>
  useQuery({
    queryKey: keys.jobs,
    queryFn: ({ signal }) => call('/jobs', jobListSchema, { signal }),
    select: (data) => data.jobs,
    refetchInterval: 15000,
  });

export const useJob = (id: string) =>
  useQuery({
    queryKey: keys.job(id),
    queryFn: ({ signal }) => call(`/jobs/${id}`, jobDetailSchema, { signal }),
    refetchInterval: 5000,
  });

export const useSettings = () =>
  useQuery({
    queryKey: keys.settings,
    queryFn: ({ signal }) => call('/settings', settingsSchema, { signal }),
    staleTime: 30000,
  });

export const useSources = () =>
  useQuery({
    queryKey: keys.sources,
    queryFn: ({ signal }) => call('/sources', sourceListSchema, { signal }),
    select: (data) => data.sources,
  });

export const useRuns = (jobId: string | null) =>
  useQuery({
    queryKey: keys.runs(jobId),
    queryFn: ({ signal }) => call(jobId ? `/runs?jobId=${jobId}` : '/runs', runListSchema, { signal }),
    select: (data) => data.runs,
  });

export const useRun = (id: string | null) =>
  useQuery({
    queryKey: keys.run(id ?? ''),
    queryFn: ({ signal }) => call(`/runs/${id}`, runSchema, { signal }),
    enabled: id !== null,
    staleTime: Infinity,
  });

/** What this bench knows of a family and a model; null when it cannot be had, undefined while it is fetched. */
export const useKnown = (familyId: string, model: string, wanted: boolean) => {
  const { data, isError } = useQuery({
    queryKey: keys.known(familyId, model),
    queryFn: ({ signal }) =>
      call(`/families/${familyId}/known?model=${encodeURIComponent(model)}`, benchKnowledgeSchema, { signal }),
    enabled: wanted,
    staleTime: 60_000,
    retry: 0,
  });
  return data ?? (isError ? null : undefined);
};

/** The sheet of a model; null when it cannot be had, undefined while it is fetched. */
export const useSheet = (familyId: string, model: string, wanted: boolean) => {
  const { data, isError } = useQuery({
    queryKey: keys.sheet(familyId, model),
    queryFn: ({ signal }) =>
      call(`/families/${familyId}/sheet?model=${encodeURIComponent(model)}`, keptSheetSchema, { signal }),
    enabled: wanted,
    staleTime: 60_000,
    retry: 0,
  });
  return data ?? (isError || !wanted ? null : undefined);
};

/** Puts lines that the server has just kept into the cached job, so that nothing flickers. */
export function mergeKept(jobId: string, kept: readonly KeptEvent[]): void {
  queryClient.setQueryData<JobDetail>(keys.job(jobId), (old) => {
    if (!old) return old;
    const known = new Set(old.events.map((event) => event.key));
    const added = kept.filter((event) => !known.has(event.key));
    return { ...old, events: [...old.events, ...added].sort((a, b) => a.position - b.position) };
  });
  void queryClient.invalidateQueries({ queryKey: keys.jobs });
}
