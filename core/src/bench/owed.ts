/** What each stage still owes, and what the job wants next. Computed, never typed. */
import { isLive, STAGES, type StageId } from './event.js';
import type { JobFacts } from './job.js';
import { endWords, openEnds, stepsOff } from './ledger/index.js';
import { owedChecks } from './prove/index.js';
import type { JobState, SpeedPair } from './state.js';
import { holdsHands, isDue, isRunning, TIMER_WORDS, type JobTimer } from './timers/index.js';
import { said, say } from '../words/index.js';

/** What is owed where the order of hands depends on it; all else is `work`. */
export type OwedKind = 'say-power' | 'bleed' | 'held-value' | 'work';

/** Something a stage still owes. */
export interface Owed {
  readonly stage: StageId;
  readonly kind: OwedKind;
  readonly text: string;
  /** What may only be done on a dead unit is never shown as next while it is live. */
  readonly needs: 'dead' | 'any';
}

/** The one thing a job wants next. */
export interface NextWish {
  readonly stage: StageId;
  readonly text: string;
  /** hands: somebody must act; waits: a timer runs by itself; back: ready for its owner; done: handed back. */
  readonly kind: 'hands' | 'waits' | 'back' | 'done';
  /** When the waiting is over, ISO 8601; null unless it waits. */
  readonly until: string | null;
}

type Owe = (stage: StageId, text: string, more?: Partial<Pick<Owed, 'needs' | 'kind'>>) => void;

/** Everything owed, in stage order. Several may stand for one stage. */
export function owedItems(job: JobFacts, state: JobState): Owed[] {
  const out: Owed[] = [];
  const worked = state.work.length > 0;
  const owe: Owe = (stage, text, more) => out.push({ stage, text, kind: 'work', needs: 'any', ...more });
  if (state.doubt) owe('make-safe', say`Say whether it is on: ${state.doubt.what}`, { kind: 'say-power' });
  if (state.charge) owe('make-safe', say`Bleed the charge: ${Math.round(state.charge.volts)} V`, { kind: 'bleed' });
  if (job.complaint.trim() === '') owe('take-in', say`Write down what the owner says`);
  for (const speed of state.speeds) {
    if (!speed.asFound && !worked) owe('take-in', say`Measure as found, ${speed.label}`);
  }
  if (!state.chargeProved && state.charge === null && !isLive(state.power) && (worked || state.powerSince !== null))
    owe('make-safe', say`Prove the charge gone`);
  owedLedger(state, owe);
  for (const hold of state.holds) owe('find', say`Type the value held: ${hold.prompt}`, { kind: 'held-value' });
  const homeless = state.readings.filter((reading) => reading.place === null).length;
  if (homeless > 0) owe('find', homeless === 1 ? say`Place one reading` : say`Place ${homeless} readings`);
  for (const { move } of state.ledger.moves) owe('mend', say`Finish: ${move.name}`);
  if (!worked && foundWrong(state)) owe('mend', say`Nothing done yet`);
  if (worked) owedProofs(state, owe);
  if (isLive(state.power) && worked && out.length === 0) owe('hand-back', say`Unplug before it goes back`);
  if (out.length === 0 && !state.handedBackAt) owe('hand-back', say`Hand back with its sheet`);
  return out.sort((a, b) => STAGES.indexOf(a.stage) - STAGES.indexOf(b.stage));
}

/** Once the work is done the unit goes together again; until then what is off is only counted. */
function owedLedger(state: JobState, owe: Owe): void {
  const { ledger } = state;
  for (const { end } of openEnds(ledger)) owe('open-up', say`Close: ${endWords(end)}`, { needs: 'dead' });
  const off = stepsOff(ledger);
  if (off.length > 0)
    owe('open-up', off.length === 1 ? say`Put 1 step back` : say`Put ${off.length} steps back`, { needs: 'dead' });
  for (const finding of state.findings) if (finding.explained === null) owe('open-up', finding.text, { needs: 'dead' });
}

