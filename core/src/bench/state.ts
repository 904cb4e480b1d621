/** The state of a job, computed from its log: nothing here is ticked by hand. */
import { judge, type Verdict } from '../speed/index.js';
import {
  isLive,
  linesOf,
  standing,
  struckKeys,
  type BenchEvent,
  type PowerState,
  type ReadingBody,
  type SpeedBody,
  type WorkBody,
} from './event.js';
import { coachOf, type JobCoach } from './coach/index.js';
import { gatePasses, untestedWork, type GatePass } from './gate/index.js';
import { jobSpeeds, jobTolerance, type JobFacts } from './job.js';
import { openFollowUps, type FollowUp } from './handback/followUps.js';
import type { MendedBody } from './find/body.js';
import type { ReturnBody, SheetBody } from './handback/body.js';
import { findingsOf, ledgerOf, type Finding, type Ledger } from './ledger/index.js';
import { judgedReadings, type DecisionBody, type Judged, type QuoteBody, type TermsBody } from './mend/index.js';
import { photosOf, type JobPhoto } from './photos/index.js';
import { atPitchRest, type PitchPosition } from './pitch.js';
import { coastsOf, failedBefore, provingPlan, provokedKeys, type JobCoast, type ProvingPlan } from './prove/index.js';
import type { ChargeLeft } from './charge.js';
import { powerFrom, type LostLine, type PowerDoubt } from './power.js';
import { safeLinesOf, startLog, type StartLine, type UnitSafeLine } from './safety/index.js';
import { timersOf, type JobTimer } from './timers/index.js';
import { say } from '../words/index.js';

/** A speed reading with the line it stands on and its verdict. */
export interface SpeedReading {
  readonly key: string;
  readonly at: string;
  readonly speed: SpeedBody;
  readonly verdict: Verdict;
}

/** One speed of the unit: as found, as left, and the newest. */
export interface SpeedPair {
  readonly speedId: string;
  readonly label: string;
  readonly nominalRpm: number | null;
  /** Last reading before the first work on the unit. */
  readonly asFound: SpeedReading | null;
  /** Last reading after the last work. */
  readonly asLeft: SpeedReading | null;
  /** The newest reading of all. */
  readonly latest: SpeedReading | null;
}

/** A reading with the place it was given, at once or later. */
export interface PlacedReading {
  readonly key: string;
  readonly at: string;
  readonly place: string | null;
  readonly reading: ReadingBody;
}

/** The state of a job, computed from its log. */
export interface JobState {
  readonly speeds: readonly SpeedPair[];
  readonly power: PowerState;
  readonly powerSince: string | null;
  /** Since when the power has been on without a break; null while it is off. */
  readonly onSince: string | null;
  readonly chargeProved: boolean;
  /** Over the touch limit when last measured. */
  readonly charge: ChargeLeft | null;
  /** What the log contradicts about the power, until it is answered. */
  readonly doubt: PowerDoubt | null;
  readonly safeLines: readonly UnitSafeLine[];
  readonly ledger: Ledger;
  readonly findings: readonly Finding[];
  readonly gates: readonly GatePass[];
  /** Work since a gate last asked whether the supply is short, and was told. */
  readonly untested: readonly WorkBody[];
  readonly timers: readonly JobTimer[];
  readonly photos: readonly JobPhoto[];
  readonly starts: readonly StartLine[];
  readonly work: readonly { readonly key: string; readonly at: string; readonly work: WorkBody }[];
  readonly readings: readonly PlacedReading[];
  /** Readings beside what was reckoned for their place before, by the reading's key. */
  readonly judged: ReadonlyMap<string, Judged>;
  /** What was last agreed with the owner. */
  readonly terms: TermsBody | null;
  /** The mend that was last chosen and is not done yet. */
  readonly decision:
    | (DecisionBody & {
        readonly key: string;
        readonly at: string;
        /** Steps done. */
        readonly steps: readonly { readonly repairId: string; readonly stepId: string }[];
        /** Of several chosen together, those that are done. */
        readonly mended: readonly string[];
      })
    | null;
  /** What parts cost when it was last asked, by the mend's id. */
  readonly quotes: ReadonlyMap<string, QuoteBody>;
  /** The mend that was done last, while nothing was chosen or handed back after it. */
  readonly lastMended: (MendedBody & { readonly key: string; readonly at: string }) | null;
  /** Readings with the pitch control where it was said to be, the newest of each speed and position, since the last work. */
  readonly pitched: readonly (SpeedReading & { readonly position: PitchPosition })[];
  /** The last course of setting trims. */
  readonly coach: JobCoach | null;
  /** What has to be shown before it goes back, and how it stands. */
  readonly proving: ProvingPlan;
  /** Electrical safety that failed and was not read better since: no mains. */
  readonly unsafe: readonly string[];
  readonly coasts: readonly JobCoast[];
  /** Stamps of the capture key that wait for their value. */
  readonly holds: readonly { readonly key: string; readonly at: string; readonly prompt: string }[];
  readonly struck: ReadonlySet<string>;
  /** What was chosen for the owner's sheet. */
  readonly sheet: SheetBody | null;
  readonly followUps: readonly FollowUp[];
  /** The job this unit was here for before. */
  readonly returned: ReturnBody | null;
  readonly handedBackAt: string | null;
  readonly lastAt: string | null;
}

