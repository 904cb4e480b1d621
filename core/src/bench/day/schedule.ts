/**
 * The day plan: blocks of hands and waits of several jobs over few resources. A list of blocks in some order is laid
 * down one after another, each at its earliest place (serial schedule generation); orders are searched from several
 * rules on, first-come among them, so that the plan is never worse than first-come.
 */
import { seeded, type Random } from '../../numeric/index.js';
import { afterOpen, fitOpen, type OpenDays } from './hours.js';
import { say } from '../../words/index.js';
import { LATE_WEIGHT, LONG_WAIT_MIN, MOST_ORDERS, ORDERS_TIMES_BLOCKS, STALE_MOVES } from '../defaults.js';
export { LATE_WEIGHT } from '../defaults.js';

/** What jobs share; hands are one pair. */
export const SHARED = ['place', 'isolator', 'variac', 'tape'] as const;
/** Names of what is shared. */
export type Shared = (typeof SHARED)[number];

/** A block of one job: so many minutes of hands, then a wait that runs by itself. */
export interface Block {
  readonly id: string;
  readonly words: string;
  readonly handsMin: number;
  /** Runs by itself after the hands, minutes. */
  readonly waitMin: number;
  readonly needs: readonly Shared[];
  /** What is kept through the wait as well: the place of a soak. */
  readonly keeps: readonly Shared[];
}

/** A job's chain of blocks. Times are minutes on the plan's own axis. */
export interface ChainJob {
  readonly id: string;
  readonly blocks: readonly Block[];
  /** Not before: a part is on the boat, a timer runs. */
  readonly readyMin: number;
  readonly readyWhy: string | null;
  /** Wanted by; null when nobody said. */
  readonly dueMin: number | null;
  /** Taken in at: the order of first come. */
  readonly takenMin: number;
}

/** What there is. */
export interface Bench {
  readonly open: OpenDays;
  readonly nowMin: number;
  readonly count: Readonly<Record<Shared, number>>;
}

/** A block laid down. */
export interface Laid {
  readonly jobId: string;
  readonly block: Block;
  readonly startMin: number;
  readonly handsEndMin: number;
  readonly endMin: number;
  /** Why it stands where it does. */
  readonly why: string;
}

/** A schedule with what it costs. */
export interface Schedule {
  readonly laid: readonly Laid[];
  readonly cost: number;
}

/** Taken stretches of one resource. */
class Lane {
  readonly taken: (readonly [number, number])[] = [];

  /** When the first of those in the way ends, where too many of them hold at once; null where there is room. */
  busy(from: number, to: number, count: number): number | null {
    const over = this.taken.filter(([start, end]) => start < to && end > from);
    return peak(over, from, to) >= count ? Math.min(...over.map(([, end]) => end)) : null;
  }
}

/** How many of the stretches hold at once within from..to, at most. */
function peak(stretches: readonly (readonly [number, number])[], from: number, to: number): number {
  let most = 0;
  for (const moment of [from, ...stretches.map(([start]) => start).filter((start) => start > from && start < to)])
    most = Math.max(most, stretches.filter(([start, end]) => start <= moment && end > moment).length);
  return most;
}

/** Lays the blocks down in the order in which jobs are named: each name is that job's next block. */
export function layDown(jobs: readonly ChainJob[], bench: Bench, order: readonly string[]): Schedule {
  const byId = new Map(jobs.map((job) => [job.id, job]));
  const next = new Map<string, number>();
  const ready = new Map(jobs.map((job) => [job.id, Math.max(bench.nowMin, job.readyMin)]));
  const lanes = new Map<Shared | 'hands', Lane>([
    ['hands', new Lane()],
    ...SHARED.map((one) => [one, new Lane()] as const),
  ]);
  const laid: Laid[] = [];
  for (const id of order) {
    const job = byId.get(id);
    const at = next.get(id) ?? 0;
    const block = job?.blocks[at];
    if (!job || !block) continue;
    next.set(id, at + 1);
    const from = ready.get(id) ?? bench.nowMin;
    const { start, why } = placeOf(block, from, bench, lanes);
    const handsEnd = start + block.handsMin;
    const end = handsEnd + block.waitMin;
    lanes.get('hands')?.taken.push([start, handsEnd]);
    for (const one of block.needs) lanes.get(one)?.taken.push([start, block.keeps.includes(one) ? end : handsEnd]);
    ready.set(id, end);
    laid.push({
      jobId: id,
      block,
      startMin: start,
      handsEndMin: handsEnd,
      endMin: end,
      why: reasonOf(job, at, block, from, start, why),
    });
  }
  return { laid, cost: costOf(jobs, laid) };
}

