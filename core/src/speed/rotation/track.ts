/**
 * From turns at times to the joint fit of curve and lines: the same fit that a test tone gets, on the
 * shaft's own phase resampled to equal steps.
 */
import { expandedUncertainty, fromLimits, type UncertaintyPart } from '../../quantity/index.js';
import { driftPercent } from '../tone/drift.js';
import { flutterSpectrum, speedSeries, totalDeviation } from '../tone/display.js';
import { deviationLine, residualDeviation } from '../tone/flutter.js';
import { fitLinesAndTrend, slowNoise } from '../tone/lines.js';
import type { PhaseTrack } from '../tone/phase.js';
import { meanHz, type TrendFit } from '../tone/trend.js';
import type { Rotation, RotationWarning } from './result.js';

/** Time base of a scope or logger, limit either way, percent (common practice: 100 ppm). */
export const TIME_BASE_LIMIT_PERCENT = 0.01;

/** Shaft phase in turns at rising times. */
export interface TurnSamples {
  readonly timeS: Float64Array;
  readonly turns: Float64Array;
}

/** Resamples to `rate` by cubic interpolation through four neighbours, phase against `centreHz`. */
export function trackOf({ timeS, turns }: TurnSamples, rate: number, centreHz: number): PhaseTrack {
  const startS = timeS[0] as number;
  const count = Math.max(2, Math.floor(((timeS[timeS.length - 1] as number) - startS) * rate) + 1);
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

export interface RotationWish {
  readonly nominalRpm: number;
  readonly extraParts: readonly UncertaintyPart[];
  readonly warnings: readonly RotationWarning[];
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
      why: 'jitter and irregular speed over this length',
    },
    { name: 'clock', standardPercent: scale * fromLimits(TIME_BASE_LIMIT_PERCENT), why: 'time base within ±100 ppm' },
    ...wish.extraParts,
  ];
  const expanded = expandedUncertainty(uncertainty);
  const drift = driftPercent(track, fit, mean);
  const turns = (mean * track.phase.length) / track.rate;
  const deviation = totalDeviation(track, fit, residualDeviation(track, fit.residual, mean), mean);
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
      ...(turns < 10 ? (['FEW_TURNS'] as const) : []),
      ...(Math.abs(drift) > Math.max(0.1, 2 * expanded) ? (['DRIFTING'] as const) : []),
      ...wish.warnings,
    ],
    series: speedSeries(track, deviation, meanErrorPercent),
    spectrum: flutterSpectrum(track, deviation),
  };
}

/** Fits curve and lines to a track. */
export const fitTrack = (track: PhaseTrack): TrendFit => fitLinesAndTrend(track);
