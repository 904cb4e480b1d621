import 'fake-indexeddb/auto';
import type { EventBody } from '@amber-gauge/core/bench';
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { allEntries, removeEntry } from '../../../shared/outbox/store.js';
import { line, show, viewOf } from '../../../test/scene.js';
import { Sums } from './Sums.js';
import { Terms } from './Terms.js';

const bodies = async () => (await allEntries()).map((entry) => entry.event.body);
const reading = (value: number | readonly number[], unit: string, place: string): EventBody => ({
  kind: 'reading',
  text: '',
  values: [value].flat(),
  unit,
  qualifier: null,
  bound: 'exact',
  place,
  speedId: null,
  condition: null,
  holdKey: null,
});

beforeEach(() => {
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('away')));
});
afterEach(async () => {
  for (const entry of await allEntries()) await removeEntry(entry.event.key);
});

describe('a sum in place', () => {
  it('is filled from the log, comes to the handbook’s figure, and is kept as what later readings are judged by', async () => {
    const view = viewOf([line(reading(23, 'V', 'secondary')), line(reading(27.5, 'V', 'reservoir'))]);
    show(<Sums view={view} stage="find" />);
    fireEvent.click(screen.getByRole('button', { name: /^Supply: transformer.*: as read here/ }));
    const field = (name: string) => screen.getByRole('textbox', { name }) as HTMLInputElement;
    expect(field('A.c. that feeds it (of a centre tap: one half)').value).toBe('23');
    expect(field('Read: d.c., if known').value).toBe('27.5');
    expect(screen.getAllByText('from the log')).toHaveLength(2);
    expect(screen.getByRole('status').textContent).toContain('Still wanted: Reservoir');
    fireEvent.change(field('Load'), { target: { value: '0,132' } });
    fireEvent.change(field('Reservoir'), { target: { value: '2200' } });
    const answer = screen.getByRole('status');
    // √2 · 20.7 V less 1.4 V less half of 0.6 V.
    expect(answer.textContent?.replaceAll('\u202f', ' ')).toContain('Under this load, mean27.6 V (27 to 27.8 V)');
    expect(within(answer).getByText('right')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Keep it: judge reservoir by it' }));
    await waitFor(async () => expect(await bodies()).toHaveLength(1));
    const [kept] = await bodies();
    expect(kept).toMatchObject({
      kind: 'working',
      workingId: 'supply',
      verdict: 'right',
      expects: {
        place: 'reservoir',
        unit: 'V',
        low: expect.closeTo(26.97 * 0.9, 1),
        high: expect.closeTo(27.77 * 1.1, 1),
      },
    });
    expect(kept?.kind === 'working' && kept.inputs).toContainEqual({ id: 'load', text: '0,132' });
  });

  it('says at the field what cannot be, and keeps nothing then', () => {
    show(<Sums view={viewOf([line(reading([2.3, 2.3, 2], 'Ω', 'U-V-W'))])} stage="find" />);
    fireEvent.click(screen.getByRole('button', { name: /^Windings/ }));
    expect(screen.getByText('undecided')).toBeTruthy();
    fireEvent.change(screen.getByRole('textbox', { name: 'Leads shorted together' }), { target: { value: '-1' } });
    expect(screen.getByRole('alert').textContent).toBe('It cannot be below zero.');
    expect(screen.queryByRole('button', { name: /^Keep it/ })).toBeNull();
  });
});

describe('worth and price', () => {
  it('are kept as a line, what is left open stays open, and no money is refused', async () => {
    show(<Terms view={viewOf([])} stage="take-in" />);
    const keep = screen.getByRole('button', { name: 'Keep worth and price' });
    expect((keep as HTMLButtonElement).disabled).toBe(true);
    fireEvent.change(screen.getByRole('textbox', { name: 'Worth, working' }), { target: { value: 'much' } });
    expect(screen.getByRole('alert').textContent).toContain('Worth, working');
    fireEvent.change(screen.getByRole('textbox', { name: 'Worth, working' }), { target: { value: '80' } });
    fireEvent.change(screen.getByRole('textbox', { name: 'No more than' }), { target: { value: '35,50' } });
    fireEvent.click(keep);
    await waitFor(async () =>
      expect(await bodies()).toEqual([{ kind: 'terms', worth: 80, price: null, ceiling: 35.5, wantedBy: null }]),
    );
  });
});
