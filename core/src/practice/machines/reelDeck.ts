/** An open-reel deck: mains capstan motor with two pole pairs, belt, flywheel, pinch solenoid, two reel motors with torque resistors, brakes. */
import type { Random } from '../../numeric/index.js';
import {
  smallSupply,
  supplyFaults,
  supplyHarm,
  supplyQuantities,
  supplyTrace,
  type SmallSupply,
} from '../electric/supply.js';
import {
  type Condition,
  type MachineFault,
  type Quantities,
  type Seen,
  between,
  chance,
  faultOf,
  practiceMachine,
  together,
  within,
} from '../machine.js';
import { balancing, drifted, fieldOf, halfOpen, inStep, type SplitPhase } from '../motors/splitPhase.js';
import { reelOf, torqueOf, type Reel } from './reelMotor.js';
import { say } from '../../words/index.js';

const MAINS_HZ = 50;
/** Poles at 19.05 and at 9.53 cm/s: half the speed by twice the poles (definition). */
const POLES = { '19': 8, '9.5': 16 } as const;
/** Radius of the tape on the supply reel, mm: full, in the middle, at the end (a reel of 26.5 cm). */
const RADIUS_MM = { start: 130, middle: 90, end: 57 } as const;

interface ReelDeck {
  supply: SmallSupply;
  lampDead: boolean;
  relayDead: boolean;
  endSwitchOpen: boolean;
  poleOpen: boolean;
  poleStuck: boolean;
  motor: SplitPhase;
  friction: number;
  viscous: number;
  coldTimes: number;
  seized: boolean;
  knock: number;
  burnt: boolean;
  beltSlip: number;
  beltOn: boolean;
  /** Part by which the belt's step is off: 1 on its own. */
  step: number;
  /** Drag of the capstan at the motor's shaft, N·m, and so many times it cold. */
  dragNm: number;
  dragCold: number;
  pinchHard: number;
  solenoidStuck: boolean;
  supplyReel: Reel;
  takeUpReel: Reel;
  brake: number;
}

const DRAG_NM = 3e-3;

function build(random: Random): ReelDeck {
  const ohm = within(random, 900, 0.03);
  const coils = { ohm: [ohm, ohm * within(random, 1, 0.01)] as const, reactance: within(random, 1400, 0.03) };
  return {
    supply: smallSupply(random, { secondaryV: 26, regulatorV: 24, loadA: 0.2 }),
    lampDead: false,
    relayDead: false,
    endSwitchOpen: false,
    poleOpen: false,
    poleStuck: false,
    motor: {
      ...coils,
      farad: balancing(coils, MAINS_HZ) * within(random, 1, 0.05),
      poles: POLES['19'],
      torquePerA: 0.45,
    },
    friction: 4e-3,
    viscous: 6e-5,
    coldTimes: 1.2,
    seized: false,
    knock: 0.1,
    burnt: false,
    beltSlip: 0.003,
    beltOn: true,
    step: 1,
    dragNm: DRAG_NM,
    dragCold: 1.1,
    pinchHard: 0.03,
    solenoidStuck: false,
    supplyReel: reelOf(random, 0.37),
    takeUpReel: reelOf(random, 0.45),
    brake: 1,
  };
}

