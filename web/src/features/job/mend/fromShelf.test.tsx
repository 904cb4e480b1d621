/** Parts from the shelf into a job: what is free, what was set aside, and the lines that the keys write. */
import type { ShelfBody, ShelfLine } from '@amber-gauge/core/bench';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { JOB, show, viewOf } from '../../../test/scene.js';
import { stage } from '../find/find.test-data.js';
import { FromShelf } from './FromShelf.js';

stage();

const [BELT, MOTOR] = ['00000000-0000-4000-8000-000000000001', '00000000-0000-4000-8000-000000000002'];
let kept: ShelfLine[] = [];
let count = 10;
const told = (body: ShelfBody, key?: string): ShelfLine => ({
  key: key ?? `00000000-0000-4000-8000-${String(++count).padStart(12, '0')}`,
  at: '2026-01-01T00:00:00.000Z',
  body,
});
const lot = (key: string, part: string, quantity: number, place: string): ShelfLine =>
  told(
    {
      kind: 'lot',
      part,
      supplier: 'Quay',
      quantity,
      price: 2,
      orderedOn: '2026-01-01',
      expectedOn: null,
      claimDays: 30,
      place,
      serves: [],
    },
    key,
  );
const reserved = (lotKey: string, quantity: number, job: number): ShelfLine =>
  told({ kind: 'reserved', lot: lotKey, quantity, job });

beforeEach(() => {
  vi.stubGlobal('fetch', async (_url: string, init?: RequestInit) => {
    if (init?.method === 'POST') kept = [...kept, ...(JSON.parse(String(init.body)) as { lines: ShelfLine[] }).lines];
    return new Response(JSON.stringify({ lines: kept }), { headers: { 'content-type': 'application/json' } });
  });
});
const open = (lines: ShelfLine[], job = JOB) => {
  kept = lines;
  show(<FromShelf view={viewOf([], job)} />);
};
const region = () => screen.findByRole('region', { name: 'From the shelf' });
const choose = async (option: RegExp) => {
  fireEvent.mouseDown(screen.getByRole('combobox', { name: /Part/ }));
  fireEvent.click(await screen.findByRole('option', { name: option }));
};

describe('parts from the shelf', () => {
  it('one that is free is set aside for this job, one at a time', async () => {
    open([lot(BELT, 'belt 198', 2, 'drawer 1'), reserved(BELT, 1, 99)]);
    await region();
    const key = screen.getByRole('button', { name: 'Set one aside for this job' }) as HTMLButtonElement;
    expect(key.disabled).toBe(true);
    await choose(/belt 198, 1 free/);
    fireEvent.click(key);
    await waitFor(() =>
      expect(kept.at(-1)?.body).toEqual({ kind: 'reserved', lot: BELT, quantity: 1, job: JOB.number }),
    );
  });

  it('what is set aside for another job, or all of it, is not offered', async () => {
    open([lot(BELT, 'belt 198', 1, 'drawer 1'), lot(MOTOR, 'motor', 1, ''), reserved(BELT, 1, 99)]);
    await region();
    fireEvent.mouseDown(screen.getByRole('combobox', { name: /Part/ }));
    expect((await screen.findAllByRole('option')).map((one) => one.textContent)).toEqual(['motor, 1 free']);
    expect(screen.queryByRole('button', { name: /^Built in/ })).toBeNull();
  });

  it('what is set aside for this job is built in, or given back, as many as there are', async () => {
    open([lot(BELT, 'belt 198', 3, 'drawer 1'), reserved(BELT, 3, JOB.number)]);
    expect((await region()).textContent).toContain('3 × belt 198 set aside, in drawer 1');
    // Nothing is free any more: nothing can be chosen.
    expect(screen.queryByRole('combobox')).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Built in: belt 198' }));
    await waitFor(() => expect(kept.at(-1)?.body).toEqual({ kind: 'used', lot: BELT, quantity: 3, job: JOB.number }));
  });

  it('given back it is free again', async () => {
    open([lot(BELT, 'belt 198', 2, ''), reserved(BELT, 2, JOB.number)]);
    await region();
    fireEvent.click(screen.getByRole('button', { name: 'Give back: belt 198' }));
    await waitFor(() =>
      expect(kept.at(-1)?.body).toEqual({ kind: 'released', lot: BELT, quantity: 2, job: JOB.number }),
    );
  });

  it('a practice unit takes nothing real, and an empty shelf says nothing', async () => {
    open([lot(BELT, 'belt 198', 2, '')], {
      ...JOB,
      practice: { machine: 'belt-turntable-dc', faults: [], seed: 1, lesson: null },
    });
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect(screen.queryByRole('region', { name: 'From the shelf' })).toBeNull();
    open([]);
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect(screen.queryByRole('region', { name: 'From the shelf' })).toBeNull();
  });
});
