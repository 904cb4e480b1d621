/** The proving plan: which checks family, fault, mends and disturbed parts ask for, and how each stands. Computed, never ticked. */
import { mendOf, PATHS, type DrivePath } from '../../families/index.js';
import { linesOf, type BenchEvent, type EventBody } from '../event.js';
import { jobTolerance, type JobFacts } from '../job.js';
import { ledgerOf, stepsOff } from '../ledger/index.js';
import type { ClassBody } from './body.js';
import { CHECK_GROUPS, isOwed, type CheckStatus, type ProvingCheck } from './check.js';
import { disturbances, disturbanceWords, meets } from './disturb.js';
import { evidenceOf, type Evidence } from './evidence.js';
import { clipsOf, type JobClip } from './noise.js';
import { faultChecks } from './faultChecks.js';
import { functionChecks } from './functionChecks.js';
import { proveHistory } from './history.js';
import type { Standing, Wanted } from './standing.js';
import { trialsOf, type JobTrial } from './trial.js';
import { closedChecks, enduranceChecks, noiseChecks, safetyChecks, speedChecks } from './usualChecks.js';
import { say } from '../../words/index.js';
import { TRIAL_TOLERANCE_PART } from '../defaults.js';

/** The plan of a job. */
export interface ProvingPlan {
  readonly checks: readonly ProvingCheck[];
  readonly trials: readonly JobTrial[];
  readonly clips: readonly JobClip[];
  /** Its class of protection and the length of its cord, as last said. */
  readonly protection: ClassBody | null;
  /** The unit was worked on or opened: before that nothing is owed. */
  readonly begun: boolean;
  /** Everything owed is shown, nothing is bad, what is left out has its reason; a mains unit has its safety readings or a reason. */
  readonly proved: boolean;
}

/** Blocks that a mend has taken out of action for good. */
const goneOf = (path: DrivePath | null, lines: readonly BenchEvent[]): ReadonlySet<string> =>
  new Set(linesOf(lines, 'mended').flatMap(({ body }) => mendOf(path, body.repairId)?.gone ?? []));

/** The plan of a job by its standing lines, in order. */
export function provingPlan(job: JobFacts, lines: readonly BenchEvent[]): ProvingPlan {
  const path = PATHS.get(job.familyId) ?? null;
  const disturbed = disturbances(job, path, lines);
  const { lowerPercent, upperPercent } = jobTolerance(job);
  const trials = trialsOf(lines, TRIAL_TOLERANCE_PART * Math.min(-lowerPercent, upperPercent));
  const history = proveHistory(lines);
  const clips = clipsOf(lines);
  const protection = history.classes.at(-1)?.body ?? null;
  if (disturbed.length === 0) return { checks: [], trials, clips, protection, begun: false, proved: false };
  const worked = disturbed.find((one) => one.work) ?? null;
  const standing: Standing = {
    job,
    path,
    lines,
    disturbed,
    history,
    off: stepsOff(ledgerOf(lines)),
    trials,
    clips,
    worked,
    gone: goneOf(path, lines),
  };
  const wanted = [
    ...faultChecks(standing),
    ...speedChecks(standing),
    ...functionChecks(standing),
    ...noiseChecks(standing),
    ...enduranceChecks(standing),
    ...closedChecks(standing),
    ...safetyChecks(standing),
  ];
  const checks = wanted
    .map((one) => judged(one, standing))
    .sort((a, b) => CHECK_GROUPS.indexOf(a.group) - CHECK_GROUPS.indexOf(b.group));
  return { checks, trials, clips, protection, begun: true, proved: !checks.some(isOwed) };
}

/** What would be owed once this were done: the checks of the plan that a mend calls for, as if it stood in the log now. */
export function checksAfter(job: JobFacts, lines: readonly BenchEvent[], bodies: readonly EventBody[]): ProvingCheck[] {
  const sequence = (lines.at(-1)?.sequence ?? 0) + 1;
  const enteredAt = lines.at(-1)?.enteredAt ?? new Date(0).toISOString();
  const done = bodies.map((body, i): BenchEvent => ({
    key: `${i}`,
    enteredAt,
    device: '',
    sequence: sequence + i,
    stage: 'mend',
    body,
  }));
  return owedChecks(provingPlan(job, [...lines, ...done]));
}

/** Checks that still want hands, in order. */
export const owedChecks = (plan: ProvingPlan): ProvingCheck[] => plan.checks.filter(isOwed);

function judged(wanted: Wanted, standing: Standing): ProvingCheck {
  const { closing = false, always = false, reasonLapses = false, ...check } = wanted;
  const hits = standing.disturbed.filter((one) => meets(one.reach, wanted.blocks, closing));
  const last = hits.at(-1);
  const evidence = evidenceOf(wanted.bound, wanted.id, standing);
  const after = evidence.findLast((one) => one.index > (last?.index ?? -1));
  const tell = (status: CheckStatus, words: string, one: Pick<Evidence, 'key' | 'at'> | null): ProvingCheck => ({
    ...check,
    status,
    words,
    by: one?.key ?? null,
    at: one?.at ?? null,
  });
  const reason = standing.history.unproved.findLast(({ body }) => body.checkId === wanted.id);
  const reasonStands = reason && (!reasonLapses || reason.index > (last?.index ?? -1));
  if (reasonStands && reason.index > (after?.index ?? -1)) {
    // A reason takes nothing back that was seen: it stands beside it, and a failed safety reading stays failed.
    if (after?.status !== 'bad') return tell('waived', reason.body.why, reason);
    const words = `${after.words}; ${reason.body.why}`;
    return wanted.group === 'safety'
      ? tell('bad', words, after)
      : tell('waived', say`not as it should: ${words}`, reason);
  }
  if (after) return tell(after.status, after.words, after);
  if (hits.length === 0 && !always) return tell('untouched', say`nothing it rests on was disturbed`, null);
  const since = standing.worked?.index ?? -1;
  const undone = evidence.findLast((one) => one.index > since && one.status === 'met');
  // Before the work it was no proof of the mend: it is simply owed.
  if (undone && last)
    return tell('undone', say`${undone.words}; since then ${disturbanceWords(last, standing.lines)}`, {
      key: last.line.key,
      at: last.line.enteredAt,
    });
  return tell('owed', '', null);
}
