/** A belt turntable with a two-winding synchronous motor straight on the mains. */
import type { Random } from '../../numeric/index.js';
import {
  type Condition,
  type MachineFault,
  type Quantities,
  type Seen,
  between,
  chance,
  evenly,
  faultOf,
  practiceMachine,
  within,
} from '../machine.js';
import { balancing, drifted, fieldOf, halfOpen, inStep, type SplitPhase } from '../motors/splitPhase.js';
import { say } from '../../words/index.js';

const NOMINAL = 100 / 3;
const MAINS_HZ = 50;
const POLES = 16;

interface Deck {
  mainsV: number;
  cordOpen: boolean;
  cordLeakMohm: number;
  windingLeakMohm: number;
  burnt: boolean;
  switchOpen: boolean;
  /** Ω of the switch when it is on, and of what bridges it when it is off. */
  switchOhm: number;
  offOhm: number;
  droppersOpen: boolean;
  motor: SplitPhase;
  /** Friction at the motor's shaft that does not depend on speed, and that which does, cold, over warm. N·m. */
  friction: number;
  viscous: number;
  coldTimes: number;
  seized: boolean;
  knock: number;
  capLoose: boolean;
  mountHard: boolean;
  pulleyMm: number;
  pulleySlip: number;
  beltOn: boolean;
  beltSlip: number;
  beltStiff: number;
  /** Drag of the platter bearing at the motor's shaft, N·m. */
  dragNm: number;
  bearingRough: number;
  bearingPlay: number;
}

/** Pulley for this mains; the platter is 200 mm, the belt 0.6 mm. */
const PULLEY_MM = ((200 + 0.6) * NOMINAL) / inStep(MAINS_HZ, POLES) / (1 - 0.004) - 0.6;

function build(random: Random): Deck {
  const ohm = within(random, 3500, 0.05);
  const coils = { ohm: [ohm, ohm * within(random, 1, 0.01)] as const, reactance: within(random, 4500, 0.03) };
  return {
    mainsV: within(random, 230, 0.04),
    cordOpen: false,
    cordLeakMohm: within(random, 200, 0.5),
    windingLeakMohm: within(random, 60, 0.5),
    burnt: false,
    switchOpen: false,
    switchOhm: 0.2,
    offOhm: Infinity,
    droppersOpen: false,
    motor: { ...coils, farad: balancing(coils, MAINS_HZ) * within(random, 1, 0.05), poles: POLES, torquePerA: 0.3 },
    friction: 1e-3,
    viscous: 3e-5,
    coldTimes: 1.2,
    seized: false,
    knock: 0.1,
    capLoose: false,
    mountHard: false,
    pulleyMm: within(random, PULLEY_MM, 0.002),
    pulleySlip: 0,
    beltOn: true,
    beltSlip: 0.004,
    beltStiff: 0.05,
    dragNm: 1e-3,
    bearingRough: 0.1,
    bearingPlay: 0.02,
  };
}

const fault = faultOf<Deck>();

