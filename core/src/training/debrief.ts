/** How a practice unit went: beside the app's own advice and the best possible order, and replayed line by line. */
import {
  eventWords,
  findAnswer,
  inReceipt,
  type BenchEvent,
  type FindAnswer,
  type JobFacts,
  type PracticeEndBody,
} from '../bench/index.js';
import { engineOf, play } from '../diagnosis/index.js';
import { answered, bestOrder, markedUnit } from '../marking/index.js';
import { seeded } from '../numeric/index.js';
import { withUnit } from '../quantity/index.js';
import { faultWords, modesOf, practiceCourse, practiceVisit, type Visit } from './visit.js';
import { say } from '../words/index.js';
import { FAR, MOST_REPLAYED } from './defaults.js';

/** One line of the replay. */
export interface ReplayStep {
  readonly key: string;
  readonly words: string;
  /** The practice clock after it, minutes. */
  readonly clockMin: number;
  /** Share of the suspicion on the parts at fault after it, 0 to 1; null where nothing was reckoned. */
  readonly share: number | null;
  /** How much of that it moved. */
  readonly moved: number | null;
  /** Where the first part at fault stood among the suspects, from 1; null where nothing was reckoned. */
  readonly rank: number | null;
  /** What the machine showed where something else was logged, or that nobody had looked; null when all is well. */
  readonly missed: string | null;
  readonly harm: readonly string[];
}

/** A way of working to set beside: minutes until the last fault was seen at its part, or cured and then with that mend. */
export interface Beside {
  readonly minutes: number;
  readonly live: number;
  readonly wrongParts: number;
  readonly harm: readonly string[];
}

/** The end of a practice unit. */
export interface Debrief {
  readonly own: Beside & { readonly clockMin: number; readonly parts: number };
  readonly advice: Beside & { readonly found: boolean };
  readonly bestMinutes: number;
  /** Faults mended, left, and made by a wrong step, in words. */
  readonly found: readonly string[];
  readonly left: readonly string[];
  readonly spoiled: readonly string[];
  readonly replay: readonly ReplayStep[];
}

/** The figures of a debrief as the line that ends the practice unit. */
export const endBody = ({ own, advice, bestMinutes, found, left, spoiled }: Debrief): PracticeEndBody => ({
  kind: 'practice-end',
  minutes: own.minutes,
  live: own.live,
  parts: own.parts,
  wrongParts: own.wrongParts,
  harm: fewWords(own.harm),
  found: fewWords(found),
  left: fewWords([...left, ...spoiled]),
  adviceMinutes: advice.minutes,
  bestMinutes,
});

/** Each once, and no more than a line of the log holds. */
const fewWords = (words: readonly string[]): string[] => [...new Set(words)].slice(0, 20);

/** Marks a practice unit; null for a job that is none. Plays the advice on the same unit: takes seconds. */
export function debriefOf(job: JobFacts, events: readonly BenchEvent[]): Debrief | null {
  const visit = practiceVisit(job, events);
  if (!visit || !job.practice) return null;
  const { faults, seed } = job.practice;
  const { map } = visit;
  const engine = engineOf(visit.path);
  const advised = play(engine, markedUnit(map, faults, seed), 'engine', seeded(seed + 1));
  const fresh = markedUnit(map, faults, seed);
  const words = (ids: readonly string[]) => ids.map((id) => faultWords(map, id));
  return {
    own: {
      minutes: visit.clockMin - visit.cureMin,
      clockMin: visit.clockMin,
      live: visit.live,
      parts: visit.parts,
      wrongParts: visit.wrongParts,
      // What is still bridged goes out of the door so.
      harm: [...visit.harm.map((one) => one.words), ...visit.held.map(({ name }) => say`left so: ${name}`)],
    },
    advice: advised,
    bestMinutes: bestOrder(engine, fresh),
    found: words(visit.mended),
    left: words([...visit.unit.faults].filter((id) => !visit.spoiled.includes(id))),
    spoiled: words(visit.spoiled),
    replay: replayOf(job, events, [...fresh.practice.faults]),
  };
}

