/** Cord, phase control and universal motor of a household machine. */
import type { Random } from '../../numeric/index.js';
import {
  type Condition,
  type MachineFault,
  type Quantities,
  between,
  chance,
  evenly,
  faultsOf,
  within,
} from '../machine.js';
import { firedPart, seriesCurrent, universalSpeed, type ShaftLoad, type UniversalMotor } from '../motors/universal.js';

/** Parameters; ohms, volts, millimetres. */
export interface UniversalDrive {
  mainsV: number;
  cordOpen: boolean;
  /** MΩ from the conductors of the cord to the case, and from the windings. */
  cordLeakMohm: number;
  windingLeakMohm: number;
  blew: boolean;
  burnt: boolean;
  /** Contacts in the way of the current, Ω: the most they wander to, evenly in the logarithm. */
  contactOhm: number;
  controlOpen: boolean;
  controlShorted: boolean;
  halfWave: boolean;
  /** Firing angle of the lowest setting, radians. */
  lowAngle: number;
  motor: UniversalMotor;
  load: ShaftLoad;
  brushMm: number;
  brushStuck: boolean;
  /** Extra Ω of brushes that hardly press: the most. */
  brushOhm: number;
  barOpen: boolean;
  pitted: boolean;
  fieldOpen: boolean;
  rough: number;
  dragTimes: number;
  seized: boolean;
}

/** Brushes of a domestic machine are done at this length, mm (common practice: 5/16 in). */
const BRUSH_LIMIT_MM = 7.9;

/** A sound drive. */
export function universalDrive(random: Random, of: { load: ShaftLoad; k: number; ohm: number }): UniversalDrive {
  return {
    mainsV: within(random, 230, 0.04),
    cordOpen: false,
    cordLeakMohm: within(random, 200, 0.5),
    windingLeakMohm: within(random, 40, 0.5),
    blew: false,
    burnt: false,
    contactOhm: 0.1,
    controlOpen: false,
    controlShorted: false,
    halfWave: false,
    lowAngle: within(random, 2.32, 0.02),
    motor: { k: within(random, of.k, 0.03), ohm: within(random, of.ohm, 0.05), reactance: of.ohm * 0.8 },
    load: of.load,
    brushMm: within(random, 13, 0.15),
    brushStuck: false,
    brushOhm: 0.2,
    barOpen: false,
    pitted: false,
    fieldOpen: false,
    rough: evenly(random, 0.1, 0.2),
    dragTimes: 1,
    seized: false,
  };
}

type Holding = { drive: UniversalDrive };
const fault = faultsOf<'drive', UniversalDrive>('drive');

/** What can go wrong from the plug to the shaft. */
export const universalFaults = <P extends Holding>(): readonly MachineFault<P>[] => [
  fault('cord-open', 'cord broken at the plug or the bush', 6, (d) => void (d.cordOpen = true)),
  fault('lead-on-case', 'a lead of the cord touches the case', 0.7, (d, random) => {
    d.cordLeakMohm = evenly(random, 1e-4, 0.0201);
  }),
  fault('control-open', 'triac open', 4, (d) => void (d.controlOpen = true)),
  fault('control-shorted', 'triac shorted', 5, (d) => void (d.controlShorted = true)),
  fault('control-half', 'triac passes one half wave', 2, (d) => void (d.halfWave = true)),
  fault('brushes-short', 'brushes under their limit, they still reach', 6, (d, random) => {
    d.brushMm = evenly(random, 6.6, 7.7);
    d.brushOhm = 3;
  }),
  fault('brushes-weak', 'brushes worn, springs slack', 6, (d, random) => {
    d.brushMm = evenly(random, 5, 6.4);
    d.brushOhm = between(random, 90, 250);
  }),
  fault('brushes-gone', 'brushes gone', 2, (d) => {
    d.brushMm = 3;
    d.brushOhm = Infinity;
  }),
  fault('brush-stuck', 'a brush stuck in its holder', 3, (d) => void (d.brushStuck = true)),
  fault('bar-open', 'a coil of the armature open', 2.5, (d) => {
    d.barOpen = true;
    d.burnt = true;
  }),
  fault('commutator-black', 'commutator black and pitted', 3, (d) => void (d.pitted = true)),
  fault('field-open', 'field open', 2, (d) => void (d.fieldOpen = true)),
  fault('bearing-dry', 'bearing dry: noisy', 5, (d) => void (d.rough = 1)),
  fault('bearing-stiff', 'bearing stiff', 3, (d, random) => {
    d.dragTimes = between(random, 15, 40);
    d.rough = 0.8;
  }),
  fault('seized', 'motor seized', 1, (d, random) => {
    d.seized = true;
    d.burnt = chance(random, 0.4);
  }),
  fault('winding-leaks', 'winding leaks to the frame', 0.8, (d, random) => {
    d.windingLeakMohm = evenly(random, 1e-3, 0.101);
  }),
];

