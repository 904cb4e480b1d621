import { describe, expect, it } from 'vitest';
import told from './duration.json' with { type: 'json' };
import { minutesIn, minutesWords } from './duration.js';
import { countdown } from './timers.js';

describe('lengths of time', () => {
  it.each(told.typed as [string, number | null][])('%s', (text, minutes) => {
    expect(minutesIn(text)).toBe(minutes);
  });

  it.each(told.shown as [number, string][])('%s minutes are told as %s', (minutes, words) => {
    expect(minutesWords(minutes).replace(/\s/gu, ' ')).toBe(words);
  });

  it.each(told.toGo as [number, string][])('%d seconds still to go stand as %s', (seconds, words) => {
    const now = new Date('2026-03-01T10:00:00Z');
    expect(countdown(new Date(now.getTime() + 1000 * seconds).toISOString(), now)).toBe(words);
  });
});
