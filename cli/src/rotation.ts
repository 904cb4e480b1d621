/** `gauge pulses` and `gauge gyro`: the keys below are relied upon by scripts. */
import { readFile } from 'node:fs/promises';
import { fixed, signed, ownEntry } from '@amber-gauge/core/quantity';
import {
  AXIS_UNITS,
  measureGyro,
  MOST_PER_TURN,
  measurePulses,
  measurePulseWav,
  ROTATION_REFUSALS,
  ROTATION_WARNINGS,
  runOfGyro,
  runOfPulses,
  type AskedSpeed,
  type AxisUnit,
  type MeasuredGyro,
  type MeasuredPulses,
  type Rotation,
  type UnusableRotation,
} from '@amber-gauge/core/speed';
import { unanswered } from './asked.js';
import { byPart } from './byPart.js';
import { isRecording, withFile } from './fileSource.js';
import type { CommandAnswer } from './answer.js';
import { given, positive, readOptions, type Options } from './options.js';
import { CliRefusal } from './refusal.js';

const PULSES_USAGE =
  'Usage: gauge pulses FILE.csv|FILE.wav --per-turn N --nominal-rpm R [--time-unit s|ms|us|ns|SECONDS] [--channel NAME] [--sample-interval S] [--from S] [--to S] [--both-edges] [--as-is] [--by-part TRAIN.json] [--json]';
const GYRO_USAGE =
  'Usage: gauge gyro FILE.csv --nominal-rpm R [--time-unit s|ms|us|ns|SECONDS] [--axis-unit deg/s|rad/s|...] [--from S] [--to S] [--as-is] [--by-part TRAIN.json] [--json]';
const UNITS: Readonly<Record<string, number>> = { s: 1, ms: 1e-3, us: 1e-6, ns: 1e-9 };

/** Those that are given; an option left out is no property. */
const only = <T extends object>(values: T): { [K in keyof T]?: Exclude<T[K], undefined> } =>
  Object.fromEntries(Object.entries(values).filter(([, value]) => value !== undefined)) as never;

function common({ values, flags }: Options) {
  const unit = values['time-unit'];
  return only({
    timeUnitS: unit === undefined ? undefined : (ownEntry(UNITS, unit) ?? positive(unit, 'time-unit')),
    fromS: given(values.from, 'from'),
    toS: given(values.to, 'to'),
    asIs: flags['as-is'] || undefined,
  });
}

export async function pulsesCommand(args: readonly string[]): Promise<CommandAnswer> {
  const names = ['per-turn', 'nominal-rpm', 'time-unit', 'channel', 'sample-interval', 'from', 'to', 'by-part'];
  const options = readOptions(args, names, PULSES_USAGE, ['as-is', 'both-edges']);
  const { file, values } = options;
  const perTurn = positive(values['per-turn'], 'per-turn');
  if (!Number.isInteger(perTurn) || perTurn > MOST_PER_TURN)
    throw new CliRefusal('USAGE', `--per-turn is a whole number up to ${MOST_PER_TURN}. ${PULSES_USAGE}`);
  const nominalRpm = positive(values['nominal-rpm'], 'nominal-rpm');
  const own = only({
    bothEdges: options.flags['both-edges'] || undefined,
    channel: values.channel,
    sampleIntervalS: given(values['sample-interval'], 'sample-interval'),
  });
  const wish = { perTurn, nominalRpm, ...own, ...common(options) };
  const result = accepted(
    await withFile(file, async (source) =>
      (await isRecording(source)) ? measurePulseWav(source, wish) : measurePulses(await textOf(file), wish),
    ),
  );
  const parts = await byPart(values['by-part'], runOfPulses(result));
  return {
    json: { ...rotationJson(result), ...pulseJson(result), ...parts.json },
    words: [rotationWords(result), pulseWords(result), ...parts.words].join('\n'),
  };
}

export async function gyroCommand(args: readonly string[]): Promise<CommandAnswer> {
  const options = readOptions(args, ['nominal-rpm', 'time-unit', 'axis-unit', 'from', 'to', 'by-part'], GYRO_USAGE, [
    'as-is',
  ]);
  const { file, values } = options;
  const nominalRpm = positive(values['nominal-rpm'], 'nominal-rpm');
  const axisUnit = values['axis-unit'];
  if (axisUnit !== undefined && !Object.hasOwn(AXIS_UNITS, axisUnit))
    throw new CliRefusal('USAGE', `--axis-unit is one of ${Object.keys(AXIS_UNITS).join(', ')}.`);
  await withFile(file, async (source) => {
    if (await isRecording(source))
      throw new CliRefusal(
        'WRONG_KIND',
        'This is a recording. Measure it with gauge tone, gauge pulses or gauge sound.',
      );
  });
  const wish = { nominalRpm, ...only({ axisUnit: axisUnit as AxisUnit | undefined }), ...common(options) };
  const result: MeasuredGyro = accepted(measureGyro(await textOf(file), wish));
  const parts = await byPart(values['by-part'], runOfGyro(result));
  const bias = `Bias               ${fixed(result.biasDps, 3)} deg/s, axes in ${result.unit}`;
  return {
    json: { ...rotationJson(result), bias_dps: result.biasDps, axis_unit: result.unit, ...parts.json },
    words: [rotationWords(result), bias, ...parts.words].join('\n'),
  };
}

