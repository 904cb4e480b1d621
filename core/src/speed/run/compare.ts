/** Two runs side by side: what changed, and whether the change is more than their uncertainty. */
import { expandedUncertainty, type UncertaintyPart } from '../../quantity/index.js';
import type { SpeedRun } from './result.js';
import { say } from '../../words/index.js';

/** What changed between two runs, with its uncertainty. */
export interface RunChange {
  /** Error of the later run less that of the earlier, percent points; null where one has no nominal. */
  readonly changePercent: number | null;
  /** Expanded uncertainty of the change; parts that both runs share in full fall out. */
  readonly expandedPercent: number;
  /** False when the change may be nothing but uncertainty. */
  readonly significant: boolean;
  readonly why: string;
}

/**
 * Change from `before` to `after`. With the same test tape and the same recorder, the reference and
 * the clock are wrong by the same amount in both and do not count; noise counts twice.
 */
export function compareRuns(before: SpeedRun, after: SpeedRun, sameSource: boolean): RunChange {
  const shared = (part: UncertaintyPart) => sameSource && (part.name === 'reference' || part.name === 'clock');
  const parts = [...before.uncertainty, ...after.uncertainty].filter((part) => !shared(part));
  const expandedPercent = expandedUncertainty(parts);
  const changePercent =
    before.errorPercent !== null && after.errorPercent !== null
      ? after.errorPercent - before.errorPercent
      : before.unit === after.unit
        ? 100 * (after.mean / before.mean - 1)
        : null;
  return {
    changePercent,
    expandedPercent,
    significant: changePercent !== null && Math.abs(changePercent) > expandedPercent,
    why: sameSource
      ? say`Same test tape or record: its own error and the recorder’s clock fall out of the difference.`
      : say`Different references: the uncertainty of both counts in full.`,
  };
}
