/** `gauge sound FILE.wav`: the speed of a motor or fan from its own sound. The keys below are relied upon by scripts. */
import { expandedUncertainty, fixed, signed } from '@amber-gauge/core/quantity';
import {
  droopOf,
  listenWav,
  REACH,
  runsOf,
  SOUND_DEFAULTS,
  SOUND_REFUSALS,
  SOUND_WARNINGS,
  type MeasuredSound,
} from '@amber-gauge/core/speed';
import { withFile } from './fileSource.js';
import type { CommandAnswer } from './answer.js';
import { given, positive, readOptions } from './options.js';
import { CliRefusal } from './refusal.js';

const USAGE =
  'Usage: gauge sound FILE.wav [--lines-per-turn N,M] [--nominal-rpm R] [--min-rpm A] [--max-rpm B] [--json]';

export async function soundCommand(args: readonly string[]): Promise<CommandAnswer> {
  const { file, values } = readOptions(args, ['lines-per-turn', 'nominal-rpm', 'min-rpm', 'max-rpm'], USAGE);
  const counts = (values['lines-per-turn'] ?? '1').split(',').map((one) => positive(one.trim(), 'lines-per-turn'));
  if (!counts.every(Number.isInteger)) throw new CliRefusal('USAGE', `--lines-per-turn wants whole numbers. ${USAGE}`);
  const nominalRpm = given(values['nominal-rpm'], 'nominal-rpm') ?? null;
  const minRpm =
    given(values['min-rpm'], 'min-rpm') ?? (nominalRpm === null ? SOUND_DEFAULTS.lowestRpm : REACH.low * nominalRpm);
  const maxRpm =
    given(values['max-rpm'], 'max-rpm') ?? (nominalRpm === null ? SOUND_DEFAULTS.highestRpm : REACH.high * nominalRpm);
  if (!(maxRpm > minRpm) || minRpm <= 0) throw new CliRefusal('USAGE', `--max-rpm must be above --min-rpm. ${USAGE}`);
  const [count = 1, ...alsoPerTurn] = counts;
  const lines = count === 1 ? 'once a turn' : 'blades';
  const result = await withFile(file, (source) =>
    listenWav(source, { lines, count, alsoPerTurn, minRpm, maxRpm, nominalRpm, reversing: false }),
  );
  if (result.kind === 'unusable') throw new CliRefusal(result.reason, SOUND_REFUSALS[result.reason]);
  return { json: soundJson(result), words: soundWords(result) };
}

function soundJson(sound: MeasuredSound): Record<string, unknown> {
  const expanded = expandedUncertainty(sound.uncertainty);
  return {
    mean_rpm: sound.meanRpm,
    mean_rpm_expanded_uncertainty: (sound.meanRpm * expanded) / 100,
    candidates: sound.candidates.map(({ rpm, share }) => ({ rpm, odds: share })),
    runs: runsOf(sound).map(({ startS, endS, rpm, sense }) => ({ start_s: startS, end_s: endS, mean_rpm: rpm, sense })),
    droop_percent: droopOf(sound)?.droopPercent ?? null,
    drift_percent: sound.driftPercent,
    warnings: warningsOf(sound),
  };
}

/** Runs that follow each other with pauses are taken as turning to and fro. */
const warningsOf = (sound: MeasuredSound): string[] =>
  sound.stretches.length > 1 && !sound.warnings.includes('SENSE_ASSUMED')
    ? [...sound.warnings, 'SENSE_ASSUMED']
    : [...sound.warnings];

function soundWords(sound: MeasuredSound): string {
  const expanded = expandedUncertainty(sound.uncertainty);
  const droop = droopOf(sound);
  return [
    `Mean speed         ${fixed(sound.meanRpm, 1)} ± ${fixed((sound.meanRpm * expanded) / 100, 1)} rpm (k = 2)`,
    ...sound.candidates.map(
      ({ rpm, share, why }) => `Candidate          ${fixed(rpm, 0)} rpm, odds ${fixed(share, 2)}: ${why}`,
    ),
    ...runsOf(sound).map(
      (run) =>
        `Run                ${fixed(run.startS, 1)} to ${fixed(run.endS, 1)} s, ${signed(run.sense * run.rpm, 0)} rpm`,
    ),
    ...(droop
      ? [
          `Droop              ${fixed(droop.droopPercent, 1)} %, from ${fixed(droop.freeRpm, 0)} to ${fixed(droop.loadedRpm, 0)} rpm`,
        ]
      : []),
    ...warningsOf(sound).map((code) => `${code}: ${SOUND_WARNINGS[code as keyof typeof SOUND_WARNINGS]}`),
  ].join('\n');
}
