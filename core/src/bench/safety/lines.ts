/** What is to be done before this unit is opened, and what of it is answered. */
import { familyOf, type SafeLine } from '../../families/index.js';
import { isLive, linesOf, type BenchEvent, type PowerState } from '../event.js';
import type { JobFacts } from '../job.js';
import { holdsCharge } from './stores.js';

/** A line of the family's list and whether it was done. */
export interface UnitSafeLine {
  readonly line: SafeLine;
  /** answered: by the power state or a reading; said: by a tap; open: not yet. */
  readonly state: 'open' | 'said' | 'answered';
  /** A wait that runs since it was unplugged, ISO 8601; null where none does. */
  readonly waitUntil: string | null;
}

/** The family's lines for this unit, in order; the plug and the charge answer for themselves. */
export function safeLinesOf(
  job: JobFacts,
  lines: readonly BenchEvent[],
  power: {
    readonly state: PowerState;
    readonly since: string | null;
    readonly unpluggedAt: string | null;
    readonly chargeProved: boolean;
  },
): UnitSafeLine[] {
  const said = new Set(linesOf(lines, 'safe').map(({ body }) => body.lineId));
  const off = !isLive(power.state) && power.since !== null;
  return familyOf(job.familyId)
    .safeLines.filter((line) => line.powerKinds.includes(job.powerKind))
    .filter((line) => !line.byReading || holdsCharge(job))
    .map((line) => ({ line, state: stateOf(line), waitUntil: waitOf(line) }));

  function stateOf(line: SafeLine): UnitSafeLine['state'] {
    if (line.byReading) return power.chargeProved ? 'answered' : 'open';
    if (line.waitMin !== null) return off && power.chargeProved ? 'answered' : 'open';
    if (line.id === 'unplug' || line.id === 'pack-out') return off ? 'answered' : 'open';
    return said.has(line.id) ? 'said' : 'open';
  }

  function waitOf({ waitMin }: SafeLine): string | null {
    if (waitMin === null || !off || power.chargeProved || power.unpluggedAt === null) return null;
    return new Date(Date.parse(power.unpluggedAt) + 60_000 * waitMin).toISOString();
  }
}