/** Speeds that are not right are set; the plan says what else has to be shown, one check by name and how many more. */
function owedProofs(state: JobState, owe: Owe): void {
  const told = new Set<string>();
  for (const speed of state.speeds) {
    const words = owedSpeed(speed);
    if (!words) continue;
    told.add(`speed.${speed.speedId}`);
    owe(words.stage, words.text);
  }
  const checks = owedChecks(state.proving).filter(({ id }) => !told.has(id));
  const [first] = checks;
  const more = checks.length > 1 ? say`, and ${checks.length - 1} more` : '';
  if (first) owe('prove', say`Prove: ${first.name}${more}`);
}

function owedSpeed({ label, nominalRpm, asLeft }: SpeedPair): { stage: StageId; text: string } | null {
  if (!asLeft) return { stage: 'prove', text: say`Measure as left, ${label}` };
  const { verdict } = asLeft;
  if (nominalRpm === null && asLeft.speed.errorPercent === null) return null;
  if (verdict.kind === 'not-right') return { stage: 'set-speed', text: say`Trim ${label}: ${said(verdict.side)}` };
  return verdict.kind === 'undecided' ? { stage: 'prove', text: say`Decide ${label}: ${verdict.decide}` } : null;
}

const foundWrong = (state: JobState): boolean =>
  state.speeds.some((speed: SpeedPair) => speed.asFound !== null && speed.asFound.verdict.kind !== 'right');

/** The one thing this job wants next at `now`. */
export function nextWish(job: JobFacts, state: JobState, now: Date): NextWish {
  const wish = (stage: StageId, text: string, kind: NextWish['kind'], until: string | null = null): NextWish => ({
    stage,
    text,
    kind,
    until,
  });
  if (state.handedBackAt) return wish('hand-back', say`Handed back`, 'done');
  const due = dueWish(
    state.timers.filter(({ end }) => end === null),
    now,
  );
  if (due) return due;
  const running = state.timers.find((timer) => isRunning(timer, now) && holdsHands(timer));
  if (running) return wish(timerStage(running.timer), running.label, 'waits', running.dueAt);
  const first = firstByHand(owedItems(job, state), state);
  if (!first) return wish('hand-back', say`Hand back with its sheet`, 'back');
  const stage = first.stage;
  if (first.needs === 'dead' && isLive(state.power))
    return wish('make-safe', say`Unplug, then: ${first.text}`, 'hands');
  return wish(stage, first.text, stage === 'hand-back' ? 'back' : 'hands');
}

/** The first of the open timers that has run out, as a wish; null while none has. */
export function dueWish(timers: readonly Omit<JobTimer, 'end'>[], now: Date): NextWish | null {
  const due = timers.find((timer) => isDue({ ...timer, end: null }, now));
  if (!due) return null;
  const { timer } = due;
  const text = dueWords({ timer, label: due.label || TIMER_WORDS[timer] });
  return { stage: timerStage(timer), text, kind: 'hands', until: null };
}

const OF_PROVING: ReadonlySet<string> = new Set(['soak', 'warm-up', 'look-in']);

const timerStage = (timer: string): StageId =>
  timer === 'discharge' ? 'make-safe' : OF_PROVING.has(timer) ? 'prove' : 'mend';

function dueWords({ timer, label }: { readonly timer: string; readonly label: string }): string {
  if (timer === 'discharge') return say`Wait over: measure what is left`;
  if (timer === 'parts') return say`The parts should be here: ${label}`;
  return timer === 'look-in' ? say`Look in: does it still run well?` : say`${label} done: look at it`;
}

/**
 * A held value is typed before anything else: it is forgotten first. What is off goes back only after
 * the work: before that the mend comes first.
 */
function firstByHand(owed: readonly Owed[], state: JobState): Owed | null {
  const danger = owed.find(({ kind }) => kind === 'say-power' || kind === 'bleed');
  if (danger) return danger;
  const held = owed.find(({ kind }) => kind === 'held-value');
  if (held) return held;
  const worked = state.work.length > 0;
  return owed.find((item) => worked || item.stage !== 'open-up') ?? owed[0] ?? null;
}
