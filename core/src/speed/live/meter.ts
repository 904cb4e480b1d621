/**
 * The live tone meter: samples in as they come, twenty readings a second out. The edge of the ribbon
 * is the speed of the last 60 ms; the number is the mean of the last two whole turns, or of 1 s where
 * the time of a turn is not known. A tone that ends is no error: it is waited for again.
 */
import { requirePositive } from '../../errors.js';
import { expandedUncertainty, fromLimits } from '../../quantity/index.js';
import { basebandShape, basebandStream, type Baseband } from '../tone/baseband.js';
import { TONE_DEFAULTS } from '../tone/defaults.js';
import { evaluateStretches } from '../tone/measure.js';
import { findStretches } from '../tone/presence.js';
import type { ToneResult } from '../tone/result.js';
import { lookForTone } from '../tone/survey.js';
import { LIVE_DEFAULTS as D } from './defaults.js';
import { phaseHistory, type PhaseHistory } from './history.js';
import { say } from '../../words/index.js';

/** What is listened for: rates and tones in hertz, uncertainties in percent. */
export interface LiveWish {
  readonly sampleRate: number;
  readonly nominalHz: number;
  /** Time of one turn at nominal speed, seconds; null when unknown. */
  readonly turnS: number | null;
  readonly referenceUncertaintyPercent: number | null;
  readonly clockLimitPercent: number;
  readonly clockCorrectionPpm: number;
}

/** How loud it is. */
export interface LiveLevel {
  /** Largest sample since the last reading, full scale = 1. */
  readonly peak: number;
  readonly clipped: boolean;
}

/** The mean that the big number shows. */
export interface LiveMean {
  readonly errorPercent: number;
  readonly expandedPercent: number;
  /** Over how long, and what that is. */
  readonly overS: number;
  readonly of: 'two turns' | 'one second' | 'so far';
}

/** A reading, twenty a second; errors in percent. */
export type LiveReading =
  | { readonly kind: 'waiting'; readonly atS: number; readonly level: LiveLevel }
  | { readonly kind: 'ended'; readonly atS: number; readonly level: LiveLevel }
  | {
      readonly kind: 'tone';
      readonly atS: number;
      readonly level: LiveLevel;
      readonly hz: number;
      /** Where the ribbon's edge stands. */
      readonly edgePercent: number;
      readonly mean: LiveMean;
      /** Half of the swing of the edge over the mean's stretch. */
      readonly halfWidthPercent: number;
      readonly toneS: number;
    };

/** Samples in, readings out. */
export interface LiveMeter {
  /** Takes samples; gives the readings that fell due. */
  push(samples: Float64Array): readonly LiveReading[];
  /** Evaluates what was heard of the present tone, its last `overS` and at most its last minute, as a recording would be. */
  capture(overS?: number): ToneResult;
}

/** @throws CoreError OUT_OF_RANGE unless rate and nominal are above zero. */
export function liveMeter(wish: LiveWish): LiveMeter {
  requirePositive(wish.sampleRate, 'sampleRate');
  requirePositive(wish.nominalHz, 'nominalHz');
  const hop = Math.max(1, Math.round(wish.sampleRate / D.readingsPerS));
  const ear = listener(wish);
  const gathered = new Float64Array(hop);
  let filled = 0;
  let atS = 0;
  return {
    push(samples) {
      const out: LiveReading[] = [];
      for (let from = 0; from < samples.length;) {
        const take = Math.min(hop - filled, samples.length - from);
        gathered.set(samples.subarray(from, from + take), filled);
        filled += take;
        from += take;
        if (filled < hop) break;
        atS += hop / wish.sampleRate;
        out.push(ear.hear(gathered, atS));
        filled = 0;
      }
      return out;
    },
    capture: (overS) => ear.capture(overS),
  };
}

/** The tone now held: its filters, its history and when it was last heard. */
interface Held {
  readonly history: PhaseHistory;
  readonly push: (samples: Float64Array) => void;
  readonly centreHz: number;
  lastHeardS: number;
  /** How long nothing at all came since then, seconds. */
  lateS: number;
}

function listener(wish: LiveWish) {
  const lookSize = Math.round(D.lookS * wish.sampleRate);
  let recent: Float64Array = new Float64Array(0);
  let held: Held | null = null;
  let everHeard = false;
  let clippedEver = false;
  const hear = (samples: Float64Array, atS: number): LiveReading => {
    const level = levelOf(samples);
    clippedEver ||= level.clipped;
    recent = lastOf(recent, samples, lookSize);
    held ??= recent.length === lookSize ? acquire(recent, wish, atS) : null;
    if (!held) return { kind: everHeard ? 'ended' : 'waiting', atS, level };
    held.push(samples);
    const reading = readingOf(held, wish, atS, level);
    if (reading) {
      held.lastHeardS = atS;
      held.lateS = 0;
      everHeard = true;
      return reading;
    }
    held.lateS += samples.filter(isNothing).length / wish.sampleRate;
    if (atS - held.lastHeardS - Math.min(held.lateS, D.lateForS) > D.endedAfterS) held = null;
    return { kind: everHeard ? 'ended' : 'waiting', atS, level };
  };
  const capture = (overS: number = D.keptS): ToneResult => {
    if (!held || held.history.heardS() < D.captureS) return { kind: 'unusable', reason: 'TOO_SHORT' };
    const band: Baseband = held.history.band(held.centreHz, Math.min(D.keptS, Math.max(D.captureS, overS)));
    const stretches = findStretches(band, held.history.usualLevel());
    const found = { channel: 0, snrDb: held.history.snrDb(), clipped: clippedEver };
    return evaluateStretches(band, stretches, found, wish);
  };
  return { hear, capture };
}

