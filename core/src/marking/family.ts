/** The thin map between a machine of the practice bench and a family: it knows both, and marks alone. */
import { PATHS, withoutParts, type DrivePath, type PathTest } from '../families/index.js';
import { observationFrom, type Unit } from '../diagnosis/index.js';
import { seeded, type Random } from '../numeric/index.js';
import { ownEntry } from '../quantity/index.js';
import type { Condition, PracticeMachine, PracticeUnit, Quantities } from '../practice/index.js';
import { Look, type Answer, type TestMap } from './look.js';

/** A family's machine: which of its faults is which mode, and how each test is made on it. */
export interface FamilyMap {
  readonly family: string;
  readonly machine: PracticeMachine;
  /** Parts of the family that this machine has not. */
  readonly absent?: readonly string[];
  /** Machine's fault to "block.mode"; several, parted by a bar, where physics looks alike: any of them is right. */
  readonly faults: Readonly<Record<string, string>>;
  readonly tests: TestMap;
  /** What a test tone or a strobe shows of its speed; absent where nothing on it carries a tone. */
  readonly tone?: ToneMap;
  /** A family's context as a condition of the machine. */
  readonly condition: (context: Readonly<Record<string, string>>) => Partial<Condition>;
}

/** Where the machine's speed error stands, and its wow by part with how often that part turns, hertz. */
interface ToneMap {
  readonly error: string;
  readonly lines: (moment: Quantities) => readonly { readonly percent: number; readonly hz: number }[];
}

/** The usual contexts: speed or setting, warmth, tap, belt, load, mode. */
export const usualCondition = (context: Readonly<Record<string, string>>): Partial<Condition> => ({
  ...(context.speed !== undefined || context.setting !== undefined
    ? { setting: context.speed ?? context.setting ?? '' }
    : {}),
  ...(context.mode === undefined ? {} : { mode: context.mode }),
  warm: context.heat === 'warm' || context.heat === 'hot' ? 1 : 0,
  tapped: context.tap === 'yes',
  damp: context.air === 'damp',
  loaded: context.load !== undefined && context.load !== 'empty' && context.load !== 'free',
  off: context.belt === 'off' ? ['belt'] : [],
});

/** The path of the family as this machine is built. @throws RangeError for a family that is none. */
export function pathFor(map: FamilyMap): DrivePath {
  const path = PATHS.get(map.family);
  if (!path) throw new RangeError(`no family ${map.family}`);
  return withoutParts(path, map.absent ?? []);
}

/** How units are drawn and read (chosen). */
const UNITS = { twoFaults: 0.1, sound: 0.05, slip: 0.01 } as const;

/** A drawn unit that the advice can be played on. */
export interface MarkedUnit extends Unit {
  readonly practice: PracticeUnit;
}

/** What is drawn: the faults put in and the unit's own seed. */
export interface Drawn {
  readonly faults: readonly string[];
  readonly seed: number;
}

/** Draws a unit of the machine: one fault by its share, now and then two, now and then none. */
export function drawOf({ machine }: Pick<FamilyMap, 'machine'>, seed: number): Drawn {
  const random = seeded(seed);
  const sound = random() < UNITS.sound;
  if (sound) return { faults: [], seed };
  for (let tries = 0; ; tries++) {
    const wanted = [drawFault(machine, random)];
    if (random() < UNITS.twoFaults) wanted.push(drawFault(machine, random));
    const drawn = { faults: [...new Set(wanted)], seed: seed + tries * 1_000_003 };
    // What nobody notices is not brought in, nor looked for beside what was.
    const noticed = (faults: readonly string[]) => machine.unit(faults, drawn.seed).complaint !== null;
    if (tries > MOST_DRAWS || (noticed(drawn.faults) && drawn.faults.every((one) => noticed([one])))) return drawn;
  }
}

