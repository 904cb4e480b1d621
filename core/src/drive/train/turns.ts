/**
 * Turns of every part of a train. A belt runs on its middle line: n2 = n1 (d1 + t)/(d2 + t)(1 - slip); an idler's
 * own diameter cancels; a capstan moves tape at pi (d + t) n. Synchronous motors turn 120 f / poles (exact).
 */
import { CoreError } from '../../errors.js';
import { forSpeed, isBelt, MOTOR_ID, type Contact, type Train, type TrainMotor, type TrainPart } from './schema.js';

/** A part that turns. */
export interface Turning {
  readonly id: string;
  readonly name: string;
  readonly revPerS: number;
  /** Seen by whoever looks at the drawing. */
  readonly sense: 'clockwise' | 'counter-clockwise';
  /** Speed of its rim, or of the belt on it, mm/s; of gears null. */
  readonly rimMmPerS: number | null;
}

/** What comes out: rpm, or cm/s of tape. */
export interface TrainOutput {
  readonly value: number;
  readonly unit: 'rpm' | 'cm/s';
  readonly nominal: number | null;
  readonly errorPercent: number | null;
}

/** A train at one speed. */
export interface TrainTurns {
  /** The motor first, then the parts in their order. */
  readonly turning: readonly Turning[];
  readonly output: TrainOutput;
}

/** Turns a second of the motor: 16 poles at 50 Hz give 375 a minute; an induction motor less its slip. */
function motorRevPerS(motor: TrainMotor, speed: number, mainsHz: number): number {
  if (motor.kind !== 'synchronous' && motor.kind !== 'induction') return forSpeed(motor.rpm, speed) / 60;
  const slip = motor.kind === 'induction' ? motor.slipPercent / 100 : 0;
  return ((2 * mainsHz) / forSpeed(motor.poles, speed)) * (1 - slip);
}

/** +1 clockwise for whoever looks at the drawing: from the rear, and with the shaft away, it looks the other way round. */
function motorSense({ sense, seenFrom, shaft }: TrainMotor): 1 | -1 {
  const turned = (seenFrom === 'rear') !== (shaft === 'away from you');
  return (sense === 'clockwise') !== turned ? 1 : -1;
}

/** Whether a contact keeps the sense of rotation (1) or turns it round (-1). */
const senseKept: Readonly<Record<Contact, 1 | -1>> = {
  shaft: 1,
  belt: 1,
  'crossed belt': -1,
  'back of a belt': -1,
  rim: -1,
  'inside of a rim': 1,
  gear: -1,
  'ring gear': 1,
  planetary: 1,
};

/** Turns of a part for one turn of what drives it, its slip taken off. */
function ratioOf(part: TrainPart, driver: TrainPart | null, speed: number): number {
  if (part.contact === 'shaft') return 1;
  const [own, by] = [forSpeed(part.sizes, speed), driver ? forSpeed(driver.sizes, speed) : Number.NaN];
  const held = 1 - part.slipPercent / 100;
  if (part.contact === 'planetary') return by / (by + own);
  if (part.contact === 'gear' || part.contact === 'ring gear') return by / own;
  const thickness = isBelt(part.contact) ? (part.belt?.thicknessMm ?? 0) : 0;
  return ((by + thickness) / (own + thickness)) * held;
}

/**
 * All parts at one speed of the train (index into its speeds).
 * @throws CoreError BAD_SHAPE when a part does not connect: ask `trainProblems` first.
 */
export function trainTurns(train: Train, speed: number, mainsHz: number): TrainTurns {
  const motor: Turning = {
    id: MOTOR_ID,
    name: train.motor.name,
    revPerS: motorRevPerS(train.motor, speed, mainsHz),
    sense: motorSense(train.motor) > 0 ? 'clockwise' : 'counter-clockwise',
    rimMmPerS: null,
  };
  const known = new Map<string, Turning>([[MOTOR_ID, motor]]);
  let open = [...train.parts];
  while (open.length > 0) {
    const ready = open.filter((part) => known.has(part.by));
    if (ready.length === 0) throw new CoreError('BAD_SHAPE', 'a part of the train does not connect');
    for (const part of ready) known.set(part.id, turningOf(train, part, known.get(part.by) as Turning, speed));
    open = open.filter((part) => !known.has(part.id));
  }
  const turning = [motor, ...train.parts.map((part) => known.get(part.id) as Turning)];
  return { turning, output: outputOf(train, known, speed) };
}

function turningOf(train: Train, part: TrainPart, by: Turning, speed: number): Turning {
  const driver = train.parts.find((one) => one.id === part.by) ?? null;
  const revPerS = by.revPerS * ratioOf(part, driver, speed);
  const kept = senseKept[part.contact] > 0;
  const other = by.sense === 'clockwise' ? 'counter-clockwise' : 'clockwise';
  const toothed = part.kind === 'gear' || part.contact.includes('gear') || part.contact === 'planetary';
  const thickness = isBelt(part.contact) ? (part.belt?.thicknessMm ?? 0) : 0;
  const rimMmPerS = toothed ? null : Math.PI * (forSpeed(part.sizes, speed) + thickness) * revPerS;
  return { id: part.id, name: part.name, revPerS, sense: kept ? by.sense : other, rimMmPerS };
}

function outputOf(train: Train, known: ReadonlyMap<string, Turning>, speed: number): TrainOutput {
  const { output } = train;
  const part = train.parts.find((one) => one.id === output.part);
  const turning = known.get(output.part);
  if (!part || !turning) throw new CoreError('BAD_SHAPE', 'the output is no part of the train');
  const nominal = train.speeds[speed]?.nominal ?? null;
  const value =
    output.kind === 'turns'
      ? 60 * turning.revPerS
      : (Math.PI * (forSpeed(part.sizes, speed) + output.tapeThicknessMm) * turning.revPerS) / 10;
  return {
    value,
    unit: output.kind === 'turns' ? 'rpm' : 'cm/s',
    nominal,
    errorPercent: nominal === null ? null : 100 * (value / nominal - 1),
  };
}
