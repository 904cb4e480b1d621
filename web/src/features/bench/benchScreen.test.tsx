/** The bench: how much wants hands, in which order, how the older ones and any unit are found. */
import type { JobListItem } from '@amber-gauge/contract';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import { useClock } from '../../shared/outbox/clock.js';
import { answering, JOB, show } from '../../test/scene.js';
import { BenchScreen } from './BenchScreen.js';

afterEach(() => {
  useClock.setState({ offsetMs: 0 });
});

const NONE = { hands: 0, waits: 0, back: 0, done: 0 };
const idOf = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const unit = (number: number, kind: JobListItem['next']['kind'], movedAt: string): JobListItem => ({
  job: { ...JOB, id: idOf(number), number, customer: `Owner ${number}` },
  next: { stage: 'find', kind, text: 'Read it', until: null },
  power: 'unplugged-discharged',
  speeds: [],
  timers: [],
  lineCount: 1,
  lastAt: movedAt,
  movedAt,
});
const at = (minute: number) => `2026-01-02T09:${String(minute).padStart(2, '0')}:00.000Z`;
const list = (jobs: readonly JobListItem[], counts: object | null = null, unreadable: object[] = []) => ({
  jobs,
  counts: counts && { ...NONE, ...counts },
  unreadable,
});
const open = async (routes: Record<string, unknown>) => {
  const sent = answering({ '/follow-ups': { due: [] }, ...routes });
  show(<BenchScreen />);
  await waitFor(() => expect(screen.queryByText('Fetching the jobs.')).toBeNull());
  return sent;
};
const heading = () => screen.getByRole('heading', { level: 1 }).textContent;
const numbers = (group: string) =>
  within(screen.getByRole('region', { name: group }))
    .getAllByRole('listitem')
    .map((one) => /\d{4}/.exec(one.textContent)?.[0]);

