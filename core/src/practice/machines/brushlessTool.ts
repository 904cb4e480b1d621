/** A cordless blower: pack of ten cells, controller with its reference and trigger pot, bridge, motor, fan. */
import type { Random } from '../../numeric/index.js';
import {
  type Condition,
  type Quantities,
  type Seen,
  between,
  chance,
  evenly,
  faultOf,
  practiceMachine,
  swing,
  together,
  within,
} from '../machine.js';
import { anyPhase } from '../motors/threePhase.js';
import { bridgeDrive, bridgeFaults, bridgeQuantities, bridgeShorted, type BridgeDrive } from './bridgeDrive.js';
import { say } from '../../words/index.js';

interface Blower {
  packV: number;
  packOhm: number;
  swollen: boolean;
  interlockOpen: boolean;
  mainOpen: boolean;
  fuseOpen: boolean;
  /** Ω of the bulk capacitor at the bridge's rate: dried out, the bus sags with every pulse. */
  bulkEsr: number;
  logicDead: boolean;
  gateDead: boolean;
  potOpen: boolean;
  potWorn: boolean;
  drive: BridgeDrive;
  jammed: boolean;
  slips: boolean;
}

/** Torque of the fan at full speed, and of a blocked nozzle, N·m. */
const FAN_NM = 0.05;
const LOADED_NM = 0.32;
/** Under this a controller stops for the pack's sake, volts of ten cells (common practice: 3.0 V a cell). */
const CUT_V = 30;
const LOW_DUTY = 0.35;

const build = (random: Random): Blower => ({
  packV: within(random, 39, 0.03),
  packOhm: within(random, 0.12, 0.1),
  swollen: false,
  interlockOpen: false,
  mainOpen: false,
  fuseOpen: false,
  bulkEsr: 0.02,
  logicDead: false,
  gateDead: false,
  potOpen: false,
  potWorn: false,
  drive: bridgeDrive(random, { ohm: 0.12, k: 0.02, friction: 0.01 }),
  jammed: false,
  slips: false,
});

const fault = faultOf<Blower>();
const OWN = [
  fault('pack-flat', 'pack flat, its protection has cut', 9, (p) => void (p.packV = 0.3)),
  fault('cell-weak', 'a cell weak', 8, (p, random) => void (p.packOhm = between(random, 0.7, 1.4))),
  fault('cell-swollen', 'a cell swollen', 1, (p) => {
    p.swollen = true;
    p.packV = 2;
  }),
  fault('interlock-open', 'contact that tells the pack is seated open', 5, (p) => void (p.interlockOpen = true)),
  fault('main-burnt', 'main contact of the trigger burnt', 7, (p) => void (p.mainOpen = true)),
  fault('fuse-open', 'fuse open', 3, (p) => {
    p.fuseOpen = true;
    p.drive.blew = true;
  }),
  fault('bulk-dry', 'bulk capacitor dried out', 5, (p, random) => void (p.bulkEsr = between(random, 0.5, 1.2))),
  fault('logic-dead', 'regulator of the logic shorted', 6, (p) => void (p.logicDead = true)),
  fault('gate-dead', 'gate driver dead', 4, (p) => void (p.gateDead = true)),
  fault('pot-open', 'wiper of the trigger pot open', 5, (p) => void (p.potOpen = true)),
  fault('pot-worn', 'track of the trigger pot worn', 5, (p) => void (p.potWorn = true)),
  fault('hall-dead', 'a Hall of the motor dead', 5, ({ drive }, random) => {
    drive.stuck[anyPhase(random)] = chance(random, 0.5) ? 0 : 1;
  }),
  fault('magnet-loose', 'a magnet of the rotor loose', 2, ({ drive }) => void (drive.magnetLoose = true)),
  fault('jammed', 'fan jammed', 7, (p) => void (p.jammed = true)),
  fault('fan-slips', 'fan slips on its shaft', 4, (p) => void (p.slips = true)),
];

