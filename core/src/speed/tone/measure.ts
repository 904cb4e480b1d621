/**
 * Measuring a test tone: survey, baseband, stretch, phase, fit, figures. One driver for the page's
 * worker, the command line and the tests; it reads the recording in pieces and never holds it whole.
 */
import { readWavHeader, wavSamples, type ByteSource, type SampleSource } from '../../formats/index.js';
import { expandedUncertainty, type UncertaintyPart } from '../../quantity/index.js';
import { requirePositive } from '../../errors.js';
import { quantile } from '../../numeric/index.js';
import { ask, FOLD_PART, type AskedSpeed } from '../asked.js';
import { withoutAdded, type AddedTone } from './added.js';
import { basebandMaker, type Baseband } from './baseband.js';
import { TONE_DEFAULTS as D } from './defaults.js';
import { flutterSpectrum, speedSeries, totalDeviation } from './display.js';
import { differences } from './differences.js';
import { driftPercent } from './drift.js';
import { flutterFigures, residualDeviation, deviationLine } from './flutter.js';
import { budget } from './budget.js';
import { fitLinesAndTrend } from './lines.js';
import { phaseTrack, type PhaseTrack } from './phase.js';
import { findStretches, type ToneStretch } from './presence.js';
import type { FlutterLine, ToneRefusalReason, ToneResult, ToneWarning, UnusableTone } from './result.js';
import type { ToneOptions } from './options.js';
import { otherSpeed } from './speedByTone.js';
import { between, shifted } from './part.js';
import { survey, type SurveyFound } from './survey.js';
import { meanHz, type TrendFit } from './trend.js';
import { say } from '../../words/index.js';
import {
  LEAST_DRIFT_PERCENT,
  LEAST_USED,
  MOST_PIECES,
  NOISY_DB,
  READ_PIECE,
  REST_SHARE,
  SAME_PITCH,
  STEADY_TONE,
  TOO_SHORT_S,
} from './defaults.js';

const unusable = (reason: ToneRefusalReason): UnusableTone => ({ kind: 'unusable', reason });

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
  if (options.nominalHz > (FOLD_PART * source.sampleRate) / 2 && !options.asIs)
    return maybeFolded(source, options.nominalHz);
  const part = options.fromS !== undefined || options.toS !== undefined;
  const result = await measureWhole(
    part ? between(source, options.fromS ?? 0, options.toS ?? Infinity) : source,
    options,
  );
  return part && result.kind === 'measured' ? shifted(result, options.fromS ?? 0) : result;
}

/** A tone this near to half the sampling rate cannot be told from its mirror. */
const maybeFolded = ({ sampleRate }: SampleSource, nominalHz: number): AskedSpeed =>
  ask(
    'MAYBE_FOLDED',
    say`A tone of ${nominalHz} Hz sampled ${sampleRate} times a second cannot be told from one at
      ${(sampleRate - nominalHz).toFixed(0)} Hz. Record at 44.1 or 48 kHz.`,
    [],
  );

async function measureWhole(source: SampleSource, options: ToneOptions): Promise<ToneResult> {
  const report = options.onProgress ?? (() => true);
  const channel = options.channel ?? 'auto';
  if (channel !== 'auto' && channel >= source.channels) return unusable('NO_AUDIO');
  const found = await survey(source, options.nominalHz, channel);
  if (found.kind === 'silent') return unusable('SILENT');
  if (found.kind === 'wandering') return unusable('NOT_STEADY');
  if (found.kind === 'no-tone')
    return unusable(source.frames < TOO_SHORT_S * source.sampleRate ? 'TOO_SHORT' : 'NO_TONE');
  if (report(0.1) === false) return unusable('STOPPED');
  const heard = await heardTone(source, found, options, (done) => report(0.1 + 0.7 * done));
  const result = 'kind' in heard ? heard : evaluated(heard, found, options);
  report(1);
  return result;
}

/** The tone fitted, or a result at once. What it was taken from is let go of with this function: half an hour is 50 MB. */
async function heardTone(
  source: SampleSource,
  found: SurveyFound,
  options: ToneOptions,
  report: (done: number) => boolean | void,
): Promise<ToneResult | FittedTone> {
  const band = await toBaseband(source, found, report);
  if (!band) return unusable('STOPPED');
  const stretches = findStretches(band, found.amplitude);
  const [stretch] = stretches;
  if (!stretch) return unusable('NOT_STEADY');
  if ((stretch.end - stretch.start) / band.rate < D.shortestS) {
    return unusable(band.phase.length / band.rate < 1 ? 'TOO_SHORT' : 'NOT_STEADY');
  }
  return fittedOrPieces(band, stretches, found, options);
}

