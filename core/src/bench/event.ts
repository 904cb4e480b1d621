/** What can stand in the bench log. The log is append-only: a line is struck out, never changed. */
import type { Bound, Qualifier } from '../quantity/index.js';
import type { FindBody } from './find/body.js';
import type { GateBody } from './gate/body.js';
import type { LedgerBody } from './ledger/body.js';
import type { MarksBody, PhotoBody } from './photos/body.js';
import type { SafetyBody } from './safety/body.js';
import type { TimerBody, TimerEndBody } from './timers/body.js';

/** The eight stages of a job, in the order people do them. */
export const STAGES = ['take-in', 'make-safe', 'open-up', 'find', 'mend', 'set-speed', 'prove', 'hand-back'] as const;
export type StageId = (typeof STAGES)[number];

export const STAGE_NAMES: Readonly<Record<StageId, string>> = {
  'take-in': 'Take in',
  'make-safe': 'Make safe',
  'open-up': 'Open up',
  find: 'Find',
  mend: 'Mend',
  'set-speed': 'Set speed',
  prove: 'Prove',
  'hand-back': 'Hand back',
};

/** Power states of mains units, then of pack units. */
export const POWER_STATES = [
  'unplugged-discharged',
  'unplugged-unknown',
  'live-isolated',
  'live-direct',
  'pack-out',
  'pack-in',
] as const;
export type PowerState = (typeof POWER_STATES)[number];

export const POWER_WORDS: Readonly<Record<PowerState, string>> = {
  'unplugged-discharged': 'Unplugged, discharged',
  'unplugged-unknown': 'Unplugged, charge unknown',
  'live-isolated': 'Live through isolation',
  'live-direct': 'Live direct',
  'pack-out': 'Pack out',
  'pack-in': 'Pack in',
};

/** True when parts may be live or turning. */
export const isLive = (state: PowerState): boolean =>
  state === 'live-isolated' || state === 'live-direct' || state === 'pack-in';

/** What may be done to a unit. `adjust` and all that follow it end the "as found" part of a job. */
export const WORK_ACTIONS = ['clean', 'oil', 'adjust', 'replace', 'repair'] as const;
export type WorkAction = (typeof WORK_ACTIONS)[number];

export const WORK_WORDS: Readonly<Record<WorkAction, string>> = {
  clean: 'cleaned',
  oil: 'oiled',
  adjust: 'adjusted',
  replace: 'replaced',
  repair: 'repaired',
};

export interface ReadingBody {
  readonly kind: 'reading';
  /** As it was typed. */
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
}

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
export type SpeedMethod = (typeof SPEED_METHODS)[number];

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
}

export interface WorkBody {
  readonly kind: 'work';
  readonly action: WorkAction;
  readonly what: string;
}

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

export interface HandBackBody {
  readonly kind: 'hand-back';
  readonly leftUndone: string;
}

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
  | FindBody;

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
    case 'marks':
      return [body.target];
    case 'step':
      return [...body.after];
    case 'move':
      return present([body.began]);
    case 'photo':
      return present([body.about]);
    case 'open-end':
      return present([body.stepKey, body.moveKey]);
    case 'gate':
      return body.accepted.map((one) => one.key);
    default:
      return [];
  }
}

const present = (keys: readonly (string | null)[]): string[] => keys.filter((key) => key !== null);

/** Lines in the order they happened: by time, then by device and its own count. */
export function inOrder<T extends BenchEvent>(events: readonly T[]): T[] {
  // Times are read once a line, not once a comparison: logs grow long.
  const timed = events.map((event) => ({ event, at: Date.parse(event.enteredAt) }));
  timed.sort(
    (a, b) =>
      a.at - b.at ||
      (a.event.device === b.event.device
        ? a.event.sequence - b.event.sequence
        : a.event.device < b.event.device
          ? -1
          : 1),
  );
  return timed.map(({ event }) => event);
}

/** Lines in the order the server received them, those that still wait behind them as they were entered. */
export function inReceipt<T extends BenchEvent>(events: readonly T[]): T[] {
  const place = (event: BenchEvent) => event.position ?? Infinity;
  return inOrder(events).sort((a, b) => (place(a) === place(b) ? 0 : place(a) - place(b)));
}

/** Keys of the lines that were struck out. */
export function struckKeys(events: readonly BenchEvent[]): ReadonlySet<string> {
  return new Set(events.flatMap((event) => (event.body.kind === 'strike' ? [event.body.target] : [])));
}

/** The lines that stand: in order, without struck lines and without the strokes themselves. */
export function standing<T extends BenchEvent>(events: readonly T[]): T[] {
  const struck = struckKeys(events);
  return inOrder(events).filter((event) => !struck.has(event.key) && event.body.kind !== 'strike');
}
