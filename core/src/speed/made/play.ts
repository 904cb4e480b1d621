/** Plays a made log through the meter and holds the outcome against what was expected. */
import { measureGyro } from '../rotation/gyro.js';
import type { GyroResult } from '../rotation/gyroResult.js';
import { measurePulses } from '../rotation/pulses.js';
import type { PulseResult } from '../rotation/pulseResult.js';
import type { Rotation } from '../rotation/result.js';
import type { MadeCase } from './case.js';

export interface Played {
  readonly id: string;
  readonly holds: boolean;
  /** What came out, in one line. */
  readonly outcome: string;
  /** Error of the mean, percent; null where none was expected. */
  readonly errorPercent: number | null;
  /** What else was measured; left out where nothing was. */
  readonly told?: Told;
}

/** Figures beside the mean. */
interface Told {
  readonly warnings: readonly string[];
  readonly expandedUncertaintyPercent: number;
  /** Unweighted peak, percent; null where none is told. */
  readonly peakPercent: number | null;
  /** Of a shaft: drift, lines, stretches, sense; of pulses the places of the wheel and pulses made up or dropped. */
  readonly shaft?: {
    readonly driftPercent: number;
    readonly lines: Rotation['lines'];
    readonly stretches: number;
    readonly sense: 1 | -1 | null;
    readonly spacingPercent: readonly number[];
    readonly missing: number;
    readonly doubled: number;
  };
}

/** Measures one made log. */
export async function play(made: MadeCase): Promise<Played> {
  const { nominalRpm, perTurn = 1 } = made;
  const result =
    made.way === 'gyro'
      ? measureGyro(made.text(), { nominalRpm })
      : await measurePulses(made.text(), { nominalRpm, perTurn });
  return { id: made.id, ...judged(made, result) };
}

function judged({ expected }: MadeCase, result: PulseResult | GyroResult): Omit<Played, 'id'> {
  if (result.kind === 'unusable')
    return {
      holds: expected.kind === 'refused' && expected.reason === result.reason,
      outcome: `refused ${result.reason}`,
      errorPercent: null,
    };
  if (result.kind === 'asked') {
    const offered = result.choices[0]?.meanRpm ?? null;
    const right = expected.kind === 'asked' && expected.code === result.code;
    const guess =
      expected.kind !== 'asked' ||
      expected.rpm === undefined ||
      (offered !== null && Math.abs(offered / expected.rpm - 1) < 0.02);
    return {
      holds: right && guess,
      outcome: `asked ${result.code}, offers ${offered?.toFixed(3) ?? 'nothing'}`,
      errorPercent: null,
    };
  }
  const outcome = `${result.meanRpm.toFixed(4)} rpm ± ${result.meanErrorExpandedUncertaintyPercent.toFixed(4)} %, wow ${result.unweightedPeakPercent?.toFixed(3) ?? 'none'} ${result.warnings.join(' ')}`;
  if (expected.kind !== 'mean') return { holds: false, outcome, errorPercent: null };
  const errorPercent = 100 * (result.meanRpm / expected.rpm - 1);
  const wow = expected.wow;
  const weak = 'weakSegments' in result ? result.weakSegments : [];
  const holds =
    Math.abs(errorPercent) <= expected.withinPercent &&
    Math.abs(errorPercent) <= 1.5 * result.meanErrorExpandedUncertaintyPercent &&
    (expected.warning === undefined || result.warnings.some((code) => code === expected.warning)) &&
    (!wow || Math.abs((result.unweightedPeakPercent ?? 99) - wow.percent) <= wow.within) &&
    (!expected.weak ||
      (weak.length === expected.weak.places && Math.abs((weak[0]?.dipPercent ?? 0) - expected.weak.dipPercent) < 8)) &&
    (expected.stretches === undefined || result.stretches.length === expected.stretches) &&
    (expected.sense === undefined || result.sense === expected.sense);
  const told = {
    warnings: result.warnings,
    expandedUncertaintyPercent: result.meanErrorExpandedUncertaintyPercent,
    peakPercent: result.unweightedPeakPercent,
    shaft: {
      driftPercent: result.driftPercent,
      lines: result.lines,
      stretches: result.stretches.length,
      sense: result.sense,
      spacingPercent: 'spacingErrorsPercent' in result ? result.spacingErrorsPercent : [],
      missing: 'missing' in result ? result.missing : 0,
      doubled: 'doubled' in result ? result.doubled : 0,
    },
  };
  return { told, holds, outcome: outcome + (weak.length > 0 ? ` weak ${JSON.stringify(weak)}` : ''), errorPercent };
}
