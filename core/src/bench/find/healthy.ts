/**
 * This bench's own sheet: what was read on units that left healthy becomes the expected value, as a
 * statistical tolerance interval, for the next unit of that model.
 */
import { healthyStates } from '../../diagnosis/index.js';
import type { DrivePath, PathSignal } from '../../families/index.js';
import { mean, toleranceFactor } from '../../numeric/index.js';
import { fixed, ownEntry } from '../../quantity/index.js';
import { standing, type BenchEvent } from '../event.js';
import type { JobFacts } from '../job.js';
import { jobState, type JobState } from '../state.js';
import { signalAt } from './places.js';
import { say } from '../../words/index.js';
import { LEAST_HEALTHY_SPREAD, LEAST_HEALTHY_UNITS } from '../defaults.js';

/** Values by signal, one a unit. */
export type HealthyValues = Readonly<Record<string, readonly number[]>>;

/** A job with its standing lines. */
export interface JobLog {
  readonly job: JobFacts;
  readonly lines: readonly BenchEvent[];
}

/** Last values of units that were handed back with no speed found wrong, read after the last work on them. */
export function healthyValues(path: DrivePath, logs: readonly JobLog[]): HealthyValues {
  const found: Record<string, number[]> = {};
  for (const { job, lines } of logs) {
    const state = jobState(job, lines);
    if (!leftHealthy(state)) continue;
    for (const [signal, value] of lastValues(path, lines, state)) (found[signal] ??= []).push(value);
  }
  return found;
}

/** Handed back, every speed of it read, none not right. */
const leftHealthy = (state: JobState): boolean =>
  state.handedBackAt !== null &&
  state.speeds.every((pair) => pair.latest !== null && pair.latest.verdict.kind !== 'not-right');

/** Values in the usual condition since the last work, by signal; a test asked at another speed or warm is left out. */
function lastValues(path: DrivePath, lines: readonly BenchEvent[], state: JobState): Map<string, number> {
  const places = new Map(state.readings.flatMap((one) => (one.place ? [[one.key, one.place] as const] : [])));
  const usual = (key: string, value: string | null) =>
    value === null || (path.contexts.find((one) => one.id === key)?.values[0] ?? value) === value;
  const all = standing(lines);
  const worked = all.findLastIndex(({ body }) => body.kind === 'work' || body.kind === 'mended');
  const values = new Map<string, number>();
  for (const { key, body } of all.slice(worked + 1)) {
    if (body.kind === 'answer' && body.value !== null) {
      const test = path.tests.find((one) => one.id === body.testId);
      if (test?.signal && Object.entries(test.context).every(([id, value]) => usual(id, value)))
        values.set(test.signal, body.value);
    }
    if (body.kind !== 'reading' || body.bound !== 'exact') continue;
    if (!usual('speed', body.speedId) || !usual('heat', body.condition)) continue;
    const signal = signalAt(path, body, body.place ?? places.get(key) ?? null);
    const [value] = body.values;
    if (signal && value !== undefined) values.set(signal.id, value);
  }
  return values;
}

/** Values of healthy units at one place, and the interval the next is expected in. */
export interface Expected {
  readonly units: number;
  readonly mean: number;
  /** Sample standard deviation, not under what a hand meter spreads by itself. */
  readonly deviation: number;
  /** 95 % of healthy units lie within, with 95 % confidence. */
  readonly lower: number;
  readonly upper: number;
}

/** Null below five units: then the values stand beside the sheet's limits, and the sheet judges. */
export function expectedOf(values: readonly number[]): Expected | null {
  if (values.length < LEAST_HEALTHY_UNITS) return null;
  const middle = mean(values);
  const sum = values.reduce((acc, value) => acc + (value - middle) ** 2, 0);
  const deviation = Math.max(Math.sqrt(sum / (values.length - 1)), LEAST_HEALTHY_SPREAD * Math.abs(middle));
  const reach = toleranceFactor(values.length) * deviation;
  return { units: values.length, mean: middle, deviation, lower: middle - reach, upper: middle + reach };
}

/**
 * The path with the healthy state's band drawn in where own units are known: the interval within the
 * family's band, or the interval itself where the units lie outside that band. The neighbours follow.
 */
export function withHealthy(path: DrivePath, values: HealthyValues): DrivePath {
  if (Object.keys(values).length === 0) return path;
  const states = healthyStates(path);
  return {
    ...path,
    signals: path.signals.map((signal) => {
      const expected = expectedOf(ownEntry(values, signal.id) ?? []);
      return expected ? redrawn(signal, states.get(signal.id) ?? '', expected) : signal;
    }),
  };
}

function redrawn(signal: PathSignal, healthy: string, expected: Expected): PathSignal {
  const { measure } = signal;
  const at = measure?.bands.findIndex((band) => band.state === healthy) ?? -1;
  const band = measure?.bands[at];
  if (!measure || !band) return signal;
  const within = (band.from ?? -Infinity) <= expected.mean && expected.mean <= (band.to ?? Infinity);
  // A band that is open at one end stays open there: less ripple than any unit had is no fault.
  const from = band.from === null ? null : within ? Math.max(band.from, expected.lower) : expected.lower;
  const to = band.to === null ? null : within ? Math.min(band.to, expected.upper) : expected.upper;
  const bands = measure.bands.map((one, i) => {
    if (i === at) return { ...one, from, to };
    if (i < at) return { ...one, to: least(one.to, from), from: least(one.from, from) };
    return { ...one, from: most(one.from, to), to: most(one.to, to) };
  });
  bands.forEach((one, i) => {
    if (i === at - 1 && from !== null) one.to = from;
    if (i === at + 1 && to !== null) one.from = to;
  });
  const text = say`this bench, ${expected.units} units: ${fixed(expected.mean, 2)} ${measure.unit}, s
    ${fixed(expected.deviation, 2)}`;
  return {
    ...signal,
    measure: { ...measure, bands: bands.filter(notEmpty), origin: { kind: 'bench', text } },
  };
}

const least = (end: number | null, edge: number | null) => (end === null || edge === null ? end : Math.min(end, edge));
const most = (end: number | null, edge: number | null) => (end === null || edge === null ? end : Math.max(end, edge));
const notEmpty = (band: { from: number | null; to: number | null }) =>
  band.from === null || band.to === null || band.from < band.to;
