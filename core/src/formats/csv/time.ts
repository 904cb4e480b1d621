/** Units of a time column from its name. */

const SCALES: readonly (readonly [RegExp, number])[] = [
  [/\bns\b|nanosec|nano/i, 1e-9],
  [/\b[uµμ]s\b|microsec|micros\b/i, 1e-6],
  [/\bms\b|msec|millisec|millis\b/i, 1e-3],
  [/\bmin(ute)?s?\b/i, 60],
  [/\bs\b|\bsecs?\b|\bseconds?\b/i, 1],
];

const spaced = (name: string): string => name.replace(/[_([\])/]/g, ' ');

/** Seconds in a unit that the name says: "Time (ms)" gives 0.001, "t" null. */
export function namedSeconds(name: string): number | null {
  return SCALES.find(([pattern]) => pattern.test(spaced(name)))?.[1] ?? null;
}

/** A counter of a clock whose rate the name does not say: "ticks", "count", "cycles". */
export const namesTicks = (name: string): boolean => /\btick|\bcount|\bcycles?\b|\bclk\b|\btimer\b/i.test(spaced(name));
