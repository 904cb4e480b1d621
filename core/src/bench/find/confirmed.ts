/** Faults that this bench has confirmed: seen by a direct look, then mended by a repair that cures them. */
import { ownEntry } from '../../quantity/index.js';
import { curedBy, type Confirmed } from '../../diagnosis/index.js';
import { faultsShown, type DrivePath } from '../../families/index.js';
import { standing, type BenchEvent } from '../event.js';

/** Over the logs of a family's jobs; an answer that stands for several modes is shared between them. */
export function confirmedFaults(path: DrivePath, logs: readonly (readonly BenchEvent[])[]): Confirmed {
  const modes: Record<string, number> = {};
  let units = 0;
  for (const log of logs) {
    const found = confirmedIn(path, standing(log));
    if (found.size > 0) units++;
    for (const [mode, share] of found) modes[mode] = (ownEntry(modes, mode) ?? 0) + share;
  }
  return { units, modes };
}

/** In one log: modes seen and cured, each with its share of the unit. */
export function confirmedIn(path: DrivePath, lines: readonly BenchEvent[]): Map<string, number> {
  const seen = new Map<string, readonly string[]>();
  const confirmed = new Map<string, number>();
  for (const { body } of lines) {
    if (body.kind === 'answer') {
      const test = path.tests.find((one) => one.id === body.testId);
      const known = test?.outcomes.some(({ id }) => id === body.outcome);
      if (test?.block && known) seen.set(test.block, faultsShown(test, body.outcome));
    }
    if (body.kind !== 'mended') continue;
    const cured = new Set(curedBy(path, body.repairId).map((one) => one.mode));
    for (const hit of seen.values())
      if (hit.some((mode) => cured.has(mode))) for (const mode of hit) confirmed.set(mode, 1 / hit.length);
    seen.clear();
  }
  return confirmed;
}
