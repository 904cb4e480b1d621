/** The log line of work. */
import type { WorkReach } from '../families/index.js';
import { say } from '../words/index.js';

/** What may have been done to a part. */
export const WORK_ACTIONS = ['clean', 'oil', 'adjust', 'replace', 'repair'] as const;
/** Names of the actions. */
export type WorkAction = (typeof WORK_ACTIONS)[number];

/** Their words, in the past. */
export const WORK_WORDS: Readonly<Record<WorkAction, string>> = {
  clean: say`cleaned`,
  oil: say`oiled`,
  adjust: say`adjusted`,
  replace: say`replaced`,
  repair: say`repaired`,
};

/** Work that was done: it ends what was as found. */
export interface WorkBody {
  readonly kind: 'work';
  readonly action: WorkAction;
  /** For reading; what it decides stands beside it. */
  readonly what: string;
  /** Blocks of the drive path that it touched; left out, or empty, where that cannot be told. */
  readonly blocks?: readonly string[] | undefined;
  /** What it reached; left out where nobody said. */
  readonly reach?: WorkReach | undefined;
}
