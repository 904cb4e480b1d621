/** `gauge tone FILE.wav --nominal 3150`: the keys below are relied upon by scripts. */
import { fixed, signed } from '@amber-gauge/core/quantity';
import { measureWav, TONE_REFUSALS, TONE_WARNINGS, type MeasuredTone } from '@amber-gauge/core/speed';
import { withFile } from './fileSource.js';
import type { CommandAnswer } from './main.js';
import { positive, readOptions } from './options.js';
import { CliRefusal } from './refusal.js';

const USAGE =
  'Usage: gauge tone FILE.wav --nominal 3150 [--channel left|right|auto] [--reference-uncertainty PERCENT] [--json]';
const CHANNELS: Readonly<Record<string, number | 'auto'>> = { left: 0, right: 1, auto: 'auto' };

export async function toneCommand(args: readonly string[]): Promise<CommandAnswer> {
  const { file, values } = readOptions(args, ['nominal', 'channel', 'reference-uncertainty'], USAGE);
  const nominalHz = positive(values.nominal, 'nominal');
  const channel = CHANNELS[values.channel ?? 'auto'];
  if (channel === undefined) throw new CliRefusal('USAGE', `--channel is left, right or auto. ${USAGE}`);
  const reference = values['reference-uncertainty'];
  const referenceUncertaintyPercent = reference === undefined ? null : positive(reference, 'reference-uncertainty');
  const result = await withFile(file, (source) =>
    measureWav(source, { nominalHz, channel, referenceUncertaintyPercent }),
  );
  if (result.kind === 'unusable') throw new CliRefusal(result.reason, TONE_REFUSALS[result.reason]);
  return { json: toneJson(result), words: toneWords(result) };
}

function toneJson(tone: MeasuredTone): Record<string, unknown> {
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
  };
}

function toneWords(tone: MeasuredTone): string {
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
    ...tone.warnings.map((code) => `${code}: ${TONE_WARNINGS[code]}`),
  ].join('\n');
}
