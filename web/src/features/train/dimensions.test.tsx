/** What each dimension does, worked out by hand: a rim drive of 10 mm against 450 mm, and a belt between two wheels. */
import type { Train } from '@amber-gauge/core/drive';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { MemoryRouter } from 'react-router';
import { describe, expect, it, vi } from 'vitest';
import { Dimensions } from './Dimensions.js';
import { draftOf, type TrainDraft } from './draft.js';
import { Parts } from './Parts.js';
import { BELT, part, RIM as PLAIN_RIM } from './train.test-data.js';

/** Half tolerances of 0.05 mm on the shaft and 0.45 mm on the rim. */
const TOLERANCES: Readonly<Record<string, number>> = { step: 0.05, platter: 0.45 };
const RIM: Train = {
  ...PLAIN_RIM,
  parts: PLAIN_RIM.parts.map((one) => ({ ...one, toleranceMm: TOLERANCES[one.id] ?? null })),
};

const plain = (text: string | null | undefined) => (text ?? '').replaceAll(/[\u202f\u00a0]/g, ' ');
const show = (train: Train) =>
  render(
    <MemoryRouter>
      <Dimensions train={train} speed={0} hz={50} />
    </MemoryRouter>,
  );
const cells = (name: RegExp) =>
  [...(screen.getAllByRole('row').find((row) => name.test(row.textContent ?? ''))?.children ?? [])]
    .slice(1)
    .map((cell) => plain(cell.textContent));
const type = (label: RegExp, value: string) =>
  fireEvent.change(screen.getByRole('textbox', { name: label }), { target: { value } });

describe('what each dimension does', () => {
  it('a tenth of a millimetre on 10 mm is one percent, on a rim of 450 mm a fiftieth of that; an idler cancels', () => {
    show(RIM);
    expect(cells(/^stepped shaft/)).toEqual(['10.000', '+1.00 %', '0.50 %', '10.000']);
    // 0.1 / 450 = 0.022 %, 0.45 / 450 = 0.1 %.
    expect(cells(/^platter/)).toEqual(['450.00', '−0.02 %', '0.10 %', '450.00']);
    expect(screen.queryByRole('row', { name: /^idler/ })).toBeNull();
    // 0.5 and 0.1 together 0.6; √(0.25 + 0.01) = 0.51.
    expect(plain(document.body.textContent)).toContain('together ±0.60 %, as units come (root of squares) ±0.51 %');
  });

  it('right on 60 Hz the shaft would have five sixths, the rim six fifths', () => {
    show(RIM);
    type(/^Right on another mains/, '60');
    expect(cells(/^stepped shaft/)[3]).toBe('8.333');
    expect(cells(/^platter/)[3]).toBe('540.00');
    expect(screen.getByRole('columnheader', { name: 'to be right on 60 Hz' })).toBeTruthy();
  });

  it.each([
    ['10', true],
    ['15', true],
    ['16', false],
    ['70', false],
    ['71', true],
    ['x', true],
    ['', false],
  ])('mains of “%s” Hz are refused: %s', (typed, refused) => {
    show(RIM);
    type(/^Right on another mains/, typed);
    expect(screen.queryByText('No mains has that frequency.') !== null).toBe(refused);
  });

  it('34 measured: the shaft would be 0.200 mm thick too much, or the rim 8.824 mm too small', () => {
    show(RIM);
    type(/^Measured/, '34');
    expect(cells(/^stepped shaft/)[4]).toBe('+0.200 mm');
    expect(cells(/^platter/)[4]).toBe('−8.824 mm');
  });

  it.each(['0', '-3', 'fast'])('%s is no speed', (typed) => {
    show(RIM);
    expect(screen.queryByText('A speed above zero.')).toBeNull();
    type(/^Measured/, typed);
    expect(screen.getByText('A speed above zero.')).toBeTruthy();
  });

  it('a run of belt round 10 and 200 mm, 150 mm apart: 694.2 mm; one of 670 stands stretched by 3.6 %', () => {
    // 2 · 150 cos a + π (10.6 + 200.6) / 2 + a · 190 with sin a = 190 / 300; 3 to 8 % of stretch are 643 to 674 mm.
    show(BELT);
    const said = plain(document.body.textContent);
    expect(said).toContain('its run is 694.2 mm along the middle');
    expect(said).toContain('one of 643 to 674 mm');
    expect(said).toContain('The one typed stands stretched by 3.6 %.');
    // An electronically held motor does not know the mains.
    expect(said).toContain('The mains changes nothing here');
    expect(screen.queryByRole('textbox', { name: /^Right on another mains/ })).toBeNull();
  });

  it('wheels that overlap are told, an untyped length says no stretch', () => {
    const [first, second] = BELT.parts as [Train['parts'][number], Train['parts'][number]];
    show({ ...BELT, parts: [first, { ...second, centreMm: 90 }] });
    expect(plain(document.body.textContent)).toContain('Belt to platter: the wheels overlap at that distance.');
    cleanup();
    show({ ...BELT, parts: [first, { ...second, belt: { thicknessMm: 0.6, lengthMm: null, shape: 'flat' } }] });
    expect(plain(document.body.textContent)).not.toContain('The one typed');
    cleanup();
    show({ ...BELT, parts: [first, { ...second, centreMm: null }] });
    expect(plain(document.body.textContent)).not.toContain('Belt to platter');
  });
});

