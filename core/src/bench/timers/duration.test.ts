import { describe, expect, it } from 'vitest';
import { minutesIn, minutesWords } from './duration.js';
import { countdown } from './timers.js';

describe('lengths of time', () => {
  it.each([
    ['20', 20],
    ['20 min', 20],
    ['1:30', 90],
    ['1:30 h', 90],
    ['1:30 min', 1.5],
    ['0:00:30', 0.5],
    ['12h', 720],
    ['1 h 30', 90],
    ['1,5 h', 90],
    ['2 days 3 h', 3060],
    ['45 s', 0.75],
    ['5 min 30 s', 5.5],
    ['half an hour', 30],
    ['Overnight', 720],
    ['1:75', null],
    ['1:00:60', null],
    ['0', null],
    ['soon', null],
    ['', null],
  ])('%s', (text, minutes) => {
    expect(minutesIn(text)).toBe(minutes);
  });

  it.each([
    [0.001, '1 s'],
    [0.5, '30 s'],
    [0.999, '60 s'],
    [1, '1 min'],
    [1.5, '1.5 min'],
    [90, '90 min'],
    [119.5, '119.5 min'],
    [120, '2 h'],
    [150, '2.5 h'],
    [1440, '24 h'],
    [2880, '2 days'],
    [2940, '49 h'],
    [10_080, '7 days'],
  ])('%s minutes are told as %s', (minutes, words) => {
    expect(minutesWords(minutes).replace(/\s/gu, ' ')).toBe(words);
  });

  it.each([
    [0, '0:00'],
    [-5, '0:00'],
    [19, '0:19'],
    [18.2, '0:19'],
    [3599, '59:59'],
    [3600, '1:00:00'],
    [11_560, '3:12:40'],
    [172_799, '47:59:59'],
    [172_800, '2 d 0 h'],
    [532_800, '6 d 4 h'],
  ])('%d seconds still to go stand as %s', (seconds, words) => {
    const now = new Date('2026-03-01T10:00:00Z');
    expect(countdown(new Date(now.getTime() + 1000 * seconds).toISOString(), now)).toBe(words);
  });
});
