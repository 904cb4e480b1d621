/**
 * A practice machine: physics with parameters. Faults change parameters, never answers; what an instrument or an eye
 * finds comes out of the equations. Nothing here knows the families' tables.
 */
import { seeded, type Random } from '../numeric/index.js';
import { ownEntry } from '../quantity/index.js';
import { momentsOf, seenIn, watching, type Seen } from './seen.js';

export type { Seen } from './seen.js';

/** How the machine stands while something is looked at. */
export interface Condition {
  /** The speed or setting chosen, by the machine's own word. */
  readonly setting: string;
  readonly mode: string;
  /** 0 just switched on from cold, 1 after it ran long. */
  readonly warm: number;
  readonly tapped: boolean;
  readonly loaded: boolean;
  /** Breathed at, or brought in from the cold. */
  readonly damp: boolean;
  /** Parts taken out of the drive by hand: "belt". */
  readonly off: readonly string[];
}

/** Ways to stand that a hand brings about. */
type Stance = 'warm' | 'tapped' | 'loaded' | 'damp';

/** Cold, untouched, at the machine's first setting. */
export const AT_REST: Condition = {
  setting: '',
  mode: '',
  warm: 0,
  tapped: false,
  loaded: false,
  damp: false,
  off: [],
};

/** Physical quantities by name; the name carries the unit: "board.V", "platter.rpm". */
export type Quantities = Readonly<Record<string, number>>;

/** Them all as one; of what two have the later counts. Spread into one literal they take twenty times as long. */
export const together = <A extends Quantities>(first: A, ...others: readonly Quantities[]): A & Quantities =>
  Object.assign({}, first, ...others);

/** A fault: how it changes the parameters. */
export interface MachineFault<P> {
  readonly id: string;
  readonly name: string;
  /** How often it comes in, against the other faults of this machine (common practice, of this machine alone). */
  readonly share: number;
  readonly make: (p: P, random: Random) => void;
  /** Faults that this one leads to in a machine with these parameters: what it blew or burnt. */
  readonly victims?: (p: P, random: Random) => readonly string[];
}

/** A fault written in a line: id, name, share, what it changes. */
export const faultOf =
  <P>() =>
  (id: string, name: string, share: number, make: MachineFault<P>['make']): MachineFault<P> => ({
    id,
    name,
    share,
    make,
  });

/** What can be done to a machine for a while with a clip lead or a hand at a plug; power meanwhile does what it does. */
export interface MachineHand<P> {
  readonly id: string;
  /** "switch bridged". */
  readonly name: string;
  readonly make: (p: P) => void;
}

/** What a scope shows: volts, so many seconds apart. */
export interface PracticeTrace {
  readonly intervalS: number;
  readonly volts: Float64Array;
}

/** What is heard of a machine from close by: a part that turns, and what sounds at it with each turn. */
export interface SoundPart {
  /** Its speed, by the quantity's name. */
  readonly quantity: string;
  /** What it is called: "fan". */
  readonly part: string;
  readonly lines: 'blades' | 'bars' | 'pole pairs';
  /** As one counts them by eye. */
  readonly count: number;
  /** Amplitude of their first multiple; 1 is full scale. */
  readonly loud: number;
}

/** What a kind of machine is made of. */
export interface MachineData<P> {
  readonly id: string;
  readonly name: string;
  readonly settings: readonly string[];
  /** Ways to stand that change anything on it, by some fault or sound. */
  readonly answersTo: readonly Stance[];
  /** Sound parts, each a little off by its tolerance. */
  readonly build: (random: Random) => P;
  readonly faults: readonly MachineFault<P>[];
  /** What there is to read at one moment, switched on or lying there. `random` makes what wanders wander. */
  readonly solve: (p: P, condition: Condition, random: Random) => Quantities;
  /** What a scope shows at a place that is read from peak to peak; null where it has no wave of its own. */
  readonly trace?: (p: P, condition: Condition, quantity: string) => PracticeTrace | null;
  /** What of it is heard; left out for a machine that hardly sounds. */
  readonly sounds?: readonly SoundPart[];
  /** What its owner says, by what can be noticed in use; null where nobody notices anything. */
  readonly complain: (at: (quantity: string, condition?: Partial<Condition>) => Seen) => string | null;
  /** What switching it on as it is does to it or to whoever touches it; empty for nothing. */
  readonly harm: (p: P) => readonly string[];
  /** Its trims by name, and what a turn of one changes, clockwise positive. */
  readonly trims?: readonly string[];
  readonly turn?: (p: P, trim: string, turns: number) => void;
  /** What can be bridged, crossed or unplugged on it. */
  readonly hands?: readonly MachineHand<P>[];
  /** What is broken after a harm, as one of the faults: by the harm's words. Harm to a person alone breaks nothing. */
  readonly spoils?: Readonly<Record<string, string>>;
}

