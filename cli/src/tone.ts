/** `gauge tone FILE.wav --nominal 3150`: the keys below are relied upon by scripts. */
import { fixed, signed, ownEntry } from '@amber-gauge/core/quantity';
import {
  addedWords,
  measureRecording,
  runOfTone,
  TONE_REFUSALS,
  TONE_WARNINGS,
  type MeasuredBand,
  type MeasuredTone,
} from '@amber-gauge/core/speed';
import { unanswered } from './asked.js';
import { byPart } from './byPart.js';
import { withFile } from './fileSource.js';
import type { CommandAnswer } from './answer.js';
import { given, positive, readOptions } from './options.js';
import { CliRefusal } from './refusal.js';

const USAGE =
  'Usage: gauge tone FILE.wav --nominal 3150 [--channel left|right|auto] [--reference-uncertainty PERCENT] [--from S] [--to S] [--lossy] [--as-is] [--by-part TRAIN.json] [--json]';
const CHANNELS: Readonly<Record<string, number | 'auto'>> = { left: 0, right: 1, auto: 'auto' };

export async function toneCommand(args: readonly string[]): Promise<CommandAnswer> {
  const names = ['nominal', 'channel', 'reference-uncertainty', 'from', 'to', 'by-part'];
  const { file, values, flags } = readOptions(args, names, USAGE, ['lossy', 'as-is']);
  const nominalHz = positive(values.nominal, 'nominal');
  const channel = ownEntry(CHANNELS, values.channel ?? 'auto');
  if (channel === undefined) throw new CliRefusal('USAGE', `--channel is left, right or auto. ${USAGE}`);
  const reference = values['reference-uncertainty'];
  const referenceUncertaintyPercent = reference === undefined ? null : positive(reference, 'reference-uncertainty');
  const from = given(values.from, 'from');
  const to = given(values.to, 'to');
  const result = await withFile(file, (source) =>
    measureRecording(source, {
      nominalHz,
      channel,
      referenceUncertaintyPercent,
      lossy: flags.lossy ?? false,
      asIs: flags['as-is'] ?? false,
      ...(from === undefined ? {} : { fromS: from }),
      ...(to === undefined ? {} : { toS: to }),
    }),
  );
  if (result.kind === 'unusable') throw new CliRefusal(result.reason, TONE_REFUSALS[result.reason]);
  if (result.kind === 'asked') throw unanswered(result);
  const parts = await byPart(values['by-part'], runOfTone(result.tone));
  return {
    json: { ...toneJson(result.tone, result.bands), ...parts.json },
    words: [toneWords(result.tone, result.bands), ...parts.words].join('\n'),
  };
}

function toneJson(tone: MeasuredTone, bands: readonly MeasuredBand[]): Record<string, unknown> {
  return {
    nominal_hz: tone.nominalHz,
    mean_hz: tone.meanHz,
    mean_error_percent: tone.meanErrorPercent,
    mean_error_expanded_uncertainty_percent: tone.meanErrorExpandedUncertaintyPercent,
    drift_percent: tone.driftPercent,
    unweighted_peak_percent: tone.unweightedPeakPercent,
    unweighted_rms_percent: tone.unweightedRmsPercent,
    weighted_2sigma_percent: tone.weighted2SigmaPercent,
    weighted_quasi_peak_percent: tone.weightedQuasiPeakPercent,
    weighted_rms_percent: tone.weightedRmsPercent,
    components: tone.lines.map((line) => ({ frequency_hz: line.frequencyHz, peak_percent: line.peakPercent })),
    tone: {
      start_s: tone.tone.startS,
      end_s: tone.tone.endS,
      snr_db: tone.tone.snrDb,
      dropouts: tone.tone.dropouts,
      clipped: tone.tone.clipped,
      channel: tone.tone.channel,
    },
    warnings: tone.warnings,
    ...(tone.tone.added
      ? {
          added: tone.tone.added.map(({ hz, levelDb, mainsHz }) => ({
            frequency_hz: hz,
            level_db: levelDb,
            mains_hz: mainsHz,
          })),
        }
      : {}),
    ...(tone.tone.lossyLimitPercent === undefined ? {} : { lossy_limit_percent: tone.tone.lossyLimitPercent }),
    ...(bands.length > 0 ? { stretches: bands.map(bandJson) } : {}),
  };
}

function bandJson({ band, nominalHz, result }: MeasuredBand): Record<string, unknown> {
  const measured = result.kind === 'measured' ? result : null;
  return {
    start_s: band.startS,
    end_s: band.endS,
    nominal_hz: nominalHz,
    mean_hz: measured?.meanHz ?? null,
    mean_error_percent: measured?.meanErrorPercent ?? null,
    mean_error_expanded_uncertainty_percent: measured?.meanErrorExpandedUncertaintyPercent ?? null,
  };
}

function toneWords(tone: MeasuredTone, bands: readonly MeasuredBand[]): string {
  const u = tone.meanErrorExpandedUncertaintyPercent;
  return [
    `Mean speed error   ${signed(tone.meanErrorPercent, 4)} ± ${fixed(u, 4)} % (k = 2) of ${tone.nominalHz} Hz: ${fixed(tone.meanHz, 4)} Hz`,
    `Drift              ${signed(tone.driftPercent, 4)} %`,
    `Unweighted         ${fixed(tone.unweightedPeakPercent, 4)} % 2-sigma peak, ${fixed(tone.unweightedRmsPercent, 4)} % rms`,
    `Weighted           ${fixed(tone.weighted2SigmaPercent, 4)} % 2-sigma, ${fixed(tone.weightedQuasiPeakPercent, 4)} % quasi-peak, ${fixed(tone.weightedRmsPercent, 4)} % rms`,
    `Tone               ${fixed(tone.tone.startS, 2)} to ${fixed(tone.tone.endS, 2)} s, ${fixed(tone.tone.snrDb, 0)} dB over noise`,
    ...tone.lines
      .slice(0, 8)
      .map((line) => `Line               ${fixed(line.frequencyHz, 3)} Hz, ${fixed(line.peakPercent, 4)} % peak`),
    ...(tone.tone.added ?? []).map((one) => `Taken out          ${addedWords(one)}`),
    ...(tone.tone.lossyLimitPercent === undefined
      ? []
      : [`Lossy              wow under ${fixed(tone.tone.lossyLimitPercent, 2)} % cannot be told`]),
    ...bands.map(
      ({ band, nominalHz, result }) =>
        `Stretch            ${fixed(band.startS, 1)} to ${fixed(band.endS, 1)} s, ${nominalHz} Hz: ${result.kind === 'measured' ? `${signed(result.meanErrorPercent, 4)} %` : TONE_REFUSALS[result.reason]}`,
    ),
    ...tone.warnings.map((code) => `${code}: ${TONE_WARNINGS[code]}`),
  ].join('\n');
}