/** Kinds of line that tell something of the drive path or change the unit. */
const TOLD = new Set([
  'practice-act',
  'answer',
  'reading',
  'speed',
  'mended',
  'power',
  'practice-turn',
  'practice-hand',
]);
/** Kinds that move the suspects. */
const MOVES = new Set(['answer', 'reading', 'speed', 'mended']);

function replayOf(job: JobFacts, events: readonly BenchEvent[], faults: readonly string[]): ReplayStep[] {
  const lines = inReceipt(events);
  const course = practiceCourse(job, events);
  if (!course) return [];
  const { map } = course.visit();
  const blocks = new Set(faults.flatMap((fault) => modesOf(map, fault).map((ref) => ref.slice(0, ref.indexOf('.')))));
  // What was looked at and then answered is told with its answer.
  const answeredAt = new Map(
    lines.flatMap(({ body }, i) => (body.kind === 'answer' ? [[body.testId, i] as const] : [])),
  );
  const told = lines.flatMap(({ key, body }, i) => {
    const below = body.kind === 'practice-act' && body.testId !== null && (answeredAt.get(body.testId) ?? -1) > i;
    return TOLD.has(body.kind) && !below ? [key] : [];
  });
  const shown = new Set(told.slice(-MOST_REPLAYED));
  const steps: ReplayStep[] = [];
  let standing: ReturnType<typeof truthIn> | null = null;
  lines.forEach((line, i) => {
    const before = shown.has(line.key) ? course.visit() : null;
    const missed = before && missedBy(before, line, lines.slice(0, i));
    course.take(line);
    if (!before) return;
    standing ??= truthIn(findAnswer(job, lines.slice(0, i)), blocks);
    const now = MOVES.has(line.body.kind) ? truthIn(findAnswer(job, lines.slice(0, i + 1)), blocks) : null;
    const after = course.visit();
    steps.push({
      key: line.key,
      words: eventWords(line.body),
      clockMin: after.clockMin,
      share: now?.share ?? null,
      moved: now === null ? null : now.share - standing.share,
      rank: now?.rank ?? null,
      missed,
      harm: after.harm.filter(({ key }) => key === line.key).map(({ words }) => words),
    });
    standing = now ?? standing;
  });
  return steps;
}

function truthIn(answer: FindAnswer | null, blocks: ReadonlySet<string>): { share: number; rank: number | null } {
  const suspects = answer?.suspects ?? [];
  const at = suspects.findIndex(({ block }) => blocks.has(block));
  return {
    share: Math.max(0, ...suspects.filter(({ block }) => blocks.has(block)).map((one) => one.share)),
    rank: at < 0 ? null : at + 1,
  };
}

/** What the machine showed where the log says something else; null where both agree, or nothing was asked. */
function missedBy(before: Visit, { body }: BenchEvent, lines: readonly BenchEvent[]): string | null {
  if (body.kind !== 'answer') return null;
  const test = before.path.tests.find(({ id }) => id === body.testId);
  if (!test) return null;
  const looked = lines.some(({ body: did }) => did.kind === 'practice-act' && did.testId === test.id);
  const made = answered(before.map, before.unit, test, seeded(before.acts + 1));
  if ('outcome' in made) {
    if (body.outcome === null || body.outcome === made.outcome) return looked ? null : say`answered without looking`;
    const words = test.outcomes.find(({ id }) => id === made.outcome)?.words ?? made.outcome;
    return say`the machine shows: ${words}`;
  }
  if (body.value === null) return looked ? null : say`answered without looking`;
  const off = Math.abs(body.value - made.value);
  if (Number.isFinite(made.value) && off > FAR * Math.abs(made.value) + FAR)
    return say`the machine shows about ${withUnit(Number(made.value.toPrecision(3)), made.unit)}`;
  return looked ? null : say`answered without looking`;
}
