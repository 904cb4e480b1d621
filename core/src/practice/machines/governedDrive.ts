/** A small d.c. motor that its governor holds on speed by a ring magnet and a Hall chip. */
import type { Random } from '../../numeric/index.js';
import {
  type Condition,
  type MachineFault,
  type MachineHand,
  type Quantities,
  between,
  chance,
  either,
  evenly,
  faultsOf,
  swing,
  within,
} from '../machine.js';
import { current, governed, RPM, settledSpeed, type DcMotor } from '../motors/dcMotor.js';

/** Parameters of motor and governor. */
export interface GovernedDrive {
  motor: DcMotor;
  /** Friction is so many times higher cold; oil that has gummed or gone. */
  coldTimes: number;
  /** Friction over that of a sound bearing, cold or warm. */
  dragTimes: number;
  /** Ω that the brushes add at a moment: the most, evenly in the logarithm. */
  brushOhm: number;
  /** Brushes lifted: they touch after a tap alone. */
  lifted: boolean;
  windingOpen: boolean;
  jammed: boolean;
  crossed: boolean;
  rough: number;
  click: boolean;
  governorDead: boolean;
  through: boolean;
  /** Speed it holds over the speed it should, and the same warm. */
  holds: readonly [number, number];
  /** It gives no more than so much of its supply. */
  weak: number;
  /** Relative wander of what it holds, by a loose joint or its own. */
  hunts: number;
  magnetLoose: boolean;
  hallDead: boolean;
  hallUnplugged: boolean;
}

/** A sound motor that takes `volts` at `rpm`. */
export function governedDrive(random: Random, of: { volts: number; rpm: number }): GovernedDrive {
  const speed = of.rpm / RPM;
  const k = within(random, (0.8 * of.volts) / speed, 0.03);
  const ohm = within(random, 12, 0.08);
  const idle = (0.5 * k * (of.volts - k * speed)) / ohm;
  return {
    motor: { k, ohm, friction: 0.6 * idle, viscous: (0.4 * idle) / speed },
    coldTimes: 1.1,
    dragTimes: 1,
    brushOhm: 0.3,
    lifted: false,
    windingOpen: false,
    jammed: false,
    crossed: false,
    rough: evenly(random, 0, 0.1),
    click: false,
    governorDead: false,
    through: false,
    holds: [1, 1],
    weak: 1,
    hunts: 0.001,
    magnetLoose: false,
    hallDead: false,
    hallUnplugged: false,
  };
}

/** A Hall chip needs so many volts to say anything (common practice). */
const HALL_V = 3;

type Holding = { drive: GovernedDrive };
const fault = faultsOf<'drive', GovernedDrive>('drive');

/** What can go wrong with motor and governor. */
export const driveFaults = <P extends Holding>(): readonly MachineFault<P>[] => [
  fault('governor-dead', 'governor gives nothing', 3, (d) => void (d.governorDead = true)),
  fault('governor-through', 'output transistor of the governor shorted', 2.5, (d) => void (d.through = true)),
  fault('governor-drift', 'governor drifted', 3, (d, random) => {
    const by = either(random, 0.015, 0.05);
    d.holds = [1 + by, 1 + by];
  }),
  fault('governor-weak', 'governor gives too little', 2, (d, random) => void (d.weak = evenly(random, 0.3, 0.5))),
  fault('governor-joint', 'dry joint in the governor', 2.5, (d, random) => void (d.hunts = between(random, 0.02, 0.1))),
  fault('governor-warm', 'governor drifts when warm', 3, (d, random) => {
    d.holds = [1, 1 + (chance(random, 0.6) ? -1 : 1) * between(random, 0.02, 0.12)];
  }),
  fault('magnet-loose', 'ring magnet cracked or loose', 4, (d) => {
    d.magnetLoose = true;
    d.hunts = 0.04;
  }),
  fault('hall-dead', 'Hall chip dead', 2, (d) => void (d.hallDead = true)),
  fault(
    'brushes-worn',
    'brushes worn, commutator black',
    4,
    (d, random) => void (d.brushOhm = between(random, 60, 300)),
  ),
  fault('brushes-lifted', 'brushes lifted off', 2, (d) => {
    d.lifted = true;
    d.brushOhm = 40;
  }),
  fault('bearing-gummed', 'oil of the motor gummed: stiff until warm', 4, (d, random) => {
    d.coldTimes = between(random, 6, 14);
    d.rough = 0.5;
  }),
  fault('bearing-stiff', 'motor bearing stiff', 2, (d, random) => {
    d.dragTimes = between(random, 8, 20);
    d.rough = 0.6;
  }),
  fault('bearing-noisy', 'motor bearing worn, noisy', 2, (d) => void (d.rough = 1)),
  fault('retainer', 'magnet retainer in the motor broken', 2, (d) => void (d.click = true)),
  fault('winding-open', 'winding open', 2, (d) => void (d.windingOpen = true)),
  // Left by whoever had it before.
  fault('leads-crossed', 'leads of the motor crossed', 0.3, (d) => void (d.crossed = true)),
  fault('hall-unplugged', 'plug of the Hall chip left off', 0.3, (d) => void (d.hallUnplugged = true)),
  fault('jammed', 'motor jammed', 1, (d) => void (d.jammed = true)),
];