/** An input that hears has its noise: what is nought is not heard. */
const isNothing = (sample: number): boolean => sample === 0;

function levelOf(samples: Float64Array): LiveLevel {
  let peak = 0;
  for (const sample of samples) peak = Math.max(peak, Math.abs(sample));
  return { peak, clipped: peak >= D.clipLevel };
}

function lastOf(before: Float64Array, samples: Float64Array, size: number): Float64Array {
  const joined = new Float64Array(before.length + samples.length);
  joined.set(before);
  joined.set(samples, before.length);
  return joined.slice(Math.max(0, joined.length - size));
}

/** Filters on a tone found in the last look; null when there is none. */
function acquire(look: Float64Array, wish: LiveWish, atS: number): Held | null {
  const found = lookForTone(look, wish.sampleRate, wish.nominalHz);
  if (!found) return null;
  const { rate, halfBandHz } = basebandShape(wish.sampleRate, found);
  const history = phaseHistory(rate, halfBandHz, Math.ceil(rate * (D.keptS + 5)));
  const stream = basebandStream(wish.sampleRate, found, history.push);
  stream.push(look);
  return { history, push: stream.push, centreHz: found, lastHeardS: atS, lateS: 0 };
}

function readingOf(held: Held, wish: LiveWish, atS: number, level: LiveLevel): LiveReading | null {
  const { history, centreHz } = held;
  const edge = history.heardS() < D.leastS ? null : history.slope(D.edgeS);
  if (!edge || edge.level < D.endedPart * Math.max(history.usualLevel(), history.lately())) return null;
  if (Math.abs(edge.hz) > D.retunePart * centreHz) return null;
  const scale = (1 + wish.clockCorrectionPpm / 1e6) / wish.nominalHz;
  const percentOf = (hz: number) => 100 * ((centreHz + hz) * scale - 1);
  const turnS = wish.turnS === null ? null : wish.turnS / ((centreHz + edge.hz) * scale);
  const wantedS = turnS === null ? D.unknownTurnS : D.turns * turnS;
  const overS = Math.min(wantedS, history.heardS());
  const line = history.slope(overS);
  if (!line) return null;
  const meanHz = history.endToEnd(overS) ?? line.hz;
  const swingHz = history.swing(overS, D.edgeS);
  const { count, carriedS } = history.holes(overS);
  return {
    kind: 'tone',
    atS,
    level,
    hz: (centreHz + meanHz) * (1 + wish.clockCorrectionPpm / 1e6),
    edgePercent: percentOf(edge.hz),
    mean: {
      errorPercent: percentOf(meanHz),
      expandedPercent: spreadOf(line.residualRad, count / 2 + swingHz * carriedS, overS, wish, centreHz),
      overS,
      of:
        overS < 0.99 * wantedS
          ? ('so far' as const)
          : turnS === null
            ? ('one second' as const)
            : ('two turns' as const),
    },
    halfWidthPercent: 100 * swingHz * scale,
    toneS: history.heardS(),
  };
}

/**
 * Two ends of a stretch, each off the straight line by what is left of the phase: u = sqrt(2) r / (2 pi T).
 * Over whole turns the platter's own wow falls out of it. Behind a hole the phase is right to half a turn of the tone, and to
 * what the speed may have swung meanwhile: `lostTurns` at most.
 */
function spreadOf(residualRad: number, lostTurns: number, overS: number, wish: LiveWish, hz: number): number {
  const noise = (100 * Math.SQRT2 * residualRad) / (2 * Math.PI * overS * hz);
  const reference = wish.referenceUncertaintyPercent ?? 0;
  return expandedUncertainty([
    { name: 'noise', standardPercent: noise, why: say`what the phase strays over the stretch` },
    {
      name: 'counting',
      standardPercent: fromLimits((100 * lostTurns) / (overS * hz)),
      why: say`turns of the tone lost in holes`,
    },
    { name: 'clock', standardPercent: fromLimits(wish.clockLimitPercent), why: say`recorder clock` },
    { name: 'reference', standardPercent: reference / 2, why: say`test tape or record` },
  ]);
}

/** Shortest tone that a capture evaluates, seconds. */
export const SHORTEST_CAPTURE_S = Math.max(D.captureS, TONE_DEFAULTS.shortestS);
