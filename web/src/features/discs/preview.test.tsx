/** The rings under the lamp, reckoned by hand: bars that pass in a second less flashes in a second. */
import type { DiscWish } from '@amber-gauge/core/speed';
import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Preview } from './Preview.js';

/** A lamp on 50 Hz mains flashes 100 times a second: 180 bars stand still at 33⅓ rpm, 133 nearly at 45. */
const WISH: DiscWish = {
  speedsRpm: [100 / 3, 45],
  lampHz: 50,
  flashesPerCycle: 2,
  paper: 'A4',
  discMm: 190,
  holeMm: 7.24,
  stripMm: null,
};

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal('matchMedia', () => ({ matches: false }));
});
afterEach(() => {
  vi.useRealTimers();
});

const seen = () =>
  within(screen.getByRole('list', { name: 'What is seen' }))
    .getAllByRole('listitem')
    .map((one) => (one.textContent ?? '').replaceAll('\u202f', ' '));
const turns = (value: string) =>
  fireEvent.change(screen.getByRole('textbox', { name: /^Platter turns at/ }), { target: { value } });
const choose = (name: RegExp, option: string) => {
  fireEvent.mouseDown(screen.getByRole('combobox', { name }));
  fireEvent.click(screen.getByRole('option', { name: option }));
};
const turned = () => document.querySelector('path[transform]')?.getAttribute('transform');

describe('under the lamp', () => {
  it('33⅓ stands still; three per mille more runs left at the near edge, 0.30 bars a second', () => {
    render(<Preview wish={WISH} />);
    // Begins three per mille fast: 180 bars · 33.433 / 60 = 100.3 a second.
    expect(seen()[0]).toBe('33⅓ ring runs left, 0.30 bars a second: fast');
    turns('33,3333333');
    expect(seen()[0]).toBe('33⅓ ring stands still');
    turns('33');
    // 99 bars a second: one behind each second.
    expect(seen()[0]).toBe('33⅓ ring runs right, 1.00 bars a second: slow');
  });

  it('the other ring stands nearly still at its own speed: 133 bars pass 99.75 times a second', () => {
    render(<Preview wish={WISH} />);
    turns('45');
    expect(seen()[1]).toBe('45 ring runs right, 0.25 bars a second: slow');
  });

  it('at the far edge it runs the other way; in steady light it is grey, whatever turns', () => {
    render(<Preview wish={WISH} />);
    choose(/^You look at/, 'the far edge');
    expect(seen()[0]).toBe('33⅓ ring runs right, 0.30 bars a second: fast');
    choose(/^Light/, 'daylight, steady LED');
    expect(seen()).toEqual(['33⅓ ring is a grey blur', '45 ring is a grey blur']);
  });

  it.each([
    ['0', true],
    ['-1', false],
    ['9999', true],
    ['10000', false],
    ['fast', false],
  ])('%s turns a minute can be: %s', (typed, good) => {
    render(<Preview wish={WISH} />);
    turns(typed);
    expect(screen.queryAllByRole('listitem').length > 0).toBe(good);
  });

  it('is drawn as it is seen: in a second 0.3 of 180 bars, six tenths of a degree the way it turns', () => {
    render(<Preview wish={WISH} />);
    act(() => void vi.advanceTimersByTime(1000));
    // It begins at 33.433, to three decimals: 0.299 bars.
    expect(turned()).toBe('rotate(0.5980)');
    const [first] = document.querySelectorAll('path[transform]');
    // Every bar is half of its share of the circle, from the inner to the outer edge of the ring.
    const bars = (first?.getAttribute('d') ?? '').split('Z').slice(0, -1);
    expect(bars).toHaveLength(180);
    const [x1 = 0, y1 = 0, , , , , x2 = 0, y2 = 0] = (bars[0]?.match(/-?[\d.]+/g) ?? []).map(Number);
    const width = Math.atan2(x2, -y2) - Math.atan2(x1, -y1);
    expect((width * 180) / Math.PI).toBeCloseTo(1, 2);
    const box = screen.getByRole('img', { name: 'The disc as it looks' }).getAttribute('viewBox');
    expect(box).toBe('-95 -95 190 190');
  });

  it('stands where motion is not wanted', () => {
    vi.stubGlobal('matchMedia', () => ({ matches: true }));
    render(<Preview wish={WISH} />);
    act(() => void vi.advanceTimersByTime(1000));
    expect(turned()).toBeUndefined();
  });
});
