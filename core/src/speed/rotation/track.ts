/**
 * From turns at times to the joint fit of curve and lines: the same fit that a test tone gets, on the
 * shaft's own phase resampled to equal steps.
 */
import { expandedUncertainty, fromLimits, type UncertaintyPart } from '../../quantity/index.js';
import { median, nextPowerOfTwo, realSpectrum } from '../../numeric/index.js';
import { LEAST_DRIFT_PERCENT, TOP_PART } from '../tone/defaults.js';
import { driftPercent } from '../tone/drift.js';
import { flutterSpectrum, speedSeries, totalDeviation } from '../tone/display.js';
import {
  deviationLine,
  FLUTTER_BANDS,
  flutterFigures,
  residualDeviation,
  type ResidualDeviation,
} from '../tone/flutter.js';
import { fitLinesAndTrend, slowNoise, wanderHz } from '../tone/lines.js';
import { LEAST_WANDER, WANDERS } from '../tone/budget.js';
import { fewWaves } from '../tone/fewWaves.js';
import type { PhaseTrack } from '../tone/phase.js';
import { meanHz, type TrendFit } from '../tone/trend.js';
import type { Rotation, RotationWarning } from './result.js';
import { say } from '../../words/index.js';
import { FEW_TURNS, NOISE_BAND, SLOWEST_WOW_A_TURN, TIME_BASE_LIMIT_PERCENT, WOW_TURNS } from './defaults.js';

/** Shaft phase in turns at rising times. */
export interface TurnSamples {
  readonly timeS: Float64Array;
  readonly turns: Float64Array;
}

/** Resamples to `rate` by cubic interpolation through four neighbours, phase against `centreHz`. */
export function trackOf({ timeS, turns }: TurnSamples, rate: number, centreHz: number): PhaseTrack {
  const startS = timeS[0] as number;
  // A hair more than the quotient: rounding may not take the last turn away.
  const count = Math.max(2, Math.floor(((timeS[timeS.length - 1] as number) - startS) * rate * (1 + 1e-12) + 1e-6) + 1);
  const phase = new Float64Array(count);
  let k = 0;
  for (let n = 0; n < count; n++) {
    const t = startS + n / rate;
    while (k + 2 < timeS.length && (timeS[k + 1] as number) <= t) k++;
    phase[n] = 2 * Math.PI * (cubicAt(timeS, turns, k, t) - centreHz * (t - startS));
  }
  return { rate, startS, centreHz, phase, usable: new Uint8Array(count).fill(1) };
}

/** Lagrange polynomial through the points around interval k; fewer points near the ends. */
function cubicAt(x: Float64Array, y: Float64Array, k: number, t: number): number {
  const from = Math.max(0, Math.min(x.length - 4, k - 1));
  const to = Math.min(x.length, from + 4);
  let sum = 0;
  for (let i = from; i < to; i++) {
    let weight = y[i] as number;
    for (let j = from; j < to; j++) {
      if (j !== i) weight *= (t - (x[j] as number)) / ((x[i] as number) - (x[j] as number));
    }
    sum += weight;
  }
  return sum;
}

/** What is known of the turning part. */
export interface RotationWish {
  readonly nominalRpm: number;
  readonly extraParts: readonly UncertaintyPart[];
  readonly warnings: readonly RotationWarning[];
  /** What the source's own noise looks like in the speed: flat (a rate sensor), or rising with frequency (jitter of edges). */
  readonly noise: 'flat' | 'rising';
}

