/** What component tests share: a made-up job, its view, and a page around what is rendered. */
import type { BookRow, Job, Run, RunFigures, Settings } from '@amber-gauge/contract';
import {
  jobState,
  nextWish,
  powerLineWords,
  standing,
  owedItems,
  toleranceOfUse,
  USUAL_SAFETY_LIMITS,
  type BenchEvent,
  type EventBody,
  type SpeedBody,
} from '@amber-gauge/core/bench';
import { familyOf } from '@amber-gauge/core/families';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render } from '@testing-library/react';
import type { ReactNode } from 'react';
import { MemoryRouter } from 'react-router';
import { vi } from 'vitest';
import { keys } from '../shared/api/queries.js';
import type { JobView } from '../features/job/useJobView.js';

const family = familyOf('belt-turntable-dc');

/** A made-up job. */
export const JOB: Job = {
  id: '11111111-1111-4111-8111-111111111111',
  number: 7,
  demo: false,
  version: 1,
  createdAt: '2026-01-01T08:00:00.000Z',
  familyId: family.id,
  make: 'Made',
  model: 'Up',
  serial: '1',
  customer: 'School',
  powerKind: 'mains',
  ratedVolts: 230,
  speedIds: ['33', '45'],
  complaint: 'slow',
  tried: '',
  tolerance: toleranceOfUse(family, 'broadcast, dancing to pitch'),
};

/** A speed as it was read, typed in unless told otherwise. */
export const speedRead = (speedId: string, errorPercent: number, more: Partial<SpeedBody> = {}): SpeedBody => ({
  kind: 'speed',
  text: '',
  speedId,
  method: 'typed',
  turned: true,
  errorPercent,
  expandedPercent: 0.05,
  referenceIncluded: true,
  wowPeakPercent: null,
  rpm: null,
  sourceName: null,
  runId: null,
  condition: null,
  ...more,
});

let minute = 0;
/** A line of its log. */
export function line(body: EventBody, stage: BenchEvent['stage'] = 'find'): BenchEvent {
  minute++;
  return {
    key: `00000000-0000-4000-8000-${String(minute).padStart(12, '0')}`,
    enteredAt: new Date(Date.UTC(2026, 0, 1, 8, minute)).toISOString(),
    device: 'test',
    sequence: minute,
    stage,
    body,
  };
}

/** The view of a job with these lines, all kept. */
export function viewOf(events: readonly BenchEvent[], job: Job = JOB): JobView {
  const state = jobState(job, events);
  return {
    job,
    lines: events.map((event) => ({ event, status: 'kept', refused: null })),
    unreadable: [],
    state,
    owed: owedItems(job, state),
    next: nextWish(job, state, new Date('2026-01-01T09:00:00.000Z')),
    powerWords: powerLineWords(job, standing(events)),
  };
}

/** Settings of a shop as they are at first. */
export const SETTINGS: Settings = {
  shopName: 'Shop',
  shopAddress: '',
  currency: 'EUR',
  mainsVolts: 230,
  mainsHz: 50 as const,
  captureKey: 'F9',
  flutterStandard: 'unweighted-peak' as const,
  hourMoney: 60,
  dayMoney: 1,
  partsDays: 7,
  safety: USUAL_SAFETY_LIMITS,
  hours: { from: '09:00', to: '17:00', days: [1, 2, 3, 4, 5], places: 2, isolators: 1, variacs: 1, tapes: 1 },
  instruments: [],
  remoteInstruments: false,
  clockLimitPpm: 100,
  clockCorrectionPpm: 0,
  version: 1,
  demoShown: true,
  hasDemo: true,
};

/** A router and a query cache that holds the settings, one test source and what more is given. */
export function around(what: ReactNode, cached: readonly (readonly [readonly unknown[], unknown])[] = []) {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: Infinity } } });
  client.setQueryData(keys.settings, SETTINGS);
  client.setQueryData(keys.sources, {
    sources: [
      {
        id: '22222222-2222-4222-8222-222222222222',
        name: 'Shop record',
        nominalHz: 3150,
        tolerancePercent: 0.1,
        demo: false,
        version: 1,
      },
    ],
  });
  for (const [key, data] of cached) client.setQueryData(key, data);
  return (
    <MemoryRouter>
      <QueryClientProvider client={client}>{what}</QueryClientProvider>
    </MemoryRouter>
  );
}

/** Renders {@link around}. */
export const show = (...given: Parameters<typeof around>) => render(around(...given));

/** A job's row of the Book. */
export const bookRow = (more: Partial<BookRow> = {}): BookRow => ({
  job: { ...JOB, createdAt: '2026-01-01T08:00:00.000Z' },
  handedAt: null,
  returnOf: null,
  returnedAs: null,
  faults: [],
  mends: [],
  minutes: {},
  worth: null,
  price: null,
  proved: false,
  movedAt: '2026-01-03T08:00:00.000Z',
  ...more,
});

/** Figures of a tone that was measured, a third of a percent slow. */
export const toneFigures = (more: Partial<RunFigures> = {}): RunFigures => ({
  unit: 'Hz',
  nominal: 3150,
  mean: 3140,
  errorPercent: -0.317,
  expandedPercent: 0.05,
  uncertainty: [],
  driftPercent: null,
  flutter: null,
  lines: [],
  warnings: [],
  detail: { way: 'tone', live: false, startS: 0, endS: 60, snrDb: 50, dropouts: 0, clipped: false, channel: 0 },
  series: null,
  spectrum: null,
  ...more,
});

/** A run without a job, kept by the server. */
export const keptRun = (n: number, more: Partial<Run> = {}): Run => ({
  id: `0000000${n}-0000-4000-8000-000000000000`,
  jobId: null,
  fileName: `take ${n}.wav`,
  fileBytes: 4,
  sha256: 'abcdef0123456789'.repeat(4),
  sourceId: null,
  measuredAt: '2025-03-04T10:00:00.000Z',
  figures: toneFigures(),
  demo: false,
  hasRecording: false,
  ...more,
});

/** What a server would answer, by the beginning of its address below /api/v1; a function is asked with address and body. */
export function answering(routes: Readonly<Record<string, unknown>>) {
  const sent: { readonly url: string; readonly method: string; readonly body: unknown }[] = [];
  vi.stubGlobal('fetch', (address: string, asked: RequestInit = {}) => {
    const url = address.replace('/api/v1', '');
    const body: unknown = typeof asked.body === 'string' ? JSON.parse(asked.body) : asked.body;
    sent.push({ url, method: asked.method ?? 'GET', body });
    const found = Object.entries(routes).find(([one]) => url.startsWith(one));
    if (found === undefined) return Promise.reject(new TypeError('away'));
    const [, answer] = found;
    const given: unknown = typeof answer === 'function' ? answer(url, body) : answer;
    return Promise.resolve(given instanceof Response ? given : Response.json(given));
  });
  return sent;
}

/** A page without sizes: nothing is told of them. */
export const stubSizes = () =>
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe() {}
      unobserve() {}
      disconnect() {}
    },
  );
