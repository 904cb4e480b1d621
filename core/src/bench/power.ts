/**
 * The power state: what was said of it, corrected by what was measured since. Where the log contradicts
 * what was said, the dangerous one holds until somebody answers.
 */
import { fixed } from '../quantity/index.js';
import { CHARGE_PLACE, chargePlaces, chargeVolts, nextCharge, TOUCH_LIMIT_V, type ChargeLeft } from './charge.js';
import type { BenchEvent, PowerState } from './event.js';
import { enteredMs, inReceipt, isLive, linesOf, POWER_WORDS } from './event.js';
import type { JobFacts } from './job.js';
import { poweredBy } from './needsPower.js';
import { holdsCharge } from './safety/stores.js';
import { say } from '../words/index.js';
import { SAME_MOMENT_MS } from './defaults.js';

export { CHARGE_PLACE, TOUCH_LIMIT_V };

/** A line that cannot be while the unit is as it was said to be. */
export interface PowerDoubt {
  readonly key: string;
  readonly at: string;
  /** "33 was measured turning". */
  readonly what: string;
  /** What was said of it before. */
  readonly said: PowerState;
}

/** The state of the power as the log tells it, with what contradicts it. */
export interface PowerNow {
  /** What is acted on: with a doubt open the live one. */
  readonly state: PowerState;
  readonly since: string | null;
  /** When it was said to be unplugged, or the pack out, last; null before, and while it is live. */
  readonly unpluggedAt: string | null;
  /** A reading since it was last live says that the charge is gone, or nothing in it holds one. */
  readonly chargeProved: boolean;
  /** Measured and over the limit; null when none was, or it is gone. */
  readonly charge: ChargeLeft | null;
  readonly doubt: PowerDoubt | null;
}

/** Without a reading a unit that can hold charge is never called discharged, whatever was said. */
export function powerFrom(job: JobFacts, lines: readonly BenchEvent[], lost: readonly LostLine[] = []): PowerNow {
  let now = startNow(job);
  follow(job, lines, (_, then) => (now = then));
  const said = Math.max(-1, ...linesOf(lines, 'power').map(({ position }) => position ?? Infinity));
  const unknown = lost.find(({ kind, position }) => kind === 'power' && position > said);
  if (!unknown || isLive(now.state)) return now;
  const what = say`a line about its power cannot be read`;
  const doubt: PowerDoubt = { key: '', at: unknown.receivedAt, what, said: now.state };
  return { ...now, doubt, state: job.powerKind === 'pack' ? 'pack-in' : 'live-direct' };
}

/** A line of the log that cannot be read: only where it stands and what kind it was said to be. */
export interface LostLine {
  readonly position: number;
  readonly kind: string;
  readonly receivedAt: string;
}

/**
 * The power state after each line, in the order the server received them: no device's clock decides
 * what is live. A line that comes late, entered before another device's line that is known already,
 * can only make the state more dangerous, never less.
 */
export function powerSteps(job: JobFacts, lines: readonly BenchEvent[]): PowerStep[] {
  const steps: PowerStep[] = [];
  follow(job, lines, (line, now) => steps.push({ line, now }));
  return steps;
}

function follow(job: JobFacts, lines: readonly BenchEvent[], tell: (line: BenchEvent, now: PowerNow) => void): void {
  const places = chargePlaces(job);
  const placed = placesGiven(lines);
  let now = startNow(job);
  const newest = new Map<string, number>();
  for (const line of inReceipt(lines)) {
    const next = after(job, now, line, places, placed);
    if (next !== now && (!isLate(line, newest) || danger(next) >= danger(now))) now = next;
    const at = enteredMs(line);
    if (at > (newest.get(line.device) ?? -Infinity)) newest.set(line.device, at);
    tell(line, now);
  }
}

/** A line and the power state after it. */
export interface PowerStep {
  readonly line: BenchEvent;
  readonly now: PowerNow;
}

/** Entered before something that another device said and that was received before it. */
function isLate(line: BenchEvent, newest: ReadonlyMap<string, number>): boolean {
  const at = enteredMs(line) + SAME_MOMENT_MS;
  for (const [other, seen] of newest) if (other !== line.device && seen > at) return true;
  return false;
}

/** 0 dead and proved, 1 may hold charge, 2 live. */
const danger = (now: PowerNow): number => (isLive(now.state) ? 2 : now.chargeProved ? 0 : 1);

const startNow = (job: JobFacts): PowerNow => {
  const stores = holdsCharge(job);
  return {
    state: startState(job, stores),
    since: null,
    unpluggedAt: null,
    chargeProved: !stores,
    charge: null,
    doubt: null,
  };
};

function placesGiven(lines: readonly BenchEvent[]): ReadonlyMap<string, string> {
  return new Map(linesOf(lines, 'place').map(({ body }) => [body.target, body.place]));
}

