/**
 * Speed from pulses, one or many a turn. A repeating spacing pattern is error of the wheel plus any
 * real variation locked to that shaft; one sensor cannot split them. It is taken out for the mean and
 * for lines not locked to the shaft, and said.
 */
import { CoreError, requirePositive } from '../../errors.js';
import { readTable } from '../../formats/index.js';
import { median } from '../../numeric/index.js';
import { fromLimits, type UncertaintyPart } from '../../quantity/index.js';
import type { PhaseTrack } from '../tone/phase.js';
import { fitTrend, legendre, type TrendFit } from '../tone/trend.js';
import type { PulseSignal } from './channels.js';
import { guessPulseColumns } from './columns.js';
import { countPulses, type CountedPulses } from './count.js';
import { chosenSignal } from './choose.js';
import { combined } from './combined.js';
import { gated } from './gate.js';
import type { MeasuredPulses, PulseResult, PulseWish } from './pulseResult.js';
import { stretchesOf, type ChosenStretches, type PulseStretch } from './stretches.js';
import type { RotationWarning, UnusableRotation } from './result.js';
import { fitTrack, rotationOf, trackOf } from './track.js';
import { weakSegments } from './weak.js';
import { say } from '../../words/index.js';
import {
  ABSENT,
  DAMAGED_PITCH_PART,
  LEAST_PULSES,
  MISPLACED_TIMES,
  MOST_PER_TURN,
  MOST_PULSES_PER_S,
  SETTLED_GAIN,
  SETTLED_PULSES,
  SETTLED_TURNS,
  WHEEL_ROUNDS,
} from './defaults.js';
export { MOST_PER_TURN } from './defaults.js';

/**
 * Measures the pulses in the text of a CSV file.
 * @throws CoreError OUT_OF_RANGE unless perTurn is a whole number from 1 to {@link MOST_PER_TURN} and nominalRpm above zero.
 */
export async function measurePulses(text: string, wish: PulseWish): Promise<PulseResult> {
  requirePositive(wish.nominalRpm, 'nominalRpm');
  requirePerTurn(wish.perTurn);
  const table = readTable(text);
  if (table.kind === 'unusable') return table;
  const signal = await chosenSignal(table, wish.columns ?? guessPulseColumns(table), wish);
  return signal.kind === 'signal' ? pulsesOf(signal, wish) : signal;
}

/** @throws CoreError OUT_OF_RANGE unless `perTurn` is a whole number from 1 to {@link MOST_PER_TURN}. */
export function requirePerTurn(perTurn: number): void {
  if (!Number.isInteger(perTurn) || perTurn < 1 || perTurn > MOST_PER_TURN)
    throw new CoreError('OUT_OF_RANGE', `perTurn must be a whole number from 1 to ${MOST_PER_TURN}`, { perTurn });
}

/** Measures one channel's pulses, however they were found: each steady stretch by itself. */
export function pulsesOf(signal: PulseSignal, wish: PulseWish): PulseResult {
  if (signal.timeS.length < LEAST_PULSES) return { kind: 'unusable', reason: 'TOO_FEW_PULSES', line: 0 };
  const chosen = stretchesOf(signal, wish);
  if (chosen.kind !== 'stretches') return chosen;
  const measured: MeasuredPulses[] = [];
  for (const stretch of chosen.use) {
    const one = settled(signal, stretch, wish, chosen);
    if (one.kind === 'measured') measured.push(one);
  }
  const whole = combined(measured);
  return whole === null ? { kind: 'unusable', reason: 'IRREGULAR', line: 0 } : gated(whole, signal, wish);
}

/** Parts of a stretch beside a move that are tried when it still drifts: its end, its start, its middle. */
const SETTLED_PARTS = [
  [0.4, 1],
  [0, 0.6],
  [0.2, 0.8],
] as const;

/** A stretch cut from a spin-up or a stop may hold its tail: the part that drifts least by far is taken instead. */
function settled(
  signal: PulseSignal,
  stretch: PulseStretch,
  wish: PulseWish,
  chosen: ChosenStretches,
): MeasuredPulses | UnusableRotation {
  const whole = ofStretch(signal, stretch, wish, chosen);
  const length = stretch.to - stretch.from;
  if (whole.kind !== 'measured' || !chosen.warnings.includes('UNSTEADY_PART_LEFT_OUT')) return whole;
  if (!whole.warnings.includes('DRIFTING') || 0.6 * length < Math.max(SETTLED_PULSES, SETTLED_TURNS * wish.perTurn))
    return whole;
  const parts = SETTLED_PARTS.map(([a, b]) => {
    const part = { ...stretch, from: stretch.from + Math.floor(a * length), to: stretch.from + Math.ceil(b * length) };
    return ofStretch(signal, part, wish, chosen);
  }).filter((one): one is MeasuredPulses => one.kind === 'measured');
  const size = (one: MeasuredPulses) => Math.abs(one.driftPercent);
  const best = parts.reduce<MeasuredPulses>((a, b) => (size(b) < size(a) ? b : a), whole);
  return size(best) < SETTLED_GAIN * size(whole) ? best : whole;
}

