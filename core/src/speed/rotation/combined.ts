/** Several runs of one drive as one figure: their mean by time, with the scatter from run to run. */
import { expandedUncertainty, type UncertaintyPart } from '../../quantity/index.js';
import type { MeasuredPulses } from './pulseResult.js';
import { say } from '../../words/index.js';

/** Null for nothing; a single run is itself. The series and lines shown are those of the longest run. */
export function combined(runs: readonly MeasuredPulses[]): MeasuredPulses | null {
  const [first] = runs;
  if (!first || runs.length === 1) return first ?? null;
  const length = (run: MeasuredPulses) => run.series.stepS * Math.max(1, run.series.errorPercent.length);
  const longest = runs.reduce((a, b) => (length(b) > length(a) ? b : a));
  const total = runs.reduce((sum, run) => sum + length(run), 0);
  const weighted = (of: (run: MeasuredPulses) => number) =>
    runs.reduce((sum, run) => sum + length(run) * of(run), 0) / total;
  const meanRpm = weighted((run) => run.meanRpm);
  const spread = Math.sqrt(weighted((run) => (run.meanRpm / meanRpm - 1) ** 2));
  const scatter: UncertaintyPart = {
    name: 'wander',
    standardPercent: (100 * spread) / Math.sqrt(runs.length - 1),
    why: say`scatter of ${runs.length} runs`,
  };
  const uncertainty = [...longest.uncertainty, scatter];
  return {
    ...longest,
    meanRpm,
    meanErrorPercent: 100 * (meanRpm / longest.nominalRpm - 1),
    uncertainty,
    meanErrorExpandedUncertaintyPercent: expandedUncertainty(uncertainty),
    driftPercent: 0,
    missing: runs.reduce((sum, run) => sum + run.missing, 0),
    doubled: runs.reduce((sum, run) => sum + run.doubled, 0),
    warnings: [...new Set(runs.flatMap((run) => run.warnings))].filter((code) => code !== 'DRIFTING'),
  };
}