async function toBaseband(
  source: SampleSource,
  found: SurveyFound,
  report: (done: number) => boolean | void,
): Promise<Baseband | null> {
  const maker = basebandMaker(source.sampleRate, found.frequencyHz, source.frames);
  for (let start = 0; start < source.frames; start += READ_PIECE) {
    const [samples] = await source.read(start, READ_PIECE, [found.channel]);
    if (!samples || samples.length === 0) break;
    maker.push(samples);
    if (report(start / source.frames) === false) return null;
  }
  return maker.finish();
}

/** What is known of the tone besides its baseband. */
export type ToneFound = Pick<SurveyFound, 'channel' | 'snrDb' | 'clipped'>;

/** One stretch of tone, fitted: what all figures are taken from. */
interface FittedTone {
  readonly track: PhaseTrack;
  readonly fit: TrendFit;
  readonly mean: number;
  readonly added: readonly AddedTone[] | null;
  /** Of the recording, seconds. */
  readonly startS: number;
  readonly endS: number;
  readonly dropouts: number;
}

/** Fits and evaluates stretches of tone, the longest first: the same for a file and for what was heard live. */
export function evaluateStretches(
  band: Baseband,
  stretches: readonly ToneStretch[],
  found: ToneFound,
  options: ToneOptions,
): ToneResult {
  const tone = fittedOrPieces(band, stretches, found, options);
  return 'kind' in tone ? tone : evaluated(tone, found, options);
}

/** The longest stretch fitted; a result at once where the tone came and went. */
function fittedOrPieces(
  band: Baseband,
  stretches: readonly ToneStretch[],
  found: ToneFound,
  options: ToneOptions,
): ToneResult | FittedTone {
  const [longest] = stretches;
  if (!longest) return unusable('NO_TONE');
  return inPieces(stretches.map(lengthOf)) ? ofPieces(band, stretches, found, options) : fittedTone(band, longest);
}

function fittedTone(band: Baseband, stretch: ToneStretch): FittedTone | UnusableTone {
  const first = fitted(band, stretch);
  if (!isSteady(first.track, first.fit, first.mean)) return unusable('NOT_STEADY');
  const cleaned = withoutAdded(band, stretch, first.track, first.fit, first.mean);
  const { start, end, dropouts } = stretch;
  const place = { startS: start / band.rate, endS: end / band.rate, dropouts };
  return { ...(cleaned ? fitted(cleaned.band, stretch) : first), added: cleaned?.added ?? null, ...place };
}

function evaluated(tone: FittedTone, found: ToneFound, options: ToneOptions): ToneResult {
  const { track, fit, mean, added } = tone;
  const rest = residualDeviation(track, fit.residual, mean);
  const figures = flutterFigures(track, fit, rest, mean);
  const trueMeanHz = mean * (1 + (options.clockCorrectionPpm ?? 0) / 1e6);
  const meanErrorPercent = 100 * (trueMeanHz / options.nominalHz - 1);
  const uncertainty = budget(track, fit, options, mean, tone.dropouts);
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
      startS: tone.startS,
      endS: tone.endS,
      snrDb: found.snrDb,
      dropouts: tone.dropouts,
      clipped: found.clipped,
      channel: found.channel,
      ...(added ? { added } : {}),
      ...(options.lossy ? { lossyLimitPercent: restPeak(rest.unweighted) } : {}),
    },
    series: speedSeries(track, deviation, meanErrorPercent),
    spectrum: flutterSpectrum(track, deviation),
    warnings: warningsFor(
      tone,
      found,
      options,
      meanErrorPercent,
      Math.abs(drift) > Math.max(LEAST_DRIFT_PERCENT, 2 * expanded),
    ).concat(added ? ['ADDED_TONES'] : []),
  };
}

const lengthOf = ({ start, end }: ToneStretch): number => end - start;

/** The tone comes and goes: the longest piece is less than all the others. */
const inPieces = ([longest = 0, ...others]: readonly number[]): boolean =>
  others.length >= 2 && others.reduce((sum, one) => sum + one, 0) > longest;