/** Volts at the motor, speed, sparks, and what is seen of it dead. `wanted` holds the speed where a pickup asks for it, rad/s. */
export function universalQuantities(
  d: UniversalDrive,
  of: { readonly switched: boolean; readonly low: boolean; readonly load: ShaftLoad },
  c: Condition,
  random: Random,
): Quantities & { readonly 'shaft.rpm': number; readonly 'motor.V': number } {
  const fed = !d.cordOpen && of.switched;
  const angle = of.low && !d.controlShorted ? d.lowAngle : 0.35;
  const part = d.controlShorted ? 1 : d.controlOpen ? 0 : firedPart(angle) * (d.halfWave ? Math.SQRT1_2 : 1);
  // What leaks past an open control through its snubber shows on a meter, and moves nothing.
  const volts = fed ? d.mainsV * (d.controlOpen ? 0.08 : part) : 0;
  const touches = !d.brushStuck || c.tapped;
  const brush =
    !touches || (d.brushOhm === Infinity && !c.tapped) ? Infinity : loose(Math.min(d.brushOhm, 400), random);
  const contact = loose(d.contactOhm, random);
  const ohm = d.fieldOpen ? Infinity : (d.motor.ohm + brush + contact) * (d.barOpen ? 2.5 : 1);
  const motor = { ...d.motor, ohm };
  const load = {
    ...of.load,
    friction: of.load.friction * d.dragTimes,
    viscous: of.load.viscous * Math.sqrt(d.dragTimes),
  };
  const drives = fed && !d.controlOpen && !d.seized;
  const speed = drives ? universalSpeed(motor, volts, load) : 0;
  const amps = fed ? seriesCurrent(motor, volts, speed) : 0;
  const short = d.brushMm < BRUSH_LIMIT_MM ? 0.6 : 0;
  const sparks =
    speed > 1
      ? Math.max(0.1, short, d.barOpen ? 1 : 0, d.pitted ? 0.8 : 0, d.brushOhm > 20 || d.brushStuck ? 0.7 : 0)
      : 0;
  return {
    'motor.V': Number.isFinite(ohm) && contact > 10 ? Math.max(0, volts - amps * contact) : volts,
    'motor.A': amps,
    'shaft.rpm': (speed * 30) / Math.PI,
    sparks,
    'motor.roughness': speed > 1 ? d.rough : 0,
    'mains.V': d.cordOpen ? 0 : d.mainsV,
    'cord.itself.ohm': d.cordOpen ? Infinity : 0.2,
    'insulation.Mohm': leakOf(d),
    'cord.leak.Mohm': d.cordLeakMohm,
    'winding.leak.Mohm': d.windingLeakMohm,
    'control.ohm': d.controlShorted ? 0.5 : 1e6,
    'brush.mm': d.brushMm,
    'brush.stuck': d.brushStuck ? 1 : 0,
    'armature.bars.differ': d.barOpen ? 1 : 0,
    'field.ohm': d.fieldOpen ? Infinity : d.motor.ohm / 2,
    'commutator.black': d.pitted || d.barOpen ? 1 : 0,
    'shaft.rough': d.rough,
    'shaft.drag.times': d.seized ? Infinity : d.dragTimes,
    burnt: d.burnt ? 1 : 0,
    blew: d.blew ? 1 : 0,
    tingles: leakOf(d) < 0.2 ? 1 : 0,
  };
}

/** Both ways to the case beside each other. */
const leakOf = ({ cordLeakMohm: a, windingLeakMohm: b }: UniversalDrive): number => 1 / (1 / a + 1 / b);

const loose = (most: number, random: Random): number =>
  Number.isFinite(most) ? (most > 5 ? between(random, most / 4, most) : most) : Infinity;

/** Does current find its way through field and brushes? */
const conducts = (d: UniversalDrive): boolean => !d.fieldOpen && !d.brushStuck && Number.isFinite(d.brushOhm);

/** What power does to it: a motor that stands under volts burns, a live case kills. `switched`: all before the control makes. */
export const universalHarm = (d: UniversalDrive, switched: boolean): string[] => [
  ...(leakOf(d) < 0.2 && !d.cordOpen ? ['the case is live'] : []),
  ...(d.seized && switched && !d.cordOpen && !d.controlOpen && conducts(d) ? ['the winding burns'] : []),
];
