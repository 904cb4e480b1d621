/** A lock's trim: the middle of what holds at every speed, cold and warm, by hand. */
import { fireEvent, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { show } from '../../../test/scene.js';
import { stage } from '../find/find.test-data.js';
import { LockTrim } from './LockTrim.js';

stage();

const fields = (name: RegExp) => screen.getAllByRole<HTMLInputElement>('textbox', { name });
const edges = (at: number, low: string, high: string) => {
  fireEvent.change(fields(/^catches from below at/)[at] as HTMLInputElement, { target: { value: low } });
  fireEvent.change(fields(/^from above at/)[at] as HTMLInputElement, { target: { value: high } });
};
const told = () => screen.queryByRole('status')?.textContent ?? null;

describe('the middle of a lock', () => {
  it('has a row for every speed, cold and warm, and says nothing of an edge alone', () => {
    show(<LockTrim labels={['33', '45']} />);
    for (const name of ['33, cold', '33, warm', '45, cold', '45, warm']) expect(screen.getByText(name)).toBeTruthy();
    expect(fields(/^catches from below at/)).toHaveLength(4);
    edges(0, '10:30', '');
    expect(told()).toBeNull();
  });

  it('is that of what all of them hold, as a clock shows it', () => {
    show(<LockTrim labels={['33', '45']} />);
    // A quarter of a turn from the stop is 10:30; half a turn is 13:30, which a clock face shows as 1:30.
    edges(0, '10:30', '1:30');
    expect(told()).toBe('Set it to 12:00 0.13 turns either way, over 1 of 4');
    // Warm it holds from 11:30 to 2:30: both hold from 11:30 to 1:30, whose middle is 12:30, an hour either way.
    edges(1, '11:30', '2:30');
    expect(told()).toBe('Set it to 12:30 0.08 turns either way, over 2 of 4');
  });

  it('in turns from the stop it is said in turns, whichever edge was typed first', () => {
    show(<LockTrim labels={['33']} />);
    edges(0, '1,2', '0.4');
    edges(1, '0.6', '1.6');
    expect(told()).toBe('Set it to 0.90 turns 0.30 turns either way, over 2 of 2');
  });

  it('where two have nothing in common no place is named', () => {
    show(<LockTrim labels={['33', '45']} />);
    edges(0, '0.2', '0.4');
    edges(3, '0.5', '0.8');
    expect(told()).toMatch(/^45, warm and 33, cold have nothing in common: no place holds both\./);
  });

  it('is cleared at once', () => {
    show(<LockTrim labels={['33']} />);
    edges(0, '0.2', '0.4');
    fireEvent.click(screen.getByRole('button', { name: 'Clear' }));
    expect(told()).toBeNull();
    expect(fields(/^catches|^from above/).map(({ value }) => value)).toEqual(['', '', '', '']);
  });
});
