/** What can stand in the bench log. The log is append-only: a line is struck out, never changed. */
import type { CoachBody } from './coach/body.js';
import type { MendBody } from './mend/body.js';
import type { Bound, Qualifier } from '../quantity/index.js';
import type { FindBody } from './find/body.js';
import type { GateBody } from './gate/body.js';
import type { HandBackLaterBody } from './handback/body.js';
import type { PracticeBody } from './practice.js';
import type { LedgerBody } from './ledger/body.js';
import type { MarksBody, PhotoBody } from './photos/body.js';
import type { PitchPosition } from './pitch.js';
import type { ProveBody } from './prove/body.js';
import type { SafetyBody } from './safety/body.js';
import type { WorkBody } from './work.js';
import type { TimerBody, TimerEndBody } from './timers/body.js';
import { say } from '../words/index.js';

/** The eight stages, in the order people do them. */
export const STAGES = ['take-in', 'make-safe', 'open-up', 'find', 'mend', 'set-speed', 'prove', 'hand-back'] as const;
/** Names of the stages. */
export type StageId = (typeof STAGES)[number];

/** Their words on the screen. */
export const STAGE_NAMES: Readonly<Record<StageId, string>> = {
  'take-in': say`Take in`,
  'make-safe': say`Make safe`,
  'open-up': say`Open up`,
  find: say`Find`,
  mend: say`Mend`,
  'set-speed': say`Set speed`,
  prove: say`Prove`,
  'hand-back': say`Hand back`,
};

/** States of the power: four of the mains, two of a pack. */
export const POWER_STATES = [
  'unplugged-discharged',
  'unplugged-unknown',
  'live-isolated',
  'live-direct',
  'pack-out',
  'pack-in',
] as const;
/** Names of the states. */
export type PowerState = (typeof POWER_STATES)[number];

/** Their words, always beside their shape. */
export const POWER_WORDS: Readonly<Record<PowerState, string>> = {
  'unplugged-discharged': say`Unplugged, discharged`,
  'unplugged-unknown': say`Unplugged, charge unknown`,
  'live-isolated': say`Live through isolation`,
  'live-direct': say`Live direct`,
  'pack-out': say`Pack out`,
  'pack-in': say`Pack in`,
};

/** True when parts may be live or turning. */
export const isLive = (state: PowerState): boolean =>
  state === 'live-isolated' || state === 'live-direct' || state === 'pack-in';

export { WORK_ACTIONS, WORK_WORDS, type WorkAction, type WorkBody } from './work.js';

/** A reading: values in `unit`, as it was typed in `text`. */
export interface ReadingBody {
  readonly kind: 'reading';
  readonly text: string;
  readonly values: readonly number[];
  readonly unit: string | null;
  readonly qualifier: Qualifier | null;
  readonly bound: Bound;
  readonly place: string | null;
  readonly speedId: string | null;
  readonly condition: 'cold' | 'warm' | null;
  /** The stamp this value was typed onto. */
  readonly holdKey: string | null;
  /** The instrument that gave it over the line; absent for one that was typed. */
  readonly instrument?: string | undefined;
}

/** Words that mean nothing to the reckoning. */
export interface NoteBody {
  readonly kind: 'note';
  readonly text: string;
}

/** How a speed was measured. */
export const SPEED_METHODS = [
  'tone-recording',
  'tone-live',
  'pulses',
  'gyro',
  'sound',
  'counter',
  'strobe',
  'stopwatch',
  'typed',
  'looked',
] as const;
/** Names of the ways to a speed. */
export type SpeedMethod = (typeof SPEED_METHODS)[number];

/** A speed: error, uncertainty (k = 2) and wow in percent, speed in rpm. */
export interface SpeedBody {
  readonly kind: 'speed';
  readonly text: string;
  readonly speedId: string;
  readonly method: SpeedMethod;
  /** False: it did not turn; then no error is given. */
  readonly turned: boolean;
  readonly errorPercent: number | null;
  readonly expandedPercent: number | null;
  /** Of the expanded uncertainty: is the test tape or record included? */
  readonly referenceIncluded: boolean;
  readonly wowPeakPercent: number | null;
  readonly rpm: number | null;
  readonly sourceName: string | null;
  readonly runId: string | null;
  readonly condition: 'cold' | 'warm' | null;
  /** Where the pitch control stood; left out where nobody said. */
  readonly pitch?: PitchPosition | undefined;
  /** Under which it was taken: "record on, on for 12 min". */
  readonly conditions?: string | undefined;
}

/** The power was changed, or said to be so. */
export interface PowerBody {
  readonly kind: 'power';
  readonly state: PowerState;
  /** What was confirmed on going live, or what was asked and answered. */
  readonly conditions: readonly string[];
  /** An answer to the question whether it was on: false when it was turned by hand or read otherwise. */
  readonly wasOn?: boolean | undefined;
}

/** The capture key pressed with both hands busy: time and prompt, the value comes later. */
export interface HoldBody {
  readonly kind: 'hold';
  readonly prompt: string;
}

/** Gives a reading that had no place its place. */
export interface PlaceBody {
  readonly kind: 'place';
  readonly target: string;
  readonly place: string;
}

/** Another line does not count any more, and why; it stays visible. */
export interface StrikeBody {
  readonly kind: 'strike';
  readonly target: string;
  readonly reason: string;
}

