/**
 * Measuring a test tone: survey, baseband, stretch, phase, fit, figures. One driver for the page's
 * worker, the command line and the tests; it reads the recording in pieces and never holds it whole.
 */
import { readWavHeader, wavSamples, type ByteSource, type SampleSource } from '../../formats/index.js';
import { expandedUncertainty, fromLimits, type UncertaintyPart } from '../../quantity/index.js';
import { requirePositive } from '../../errors.js';
import { basebandMaker, type Baseband } from './baseband.js';
import { TONE_DEFAULTS as D } from './defaults.js';
import { flutterSpectrum, speedSeries, totalDeviation } from './display.js';
import { driftPercent } from './drift.js';
import { flutterFigures, residualDeviation, deviationLine } from './flutter.js';
import { fitLinesAndTrend, slowNoise } from './lines.js';
import { phaseTrack, type PhaseTrack } from './phase.js';
import { findStretch, type ToneStretch } from './presence.js';
import type { FlutterLine, ToneRefusalReason, ToneResult, ToneWarning, UnusableTone } from './result.js';
import { otherSpeed } from './speedByTone.js';
import { survey, type SurveyFound } from './survey.js';
import { meanHz, type TrendFit } from './trend.js';

/** What the person says about the recording, and how to report on the way. */
export interface ToneOptions {
  readonly nominalHz: number;
  readonly channel?: number | 'auto';
  /** Expanded (k = 2) uncertainty of the test tape or record, percent; null when not known. */
  readonly referenceUncertaintyPercent?: number | null;
  /** Limit of the recorder's clock error, percent. */
  readonly clockLimitPercent?: number;
  /** What a calibration found: frequencies are multiplied with 1 + this / 10^6. */
  readonly clockCorrectionPpm?: number;
  /** Called with 0..1; returning false stops the measuring. */
  readonly onProgress?: (done: number) => boolean | void;
}

const unusable = (reason: ToneRefusalReason): UnusableTone => ({ kind: 'unusable', reason });

/** Samples read at a time. */
const PIECE = 1 << 18;

/**
 * Measures the tone in a WAV file. Bad files come back as `unusable` with a reason.
 * @throws CoreError OUT_OF_RANGE unless `nominalHz` is above zero.
 */
export async function measureWav(bytes: ByteSource, options: ToneOptions): Promise<ToneResult> {
  const layout = await readWavHeader(bytes);
  if (layout.kind === 'unusable') return unusable(layout.reason);
  const result = await measureTone(wavSamples(bytes, layout), options);
  if (result.kind !== 'measured' || !layout.truncated) return result;
  return { ...result, warnings: ['TRUNCATED', ...result.warnings] };
}

/** Measures the tone in any source of samples. */
export async function measureTone(source: SampleSource, options: ToneOptions): Promise<ToneResult> {
  requirePositive(options.nominalHz, 'nominalHz');
  const report = options.onProgress ?? (() => true);
  const channel = options.channel ?? 'auto';
  if (channel !== 'auto' && channel >= source.channels) return unusable('NO_AUDIO');
  const found = await survey(source, options.nominalHz, channel);
  if (found.kind === 'silent') return unusable('SILENT');
  if (found.kind === 'wandering') return unusable('NOT_STEADY');
  if (found.kind === 'no-tone') return unusable(source.frames < 0.3 * source.sampleRate ? 'TOO_SHORT' : 'NO_TONE');
  if (report(0.1) === false) return unusable('STOPPED');
  const band = await toBaseband(source, found, (done) => report(0.1 + 0.7 * done));
  if (!band) return unusable('STOPPED');
  const stretch = findStretch(band, found.amplitude);
  if (!stretch) return unusable('NOT_STEADY');
  if ((stretch.end - stretch.start) / band.rate < D.shortestS) {
    return unusable(band.phase.length / band.rate < 1 ? 'TOO_SHORT' : 'NOT_STEADY');
  }
  const result = evaluateStretch(band, stretch, found, options);
  report(1);
  return result;
}

async function toBaseband(
  source: SampleSource,
  found: SurveyFound,
  report: (done: number) => boolean | void,
): Promise<Baseband | null> {
  const maker = basebandMaker(source.sampleRate, found.frequencyHz, source.frames);
  for (let start = 0; start < source.frames; start += PIECE) {
    const [samples] = await source.read(start, PIECE, [found.channel]);
    if (!samples || samples.length === 0) break;
    maker.push(samples);
    if (report(start / source.frames) === false) return null;
  }
  return maker.finish();
}

/** What is known of the tone besides its baseband. */
export type ToneFound = Pick<SurveyFound, 'channel' | 'snrDb' | 'clipped'>;

