/** Opening hours by hand: nine to five, Monday to Friday, counted from the midnight of a Thursday. */
import { describe, expect, it } from 'vitest';
import { afterOpen, fitOpen, openBetween, stretchOf, type OpenDays } from './hours.js';

const open: OpenDays = { first: 4, hours: { from: '09:00', to: '17:30', days: [1, 2, 3, 4, 5] } };
/** Minutes from that Thursday's midnight. */
const at = (day: number, clock: string) => {
  const [hours = 0, minutes = 0] = clock.split(':').map(Number);
  return day * 1440 + hours * 60 + minutes;
};
const [THURSDAY, FRIDAY, SATURDAY, SUNDAY, MONDAY] = [0, 1, 2, 3, 4];

describe('a day', () => {
  it('is open by its weekday, before the first one too', () => {
    expect(stretchOf(open, THURSDAY)).toEqual([540, 1050]);
    expect(stretchOf(open, FRIDAY)).toEqual([at(1, '09:00'), at(1, '17:30')]);
    expect([SATURDAY, SUNDAY].map((day) => stretchOf(open, day))).toEqual([null, null]);
    expect(stretchOf(open, MONDAY)).not.toBeNull();
    // The Sunday and the Monday before, and a week on.
    expect(stretchOf(open, -4)).toBeNull();
    expect(stretchOf(open, -3)).toEqual([-3 * 1440 + 540, -3 * 1440 + 1050]);
    expect(stretchOf({ ...open, first: 7 }, 0)).toBeNull();
    expect(stretchOf({ ...open, first: 7 }, 1)).not.toBeNull();
  });
});

describe('a block of work', () => {
  it('begins where it fits whole: now, in the morning, or after the weekend', () => {
    expect(fitOpen(open, at(THURSDAY, '06:00'), 60)).toBe(at(THURSDAY, '09:00'));
    expect(fitOpen(open, at(THURSDAY, '10:15'), 60)).toBe(at(THURSDAY, '10:15'));
    expect(fitOpen(open, at(THURSDAY, '16:30'), 60)).toBe(at(THURSDAY, '16:30'));
    expect(fitOpen(open, at(THURSDAY, '16:31'), 60)).toBe(at(FRIDAY, '09:00'));
    expect(fitOpen(open, at(FRIDAY, '17:00'), 60)).toBe(at(MONDAY, '09:00'));
    expect(fitOpen(open, at(SATURDAY, '12:00'), 60)).toBe(at(MONDAY, '09:00'));
  });
  it('longer than a day begins with a day', () => {
    expect(fitOpen(open, at(THURSDAY, '09:00'), 600)).toBe(at(THURSDAY, '09:00'));
    expect(fitOpen(open, at(THURSDAY, '09:01'), 600)).toBe(at(FRIDAY, '09:00'));
    // Just a day is no longer than one.
    expect(fitOpen(open, at(THURSDAY, '08:00'), 510)).toBe(at(THURSDAY, '09:00'));
  });
  it('of a bench open on one day waits up to a week for it', () => {
    const sundays: OpenDays = { first: 1, hours: { from: '10:00', to: '12:00', days: [7] } };
    expect(fitOpen(sundays, 0, 30)).toBe(6 * 1440 + 600);
    expect(fitOpen(sundays, 6 * 1440 + 715, 30)).toBe(13 * 1440 + 600);
  });
});

describe('open minutes', () => {
  it('are counted over nights and a weekend', () => {
    expect(openBetween(open, at(THURSDAY, '08:00'), at(THURSDAY, '10:00'))).toBe(60);
    expect(openBetween(open, at(THURSDAY, '17:00'), at(FRIDAY, '09:45'))).toBe(30 + 45);
    expect(openBetween(open, at(FRIDAY, '17:00'), at(MONDAY, '10:00'))).toBe(30 + 60);
    expect(openBetween(open, at(THURSDAY, '18:00'), at(THURSDAY, '20:00'))).toBe(0);
    expect(openBetween(open, at(THURSDAY, '00:00'), at(THURSDAY + 7, '00:00'))).toBe(5 * 510);
    expect(openBetween(open, 100, 100)).toBe(0);
  });
  it('from a moment on end where so many have passed: the inverse', () => {
    expect(afterOpen(open, at(THURSDAY, '08:00'), 60)).toBe(at(THURSDAY, '10:00'));
    expect(afterOpen(open, at(THURSDAY, '17:00'), 75)).toBe(at(FRIDAY, '09:45'));
    expect(afterOpen(open, at(FRIDAY, '17:00'), 30)).toBe(at(FRIDAY, '17:30'));
    expect(afterOpen(open, at(FRIDAY, '17:00'), 31)).toBe(at(MONDAY, '09:01'));
    expect(afterOpen(open, at(FRIDAY, '18:00'), 1)).toBe(at(MONDAY, '09:01'));
    expect(afterOpen(open, 123, 0)).toBe(123);
    for (const minutes of [1, 510, 511, 1500, 4000])
      expect(openBetween(open, 700, afterOpen(open, 700, minutes)), String(minutes)).toBe(minutes);
  });
});
