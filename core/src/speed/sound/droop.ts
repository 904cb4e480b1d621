/** Droop under load between two marks. */
import { mean } from '../../numeric/index.js';
import type { SpeedSeries } from '../tone/result.js';
import { MARK_S } from './defaults.js';
export { MARK_S } from './defaults.js';

/** How far the speed falls under load, percent. */
export interface Droop {
  readonly freePercent: number;
  readonly loadedPercent: number;
  /** How much slower it runs loaded than free, percent of the free speed. */
  readonly droopPercent: number;
}

/**
 * From mark `freeS` to mark `loadedS` of a series: 1000 rpm free and 900 loaded is a droop of 10 %.
 * Null when a mark lies outside the series.
 */
export function droopBetween(series: SpeedSeries, freeS: number, loadedS: number): Droop | null {
  const free = around(series, freeS);
  const loaded = around(series, loadedS);
  if (free === null || loaded === null || free <= -100) return null;
  return { freePercent: free, loadedPercent: loaded, droopPercent: 100 * (1 - (100 + loaded) / (100 + free)) };
}

function around(series: SpeedSeries, atS: number): number | null {
  const from = Math.max(0, Math.ceil((atS - MARK_S - series.startS) / series.stepS));
  const to = Math.min(series.errorPercent.length, Math.floor((atS + MARK_S - series.startS) / series.stepS) + 1);
  return to > from ? mean(Array.from(series.errorPercent.slice(from, to))) : null;
}
