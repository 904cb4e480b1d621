/** What a list shows of a job, and what it wants there as time goes on: reckoned once a line, read often. */
import type { Verdict } from '../speed/index.js';
import { standing, type BenchEvent, type PowerState } from './event.js';
import { bookFacts, NO_FACTS, type BookFacts } from './book/facts.js';
import { chainOf, NO_CHAIN, type JobChain } from './day/chain.js';
import type { JobFacts } from './job.js';
import { dueWish, nextWish, type NextWish } from './owed.js';
import type { LostLine } from './power.js';
import { jobState, type SpeedPair } from './state.js';
import type { JobTimer } from './timers/index.js';
import { say } from '../words/index.js';

/** A speed in a list: as left where it was measured so, else the newest reading; percent and turns a minute. */
export interface BriefSpeed {
  readonly speedId: string;
  readonly label: string;
  readonly nominalRpm: number | null;
  readonly reading: {
    readonly turned: boolean;
    readonly errorPercent: number | null;
    readonly expandedPercent: number | null;
    readonly wowPeakPercent: number | null;
    readonly rpm: number | null;
    readonly verdict: Verdict['kind'];
    readonly side: 'slow' | 'fast' | null;
  } | null;
}

/** A timer that nobody has ended. */
export type OpenTimer = Omit<JobTimer, 'end'>;

/** A job as a list shows it; times ISO 8601. */
export interface ListRow {
  /** As it was when the row was reckoned: {@link wishAt} gives what it is later. */
  readonly next: NextWish;
  readonly power: PowerState;
  readonly speeds: readonly BriefSpeed[];
  readonly timers: readonly OpenTimer[];
  readonly lastAt: string | null;
  /** What the Book keeps of it. */
  readonly book: BookFacts;
  /** What it still needs, for the day plan. */
  readonly chain: JobChain;
}

/**
 * The row of a job by all its lines, in any order, at `now`. `lost` are lines that cannot be read: one about
 * power leaves the unit live. A log that no state can be reckoned from throws: see {@link unknownRow}.
 */
export function listRow(job: JobFacts, events: readonly BenchEvent[], lost: readonly LostLine[], now: Date): ListRow {
  const state = jobState(job, events, lost);
  return {
    next: nextWish(job, state, now),
    power: state.power,
    speeds: state.speeds.map(briefSpeed),
    timers: state.timers.filter(({ end }) => end === null).map(({ end: _end, ...timer }) => timer),
    lastAt: state.lastAt,
    book: bookFacts(job, standing(events), state),
    chain: chainOf(job, state),
  };
}

/** The row of a unit whose log no state can be reckoned from: the dangerous thing. */
export const unknownRow = (job: JobFacts, now: Date): ListRow => ({
  next: {
    stage: 'take-in',
    kind: 'hands',
    text: say`its log cannot be worked out: open it, and measure before touching`,
    until: null,
  },
  power: job.powerKind === 'pack' ? 'pack-in' : 'live-direct',
  speeds: [],
  timers: [],
  lastAt: now.toISOString(),
  book: NO_FACTS,
  chain: NO_CHAIN,
});

/** What the job wants at `now`: a timer that has run out since the row was reckoned comes before all else. */
export const wishAt = (row: Pick<ListRow, 'next' | 'timers'>, now: Date): NextWish =>
  row.next.kind === 'done' ? row.next : (dueWish(row.timers, now) ?? row.next);

function briefSpeed(pair: SpeedPair): BriefSpeed {
  const reading = pair.asLeft ?? pair.latest;
  return {
    speedId: pair.speedId,
    label: pair.label,
    nominalRpm: pair.nominalRpm,
    reading: reading && {
      turned: reading.speed.turned,
      errorPercent: reading.speed.errorPercent,
      expandedPercent: reading.speed.expandedPercent,
      wowPeakPercent: reading.speed.wowPeakPercent,
      rpm: reading.speed.rpm,
      verdict: reading.verdict.kind,
      side: reading.verdict.kind === 'not-right' ? reading.verdict.side : null,
    },
  };
}