/** A field of the job that was changed; the old value stays readable here. */
export interface FieldBody {
  readonly kind: 'field';
  readonly field: string;
  readonly from: string;
  readonly to: string;
}

/** The unit went back to its owner. */
export interface HandBackBody {
  readonly kind: 'hand-back';
  readonly leftUndone: string;
}

/** The body of a line, by its kind. */
export type EventBody =
  | ReadingBody
  | NoteBody
  | SpeedBody
  | WorkBody
  | PowerBody
  | HoldBody
  | PlaceBody
  | StrikeBody
  | FieldBody
  | HandBackBody
  | SafetyBody
  | LedgerBody
  | GateBody
  | TimerBody
  | TimerEndBody
  | PhotoBody
  | MarksBody
  | FindBody
  | MendBody
  | CoachBody
  | ProveBody
  | HandBackLaterBody
  | PracticeBody;

/** One line of the log. `key` is made by the client and names the line for good. */
export interface BenchEvent {
  readonly key: string;
  /** When it happened, ISO 8601, by the device's clock set to the server's. */
  readonly enteredAt: string;
  readonly device: string;
  /** Counts up on its device, so that lines of one second keep their order. */
  readonly sequence: number;
  readonly stage: StageId;
  readonly body: EventBody;
  /** Its place in the server's log, in order of receipt; absent while it waits to be kept. */
  readonly position?: number | undefined;
}

/** Keys of other lines that a line speaks of; they must stand in the same log. */
export function targetsOf(body: EventBody): string[] {
  switch (body.kind) {
    case 'strike':
    case 'place':
    case 'close':
    case 'refit':
    case 'timer-end':
    case 'follow-up-done':
    case 'marks':
      return [body.target];
    case 'step':
      return [...body.after];
    case 'move':
    case 'trial-phase':
      return present([body.began]);
    case 'photo':
      return present([body.about]);
    case 'open-end':
      return present([body.stepKey, body.moveKey]);
    case 'sheet':
      return [...body.photos, ...body.notes];
    case 'gate':
      return body.accepted.map((one) => one.key);
    default:
      return [];
  }
}

const present = (keys: readonly (string | null)[]): string[] => keys.filter((key) => key !== null);

/** A line whose body is of one kind. */
export type LineOf<K extends EventBody['kind']> = BenchEvent & { readonly body: Extract<EventBody, { kind: K }> };

const indexes = new WeakMap<readonly BenchEvent[], ReadonlyMap<string, readonly BenchEvent[]>>();

/** The lines of one kind, in their order. A list is gone through once, whatever is asked of it: it must not change. */
export function linesOf<K extends EventBody['kind']>(lines: readonly BenchEvent[], kind: K): readonly LineOf<K>[] {
  let index = indexes.get(lines);
  if (!index) {
    const made = new Map<string, BenchEvent[]>();
    for (const line of lines) {
      const own = made.get(line.body.kind);
      if (own) own.push(line);
      else made.set(line.body.kind, [line]);
    }
    indexes.set(lines, made);
    index = made;
  }
  return (index.get(kind) ?? []) as readonly LineOf<K>[];
}

const read = new WeakMap<BenchEvent, number>();

/** When a line was entered by its device's clock, ms since 1970. A line never changes: its words are read once, logs grow long. */
export function enteredMs(event: BenchEvent): number {
  const known = read.get(event);
  if (known !== undefined) return known;
  const at = Date.parse(event.enteredAt);
  read.set(event, at);
  return at;
}

/** Lines in the order they happened: by time, then by device and its own count. A copy. */
export function inOrder<T extends BenchEvent>(events: readonly T[]): T[] {
  const at = events.map(enteredMs);
  // Logs are in order nearly always: that is seen before anything is sorted.
  if (at.every((time, i) => i === 0 || (at[i - 1] as number) < time)) return [...events];
  const order = events.map((event, i) => ({ event, at: at[i] as number }));
  order.sort(
    (a, b) =>
      a.at - b.at ||
      (a.event.device === b.event.device
        ? a.event.sequence - b.event.sequence
        : a.event.device < b.event.device
          ? -1
          : 1),
  );
  return order.map(({ event }) => event);
}

/** Lines in the order the server received them, those that still wait behind them as they were entered. A copy. */
export function inReceipt<T extends BenchEvent>(events: readonly T[]): T[] {
  const place = (event: BenchEvent) => event.position ?? Infinity;
  if (events.every((event, i) => i === 0 || place(events[i - 1] as T) < place(event))) return [...events];
  return inOrder(events).sort((a, b) => (place(a) === place(b) ? 0 : place(a) - place(b)));
}

/** Keys of the lines that were struck out. */
export function struckKeys(events: readonly BenchEvent[]): ReadonlySet<string> {
  const struck = new Set<string>();
  for (const { body } of events) if (body.kind === 'strike') struck.add(body.target);
  return struck;
}

/** The lines that stand: in order, without struck lines and without the strokes themselves. */
export function standing<T extends BenchEvent>(events: readonly T[]): T[] {
  const struck = struckKeys(events);
  const ordered = inOrder(events);
  return struck.size === 0
    ? ordered
    : ordered.filter((event) => !struck.has(event.key) && event.body.kind !== 'strike');
}
