/** How workings print their figures: three figures are enough for a bench. */
import { fixed, signed, THIN, withUnit } from '../quantity/index.js';
import type { WorkingRow } from './working.js';

/** A value to three figures with its unit and prefix. */
export const figure = (value: number, unit: string): string => withUnit(Number(value.toPrecision(3)), unit);

/** "26.4 to 31.1 V". */
export const between = (low: number, high: number, unit: string): string =>
  `${Number(low.toPrecision(3))} to ${Number(high.toPrecision(3))}${THIN}${unit}`;

/** Percent with its sign. */
export const percentOff = (value: number): string => `${signed(value, Math.abs(value) < 10 ? 1 : 0)}${THIN}%`;

/** A share of the whole as percent. */
export const share = (fraction: number): string => `${fixed(100 * fraction, 1)}${THIN}%`;

/** A line of an answer. */
export const row = (label: string, value: string): WorkingRow => ({ label, value });