const fault = faultOf<ReelDeck>();
const reelFaults = (key: 'supplyReel' | 'takeUpReel', id: string, name: string): readonly MachineFault<ReelDeck>[] => [
  fault(`${id}-resistor`, `torque resistor of the ${name} reel open`, 4, (p) => void (p[key].playPart = 0)),
  fault(`${id}-weak`, `run capacitor of the ${name} reel dried out`, 5, (p, random) => {
    const { motor } = p[key];
    p[key].motor = { ...motor, farad: motor.farad * between(random, 0.5, 0.7) };
  }),
  fault(`${id}-dead`, `winding of the ${name} reel open`, 2, (p) => {
    p[key].motor = { ...p[key].motor, ohm: [Infinity, Infinity] };
  }),
];
const OWN: readonly MachineFault<ReelDeck>[] = [
  fault('lamp-dead', 'lamp dead', 3, (p) => void (p.lampDead = true)),
  fault('relay-dead', 'function relay dead', 4, (p) => void (p.relayDead = true)),
  fault('end-switch', 'tape-end switch stays open', 6, (p) => void (p.endSwitchOpen = true)),
  fault('pole-open', 'speed switch open at 9.5', 5, (p) => void (p.poleOpen = true)),
  fault('pole-stuck', 'speed relay does not change over', 3, (p) => void (p.poleStuck = true)),
  fault('capacitor-open', 'run capacitor of the capstan open', 5, (p) => void (p.motor = { ...p.motor, farad: 0 })),
  fault('capacitor-weak', 'run capacitor of the capstan out of value', 7, (p, random) => {
    p.motor = drifted(p.motor, random);
  }),
  fault('motor-gummed', 'capstan motor gummed', 6, (p, random) => {
    p.coldTimes = between(random, 9, 16);
    p.knock = 0.6;
  }),
  fault('motor-dry', 'capstan motor dry', 5, (p) => void (p.knock = 0.9)),
  fault('motor-seized', 'capstan motor seized', 1.5, (p, random) => {
    p.seized = true;
    p.burnt = chance(random, 0.4);
  }),
  fault('winding-open', 'a winding of the capstan motor open', 3, (p, random) => {
    p.motor = halfOpen(p.motor, random);
  }),
  fault(
    'belt-slips',
    'capstan belt stretched and glazed',
    10,
    (p, random) => void (p.beltSlip = between(random, 0.02, 0.12)),
  ),
  fault('belt-off', 'capstan belt gone', 5, (p) => void (p.beltOn = false)),
  fault('other-step', 'belt on the other step', 0.3, (p, random) => void (p.step = chance(random, 0.5) ? 0.83 : 1.2)),
  fault('capstan-dry', 'capstan bearing dry', 6, (p, random) => {
    p.dragCold = between(random, 14, 20);
    p.dragNm *= 1.5;
  }),
  fault('pinch-hard', 'pinch roller hard', 10, (p, random) => void (p.pinchHard = between(random, 0.45, 1))),
  fault('solenoid', 'pinch solenoid sticks', 5, (p) => void (p.solenoidStuck = true)),
  fault(
    'holdback-high',
    'holdback set too high',
    5,
    (p, random) => void (p.supplyReel.playPart = between(random, 0.58, 0.75)),
  ),
  ...reelFaults('supplyReel', 'supply-reel', 'supply'),
  ...reelFaults('takeUpReel', 'take-up-reel', 'take-up'),
  fault('brakes-worn', 'felts of the brakes oily', 8, (p, random) => void (p.brake = between(random, 0.15, 0.4))),
  fault('brakes-drag', 'brakes do not lift', 5, (p, random) => {
    p.brake = between(random, 1, 1.8);
    p.supplyReel.brakeDrag = between(random, 0.3, 0.6);
    if (chance(random, 0.7)) p.takeUpReel.brakeDrag = between(random, 0.3, 0.6);
  }),
];

interface Turning {
  readonly rpm: number;
  readonly hum: number;
}

/** In step while the field pulls more than what holds it; a field alike both ways stands and hums. */
function turning(p: ReelDeck, volts: number, poles: number, c: Condition, load: number): Turning {
  const field = fieldOf(p.motor, volts, MAINS_HZ);
  const most = Math.max(field.forward, field.backward);
  if (most < 1e-3) return { rpm: 0, hum: 0 };
  const hum = Math.min(field.forward, field.backward) / most;
  const cold = 1 + (p.coldTimes - 1) * (1 - c.warm);
  const held = p.friction * Math.sqrt(cold) + load;
  // Twice the poles pull as much at half the speed.
  const pull = p.motor.torquePerA * (field.forward - 0.6 * field.backward);
  if (p.seized || hum > 0.8 || pull <= held) return { rpm: 0, hum: 1 };
  const free = ((pull - held) / (p.viscous * cold)) * (30 / Math.PI);
  const sync = inStep(MAINS_HZ, poles);
  return { rpm: Math.min(sync, free), hum };
}

