/** How much suspicion is left on a block, as it is drawn. */
import type { DrivePath } from '../../families/index.js';
import type { BenchEvent } from '../event.js';
import type { SuspectView } from './answer.js';
import { CLEARED_SHARE, STEPS } from '../defaults.js';

/** Not judged, suspect in four steps, found, cleared. */
export type Suspicion = 'not-judged' | 'suspect-1' | 'suspect-2' | 'suspect-3' | 'suspect-4' | 'found' | 'cleared';

/** Found only after a direct look, never by odds; not judged until a reading has borne on it. */
export function suspicionOf(suspect: SuspectView, found: ReadonlySet<string>): Suspicion {
  if (found.has(suspect.block)) return 'found';
  if (suspect.evidence.length === 0) return 'not-judged';
  if (suspect.share < CLEARED_SHARE) return 'cleared';
  return `suspect-${1 + STEPS.filter((step) => suspect.share >= step).length}` as Suspicion;
}

/** Blocks that a direct look showed to be at fault in the present epoch. */
export function foundBlocks(path: DrivePath, lines: readonly BenchEvent[]): Set<string> {
  const found = new Set<string>();
  for (const { body } of lines) {
    if (body.kind === 'work' || body.kind === 'mended') found.clear();
    if (body.kind !== 'answer') continue;
    const test = path.tests.find((one) => one.id === body.testId);
    const outcome = test?.outcomes.find((one) => one.id === body.outcome);
    if (test?.block && outcome && !outcome.modes.includes('healthy')) found.add(test.block);
  }
  return found;
}