/** Pulses a second; infinite where the times are hardly apart. */
function pulseRate({ timeS, number }: CountedPulses): number {
  const last = timeS.length - 1;
  return (number[last] as number) / ((timeS[last] as number) - (timeS[0] as number));
}

function ofStretch(
  signal: PulseSignal,
  stretch: PulseStretch,
  wish: PulseWish,
  chosen: ChosenStretches,
): MeasuredPulses | UnusableRotation {
  const timeS = signal.timeS.subarray(stretch.from, stretch.to);
  const counted = countPulses(timeS, wish.perTurn);
  if (!counted || !(pulseRate(counted) < MOST_PULSES_PER_S)) return { kind: 'unusable', reason: 'IRREGULAR', line: 0 };
  const { places, ...result } = evaluate(counted, wish, signal.tickS);
  const levels = signal.levels?.subarray(stretch.from, stretch.to) ?? null;
  const weak = levels ? weakSegments(counted, timeS, levels, places, wish.perTurn) : [];
  return {
    ...result,
    warnings: [
      ...new Set([
        ...chosen.warnings,
        ...result.warnings,
        ...signal.notes,
        ...(weak.length > 0 ? (['WEAK_SEGMENT'] as const) : []),
      ]),
    ],
    stretches: chosen.all,
    sense: stretch.sense,
    weakSegments: weak,
    from: signal.from,
    edge: signal.edge,
    channel: signal.name,
    dutyPercent: signal.dutyPercent,
  };
}

type Evaluated = Omit<
  MeasuredPulses,
  'from' | 'edge' | 'channel' | 'dutyPercent' | 'weakSegments' | 'stretches' | 'sense'
> & {
  readonly places: Float64Array;
};

function evaluate(counted: CountedPulses, wish: PulseWish, tickS: number): Evaluated {
  const { perTurn } = wish;
  let places: Float64Array = new Float64Array(perTurn);
  let track = trackWith(counted, perTurn, places);
  let fit = fitTrack(track);
  for (let round = 0; perTurn > 1 && round < WHEEL_ROUNDS; round++) {
    places = wheelPlaces(counted, perTurn, track, fit);
    track = trackWith(counted, perTurn, places);
    // The lines are looked for anew only once the wheel is out of the way.
    fit = round < WHEEL_ROUNDS - 1 ? sameLines(track, fit) : fitTrack(track);
  }
  const absent = absentSegments(counted, perTurn);
  const turns = (counted.number[counted.number.length - 1] as number) / perTurn;
  const damaged = new Set([...absent, ...misplaced(places)]);
  const missing = Math.max(0, counted.missing - absentPulses(counted, perTurn, absent));
  const warnings: RotationWarning[] = [];
  if (missing > 0) warnings.push('MISSING_PULSES');
  if (counted.doubled > 0) warnings.push('DOUBLED_PULSES');
  if (damaged.size > 0) warnings.push('DAMAGED_SEGMENT');
  if (perTurn > 1 && turns >= 2) warnings.push('ONCE_A_TURN_NOT_SEPARABLE');
  return {
    kind: 'measured',
    perTurn,
    ...rotationOf(track, fit, {
      nominalRpm: wish.nominalRpm,
      extraParts: resolution(counted, tickS),
      warnings,
      noise: 'rising',
    }),
    places,
    missing,
    doubled: counted.doubled,
    damagedSegmentsPerTurn: damaged.size,
    spacingErrorsPercent: spacings(places),
  };
}

/** Times rounded to a step: either end of the stretch may be off by half of it. */
function resolution(counted: CountedPulses, tickS: number): UncertaintyPart[] {
  const last = counted.timeS[counted.timeS.length - 1] as number;
  const spanS = last - (counted.timeS[0] as number);
  if (!(tickS > 0) || !(spanS > 0)) return [];
  const standardPercent = (100 * Math.SQRT2 * fromLimits(tickS / 2)) / spanS / 2;
  return [
    { name: 'counting', standardPercent, why: say`times in steps of ${Number((1000 * tickS).toPrecision(3))} ms` },
  ];
}

/** The former curve order and line frequencies fitted to a track that changed a little. */
const sameLines = (track: PhaseTrack, fit: TrendFit): TrendFit =>
  fitTrend(
    track,
    fit.curve.length - 1,
    fit.lines.map((line) => line.hz),
  );