function placeOf(block: Block, from: number, { open, count }: Bench, lanes: ReadonlyMap<Shared | 'hands', Lane>) {
  let start = block.handsMin > 0 ? fitOpen(open, from, block.handsMin) : from;
  let why: string | null = start > from ? say`the bench is closed` : null;
  /** What is asked for, for how long, and how many there are of it. */
  const asked: [Shared | 'hands', number, number][] = [
    ...(block.handsMin > 0 ? [['hands', block.handsMin, 1] as [Shared | 'hands', number, number]] : []),
    ...block.needs.map((one): [Shared, number, number] => [
      one,
      block.handsMin + (block.keeps.includes(one) ? block.waitMin : 0),
      count[one],
    ]),
  ];
  for (let moved = true; moved;) {
    moved = false;
    for (const [name, lastsMin, most] of asked) {
      const freed = lanes.get(name)?.busy(start, start + Math.max(lastsMin, 1), most) ?? null;
      if (freed === null) continue;
      const later = block.handsMin > 0 ? fitOpen(open, freed, block.handsMin) : freed;
      if (later <= start) continue;
      why = BUSY[name];
      start = later;
      moved = true;
    }
  }
  return { start, why };
}

const BUSY: Readonly<Record<Shared | 'hands', string>> = {
  hands: say`the hands are at another`,
  place: say`every bench place is taken`,
  isolator: say`the isolated outlet is taken`,
  variac: say`the variable transformer is taken`,
  tape: say`the test tape is in use`,
};

function reasonOf(job: ChainJob, at: number, block: Block, from: number, start: number, why: string | null): string {
  const parts: string[] = [];
  if (at === 0 && job.readyWhy !== null && from === job.readyMin) parts.push(job.readyWhy);
  if (start > from && why) parts.push(why);
  if (block.waitMin >= LONG_WAIT_MIN) parts.push(say`its wait runs while other work is done`);
  if (job.dueMin !== null && at === job.blocks.length - 1) parts.push(say`its day is promised`);
  return parts.join('; ') || say`as soon as it can be`;
}

/** Minutes until each job is through, summed, and what is late counted {@link LATE_WEIGHT} times. */
export function costOf(jobs: readonly ChainJob[], laid: readonly Laid[]): number {
  const ends = new Map<string, number>();
  for (const one of laid) ends.set(one.jobId, Math.max(ends.get(one.jobId) ?? 0, one.endMin));
  return jobs.reduce((sum, job) => {
    const end = ends.get(job.id) ?? 0;
    return sum + end + (job.dueMin === null ? 0 : LATE_WEIGHT * Math.max(0, end - job.dueMin));
  }, 0);
}

const inTurn = (jobs: readonly ChainJob[]): string[] => jobs.flatMap((job) => job.blocks.map(() => job.id));

/** Whole jobs in the order they came. */
export const firstCome = (jobs: readonly ChainJob[]): string[] =>
  inTurn([...jobs].sort((a, b) => a.takenMin - b.takenMin || (a.id < b.id ? -1 : 1)));

const restWait = (job: ChainJob): number => job.blocks.reduce((sum, block) => sum + block.waitMin, 0);
const restHands = (job: ChainJob): number => job.blocks.reduce((sum, block) => sum + block.handsMin, 0);

/** Rounds: the first block of each job, then the second: what waits is begun. */
function inRounds(jobs: readonly ChainJob[]): string[] {
  const most = Math.max(0, ...jobs.map((job) => job.blocks.length));
  return Array.from({ length: most }, (_one, round) =>
    jobs.filter((job) => job.blocks.length > round).map((job) => job.id),
  ).flat();
}

