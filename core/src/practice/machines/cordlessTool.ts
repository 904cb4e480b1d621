/** A cordless drill: pack of five cells, trigger module, reversing switch, brushed motor with magnets, gearbox. */
import type { Random } from '../../numeric/index.js';
import {
  type Condition,
  type MachineFault,
  type Quantities,
  type Seen,
  between,
  evenly,
  faultOf,
  practiceMachine,
  within,
} from '../machine.js';
import { current, RPM, settledSpeed, type DcMotor } from '../motors/dcMotor.js';
import { say } from '../../words/index.js';

interface Tool {
  /** Volts without a load, and Ω of the cells and their leads. */
  packV: number;
  packOhm: number;
  swollen: boolean;
  contactOhm: number;
  mainOpen: boolean;
  trackWorn: boolean;
  triggerOpen: boolean;
  triggerShorted: boolean;
  /** Does the reversing switch make forward, and in reverse? */
  makes: readonly [boolean, boolean];
  motor: DcMotor;
  brushMm: number;
  brushOhm: number;
  brushStuck: boolean;
  barOpen: boolean;
  pitted: boolean;
  rough: number;
  dragTimes: number;
  seized: boolean;
  stripped: boolean;
  gearTimes: number;
  gearJammed: boolean;
  burnt: boolean;
}

/** Reduction of the gearbox, and the torque of a usual load at the motor's shaft, N·m. */
const GEARS = 20;
const LOAD_NM = 0.12;
/** Duty of the trigger at its first click. */
const LOW_DUTY = 0.3;

const build = (random: Random): Tool => ({
  packV: within(random, 20, 0.02),
  packOhm: within(random, 0.09, 0.1),
  swollen: false,
  contactOhm: 0.005,
  mainOpen: false,
  trackWorn: false,
  triggerOpen: false,
  triggerShorted: false,
  makes: [true, true],
  motor: { k: within(random, 0.0095, 0.03), ohm: within(random, 0.11, 0.05), friction: 0.012, viscous: 3e-6 },
  brushMm: within(random, 9, 0.1),
  brushOhm: 0.01,
  brushStuck: false,
  barOpen: false,
  pitted: false,
  rough: evenly(random, 0.1, 0.2),
  dragTimes: 1,
  seized: false,
  stripped: false,
  gearTimes: 1,
  gearJammed: false,
  burnt: false,
});

const fault = faultOf<Tool>();

/** From the pack to the motor's leads. */
const FEED: readonly MachineFault<Tool>[] = [
  fault('pack-flat', 'pack flat, its protection has cut', 8, (p) => void (p.packV = 0.2)),
  fault('cell-weak', 'a cell weak', 10, (p, random) => void (p.packOhm = between(random, 0.5, 1))),
  fault('cell-swollen', 'a cell swollen', 1, (p) => {
    p.swollen = true;
    p.packV = 1.5;
  }),
  fault(
    'contacts-burnt',
    'contacts of the pack burnt',
    4,
    (p, random) => void (p.contactOhm = between(random, 0.4, 0.9)),
  ),
  fault('main-burnt', 'main contact of the trigger burnt', 5, (p) => void (p.mainOpen = true)),
  fault('track-worn', 'track of the speed pot worn', 4, (p) => void (p.trackWorn = true)),
  fault('trigger-open', 'trigger module open', 5, (p) => void (p.triggerOpen = true)),
  fault('trigger-shorted', 'trigger module shorted', 6, (p) => void (p.triggerShorted = true)),
  fault('reverse-dead', 'reversing switch dead in reverse', 3, (p) => void (p.makes = [true, false])),
  fault('forward-dead', 'reversing switch dead forward', 3, (p) => void (p.makes = [false, true])),
  fault('reverse-burnt', 'reversing switch burnt', 3, (p) => void (p.makes = [false, false])),
];