const FAULTS: readonly MachineFault<Deck>[] = [
  fault('cord-open', 'cord broken at the plug', 4, (p) => void (p.cordOpen = true)),
  fault(
    'lead-on-case',
    'a lead of the cord touches the plinth',
    0.6,
    (p, random) => void (p.cordLeakMohm = evenly(random, 1e-4, 0.0201)),
  ),
  fault('switch-open', 'switch worn', 6, (p) => void (p.switchOpen = true)),
  fault('switch-ohms', 'switch burnt', 2, (p, random) => void (p.switchOhm = between(random, 12_000, 30_000))),
  fault('spark-capacitor', 'spark capacitor leaks', 8, (p, random) => void (p.offOhm = between(random, 8000, 20_000))),
  fault('switch-welded', 'switch stays shut', 2, (p) => void (p.offOhm = 0.2)),
  fault('capacitor-open', 'run capacitor open', 6, (p) => void (p.motor = { ...p.motor, farad: 0 })),
  fault('capacitor-weak', 'run capacitor out of value', 8, (p, random) => {
    p.motor = drifted(p.motor, random);
  }),
  fault('dropper-open', 'dropper open', 3, (p) => void (p.droppersOpen = true)),
  fault('winding-open', 'a winding open', 3, (p, random) => {
    p.motor = halfOpen(p.motor, random);
  }),
  fault('turns-shorted', 'turns of a winding shorted', 1, (p, random) => {
    const [a, b] = p.motor.ohm;
    p.motor = { ...p.motor, ohm: [a * evenly(random, 0.3, 0.5), b] };
    p.burnt = true;
  }),
  fault(
    'winding-leaks',
    'a winding leaks to the frame',
    0.8,
    (p, random) => void (p.windingLeakMohm = evenly(random, 1e-3, 0.101)),
  ),
  fault('bearing-gummed', 'motor bearing gummed', 8, (p, random) => {
    p.coldTimes = between(random, 6, 9);
    p.knock = 0.6;
  }),
  fault('bearing-dry', 'motor bearing dry', 7, (p) => void (p.knock = 0.9)),
  fault('seized', 'motor seized', 2, (p) => void (p.seized = true)),
  fault('end-cap', 'end cap of the motor loose', 4, (p) => {
    p.capLoose = true;
    p.knock = 0.8;
  }),
  fault('mount-hard', 'rubber of the mount hard', 7, (p) => void (p.mountHard = true)),
  fault(
    'pulley-slips',
    'pulley slips on its shaft',
    5,
    (p, random) => void (p.pulleySlip = between(random, 0.03, 0.5)),
  ),
  fault('pulley-mains', 'pulley for 60 Hz', 4, (p) => void (p.pulleyMm = ((p.pulleyMm + 0.6) * 5) / 6 - 0.6)),
  fault('belt-slips', 'belt stretched and shiny', 10, (p, random) => void (p.beltSlip = between(random, 0.02, 0.12))),
  fault('belt-stiff', 'belt took a set', 4, (p, random) => void (p.beltStiff = between(random, 0.35, 1))),
  fault('belt-off', 'belt off', 4, (p) => void (p.beltOn = false)),
  fault('platter-dry', 'platter bearing dry', 5, (p, random) => {
    p.dragNm *= between(random, 4, 7);
    p.bearingRough = 0.8;
  }),
  fault('platter-worn', 'platter bearing worn', 2, (p) => {
    p.bearingPlay = 0.4;
    p.bearingRough = 0.9;
  }),
];

interface Turning {
  readonly rpm: number;
  readonly hum: number;
}

/** In step while the field pulls more than what holds it; under that it drops out and runs on slow, or stands. */
function turning(p: Deck, volts: number, c: Condition, load: number, random: Random): Turning {
  const field = fieldOf(p.motor, volts, MAINS_HZ);
  const most = Math.max(field.forward, field.backward);
  if (most < 1e-3) return { rpm: 0, hum: most > 1e-4 ? 0.5 : 0 };
  const sync = inStep(MAINS_HZ, p.motor.poles);
  const hum = Math.min(field.forward, field.backward) / most;
  const cold = 1 + (p.coldTimes - 1) * (1 - c.warm);
  const held = (p.friction + load) * Math.sqrt(cold);
  // Fields alike either way: it stands humming, or starts whichever way it lay.
  if (hum > 0.8) {
    const starts = p.motor.torquePerA * most > 3 * held && chance(random, 0.4);
    return { rpm: starts ? -sync : 0, hum };
  }
  const pull = p.motor.torquePerA * (most - 0.6 * Math.min(field.forward, field.backward));
  if (p.seized || pull <= held) return { rpm: 0, hum: 1 };
  const free = (pull - held) / (p.viscous * cold);
  const rpm = Math.min(sync, (free * 30) / Math.PI);
  return { rpm: field.forward >= field.backward ? rpm : -rpm, hum: rpm < sync ? 0.6 : hum };
}