async function textOf(path: string): Promise<string> {
  try {
    return await readFile(path, 'utf8');
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    throw new CliRefusal(
      'NO_FILE',
      code === 'ENOENT' ? `There is no file ${path}.` : `${path} cannot be read (${code}).`,
    );
  }
}

function accepted<T extends { readonly kind: 'measured' }>(result: T | UnusableRotation | AskedSpeed): T {
  if (result.kind === 'measured') return result;
  if (result.kind === 'asked') throw unanswered(result);
  const where = result.line > 0 ? `Line ${result.line}: ` : '';
  throw new CliRefusal(result.reason, where + ROTATION_REFUSALS[result.reason]);
}

function rotationJson(result: Rotation): Record<string, unknown> {
  return {
    nominal_rpm: result.nominalRpm,
    mean_rpm: result.meanRpm,
    mean_error_percent: result.meanErrorPercent,
    mean_error_expanded_uncertainty_percent: result.meanErrorExpandedUncertaintyPercent,
    drift_percent: result.driftPercent,
    unweighted_peak_percent: result.unweightedPeakPercent,
    wow_up_to_hz: result.wowUpToHz,
    sense: result.sense,
    stretches: result.stretches.map(({ startS, endS, meanRpm }) => ({
      start_s: startS,
      end_s: endS,
      mean_rpm: meanRpm,
    })),
    components: result.lines.map((line) => ({ frequency_hz: line.frequencyHz, peak_percent: line.peakPercent })),
    warnings: result.warnings,
  };
}

const pulseJson = (result: MeasuredPulses) => ({
  missing: result.missing,
  doubled: result.doubled,
  damaged_segments_per_turn: result.damagedSegmentsPerTurn,
  spacing_errors_percent: result.spacingErrorsPercent,
  weak_segments: result.weakSegments.map(({ place, degrees, dipPercent, speedPercent }) => ({
    place,
    degrees,
    dip_percent: dipPercent,
    speed_percent: speedPercent,
  })),
  edge: result.edge,
  channel: result.channel,
  duty_percent: result.dutyPercent,
});

function rotationWords(result: Rotation): string {
  const u = result.meanErrorExpandedUncertaintyPercent;
  return [
    `Mean speed         ${fixed(result.meanRpm, 4)} rpm: ${signed(result.meanErrorPercent, 4)} ± ${fixed(u, 4)} % (k = 2) of ${result.nominalRpm} rpm`,
    `Drift              ${signed(result.driftPercent, 4)} %`,
    `Wow                ${result.unweightedPeakPercent === null ? 'too short' : `${fixed(result.unweightedPeakPercent, 4)} % 2-sigma peak, 0.2 to ${fixed(result.wowUpToHz, 0)} Hz`}`,
    ...(result.stretches.length > 1
      ? result.stretches.map(
          (one) =>
            `Stretch            ${fixed(one.startS, 1)} to ${fixed(one.endS, 1)} s, ${fixed(one.meanRpm, 3)} rpm`,
        )
      : []),
    ...result.lines
      .slice(0, 8)
      .map((line) => `Line               ${fixed(line.frequencyHz, 3)} Hz, ${fixed(line.peakPercent, 4)} % peak`),
    ...result.warnings.map((code) => `${code}: ${ROTATION_WARNINGS[code]}`),
  ].join('\n');
}

function pulseWords(result: MeasuredPulses): string {
  return [
    `Pulses             ${result.missing} missing, ${result.doubled} doubled, ${result.damagedSegmentsPerTurn} damaged a turn`,
    ...result.weakSegments.map(
      (one) =>
        `Weak place         ${fixed(one.degrees, 0)}° of the turn, level down ${fixed(one.dipPercent, 0)} %, speed ${fixed(one.speedPercent, 2)} % there`,
    ),
    `Spacing errors     ${result.spacingErrorsPercent.map((value) => signed(value, 2)).join(' ')} % of the pitch`,
  ].join('\n');
}
