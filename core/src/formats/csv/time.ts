/** Units of a time column from its name: seconds unless it says otherwise. */

const SCALES: readonly (readonly [RegExp, number])[] = [
  [/\bns\b|nanosec|nano/i, 1e-9],
  [/\b[uµμ]s\b|microsec/i, 1e-6],
  [/\bms\b|millisec/i, 1e-3],
  [/\bmin(ute)?s?\b/i, 60],
];

/** Factor to seconds: "Time (ms)" gives 0.001, "t" gives 1. */
export function secondsPerUnit(name: string): number {
  const words = name.replace(/[_([\])]/g, ' ');
  return SCALES.find(([pattern]) => pattern.test(words))?.[1] ?? 1;
}
