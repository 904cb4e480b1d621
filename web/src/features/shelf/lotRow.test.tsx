/** One lot of the shelf: what it says of itself, and the lines its keys write. */
import { shelfOf, type ShelfBody, type ShelfLine } from '@amber-gauge/core/bench';
import { fireEvent, render, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { LotRow } from './LotRow.js';
import { today } from './useShelf.js';

const LOT = '00000000-0000-4000-8000-000000000001';
let count = 1;
const told = (body: ShelfBody): ShelfLine => ({
  key: `00000000-0000-4000-8000-${String(++count).padStart(12, '0')}`,
  at: `2026-01-0${Math.min(9, count)}T00:00:00.000Z`,
  body,
});
const lot = (more: Partial<Extract<ShelfBody, { kind: 'lot' }>> = {}): ShelfLine => ({
  key: LOT,
  at: '2026-01-01T00:00:00.000Z',
  body: {
    kind: 'lot',
    part: 'run capacitor',
    supplier: 'Fergebod',
    quantity: 10,
    price: 3,
    orderedOn: '2026-01-01',
    expectedOn: null,
    claimDays: 30,
    place: 'drawer 2',
    serves: [],
    ...more,
  },
});
const row = (...lines: ShelfLine[]) => {
  const [one] = shelfOf(lines, '2026-01-20').lots;
  if (!one) throw new Error('no lot');
  const kept = vi.fn<(...bodies: ShelfBody[]) => void>();
  render(
    <ul>
      <LotRow one={one} busy={false} onKeep={kept} />
    </ul>,
  );
  return kept;
};
const words = () => document.body.textContent ?? '';
const button = (name: RegExp | string) => screen.getByRole('button', { name }) as HTMLButtonElement;
const type = (name: string, value: string) =>
  fireEvent.change(screen.getByRole('textbox', { name }), { target: { value } });

describe('a lot', () => {
  it('ordered says when it is expected, and comes with one key', () => {
    const kept = row(lot({ expectedOn: '2026-02-03' }));
    expect(words()).toContain('Fergebod, in drawer 2 · 10 on order, expected 2026-02-03');
    expect(screen.queryByRole('button', { name: /^Test/ })).toBeNull();
    fireEvent.click(button('Arrived: run capacitor'));
    expect(kept).toHaveBeenCalledWith({ kind: 'arrived', lot: LOT, on: today() });
  });

  it('counts what is free, set aside, bad, built in and failed: ten less one bad, two aside, three in', () => {
    row(
      lot(),
      told({ kind: 'tested', lot: LOT, good: 9, bad: 1 }),
      told({ kind: 'reserved', lot: LOT, quantity: 2, job: 7 }),
      told({ kind: 'used', lot: LOT, quantity: 3, job: 4 }),
      told({ kind: 'failed', lot: LOT, quantity: 1, job: 4 }),
    );
    expect(words()).toContain('4 free of 6 here · 2 for job 0007 · 1 bad · 3 used · 1 failed early');
    expect(words()).not.toContain('Not tested');
    expect(button('Take back the last line of run capacitor').textContent).toBe('Take back: failed');
  });

  it('set aside for nobody says so, beside what is for a job', () => {
    row(
      lot(),
      told({ kind: 'reserved', lot: LOT, quantity: 2, job: null }),
      told({ kind: 'reserved', lot: LOT, quantity: 1, job: 12 }),
    );
    expect(words()).toContain('7 free of 10 here · 2 for no job · 1 for job 0012');
  });

  it('not tested says until when a bad one can be claimed, and offers the count that is left to test', () => {
    const kept = row(lot(), told({ kind: 'tested', lot: LOT, good: 3, bad: 1 }));
    expect(words()).toContain('Not tested: bad ones can be claimed until 2026-01-31');
    fireEvent.click(button('Test: run capacitor'));
    expect((screen.getByRole('textbox', { name: 'Good' }) as HTMLInputElement).value).toBe('6');
    for (const [good, bad] of [
      ['0', '0'],
      ['2,5', '0'],
      ['-1', '2'],
      ['x', '1'],
    ] as const) {
      type('Good', good);
      type('Bad', bad);
      expect(button('Keep the test').disabled, `${good} ${bad}`).toBe(true);
    }
    type('Good', '4');
    type('Bad', '2');
    fireEvent.click(button('Keep the test'));
    expect(kept).toHaveBeenCalledWith({ kind: 'tested', lot: LOT, good: 4, bad: 2 });
  });

  it('is taken, set aside or given back for a job, or for none; nonsense is not', () => {
    const kept = row(lot());
    fireEvent.click(button('Take: run capacitor'));
    for (const [many, job] of [
      ['0', ''],
      ['1,5', ''],
      ['1', '0'],
      ['1', 'x'],
    ] as const) {
      type('How many', many);
      type('For job number', job);
      expect(button('Set aside').disabled, `${many} ${job}`).toBe(true);
    }
    type('How many', '2');
    type('For job number', '14');
    fireEvent.click(button('Set aside'));
    expect(kept).toHaveBeenCalledWith({ kind: 'reserved', lot: LOT, quantity: 2, job: 14 });
    fireEvent.click(button('Take: run capacitor'));
    type('How many', '1');
    fireEvent.click(button('Built in'));
    expect(kept).toHaveBeenLastCalledWith({ kind: 'used', lot: LOT, quantity: 1, job: null });
  });
});
