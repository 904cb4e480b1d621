/** What the Book keeps of a job: the figures of the shop are sums over these. */
import { PATHS } from '../../families/index.js';
import { enteredMs, linesOf, STAGES, type BenchEvent, type StageId } from '../event.js';
import { confirmedIn } from '../find/confirmed.js';
import type { FollowUp } from '../handback/followUps.js';
import { searchText, type JobFacts } from '../job.js';
import type { JobState } from '../state.js';
import { LONGEST_STEP_MIN, MOST_TEXT_LETTERS } from '../defaults.js';

/** Facts of one job; times ISO 8601, money in the shop's currency. */
export interface BookFacts {
  readonly handedAt: string | null;
  /** The earlier job that this unit came back from, when it did. */
  readonly returnOf: string | null;
  /** It came back with the same complaint. */
  readonly returnSame: boolean;
  /** Faults seen and mended, or pinned by hand: "governor.hunts", "governor". */
  readonly faults: readonly string[];
  /** Mends made, by id of the repair. */
  readonly mends: readonly string[];
  readonly minutes: Readonly<Partial<Record<StageId, number>>>;
  readonly worth: number | null;
  readonly price: number | null;
  /** Where the part that was mended stood among the suspects when it was, from 1; null when nobody sought. */
  readonly adviceRank: number | null;
  readonly proved: boolean;
  readonly followUps: readonly FollowUp[];
  /** What it is found by, lower case: its plate, its complaint and the words of its log. */
  readonly text: string;
}

/** Of a log that no state can be reckoned from. */
export const NO_FACTS: BookFacts = {
  handedAt: null,
  returnOf: null,
  returnSame: false,
  faults: [],
  mends: [],
  minutes: {},
  worth: null,
  price: null,
  adviceRank: null,
  proved: false,
  followUps: [],
  text: '',
};

/** The facts of a job by its standing lines, in order, and its state. */
export function bookFacts(job: JobFacts, lines: readonly BenchEvent[], state: JobState): BookFacts {
  const path = PATHS.get(job.familyId);
  const pinned = linesOf(lines, 'suspect').filter(({ body }) => body.verdict === 'pinned');
  const seen = path ? oneEach([...confirmedIn(path, lines).keys()]) : [];
  const mended = linesOf(lines, 'mended');
  return {
    handedAt: state.handedBackAt,
    returnOf: state.returned?.jobId ?? null,
    returnSame: state.returned?.same ?? false,
    faults: [...new Set([...seen, ...pinned.map(({ body }) => body.block)])],
    mends: [...new Set(mended.map(({ body }) => body.repairId))],
    minutes: stageMinutes(lines),
    worth: state.terms?.worth ?? null,
    price: state.terms?.price ?? null,
    adviceRank: mended.find(({ body }) => body.rank !== undefined)?.body.rank ?? null,
    proved: state.proving.proved,
    followUps: state.followUps,
    text: bookText(job, lines),
  };
}

/** A look that cannot tell a part's faults apart names the part alone: one unit counts once. */
function oneEach(modes: readonly string[]): string[] {
  const byBlock = new Map<string, string[]>();
  for (const mode of modes) {
    const block = mode.split('.')[0] ?? mode;
    byBlock.set(block, [...(byBlock.get(block) ?? []), mode]);
  }
  return [...byBlock].map(([block, own]) => (own.length === 1 ? (own[0] ?? block) : block));
}

/** Minutes between lines, each with the stage of the line that ended it. */
export function stageMinutes(lines: readonly BenchEvent[]): Partial<Record<StageId, number>> {
  const sums = new Map<StageId, number>();
  lines.forEach((line, i) => {
    const before = lines[i - 1];
    if (!before) return;
    const gap = (enteredMs(line) - enteredMs(before)) / 60_000;
    if (gap > 0 && gap <= LONGEST_STEP_MIN) sums.set(line.stage, (sums.get(line.stage) ?? 0) + gap);
  });
  return Object.fromEntries(
    STAGES.flatMap((stage) => (sums.has(stage) ? [[stage, Math.round(sums.get(stage) ?? 0)]] : [])),
  );
}

function bookText(job: JobFacts, lines: readonly BenchEvent[]): string {
  const words = [searchText(job), job.tried.toLowerCase()];
  let length = 0;
  for (const { body } of lines) {
    const said = wordsOf(body);
    if (said === '') continue;
    if ((length += said.length + 1) > MOST_TEXT_LETTERS) break;
    words.push(said.toLowerCase());
  }
  return words.join(' ');
}

/** Words somebody typed or chose; figures are not looked for. */
function wordsOf(body: BenchEvent['body']): string {
  switch (body.kind) {
    case 'note':
      return body.text;
    case 'work':
    case 'step':
      return body.what;
    case 'mended':
    case 'suspect':
    case 'decision':
      return body.name;
    case 'photo':
      return body.caption;
    case 'hand-back':
      return body.leftUndone;
    default:
      return '';
  }
}
