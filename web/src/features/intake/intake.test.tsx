import type { JobFields } from '@amber-gauge/contract';
import { FAMILIES } from '@amber-gauge/core/families';
import { jobFieldsSchema } from '@amber-gauge/contract';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { ConflictChoice } from '../../shared/ui/ConflictChoice.js';
import { BenchRow } from '../bench/BenchRow.js';
import { RibbonPrint } from '../sheet/RibbonPrint.js';
import { tolerance } from '@amber-gauge/core/quantity';
import { JOB, show } from '../../test/scene.js';
import { blankFields, JobFieldsForm } from './JobFieldsForm.js';

describe('taking in', () => {
  it('starts each kind with fields that the contract takes', () => {
    for (const family of FAMILIES) {
      const fields = blankFields(family.id, 230);
      expect(jobFieldsSchema.safeParse(fields).success, family.id).toBe(true);
      expect(fields.powerKind === 'pack').toBe(family.supply === 'pack');
    }
  });

  it('hands on what was typed, with a decimal comma in the volts', async () => {
    const sent: JobFields[] = [];
    show(
      <JobFieldsForm
        start={blankFields('belt-turntable-dc', 230)}
        submitWord="Take it in"
        busy={false}
        onSubmit={(fields) => sent.push(fields)}
      />,
    );
    fireEvent.change(screen.getByLabelText('Make'), { target: { value: 'Nordlys' } });
    fireEvent.change(screen.getByLabelText(/Rated volts/), { target: { value: '14,4' } });
    fireEvent.click(screen.getByRole('button', { name: '78 rpm' }));
    fireEvent.click(screen.getByRole('button', { name: 'Take it in' }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]).toMatchObject({ make: 'Nordlys', ratedVolts: 14.4, speedIds: ['33', '45', '78'] });
  });

  it('says what is missing and sends nothing', async () => {
    const sent: JobFields[] = [];
    show(
      <JobFieldsForm
        start={blankFields('belt-turntable-dc', 230)}
        submitWord="Take it in"
        busy={false}
        onSubmit={(fields) => sent.push(fields)}
      />,
    );
    fireEvent.click(screen.getByRole('button', { name: '33⅓ rpm' }));
    fireEvent.click(screen.getByRole('button', { name: '45 rpm' }));
    fireEvent.click(screen.getByRole('button', { name: 'Take it in' }));
    await waitFor(() => expect(screen.getByRole('alert').textContent).toBe('Choose at least one speed'));
    expect(sent).toHaveLength(0);
  });

  it('hands its draft on as it grows, so that a reload loses nothing', async () => {
    const drafts: JobFields[] = [];
    show(
      <JobFieldsForm
        start={blankFields('belt-turntable-dc', 230)}
        submitWord="x"
        busy={false}
        onSubmit={() => {}}
        onDraft={(fields) => drafts.push(fields)}
      />,
    );
    fireEvent.change(screen.getByLabelText('Serial'), { target: { value: 'A-7' } });
    await waitFor(() => expect(drafts.at(-1)?.serial).toBe('A-7'));
  });
});

describe('two versions', () => {
  it('stand side by side for the fields that differ, and one is chosen', () => {
    const chosen: string[] = [];
    show(
      <ConflictChoice
        mine={{ a: 'mine', b: 'same', c: ['1'] }}
        theirs={{ a: 'theirs', b: 'same', c: ['2'] }}
        onMine={() => chosen.push('mine')}
        onTheirs={() => chosen.push('theirs')}
      />,
    );
    expect(screen.getAllByRole('row')).toHaveLength(3);
    expect(screen.queryByText('same')).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Keep theirs' }));
    fireEvent.click(screen.getByRole('button', { name: 'Keep mine' }));
    expect(chosen).toEqual(['theirs', 'mine']);
  });
});

describe('a row of the bench', () => {
  it('leads to the stage that its wish belongs to and says when it is live', () => {
    const reading = {
      turned: true,
      errorPercent: -0.62,
      expandedPercent: 0.12,
      wowPeakPercent: 0.1,
      rpm: 33,
      verdict: 'not-right' as const,
      side: 'slow' as const,
    };
    show(
      <BenchRow
        item={{
          job: JOB,
          next: { stage: 'set-speed', kind: 'hands', text: 'Trim 33⅓ rpm: slow', until: null },
          power: 'live-isolated',
          speeds: [
            { speedId: '33', label: '33⅓ rpm', nominalRpm: 33.333, reading },
            { speedId: '45', label: '45 rpm', nominalRpm: 45, reading: null },
          ],
          timers: [],
          lineCount: 3,
          lastAt: null,
          movedAt: '2026-01-01T08:00:00.000Z',
        }}
      />,
    );
    const link = screen.getByRole('link');
    expect(link.getAttribute('href')).toBe(`/job/${JOB.id}/set-speed`);
    expect(link.textContent).toContain('Trim 33⅓ rpm: slow');
    expect(link.textContent).toContain('Live through isolation');
    expect(link.textContent).toMatch(/−0\.62 ± 0\.12/);
    expect(link.textContent).not.toContain('45 rpm');
  });
});

describe('the ribbon in print', () => {
  const limits = tolerance(-1, 1.5, { kind: 'practice', text: 'x' });
  const side = (errorPercent: number | null) => ({
    at: '2026-01-01T08:00:00.000Z',
    words: '',
    verdict: '',
    how: '',
    errorPercent,
    expandedPercent: 0.1,
    wowPeakPercent: 0.1,
    turned: errorPercent !== null,
  });

  it('joins as found and as left by an arrow; without a reading it stays empty', () => {
    const { container, unmount } = show(
      <RibbonPrint speed={{ label: '45 rpm', nominalRpm: 45, asFound: side(-3), asLeft: side(0.1) }} limits={limits} />,
    );
    // asinh(2 u) / asinh(80) of 170 mm: -3 % in a limit of -1 % stands at 43.27 mm, +0.1 % in +1.5 % at 87.23 mm.
    const box = (role: string) =>
      ['x', 'width'].map((name) =>
        Number(container.querySelector(`[data-role=${role}]`)?.getAttribute(name)).toFixed(2),
      );
    expect(box('found')).toEqual(['42.67', '1.20']);
    expect(box('mean')).toEqual(['86.63', '1.20']);
    expect(box('window')).toEqual(['60.82', '48.36']);
    expect(container.querySelector('[data-role=arrowHead]')?.getAttribute('d')).toBe('M86.23 1L84.63 0.2L84.63 1.8z');
    expect(container.querySelector('[data-role=bracket]')?.getAttribute('d')).toMatch(
      /^M42\.73 10L42\.73 11\.4L43\.83/,
    );
    const words = ['slow', 'fast', '45', '−20', '−5', '−1', '+1.5', '+7.5', '+30'];
    expect([...container.querySelectorAll('text')].map((text) => text.textContent)).toEqual(words);
    unmount();
    const empty = show(
      <RibbonPrint speed={{ label: '45 rpm', nominalRpm: 45, asFound: side(null), asLeft: null }} limits={limits} />,
    );
    expect(
      empty.container.querySelector('[data-role=mean],[data-role=found],[data-role=arrow],[data-role=arrowHead]'),
    ).toBeNull();
  });
});