/** What a hand does to it for a while: the Hall's plug pulled, the motor's leads crossed. */
export const driveHands = <P extends Holding>(): readonly MachineHand<P>[] => [
  { id: 'hall', name: 'plug of the Hall chip pulled', make: ({ drive }) => void (drive.hallUnplugged = true) },
  { id: 'leads', name: 'leads of the motor crossed', make: ({ drive }) => void (drive.crossed = true) },
];

/** Settled motor: volts at its terminals, speed, what is heard and felt of it. `wanted` in rpm, the load in N·m. */
export function driveQuantities(
  d: GovernedDrive,
  of: { readonly supplyV: number; readonly wantedRpm: number; readonly loadNm: number; readonly wander: number },
  c: Condition,
  random: Random,
): Quantities & { readonly 'motor.rpm': number } {
  const open = d.windingOpen || (d.lifted && !c.tapped);
  const brush = d.brushOhm < 1 ? d.brushOhm : between(random, 1, d.brushOhm);
  const cold = 1 + (d.coldTimes - 1) * (1 - c.warm);
  const motor: DcMotor = {
    ...d.motor,
    ohm: open ? Infinity : d.motor.ohm + brush,
    friction: d.motor.friction * d.dragTimes * cold,
    viscous: d.motor.viscous * cold,
  };
  const tacho = !d.hallDead && !d.hallUnplugged;
  const most = Math.max(0, of.supplyV - 1);
  const held = 1 + (d.holds[0] - 1) * (1 - c.warm) + (d.holds[1] - 1) * c.warm;
  const hunting = 1 + swing(random, d.hunts);
  const wanted = (of.wantedRpm / RPM) * held * hunting * (1 + swing(random, of.wander)) || 0;
  // Without a tacho it takes the motor for standing still and gives all it has.
  const free = d.through || !tacho;
  const ceiling = d.weak < 1 ? Math.min(most, d.weak * most) : most;
  const out =
    d.governorDead || most < 1.5 || of.wantedRpm <= 0
      ? { volts: 0, speed: 0 }
      : free
        ? { volts: d.through ? of.supplyV - 0.2 : most, speed: settledSpeed(motor, most, of.loadNm) }
        : governed(motor, wanted, of.loadNm, ceiling);
  const stands = d.jammed || d.crossed || open;
  const speed = stands ? 0 : out.speed;
  return {
    'motor.V': stands && out.volts > 0 ? most : out.volts,
    'motor.rpm': speed * RPM,
    // With volts in hand and its tacho at work it goes where the setting says.
    'motor.follows': !stands && !free && !d.governorDead && out.volts < 0.98 * ceiling ? 1 : 0,
    'motor.A': stands ? (open ? 0 : out.volts / d.motor.ohm) : current(motor, out.volts, speed),
    'motor.roughness': speed > 1 ? d.rough : 0,
    'motor.click': speed > 1 && d.click ? 1 : 0,
    'hall.toggles': tacho && of.supplyV > HALL_V ? (d.magnetLoose ? 0.5 : 1) : 0,
    'hall.plug.off': d.hallUnplugged ? 1 : 0,
    'magnet.loose': d.magnetLoose ? 1 : 0,
    'shaft.drag.times': d.jammed ? Infinity : d.dragTimes * cold,
    'shaft.rough': d.rough,
    'shaft.click': d.click ? 1 : 0,
    'motor.ohm': d.windingOpen ? Infinity : d.lifted ? between(random, 30, 3000) : d.motor.ohm + brush,
    'leads.crossed': d.crossed ? 1 : 0,
  };
}

/** What power does to it: a motor that cannot turn burns, one with crossed leads takes its governor along. */
export const driveHarm = (d: GovernedDrive, supplied: boolean): string[] =>
  !supplied ? [] : [...(d.jammed ? ['the winding burns'] : []), ...(d.crossed ? ['the governor dies'] : [])];