function solve(p: Blower, c: Condition, random: Random): Quantities {
  const reaches = !p.interlockOpen && !p.mainOpen && !p.fuseOpen;
  const fed = reaches ? p.packV : 0;
  const logic = fed > 5 && !p.logicDead;
  const wiper = c.setting === 'low' ? LOW_DUTY : 1;
  const duty = !logic || p.potOpen || p.gateDead ? 0 : wiper * (p.potWorn ? evenly(random, 0.5, 1) : 1);
  const loadNm = p.jammed ? 50 : p.slips ? 0.01 : c.loaded ? LOADED_NM : FAN_NM;
  const turn = (packOhm: number) =>
    bridgeQuantities(p.drive, { busV: fed > 5 ? fed : 0, sagOhm: packOhm + p.bulkEsr, duty, loadNm });
  const motor = turn(p.packOhm);
  const speed = motor['motor.rpm'] / (30 / Math.PI);
  const amps = speed > 0 ? loadNm / p.drive.k : 0;
  const sagged = fed - amps * p.packOhm;
  // A pack that sags under its limit is let go of, again and again.
  const starved = speed > 0 && sagged < CUT_V;
  const rpm = motor['motor.rpm'] * (starved ? 0.45 : 1);
  return together(motor, {
    'motor.rpm': rpm,
    'fan.rpm': p.slips ? 0.4 * rpm : rpm,
    // What cannot turn is let go of as soon as the guard sees its current.
    'motor.kicks': p.jammed && duty > 0 && motor['motor.rpm'] === 0 ? 1 : motor['motor.kicks'],
    lamp: logic ? (starved ? 0.5 : 1) : 0,
    'pack.V': p.packV,
    'pack.ohm': p.packOhm,
    'pack.swollen': p.swollen ? 1 : 0,
    'interlock.ohm': p.interlockOpen ? Infinity : 0.1,
    'main.ohm': p.mainOpen ? Infinity : 0.05,
    'fuse.ohm': p.fuseOpen ? Infinity : 0.02,
    'controller.V': starved ? sagged : fed,
    'reference.V': logic ? 5 : 0,
    'pot.ohm': p.potOpen ? Infinity : 10_000,
    'pot.wander': p.potWorn ? swing(random, 0.3) : 0,
    'bulk.esr.ohm': p.bulkEsr,
    'logic.ohm': p.logicDead ? 3 : 5000,
    'gate.differs': p.gateDead ? 1 : 0,
    'fan.jammed': p.jammed ? 1 : 0,
    'fan.slips': p.slips ? 1 : 0,
    tingles: 0,
  });
}

/** Turns of the fan of a sound one at full trigger, free and blocked, a minute. */
const USUAL = { free: 17_600, loaded: 14_600 };

function complain(at: (quantity: string, condition?: Partial<Condition>) => Seen): string | null {
  const fan = (more: Partial<Condition> = {}) => at('fan.rpm', { setting: 'high', ...more });
  if (at('pack.swollen').mean > 0) return say`Its pack is fat, and it does nothing.`;
  if (at('motor.kicks').mean > 0) return say`It kicks once and stops.`;
  if (fan().mean < 100) return at('lamp').mean > 0 ? say`The light comes on, it does not turn.` : say`It is dead.`;
  if (fan().spread > 0.03 * USUAL.free) return say`It hunts.`;
  if (fan().mean < 0.85 * USUAL.free || fan({ loaded: true }).mean < 0.8 * USUAL.loaded)
    return say`It has no strength.`;
  return at('motor.roughness').mean > 0.6 ? say`It grinds.` : null;
}

/** The cordless blower of the practice bench. */
export const brushlessTool = practiceMachine<Blower>({
  id: 'brushless-tool',
  name: 'cordless blower with a brushless motor',
  settings: ['high', 'low'],
  answersTo: ['loaded'],
  build,
  faults: [...OWN, ...bridgeFaults<Blower>()],
  solve,
  sounds: [
    { quantity: 'fan.rpm', part: 'fan', lines: 'blades', count: 9, loud: 0.18 },
    { quantity: 'motor.rpm', part: 'rotor', lines: 'pole pairs', count: 2, loud: 0.05 },
  ],
  hands: [{ id: 'main', name: 'main contact bridged', make: (p) => void (p.mainOpen = false) }],
  complain,
  spoils: { 'the bridge burns': 'switch-open', 'the motor pulls its stall current': 'winding-shorted' },
  harm: (p) => {
    const fed = p.packV > 5 && !p.interlockOpen && !p.mainOpen && !p.fuseOpen;
    return [
      ...(p.swollen ? ['a swollen cell is loaded'] : []),
      ...(fed && (bridgeShorted(p.drive) || p.drive.caseMohm < 0.5) ? ['the bridge burns'] : []),
      ...(fed && p.jammed ? ['the motor pulls its stall current'] : []),
    ];
  },
});