/** The drawn unit, ready for the advice to be played on it. */
export function drawMarked(map: FamilyMap, seed: number): MarkedUnit {
  const drawn = drawOf(map, seed);
  return markedUnit(map, drawn.faults, drawn.seed);
}

const MOST_DRAWS = 200;

function drawFault({ faults }: PracticeMachine, random: Random): string {
  let left = random() * faults.reduce((sum, one) => sum + one.share, 0);
  return faults.find((one) => (left -= one.share) < 0)?.id ?? faults[0]?.id ?? '';
}

/** Modes present; taking one out mends the machine. */
class Present extends Set<string> {
  constructor(
    refs: readonly string[],
    private readonly onGone: (ref: string) => void,
  ) {
    super();
    for (const ref of refs) this.add(ref);
  }

  override delete(ref: string): boolean {
    this.onGone(ref);
    return super.delete(ref);
  }
}

/** A unit with these faults of the machine. @throws RangeError where the map has no mode for one. */
export function markedUnit(map: FamilyMap, faults: readonly string[], seed: number): MarkedUnit {
  const path = pathFor(map);
  const practice = map.machine.unit(faults, seed);
  const refOf = (fault: string) => {
    const ref = ownEntry(map.faults, fault);
    if (ref === undefined) throw new RangeError(`${map.family}: no mode for ${fault}`);
    return ref;
  };
  const mainOf = (fault: string) => refOf(fault).split('|')[0] ?? '';
  const refs = [...practice.faults].map(mainOf);
  const alike = new Map([...practice.faults].map((fault) => [mainOf(fault), refOf(fault).split('|')]));
  const random = seeded(seed + 15_485_863);
  const present = new Present([...new Set(refs)], (ref) => {
    for (const fault of [...practice.faults]) if (mainOf(fault) === ref) practice.cure(fault);
  });
  return {
    practice,
    faults: present,
    outside: refs.length === 0,
    harm: () => practice.harm(),
    alike: (ref) => alike.get(ref) ?? [ref],
    read(test, id) {
      const slip = random() < UNITS.slip;
      const right = answered(map, practice, test, random);
      const entry =
        slip || 'outcome' in right
          ? { test: test.id, outcome: slip ? anyOf(test, random) : (right as { outcome: string }).outcome }
          : { test: test.id, value: right.value, unit: right.unit };
      const read = observationFrom(path, entry, id);
      if (read.kind !== 'observation') throw new RangeError(`${map.family} ${test.id}: ${read.message}`);
      return { observation: read.observation, outcome: outcomeOf(test, entry, read.observation.saw), slip };
    },
  };
}

/** What a test shows on the machine: one of its outcomes, or a value. @throws RangeError where the map makes no such test. */
export function answered(map: FamilyMap, practice: PracticeUnit, test: PathTest, random: Random): Answer {
  const make = ownEntry(map.tests, test.id);
  if (!make) throw new RangeError(`${map.family}: the map makes no ${test.id}`);
  const made = make(new Look(practice, map.condition(test.context), random));
  const answer = typeof made === 'string' ? { outcome: made } : made;
  if ('outcome' in answer && !test.outcomes.some((one) => one.id === answer.outcome))
    throw new RangeError(`${map.family} ${test.id} has no answer ${answer.outcome}`);
  return answer;
}

const anyOf = (test: PathTest, random: Random): string =>
  test.outcomes[Math.floor(random() * test.outcomes.length)]?.id ?? '';

/** The outcome that an answer or a value stands for: the one with most of its weight. */
function outcomeOf(
  test: PathTest,
  entry: { readonly outcome?: string },
  saw: { readonly kind: string; readonly weights?: Readonly<Record<string, number>> },
): string {
  if (entry.outcome !== undefined) return entry.outcome;
  const weights = saw.weights ?? {};
  const of = (states: readonly string[]) => states.reduce((sum, state) => sum + (ownEntry(weights, state) ?? 0), 0);
  return test.outcomes.reduce((best, one) => (of(one.states) > of(best.states) ? one : best)).id;
}
