/** Rest, provoke, rest: did it change, by how much, and does it still after the mend? */
import { mean, studentFactor, variance, effectiveCount } from '../../numeric/index.js';
import { linesOf, type BenchEvent } from '../event.js';
import { atPitchRest } from '../pitch.js';
import type { TrialPhaseBody, TrialProvocation } from './body.js';
import { say } from '../../words/index.js';
import { TRIAL_READING_PART } from '../defaults.js';

/** A stretch of a trial with what was read in it. */
export interface TrialPhase {
  readonly phase: 'rest' | 'provoked';
  readonly at: string;
  readonly values: readonly number[];
}

/** What came of a trial; amounts in its unit, with 95 % intervals. */
export type TrialOutcome =
  /** Too few phases or readings: what is missing, in words. */
  | { readonly kind: 'unfinished'; readonly wants: string }
  | { readonly kind: 'moved' | 'held' | 'undecided'; readonly by: number; readonly low: number; readonly high: number };

/** A trial of the log. */
export interface JobTrial {
  readonly key: string;
  readonly at: string;
  readonly provocation: TrialProvocation;
  readonly block: string;
  readonly name: string;
  /** Nobody has ended it. */
  readonly open: boolean;
  readonly phases: readonly TrialPhase[];
  /** Of what is read: percent of speed, or the unit of the readings. */
  readonly unit: string;
  /** A change smaller than this counts as none, in the unit. */
  readonly allowed: number;
  readonly result: TrialOutcome;
  /** Place of its first line among the standing lines. */
  readonly index: number;
}

interface Course {
  readonly begin: BenchEvent & { readonly body: TrialPhaseBody };
  phases: { phase: 'rest' | 'provoked'; at: string; values: number[] }[];
  unit: string | null;
  of: string | null;
  open: boolean;
  index: number;
}

/** All trials in order. `allowedPercent` is what a speed may move without counting as moved. */
export function trialsOf(lines: readonly BenchEvent[], allowedPercent: number): JobTrial[] {
  const courses = new Map<string, Course>();
  let open: Course | null = null;
  lines.forEach((line, index) => {
    const { body } = line;
    if (body.kind === 'trial-phase') {
      if (body.began === null) {
        if (open) open.open = false;
        open = { begin: { ...line, body }, phases: [], unit: null, of: null, open: true, index };
        courses.set(line.key, open);
      }
      const course = body.began === null ? open : courses.get(body.began);
      if (!course) return;
      if (body.phase === 'end') {
        course.open = false;
        if (open === course) open = null;
      } else course.phases.push({ phase: body.phase, at: line.enteredAt, values: [] });
      return;
    }
    if (ENDS.includes(body.kind)) {
      if (open) open.open = false;
      open = null;
    }
    if (open) take(open, line);
  });
  return [...courses.values()].map((course) => finished(course, allowedPercent));
}

/** Work and opening end a trial: what is read after them is of another unit, as it were. */
const ENDS: readonly string[] = ['work', 'mended', 'coach-turned', 'step', 'hand-back'];

/** Readings taken while a part was provoked: they say nothing of the unit as it is. */
export function provokedKeys(lines: readonly BenchEvent[]): ReadonlySet<string> {
  const keys = new Set<string>();
  if (linesOf(lines, 'trial-phase').length === 0) return keys;
  let provoked = false;
  for (const { key, body } of lines) {
    if (body.kind === 'trial-phase') provoked = body.phase === 'provoked';
    else if (ENDS.includes(body.kind)) provoked = false;
    else if (provoked && (body.kind === 'speed' || body.kind === 'reading')) keys.add(key);
  }
  return keys;
}

/** A reading belongs to the present phase when it is of the same thing as the first one. */
function take(course: Course, { body }: BenchEvent): void {
  const read = readingOf(body);
  const phase = course.phases.at(-1);
  if (!read || !phase) return;
  course.unit ??= read.unit;
  course.of ??= read.of;
  if (read.unit !== course.unit || read.of !== course.of) return;
  phase.values.push(read.value);
}

