/** What a job still needs, as blocks of hands and waits (minutes: common practice of the trade, no source). */
import { familyOf, mendOf, PATHS, provingOf } from '../../families/index.js';
import { stepsOff } from '../ledger/index.js';
import type { JobFacts } from '../job.js';
import { isOwed } from '../prove/index.js';
import type { JobState } from '../state.js';
import { holdsHands } from '../timers/index.js';
import type { Block, Shared } from './schedule.js';
import { say } from '../../words/index.js';
import { MINUTES } from '../defaults.js';

/** The chain of a job with what holds it up. */
export interface JobChain {
  readonly blocks: readonly Block[];
  /** A timer runs that keeps hands off until then, ISO 8601; null for none. */
  readonly busyUntil: string | null;
  readonly busyWhy: string | null;
  /** A day as YYYY-MM-DD; null when nobody said. */
  readonly dueOn: string | null;
}

/** Of a job that nothing is known of. */
export const NO_CHAIN: JobChain = { blocks: [], busyUntil: null, busyWhy: null, dueOn: null };

/** Blocks that are left, in order. */
export function chainOf(job: JobFacts, state: JobState): JobChain {
  if (state.handedBackAt !== null) return NO_CHAIN;
  const running = state.timers.find((timer) => timer.end === null && holdsHands(timer));
  return {
    blocks: blocksOf(job, state),
    busyUntil: running?.dueAt ?? null,
    busyWhy: running?.label ?? null,
    dueOn: state.terms?.wantedBy ?? null,
  };
}

function blocksOf(job: JobFacts, state: JobState): Block[] {
  const family = familyOf(job.familyId);
  // Motors that are brought up slowly take the variable transformer as well.
  const slowly: readonly Shared[] = family.startTorque === null ? [] : ['variac'];
  const live: readonly Shared[] = job.powerKind === 'mains' ? ['isolator', ...slowly] : [];
  const tape: readonly Shared[] = family.testTone === 'tape' ? ['tape'] : [];
  const out: Block[] = [];
  const add = (id: string, words: string, handsMin: number, needs: readonly Shared[], wait: Partial<Block> = {}) =>
    out.push({ id, words, handsMin, waitMin: 0, needs, keeps: [], ...wait });
  const worked = state.work.length > 0;
  const opened = state.ledger.steps.length > 0;
  if (!worked) {
    if (state.speeds.some((speed) => speed.asFound === null)) add('take-in', say`Take in`, MINUTES.takeIn, tape);
    if (!opened) add('open-up', say`Make safe, open up`, MINUTES.safe + MINUTES.open, ['place']);
    if (state.decision === null) add('find', say`Find`, MINUTES.find, ['place', ...live]);
    add('mend', state.decision?.name ?? 'Mend', state.decision?.minutes ?? MINUTES.mend, ['place'], {
      waitMin: waitOf(job, state),
    });
  }
  if (!worked || stepsOff(state.ledger).length > 0) add('close', say`Put it back together`, MINUTES.close, ['place']);
  // A tape deck's speed is set by the tone of its tape, not by its turns.
  const nominal = state.speeds.some((speed) => family.testTone === 'tape' || speed.nominalRpm !== null);
  if (nominal && (!worked || state.speeds.some((speed) => speed.asLeft?.verdict.kind !== 'right')))
    add('set-speed', say`Set speed`, MINUTES.set, ['place', ...live, ...tape]);
  proofBlocks(job, state, add, live);
  add('hand-back', say`Hand back`, MINUTES.back, []);
  return out;
}

type Add = (id: string, words: string, handsMin: number, needs: readonly Shared[], wait?: Partial<Block>) => void;

function proofBlocks(job: JobFacts, state: JobState, add: Add, live: readonly Shared[]): void {
  const { proving } = state;
  const owed = proving.checks.filter(isOwed);
  const before = state.work.length === 0;
  if (before || owed.some(({ bound }) => bound.kind !== 'soak'))
    add('prove', say`Prove`, before ? MINUTES.prove : Math.max(5, 3 * owed.length), ['place', ...live]);
  if (before || owed.some(({ bound }) => bound.kind === 'soak')) {
    const keeps: readonly Shared[] = ['place'];
    add('soak', say`Soak`, MINUTES.soak, ['place'], { waitMin: provingOf(job.familyId).soakMin, keeps });
    add('look', say`Look after the soak`, MINUTES.last, ['place']);
  }
}

/** What the chosen mend waits for: cement, drying. */
const waitOf = (job: JobFacts, state: JobState): number =>
  mendOf(PATHS.get(job.familyId), state.decision?.optionId ?? '')?.waitMin ?? 0;
