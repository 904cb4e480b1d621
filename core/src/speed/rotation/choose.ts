/** From a table to one channel's pulses in seconds: which column, which channel, which unit. */
import type { NumberTable } from '../../formats/index.js';
import { median, quantile } from '../../numeric/index.js';
import { ask, isReachable, rpmWords, type AskedSpeed } from '../asked.js';
import { holdsSpeeds, quadrature, signalsOf, type PulseSignal } from './channels.js';
import type { PulseColumns } from './columns.js';
import { sampleIntervalOf } from './preamble.js';
import type { PulseWish } from './pulseResult.js';
import type { RotationWarning, UnusableRotation } from './result.js';
import { TIME_UNITS, tickOf, unitNamed, unitOf, unwrapCounter } from './timeBase.js';
import { say } from '../../words/index.js';
import {
  APART,
  BOUNCE_PART,
  BOUNCE_SHARE,
  LEAST_PULSES,
  LOOKED_FOR_GAPS,
  ROWS_AN_EDGE,
  SAME_RATE_PART,
  TWICE_PART,
  WHOLE_GAP,
} from './defaults.js';

const refuse = (reason: UnusableRotation['reason'], line = 0): UnusableRotation => ({ kind: 'unusable', reason, line });

/** The channel to measure, its times in seconds, or what must be asked first. */
export async function chosenSignal(
  table: NumberTable,
  columns: PulseColumns,
  wish: PulseWish,
): Promise<PulseSignal | UnusableRotation | AskedSpeed> {
  if (columns.volts === null && !columns.intervals && holdsSpeeds(table, columns.time)) return refuse('ALREADY_SPEEDS');
  const base = timesOf(table, columns, wish);
  if (base.kind !== 'times') return base;
  const found = columns.intervals ? [] : await signalsOf(table, columns.time, base.values, columns.volts);
  const candidates = columns.volts === null ? withTimes(found, base.values, columns.time >= 0) : found;
  const picked = pick(candidates.map(debounced), columns, wish);
  if ('kind' in picked && picked.kind !== 'signal') return picked;
  const signal = picked as PulseSignal;
  const rpm = roughRpm(signal, wish.perTurn);
  const given = unitGiven(table, columns, wish);
  const unit =
    given !== null
      ? ({ kind: 'unit', seconds: given, guessed: false } as const)
      : unitOf(table, columns.time, rpm, wish.nominalRpm);
  if (unit.kind === 'asked') return unit;
  const notes: RotationWarning[] = [...signal.notes, ...base.notes];
  if (unit.guessed) notes.push('TIME_UNIT_GUESSED');
  const single = bothEdges({ ...signal, notes }, unit.seconds, wish);
  return single.kind === 'asked' ? single : scaled(single, unit.seconds);
}

/** A unit that was answered, or chosen against what the header says; null when it has yet to be told. */
function unitGiven(table: NumberTable, columns: PulseColumns, wish: PulseWish): number | null {
  if (wish.timeUnitS !== undefined) return wish.timeUnitS;
  if (columns.time < 0) return 1;
  const chosen = wish.columns?.timeUnitS ?? null;
  if (wish.asIs) return chosen ?? unitNamed(table, columns.time);
  return chosen === unitNamed(table, columns.time) ? null : chosen;
}

interface Times {
  readonly kind: 'times';
  readonly values: Float64Array;
  readonly notes: readonly RotationWarning[];
}

function timesOf(table: NumberTable, columns: PulseColumns, wish: PulseWish): Times | UnusableRotation | AskedSpeed {
  if (columns.time < 0) {
    const intervalS = wish.sampleIntervalS ?? sampleIntervalOf(table.preamble);
    if (intervalS === null)
      return ask(
        'SAMPLE_INTERVAL',
        say`The capture has no times and its head does not say how far its samples lie apart. Type the time between
          samples.`,
        [],
      );
    const count = table.columns[0]?.length ?? 0;
    return { kind: 'times', values: Float64Array.from({ length: count }, (_, i) => i * intervalS), notes: [] };
  }
  const raw = table.columns[columns.time];
  if (!raw) return refuse('NOT_A_TABLE');
  if (columns.intervals) return { kind: 'times', values: summed(raw), notes: ['INTERVALS_SUMMED'] };
  const { values, bits, backward } = unwrapCounter(raw);
  if (backward >= 0) return refuse('TIMES_BACKWARD', table.lineOf[backward] as number);
  return { kind: 'times', values, notes: bits > 0 ? ['COUNTER_WRAPPED'] : [] };
}

/** Times from the first pulse on. */
function summed(gaps: Float64Array): Float64Array {
  const out = new Float64Array(gaps.length + 1);
  for (let i = 0; i < gaps.length; i++) out[i + 1] = (out[i] as number) + Math.max(0, gaps[i] as number);
  return out;
}

/** The times themselves are a candidate where no column is a level. */
function withTimes(found: readonly PulseSignal[], times: Float64Array, hasTimes: boolean): PulseSignal[] {
  const levels = found.filter(
    (one) => one.from === 'changes' || one.twoLevels || one.timeS.length * ROWS_AN_EDGE < times.length,
  );
  if (!hasTimes || levels.length > 0) return levels;
  const distinct = times.filter((t, i) => i === 0 || t > (times[i - 1] as number));
  const tickS = tickOf(distinct);
  return [
    {
      kind: 'signal',
      name: '',
      timeS: distinct,
      levels: null,
      senses: null,
      from: 'times',
      sampleHz: null,
      tickS,
      edge: 'times',
      dutyPercent: null,
      notes: tickS > 0 ? ['POLLED_TIMES'] : [],
    },
  ];
}

