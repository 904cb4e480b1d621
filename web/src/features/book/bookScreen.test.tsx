/** The Book: what is asked of the server, and a row as it is read. */
import { pathOf } from '@amber-gauge/core/bench';
import type { DrivePath } from '@amber-gauge/core/families';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { answering, bookRow as row, JOB, show } from '../../test/scene.js';
import { BookScreen } from './BookScreen.js';

const path = pathOf(JOB) as DrivePath;
const belt = path.blocks.find(({ id }) => id === 'belt') as DrivePath['blocks'][number];
const open = async (routes: Record<string, unknown>) => {
  const sent = answering(routes);
  show(<BookScreen />);
  await waitFor(() => expect(screen.queryByText('Looking.')).toBeNull());
  return sent;
};
const cells = () =>
  within(screen.getByRole('table', { name: 'Jobs' }))
    .getAllByRole('row')
    .slice(1)
    .map((one) =>
      within(one)
        .getAllByRole('cell')
        .map((cell) => cell.textContent.replaceAll('\u202f', ' ')),
    );

describe('a row of the Book', () => {
  it('an open job has no days and no price', async () => {
    await open({ '/book?': { rows: [row()], more: false } });
    expect(cells()[0]?.slice(0, 1)).toEqual(['0007']);
    expect(cells()[0]?.slice(2)).toEqual(['School', '2026-01-01', 'open', '', '']);
    expect(screen.getByRole('link', { name: '0007' }).getAttribute('href')).toBe(`/job/${JOB.id}`);
  });

  it('one handed back says after how many days, what was found and done, once each, and its price', async () => {
    const done = row({
      // Nine days and a half.
      handedAt: '2026-01-10T20:00:00.000Z',
      faults: [`belt.${belt.modes[0]?.id}`, 'belt', 'gone.worn'],
      mends: ['new-belt', 'new-belt', 'no-such'],
      price: 45.5,
      returnedAs: 12,
    });
    await open({ '/book?': { rows: [done], more: false } });
    expect(cells()[0]?.slice(3)).toEqual([
      '2026-01-01',
      '2026-01-10, 10 d came back as 0012',
      `${belt.modes[0]?.name}, ${belt.name}, gone.worn, Fit a new belt, no-such`,
      '45.50 EUR',
    ]);
  });

  it('older ones come behind the last row, until there are none', async () => {
    const first = row({ movedAt: '2026-01-03T08:00:00.000Z' });
    const sent = await open({
      '/book?before': { rows: [row({ job: { ...JOB, id: JOB.id.replaceAll('1', '2'), number: 3 } })], more: false },
      '/book?': { rows: [first], more: true },
    });
    fireEvent.click(screen.getByRole('button', { name: 'Older ones' }));
    await screen.findByText('0003');
    const { searchParams } = new URL(sent.at(-1)?.url ?? '', 'http://x');
    expect([searchParams.get('beforeAt'), searchParams.get('beforeId')]).toEqual([first.movedAt, JOB.id]);
    expect(cells()).toHaveLength(2);
    expect(screen.queryByRole('button', { name: 'Older ones' })).toBeNull();
  });

  it('nothing found says what to try; a failure its words', async () => {
    await open({ '/book?': { rows: [], more: false } });
    expect(screen.getByText(/^Nothing in the Book holds that/)).toBeTruthy();
    cleanup();
    await open({});
    expect(screen.getByText(/does not answer/)).toBeTruthy();
  });
});

describe('what is asked', () => {
  it('words, kind, state and days together; an empty field is not sent; the table is of the same', async () => {
    const sent = await open({ '/book?': { rows: [], more: false } });
    expect(sent.at(-1)?.url).toBe('/book?');
    const type = (label: RegExp | string, value: string) =>
      fireEvent.change(screen.getByLabelText(label), { target: { value } });
    const choose = (label: string, option: string) => {
      fireEvent.mouseDown(screen.getByRole('combobox', { name: label }));
      fireEvent.click(screen.getByRole('option', { name: option }));
    };
    type(/^Words/, 'hum');
    choose('State', 'came back');
    type('From', '2026-01-01');
    type('To', '2026-02-01');
    await waitFor(() => expect(sent.at(-1)?.url).toBe('/book?words=hum&state=returned&from=2026-01-01&to=2026-02-01'));
    expect(screen.getByRole('link', { name: 'As a table' }).getAttribute('href')).toBe(
      '/api/v1/book.csv?words=hum&state=returned&from=2026-01-01&to=2026-02-01',
    );
    choose('State', 'open and handed back');
    type(/^Words/, '');
    await waitFor(() => expect(sent.at(-1)?.url).toBe('/book?from=2026-01-01&to=2026-02-01'));
  });

  it('figures take the days and nothing else, and the way back is one key', async () => {
    await open({ '/book?': { rows: [row()], more: false } });
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Every job');
    fireEvent.click(screen.getByRole('button', { name: 'Figures' }));
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Figures of the shop');
    expect(screen.queryByLabelText(/^Words/)).toBeNull();
    expect(screen.getByLabelText('From')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Jobs' }));
    expect(cells()).toHaveLength(1);
  });
});
