/** Trays come out even, or say by how much they do not. */
import { ledgerOf, parseStep, type BenchEvent } from '@amber-gauge/core/bench';
import { render, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { line } from '../../../test/scene.js';
import { TrayTable } from './TrayTable.js';

const rows = (...events: BenchEvent[]) => {
  render(<TrayTable ledger={ledgerOf(events)} />);
  return screen.queryAllByRole('row').map((row) => row.textContent);
};
const back = (target: string, returned: number[]) =>
  line({ kind: 'refit', target, returned, distances: [], flush: true, renewed: [] });

describe('trays', () => {
  it('count what lies in them, by kind, the tray named once', () => {
    const cover = line(parseStep('cover 4 x 8 mm, 2 x 12 mm, tray A'));
    const [, first, second] = rows(cover);
    expect(first).toMatch(/^A.*8 mm.*404$/);
    expect(second).toMatch(/^(?!A).*12 mm.*202$/);
  });

  it('are even once all went back, and say how many are left', () => {
    const cover = line(parseStep('cover 4 x 8 mm, tray A'));
    const plate = line(parseStep('plate 3 x 6 mm, tray B'));
    const [, a, b] = rows(cover, plate, back(cover.key, [4]), back(plate.key, [2]));
    expect(a).toMatch(/44even$/);
    expect(b).toMatch(/321$/);
  });

  it('without a tray there is no table', () => {
    expect(rows(line(parseStep('belt')))).toEqual([]);
  });
});