/** One machine on the bench. */
export interface PracticeUnit {
  readonly machine: string;
  /** What is wrong with it. */
  readonly faults: ReadonlySet<string>;
  see(quantity: string, condition?: Partial<Condition>): Seen;
  /** All quantities at one moment. */
  moment(condition?: Partial<Condition>): Quantities;
  /** What a scope shows there; null where there is no wave. */
  trace(quantity: string, condition?: Partial<Condition>): PracticeTrace | null;
  /** Takes a fault out; what it blew stays blown. */
  cure(fault: string): void;
  harm(): readonly string[];
  /** Turns a trim, clockwise positive; one that it has not does nothing. */
  turn(trim: string, turns: number): void;
  /** Bridges, crosses or unplugs something, or puts it back; what it has not does nothing. */
  hold(hand: string, on: boolean): void;
  /** What is bridged, crossed or unplugged now. */
  held(): readonly { readonly id: string; readonly name: string }[];
  /** Switches it on as it is: what that did. What it broke stays broken. */
  switchOn(): readonly string[];
  readonly complaint: string | null;
}

/** A kind of machine with its faults, its parameters hidden. */
export interface PracticeMachine {
  readonly id: string;
  readonly name: string;
  readonly settings: readonly string[];
  /** Ways to stand that change anything on it, whatever is wrong. */
  readonly answersTo: readonly Stance[];
  /** Trims that can be turned. */
  readonly trims: readonly string[];
  readonly faults: readonly { readonly id: string; readonly name: string; readonly share: number }[];
  /** What of it is heard from close by. */
  readonly sounds: readonly SoundPart[];
  /** What can be bridged, crossed or unplugged. */
  readonly hands: readonly { readonly id: string; readonly name: string }[];
  /** A machine with these faults and what they led to. @throws RangeError for a fault it does not know. */
  unit(faults: readonly string[], seed: number): PracticeUnit;
}

/** Closes the parameters in. */
export function practiceMachine<P>(data: MachineData<P>): PracticeMachine {
  const byId = new Map(data.faults.map((fault) => [fault.id, fault]));
  const known = (id: string) => {
    const fault = byId.get(id);
    if (!fault) throw new RangeError(`${data.id} has no fault ${id}`);
    return fault;
  };
  return {
    id: data.id,
    name: data.name,
    settings: data.settings,
    answersTo: data.answersTo,
    trims: data.trims ?? [],
    sounds: data.sounds ?? [],
    hands: (data.hands ?? []).map(({ id, name }) => ({ id, name })),
    faults: data.faults.map(({ id, name, share }) => ({ id, name, share })),
    unit: (faults, seed) => unitOf(data, known, faults, seed),
  };
}

/** Worked out when it is first asked for. */
function once<T>(work: () => T): () => T {
  let done: { readonly value: T } | null = null;
  return () => (done ??= { value: work() }).value;
}

