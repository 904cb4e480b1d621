/** A time column as seconds: counters unwrapped, steps of a poll known, the unit named or told by plausibility. */
import { namedSeconds, namesTicks, type NumberTable } from '../../formats/index.js';
import { ask, isReachable, rpmWords, type AskedSpeed } from '../asked.js';
import { say } from '../../words/index.js';
import { STEP_PART } from './defaults.js';

/** Units a time column may be in, seconds each, with their words. */
export const TIME_UNITS: readonly (readonly [string, number])[] = [
  ['seconds', 1],
  ['milliseconds', 1e-3],
  ['microseconds', 1e-6],
  ['nanoseconds', 1e-9],
];

/** Ticks a second of usual timers (common practice). */
const TICK_HZ = [
  1e3, 1e4, 32768, 1e5, 25e4, 5e5, 1e6, 2e6, 4e6, 8e6, 1e7, 12e6, 16e6, 2e7, 24e6, 25e6, 4e7, 48e6, 5e7, 72e6, 8e7, 1e8,
];

/** Times of a counter that runs over, put in a row. */
export interface Unwrapped {
  readonly values: Float64Array;
  /** Bits of the counter that ran over, 0 when none did. */
  readonly bits: 0 | 16 | 24 | 32;
  /** Index of a fall that is no wrap, or -1. */
  readonly backward: number;
}

/** Takes the wraps of a 16-, 24- or 32-bit counter out. */
export function unwrapCounter(raw: Float64Array): Unwrapped {
  let most = 0;
  let whole = true;
  let firstFall = -1;
  let falls = 0;
  for (let i = 0; i < raw.length; i++) {
    const value = raw[i] as number;
    most = Math.max(most, value);
    if (value < 0 || !Number.isInteger(value)) whole = false;
    if (i > 0 && value < (raw[i - 1] as number)) {
      falls++;
      if (firstFall < 0) firstFall = i;
    }
  }
  if (firstFall < 0) return { values: raw, bits: 0, backward: -1 };
  const bits = ([16, 24, 32] as const).find((n) => most < 2 ** n);
  if (!whole || bits === undefined || most < 2 ** (bits - 1)) return { values: raw, bits: 0, backward: firstFall };
  const out = new Float64Array(raw.length);
  let base = 0;
  out[0] = raw[0] as number;
  for (let i = 1; i < raw.length; i++) {
    const drop = (raw[i - 1] as number) - (raw[i] as number);
    if (drop > 0 && drop < 2 ** (bits - 1)) return { values: raw, bits: 0, backward: i };
    if (drop > 0) base += 2 ** bits;
    out[i] = base + (raw[i] as number);
  }
  return falls > 0.4 * raw.length ? { values: raw, bits: 0, backward: firstFall } : { values: out, bits, backward: -1 };
}

/** One step or more, and whole: a small part of a step is not no step. */
const isSteps = (steps: number): boolean => Math.round(steps) > 0 && Math.abs(steps - Math.round(steps)) < 1e-3;

const commonPart = (a: number, b: number): number => (b === 0 ? a : commonPart(b, a % b));

/**
 * Largest step all times are whole multiples of, in their unit; 0 when they are finer than {@link STEP_PART}. Where
 * the gaps differ, what their counts have in common belongs to the step: a poll each 8 ms is told as such.
 */
export function tickOf(values: Float64Array): number {
  const first = values[0] ?? 0;
  const some = Array.from(values.subarray(0, 4000), (value) => value - first).filter((value) => value > 0);
  const usual = (some[some.length - 1] ?? 0) / Math.max(1, some.length);
  for (const tick of [100, 50, 20, 10, 5, 2, 1, 0.5, 0.2, 0.1, 0.05, 0.02, 0.01, 5e-3, 2e-3, 1e-3, 5e-4, 2e-4, 1e-4]) {
    if (tick < STEP_PART * usual) return 0;
    if (some.length > 3 && some.every((value) => isSteps(value / tick))) return tick * common(some, tick);
  }
  return 0;
}