/** Motor and gears. */
const TURNING: readonly MachineFault<Tool>[] = [
  fault('brushes-short', 'brushes under their limit, they still reach', 5, (p, random) => {
    p.brushMm = evenly(random, 4.2, 4.8);
    p.brushOhm = 0.03;
  }),
  fault('brushes-weak', 'brushes worn, springs slack', 5, (p, random) => {
    p.brushMm = evenly(random, 3, 4);
    p.brushOhm = between(random, 0.5, 1.2);
  }),
  fault('brushes-gone', 'brushes gone', 2, (p) => {
    p.brushMm = 2;
    p.brushOhm = Infinity;
  }),
  fault('brush-stuck', 'a brush stuck in its holder', 3, (p) => void (p.brushStuck = true)),
  fault('bar-open', 'a coil of the armature open', 2, (p) => {
    p.barOpen = true;
    p.burnt = true;
  }),
  fault('commutator-black', 'commutator black and pitted', 3, (p) => void (p.pitted = true)),
  fault('bearing-dry', 'bearing dry: noisy', 5, (p) => void (p.rough = 1)),
  fault('bearing-stiff', 'bearing stiff', 3, (p, random) => {
    p.dragTimes = between(random, 12, 25);
    p.rough = 0.8;
  }),
  fault('seized', 'motor seized', 1, (p) => void (p.seized = true)),
  fault('gear-stripped', 'a gear stripped', 5, (p) => void (p.stripped = true)),
  fault('gear-dry', 'grease of the gears gone', 5, (p, random) => void (p.gearTimes = between(random, 5, 9))),
  fault('gear-jammed', 'gearbox jammed', 2, (p) => void (p.gearJammed = true)),
];

/** Whatever it is given, it does not turn: behind a stripped gear nothing holds the motor. */
const standsStill = (p: Tool): boolean => p.seized || (p.gearJammed && !p.stripped);

/** Do brushes and reversing switch let current through, forward? */
const conducts = (p: Tool): boolean => p.makes[0] && !p.brushStuck && Number.isFinite(p.brushOhm);

/** Duty that the trigger lets through. */
function dutyOf(p: Tool, low: boolean): number {
  if (p.triggerOpen || p.mainOpen) return 0;
  if (p.triggerShorted) return 1;
  return low ? (p.trackWorn ? 0 : LOW_DUTY) : 1;
}

function solve(p: Tool, c: Condition, random: Random): Quantities {
  const way = p.makes[c.mode === 'reverse' ? 1 : 0];
  const duty = dutyOf(p, c.setting === 'low');
  const touches = (!p.brushStuck || c.tapped) && Number.isFinite(p.brushOhm);
  const brush = p.brushOhm > 0.1 ? between(random, p.brushOhm / 3, p.brushOhm) : p.brushOhm;
  const ohm = touches ? (p.motor.ohm + brush) * (p.barOpen ? 2.2 : 1) : Infinity;
  const source = p.packOhm + p.contactOhm;
  const geared = p.stripped ? 0.4 : p.gearTimes;
  const friction = p.motor.friction * p.dragTimes * geared;
  const motor: DcMotor = { ...p.motor, ohm: ohm + source, friction, viscous: p.motor.viscous * Math.sqrt(geared) };
  const stands = standsStill(p);
  const fed = way ? p.packV * duty : 0;
  const load = c.loaded && !p.stripped ? LOAD_NM : 0;
  const speed = stands ? 0 : settledSpeed(motor, fed, load);
  const amps = way && Number.isFinite(ohm) ? Math.max(0, stands ? fed / motor.ohm : current(motor, fed, speed)) : 0;
  const turns = speed * RPM;
  const sparks =
    turns > 50
      ? Math.max(
          0.1,
          p.brushMm < 5 ? 0.6 : 0,
          p.barOpen ? 1 : 0,
          p.pitted ? 0.8 : 0,
          p.brushOhm > 0.2 || p.brushStuck ? 0.7 : 0,
        )
      : 0;
  return {
    'spindle.rpm': p.stripped ? 0 : turns / GEARS,
    'motor.rpm': turns,
    'motor.V': way ? Math.max(0, (p.packV - amps * source) * duty) : 0,
    'feed.V': Math.max(0, p.packV - amps * source),
    sparks,
    'motor.roughness': turns > 50 ? p.rough : 0,
    'gears.grind': turns > 50 ? (p.stripped ? 1 : p.gearTimes > 2 ? 0.7 : 0.1) : 0,
    'pack.V': p.packV,
    'pack.ohm': p.packOhm,
    'pack.swollen': p.swollen ? 1 : 0,
    'contacts.ohm': p.contactOhm,
    'main.ohm': p.mainOpen ? Infinity : 0.05,
    'track.worn': p.trackWorn ? 1 : 0,
    'control.ohm': p.triggerShorted ? 0.1 : 1e6,
    'forward.ohm': p.makes[0] ? 0.05 : Infinity,
    'reverse.ohm': p.makes[1] ? 0.05 : Infinity,
    'brush.mm': p.brushMm,
    'brush.stuck': p.brushStuck ? 1 : 0,
    'armature.bars.differ': p.barOpen ? 1 : 0,
    'field.ohm': 1,
    'winding.leak.Mohm': 50,
    'commutator.black': p.pitted || p.barOpen ? 1 : 0,
    'shaft.rough': p.rough,
    'shaft.drag.times': p.seized ? Infinity : p.dragTimes,
    'gear.stripped': p.stripped ? 1 : 0,
    'gear.times': p.gearTimes,
    'gear.jammed': p.gearJammed ? 1 : 0,
    burnt: p.burnt ? 1 : 0,
    blew: 0,
    tingles: 0,
  };
}

