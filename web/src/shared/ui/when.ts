/** Moments as the bench writes them. */
import dayjs from 'dayjs';
import { say } from '@amber-gauge/core/words';

/** "14:02" today, "24 Nov 14:02" this year, "2025-11-24" before. */
export function when(iso: string): string {
  const at = dayjs(iso);
  const now = dayjs();
  if (at.isSame(now, 'day')) return at.format('HH:mm');
  return at.isSame(now, 'year') ? at.format(say`D MMM HH:mm`) : at.format('YYYY-MM-DD');
}

/** Day and time in full. */
export const whenFull = (iso: string): string => dayjs(iso).format(say`YYYY-MM-DD HH:mm`);

/** Is it of today, by this device's calendar? */
export const isToday = (iso: string): boolean => dayjs(iso).isSame(dayjs(), 'day');
