/**
 * Changes as the server tells them. One tab of this browser holds the stream and passes on what it
 * hears, so that many tabs do not use up the browser's few connections.
 */
import { jobChangedSchema, type JobList, type JobListItem } from '@amber-gauge/contract';
import { flush, useOutbox } from '../outbox/outbox.js';
import { setClock } from '../outbox/clock.js';
import { withRow } from './changed.js';
import { keys, queryClient } from './queries.js';

type Message =
  | { readonly kind: 'all' }
  | { readonly kind: 'job'; readonly id: string; readonly item: JobListItem | null }
  | { readonly kind: 'shelf' }
  | { readonly kind: 'away'; readonly away: boolean };

const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('amber-gauge-changes');

function apply(message: Message): void {
  if (message.kind === 'away') useOutbox.setState({ away: message.away });
  else if (message.kind === 'shelf') void queryClient.invalidateQueries({ queryKey: keys.shelf });
  else if (message.kind === 'all') void queryClient.invalidateQueries();
  else {
    void queryClient.invalidateQueries({ queryKey: keys.job(message.id) });
    takeRow(message.item);
  }
}

/** The bench takes the row as it came; lists below it, and a bench that cannot, are fetched anew where they are shown. */
function takeRow(item: JobListItem | null): void {
  const glance = queryClient.getQueryData<JobList>(keys.jobs);
  // What is being fetched may be older than the row.
  const fetching = queryClient.isFetching({ queryKey: keys.jobs, exact: true }) > 0;
  const next = glance && item && !fetching ? withRow(glance, item) : null;
  if (next) queryClient.setQueryData(keys.jobs, next);
  void queryClient.invalidateQueries({
    queryKey: keys.jobs,
    predicate: ({ queryKey }) => !next || queryKey.length > keys.jobs.length,
  });
}

/** Listens for as long as the page lives. */
export function startStream(): void {
  channel?.addEventListener('message', (event: MessageEvent<Message>) => apply(event.data));
  void navigator.locks.request('amber-gauge-stream', () => {
    const source = new EventSource('/api/v1/stream');
    const pass = (message: Message) => {
      apply(message);
      channel?.postMessage(message);
    };
    source.addEventListener('error', () => pass({ kind: 'away', away: true }));
    source.addEventListener('open', () => {
      pass({ kind: 'away', away: false });
      void setClock().catch(() => undefined);
      void flush();
    });
    source.addEventListener('all', () => pass({ kind: 'all' }));
    source.addEventListener('shelf', () => pass({ kind: 'shelf' }));
    source.addEventListener('job', (event: MessageEvent<string>) => {
      const change = jobChangedSchema.safeParse(JSON.parse(event.data));
      if (change.success) pass({ kind: 'job', ...change.data });
    });
    // The lock is held, and the stream kept, until the page goes.
    return new Promise<void>(() => undefined);
  });
}