/** Computes the state of `job` from all its lines, in any order. */
export function jobState(job: JobFacts, events: readonly BenchEvent[], lost: readonly LostLine[] = []): JobState {
  const lines = standing(events);
  const power = powerFrom(job, lines, lost);
  const ledger = ledgerOf(lines);
  const readings = placedReadings(lines);
  const handed = lines.findLast((line) => line.body.kind === 'hand-back');
  return {
    speeds: speedPairs(job, lines),
    power: power.state,
    powerSince: power.since,
    onSince: isLive(power.state) ? onSinceOf(lines) : null,
    chargeProved: power.chargeProved,
    charge: power.charge,
    doubt: power.doubt,
    safeLines: safeLinesOf(job, lines, power),
    ledger,
    findings: findingsOf(ledger),
    gates: gatePasses(lines),
    untested: untestedWork(lines),
    timers: timersOf(lines).map((timer) => endedByReading(timer, power.chargeProved)),
    photos: photosOf(lines),
    starts: startLog(job, lines),
    work: linesOf(lines, 'work').map(({ key, enteredAt: at, body: work }) => ({ key, at, work })),
    readings,
    judged: judgedReadings(lines, new Map(readings.map(({ key, place }) => [key, place]))),
    terms: linesOf(lines, 'terms').at(-1)?.body ?? null,
    decision: openDecision(lines),
    quotes: new Map(linesOf(lines, 'quote').map(({ body }) => [body.optionId, body])),
    lastMended: mendedLast(lines),
    pitched: pitchedReadings(job, lines),
    coach: coachOf(lines),
    proving: provingPlan(job, lines),
    unsafe: failedBefore(lines),
    coasts: coastsOf(lines),
    holds: openHolds(lines),
    struck: struckKeys(events),
    sheet: linesOf(lines, 'sheet').at(-1)?.body ?? null,
    followUps: openFollowUps(lines),
    returned: linesOf(lines, 'return').at(-1)?.body ?? null,
    handedBackAt: handed?.enteredAt ?? null,
    lastAt: lines[lines.length - 1]?.enteredAt ?? null,
  };
}

/** The first line that said it was on, of the last that did. */
function onSinceOf(lines: readonly BenchEvent[]): string | null {
  let since: string | null = null;
  for (const { body, enteredAt } of linesOf(lines, 'power')) since = isLive(body.state) ? (since ?? enteredAt) : null;
  return since;
}

/** A wait for a charge to go is ended by the reading that says it is gone, never by the clock. */
const endedByReading = (timer: JobTimer, chargeProved: boolean): JobTimer =>
  timer.timer === 'discharge' && timer.end === null && chargeProved ? { ...timer, end: 'answered' } : timer;

function speedPairs(job: JobFacts, lines: readonly BenchEvent[]): SpeedPair[] {
  const limits = jobTolerance(job);
  const firstWork = lines.findIndex((line) => line.body.kind === 'work');
  const lastWork = lines.findLastIndex((line) => line.body.kind === 'work');
  const measured: { line: BenchEvent; body: SpeedBody; index: number }[] = [];
  const provoked = provokedKeys(lines);
  lines.forEach((line, index) => {
    if (line.body.kind === 'speed' && atPitchRest(line.body) && !provoked.has(line.key))
      measured.push({ line, body: line.body, index });
  });
  return jobSpeeds(job).map((speed) => {
    const readings = measured.flatMap(({ line, body, index }) =>
      body.speedId === speed.id ? [{ index, reading: speedReading(line, body, limits) }] : [],
    );
    const before = readings.filter((one) => firstWork < 0 || one.index < firstWork);
    const after = readings.filter((one) => lastWork >= 0 && one.index > lastWork);
    return {
      speedId: speed.id,
      label: speed.label,
      nominalRpm: speed.nominalRpm,
      asFound: before[before.length - 1]?.reading ?? null,
      asLeft: after[after.length - 1]?.reading ?? null,
      latest: readings[readings.length - 1]?.reading ?? null,
    };
  });
}