function usualGap(timeS: Float64Array): number {
  const gaps = timeS.subarray(1, LOOKED_FOR_GAPS + 1).map((t, i) => t - (timeS[i] as number));
  return median(gaps);
}

/** Turns a minute if the times were seconds. */
const roughRpm = (signal: PulseSignal, perTurn: number): number =>
  60 / Math.max(1e-300, usualGap(signal.timeS)) / perTurn;

function pick(
  candidates: readonly PulseSignal[],
  columns: PulseColumns,
  wish: PulseWish,
): PulseSignal | UnusableRotation | AskedSpeed {
  if (candidates.length === 0) return refuse('NO_PULSES');
  if (wish.channel !== undefined) return candidates.find((one) => one.name === wish.channel) ?? refuse('NO_PULSES');
  const enough = candidates.filter((one) => one.timeS.length >= LEAST_PULSES);
  if (enough.length === 0)
    return refuse(
      candidates.some((one) => one.from === 'times' || one.timeS.length > 1) ? 'TOO_FEW_PULSES' : 'NO_PULSES',
    );
  if (enough.length === 1) return enough[0] as PulseSignal;
  const units = columns.timeUnitS !== null ? [columns.timeUnitS] : TIME_UNITS.map(([, seconds]) => seconds);
  const unit = units.find((one) =>
    enough.some((signal) => isReachable(roughRpm(signal, wish.perTurn) / one, wish.nominalRpm)),
  );
  const rpmOf = (signal: PulseSignal) => roughRpm(signal, wish.perTurn) / (unit ?? 1);
  const fit = enough.filter((signal) => isReachable(rpmOf(signal), wish.nominalRpm));
  const [a, b] = fit.length >= 2 ? fit : enough;
  const quad = a && b && quadrature(a, b);
  if (quad && fit.length <= 2) return quad;
  const [best] = fit;
  if (best && fit.every((one) => Math.abs(rpmOf(one) / rpmOf(best) - 1) < SAME_RATE_PART))
    return { ...best, notes: [...best.notes, ...(enough.length > 1 ? (['CHANNEL_CHOSEN'] as const) : [])] };
  const listed = (fit.length > 0 ? fit : enough)
    .map((one) => ({
      words: `${one.name}: ${rpmWords(rpmOf(one))}`,
      answer: { channel: one.name },
      meanRpm: rpmOf(one),
    }))
    .sort((x, y) => Math.abs(Math.log(x.meanRpm / wish.nominalRpm)) - Math.abs(Math.log(y.meanRpm / wish.nominalRpm)));
  return ask('WHICH_CHANNEL', say`${listed.length} channels hold pulses: which is the generator?`, listed);
}

/** A switch or a slow edge that fires several times in a row: the first of each stands. */
function debounced(signal: PulseSignal): PulseSignal {
  const { timeS } = signal;
  const gaps = timeS.subarray(1).map((t, i) => t - (timeS[i] as number));
  const usual = quantile(gaps, WHOLE_GAP);
  const short = gaps.filter((gap) => gap < BOUNCE_PART * usual).length;
  if (short < BOUNCE_SHARE * gaps.length) return signal;
  const kept: number[] = [];
  for (const t of timeS)
    if (kept.length === 0 || t - (kept[kept.length - 1] as number) >= BOUNCE_PART * usual) kept.push(t);
  return {
    ...signal,
    timeS: Float64Array.from(kept),
    levels: null,
    senses: null,
    notes: [...signal.notes, 'DOUBLED_PULSES'],
  };
}

/** Times at both edges alternate short and long; with twice the nominal every second one is taken, or it is asked. */
function bothEdges(signal: PulseSignal, unitS: number, wish: PulseWish): PulseSignal | AskedSpeed {
  if (signal.edge !== 'times' || wish.asIs) return signal;
  const each = (): PulseSignal => ({
    ...signal,
    timeS: signal.timeS.filter((_, i) => i % 2 === 0),
    edge: 'each',
    notes: [...signal.notes, 'BOTH_EDGES'],
  });
  if (wish.bothEdges) return each();
  const rpm = roughMeanRpm(signal, wish.perTurn) / unitS;
  if (Math.abs(rpm / wish.nominalRpm / 2 - 1) > TWICE_PART) return signal;
  const gaps = signal.timeS.subarray(1).map((t, i) => t - (signal.timeS[i] as number));
  const odd = gaps.filter((_, i) => i % 2 === 1);
  const even = gaps.filter((_, i) => i % 2 === 0);
  const apart = Math.abs(median(odd) / median(even) - 1);
  if (apart > (wish.perTurn % 2 === 0 ? APART.even : APART.odd)) return each();
  return ask('BOTH_EDGES', say`${rpmWords(rpm)} is twice the nominal. Do both edges of each pulse stand in the file?`, [
    { words: say`both edges: ${rpmWords(rpm / 2)}`, answer: { bothEdges: true }, meanRpm: rpm / 2 },
    { words: say`${rpmWords(rpm)} is right`, answer: { asIs: true }, meanRpm: rpm },
  ]);
}

function roughMeanRpm({ timeS }: PulseSignal, perTurn: number): number {
  const span = (timeS[timeS.length - 1] as number) - (timeS[0] as number);
  return span > 0 ? (60 * (timeS.length - 1)) / span / perTurn : 0;
}

/** In seconds from the first pulse, strictly rising. */
function scaled(signal: PulseSignal, unitS: number): PulseSignal {
  const first = signal.timeS[0] as number;
  const keep = (t: number, i: number) => i === 0 || t > (signal.timeS[i - 1] as number);
  return {
    ...signal,
    timeS: signal.timeS.filter(keep).map((t) => (t - first) * unitS),
    tickS: signal.tickS * unitS,
    unitS,
    sampleHz: signal.sampleHz === null ? null : signal.sampleHz / unitS,
  };
}
