/** Who makes the wow: the bars and their figures, squares added by hand. */
import type { RunFigures } from '@amber-gauge/contract';
import { cleanup, render, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import { WowByPart } from './WowByPart.js';

const PARTS = [
  { name: 'platter', kind: 'platter', hz: 0.5556 },
  { name: 'pulley', kind: 'pulley', hz: 33.3 },
] as unknown as Parameters<typeof WowByPart>[0]['parts'];
const line = (frequencyHz: number, peakPercent: number) => ({ frequencyHz, peakPercent, peak: peakPercent });
const show = (lines: ReturnType<typeof line>[], more: Partial<RunFigures> = {}) =>
  render(
    <WowByPart
      figures={
        {
          series: { startS: 0, stepS: 0.01, errorPercent: Array(3000).fill(0), halfWidthPercent: [] },
          lines,
          flutter: null,
          errorPercent: 0,
          ...more,
        } as unknown as RunFigures
      }
      parts={PARTS}
    />,
  );
const rows = () =>
  screen.getAllByRole('listitem').map((row) => ({
    part: row.getAttribute('data-part'),
    text: row.textContent ?? '',
    width: parseFloat((row.querySelector('[style]') as HTMLElement | null)?.style.width ?? 'NaN'),
  }));

describe('wow by part', () => {
  it('names the turning part of each line, the largest first, bars against the largest', () => {
    show([line(0.5556, 0.3), line(33.3, 0.15)]);
    const [platter, pulley, sum] = rows();
    expect([platter?.part, pulley?.part]).toEqual(['platter', 'pulley']);
    expect(platter?.text).toContain('0.300 %');
    expect([platter?.width, pulley?.width]).toEqual([100, 50]);
    // √(0.09 + 0.0225).
    expect(sum?.text).toContain('0.335 %');
  });

  it('once and twice a turn of one part go together: √(0.3² + 0.4²) is 0.5', () => {
    show([line(0.5556, 0.3), line(1.1112, 0.4)]);
    const [platter, sum] = rows();
    expect(platter?.text).toContain('0.500 %');
    expect(sum?.text).toContain('0.500 %');
  });

  it('what no part turns at is not known; a share under a fiftieth of the sum is left out', () => {
    show([line(7.3, 0.2), line(33.3, 0.003)]);
    const all = rows();
    expect(all.map(({ part }) => part)).toEqual(['not known', null]);
    expect(all[1]?.text).toContain('together');
  });

  it('a fast run moves the rates with it: at +5 % the pulley turns at 34.97 Hz', () => {
    show([line(34.965, 0.2)], { errorPercent: 5 });
    expect(rows()[0]?.part).toBe('pulley');
    cleanup();
    show([line(34.965, 0.2)]);
    expect(rows()[0]?.part).toBe('not known');
  });

  it('nothing that stands out says so', () => {
    show([]);
    expect(screen.getByText(/No line stands out of the noise/)).toBeTruthy();
    cleanup();
    show([line(0.5556, 0.0004)]);
    expect(screen.getByText(/No line stands out of the noise/)).toBeTruthy();
  });
});
