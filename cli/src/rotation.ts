/** `gauge pulses` and `gauge gyro`: the keys below are relied upon by scripts. */
import { readFile } from 'node:fs/promises';
import { fixed, signed } from '@amber-gauge/core/quantity';
import {
  measureGyro,
  measurePulses,
  ROTATION_REFUSALS,
  ROTATION_WARNINGS,
  type MeasuredGyro,
  type MeasuredPulses,
  type Rotation,
  type UnusableRotation,
} from '@amber-gauge/core/speed';
import type { CommandAnswer } from './main.js';
import { positive, readOptions } from './options.js';
import { CliRefusal } from './refusal.js';

const PULSES_USAGE = 'Usage: gauge pulses FILE.csv --per-turn N --nominal-rpm R [--json]';
const GYRO_USAGE = 'Usage: gauge gyro FILE.csv --nominal-rpm R [--json]';

export async function pulsesCommand(args: readonly string[]): Promise<CommandAnswer> {
  const { file, values } = readOptions(args, ['per-turn', 'nominal-rpm'], PULSES_USAGE);
  const perTurn = positive(values['per-turn'], 'per-turn');
  if (!Number.isInteger(perTurn)) throw new CliRefusal('USAGE', `--per-turn is a whole number. ${PULSES_USAGE}`);
  const nominalRpm = positive(values['nominal-rpm'], 'nominal-rpm');
  const result = accepted(measurePulses(await textOf(file), { perTurn, nominalRpm }));
  return {
    json: { ...rotationJson(result), ...pulseJson(result) },
    words: `${rotationWords(result)}\n${pulseWords(result)}`,
  };
}

export async function gyroCommand(args: readonly string[]): Promise<CommandAnswer> {
  const { file, values } = readOptions(args, ['nominal-rpm'], GYRO_USAGE);
  const nominalRpm = positive(values['nominal-rpm'], 'nominal-rpm');
  const result: MeasuredGyro = accepted(measureGyro(await textOf(file), { nominalRpm }));
  const words = `${rotationWords(result)}\nBias               ${fixed(result.biasDps, 3)} deg/s, axes in ${result.unit}`;
  return { json: { ...rotationJson(result), bias_dps: result.biasDps }, words };
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

function accepted<T extends { readonly kind: 'measured' }>(result: T | UnusableRotation): T {
  if (result.kind === 'measured') return result;
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
    components: result.lines.map((line) => ({ frequency_hz: line.frequencyHz, peak_percent: line.peakPercent })),
    warnings: result.warnings,
  };
}

const pulseJson = (result: MeasuredPulses) => ({
  missing: result.missing,
  doubled: result.doubled,
  damaged_segments_per_turn: result.damagedSegmentsPerTurn,
  spacing_errors_percent: result.spacingErrorsPercent,
});

function rotationWords(result: Rotation): string {
  const u = result.meanErrorExpandedUncertaintyPercent;
  return [
    `Mean speed         ${fixed(result.meanRpm, 4)} rpm: ${signed(result.meanErrorPercent, 4)} ± ${fixed(u, 4)} % (k = 2) of ${result.nominalRpm} rpm`,
    `Drift              ${signed(result.driftPercent, 4)} %`,
    ...result.lines
      .slice(0, 8)
      .map((line) => `Line               ${fixed(line.frequencyHz, 3)} Hz, ${fixed(line.peakPercent, 4)} % peak`),
    ...result.warnings.map((code) => `${code}: ${ROTATION_WARNINGS[code]}`),
  ].join('\n');
}

function pulseWords(result: MeasuredPulses): string {
  return [
    `Pulses             ${result.missing} missing, ${result.doubled} doubled, ${result.damagedSegmentsPerTurn} damaged a turn`,
    `Spacing errors     ${result.spacingErrorsPercent.map((value) => signed(value, 2)).join(' ')} % of the pitch`,
  ].join('\n');
}
