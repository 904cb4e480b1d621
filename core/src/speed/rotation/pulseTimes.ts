/** Pulse times out of a file: a list of times, or a scope capture of time and volts; told apart here. */
import { readTable } from '../../formats/index.js';
import { quantile } from '../../numeric/index.js';
import { firstFall, guessPulseColumns, type PulseColumns } from './columns.js';
import type { UnusableRotation } from './result.js';

export interface PulseTimes {
  readonly kind: 'times';
  readonly timeS: Float64Array;
  readonly from: 'times' | 'scope' | 'recording' | 'live';
}

/** Hysteresis about the middle of a pulse's swing, as a part of the swing. */
const HYSTERESIS = 0.15;

const refuse = (reason: UnusableRotation['reason'], line = 0): UnusableRotation => ({ kind: 'unusable', reason, line });

/** Reads pulse times, seconds, strictly rising; by guessed columns unless they are given. */
export function pulseTimes(text: string, columns?: PulseColumns): PulseTimes | UnusableRotation {
  const table = readTable(text);
  if (table.kind === 'unusable') return table;
  const chosen = columns ?? guessPulseColumns(table);
  const raw = table.columns[chosen.time];
  if (!raw) return refuse('NOT_A_TABLE');
  const times = raw.map((value) => value * chosen.timeUnitS);
  const backward = firstFall(times);
  if (backward >= 0) return refuse('TIMES_BACKWARD', table.lineOf[backward] as number);
  const volts = chosen.volts === null ? undefined : table.columns[chosen.volts];
  if (!volts) return finish(times, 'times');
  const edges = risingEdges(times, volts);
  return edges.length === 0 ? refuse('NO_PULSES') : finish(edges, 'scope');
}

/** Strictly rising times (s); fewer than four are refused as TOO_FEW_PULSES. */
export function finish(timeS: Float64Array, from: PulseTimes['from']): PulseTimes | UnusableRotation {
  const distinct = timeS.filter((t, i) => i === 0 || t > (timeS[i - 1] as number));
  return distinct.length < 4 ? refuse('TOO_FEW_PULSES') : { kind: 'times', timeS: distinct, from };
}

/** Rising crossings of the middle with hysteresis, placed between samples by a straight line. */
export function risingEdges(time: Float64Array, volts: Float64Array): Float64Array {
  const sample = volts.length > 20000 ? volts.filter((_, i) => i % Math.ceil(volts.length / 20000) === 0) : volts;
  const low = quantile(sample, 0.02);
  const high = quantile(sample, 0.98);
  if (!(high > low)) return new Float64Array(0);
  const middle = (low + high) / 2;
  const arm = middle - HYSTERESIS * (high - low);
  const fire = middle + HYSTERESIS * (high - low);
  const edges: number[] = [];
  let armed = false;
  let crossing: number | null = null;
  for (let i = 1; i < volts.length; i++) {
    const v = volts[i] as number;
    const before = volts[i - 1] as number;
    if (v < arm) [armed, crossing] = [true, null];
    if (armed && before < middle && v >= middle) {
      const part = (middle - before) / (v - before);
      crossing = (time[i - 1] as number) + part * ((time[i] as number) - (time[i - 1] as number));
    }
    if (armed && v >= fire && crossing !== null) {
      edges.push(crossing);
      armed = false;
      crossing = null;
    }
  }
  return Float64Array.from(edges);
}