describe('the parts', () => {
  const problem = { part: 'idler', field: 'sizes', message: 'A size above zero.' } as never;
  const parts = (train: Train, problems: Parameters<typeof Parts>[0]['problems'] = []) => {
    const set = vi.fn<(next: TrainDraft) => void>();
    render(
      <Parts
        draft={draftOf(train)}
        problems={problems}
        turns={{ turning: [{ id: 'platter', revPerS: 100 / 3 / 60, sense: 'clockwise' }] } as never}
        onDraft={set}
      />,
    );
    return { set, head: (name: string) => plain(screen.getByRole('button', { name }).parentElement?.textContent) };
  };

  it('each with how it is turned, its size and its turns', () => {
    const { head } = parts(RIM);
    expect(head('Change: stepped shaft')).toMatch(/on the shaft of motor · 10 mm/);
    expect(head('Change: idler')).toMatch(/rim, turned by stepped shaft · 45 mm/);
    expect(head('Change: platter')).toMatch(/inside of a rim, turned by idler · 450 mm33\.333 rpm clockwise/);
    cleanup();
    expect(parts(BELT).head('Change: platter')).toMatch(/by a belt from pulley · 200 mm/);
  });

  it('one more is turned by the last and stands open; one can be taken out, and another one stays', () => {
    const { set } = parts(RIM);
    fireEvent.click(screen.getByRole('button', { name: 'Another part' }));
    const more = set.mock.calls[0]?.[0].parts ?? [];
    expect(more).toHaveLength(4);
    expect(more.at(-1)).toMatchObject({ name: 'part 4', by: 'platter', contact: 'shaft', sizes: '' });
    cleanup();
    const { set: less } = parts(RIM);
    fireEvent.click(screen.getByRole('button', { name: 'Change: idler' }));
    fireEvent.click(screen.getByRole('button', { name: 'Take it out' }));
    expect(less.mock.calls[0]?.[0].parts.map(({ id }) => id)).toEqual(['step', 'platter']);
  });

  it('opened it asks what it needs: no slip on one shaft, belt and distance of a belt alone, teeth of a gear', () => {
    parts(BELT);
    fireEvent.click(screen.getByRole('button', { name: 'Change: pulley' }));
    const fields = () => screen.getAllByRole('textbox').map((one) => one.getAttribute('aria-label') ?? labelOf(one));
    const labelOf = (one: HTMLElement) => document.querySelector(`label[for="${one.id}"]`)?.textContent ?? '';
    expect(fields().join('; ')).not.toMatch(/Slip|Belt/);
    fireEvent.click(screen.getByRole('button', { name: 'Change: platter' }));
    expect(fields().join('; ')).toMatch(/Diameter.*tolerance.*Belt thickness.*Belt length.*Shaft to shaft.*Slip/);
    cleanup();
    const [, wheel] = BELT.parts as [Train['parts'][number], Train['parts'][number]];
    parts({ ...BELT, parts: [part('pulley', {}), { ...wheel, kind: 'gear', contact: 'gear', belt: null }] });
    fireEvent.click(screen.getByRole('button', { name: 'Change: platter' }));
    expect(fields().join('; ')).toMatch(/Teeth/);
    expect(fields().join('; ')).not.toMatch(/Diameter|tolerance|Slip/);
  });

  it('typing goes to its own part alone; what is wrong with one stands at it', () => {
    const { set } = parts(RIM, [problem]);
    expect(screen.getByRole('alert').textContent).toBe('A size above zero.');
    fireEvent.click(screen.getByRole('button', { name: 'Change: idler' }));
    fireEvent.change(screen.getByRole('textbox', { name: /^Diameter/ }), { target: { value: '44' } });
    expect(set.mock.calls[0]?.[0].parts.map(({ sizes }) => sizes)).toEqual(['10', '44', '450']);
    expect(screen.getByRole('textbox', { name: /^Diameter/ }).getAttribute('aria-invalid')).toBe('true');
    expect(screen.getByRole('textbox', { name: /tolerance/ }).getAttribute('aria-invalid')).toBe('false');
  });

  it('forty are enough', () => {
    const many = { ...RIM, parts: Array.from({ length: 40 }, (_none, i) => part(`p${i}`, {})) };
    parts(many);
    expect((screen.getByRole('button', { name: 'Another part' }) as HTMLButtonElement).disabled).toBe(true);
    cleanup();
    parts({ ...many, parts: many.parts.slice(1) });
    expect((screen.getByRole('button', { name: 'Another part' }) as HTMLButtonElement).disabled).toBe(false);
  });
});