/** Pull of the supply reel on the tape in grams, and what goes wrong with the tape between roller and capstan. */
function tapeQuantities(p: ReelDeck, c: Condition, ordered: boolean, capstan: number, nominal: number, mainsV: number) {
  const place = c.mode === 'end' || c.mode === 'start' ? c.mode : 'middle';
  const plays = ordered && c.mode !== 'stop';
  const back = torqueOf(p.supplyReel, mainsV, p.supplyReel.playPart) + p.supplyReel.brakeDrag;
  // A torque of 1 pulls 440 g in the middle of the reel.
  const gram = plays ? (back * 440 * RADIUS_MM.middle) / RADIUS_MM[place] : 0;
  // A roller holds so many grams before the tape slides under it.
  const grip = 700 * (1 - 0.75 * p.pinchHard);
  const slides = 0.001 * (gram / 60) + 0.25 * Math.max(0, gram / grip - 0.32);
  const pressed = plays && !p.solenoidStuck && c.mode !== 'wind' && c.mode !== 'rewind';
  const tape = pressed ? capstan * (1 - Math.min(1, slides)) : 0;
  return {
    'holdback.gram': gram,
    'tape.error.percent': 100 * (tape / nominal - 1),
    'warble.percent': tape > 1 && p.pinchHard > 0.2 ? p.pinchHard : 0,
  };
}

function solve(p: ReelDeck, c: Condition): Quantities {
  const supply = supplyQuantities(p.supply, c);
  const board = supply['board.V'];
  const mainsV = p.supply.cordOpen || p.supply.fuseOpen ? 0 : p.supply.mainsV;
  const ordered = board > 14 && !p.relayDead && !p.endSwitchOpen;
  const slow = c.setting === '9.5';
  const poles = slow && !p.poleStuck ? POLES['9.5'] : POLES['19'];
  const drives = p.beltOn && !c.off.includes('belt');
  const load = drives ? p.dragNm * (1 + (p.dragCold - 1) * (1 - c.warm)) : 0;
  const motor = turning(p, slow && p.poleOpen ? 0 : mainsV, poles, c, 0);
  // What the belt has to pull shows as slip of it.
  const slip = Math.min(0.95, p.beltSlip * (0.6 + 0.4 * (load / DRAG_NM)) + Math.max(0, load / DRAG_NM - 3) * 0.004);
  const nominal = inStep(MAINS_HZ, slow ? POLES['9.5'] : POLES['19']) * (1 - 0.004);
  const capstan = drives ? motor.rpm * p.step * (1 - slip) : 0;
  const brakes = (reel: Reel) => reel.brakeDrag;
  const winding = (pulls: Reel, other: Reel) =>
    ordered ? Math.max(0, torqueOf(pulls, mainsV, 1) - 1.2 * brakes(pulls) - 0.4 * brakes(other)) : 0;
  return together(
    supply,
    tapeQuantities(p, c, ordered, capstan, nominal, mainsV),
    {
      burnt: Math.max(supply.burnt ?? 0, p.burnt ? 1 : 0),
      lamps: supply['secondary.Vac']! > 8 && !p.lampDead ? 1 : 0,
      'order.V': ordered ? 24 : 0,
      'motor.rpm': motor.rpm,
      'motor.hum': motor.hum,
      'motor.knock': motor.rpm > 5 ? p.knock : 0,
      'motor.error.percent': 100 * (motor.rpm / inStep(MAINS_HZ, slow ? POLES['9.5'] : POLES['19']) - 1),
      'capstan.error.percent': 100 * (capstan / nominal - 1),
      'take-up.part': ordered
        ? Math.max(0, torqueOf(p.takeUpReel, mainsV, p.takeUpReel.playPart) / 0.2 - 1.2 * brakes(p.takeUpReel))
        : 0,
      'wind.part': winding(p.takeUpReel, p.supplyReel),
      'rewind.part': winding(p.supplyReel, p.takeUpReel),
      'stop.part': p.brake,
      'pinch.home': ordered && c.mode !== 'stop' && !p.solenoidStuck ? 1 : 0,
    },
    lookedAt(p, c),
  );
}

