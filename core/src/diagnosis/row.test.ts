import { describe, expect, it } from 'vitest';
import { alike, joints, looks } from '../families/path/build.js';
import { readCell, readRow } from './row.js';

const windings = looks('w', 'Windings', 'Measure.', 'motor', ['alike: healthy', 'one open: open', 'one low: low'], {
  row: alike(['1 to 2', '2 to 3', '3 to 1'], 'Ω', { open: [100, 'one-open'], apart: [0.5, 'one-low'] }, 'alike'),
});
const line = looks('l', 'Line', 'Measure.', 'line', ['through: healthy', 'open: open'], {
  row: joints(['plug', 'edge'], 2, 'open', 'through'),
});

describe('a row of readings as one answer', () => {
  it.each([
    [windings, [2.3, 2.4, 2.3], 'alike', 'alike (1 to 2 2.30 Ω; 2 to 3 2.40 Ω; 3 to 1 2.30 Ω)'],
    [windings, [2.3, Infinity, 2.4], 'one-open', 'one open at 2 to 3 (1 to 2 2.30 Ω; 2 to 3 open; 3 to 1 2.40 Ω)'],
    [windings, [2.3, 1.1, 2.4], 'one-low', 'one low at 2 to 3 (1 to 2 2.30 Ω; 2 to 3 1.10 Ω; 3 to 1 2.40 Ω)'],
    // More than half of what is allowed from the middle one: the third alone; 0.2 is no more than that.
    [windings, [2.3, 2.5, 3.1], 'one-low', 'one low at 3 to 1 (1 to 2 2.30 Ω; 2 to 3 2.50 Ω; 3 to 1 3.10 Ω)'],
    [line, [0.2, 0.3], 'through', 'through (plug 0.20 Ω; edge 0.30 Ω)'],
    [line, [0.2, 12], 'open', 'open at edge (plug 0.20 Ω; edge 12.00 Ω)'],
  ] as const)('%#', (test, values, outcome, words) => {
    expect(readRow(test, values)).toEqual({ kind: 'answer', outcome, words });
  });

  it('says what is missing or strange', () => {
    expect(readRow(windings, [1, 2])).toMatchObject({ kind: 'unusable', message: expect.stringContaining('3 to 1') });
    expect(readRow(windings, [1, -2, 3])).toMatchObject({ message: '2 to 3: a number of Ω, or open.' });
    expect(readRow(windings, [-1, 2, 3])).toMatchObject({ message: '1 to 2: a number of Ω, or open.' });
    expect(readRow(windings, [1, 2, NaN])).toMatchObject({ message: '3 to 1: a number of Ω, or open.' });
    expect(readRow(windings, [0, 2, 2]).kind).toBe('answer');
    expect(readRow({ ...windings, row: null }, [1])).toMatchObject({ kind: 'unusable' });
  });

  it('reads a cell with comma or point, or as open', () => {
    expect(['2,4', ' 2.4 ', 'OL', 'open', 'x', ''].map(readCell)).toEqual([2.4, 2.4, Infinity, Infinity, null, null]);
  });
});
