/**
 * Pulses in a table: a column of times, a capture of levels at even steps, or a list of changes by
 * channel as a logic analyser writes it. Times stay in the table's own unit.
 */
import type { NumberTable } from '../../formats/index.js';
import type { RotationWarning } from './result.js';
import { edgesOf, evenStep, risingEdges, swingOf } from './edges.js';
import { say } from '../../words/index.js';
import {
  FOLLOWED_SHARE,
  LEAST_CHANGES,
  LEAST_PULSES,
  LEVEL_REACH,
  LOOKED_FOR_LEVELS,
  MOST_NAMED,
  ON_LEVELS,
  OTHER_COUNT,
  QUARTER_SHARE,
  UNCHANGED_SHARE,
} from './defaults.js';

/** One channel's pulses. Times in seconds, or in the table's unit before that is known. */
export interface PulseSignal {
  readonly kind: 'signal';
  readonly name: string;
  readonly timeS: Float64Array;
  /** Swing of each cycle as a part of the whole, one fewer than the edges; null where there is no level. */
  readonly levels: Float64Array | null;
  /** Sense of each pulse, +1 or -1, from two channels in quadrature; null with one. */
  readonly senses: Int8Array | null;
  readonly from: 'times' | 'scope' | 'changes' | 'recording' | 'live';
  /** Samples a second (a unit of time) of a capture, null for a list of times. */
  readonly sampleHz: number | null;
  /** Seconds in one unit of the table's times; missing where there was no table. */
  readonly unitS?: number;
  /** Step the times are rounded to. */
  readonly tickS: number;
  readonly edge: 'rising' | 'each' | 'times';
  /** Share of the time that the level is high; null where it is not known. */
  readonly dutyPercent: number | null;
  readonly notes: readonly RotationWarning[];
  /** The level stands nearly always low or high: surely a capture, however few its samples a cycle. */
  readonly twoLevels?: boolean;
}

const EVEN: Omit<PulseSignal, 'name' | 'timeS' | 'from' | 'edge'> = {
  kind: 'signal',
  levels: null,
  senses: null,
  sampleHz: null,
  tickS: 0,
  dutyPercent: null,
  notes: [],
};

/** Channels of the table over `time` (its column, unwrapped); `only` one column when chosen by hand. */
export async function signalsOf(
  table: NumberTable,
  timeColumn: number,
  time: Float64Array,
  only: number | null,
): Promise<PulseSignal[]> {
  const named = eventChannels(table, time);
  if (named.length > 0 && only === null) return named;
  const columns = table.columns
    .map((values, i) => ({ values, i, name: table.names[i] || say`column ${i + 1}` }))
    .filter(({ i }) => i !== timeColumn && (only === null || i === only));
  const step = isChanges(columns.map(({ values }) => values)) ? null : evenStep(time);
  const out: PulseSignal[] = [];
  for (const { values, name } of columns) {
    if (isCounter(values)) continue;
    const signal = step !== null ? await sampled(values, name, time, step) : changed(values, name, time);
    if (signal && signal.timeS.length >= 2) out.push(signal);
  }
  return out;
}

/** Two levels in every channel and hardly a row like the one before: each row is a change. */
function isChanges(columns: readonly Float64Array[]): boolean {
  const rows = columns[0]?.length ?? 0;
  const two = columns.every((values) => new Set(values.subarray(0, LOOKED_FOR_LEVELS)).size <= 2);
  if (!two || rows < LEAST_CHANGES) return false;
  let same = 0;
  for (let i = 1; i < rows; i++) if (columns.every((values) => values[i] === values[i - 1])) same++;
  return same < UNCHANGED_SHARE * rows;
}

/** Columns of what an instrument has reckoned already: no level. */
const RECKONED = /\brpm\b|speed|\bfreq|\bhz\b|r\/min|1\/min|percent|%|wow|flutter/i;

/** Does every column beside the times hold speeds that are reckoned already? */
export const holdsSpeeds = (table: NumberTable, time: number): boolean => {
  const others = table.names.filter((_, i) => i !== time);
  return others.length > 0 && others.every((name) => RECKONED.test(name));
};

/** A column that only counts rows, or never falls: no level. */
const isCounter = (values: Float64Array): boolean => {
  for (let i = 1; i < values.length; i++) if ((values[i] as number) < (values[i - 1] as number)) return false;
  return true;
};

async function sampled(
  values: Float64Array,
  name: string,
  time: Float64Array,
  step: number,
): Promise<PulseSignal | null> {
  const source = {
    sampleRate: 1 / step,
    channels: 1,
    frames: values.length,
    read: (start: number, count: number) => Promise.resolve([values.subarray(start, start + count)]),
  };
  const swing = await swingOf(source);
  const edges = swing && (await edgesOf(source, swing));
  if (!edges) return null;
  const start = time[0] as number;
  const timeS = edges.at.map((place) => start + place * step);
  return {
    ...EVEN,
    name,
    timeS,
    levels: edges.levels,
    from: 'scope',
    sampleHz: 1 / step,
    edge: 'rising',
    dutyPercent: 100 * edges.duty,
    twoLevels: isTwoLevels(values, edges.swing),
    notes: edges.coarse ? ['COARSE_EDGES'] : [],
  };
}