function after(
  job: JobFacts,
  now: PowerNow,
  { key, body, enteredAt }: BenchEvent,
  places: ReadonlySet<string>,
  placed: ReadonlyMap<string, string>,
): PowerNow {
  if (body.kind === 'power') return said(job, now, body, enteredAt);
  if (body.kind === 'hand-back') return { ...now, doubt: null, state: now.doubt?.said ?? now.state };
  const place = body.kind === 'reading' ? (body.place ?? placed.get(key) ?? null) : null;
  const left = chargeVolts(body, place, places);
  if (left !== null) return isLive(now.state) && now.doubt === null ? now : charged(now, key, left, enteredAt);
  const what = isLive(now.state) ? null : poweredBy(job, body, place);
  if (what === null) return now;
  const doubt: PowerDoubt = { key, at: enteredAt, what, said: now.state };
  return { ...now, doubt, state: job.powerKind === 'pack' ? 'pack-in' : 'live-direct' };
}

function said(
  job: JobFacts,
  now: PowerNow,
  body: Extract<BenchEvent['body'], { kind: 'power' }>,
  at: string,
): PowerNow {
  const stores = holdsCharge(job);
  // It was on, unless a doubt is answered with "turned by hand".
  const wasOn = isLive(body.state) || (now.doubt !== null && body.wasOn !== false);
  const chargeProved = wasOn ? !stores : now.chargeProved;
  const charge = wasOn ? null : now.charge;
  const state = unplugged(body.state) ? unpluggedState(chargeProved) : body.state;
  return { state, since: at, unpluggedAt: isLive(state) ? null : at, chargeProved, charge, doubt: null };
}

function charged(
  now: PowerNow,
  key: string,
  { volts, atLeast }: { readonly volts: number; readonly atLeast: boolean },
  at: string,
): PowerNow {
  // A capacitor is read while the plug is out: it settles nothing about a doubt whether the plug is in.
  if (now.doubt !== null) return now;
  const proved = volts < TOUCH_LIMIT_V && !atLeast;
  const charge = proved ? null : volts < TOUCH_LIMIT_V ? now.charge : nextCharge(now.charge, key, volts, at);
  const since = proved !== now.chargeProved && unplugged(now.state) ? at : now.since;
  const state = unplugged(now.state) ? unpluggedState(proved) : now.state;
  return { ...now, state, since, chargeProved: proved, charge };
}

const unplugged = (state: PowerState): boolean => state === 'unplugged-discharged' || state === 'unplugged-unknown';
const unpluggedState = (proved: boolean): PowerState => (proved ? 'unplugged-discharged' : 'unplugged-unknown');

/** Until something is said a unit may hold charge, or its pack may be in. */
function startState(job: JobFacts, stores: boolean): PowerState {
  return job.powerKind === 'pack' ? 'pack-in' : unpluggedState(!stores);
}

type Told = Pick<PowerNow, 'state' | 'chargeProved' | 'charge' | 'doubt'>;

/** "Unplugged, charge 311 V", "Pack out, charge unknown", "Is it on? Said unplugged". One wording, in the bar and in the log. */
export function powerNowWords(now: Told, job: Pick<JobFacts, 'familyId' | 'powerKind' | 'ratedVolts'>): string {
  if (now.doubt) return say`Is it on? Said ${now.doubt.said === 'pack-out' ? say`pack out` : say`unplugged`}`;
  if (isLive(now.state)) return POWER_WORDS[now.state];
  const out = now.state === 'pack-out' ? say`Pack out` : say`Unplugged`;
  if (!holdsCharge(job)) return now.state === 'pack-out' ? out : say`${out}, no stored charge`;
  if (now.charge)
    return say`${out}, charge ${fixed(now.charge.volts, now.charge.volts < 100 ? 1 : 0).replace('.0', '')} V`;
  return now.chargeProved ? say`${out}, discharged` : say`${out}, charge unknown`;
}

/** The state in words where only the state is known (a list): one that stores nothing worth fearing says so. */
export function powerWords(state: PowerState, job: Pick<JobFacts, 'familyId' | 'powerKind' | 'ratedVolts'>): string {
  if (unplugged(state) && !holdsCharge(job)) return say`Unplugged, no stored charge`;
  return POWER_WORDS[state];
}

/** The words of each power line, as the bar said them once it was kept. */
export function powerLineWords(job: JobFacts, lines: readonly BenchEvent[]): ReadonlyMap<string, string> {
  return new Map(
    powerSteps(job, lines).flatMap(({ line, now }) =>
      line.body.kind === 'power' ? [[line.key, powerNowWords(now, job)] as const] : [],
    ),
  );
}

/** Neither live nor charged: only then is anything taken off, mended or measured dead. */
export const isDead = (unit: { readonly power: PowerState; readonly chargeProved: boolean }): boolean =>
  !isLive(unit.power) && unit.chargeProved;