/** What is seen and measured of it lying dead. */
function lookedAt(p: ReelDeck, c: Condition): Quantities {
  const wanted = { supply: 0.37, takeUp: 0.45 };
  const capacitor = ({ motor, sound }: Reel) => motor.farad / sound.farad;
  return {
    'lamps.ohm': p.lampDead ? Infinity : 40,
    'relay.dead': p.relayDead ? 1 : 0,
    'end.switch.ohm': p.endSwitchOpen ? Infinity : 0.2,
    'pole.open': p.poleOpen ? 1 : 0,
    'pole.stuck': p.poleStuck ? 1 : 0,
    'capacitor.part': p.motor.farad / balancing({ ohm: [900, 900], reactance: 1400 }, MAINS_HZ),
    'winding.a.ohm': p.motor.ohm[0],
    'winding.b.ohm': p.motor.ohm[1],
    'shaft.drag.times': p.seized ? Infinity : 1 + (p.coldTimes - 1) * (1 - c.warm),
    'shaft.rough': p.knock,
    'belt.there': p.beltOn ? 1 : 0,
    'belt.slack': p.beltSlip,
    'belt.step': p.step,
    'flywheel.coast.s': 40 / (1 + (p.dragCold - 1) * (1 - c.warm)) ** 0.6,
    'pinch.hard': p.pinchHard,
    'supply-reel.drag': p.supplyReel.brakeDrag,
    'take-up-reel.drag': p.takeUpReel.brakeDrag,
    'supply-reel.resistor.part': p.supplyReel.playPart / wanted.supply,
    'take-up-reel.resistor.part': p.takeUpReel.playPart / wanted.takeUp,
    'supply-reel.capacitor.part': capacitor(p.supplyReel),
    'take-up-reel.capacitor.part': capacitor(p.takeUpReel),
    'supply-reel.ohm': p.supplyReel.motor.ohm[0],
    'take-up-reel.ohm': p.takeUpReel.motor.ohm[0],
  };
}

function complain(at: (quantity: string, condition?: Partial<Condition>) => Seen): string | null {
  const tape = (more: Partial<Condition> = {}) => at('tape.error.percent', more).mean;
  const [cold, warm, slow, end] = [tape(), tape({ warm: 1 }), tape({ setting: '9.5' }), tape({ mode: 'end' })];
  if (at('tingles').mean > 0) return say`It tingles when I touch it.`;
  if (at('lamps').mean === 0 && at('motor.hum').mean === 0) return say`It is dead.`;
  if (at('wind.part').mean < 0.1 && at('rewind.part').mean < 0.1) return say`It hears no button.`;
  if (cold < -95) return say`It winds and does not play.`;
  if (at('wind.part').mean < 0.6) return say`It winds badly.`;
  if (at('rewind.part').mean < 0.6) return say`It rewinds badly.`;
  if (at('take-up.part').mean < 0.6) return say`It throws the tape out behind the capstan.`;
  if (Math.abs(cold - warm) > 1.2)
    return Math.abs(warm) > 1.2 ? say`It stops as it gets warm.` : say`It comes to its speed only when it is warm.`;
  if (Math.abs(cold) > 1.2) return cold < 0 ? say`It plays too slow.` : say`It plays too fast.`;
  if (Math.abs(slow) > 1.2) return say`It is wrong at the slow speed.`;
  if (end < -1) return say`It gets slower towards the end of a reel.`;
  if (at('warble.percent').mean > 0.3) return say`It warbles.`;
  if (at('stop.part').mean < 0.5) return say`It throws loops when it stops.`;
  if (at('motor.knock').mean > 0.45 || at('motor.hum').mean > 0.35) return say`Its motor makes a noise.`;
  if (at('holdback.gram').mean < 30) return say`The tape hangs loose before the heads.`;
  return at('lamps').mean > 0 ? null : say`Its lamp is dark.`;
}

/** The open-reel deck of the practice bench. */
export const reelDeck = practiceMachine<ReelDeck>({
  id: 'reel-deck',
  name: 'open-reel deck with a mains capstan motor',
  settings: ['19', '9.5'],
  answersTo: ['warm'],
  build,
  faults: [...supplyFaults<ReelDeck>(), ...OWN],
  solve,
  trace: (p, condition, quantity) => supplyTrace(p.supply, condition, quantity),
  hands: [{ id: 'pole', name: 'speed switch bridged', make: (p) => void (p.poleOpen = false) }],
  complain,
  spoils: { 'the winding burns': 'winding-open', 'the transformer cooks': 'turns-shorted' },
  harm: (p) => [
    ...supplyHarm(p.supply),
    ...(p.seized && !p.supply.cordOpen && !p.supply.fuseOpen ? ['the winding burns'] : []),
  ],
});