/** Each piece by itself; the mean is theirs by length, with their scatter, all else that of the longest. */
function ofPieces(
  band: Baseband,
  stretches: readonly ToneStretch[],
  found: ToneFound,
  options: ToneOptions,
): ToneResult {
  const whole = stretches
    .filter((one) => lengthOf(one) >= D.shortestS * band.rate)
    .slice(0, MOST_PIECES)
    .map((stretch) => ({ length: lengthOf(stretch), result: evaluateStretches(band, [stretch], found, options) }));
  const first = whole[0]?.result;
  if (!first || first.kind !== 'measured') return first ?? unusable('TOO_SHORT');
  const pieces = whole.flatMap(({ length, result }) =>
    result.kind === 'measured' && Math.abs(result.meanHz / first.meanHz - 1) < SAME_PITCH
      ? [{ length, tone: result }]
      : [],
  );
  const total = pieces.reduce((sum, one) => sum + one.length, 0);
  const meanHz = pieces.reduce((sum, one) => sum + one.length * one.tone.meanHz, 0) / total;
  const square = pieces.reduce((sum, one) => sum + one.length * (one.tone.meanHz / meanHz - 1) ** 2, 0) / total;
  if (pieces.length < 2) return first;
  const uncertainty: UncertaintyPart[] = [
    ...first.uncertainty,
    {
      name: 'wander',
      standardPercent: 100 * Math.sqrt(square / (pieces.length - 1)),
      why: say`scatter of ${pieces.length} pieces`,
    },
  ];
  return {
    ...first,
    meanHz,
    meanErrorPercent: 100 * (meanHz / options.nominalHz - 1),
    uncertainty,
    meanErrorExpandedUncertaintyPercent: expandedUncertainty(uncertainty),
    warnings: [...first.warnings, 'IN_PIECES'],
  };
}

const fitted = (band: Baseband, stretch: ToneStretch) => {
  const track = phaseTrack(band, stretch);
  const fit = fitLinesAndTrend(track);
  return { track, fit, mean: meanHz(track, fit.curve) };
};

/** Size not exceeded 95 % of the time by what no line explains, percent. */
const restPeak = (rest: Float64Array): number => quantile(rest.map(Math.abs), REST_SHARE);

/** A test tone keeps its pitch: a slow change of more than a tenth, or a wild rest, is music or a sweep. */
function isSteady(track: PhaseTrack, fit: TrendFit, mean: number): boolean {
  const { square } = differences(fit.residual, 1);
  const restHz = (Math.sqrt(square / fit.residual.length) * track.rate) / (2 * Math.PI);
  const used = track.usable.includes(0) ? track.usable.reduce((sum, flag) => sum + flag, 0) : track.usable.length;
  return (
    restHz < STEADY_TONE.restPart * mean &&
    Math.abs(driftPercent(track, fit, mean)) < STEADY_TONE.driftPercent &&
    used > LEAST_USED * track.usable.length
  );
}

function linesOf(fit: TrendFit, mean: number): FlutterLine[] {
  return fit.lines
    .map((line) => deviationLine(line, mean))
    .map((line) => ({ frequencyHz: line.hz, peakPercent: Math.hypot(line.cos, line.sin) }))
    .sort((a, b) => b.peakPercent - a.peakPercent);
}

function warningsFor(
  { startS, endS, dropouts }: FittedTone,
  found: ToneFound,
  options: ToneOptions,
  errorPercent: number,
  drifting: boolean,
): ToneWarning[] {
  const out: ToneWarning[] = [];
  if (found.clipped) out.push('CLIPPED');
  if (dropouts > 0) out.push('DROPOUTS');
  if (endS - startS < D.wantedS) out.push('SHORT');
  if (endS - startS < D.wowS) out.push('WOW_TOO_SHORT');
  if (options.lossy) out.push('LOSSY');
  if (found.snrDb < NOISY_DB) out.push('NOISY');
  if (drifting) out.push('DRIFTING');
  if (options.referenceUncertaintyPercent === undefined || options.referenceUncertaintyPercent === null) {
    out.push('REFERENCE_NOT_INCLUDED');
  }
  const other = otherSpeed(options.nominalHz, errorPercent);
  if (other) out.push(other);
  return out;
}