/** What was done to a unit since it was built, and the parameters that follow from it. */
function standingOf<P>(
  data: MachineData<P>,
  known: (id: string) => MachineFault<P>,
  wanted: readonly string[],
  seed: number,
) {
  const present = new Set(wanted);
  const turned = new Map<string, number>();
  const hands = new Set<string>();
  // Each fault has a size of its own that stays when others are cured.
  const parameters = () => {
    const p = data.build(seeded(seed));
    for (const id of present)
      known(id).make(p, seeded(seed + 7919 * (1 + data.faults.findIndex((one) => one.id === id))));
    for (const [trim, turns] of turned) data.turn?.(p, trim, turns);
    for (const { id, make } of data.hands ?? []) if (hands.has(id)) make(p);
    return p;
  };
  for (const id of wanted)
    for (const victim of known(id).victims?.(parameters(), seeded(seed + 3)) ?? []) present.add(victim);
  return { present, turned, hands, parameters };
}

function unitOf<P>(
  data: MachineData<P>,
  known: (id: string) => MachineFault<P>,
  wanted: readonly string[],
  seed: number,
): PracticeUnit {
  const { present, turned, hands, parameters } = standingOf(data, known, wanted, seed);
  let now = parameters();
  const random = seeded(seed + 104_729);
  const whole = (condition: Partial<Condition> = {}) => ({
    ...AT_REST,
    setting: data.settings[0] ?? '',
    ...condition,
  });
  const moment = (condition?: Partial<Condition>) => data.solve(now, whole(condition), random);
  // As it came in, whatever is done to it before somebody asks what its owner noticed.
  const [cameIn, owners] = [now, seeded(seed + 15_485_863)];
  const complain = once(() => data.complain(watching(data.id, (as) => data.solve(cameIn, whole(as), owners))));
  return {
    machine: data.id,
    faults: present,
    moment,
    see: (quantity, condition) =>
      seenIn(
        momentsOf(() => moment(condition)),
        quantity,
        data.id,
      ),
    trace: (quantity, condition) => data.trace?.(now, whole(condition), quantity) ?? null,
    cure(id) {
      present.delete(id);
      now = parameters();
    },
    harm: () => data.harm(now),
    turn(trim, turns) {
      if (!data.trims?.includes(trim)) return;
      turned.set(trim, (turned.get(trim) ?? 0) + turns);
      now = parameters();
    },
    hold(hand, on) {
      if (on) hands.add(hand);
      else hands.delete(hand);
      now = parameters();
    },
    held: () => (data.hands ?? []).filter(({ id }) => hands.has(id)).map(({ id, name }) => ({ id, name })),
    switchOn() {
      const done = data.harm(now);
      const broken = done.flatMap((one) => ownEntry(data.spoils ?? {}, one) ?? []);
      for (const id of broken) present.add(id);
      if (broken.length > 0) now = parameters();
      return done;
    },
    get complaint() {
      return complain();
    },
  };
}

/** A value off by a tolerance, evenly between its limits. */
export const within = (random: Random, nominal: number, part: number): number => nominal * (1 + swing(random, part));

/** A value between two, evenly. */
export const evenly = (random: Random, low: number, high: number): number => low + (high - low) * random();

/** What wanders about nought, by so much either way. */
export const swing = (random: Random, by: number): number => evenly(random, -by, by);

/** Whether it is so, in this share of all cases. */
export const chance = (random: Random, share: number): boolean => random() < share;

/** A value between two, evenly in its logarithm, of either sign. */
export const either = (random: Random, low: number, high: number): number =>
  (chance(random, 0.5) ? -1 : 1) * between(random, low, high);

/** Ω of a contact at a moment: its least, or anything up to its most where it wanders. */
export const contactAt = ([least, most]: readonly [number, number], random: Random): number =>
  Number.isFinite(most) ? (most > least ? between(random, least, most) : least) : Infinity;

/** Writes faults of a part that a machine holds under `key`. */
export const faultsOf =
  <K extends string, D>(key: K) =>
  <P extends Readonly<Record<K, D>>>(
    id: string,
    name: string,
    share: number,
    make: (part: D, random: Random) => void,
  ): MachineFault<P> => ({ id, name, share, make: (p, random) => make(p[key], random) });

/** A value between two, evenly in its logarithm. */
export const between = (random: Random, low: number, high: number): number =>
  low * Math.exp(random() * Math.log(high / low));