function isTwoLevels(values: Float64Array, { low, high }: { readonly low: number; readonly high: number }): boolean {
  const near = (value: number) => Math.min(Math.abs(value - low), Math.abs(value - high)) < LEVEL_REACH * (high - low);
  return values.filter(near).length > ON_LEVELS * values.length;
}

/** Two levels: the edge stands at the row that shows it. More: between rows. */
function changed(values: Float64Array, name: string, time: Float64Array): PulseSignal | null {
  const levels = new Set<number>();
  for (const value of values) if (levels.add(value).size > 2) break;
  if (levels.size > 2) return { ...EVEN, name, timeS: risingEdges(time, values), from: 'scope', edge: 'rising' };
  if (levels.size < 2) return null;
  const high = Math.max(...levels);
  const edges: number[] = [];
  let above = 0;
  for (let i = 1; i < values.length; i++) {
    if (values[i] === high && values[i - 1] !== high) edges.push(time[i] as number);
    if (values[i - 1] === high) above += (time[i] as number) - (time[i - 1] as number);
  }
  const span = (time[time.length - 1] as number) - (time[0] as number);
  return {
    ...EVEN,
    name,
    timeS: Float64Array.from(edges),
    from: 'changes',
    edge: 'rising',
    dutyPercent: span > 0 ? (100 * above) / span : null,
  };
}

const RISING = /^(rising|rise|up|pos|positive|high|on|↑|r|1|true)$/i;
const FALLING = /^(falling|fall|down|neg|negative|low|off|↓|f|0|false)$/i;

/** Rows of one change each: by channel, and with the sense of the edge, in words beside the time. */
function eventChannels(table: NumberTable, time: Float64Array): PulseSignal[] {
  const edge = table.texts.find(({ cells }) => cells.every((cell) => RISING.test(cell) || FALLING.test(cell)));
  const channel = table.texts.find(
    (one) =>
      one !== edge &&
      !one.cells.includes('') &&
      new Set(one.cells).size <= MOST_NAMED &&
      new Set(one.cells).size < one.cells.length / 3,
  );
  if (!edge && !channel) return [];
  const by = new Map<string, number[]>();
  for (let i = 0; i < time.length; i++) {
    if (edge && !RISING.test(edge.cells[i] as string)) continue;
    const name = channel?.cells[i] ?? '';
    const list = by.get(name) ?? [];
    list.push(time[i] as number);
    by.set(name, list);
  }
  return [...by].map(([name, times]) => ({
    ...EVEN,
    name,
    timeS: Float64Array.from(times),
    from: 'changes' as const,
    edge: edge ? ('rising' as const) : ('times' as const),
  }));
}

/** Parts of a period by which the second channel may lie behind the first in quadrature. */
const QUADRATURE = { from: 0.1, to: 0.4 } as const;

/** Two channels of one wheel a quarter apart: the first's pulses with the sense of each; null when they are not. */
export function quadrature(a: PulseSignal, b: PulseSignal): PulseSignal | null {
  // A recording begins and ends anywhere: one pulse more or less is no other rate.
  const more = Math.abs(b.timeS.length - a.timeS.length);
  if (a.timeS.length < LEAST_PULSES || more > Math.max(1, OTHER_COUNT * a.timeS.length)) return null;
  const senses = new Int8Array(a.timeS.length);
  const behind: number[] = [];
  let k = 0;
  for (let i = 0; i < a.timeS.length; i++) {
    const t = a.timeS[i] as number;
    const next = a.timeS[i + 1];
    const period = (next ?? t) - t || t - (a.timeS[i - 1] ?? t);
    while (k < b.timeS.length && (b.timeS[k] as number) < t) k++;
    const after = k < b.timeS.length ? ((b.timeS[k] as number) - t) / period : NaN;
    const part = after < 1 ? after : NaN;
    if (Number.isNaN(part)) {
      senses[i] = senses[i - 1] ?? 1;
      continue;
    }
    senses[i] = part < 0.5 ? 1 : -1;
    behind.push(Math.min(part, 1 - part));
  }
  const inRange = behind.filter((part) => part > QUADRATURE.from && part < QUADRATURE.to).length;
  if (inRange < QUARTER_SHARE * behind.length || behind.length < FOLLOWED_SHARE * a.timeS.length) return null;
  return { ...a, name: say`${a.name} and ${b.name}`, senses };
}