function readingOf(body: BenchEvent['body']): { value: number; unit: string; of: string } | null {
  if (body.kind === 'speed' && body.errorPercent !== null && atPitchRest(body))
    return { value: body.errorPercent, unit: '%', of: body.speedId };
  if (body.kind !== 'reading' || body.bound !== 'exact' || body.values.length !== 1) return null;
  return { value: body.values[0] as number, unit: body.unit ?? '', of: `@${body.place ?? ''}` };
}

function finished({ begin, phases, unit, open, index }: Course, allowedPercent: number): JobTrial {
  const { provocation, block, name } = begin.body;
  const rest = phases.filter((one) => one.phase === 'rest').flatMap((one) => one.values);
  const allowed = unit === '%' || unit === null ? allowedPercent : TRIAL_READING_PART * Math.abs(mean(rest));
  return {
    key: begin.key,
    at: begin.enteredAt,
    provocation,
    block,
    name,
    open,
    phases,
    unit: unit ?? '%',
    allowed,
    result: abaResult(phases, allowed),
    index,
  };
}

/**
 * Each provoked phase is held against the mean of the rests before and after it, so that a steady drift falls out;
 * the changes of all cycles give mean and 95 % interval by Student's t. With one cycle alone the readings within its
 * phases give it, counted for fewer where they hang together.
 */
export function abaResult(phases: readonly TrialPhase[], allowed: number): TrialOutcome {
  const read = phases.filter((one) => one.values.length > 0);
  const changes: number[] = [];
  const within: { n: number; square: number }[] = [];
  for (let i = 1; i + 1 < read.length; i++) {
    const [before, here, after] = [read[i - 1], read[i], read[i + 1]] as [TrialPhase, TrialPhase, TrialPhase];
    if (before.phase !== 'rest' || here.phase !== 'provoked' || after.phase !== 'rest') continue;
    changes.push(mean(here.values) - (mean(before.values) + mean(after.values)) / 2);
    for (const [part, weight] of [
      [before, 0.25],
      [here, 1],
      [after, 0.25],
    ] as const)
      within.push({ n: part.values.length, square: (weight * variance(part.values)) / effectiveCount(part.values) });
  }
  if (changes.length === 0) return { kind: 'unfinished', wants: wantsOf(read) };
  const by = mean(changes);
  const reach = reachOf(changes, within);
  if (reach === null) return { kind: 'unfinished', wants: say`once more: one change alone has no interval` };
  const [low, high] = [by - reach, by + reach];
  if (low >= -allowed && high <= allowed) return { kind: 'held', by, low, high };
  const clear = low > 0 || high < 0;
  return { kind: clear && Math.abs(by) > allowed ? 'moved' : 'undecided', by, low, high };
}

function wantsOf(read: readonly TrialPhase[]): string {
  const last = read.at(-1);
  if (!last) return say`a reading at rest`;
  return last.phase === 'rest' ? say`provoke it, and a reading` : say`let it rest, and a reading`;
}

/** Half the 95 % interval of the mean change; null when neither cycles nor readings are enough. */
function reachOf(changes: readonly number[], within: readonly { n: number; square: number }[]): number | null {
  const cycles = changes.length;
  if (cycles >= 2) return studentFactor(cycles - 1) * Math.sqrt(variance(changes) / cycles);
  if (within.some(({ n }) => n < 2)) return null;
  const square = within.reduce((sum, one) => sum + one.square, 0);
  const freedom = Math.min(...within.map(({ n }) => n - 1));
  return studentFactor(freedom) * Math.sqrt(square);
}

/**
 * How large a leak makes such a change of speed: across the lower leg R of a divider it is slow by R/(R + leak);
 * across a resistor R that sets the speed as 1/R it is fast by R/leak. Times R; null for no change.
 */
export function leakTimes(percent: number): number | null {
  const part = Math.abs(percent) / 100;
  if (part === 0 || part >= 1) return null;
  return percent < 0 ? 1 / part - 1 : 1 / part;
}
