import type { PracticeRow } from '@amber-gauge/contract';
import { LESSONS, type Debrief, type ReplayStep } from '@amber-gauge/core/training';
import { cleanup, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { JOB, show, viewOf } from '../../test/scene.js';
import { Told } from '../job/practice/Debriefing.js';
import { Begun } from './Begun.js';

const flat = (text: string | null | undefined) => (text ?? '').replace(/\s+/gu, ' ').trim();
const rowsOf = (container: Element) =>
  [...container.querySelectorAll('tbody tr')].map((row) => [...row.children].map((cell) => flat(cell.textContent)));

describe('practice units begun', () => {
  const unit = (ended: object | null): PracticeRow =>
    ({
      id: '11111111-1111-4111-8111-111111111111',
      number: 4,
      familyId: 'stand-mixer',
      complaint: 'It stops.',
      lesson: null,
      createdAt: '2026-01-01T08:00:00.000Z',
      lines: 3,
      ended: ended && {
        minutes: 23.6,
        adviceMinutes: 11.2,
        wrongParts: 0,
        harm: [],
        found: [],
        left: [],
        ...ended,
      },
    }) as unknown as PracticeRow;
  const ends = (ended: object | null) => rowsOf(show(<Begun units={[unit(ended)]} />).container)[0]?.slice(3);

  it('say their minutes beside the advice’s, and how they ended', () => {
    expect(ends(null)).toEqual(['', '', 'open']);
    expect(ends({})).toEqual(['24', '11', 'nothing was wrong']);
    expect(ends({ found: ['brushes'], wrongParts: 1 })?.[2]).toBe('mended: brushes; 1 part for nothing');
    expect(ends({ found: ['brushes'], left: ['switch'], wrongParts: 2, harm: ['it burns'] })?.[2]).toBe(
      'left: switch; 2 parts for nothing; danger: it burns',
    );
  });

  it('stand by their own number, and none is said to be none', () => {
    const { container } = show(<Begun units={[unit(null)]} />);
    expect(rowsOf(container)[0]?.[0]).toMatch(/^P-0+4 .*mixer/i);
    expect(show(<Begun units={[]} />).container.textContent).toContain('None yet.');
    expect(show(<Begun units={null} />).container.textContent).toBe('');
  });
});

describe('how it went', () => {
  const step = (more: Partial<ReplayStep>): ReplayStep => ({
    key: 'k',
    words: 'belt: sound',
    clockMin: 3.4,
    share: null,
    moved: null,
    rank: null,
    missed: null,
    harm: [],
    ...more,
  });
  const debrief = (more: Partial<Debrief> = {}): Debrief => ({
    own: { minutes: 31.2, live: 2, wrongParts: 1, harm: ['the transformer cooks'], clockMin: 40, parts: 2 },
    advice: { minutes: 12.6, live: 0, wrongParts: 0, harm: [], found: true },
    bestMinutes: 5.4,
    found: ['belt off'],
    left: [],
    spoiled: [],
    replay: [],
    ...more,
  });
  const told = (one: Debrief, job = JOB) => show(<Told view={viewOf([], job)} debrief={one} />).container;
  const head = (more: Partial<Debrief>) => flat(told(debrief(more)).querySelector('h1')?.textContent);

  it('begins with what was mended and what is still there', () => {
    expect(head({})).toBe('Mended: belt off.');
    expect(head({ found: [] })).toBe('Nothing was wrong with it.');
    expect(head({ left: ['lamp burnt'] })).toBe('Mended: belt off. Still there: lamp burnt.');
    expect(head({ found: [], spoiled: ['turns shorted'] })).toBe('Still there: turns shorted, by a wrong step.');
  });

  it('own figures, the advice’s and the best order’s stand side by side; what found nothing says so', () => {
    expect(rowsOf(told(debrief()))).toEqual([
      ['minutes to the fault', '31', '13', '5'],
      ['live readings', '2', 'none', ''],
      ['parts for nothing', '1', 'none', 'none'],
      ['danger', 'the transformer cooks', 'none', 'none'],
    ]);
    const lost = debrief({ left: ['belt off'], advice: { ...debrief().advice, found: false } });
    expect(rowsOf(told(lost))[0]).toEqual(['minutes to the fault', '31, not found', '13, not found', '5']);
  });

  it('is played back: what each line told of the fault, what it missed and what it harmed', () => {
    const steps = [
      step({ key: 'a', share: 0.48, moved: 0.36, rank: 1 }),
      step({ key: 'b', share: 0.3, moved: -0.18, rank: 3, missed: 'the machine shows: off' }),
      step({ key: 'c', share: 0.31, moved: 0.019, rank: null, harm: ['it burns'] }),
      step({ key: 'd', clockMin: 9.6 }),
    ];
    const container = told(debrief({ replay: steps }));
    expect([...container.querySelectorAll('ol li')].map((one) => flat(one.textContent))).toEqual([
      '3 minbelt: soundtowards the fault: 12 to 48 %, first',
      '3 minbelt: sound the machine shows: offaway from the fault: 48 to 30 %, place 3',
      '3 minbelt: sound it burnstold nothing of it: 31 %',
      '10 minbelt: sound',
    ]);
    expect(told(debrief()).textContent).toContain('Nothing was measured or answered.');
  });

  it('of a lesson says what was to be noticed, and gives the unit as a file', () => {
    const [lesson] = LESSONS;
    if (!lesson) throw new Error('no lesson');
    const practice = { lesson: lesson.id, familyId: lesson.familyId, faults: lesson.faults, seed: lesson.seed };
    const container = told(debrief(), { ...JOB, practice } as never);
    expect(flat(container.textContent)).toContain(flat(lesson.after));
    expect(screen.getByRole('button', { name: /This unit as a file/ })).toBeTruthy();
    cleanup();
    told(debrief());
    expect(screen.queryByRole('button', { name: /This unit as a file/ })).toBeNull();
  });
});
