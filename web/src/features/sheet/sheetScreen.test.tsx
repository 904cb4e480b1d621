/** The papers' screen: which paper stands there, what is downloaded, and what of the shelf is on it. */
import { screen } from '@testing-library/react';
import { Navigate, Route, Routes } from 'react-router';
import { describe, expect, it } from 'vitest';
import { keys } from '../../shared/api/queries.js';
import { JOB, line, show } from '../../test/scene.js';
import { SheetScreen } from './SheetScreen.js';

const LOT = '00000000-0000-4000-8000-0000000000aa';
const shelf = {
  lines: [
    {
      key: LOT,
      at: '2026-01-01T00:00:00.000Z',
      body: {
        kind: 'lot',
        part: 'flat belt',
        supplier: 'Quay',
        quantity: 3,
        price: 4,
        orderedOn: '2026-01-01',
        expectedOn: null,
        claimDays: 30,
        place: '',
      },
    },
    {
      key: '00000000-0000-4000-8000-0000000000ab',
      at: '2026-01-02T00:00:00.000Z',
      body: { kind: 'used', lot: LOT, quantity: 1, job: JOB.number },
    },
  ],
};
const detail = (more: object = {}) => ({
  job: { ...JOB, ...more },
  events: [line({ kind: 'work', action: 'replace', what: 'the belt' })],
  unreadable: [],
  lines: 1,
  onlyNew: false,
});
function paper(at: string, more: object = {}) {
  return show(
    <Routes>
      <Route path="/" element={<Navigate to={`/job/${JOB.id}/sheet${at}`} />} />
      <Route path="/job/:id/sheet/:paper?" element={<SheetScreen />} />
    </Routes>,
    [
      [keys.job(JOB.id), detail(more)],
      [keys.shelf, shelf],
    ],
  );
}
const link = (name: string) => screen.getByRole('link', { name }).getAttribute('href');
const words = () => document.body.textContent ?? '';

describe('the papers’ screen', () => {
  it('shows the owner’s sheet with the shelf’s parts, and leads to the other', () => {
    paper('');
    expect(screen.getByLabelText('Hand-back sheet')).toBeTruthy();
    expect(words()).toContain('1 × flat belt, from Quay');
    expect(link('Bench sheet')).toBe(`/job/${JOB.id}/sheet/bench`);
    expect(link('‹ Job')).toBe(`/job/${JOB.id}/hand-back`);
    expect(words()).not.toContain('Owner’s sheet');
  });

  it('shows the bench sheet, and leads back to the owner’s', () => {
    paper('/bench');
    expect(screen.queryByLabelText('Hand-back sheet')).toBeNull();
    expect(words()).toContain('What was done');
    expect(link('Owner’s sheet')).toBe(`/job/${JOB.id}/sheet`);
  });

  it('of a practice unit holds no part of the real shelf, whatever its number', () => {
    paper('', { practice: { machine: 'x', faults: [], seed: 1, lesson: null } });
    expect(screen.getByLabelText('Hand-back sheet')).toBeTruthy();
    expect(words()).not.toContain('flat belt');
  });
});
