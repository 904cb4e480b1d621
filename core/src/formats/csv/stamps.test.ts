/** Stamps of date and clock as seconds: differences are what counts. */
import { describe, expect, it } from 'vitest';
import { stampColumn, stampSeconds } from './stamps.js';

const DAY = Date.UTC(2026, 2, 1) / 1000;

describe('a stamp', () => {
  it.each([
    ['10:00:00', 36_000],
    ['10:00:00.25', 36_000.25],
    ['10:00:00,25', 36_000.25],
    ['1:02.345', 62.345],
    ['59:59', 3599],
    ['9:05:07 AM', 32_707],
    ['9:05:07 pm', 32_707 + 43_200],
    ['12:00:01 AM', 1],
    ['12:00:01 PM', 43_201],
    [' 10:00:00 ', 36_000],
    ['2026-03-01T10:00:00.250Z', DAY + 36_000.25],
    ['2026/3/1 10:00:00', DAY + 36_000],
    ['2026.03.01, 10:00:00', DAY + 36_000],
    // A zone is passed over: only differences matter.
    ['2026-03-01T10:00:00+02:00', DAY + 36_000],
    ['10:00:00 -0530', 36_000],
  ] as const)('%s is %d', (cell, seconds) => {
    expect(stampSeconds(cell)).toBeCloseTo(seconds, 6);
  });

  it.each(['', '12', '12.5', 'noon', '10:00:00 in the morning', '2026-03-01', 'a 10:00:00'])('%j is none', (cell) => {
    expect(stampSeconds(cell)).toBeNull();
  });
});

describe('a column of stamps', () => {
  it('counts from its first, over midnight and over two', () => {
    expect([...(stampColumn(['23:59:58', '23:59:59', '00:00:01', '12:00:00']) ?? [])]).toEqual([0, 1, 3, 43_202]);
    expect([...(stampColumn(['23:00:00', '01:00:00', '23:00:00', '01:00:00']) ?? [])]).toEqual([
      0, 7200, 86_400, 93_600,
    ]);
    // With dates midnight is nothing to pass over.
    expect([...(stampColumn(['2026-03-01 23:59:59', '2026-03-02 00:00:01']) ?? [])]).toEqual([0, 2]);
  });

  it('that steps back by less than half a day stays back; one cell that is no stamp, and it is none', () => {
    expect([...(stampColumn(['10:00:00', '09:59:59']) ?? [])]).toEqual([0, -1]);
    expect(stampColumn(['10:00:00', 'x'])).toBeNull();
    expect([...(stampColumn([]) ?? [1])]).toEqual([]);
  });
});
