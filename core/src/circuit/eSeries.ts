/** Preferred values of resistors (IEC 60063, from memory). */
import { requirePositive } from '../errors.js';

/** Values of a decade. */
export const E_SERIES = {
  E12: [10, 12, 15, 18, 22, 27, 33, 39, 47, 56, 68, 82],
  E24: [10, 11, 12, 13, 15, 16, 18, 20, 22, 24, 27, 30, 33, 36, 39, 43, 47, 51, 56, 62, 68, 75, 82, 91],
  /** 10^(i/96) to three figures: in this series the rule has no exceptions. */
  E96: Array.from({ length: 96 }, (_, i) => Math.round(100 * 10 ** (i / 96))),
} as const;
/** Names of the series. */
export type SeriesName = keyof typeof E_SERIES;

/** Usual tolerance of a part of the series, percent. */
export const SERIES_TOLERANCE: Readonly<Record<SeriesName, number>> = { E12: 5, E24: 5, E96: 1 };

/** The value of the series next to `ohm` by ratio: 56.2 k in E12 is 56 k. @throws CoreError OUT_OF_RANGE unless above zero. */
export function nearestOf(series: SeriesName, ohm: number): number {
  requirePositive(ohm, 'ohm');
  const steps: readonly number[] = E_SERIES[series];
  const decade = 10 ** Math.floor(Math.log10(ohm));
  const scale = decade / (steps[0] as number);
  const candidates = [...steps.map((step) => step * scale), 10 * decade];
  const far = (one: number) => Math.abs(Math.log(one / ohm));
  return candidates.reduce((best, one) => (far(one) < far(best) ? one : best));
}