/** The figures of a fitted track. */
export function rotationOf(track: PhaseTrack, fit: TrendFit, wish: RotationWish): Rotation {
  const mean = meanHz(track, fit.curve);
  const meanRpm = 60 * mean;
  const noiseHz = Math.sqrt(fit.meanHzUnitVariance * slowNoise(track, fit.residual));
  const scale = meanRpm / wish.nominalRpm;
  const uncertainty: UncertaintyPart[] = [
    {
      name: 'noise',
      standardPercent: (6000 * noiseHz) / wish.nominalRpm,
      why: say`jitter and irregular speed over this length`,
    },
    {
      name: 'clock',
      standardPercent: scale * fromLimits(TIME_BASE_LIMIT_PERCENT),
      why: say`time base within ±100 ppm`,
    },
    ...wish.extraParts,
  ];
  const wander = wanderHz(track, fit.residual);
  if (wander > LEAST_WANDER * mean)
    uncertainty.push({ name: 'wander', standardPercent: (6000 * wander) / wish.nominalRpm, why: WANDERS });
  uncertainty.push(...fewWaves(track, fit, mean, SLOWEST_WOW_A_TURN * mean, scale));
  const expanded = expandedUncertainty(uncertainty);
  const drift = driftPercent(track, fit, mean);
  const turns = (mean * track.phase.length) / track.rate;
  const rest = residualDeviation(track, fit.residual, mean);
  const deviation = totalDeviation(track, fit, rest, mean);
  const hasWow = turns >= WOW_TURNS && track.rate > 4 * FLUTTER_BANDS.peakLow;
  const meanErrorPercent = 100 * (meanRpm / wish.nominalRpm - 1);
  return {
    nominalRpm: wish.nominalRpm,
    meanRpm,
    meanErrorPercent,
    meanErrorExpandedUncertaintyPercent: expanded,
    uncertainty,
    driftPercent: drift,
    lines: fit.lines
      .map((line) => deviationLine(line, mean))
      .map((line) => ({ frequencyHz: line.hz, peakPercent: Math.hypot(line.cos, line.sin) }))
      .sort((a, b) => b.peakPercent - a.peakPercent),
    warnings: [
      ...(turns < FEW_TURNS ? (['FEW_TURNS'] as const) : []),
      ...(Math.abs(drift) > Math.max(LEAST_DRIFT_PERCENT, 2 * expanded) ? (['DRIFTING'] as const) : []),
      ...(turns < WOW_TURNS ? (['WOW_TOO_SHORT'] as const) : []),
      ...wish.warnings,
    ],
    series: speedSeries(track, deviation, meanErrorPercent),
    spectrum: flutterSpectrum(track, deviation),
    unweightedPeakPercent: hasWow
      ? flutterFigures(track, fit, withoutNoise(rest, track.rate, wish.noise), mean).unweightedPeakPercent
      : null,
    wowUpToHz: Math.min(FLUTTER_BANDS.high, TOP_PART * track.rate),
    stretches: [],
    sense: null,
  };
}

/** Fits curve and lines to a track. */
export const fitTrack = (track: PhaseTrack): TrendFit => fitLinesAndTrend(track);

/**
 * The residual less the source's own noise, which is read at the top of its band and carried down by
 * its known shape; what is left keeps its form and loses that much of its power.
 */
function withoutNoise(rest: ResidualDeviation, rate: number, noise: RotationWish['noise']): ResidualDeviation {
  const size = nextPowerOfTwo(Math.max(8, rest.unweighted.length));
  const { re, im } = realSpectrum(rest.unweighted, size);
  const top = Math.min(FLUTTER_BANDS.high, TOP_PART * rate);
  // What the steps of the phase make of it, their droop undone.
  const shape = (hz: number) => {
    const w = (Math.PI * hz) / rate;
    return (noise === 'flat' ? w / Math.tan(w) : w * rate) ** 2;
  };
  const scaled: number[] = [];
  let total = 0;
  let whole = 0;
  for (let k = 1; k < size / 2; k++) {
    const hz = (k * rate) / size;
    if (hz < FLUTTER_BANDS.peakLow || hz > top) continue;
    const power = (re[k] as number) ** 2 + (im[k] as number) ** 2;
    total += power;
    whole += shape(hz);
    if (hz > NOISE_BAND.from * top) scaled.push(power / shape(hz));
  }
  if (scaled.length < NOISE_BAND.least || total === 0) return rest;
  const floor = (median(scaled) / Math.LN2) * whole;
  const keep = Math.sqrt(Math.max(0, 1 - floor / total));
  return { ...rest, unweighted: rest.unweighted.map((value) => keep * value) };
}
