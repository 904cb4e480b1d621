/** A job on the screen: what is kept and what waits, what counts and what was refused, where the hands go on. */
import type { EventBody } from '@amber-gauge/core/bench';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, fireEvent, renderHook, screen, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { Route, Routes } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { keys } from '../../shared/api/queries.js';
import { useOutbox } from '../../shared/outbox/outbox.js';
import { answering, JOB, line, show, speedRead } from '../../test/scene.js';
import * as client from '../../workers/client.js';
import * as speedClient from '../../workers/speedClient.js';
import { stage } from './find/find.test-data.js';
import { JobScreen } from './JobScreen.js';
import { useJobView } from './useJobView.js';

stage();
beforeEach(() => {
  vi.spyOn(speedClient, 'warmWorker').mockImplementation(() => undefined);
  vi.spyOn(client, 'reasoner').mockReturnValue({ solve: () => Promise.resolve(null) } as never);
  Element.prototype.scrollIntoView = () => undefined;
});
afterEach(() => {
  act(() => useOutbox.setState({ entries: [] }));
});

const note = (text: string): EventBody => ({ kind: 'note', text });
const waiting = (event: ReturnType<typeof line>, more: object = {}) =>
  ({ jobId: JOB.id, event, refused: null, ...more }) as never;
const detail = (...events: ReturnType<typeof line>[]) => ({ job: JOB, events, unreadable: [] });

describe('a job as the screen stands on it', () => {
  const viewed = (kept: ReturnType<typeof line>[], entries: never[]) => {
    const client = new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: Infinity } } });
    client.setQueryData(keys.job(JOB.id), detail(...kept));
    act(() => useOutbox.setState({ entries }));
    const { result } = renderHook(() => useJobView(JOB.id), {
      wrapper: ({ children }: { children: ReactNode }) => (
        <QueryClientProvider client={client}>{children}</QueryClientProvider>
      ),
    });
    return result.current.view;
  };

  it('what waits stands among what is kept, in the order of the hands; what is of another job does not', () => {
    const [one, two, three] = [line(note('one')), line(note('two')), line(note('three'))];
    const view = viewed([one, three], [waiting(two), waiting(line(note('other')), { jobId: 'another' })]);
    const texts = view?.lines.map(({ event, status }) => [event.body.kind === 'note' && event.body.text, status]);
    expect(texts).toEqual([
      ['one', 'kept'],
      ['two', 'waiting'],
      ['three', 'kept'],
    ]);
  });

  it('a line that has been kept meanwhile stands once', () => {
    const one = line(note('one'));
    const view = viewed([one], [waiting(one)]);
    expect(view?.lines.map(({ status }) => status)).toEqual(['kept']);
  });

  it('a refused one is shown with its reason, and counts for nothing', () => {
    const read = line(speedRead('33', -2.4));
    const view = viewed([], [waiting(read, { refused: 'No such speed.' })]);
    expect(view?.lines[0]).toMatchObject({ status: 'refused', refused: 'No such speed.' });
    expect(view?.state.speeds.find(({ speedId }) => speedId === '33')?.asFound).toBeNull();
    const counted = viewed([], [waiting(read)]);
    expect(counted?.state.speeds.find(({ speedId }) => speedId === '33')?.asFound?.speed.errorPercent).toBe(-2.4);
  });
});

describe('the screen of a job', () => {
  const open = (path: string, kept: object | null, more: Record<string, unknown> = {}) => {
    answering(more);
    show(
      <Routes location={path}>
        <Route path="/job/:id/:stage?" element={<JobScreen />} />
      </Routes>,
      kept ? [[keys.job(JOB.id), kept]] : [],
    );
  };
  const path = (where: string) => `/job/${JOB.id}/${where}`;

  it('while it is fetched, and away, it says so', async () => {
    open(path('find'), null);
    expect(screen.getByText('Fetching the job.')).toBeTruthy();
    expect((await screen.findByText(/does not answer/)).textContent).toMatch(
      /Go back to the bench, or wait: it is tried again\.$/,
    );
  });

  it('stands at the stage of its address; without one, where it wants hands', () => {
    open(path('hand-back'), detail());
    expect(screen.getByRole('heading', { level: 1 }).textContent).toMatch(/^(Still owed|Hand|Nothing)/);
  });

  it('asks for the speed that is not read yet; once it is, the present one stays until another is chosen', async () => {
    open(path('take-in'), detail(line(speedRead('33', -2.4), 'take-in')));
    const pressed = () =>
      screen
        .getAllByRole('button', { name: /rpm$/ })
        .filter((one) => one.getAttribute('aria-pressed') === 'true')
        .map((one) => one.textContent);
    expect(pressed()).toEqual(['45 rpm']);
    fireEvent.click(screen.getByRole('button', { name: '33⅓ rpm' }));
    await waitFor(() => expect(pressed()).toEqual(['33⅓ rpm']));
  });

  it('when trimming it stands at the speed that is not right as left', () => {
    const work: EventBody = {
      kind: 'work',
      action: 'adjust',
      what: 'the trims',
      blocks: ['trims'],
      reach: 'mechanics',
    };
    open(
      path('set-speed'),
      detail(line(speedRead('33', -2)), line(work), line(speedRead('33', 0.01)), line(speedRead('45', 1.8))),
    );
    expect(screen.getByRole('button', { name: '45 rpm' }).getAttribute('aria-pressed')).toBe('true');
  });

  it('a real job has no practice bench', () => {
    open(path('find'), detail());
    expect(document.querySelector('[data-practice]')).toBeNull();
    expect(screen.queryByLabelText('Practice bench')).toBeNull();
  });
});
