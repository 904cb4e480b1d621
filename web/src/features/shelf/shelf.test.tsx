import { QueryClientProvider } from '@tanstack/react-query';
import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import type { ShelfLine } from '@amber-gauge/core/bench';
import { beforeEach, expect, it, vi } from 'vitest';
import { queryClient } from '../../shared/api/queries.js';
import { ShelfScreen } from './ShelfScreen.js';
import { today } from './useShelf.js';

const KEY = '00000000-0000-4000-8000-000000000001';
let kept: ShelfLine[] = [];
const day = (offset: number) =>
  new Date(Date.parse(`${today()}T00:00:00Z`) + offset * 86_400_000).toISOString().slice(0, 10);

beforeEach(() => {
  kept = [
    {
      key: KEY,
      at: '2026-01-01T00:00:00.000Z',
      body: {
        kind: 'lot',
        part: 'belt 198',
        supplier: 'Quay',
        quantity: 5,
        price: 2,
        orderedOn: day(-10),
        expectedOn: null,
        claimDays: 30,
        place: 'drawer 1',
      },
    },
  ];
  queryClient.clear();
  vi.stubGlobal('fetch', async (_url: string, init?: RequestInit) => {
    if (init?.method === 'POST') kept = [...kept, ...(JSON.parse(String(init.body)) as { lines: ShelfLine[] }).lines];
    return new Response(JSON.stringify({ lines: kept }), { headers: { 'content-type': 'application/json' } });
  });
});

const show = () =>
  render(
    <QueryClientProvider client={queryClient}>
      <ShelfScreen />
    </QueryClientProvider>,
  );

it('asks for the test that is due, takes it, and offers the bad one no more', async () => {
  show();
  await screen.findByRole('heading', {
    level: 1,
    name: `Test belt 198 by ${day(20)}: until then a bad one can be claimed`,
  });
  fireEvent.click(screen.getByRole('button', { name: 'Test: belt 198' }));
  fireEvent.change(screen.getByRole('textbox', { name: 'Good' }), { target: { value: '4' } });
  fireEvent.change(screen.getByRole('textbox', { name: 'Bad' }), { target: { value: '1' } });
  fireEvent.click(screen.getByRole('button', { name: 'Keep the test' }));
  await waitFor(() => expect(kept.at(-1)?.body).toEqual({ kind: 'tested', lot: KEY, good: 4, bad: 1 }));
  await screen.findByText(/4 free of 4 here · 1 bad/);
  // 1 of 5 is 20 %; Wilson's interval reaches from 4 to 62 %.
  const cells = within(screen.getByRole('table', { name: 'Suppliers' })).getAllByRole('cell');
  expect(cells.map((one) => one.textContent?.replaceAll('\u202f', ' '))).toEqual(['1 + 0 of 5', '20 % (4 to 62)']);
});

it('sets aside for a job and says so; an order waits until it has come', async () => {
  show();
  fireEvent.click(await screen.findByRole('button', { name: 'Take: belt 198' }));
  fireEvent.change(screen.getByRole('textbox', { name: 'For job number' }), { target: { value: '143' } });
  fireEvent.click(screen.getByRole('button', { name: 'Set aside' }));
  await screen.findByText(/4 free of 5 here · 1 for job 0143/);
  fireEvent.change(screen.getByLabelText('Part'), { target: { value: 'idler' } });
  fireEvent.change(screen.getByLabelText('Supplier'), { target: { value: 'Ferry' } });
  fireEvent.change(screen.getByLabelText('How many', { selector: 'input' }), { target: { value: '0' } });
  expect(screen.getByRole('alert').textContent).toContain('a whole number from 1');
  fireEvent.change(screen.getByLabelText('How many', { selector: 'input' }), { target: { value: '2' } });
  fireEvent.change(screen.getByLabelText('Comes on (empty: it is here)'), { target: { value: day(5) } });
  fireEvent.click(screen.getByRole('button', { name: 'Keep the order' }));
  await screen.findByText(new RegExp(`2 on order, expected ${day(5)}`));
  fireEvent.click(screen.getByRole('button', { name: 'Arrived: idler' }));
  await screen.findByText(/2 free of 2 here/);
});