/** Phase of each pulse in turns with the wheel's places taken off, as a track. */
function trackWith(counted: CountedPulses, perTurn: number, places: Float64Array): PhaseTrack {
  const turns = Float64Array.from(counted.number, (n) => (n + (places[n % perTurn] as number)) / perTurn);
  const last = counted.timeS.length - 1;
  const spanS = (counted.timeS[last] as number) - (counted.timeS[0] as number);
  const pulses = counted.number[last] as number;
  const centreHz = pulses / perTurn / spanS;
  return trackOf({ timeS: counted.timeS, turns }, pulses / spanS, centreHz);
}

/**
 * Where each pulse of the wheel sits against even spacing, in pitches, mean 0: the mean over whole
 * turns of how far the count is behind the fitted motion.
 */
function wheelPlaces(counted: CountedPulses, perTurn: number, track: PhaseTrack, fit: TrendFit): Float64Array {
  const whole = Math.floor((counted.number[counted.number.length - 1] as number) / perTurn) * perTurn;
  const sums = new Float64Array(perTurn);
  const counts = new Float64Array(perTurn);
  counted.timeS.forEach((t, i) => {
    const n = counted.number[i] as number;
    if (n >= whole && whole > 0) return;
    sums[n % perTurn] = (sums[n % perTurn] as number) + motionTurns(track, fit, t) * perTurn - n;
    counts[n % perTurn] = (counts[n % perTurn] as number) + 1;
  });
  const places = sums.map((sum, i) => ((counts[i] as number) > 0 ? sum / (counts[i] as number) : 0));
  const seen = places.filter((_, i) => (counts[i] as number) > 0);
  const centre = seen.reduce((sum, value) => sum + value, 0) / Math.max(1, seen.length);
  return places.map((place, i) => ((counts[i] as number) > 0 ? place - centre : 0));
}

/** Fitted motion (curve and lines, without what is left) in turns at time t. */
function motionTurns(track: PhaseTrack, fit: TrendFit, t: number): number {
  const order = fit.curve.length - 1;
  const basis = new Float64Array(order + 1);
  const since = t - track.startS;
  legendre((2 * since * track.rate) / (track.phase.length - 1) - 1, basis, order);
  let phase = 2 * Math.PI * track.centreHz * since;
  for (let k = 0; k <= order; k++) phase += (fit.curve[k] as number) * (basis[k] as number);
  for (const line of fit.lines) {
    if (isLocked(line.hz, track.centreHz, track)) continue;
    phase += line.cos * Math.cos(2 * Math.PI * line.hz * since) + line.sin * Math.sin(2 * Math.PI * line.hz * since);
  }
  return phase / (2 * Math.PI);
}

/** A line at a whole multiple of the shaft's turns, within the resolution, belongs to the wheel's pattern. */
function isLocked(hz: number, turnHz: number, track: PhaseTrack): boolean {
  const multiple = Math.round(hz / turnHz);
  return multiple >= 1 && Math.abs(hz - multiple * turnHz) < track.rate / track.phase.length;
}

/** The angle from pulse i to the next against the mean pitch: their places' difference. */
const spacings = (places: Float64Array): number[] =>
  Array.from(places, (place, i) => 100 * ((places[(i + 1) % places.length] as number) - place));

/** Segments absent in more than half of the turns. */
function absentSegments(counted: CountedPulses, perTurn: number): number[] {
  if (perTurn < 2) return [];
  const last = counted.number[counted.number.length - 1] as number;
  const expected = new Float64Array(perTurn);
  const seen = new Float64Array(perTurn);
  for (let n = 0; n <= last; n++) expected[n % perTurn] = (expected[n % perTurn] as number) + 1;
  for (const n of counted.number) seen[n % perTurn] = (seen[n % perTurn] as number) + 1;
  return Array.from(expected, (_, i) => i).filter(
    (i) => (expected[i] as number) >= ABSENT.turns && (seen[i] as number) < ABSENT.share * (expected[i] as number),
  );
}

function absentPulses(counted: CountedPulses, perTurn: number, absent: readonly number[]): number {
  const last = counted.number[counted.number.length - 1] as number;
  const present = counted.number.filter((n) => absent.includes(n % perTurn)).length;
  let expected = 0;
  for (let n = 0; n <= last; n++) if (absent.includes(n % perTurn)) expected++;
  return expected - present;
}

/** Segments whose place is far off while most are not. From the middle one: of few a single bad one moves the mean. */
function misplaced(places: Float64Array): number[] {
  const middle = median(places);
  const off = places.map((place) => Math.abs(place - middle));
  const usual = median(off);
  return Array.from(off, (_, i) => i).filter((i) => {
    const own = off[i] as number;
    return own > DAMAGED_PITCH_PART && own > MISPLACED_TIMES * usual;
  });
}
