/** What the checks of a proving plan are made from and judged by. */
import { healthyStates } from '../../diagnosis/index.js';
import type { DrivePath, PathTest } from '../../families/index.js';
import type { BenchEvent } from '../event.js';
import type { JobFacts } from '../job.js';
import type { LedgerStep } from '../ledger/index.js';
import type { CheckBound, CheckGroup } from './check.js';
import type { Disturbance } from './disturb.js';
import type { ProveHistory } from './history.js';
import type { JobClip } from './noise.js';
import type { JobTrial } from './trial.js';

/** What the checks are made from. */
export interface Standing {
  readonly job: JobFacts;
  readonly path: DrivePath | null;
  readonly lines: readonly BenchEvent[];
  readonly disturbed: readonly Disturbance[];
  readonly history: ProveHistory;
  /** Steps of the strip-down that are still off. */
  readonly off: readonly LedgerStep[];
  readonly trials: readonly JobTrial[];
  readonly clips: readonly JobClip[];
  /** The first work on the unit; null while it was only opened. */
  readonly worked: Disturbance | null;
  /** Blocks that a mend has taken out of action for good: what they were for is not asked. */
  readonly gone: ReadonlySet<string>;
}

/** A check before it is known how it stands. */
export interface Wanted {
  readonly id: string;
  readonly group: CheckGroup;
  readonly name: string;
  readonly how: string;
  readonly bound: CheckBound;
  readonly blocks: ReadonlySet<string> | 'all';
  /** Made with the unit closed: whatever is opened undoes it. */
  readonly closing?: boolean;
  /** Asked for whatever was disturbed. */
  readonly always?: boolean;
  /** A written reason holds only until the next disturbance. */
  readonly reasonLapses?: boolean;
}

/** Ids of the answers a unit without fault gives. */
export function healthyOutcomes(path: DrivePath, test: PathTest): string[] {
  const state = healthyStates(path, test.context).get(test.signal ?? '') ?? '';
  return test.outcomes.filter((outcome) => outcome.states.includes(state)).map((outcome) => outcome.id);
}
