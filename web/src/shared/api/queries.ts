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
  type JobListItem,
  type KeptEvent,
} from '@amber-gauge/contract';
import { QueryClient, useQuery } from '@tanstack/react-query';
import { ApiError, call } from './client.js';

/** The one cache of answers. */
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

/** Names of answers in the cache. */
export const keys = {
  jobs: ['jobs'] as const,
  job: (id: string) => ['job', id] as const,
  settings: ['settings'] as const,
  sources: ['sources'] as const,
  runs: (jobId: string | null) => ['runs', jobId] as const,
  run: (id: string) => ['run', id] as const,
  sheet: (familyId: string, model: string) => ['sheet', familyId, model] as const,
  shelf: ['shelf'] as const,
  known: (familyId: string, model: string) => ['known', familyId, model] as const,
};

/** The bench at a glance: the newest of each kind, all with timers, and how many there are. */
export const useBench = () =>
  useQuery({
    queryKey: keys.jobs,
    queryFn: ({ signal }) => call('/jobs', jobListSchema, { signal }),
    refetchInterval: 15000,
  });

/** The units of {@link useBench}. */
export const useJobs = () =>
  useQuery({
    queryKey: keys.jobs,
    queryFn: ({ signal }) => call('/jobs', jobListSchema, { signal }),
    select: (data) => data.jobs,
    refetchInterval: 15000,
  });

/** The page of one kind behind a row. */
export const useJobsAfter = (kind: JobListItem['next']['kind'], { job, movedAt }: JobListItem) =>
  useQuery({
    queryKey: [...keys.jobs, kind, movedAt, job.id],
    queryFn: ({ signal }) =>
      call(`/jobs?kind=${kind}&beforeAt=${movedAt}&beforeId=${job.id}`, jobListSchema, { signal }),
    select: (data) => data.jobs,
  });

/** Units in whose number, name, customer or complaint every word stands. */
export const useJobSearch = (text: string) =>
  useQuery({
    queryKey: [...keys.jobs, 'search', text],
    queryFn: ({ signal }) => call(`/jobs?search=${encodeURIComponent(text)}`, jobListSchema, { signal }),
    select: (data) => data.jobs,
    enabled: text !== '',
    placeholderData: (before) => before,
  });

/** Units of a family that are not handed back. */
export const useOpenJobs = (familyId: string) =>
  useQuery({
    queryKey: [...keys.jobs, 'family', familyId],
    queryFn: ({ signal }) => call(`/jobs?family=${familyId}`, jobListSchema, { signal }),
    select: (data) => data.jobs,
  });

/** A job with its lines. */
export const useJob = (id: string) =>
  useQuery({
    queryKey: keys.job(id),
    queryFn: ({ signal }) => jobWithNews(id, signal),
    refetchInterval: 5000,
  });

/** A log shorter than this is fetched whole each time. */
const LONG_LOG = 300;

/** A long log as it is known with what came in since; the whole log where that does not fit together. */
async function jobWithNews(id: string, signal: AbortSignal): Promise<JobDetail> {
  const whole = () => call(`/jobs/${id}`, jobDetailSchema, { signal });
  const known = queryClient.getQueryData<JobDetail>(keys.job(id));
  const last = known?.events.at(-1);
  if (!known || !last || known.events.length < LONG_LOG) return whole();
  const news = await call(`/jobs/${id}?after=${last.position}&key=${last.key}`, jobDetailSchema, { signal });
  const fresh = joined(known, news);
  if (!fresh) return whole();
  if (news.events.length > 0) void keepAnswer(`/api/v1/jobs/${id}`, fresh);
  return fresh;
}

/** Keeps an answer for a reload without the server, as the worker keeps those it sees. */
async function keepAnswer(url: string, answer: unknown): Promise<void> {
  if (typeof caches === 'undefined') return;
  const body = new Response(JSON.stringify(answer), { headers: { 'content-type': 'application/json' } });
  try {
    await (await caches.open('answers')).put(url, body);
  } catch {
    // Without it a reload away from the server shows an older log.
  }
}

/** What is known with the news behind it; null when lines are missing between. */
export function joined(known: JobDetail, news: JobDetail): JobDetail | null {
  if (!news.onlyNew) return news;
  const events = [...known.events, ...news.events];
  const unreadable = [...known.unreadable, ...news.unreadable];
  return events.length + unreadable.length === news.lines ? { ...news, events, unreadable } : null;
}

/** Settings of the shop. */
export const useSettings = () =>
  useQuery({
    queryKey: keys.settings,
    queryFn: ({ signal }) => call('/settings', settingsSchema, { signal }),
    staleTime: 30000,
  });

/** Test tapes and records. */
export const useSources = () =>
  useQuery({
    queryKey: keys.sources,
    queryFn: ({ signal }) => call('/sources', sourceListSchema, { signal }),
    select: (data) => data.sources,
  });

/** Measurements of a job, the newest first. */
export const useRuns = (jobId: string | null) =>
  useQuery({
    queryKey: keys.runs(jobId),
    queryFn: ({ signal }) => call(jobId ? `/runs?jobId=${jobId}` : '/runs', runListSchema, { signal }),
    select: (data) => data.runs,
  });

/** One measurement, whole. */
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
}