/** The plan with what it is held against. */
export interface DayPlan extends Schedule {
  /** No plan can cost less. */
  readonly bound: number;
  /** What whole jobs in the order they came would cost. */
  readonly firstComeCost: number;
}

/** The order with one block moved, or two changed over. */
function moved(from: readonly string[], random: Random): string[] {
  const order = [...from];
  const [a, b] = [Math.floor(random() * order.length), Math.floor(random() * order.length)];
  if (random() < 0.5) {
    const [one] = order.splice(a, 1);
    if (one !== undefined) order.splice(b, 0, one);
  } else [order[a], order[b]] = [order[b] as string, order[a] as string];
  return order;
}

/** The order in disorder. */
function shuffled(from: readonly string[], random: Random): string[] {
  const order = [...from];
  for (let i = order.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [order[i], order[j]] = [order[j] as string, order[i] as string];
  }
  return order;
}

/** Searches an order; `pinned` jobs come first in their order, whatever it costs. */
export function planDay(jobs: readonly ChainJob[], bench: Bench, pinned: readonly string[] = [], seed = 1): DayPlan {
  const chosen = pinned.filter((id) => jobs.some((job) => job.id === id));
  const head = chosen.flatMap((id) => jobs.filter((job) => job.id === id));
  const rest = jobs.filter((job) => !chosen.includes(job.id));
  const lead = inTurn(head);
  const by = (rank: (job: ChainJob) => number) =>
    [...rest].sort((a, b) => rank(a) - rank(b) || a.takenMin - b.takenMin);
  const due = (job: ChainJob) => job.dueMin ?? Infinity;
  const starts = [
    firstCome(rest),
    inTurn(by(due)),
    inTurn(by(restHands)),
    inRounds(by((job) => -restWait(job))),
    inRounds(by(due)),
    inTurn(by((job) => -restWait(job))),
  ];
  const lay = (order: readonly string[]) => layDown(jobs, bench, [...lead, ...order]);
  let best = starts.map((order) => ({ order, made: lay(order) })).reduce((a, b) => (b.made.cost < a.made.cost ? b : a));
  const random = seeded(seed);
  const length = best.order.length;
  const tries = length < 2 ? 0 : Math.min(MOST_ORDERS, Math.floor(ORDERS_TIMES_BLOCKS / (length * length)) + 50);
  let [here, stale] = [best, 0];
  for (let i = 0; i < tries; i++) {
    // Where no one move helps any more another place is begun at; the best found stays.
    const fresh = stale > STALE_MOVES * length;
    const order = fresh ? shuffled(here.order, random) : moved(here.order, random);
    const made = lay(order);
    stale = fresh || made.cost < here.made.cost ? 0 : stale + 1;
    if (fresh || made.cost <= here.made.cost) here = { order, made };
    if (here.made.cost < best.made.cost) best = here;
  }
  const laid = [...best.made.laid].sort((a, b) => a.startMin - b.startMin);
  return {
    laid,
    cost: best.made.cost,
    bound: boundOf(jobs, bench),
    firstComeCost: layDown(jobs, bench, firstCome(jobs)).cost,
  };
}

/**
 * No plan costs less: each job alone on an empty bench ends no earlier; and one pair of hands has done the k jobs of
 * least hands no earlier than their hands summed (the greater of both sums); lateness from the first.
 */
export function boundOf(jobs: readonly ChainJob[], bench: Bench): number {
  const alone = jobs.map((job) => layDown([job], bench, inTurn([job])).laid.at(-1)?.endMin ?? 0);
  const sorted = jobs.map(restHands).sort((a, b) => a - b);
  let sum = 0;
  const hands = sorted.map((one) => afterOpen(bench.open, bench.nowMin, (sum += one)));
  const total = (values: readonly number[]) => values.reduce((acc, one) => acc + one, 0);
  const late = jobs.reduce(
    (acc, job, i) => acc + (job.dueMin === null ? 0 : LATE_WEIGHT * Math.max(0, (alone[i] ?? 0) - job.dueMin)),
    0,
  );
  return Math.max(total(alone), total(hands)) + late;
}