function solve(p: Deck, c: Condition, random: Random): Quantities {
  const off = c.mode === 'off';
  const series = off ? p.offOhm : p.switchOpen ? Infinity : p.switchOhm;
  const impedance = 3500;
  const switched = p.cordOpen || !Number.isFinite(series) ? 0 : (p.mainsV * impedance) / (impedance + series);
  const fed = p.droppersOpen ? 0 : switched;
  const drives = p.beltOn && !c.off.includes('belt');
  const motor = turning(p, fed, c, drives ? p.dragNm : 0, random);
  const pulley = motor.rpm * (1 - p.pulleySlip);
  const ratio = (p.pulleyMm + 0.6) / 200.6;
  const slip = Math.min(0.9, p.beltSlip * (0.6 + (0.4 * p.dragNm) / 1e-3) + Math.max(0, p.dragNm / 1e-3 - 3) * 0.012);
  const platter = drives ? pulley * ratio * (1 - slip) : 0;
  const moves = Math.abs(motor.rpm) > 5;
  return {
    'platter.rpm': platter,
    'platter.error.percent': 100 * (platter / NOMINAL - 1),
    'motor.rpm': motor.rpm,
    'motor.error.percent': 100 * (motor.rpm / inStep(MAINS_HZ, POLES) - 1),
    hum: moves || motor.hum > 0.4 ? motor.hum : motor.hum * 0.5,
    knock: moves ? p.knock : 0,
    'buzz.plinth':
      c.mode === 'cradle'
        ? Math.max(motor.hum > 0.35 ? motor.hum : 0, moves && p.knock > 0.5 ? p.knock : 0)
        : moves && p.mountHard
          ? 1
          : Math.max(motor.hum > 0.35 ? motor.hum : 0, moves && p.knock > 0.5 ? p.knock : 0),
    rumble: platter > 1 ? p.bearingRough : 0,
    'wow.belt.percent': platter > 1 ? p.beltStiff : 0,
    'switch.V': switched,
    'cord.itself.ohm': p.cordOpen ? Infinity : 0.2,
    'cord.leak.Mohm': p.cordLeakMohm,
    'winding.leak.Mohm': p.windingLeakMohm,
    'insulation.Mohm': 1 / (1 / p.cordLeakMohm + 1 / p.windingLeakMohm),
    'switch.on.ohm': p.switchOpen ? Infinity : p.switchOhm,
    'switch.off.ohm': p.offOhm,
    'capacitor.part': p.motor.farad / balancing({ ohm: [3500, 3500], reactance: 4500 }, MAINS_HZ),
    'dropper.ohm': p.droppersOpen ? Infinity : 470,
    'winding.a.ohm': p.motor.ohm[0],
    'winding.b.ohm': p.motor.ohm[1],
    'shaft.drag.times': p.seized ? Infinity : 1 + (p.coldTimes - 1) * (1 - c.warm),
    'shaft.rough': p.knock,
    'cap.loose': p.capLoose ? 1 : 0,
    'mount.hard': p.mountHard ? 1 : 0,
    'pulley.slips': p.pulleySlip > 0.02 ? 1 : 0,
    'pulley.mm': p.pulleyMm,
    'pulley.expected.mm': PULLEY_MM,
    'belt.there': p.beltOn ? 1 : 0,
    'belt.slack': p.beltSlip,
    'belt.stiff': p.beltStiff,
    'bearing.coast.s': 60 / (p.dragNm / 1e-3),
    'bearing.play.mm': p.bearingPlay,
    burnt: p.burnt ? 1 : 0,
    blew: 0,
    tingles: Math.min(p.cordLeakMohm, p.windingLeakMohm) < 0.2 ? 1 : 0,
  };
}

/** What its owner notices first. */
function complain(at: (quantity: string, condition?: Partial<Condition>) => Seen): string | null {
  const cold = at('platter.error.percent').mean;
  const warm = at('platter.error.percent', { warm: 1 }).mean;
  if (at('tingles').mean > 0) return say`It tingles when I touch the arm.`;
  if (cold < -130) return say`It turns backward.`;
  if (cold < -60)
    return at('hum').mean > 0.3
      ? say`It hums and stands.`
      : at('motor.rpm').mean > 5
        ? say`The motor turns, the platter stands.`
        : say`It is dead.`;
  if (Math.abs(cold) > 1)
    return Math.abs(warm) < 1
      ? say`It comes up to speed only after a while.`
      : cold < 0
        ? say`It plays too slow.`
        : say`It plays too fast.`;
  if (at('hum', { mode: 'off' }).mean > 0.3 || at('motor.rpm', { mode: 'off' }).mean > 5)
    return say`It hums when it is off.`;
  if (at('wow.belt.percent').mean > 0.25) return say`Long notes waver.`;
  if (at('buzz.plinth').mean > 0.35) return say`It buzzes in the loudspeakers.`;
  if (at('rumble').mean > 0.5) return say`It rumbles.`;
  return at('hum').mean > 0.35 ? say`It hums.` : null;
}

/** The belt turntable with a synchronous motor of the practice bench. */
export const turntableAc = practiceMachine<Deck>({
  id: 'turntable-ac',
  name: 'belt turntable, synchronous motor on the mains',
  settings: ['33'],
  answersTo: ['warm'],
  build,
  faults: FAULTS,
  solve,
  hands: [
    {
      id: 'switch',
      name: 'switch bridged',
      make: (p) => void Object.assign(p, { switchOpen: false, switchOhm: 0.05, offOhm: 0.05 }),
    },
  ],
  complain,
  harm: (p) => (Math.min(p.cordLeakMohm, p.windingLeakMohm) < 0.2 && !p.cordOpen ? ['the case is live'] : []),
});
