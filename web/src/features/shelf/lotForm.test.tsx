/** A lot that was bought: what is refused in words, and the line that is kept. */
import type { ShelfBody } from '@amber-gauge/core/bench';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { show } from '../../test/scene.js';
import { LotForm } from './LotForm.js';
import { today } from './useShelf.js';

const type = (name: RegExp | string, value: string) =>
  fireEvent.change(screen.getByLabelText(name), { target: { value } });
const key = (name: string) => screen.getByRole('button', { name }) as HTMLButtonElement;
const open = (busy = false) => {
  const add = vi.fn<(lot: ShelfBody) => void>();
  show(<LotForm parts={['belt']} suppliers={['Fergebod']} busy={busy} onAdd={add} />);
  return add;
};
const named = () => {
  type('Part', ' run capacitor ');
  type('Supplier', ' Fergebod ');
};

describe('a lot put on the shelf', () => {
  it('wants a part and a supplier; without a price it has none, without a day it is here', () => {
    const add = open();
    expect(key('Put it on the shelf').disabled).toBe(true);
    type('Part', 'belt');
    expect(key('Put it on the shelf').disabled).toBe(true);
    named();
    fireEvent.click(key('Put it on the shelf'));
    expect(add).toHaveBeenCalledWith({
      kind: 'lot',
      part: 'run capacitor',
      supplier: 'Fergebod',
      quantity: 1,
      price: null,
      orderedOn: today(),
      expectedOn: null,
      claimDays: 30,
      place: '',
    });
    // The supplier stays for the next one, the part does not.
    expect((screen.getByLabelText('Supplier') as HTMLInputElement).value).toBe(' Fergebod ');
    expect((screen.getByLabelText('Part') as HTMLInputElement).value).toBe('');
  });

  it('with a day it is an order; numbers come with a comma', () => {
    const add = open();
    named();
    type('How many', '12');
    type(/^Price of one/, '3,25');
    type(/^Comes on/, '2026-03-01');
    type('Claim within, days', '0');
    type('Lies in', ' drawer 4 ');
    fireEvent.click(key('Keep the order'));
    expect(add.mock.calls[0]?.[0]).toMatchObject({
      quantity: 12,
      price: 3.25,
      expectedOn: '2026-03-01',
      claimDays: 0,
      place: 'drawer 4',
    });
  });

  it.each([
    ['How many', '0', 'How many: a whole number from 1.'],
    ['How many', '2,5', 'How many: a whole number from 1.'],
    ['How many', '', 'How many: a whole number from 1.'],
    ['Claim within, days', '-1', 'Claim days: a whole number, nought for none.'],
    [/^Price of one/, 'dear', 'The price is no amount of money.'],
    [/^Price of one/, '-2', 'The price is no amount of money.'],
  ] as const)('%s “%s” is refused in words', (field, value, message) => {
    const add = open();
    named();
    type(field, value);
    expect(screen.getByRole('alert').textContent).toBe(message);
    expect(key('Put it on the shelf').disabled).toBe(true);
    expect(add).not.toHaveBeenCalled();
  });

  it('a motor has to say its speed; nothing is added twice while it is kept', () => {
    open();
    named();
    fireEvent.click(key('It is a motor'));
    expect(screen.getByRole('alert').textContent).toBe('The motor’s speed: a number of turns a minute.');
    fireEvent.click(key('It is no motor'));
    expect(screen.queryByRole('alert')).toBeNull();
    cleanup();
    open(true);
    named();
    expect(key('Put it on the shelf').disabled).toBe(true);
  });
});
