/** A practice unit as its log has left it: what was mended, what broke, what the clock says. */
import { inReceipt, isLive, struckKeys, type BenchEvent, type EventBody, type JobFacts } from '../bench/index.js';
import { curedBy, reaching } from '../diagnosis/index.js';
import { faultsShown, mendOf, needsPower, type DrivePath, type PathTest } from '../families/index.js';
import { pathFor, type FamilyMap } from '../marking/index.js';
import type { PracticeUnit } from '../practice/index.js';
import { ownEntry } from '../quantity/index.js';
import { mapOf } from './spec.js';
import { said, say } from '../words/index.js';

/** Something that a step broke, or whom it hurt. */
interface Harm {
  readonly key: string;
  readonly words: string;
}

/** A practice unit on the bench. */
export interface Visit {
  readonly map: FamilyMap;
  readonly path: DrivePath;
  readonly unit: PracticeUnit;
  /** Minutes on the practice clock. */
  readonly clockMin: number;
  /** Of these, minutes of mends of what had been seen at its part; a mend that is what confirms a fault counts. */
  readonly cureMin: number;
  /** Live readings made. */
  readonly live: number;
  readonly parts: number;
  readonly wrongParts: number;
  readonly harm: readonly Harm[];
  readonly mended: readonly string[];
  /** Faults that a wrong step made. */
  readonly spoiled: readonly string[];
  /** What is bridged, crossed or unplugged now: its id and words. */
  readonly held: readonly { readonly id: string; readonly name: string }[];
  /** Level of opening reached, by id. */
  readonly level: string;
  readonly on: boolean;
  /** Things done on it: the noise of the next reading follows from it. */
  readonly acts: number;
  readonly ended: boolean;
}

/** The unit after all these lines; null for a job that is none of the practice bench, or of a machine unknown here. */
export function practiceVisit(job: JobFacts, events: readonly BenchEvent[]): Visit | null {
  const course = practiceCourse(job, events);
  if (!course) return null;
  for (const line of inReceipt(events)) course.take(line);
  return course.visit();
}

/** The unit as it came, to be led through these lines one by one; null as {@link practiceVisit}. */
export function practiceCourse(job: JobFacts, events: readonly BenchEvent[]): Course | null {
  const map = mapOf(job.familyId);
  if (!job.practice || map?.machine.id !== job.practice.machine) return null;
  return new Course(map, map.machine.unit(job.practice.faults, job.practice.seed), struckKeys(events));
}

/** A clip lead put on or taken off, a plug pulled or pushed in (common practice). */
const HAND_MIN = 1;

/** Lines that count no more when they were struck out; what power did stays done. */
const TAKEN_BACK: ReadonlySet<EventBody['kind']> = new Set(['mended', 'practice-end']);

class Course {
  private readonly path: DrivePath;
  private readonly before: ReadonlySet<string>;
  private readonly harm: Harm[] = [];
  private readonly mended: string[] = [];
  private level: string;
  private on = false;
  private ended = false;
  private clockMin = 0;
  private cureMin = 0;
  private readonly seen = new Set<string>();
  private live = 0;
  private parts = 0;
  private wrongParts = 0;
  private acts = 0;

  constructor(
    private readonly map: FamilyMap,
    private readonly unit: PracticeUnit,
    private readonly struck: ReadonlySet<string>,
  ) {
    this.path = pathFor(map);
    this.before = new Set(unit.faults);
    this.level = this.path.levels[0]?.id ?? '';
  }

  take({ key, body }: BenchEvent): void {
    if (this.struck.has(key) && TAKEN_BACK.has(body.kind)) return;
    if (body.kind === 'practice-act') this.acted(key, body);
    if (body.kind === 'answer') this.answered(body);
    if (body.kind === 'practice-turn') this.unit.turn(body.trim, body.turns);
    if (body.kind === 'practice-hand') this.hand(key, body);
    if (body.kind === 'mended') this.mend(body.repairId);
    if (body.kind === 'practice-end') this.ended = true;
    if (body.kind === 'power') this.power(key, isLive(body.state));
  }

