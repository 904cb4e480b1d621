/** What keeps a train from being reckoned, each at its field, with what to do. */
import { forSpeed, isBelt, isGear, MOTOR_ID, type Train, type TrainPart } from './schema.js';
import { say } from '../../words/index.js';
import { LARGEST_MM, MOST_TEETH } from '../defaults.js';

/** A value that cannot be: the part (or motor, output, speeds, mains), its field, and what to do. */
export interface TrainProblem {
  readonly part: string;
  readonly field: string;
  readonly message: string;
}

/** Mains that can be, hertz. */
const MAINS_HZ = { least: 15, most: 70 } as const;

/** All problems of a train under this mains; empty when it can be reckoned. */
export function trainProblems(train: Train, mainsHz: number): TrainProblem[] {
  const out: TrainProblem[] = [];
  const tell = (part: string, field: string, message: string) => out.push({ part, field, message });
  if (!(mainsHz >= MAINS_HZ.least && mainsHz <= MAINS_HZ.most))
    tell('mains', 'mainsHz', say`No mains has that frequency: 50 or 60 Hz, or 16.7 Hz of railways.`);
  motorProblems(train, tell);
  train.parts.forEach((part, i) => partProblems(train, part, i, tell));
  if (!train.parts.some((part) => part.id === train.output.part))
    tell('output', 'part', say`Nothing is driven yet that could be the output: add it, or choose another.`);
  if (train.output.kind === 'tape' && !(train.output.tapeThicknessMm >= 0 && train.output.tapeThicknessMm < 1))
    tell('output', 'tapeThicknessMm', say`Tape is 0.009 to 0.05 mm thick.`);
  for (const speed of train.speeds)
    if (speed.nominal !== null && !(speed.nominal > 0 && speed.nominal < 1e6))
      tell('speeds', speed.id, say`${speed.label}: the nominal must be above zero.`);
  return out;
}

type Say = (part: string, field: string, message: string) => void;

function motorProblems({ motor, speeds }: Train, tell: Say): void {
  const each = (values: readonly number[]) => speeds.map((_, i) => forSpeed(values, i));
  const byMains = motor.kind === 'synchronous' || motor.kind === 'induction';
  if (byMains || motor.kind === 'brushless') {
    if (each(motor.poles).some((poles) => !(Number.isInteger(poles) && poles >= 2 && poles <= 200 && poles % 2 === 0)))
      tell(MOTOR_ID, 'poles', say`Poles come in pairs: 2, 4, 8, 16, 24; one number, or one for each speed.`);
    if (motor.kind === 'induction' && !(motor.slipPercent >= 0 && motor.slipPercent < 100))
      tell(MOTOR_ID, 'slipPercent', say`Slip lies between 0 and 100 %; 3 to 20 % is usual.`);
  }
  if (!byMains && each(motor.rpm).some((rpm) => !(rpm > 0 && rpm <= 100_000)))
    tell(MOTOR_ID, 'rpm', say`Turns a minute above zero; one number, or one for each speed.`);
  const whole = (value: number | null, least: number, most: number) =>
    value === null || (Number.isInteger(value) && value >= least && value <= most);
  if (!whole(motor.segments, 2, 200))
    tell(MOTOR_ID, 'segments', say`Bars are counted: 3 of small motors, 24 of large ones.`);
  if (!whole(motor.generator, 1, 10_000)) tell(MOTOR_ID, 'generator', say`Pulses a turn are counted: a whole number.`);
}

function partProblems(train: Train, part: TrainPart, i: number, tell: Say): void {
  const at = (field: string, message: string) => tell(part.id, field, message);
  if (part.id === MOTOR_ID || train.parts.some((one, k) => k < i && one.id === part.id))
    at('id', say`Two parts have one name: give this one another.`);
  connected(train, part, at);
  const sizes = train.speeds.map((_, k) => forSpeed(part.sizes, k));
  const toothed = isGear(part.contact) || part.kind === 'gear';
  if (sizes.some((size) => !(size > 0)))
    at('sizes', toothed ? say`Teeth: a whole number above zero.` : say`A diameter above zero.`);
  else if (sizes.some((size) => size > (toothed ? MOST_TEETH : LARGEST_MM)))
    at('sizes', say`That size cannot be: check the unit.`);
  else if (toothed && sizes.some((size) => !Number.isInteger(size))) at('sizes', say`Teeth come whole.`);
  if (!(part.slipPercent >= 0 && part.slipPercent < 100)) at('slipPercent', say`Slip lies between 0 and 100 %.`);
  if (isBelt(part.contact)) beltProblems(part, at);
}

function connected(train: Train, part: TrainPart, at: (field: string, message: string) => void): void {
  if (part.by === MOTOR_ID) {
    if (part.contact !== 'shaft') at('by', say`The motor’s bare shaft drives nothing: put a pulley on it first.`);
    return;
  }
  const seen = new Set<string>([part.id]);
  for (let by = part.by; by !== MOTOR_ID;) {
    const parent = train.parts.find((one) => one.id === by);
    if (!parent) return at('by', say`It does not connect: choose the part that turns it.`);
    if (seen.has(by)) return at('by', say`It is turned by itself, in a circle: choose another part.`);
    seen.add(by);
    by = parent.by;
  }
}

function beltProblems(part: TrainPart, at: (field: string, message: string) => void): void {
  if (!part.belt) return at('belt', say`A belt has a thickness: type it.`);
  if (!(part.belt.thicknessMm >= 0 && part.belt.thicknessMm <= 30))
    at('thicknessMm', say`Belts are 0.3 to 10 mm thick.`);
  if (part.belt.lengthMm !== null && !(part.belt.lengthMm > 0 && part.belt.lengthMm <= 20_000))
    at('lengthMm', say`A length above zero, or nothing.`);
  if (part.centreMm !== null && !(part.centreMm > 0 && part.centreMm <= LARGEST_MM))
    at('centreMm', say`A distance above zero, or nothing.`);
}