describe('the bench', () => {
  it.each([
    [{ hands: 1, waits: 1, back: 1 }, '1 wants hands, 1 runs by itself, 1 goes back'],
    [{ hands: 2, waits: 3, back: 4 }, '2 want hands, 3 run by themselves, 4 go back'],
    [{ waits: 2 }, '2 run by themselves'],
    [{ done: 9 }, 'The bench is clear'],
  ])('says how many want what: %j', async (counts, words) => {
    await open({ '/jobs': list([unit(1, 'done', at(1))], counts) });
    expect(heading()).toBe(words);
  });

  it('groups by what they want, the last that moved first', async () => {
    const jobs = [unit(3, 'waits', at(3)), unit(1, 'hands', at(1)), unit(4, 'done', at(9)), unit(2, 'hands', at(2))];
    await open({ '/jobs': list(jobs, { hands: 2, waits: 1, done: 1 }) });
    expect(numbers('Wants hands')).toEqual(['0002', '0001']);
    expect(numbers('Runs by itself')).toEqual(['0003']);
    expect(numbers('Handed back')).toEqual(['0004']);
    expect(screen.queryByRole('region', { name: 'Goes back' })).toBeNull();
    expect(screen.queryByRole('button', { name: /more$/ })).toBeNull();
  });

  it('older ones are a page behind the last that is shown, until there are no more', async () => {
    const first = Array.from({ length: 21 }, (_, i) => unit(100 - i, 'done', at(50 - i)));
    const sent = await open({
      '/jobs?kind': (url: string) =>
        list([url.includes(idOf(81)) ? unit(60, 'done', at(20)) : unit(59, 'done', at(19))]),
      '/jobs': list(first, { done: 22 }),
    });
    // Twenty of those handed back are shown: from 100 down to 81.
    expect(numbers('Handed back')).toHaveLength(20);
    fireEvent.click(screen.getByRole('button', { name: '2 more' }));
    await screen.findByText(/0060/);
    expect(sent.at(-1)?.url).toBe(`/jobs?kind=done&beforeAt=${at(31)}&beforeId=${idOf(81)}`);
    fireEvent.click(screen.getByRole('button', { name: '1 more' }));
    await screen.findByText(/0059/);
    expect(sent.at(-1)?.url).toBe(`/jobs?kind=done&beforeAt=${at(20)}&beforeId=${idOf(60)}`);
    expect(screen.queryByRole('button', { name: /more$/ })).toBeNull();
  });

  it('without a job it says how to begin; away, that it comes back by itself', async () => {
    await open({ '/jobs': list([], {}) });
    expect(screen.getByText(/^No jobs yet\./)).toBeTruthy();
    cleanup();
    await open({});
    expect(screen.getByText(/does not answer.*The list comes back by itself\.$/)).toBeTruthy();
    expect(heading()).toBe('Bench');
  });

  it('a unit that cannot be read is named, and stops no other', async () => {
    await open({ '/jobs': list([unit(1, 'hands', at(1))], { hands: 1 }, [{ id: idOf(7), number: 7 }]) });
    expect(screen.getByRole('alert').textContent).toBe(
      'One unit cannot be shown: what is kept of no. 7 cannot be read. The others are whole.',
    );
    expect(numbers('Wants hands')).toEqual(['0001']);
    cleanup();
    await open({
      '/jobs': list(
        [],
        {},
        [7, 8].map((number) => ({ id: idOf(number), number })),
      ),
    });
    expect(screen.getByRole('alert').textContent).toMatch(/^2 units cannot be shown: .* no\. 7, no\. 8 /);
  });

  it('a unit is found by typing, over all there are', async () => {
    const found = [unit(7, 'done', at(1))];
    const sent = await open({
      '/jobs?search=belt%20%26%20oil': list(found),
      '/jobs?search=zz': list([]),
      '/jobs?search=e': list(Array.from({ length: 60 }, (_, i) => unit(i + 1, 'hands', at(1)))),
      '/jobs': list([unit(1, 'hands', at(1))], { hands: 1 }),
    });
    const type = (value: string) => fireEvent.change(screen.getByLabelText('Find a unit'), { target: { value } });
    type(' belt & oil ');
    await screen.findByText('1 found');
    expect(sent.at(-1)?.url).toBe('/jobs?search=belt%20%26%20oil');
    expect(numbers('Found')).toEqual(['0007']);
    // What is found stands alone.
    expect(screen.queryByRole('region', { name: 'Wants hands' })).toBeNull();
    type('zz');
    await screen.findByText('Nothing holds “zz”. Try fewer letters, or the job’s number.');
    type('e');
    await screen.findByText('The 60 newest that hold it; type more');
    type('  ');
    expect(numbers('Wants hands')).toEqual(['0001']);
  });

  it('the key / leads to the field, but for one who types already', async () => {
    await open({ '/jobs': list([], {}) });
    const field = screen.getByLabelText('Find a unit');
    fireEvent.keyDown(window, { key: '/', ctrlKey: true });
    fireEvent.keyDown(window, { key: 'a' });
    expect(document.activeElement).not.toBe(field);
    expect(fireEvent.keyDown(window, { key: '/' })).toBe(false);
    expect(document.activeElement).toBe(field);
    // In the field it is a character like any other.
    expect(fireEvent.keyDown(window, { key: '/' })).toBe(true);
  });
});

describe('due again', () => {
  const due = (key: number, on: string, what: string) => ({
    job: { ...JOB, id: idOf(key) },
    key: idOf(key),
    why: 'oil' as const,
    what,
    on,
  });

  it('within two weeks, the overdue said so; the others are counted', async () => {
    useClock.setState({ offsetMs: Date.parse('2026-03-10T12:00:00.000Z') - Date.now() });
    await open({
      '/jobs': list([], {}),
      '/follow-ups': {
        due: [
          due(1, '2026-03-09', 'oil the bearing'),
          due(2, '2026-03-10', 'ask how it runs'),
          due(3, '2026-03-24', 'measure the brushes'),
          due(4, '2026-03-25', 'too early'),
        ],
      },
    });
    const region = await screen.findByRole('region', { name: 'Due again' });
    const rows = within(region).getAllByRole('listitem');
    expect(rows.map((one) => one.textContent)).toEqual([
      '2026-03-09overdue: oil the bearing0007 Made Up, School; oil again',
      '2026-03-10ask how it runs0007 Made Up, School; oil again',
      '2026-03-24measure the brushes0007 Made Up, School; oil again',
    ]);
    expect(
      within(rows[0] as HTMLElement)
        .getByRole('link')
        .getAttribute('href'),
    ).toBe(`/job/${idOf(1)}/hand-back`);
    expect(within(region).getByText(/later/).textContent).toBe('1 later. All as a calendar file');
  });

  it('nothing due is no list', async () => {
    await open({ '/jobs': list([], {}) });
    expect(screen.queryByRole('region', { name: 'Due again' })).toBeNull();
  });
});
