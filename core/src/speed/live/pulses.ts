/**
 * Pulses or a generator's sine on the line input, live: the speed over the last two turns, ten times a
 * second, and all of it evaluated on a capture.
 */
import { median, quantile } from '../../numeric/index.js';
import { pulsesOf } from '../rotation/pulses.js';
import type { PulseResult } from '../rotation/pulseResult.js';
import type { Answer } from '../asked.js';
import { edgeFinder } from '../rotation/edges.js';
import type { LiveLevel } from './meter.js';
import { HOLE_PERIODS, LEARN_S, LEAST_SWING, LOST_PERIODS, READINGS_PER_S } from './defaults.js';

/** What is counted: hertz, pulses a turn, rpm. */
export interface LivePulsesWish {
  readonly sampleRate: number;
  readonly perTurn: number;
  readonly nominalRpm: number;
}

/** A reading, ten a second. */
export interface LivePulsesReading {
  readonly kind: 'waiting' | 'pulses';
  readonly atS: number;
  readonly level: LiveLevel;
  /** Null while waiting. */
  readonly rpm: number | null;
  readonly errorPercent: number | null;
  readonly pulses: number;
}

/** Samples in, readings out. */
export interface LivePulses {
  push(samples: Float64Array): readonly LivePulsesReading[];
  /** All that was heard so far; with an answer, what the last capture heard, measured again. */
  capture(answer?: Answer): PulseResult;
}

/** A live counter of pulses; samples go in with `push`, readings come out ten times a second. */
export function livePulses(wish: LivePulsesWish): LivePulses {
  const hop = Math.round(wish.sampleRate / READINGS_PER_S);
  const learn: number[] = [];
  let finder: ReturnType<typeof edgeFinder> | null = null;
  let learnt = 0;
  let heard = 0;
  let due = hop;
  let peak = 0;
  let captured: ReturnType<typeof signalOf> | null = null;
  const reading = (): LivePulsesReading => {
    const level = { peak, clipped: peak >= 0.985 };
    peak = 0;
    const rpm = finder && recentRpm(finder.edges, heard - learnt, wish);
    return {
      kind: rpm === null ? 'waiting' : 'pulses',
      atS: heard / wish.sampleRate,
      level,
      rpm,
      errorPercent: rpm === null ? null : 100 * (rpm / wish.nominalRpm - 1),
      pulses: finder?.edges.length ?? 0,
    };
  };
  const take = (samples: Float64Array) => {
    for (const sample of samples) peak = Math.max(peak, Math.abs(sample));
    heard += samples.length;
    if (finder) return finder.push(samples);
    learn.push(...samples);
    if (learn.length < LEARN_S * wish.sampleRate) return;
    finder = finderFor(learn);
    learn.length = 0;
    if (finder) learnt = heard;
  };
  return {
    push(samples) {
      const out: LivePulsesReading[] = [];
      for (let from = 0; from < samples.length;) {
        const count = Math.min(due, samples.length - from);
        take(samples.subarray(from, from + count));
        from += count;
        due -= count;
        if (due > 0) break;
        due = hop;
        out.push(reading());
      }
      return out;
    },
    capture(answer) {
      if (answer === undefined || captured === null) captured = signalOf(finder, wish);
      const { channel: _channel, axisUnit: _axisUnit, ...asked } = answer ?? {};
      return pulsesOf(captured, { perTurn: wish.perTurn, nominalRpm: wish.nominalRpm, ...asked });
    },
  };
}

/** Learns the levels; null while nothing swings. */
function finderFor(learnt: readonly number[]): ReturnType<typeof edgeFinder> | null {
  const swing = { low: quantile(learnt, 0.002), high: quantile(learnt, 0.998) };
  return swing.high - swing.low < LEAST_SWING ? null : edgeFinder(swing, 1);
}

/** What was heard as a signal that {@link pulsesOf} measures. */
function signalOf(finder: ReturnType<typeof edgeFinder> | null, { sampleRate }: LivePulsesWish) {
  return {
    kind: 'signal',
    name: '',
    timeS: Float64Array.from(finder?.edges ?? [], (n) => n / sampleRate),
    levels: finder ? Float64Array.from(finder.levels) : null,
    senses: null,
    from: 'live',
    sampleHz: sampleRate,
    tickS: 0,
    edge: 'rising',
    dutyPercent: null,
    notes: [],
  } as const;
}

/**
 * Mean over the last two turns (at least four pulses), of what came since a hole in the sound: a late buffer is filled
 * with silence, which would read as a slower shaft. Null when they stopped or there are too few.
 */
function recentRpm(edges: readonly number[], now: number, { perTurn, sampleRate }: LivePulsesWish): number | null {
  const wanted = Math.max(4, 2 * perTurn);
  const recent = sinceHole(edges.slice(-1 - wanted));
  const [first, last] = [recent[0], recent[recent.length - 1]];
  const steps = recent.length - 1;
  if (last === undefined || first === undefined || steps < 2) return null;
  const period = (last - first) / steps;
  return now - last > LOST_PERIODS * period ? null : (60 * sampleRate) / period / perTurn;
}

function sinceHole(edges: readonly number[]): readonly number[] {
  const steps = edges.slice(1).map((at, i) => at - (edges[i] ?? 0));
  if (steps.length < 2) return edges;
  const usual = median(steps);
  return edges.slice(1 + steps.findLastIndex((step) => step > HOLE_PERIODS * usual));
}