  visit(): Visit {
    const { map, path, unit, clockMin, cureMin, live, parts, wrongParts, harm, mended, level, on, acts, ended } = this;
    const spoiled = [...unit.faults].filter((id) => !this.before.has(id));
    return {
      map,
      path,
      unit,
      clockMin,
      cureMin,
      live,
      parts,
      wrongParts,
      harm,
      mended,
      spoiled,
      held: unit.held(),
      level,
      on,
      acts,
      ended,
    };
  }

  private acted(key: string, body: Extract<EventBody, { kind: 'practice-act' }>): void {
    this.acts++;
    this.clockMin += body.minutes;
    if (body.harm !== null) this.harm.push({ key, words: body.harm });
    const test = this.path.tests.find(({ id }) => id === body.testId);
    if (!test) return;
    this.level = deeper(this.path, this.level, test.level);
    if (test.probe) this.live++;
  }

  /** A fault seen at its part: an answer that no sound part gives. */
  private answered({ testId, outcome }: Extract<EventBody, { kind: 'answer' }>): void {
    const test = this.path.tests.find(({ id }) => id === testId);
    const shown = test ? faultsShown(test, outcome) : [];
    for (const fault of this.unit.faults)
      if (modesOf(this.map, fault).some((ref) => shown.includes(ref))) this.seen.add(fault);
  }

  private power(key: string, on: boolean): void {
    if (on && !this.on) for (const words of this.unit.switchOn()) this.harm.push({ key, words: said(words) });
    this.on = on;
  }

  private hand(key: string, { hand, on }: Extract<EventBody, { kind: 'practice-hand' }>): void {
    this.unit.hold(hand, on);
    this.clockMin += HAND_MIN;
    // Done live, power does at once what it would have done.
    if (this.on) for (const words of this.unit.switchOn()) this.harm.push({ key, words: said(words) });
  }

  private mend(repairId: string): void {
    const repair = mendOf(this.path, repairId);
    if (!repair) return;
    const minutes = repair.handsMin + this.reach({ level: repair.level, power: 'dead' });
    this.clockMin += minutes;
    this.level = deeper(this.path, this.level, repair.level);
    const modes = curedBy(this.path, repairId).map(({ mode }) => mode);
    const own = [...this.unit.faults].filter((fault) => modesOf(this.map, fault).some((one) => modes.includes(one)));
    if (repair.money > 0) this.parts++;
    if (repair.money > 0 && own.length === 0) this.wrongParts++;
    if (own.some((fault) => this.seen.has(fault))) this.cureMin += minutes;
    for (const fault of own) {
      this.unit.cure(fault);
      this.mended.push(fault);
    }
  }

  private reach(need: { level: string; power: PathTest['power'] }): number {
    return reachingFrom(this.path, this.level, this.on, need);
  }
}

/** "block.mode" that a machine's fault may stand for. */
export const modesOf = (map: FamilyMap, fault: string): readonly string[] =>
  (ownEntry(map.faults, fault) ?? '').split('|');

/** A fault of the machine in words. */
export const faultWords = ({ machine }: FamilyMap, fault: string): string =>
  said(machine.faults.find(({ id }) => id === fault)?.name ?? fault);

function deeper({ levels }: DrivePath, here: string, there: string): string {
  const depth = (id: string) => levels.findIndex((one) => one.id === id);
  return depth(there) > depth(here) ? there : here;
}

const reachingFrom = (
  path: DrivePath,
  level: string,
  on: boolean,
  need: { level: string; power: PathTest['power'] },
): number =>
  reaching(
    { model: { path } },
    {
      level,
      power: on ? 'live' : 'dead',
      done: new Set(),
      unreachable: new Set(),
      putBack: new Map(),
      mended: new Map(),
    },
    need,
  );

/** Minutes that a test takes now: reaching it and doing it. */
export const minutesOf = (visit: Visit, test: PathTest): number =>
  test.handsMin + reachingFrom(visit.path, visit.level, visit.on, test);

/** Why a test cannot be done as the unit stands; null when it can. */
export function notNow(visit: Visit, test: PathTest): string | null {
  if (needsPower(test) && !visit.on) return say`It is not switched on. Go through the gate first.`;
  if (test.power === 'dead' && visit.on) return say`It is live. Unplug it first.`;
  return null;
}