/** The greatest number that divides all counts of steps; 1 where the pulses are even, some of them missing: that tells nothing of a clock. */
function common(times: readonly number[], tick: number): number {
  const counts = times.map((value) => Math.round(value / tick));
  const gaps = counts.map((count, i) => count - (counts[i - 1] ?? 0));
  const least = Math.min(...gaps.filter((gap) => gap > 0));
  return gaps.every((gap) => gap % least === 0) ? 1 : counts.reduce(commonPart, 0);
}

/** A unit of time and whether it was guessed. */
export interface TimeUnit {
  readonly kind: 'unit';
  readonly seconds: number;
  readonly guessed: boolean;
}

/** What the name of a time column says of its unit, seconds; null when nothing. Stamps are in seconds. */
export const unitNamed = (table: NumberTable, time: number): number | null =>
  table.stamps === time ? 1 : namedSeconds(table.names[time] ?? '');

/**
 * The unit under which `rpmAtSeconds` (the speed were the column in seconds) is one that a machine of
 * this nominal could reach. A named unit that makes no sense is asked about, with those that would.
 */
export function unitOf(
  table: NumberTable,
  time: number,
  rpmAtSeconds: number,
  nominalRpm: number,
): TimeUnit | AskedSpeed {
  const named = unitNamed(table, time);
  const fits = TIME_UNITS.filter(([, seconds]) => isReachable(rpmAtSeconds / seconds, nominalRpm));
  const choices = fits.map(([words, seconds]) => ({
    words: `${words}: ${rpmWords(rpmAtSeconds / seconds)}`,
    answer: { timeUnitS: seconds },
    meanRpm: rpmAtSeconds / seconds,
  }));
  if (named !== null) {
    if (isReachable(rpmAtSeconds / named, nominalRpm) || fits.length === 0)
      return { kind: 'unit', seconds: named, guessed: false };
    return ask(
      'TIME_UNIT',
      say`By its header the time column gives ${rpmWords(rpmAtSeconds / named)}, which a machine of
        ${rpmWords(nominalRpm)} cannot reach. Is it in ${fits[0]?.[0] ?? ''}?`,
      choices,
    );
  }
  const [only] = fits;
  if (only && !namesTicks(table.names[time] ?? '')) return { kind: 'unit', seconds: only[1], guessed: only[1] !== 1 };
  const ticks = TICK_HZ.map((hz) => ({ hz, rpm: rpmAtSeconds * hz })).filter(
    ({ rpm }) => Math.abs(rpm / nominalRpm - 1) < 0.15,
  );
  if (ticks.length > 0 && isTicks(table, time)) {
    // A million ticks a second are microseconds: what is offered as a unit is not offered again.
    const others = ticks.filter(({ hz }) => fits.every(([, seconds]) => Math.abs(hz * seconds - 1) > 1e-9));
    return ask(
      'TIME_UNIT',
      say`The time column counts ticks of a clock whose rate is not said. How many a second?`,
      [
        ...choices,
        ...others.map(({ hz, rpm }) => ({
          words: say`${hz} ticks a second: ${rpmWords(rpm)}`,
          answer: { timeUnitS: 1 / hz },
          meanRpm: rpm,
        })),
      ].sort((a, b) => Math.abs(a.meanRpm - nominalRpm) - Math.abs(b.meanRpm - nominalRpm)),
    );
  }
  if (only) return { kind: 'unit', seconds: only[1], guessed: true };
  return { kind: 'unit', seconds: 1, guessed: true };
}

/** Named as ticks, or whole numbers without a name. */
function isTicks(table: NumberTable, time: number): boolean {
  if (namesTicks(table.names[time] ?? '')) return true;
  return (table.columns[time] as Float64Array).subarray(0, 1000).every(Number.isInteger);
}