/** Turns of the spindle of a sound one at full trigger, free and loaded, a minute. */
const USUAL = { free: 995, loaded: 865 };

/** What its owner notices first. */
function complain(at: (quantity: string, condition?: Partial<Condition>) => Seen): string | null {
  const rpm = (more: Partial<Condition>) => at('spindle.rpm', { setting: 'high', ...more }).mean;
  const [free, low, loaded, back] = [rpm({}), rpm({ setting: 'low' }), rpm({ loaded: true }), rpm({ mode: 'reverse' })];
  if (at('pack.swollen').mean > 0) return say`Its pack is fat, and it does nothing.`;
  if (free < 30 && back < 30)
    return at('motor.rpm', { setting: 'high' }).mean > 500
      ? say`The motor runs, the chuck stands.`
      : say`It does nothing.`;
  if (free < 30) return say`It turns backward only.`;
  if (back < 30) return say`It does not turn backward.`;
  if (low < 30) return say`It does not start gently.`;
  if (low > 0.7 * free) return say`It runs at full speed at once.`;
  if (free < 0.85 * USUAL.free || loaded < 0.8 * USUAL.loaded) return say`It has no strength.`;
  if (at('sparks', { setting: 'high' }).mean > 0.5) return say`It sparks.`;
  const loud =
    at('motor.roughness', { setting: 'high' }).mean > 0.6 || at('gears.grind', { setting: 'high' }).mean > 0.5;
  return loud ? say`It is loud.` : null;
}

/** The cordless drill of the practice bench. */
export const cordlessTool = practiceMachine<Tool>({
  id: 'cordless-tool',
  name: 'cordless drill with a brushed motor',
  settings: ['high', 'low'],
  answersTo: ['tapped', 'loaded'],
  build,
  faults: [...FEED, ...TURNING],
  solve,
  sounds: [{ quantity: 'motor.rpm', part: 'armature', lines: 'bars', count: 5, loud: 0.15 }],
  hands: [{ id: 'main', name: 'main contact bridged', make: (p) => void (p.mainOpen = false) }],
  complain,
  spoils: { 'the winding burns': 'bar-open' },
  harm: (p) => [
    ...(p.swollen ? ['a swollen cell is loaded'] : []),
    ...(standsStill(p) && p.packV > 5 && !p.mainOpen && !p.triggerOpen && conducts(p) ? ['the winding burns'] : []),
  ],
});