/** Fits and evaluates one stretch of tone: the same for a file and for what was heard live. */
export function evaluateStretch(
  band: Baseband,
  stretch: ToneStretch,
  found: ToneFound,
  options: ToneOptions,
): ToneResult {
  const track = phaseTrack(band, stretch);
  const fit = fitLinesAndTrend(track);
  const mean = meanHz(track, fit.curve);
  if (!isSteady(track, fit, mean)) return unusable('NOT_STEADY');
  const rest = residualDeviation(track, fit.residual, mean);
  const figures = flutterFigures(track, fit, rest, mean);
  const trueMeanHz = mean * (1 + (options.clockCorrectionPpm ?? 0) / 1e6);
  const meanErrorPercent = 100 * (trueMeanHz / options.nominalHz - 1);
  const uncertainty = budget(track, fit, options, mean);
  const drift = driftPercent(track, fit, mean);
  const deviation = totalDeviation(track, fit, rest, mean);
  const expanded = expandedUncertainty(uncertainty);
  return {
    kind: 'measured',
    nominalHz: options.nominalHz,
    meanHz: trueMeanHz,
    meanErrorPercent,
    meanErrorExpandedUncertaintyPercent: expanded,
    uncertainty,
    driftPercent: drift,
    ...figures,
    lines: linesOf(fit, mean),
    tone: {
      startS: stretch.start / band.rate,
      endS: stretch.end / band.rate,
      snrDb: found.snrDb,
      dropouts: stretch.dropouts,
      clipped: found.clipped,
      channel: found.channel,
    },
    series: speedSeries(track, deviation, meanErrorPercent),
    spectrum: flutterSpectrum(track, deviation),
    warnings: warningsFor(
      band,
      stretch,
      found,
      options,
      meanErrorPercent,
      Math.abs(drift) > Math.max(0.1, 2 * expanded),
    ),
  };
}

/** A test tone keeps its pitch: a slow change of more than a tenth, or a wild rest, is music or a sweep. */
function isSteady(track: PhaseTrack, fit: TrendFit, mean: number): boolean {
  let square = 0;
  for (let n = 1; n < fit.residual.length; n++) {
    square += ((fit.residual[n] as number) - (fit.residual[n - 1] as number)) ** 2;
  }
  const restHz = (Math.sqrt(square / fit.residual.length) * track.rate) / (2 * Math.PI);
  let used = 0;
  for (const flag of track.usable) used += flag;
  return restHz < 0.04 * mean && Math.abs(driftPercent(track, fit, mean)) < 6 && used > 0.6 * track.usable.length;
}

function budget(track: PhaseTrack, fit: TrendFit, options: ToneOptions, mean: number): UncertaintyPart[] {
  const noiseHz = Math.sqrt(fit.meanHzUnitVariance * slowNoise(track, fit.residual));
  const scale = mean / options.nominalHz;
  const clockLimit = options.clockLimitPercent ?? D.clockLimitPercent;
  const parts: UncertaintyPart[] = [
    {
      name: 'noise',
      standardPercent: (100 * noiseHz) / options.nominalHz,
      why: 'noise and irregular flutter over this length',
    },
    {
      name: 'clock',
      standardPercent: scale * fromLimits(clockLimit),
      why: `recorder clock within ±${Number((clockLimit * 1e4).toPrecision(6))} ppm`,
    },
  ];
  const reference = options.referenceUncertaintyPercent;
  if (reference !== null && reference !== undefined) {
    parts.push({
      name: 'reference',
      standardPercent: (scale * reference) / 2,
      why: `test tape or record, U = ${reference} % (k = 2)`,
    });
  }
  return parts;
}

function linesOf(fit: TrendFit, mean: number): FlutterLine[] {
  return fit.lines
    .map((line) => deviationLine(line, mean))
    .map((line) => ({ frequencyHz: line.hz, peakPercent: Math.hypot(line.cos, line.sin) }))
    .sort((a, b) => b.peakPercent - a.peakPercent);
}

function warningsFor(
  band: Baseband,
  stretch: ToneStretch,
  found: ToneFound,
  options: ToneOptions,
  errorPercent: number,
  drifting: boolean,
): ToneWarning[] {
  const out: ToneWarning[] = [];
  if (found.clipped) out.push('CLIPPED');
  if (stretch.dropouts > 0) out.push('DROPOUTS');
  if ((stretch.end - stretch.start) / band.rate < D.wantedS) out.push('SHORT');
  if (found.snrDb < 30) out.push('NOISY');
  if (drifting) out.push('DRIFTING');
  if (options.referenceUncertaintyPercent === undefined || options.referenceUncertaintyPercent === null) {
    out.push('REFERENCE_NOT_INCLUDED');
  }
  const other = otherSpeed(options.nominalHz, errorPercent);
  if (other) out.push(other);
  return out;
}
