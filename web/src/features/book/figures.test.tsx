/** The figures of the Book: shares with their intervals, money and hours, worked out by hand. */
import type { BookFigures } from '@amber-gauge/contract';
import { screen } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { drawn, standForCharts } from '../../test/chartStand.js';
import { show } from '../../test/scene.js';
import { Figures } from './Figures.js';

beforeEach(standForCharts);

/** 9 of 10: the Wilson interval is 0.596 to 0.982 (textbook, from memory). */
const share = (hits: number, of: number, low = 0, high = 0) => ({ hits, of, low, high });
const FIGURES: BookFigures = {
  taken: 12,
  handed: 10,
  turnaround: { medianDays: 4.25, p90Days: 19.96 },
  firstTime: share(9, 10, 0.596, 0.982),
  proved: share(10, 10, 0.722, 1),
  advice: { first: share(6, 8, 0.409, 0.929), firstThree: share(0, 0) },
  faults: [{ family: 'belt-turntable-dc', fault: 'belt.slack', jobs: 4 }],
  models: [{ model: 'Made Up', jobs: 3, returned: 1 }],
  mends: [{ mend: 'new-belt', jobs: 4, returned: 1 }],
  stages: [{ stage: 'find', medianMin: 21.4 }],
  months: [
    { month: '2026-01', taken: 7, handed: 6 },
    { month: '2026-02', taken: 5, handed: 4 },
  ],
  price: 455,
  worth: null,
  handsMin: 630,
};
const answering = (figures: BookFigures) =>
  vi.stubGlobal('fetch', (url: string) =>
    Promise.resolve(
      new Response(JSON.stringify(url.includes('/book/figures') ? figures : { lines: [] }), {
        headers: { 'content-type': 'application/json' },
      }),
    ),
  );
const rowOf = async (name: string) =>
  ((await screen.findByText(name)).closest('tr')?.textContent ?? '').replaceAll('\u202f', ' ');

describe('figures of the shop', () => {
  it('stand with their interval, their median and what nine of ten are under', async () => {
    answering(FIGURES);
    show(<Figures from={undefined} to={undefined} />);
    expect(await rowOf('Days from taking in to handing back')).toMatch(/4\.(2|3)median; nine of ten under 20\.0$/);
    expect(await rowOf('Right the first time')).toMatch(/90 %9 of 10; 95 %: 60 to 98 %$/);
    expect(await rowOf('Proved before it went')).toMatch(/100 %10 of 10; 95 %: 72 to 100 %$/);
    expect(await rowOf('Mended part stood first in Find')).toMatch(/75 %6 of 8; 95 %: 41 to 93 %$/);
    expect(await rowOf('… among the first three')).toMatch(/none yet$/);
  });

  it('money and hands: 630 min are ten and a half hours, 630 at 60 an hour', async () => {
    answering(FIGURES);
    show(<Figures from={undefined} to={undefined} />);
    const row = await rowOf('Prices agreed');
    expect(row).toMatch(/455 EUR/);
    expect(row).toMatch(/worth none agreed; hands 1[01] h, at 60 EUR an hour 630 EUR$/);
  });

  it('tables count jobs and what came back; months are drawn side by side', async () => {
    answering(FIGURES);
    show(<Figures from={undefined} to={undefined} />);
    await screen.findByRole('region', { name: 'Models' });
    const table = (name: string) => screen.getByRole('region', { name }).textContent ?? '';
    expect(table('Models')).toMatch(/Made Up31$/);
    expect(table('Mends')).toMatch(/belt41$/);
    expect(table('Minutes a stage, median')).toMatch(/Find21$/);
    expect(table('Faults')).toMatch(/governed d\.c\. motor4$/);
    expect(drawn[0]?.xAxis.data).toEqual(['2026-01', '2026-02']);
    expect(drawn[0]?.series.map(({ data }) => data)).toEqual([
      [7, 5],
      [6, 4],
    ]);
  });

  it('one month alone is no chart; an empty stretch says so; an error in plain words', async () => {
    answering({ ...FIGURES, months: FIGURES.months.slice(0, 1) });
    const { unmount } = show(<Figures from="2026-01-01" to={undefined} />);
    await screen.findByRole('region', { name: 'Models' });
    expect(drawn).toEqual([]);
    unmount();
    answering({ ...FIGURES, taken: 0 });
    const { unmount: leave } = show(<Figures from="2025-01-01" to="2025-02-01" />);
    expect(await screen.findByText('No job was taken in within that stretch.')).toBeTruthy();
    leave();
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('away')));
    show(<Figures from="2025-03-01" to="2025-04-01" />);
    expect((await screen.findByText(/server/i)).className).toBe('danger');
  });
});
