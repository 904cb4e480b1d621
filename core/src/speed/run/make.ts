/** From what each way measured to the one type of run. */
import { expandedUncertainty } from '../../quantity/index.js';
import type { MeasuredGyro } from '../rotation/gyroResult.js';
import type { MeasuredPulses } from '../rotation/pulseResult.js';
import type { Rotation } from '../rotation/result.js';
import type { MeasuredSound } from '../sound/result.js';
import type { Stopwatch } from '../stopwatch.js';
import type { StrobeReading } from '../strobe/reading.js';
import type { MeasuredTone } from '../tone/result.js';
import type { SpeedDetail, SpeedRun } from './result.js';
import { say } from '../../words/index.js';

/** A measured tone, from a file or live. */
export function runOfTone(tone: MeasuredTone, live = false): SpeedRun {
  return {
    unit: 'Hz',
    nominal: tone.nominalHz,
    mean: tone.meanHz,
    errorPercent: tone.meanErrorPercent,
    expandedPercent: tone.meanErrorExpandedUncertaintyPercent,
    uncertainty: tone.uncertainty,
    driftPercent: tone.driftPercent,
    flutter: {
      unweightedPeakPercent: tone.unweightedPeakPercent,
      unweightedRmsPercent: tone.unweightedRmsPercent,
      weighted2SigmaPercent: tone.weighted2SigmaPercent,
      weightedQuasiPeakPercent: tone.weightedQuasiPeakPercent,
      weightedRmsPercent: tone.weightedRmsPercent,
    },
    lines: tone.lines,
    warnings: tone.warnings,
    detail: { way: 'tone', live, ...tone.tone },
    series: tone.series,
    spectrum: tone.spectrum,
  };
}

function runOfRotation(rotation: Rotation, detail: SpeedDetail): SpeedRun {
  return {
    unit: 'rpm',
    nominal: rotation.nominalRpm,
    mean: rotation.meanRpm,
    errorPercent: rotation.meanErrorPercent,
    expandedPercent: rotation.meanErrorExpandedUncertaintyPercent,
    uncertainty: rotation.uncertainty,
    driftPercent: rotation.driftPercent,
    flutter: null,
    lines: rotation.lines,
    warnings: rotation.warnings,
    detail,
    series: rotation.series,
    spectrum: rotation.spectrum,
  };
}

const shaftOf = ({ unweightedPeakPercent, wowUpToHz, stretches, sense }: Rotation) => ({
  wowPeakPercent: unweightedPeakPercent,
  wowUpToHz,
  stretches,
  sense,
});

/** Measured pulses of a shaft against its nominal. */
export function runOfPulses(pulses: MeasuredPulses): SpeedRun {
  const { from, perTurn, missing, doubled, damagedSegmentsPerTurn, spacingErrorsPercent, weakSegments, channel } =
    pulses;
  return runOfRotation(pulses, {
    way: 'pulses',
    from,
    perTurn,
    missing,
    doubled,
    damagedSegmentsPerTurn,
    spacingErrorsPercent,
    shaft: shaftOf(pulses),
    weakSegments,
    channel,
  });
}

/** A gyroscope log of a platter. */
export function runOfGyro(gyro: MeasuredGyro): SpeedRun {
  return runOfRotation(gyro, { way: 'gyro', biasDps: gyro.biasDps, unit: gyro.unit, shaft: shaftOf(gyro) });
}

/** Turns counted by hand against a nominal; null while there are too few taps. */
export function runOfStopwatch(state: Stopwatch, nominalRpm: number | null): SpeedRun | null {
  if (state.kind !== 'measured') return null;
  return {
    ...BY_HAND,
    nominal: nominalRpm,
    mean: state.rpm,
    errorPercent: nominalRpm === null ? null : 100 * (state.rpm / nominalRpm - 1),
    expandedPercent: state.expandedPercent,
    uncertainty: [
      {
        name: 'reaction',
        standardPercent: state.expandedPercent / 2,
        why: say`hand and eye ${state.reactionS.toFixed(2)} s, a line through ${state.taps} taps`,
      },
    ],
    warnings: state.turns < 10 ? ['FEW_TURNS'] : [],
    detail: { way: 'stopwatch', taps: state.taps, turns: state.turns, reactionS: state.reactionS },
  };
}

/** A strobe reading; its uncertainty is that of lamp and count. */
export function runOfStrobe(reading: StrobeReading): SpeedRun {
  return {
    ...BY_HAND,
    nominal: reading.nominalRpm,
    mean: reading.rpm,
    errorPercent: reading.errorPercent,
    expandedPercent: expandedUncertainty(reading.uncertainty),
    uncertainty: reading.uncertainty,
    warnings: reading.warnings,
    detail: {
      way: 'strobe',
      ringBars: reading.ringBars,
      flashHz: reading.flashHz,
      driftBarsPerMin: reading.driftBarsPerMin,
    },
  };
}

/** A motor listened to; without a nominal percents are of the mean. */
export function runOfSound(sound: MeasuredSound): SpeedRun {
  return {
    unit: 'rpm',
    nominal: sound.nominalRpm,
    mean: sound.meanRpm,
    errorPercent: sound.nominalRpm === null ? null : 100 * (sound.meanRpm / sound.nominalRpm - 1),
    expandedPercent: expandedUncertainty(sound.uncertainty),
    uncertainty: sound.uncertainty,
    driftPercent: sound.driftPercent,
    flutter: null,
    lines: [],
    warnings: sound.warnings,
    detail: {
      way: 'sound',
      lines: sound.lines,
      linesPerTurn: sound.linesPerTurn,
      candidates: sound.candidates,
      stretches: sound.stretches,
    },
    series: sound.series,
    spectrum: null,
  };
}

/** What neither a strobe nor a stopwatch can see. */
const BY_HAND = {
  unit: 'rpm',
  driftPercent: null,
  flutter: null,
  lines: [],
  series: null,
  spectrum: null,
} as const;