function pitchedReadings(job: JobFacts, lines: readonly BenchEvent[]): JobState['pitched'] {
  const lastWork = lines.findLastIndex((line) => line.body.kind === 'work');
  const newest = new Map<string, JobState['pitched'][number]>();
  for (const line of lines.slice(lastWork + 1)) {
    if (line.body.kind !== 'speed' || line.body.pitch === undefined) continue;
    const position = line.body.pitch;
    newest.set(`${line.body.speedId} ${position}`, { ...speedReading(line, line.body, jobTolerance(job)), position });
  }
  return [...newest.values()];
}

function speedReading(line: BenchEvent, speed: SpeedBody, limits: ReturnType<typeof jobTolerance>): SpeedReading {
  const verdict: Verdict =
    speed.errorPercent === null
      ? {
          kind: 'undecided',
          decide: speed.turned ? say`No nominal speed: compare as found with as left.` : say`It did not turn.`,
        }
      : withReference(judge(speed.errorPercent, speed.expandedPercent, limits), speed);
  return { key: line.key, at: line.enteredAt, speed, verdict };
}

/** Nothing is proved right against a reference of unknown error; a gross error stays one. */
function withReference(verdict: Verdict, speed: SpeedBody): Verdict {
  if (verdict.kind !== 'right' || speed.referenceIncluded) return verdict;
  return {
    kind: 'undecided',
    decide: say`The tolerance of the test tape or record is not known: choose the source it came from.`,
  };
}

function placedReadings(lines: readonly BenchEvent[]): PlacedReading[] {
  const places = new Map(linesOf(lines, 'place').map(({ body }) => [body.target, body.place]));
  return linesOf(lines, 'reading').map(({ key, enteredAt: at, body: reading }) => ({
    key,
    at,
    place: reading.place ?? places.get(key) ?? null,
    reading,
  }));
}

function openHolds(lines: readonly BenchEvent[]) {
  const answered = new Set(linesOf(lines, 'reading').map(({ body }) => body.holdKey));
  return linesOf(lines, 'hold')
    .filter(({ key }) => !answered.has(key))
    .map(({ key, enteredAt: at, body: { prompt } }) => ({ key, at, prompt }));
}

/** The mends that a decision chose: one, or several done together. */
export const decisionIds = ({ optionId, also = [] }: Pick<DecisionBody, 'optionId' | 'also'>): string[] => [
  optionId,
  ...also,
];

/** What was mended last; null once something was chosen, dropped or handed back after it. */
function mendedLast(lines: readonly BenchEvent[]): JobState['lastMended'] {
  const last = linesOf(lines, 'mended').at(-1);
  if (!last) return null;
  const at = lines.findIndex(({ key }) => key === last.key);
  const later = lines.slice(at + 1).some(({ body }) => body.kind === 'decision' || body.kind === 'hand-back');
  return later ? null : { ...last.body, key: last.key, at: last.enteredAt };
}

/** A decision is done when its mends are in the log after it, or another one was made. */
function openDecision(lines: readonly BenchEvent[]): JobState['decision'] {
  const last = linesOf(lines, 'decision').at(-1);
  if (!last) return null;
  const after = lines.slice(lines.findIndex(({ key }) => key === last.key) + 1);
  const ids = decisionIds(last.body);
  const mended = ids.filter((id) => linesOf(after, 'mended').some(({ body }) => body.repairId === id));
  const dropped = linesOf(after, 'decision-dropped').some(({ body }) => body.optionId === last.body.optionId);
  if (dropped || mended.length === ids.length) return null;
  const steps = linesOf(after, 'mend-step').flatMap(({ body: { repairId, stepId } }) =>
    ids.includes(repairId) ? [{ repairId, stepId }] : [],
  );
  return { ...last.body, key: last.key, at: last.enteredAt, steps, mended };
}
