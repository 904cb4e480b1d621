/** Strobe discs as they are asked for: bars and what is left of them, by hand; the address of the file. */
import { fireEvent, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { show, stubSizes } from '../../test/scene.js';
import { DiscScreen } from './DiscScreen.js';

beforeEach(() => {
  stubSizes();
  vi.stubGlobal('matchMedia', () => ({ matches: true }));
});
afterEach(() => {
  vi.restoreAllMocks();
});

const type = (label: RegExp | string, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } });
const choose = (label: string, option: string) => {
  fireEvent.mouseDown(screen.getByRole('combobox', { name: label }));
  fireEvent.click(screen.getByRole('option', { name: option }));
};
const rings = () =>
  within(screen.getByRole('table'))
    .getAllByRole('row')
    .slice(1)
    .map((row) => [...row.children].map((cell) => cell.textContent.replaceAll('\u202f', ' ')));
const asked = () =>
  Object.fromEntries(
    new URL(screen.getByRole('link', { name: 'PDF at true size' }).getAttribute('href') ?? '', 'http://x').searchParams,
  );

describe('a disc', () => {
  it('of 33⅓ and 45 under a lamp on 50 Hz: 180 bars stand still, 133 drift by a quarter of a percent', () => {
    show(<DiscScreen />);
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('A strobe disc at true size');
    // 60 · 100 / 33.333 = 180; 6000 / 45 = 133.33, so 133 stand at 45.113: 0.25 % fast.
    expect(rings()).toEqual([
      ['33⅓ rpm', '180', '0.00 %'],
      ['45 rpm', '133', '+0.25 %'],
    ]);
    expect(asked()).toEqual({
      rpm: '33.333,45',
      lampHz: '50',
      flashes: '2',
      paper: 'A4',
      hole: '7.24',
      disc: '190',
    });
  });

  it('on 60 Hz, flashing once, on other paper, with another hole', () => {
    show(<DiscScreen />);
    type('Lamp on', '60');
    choose('It flashes', 'once a cycle');
    choose('Paper', 'Letter');
    type(/^Hole/, '38,2');
    type(/^Disc across/, '174');
    // 60 · 60 / 33.333 = 108; 80 at 45.
    expect(rings().map(([, bars]) => bars)).toEqual(['108', '80']);
    expect(asked()).toMatchObject({ lampHz: '60', flashes: '1', paper: 'Letter', hole: '38.2', disc: '174' });
  });

  it('what cannot be drawn is marked at its field, and there is no file', () => {
    show(<DiscScreen />);
    type('Speeds, apart by spaces', '33,333 fast');
    expect(screen.getByLabelText('Speeds, apart by spaces').getAttribute('aria-invalid')).toBe('true');
    expect(screen.queryByRole('table')).toBeNull();
    expect(screen.queryByRole('link', { name: 'PDF at true size' })).toBeNull();
    type('Speeds, apart by spaces', '78.26');
    // 6000 / 78.26 = 76.67, so 77 stand at 77.92: 0.43 % slow.
    expect(rings()).toEqual([['78.26 rpm', '77', '−0.43 %']]);
    type('Lamp on', '0');
    expect(screen.getByLabelText('Lamp on').getAttribute('aria-invalid')).toBe('true');
    expect(screen.queryByRole('table')).toBeNull();
  });

  it('a strip for a rim has its length and no hole of its own; the drawing is saved page by page', async () => {
    const names: string[] = [];
    vi.stubGlobal('URL', Object.assign(URL, { createObjectURL: () => 'blob:x', revokeObjectURL: () => undefined }));
    vi.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (this: HTMLAnchorElement) {
      names.push(this.download);
    });
    show(<DiscScreen />);
    fireEvent.click(screen.getByRole('button', { name: 'SVG' }));
    expect(names).toEqual(['strobe-disc.svg']);
    fireEvent.click(screen.getByRole('button', { name: 'Edge strip' }));
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('A strip for a rim at true size');
    expect(screen.queryByLabelText(/^Hole/)).toBeNull();
    expect(asked()).toMatchObject({ strip: '300' });
    expect(asked().disc).toBeUndefined();
    // 600 mm across are 1.9 m round: seven pieces of a long side a speed, more than a sheet takes.
    type('Rim or flywheel across', '600');
    expect(asked()).toMatchObject({ strip: '600' });
    const save = screen.getByRole('button', { name: 'SVG, 2 pages' });
    const pages = 2;
    names.length = 0;
    fireEvent.click(save);
    await waitFor(() => expect(names).toHaveLength(pages));
    expect(names[0]).toMatch(/-1\.svg$/);
  });
});
