/** Which column is what: how a table was read, what is corrected by hand, and what is measured then. */
import type { GyroColumns, PulseColumns } from '@amber-gauge/core/speed';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { show } from '../../../test/scene.js';
import { columnName, TIME_UNITS, type TableHead } from './columns.js';
import { GyroColumnsForm, PulseColumnsForm } from './ColumnsForm.js';

const HEAD: TableHead = {
  names: ['t', '', 'ch2'],
  rows: [
    [0, -1.5, 3],
    [0.001, 2, -4],
  ],
  columns: [],
  separator: ';',
  decimalComma: true,
  stamps: null,
  count: 6000,
};
const choose = (label: string, option: string) => {
  fireEvent.mouseDown(screen.getByRole('combobox', { name: label }));
  fireEvent.click(screen.getByRole('option', { name: option }));
};
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));

describe('columns', () => {
  it('are named by themselves or by their place; time may stand in what is usual', () => {
    expect([0, 1, 2].map((i) => columnName(HEAD, i))).toEqual(['1: t', 'column 2', '3: ch2']);
    expect(Object.fromEntries(TIME_UNITS)).toEqual({ s: 1, ms: 0.001, µs: 1e-6, ns: 1e-9, min: 60 });
  });

  const PULSES: PulseColumns = { time: 0, timeUnitS: null, volts: null } as PulseColumns;
  const pulses = (head: TableHead = HEAD, outcome: unknown = null) => {
    const measured = vi.fn(() => Promise.resolve(outcome as null));
    const left = vi.fn();
    show(<PulseColumnsForm head={head} columns={PULSES} onCancel={left} onMeasure={measured} />);
    return { measured, left };
  };

  it('of pulses: says how it was read and shows the first rows with a true minus', () => {
    const { measured, left } = pulses();
    expect(screen.getByText(/^Read as/).textContent).toBe(
      'Read as 3 columns, separated by semicolons, decimal comma, 6000 rows. Is this right?',
    );
    const rows = within(screen.getByRole('table')).getAllByRole('row');
    expect(rows.map((one) => one.textContent)).toEqual(['1: tcolumn 23: ch2', '0−1.53', '0.0012−4']);
    press('Leave it');
    expect([left.mock.calls.length, measured.mock.calls.length]).toEqual([1, 0]);
  });

  it.each([
    ['\t', 'tabs'],
    [',', 'commas'],
    [' ', 'spaces'],
    ['|', 'bars'],
    ['#', '#'],
  ])('%j between them is told in words', (separator, words) => {
    pulses({ ...HEAD, separator, decimalComma: false });
    expect(screen.getByText(/^Read as/).textContent).toContain(`separated by ${words}, decimal point,`);
  });

  it('of pulses: as guessed, then as corrected', async () => {
    const { measured } = pulses();
    press('Measure');
    expect(measured).toHaveBeenLastCalledWith({ time: 0, timeUnitS: null, volts: null }, {});
    choose('Time', '3: ch2');
    choose('Time in', 'ms');
    choose('Channel', 'column 2');
    press('Measure');
    await waitFor(() => expect(measured).toHaveBeenLastCalledWith({ time: 2, timeUnitS: 0.001, volts: 1 }, {}));
    choose('Time', 'none: even samples');
    choose('Time in', 'told from the speed');
    choose('Channel', 'the one that makes sense');
    press('Measure');
    expect(measured).toHaveBeenLastCalledWith({ time: -1, timeUnitS: null, volts: null }, {});
  });

  it('of a gyroscope: each axis for itself, and its unit', () => {
    const columns: GyroColumns = { time: 0, timeUnitS: 1, axes: [0, 1, 2], unit: null } as unknown as GyroColumns;
    const measured = vi.fn(() => Promise.resolve(null));
    show(<GyroColumnsForm head={HEAD} columns={columns} onCancel={() => {}} onMeasure={measured} />);
    choose('Axis y', '3: ch2');
    choose('Axis z', 'column 2');
    press('Measure');
    expect(measured).toHaveBeenLastCalledWith({ time: 0, timeUnitS: 1, axes: [0, 2, 1], unit: null }, {});
    choose('Axes in', 'rad/s');
    press('Measure');
    expect(measured).toHaveBeenLastCalledWith(expect.objectContaining({ unit: 'rad/s' }), {});
    choose('Axes in', 'told from the speed');
    press('Measure');
    expect(measured).toHaveBeenLastCalledWith(expect.objectContaining({ unit: null }), {});
    cleanup();
    show(<GyroColumnsForm head={HEAD} columns={{ ...columns, axes: [1] }} onCancel={() => {}} onMeasure={measured} />);
    expect(screen.getByRole('combobox', { name: 'Axis of the spindle' })).toBeTruthy();
  });

  it('what cannot be measured says why; a question is answered, its answers add up', async () => {
    const { measured } = pulses(HEAD, 'Fewer than four pulses were found.');
    press('Measure');
    expect((await screen.findByRole('alert')).textContent).toBe('Fewer than four pulses were found.');
    cleanup();
    const question = {
      kind: 'asked',
      code: 'SPEED',
      message: 'Twice as fast as it can be.',
      choices: [
        { words: 'two pulses a turn', answer: { perTurn: 2 } },
        { words: 'it is right', answer: { asIs: true } },
        { words: 'it might be 78', answer: {} },
      ],
    };
    const second = pulses(HEAD, question);
    press('Measure');
    const asked = await screen.findByLabelText('Which reading is right?');
    expect(
      within(asked)
        .getAllByRole('button')
        .map((one) => one.textContent),
    ).not.toContain('it might be 78');
    press('two pulses a turn');
    await waitFor(() => expect(second.measured).toHaveBeenLastCalledWith(PULSES, { perTurn: 2 }));
    press('it is right');
    await waitFor(() => expect(second.measured).toHaveBeenLastCalledWith(PULSES, { perTurn: 2, asIs: true }));
    expect(measured).toHaveBeenCalledTimes(1);
  });
});
