/** A row of the bench: what it wants, where it stands, what runs beside it, and since when. */
import type { JobListItem } from '@amber-gauge/contract';
import { cleanup, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { JOB, show } from '../../test/scene.js';
import { BenchRow } from './BenchRow.js';

const NOW = '2026-01-02T10:00:00.000Z';
beforeEach(() => vi.useFakeTimers({ now: new Date(NOW) }));
afterEach(() => {
  vi.useRealTimers();
});

const item = (more: Partial<JobListItem> = {}): JobListItem => ({
  job: JOB,
  next: { stage: 'find', kind: 'hands', text: 'Read the governor', until: null },
  power: 'unplugged-discharged',
  speeds: [],
  timers: [],
  lineCount: 3,
  lastAt: '2026-01-02T09:00:00.000Z',
  movedAt: '2026-01-02T09:00:00.000Z',
  ...more,
});
const row = (more: Partial<JobListItem> = {}) => {
  show(
    <ul>
      <BenchRow item={item(more)} />
    </ul>,
  );
  return (screen.getByRole('listitem').textContent ?? '').replaceAll('\u202f', ' ');
};
const timer = (label: string, dueAt: string, key = 1) => ({
  key: `00000000-0000-4000-8000-00000000000${key}`,
  timer: 'soak' as const,
  label,
  startedAt: '2026-01-02T09:00:00.000Z',
  dueAt,
});

describe('a row of the bench', () => {
  it('leads to the stage of what it wants, with its number, unit, family and owner', () => {
    const words = row();
    expect(words).toContain('0007Read the governorFind');
    expect(words).toContain('Made Up');
    expect(words).toMatch(/turntable.*, School/i);
    expect(screen.getByRole('link').getAttribute('href')).toBe(`/job/${JOB.id}/find`);
  });

  it('a unit without make and model is named by its family once', () => {
    const words = row({ job: { ...JOB, make: '', model: '' } });
    expect(words.match(/turntable/gi)).toHaveLength(1);
  });

  it('counts down what it waits for, and each other timer that runs, once', () => {
    const until = '2026-01-02T10:12:30.000Z';
    const words = row({
      next: { stage: 'prove', kind: 'waits', text: 'Soak', until },
      timers: [timer('soak', until), timer('glue', '2026-01-02T10:45:00.000Z', 2), timer('done', NOW, 3)],
    });
    expect(words).toContain('Soak12:30');
    expect(words.match(/12:30/g)).toHaveLength(1);
    expect(words).toContain('glue 45:00');
    expect(words).not.toContain('done');
  });

  it('says that it is live, and only then', () => {
    expect(row({ power: 'live-isolated' })).toMatch(/live/i);
    cleanup();
    expect(row()).not.toMatch(/live/i);
  });

  it('shows the speeds that were read, and no others', () => {
    const words = row({
      speeds: [
        {
          speedId: '33',
          label: '33⅓ rpm',
          reading: {
            turned: true,
            errorPercent: -2.4,
            expandedPercent: 0.1,
            wowPeakPercent: null,
            rpm: 32.53,
          },
        },
        { speedId: '45', label: '45 rpm', reading: null },
      ] as unknown as JobListItem['speeds'],
    });
    expect(words).toContain('33⅓ rpm');
    expect(words).toContain('−2.4');
    expect(words).not.toContain('45 rpm');
  });

  it('a job without a line is as old as the job', () => {
    const hour = (words: string) => /(\d\d):(\d\d)$|([^ ]+)$/.exec(words)?.[0];
    const fresh = hour(row({ lastAt: null, job: { ...JOB, createdAt: '2026-01-02T08:00:00.000Z' } }));
    cleanup();
    const same = hour(row({ lastAt: '2026-01-02T08:00:00.000Z' }));
    cleanup();
    const other = hour(row({ lastAt: '2026-01-02T09:30:00.000Z', job: { ...JOB, createdAt: NOW } }));
    expect(fresh).toBe(same);
    expect(other).not.toBe(same);
  });
});
