/** A portable gramophone: shaded-pole motor, stepped shaft, idler against the rim; the amplifier fed by a winding of the motor. */
import type { Random } from '../../numeric/index.js';
import { ownEntry } from '../../quantity/index.js';
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
import { inductionSpeed, startPart, type InductionMotor } from '../motors/induction.js';
import { say } from '../../words/index.js';

const NOMINAL: Readonly<Record<string, number>> = { 33: 100 / 3, 45: 45, 78: 78 };
const MAINS_HZ = 50;
/** Turns of a sound motor under its load, a minute: the steps of the shaft are turned for it. */
const MOTOR_RPM = 1455;

interface Player {
  mainsV: number;
  cordOpen: boolean;
  cordLeakMohm: number;
  windingLeakMohm: number;
  burnt: boolean;
  switchOpen: boolean;
  amplifierDry: boolean;
  amplifierDead: boolean;
  fieldOpen: boolean;
  motor: InductionMotor;
  friction: number;
  coldTimes: number;
  seized: boolean;
  rattle: number;
  leverStiff: boolean;
  /** Step the idler lies on over the one chosen; 0 for none. */
  step: number;
  linkageBent: boolean;
  flat: boolean;
  slip: number;
  glazed: number;
  idlerCold: number;
  oil: number;
  dragNm: number;
  bearingRough: number;
  bearingPlay: number;
}

function build(random: Random): Player {
  return {
    mainsV: within(random, 230, 0.03),
    cordOpen: false,
    cordLeakMohm: within(random, 200, 0.5),
    windingLeakMohm: within(random, 60, 0.5),
    burnt: false,
    switchOpen: false,
    amplifierDry: false,
    amplifierDead: false,
    fieldOpen: false,
    motor: { ratedV: 230, poles: 4, peakNm: within(random, 0.02, 0.03), peakSlip: 0.35 },
    friction: 0.0006,
    coldTimes: 1.1,
    seized: false,
    rattle: 0.1,
    leverStiff: false,
    step: 1,
    linkageBent: false,
    flat: false,
    slip: 0.004,
    glazed: 0,
    idlerCold: 0,
    oil: 0,
    dragNm: 0.0005,
    bearingRough: 0.1,
    bearingPlay: 0.03,
  };
}

const fault = faultOf<Player>();

/** What is electrical. */
const FEED: readonly MachineFault<Player>[] = [
  fault('cord-open', 'cord broken at the plug', 4, (p) => void (p.cordOpen = true)),
  fault(
    'lead-on-case',
    'a lead of the cord touches the metal',
    0.6,
    (p, random) => void (p.cordLeakMohm = evenly(random, 1e-4, 0.0201)),
  ),
  fault('switch-open', 'switch worn', 8, (p) => void (p.switchOpen = true)),
  fault('capacitors-dry', 'electrolytics of the amplifier dry', 10, (p) => void (p.amplifierDry = true)),
  fault('amplifier-dead', 'amplifier dead', 3, (p) => void (p.amplifierDead = true)),
  fault('field-open', 'field open', 3, (p) => void (p.fieldOpen = true)),
  fault('field-shorted', 'turns of the field shorted', 1, (p, random) => {
    p.motor = { ...p.motor, peakNm: p.motor.peakNm * evenly(random, 0.2, 0.35) };
    p.burnt = true;
  }),
  fault(
    'field-leaks',
    'the field leaks to the frame',
    0.6,
    (p, random) => void (p.windingLeakMohm = evenly(random, 1e-3, 0.101)),
  ),
];

/** What turns. */
const MECHANICS: readonly MachineFault<Player>[] = [
  fault('gummed', 'oil of the motor gummed', 17, (p, random) => void (p.coldTimes = between(random, 6, 14))),
  fault('seized', 'motor seized', 3, (p) => void (p.seized = true)),
  fault('worn', 'motor bearings worn', 4, (p) => void (p.rattle = 0.9)),
  fault('lever-stiff', 'grease of the lever hard', 10, (p) => void (p.leverStiff = true)),
  fault('linkage-bent', 'linkage bent: it lies a step too low', 3, (p) => {
    p.step = 33.33 / 45;
    p.linkageBent = true;
  }),
  fault('neutral', 'idler stays in neutral', 4, (p) => {
    p.step = 0;
    p.leverStiff = true;
  }),
  fault('flat', 'flat spot of the idler', 10, (p) => void (p.flat = true)),
  fault('glazed', 'idler glazed', 15, (p, random) => {
    p.glazed = between(random, 0.02, 0.2);
  }),
  fault('idler-dry', 'bearing of the idler dry', 6, (p, random) => void (p.idlerCold = between(random, 0.02, 0.12))),
  fault('rim-oily', 'oil on the rim', 8, (p, random) => void (p.oil = between(random, 0.02, 0.35))),
  fault('platter-dry', 'platter bearing dry', 6, (p, random) => {
    p.dragNm *= between(random, 5, 9);
    p.bearingRough = 0.8;
  }),
  fault('platter-worn', 'ball of the platter bearing worn', 4, (p) => {
    p.bearingPlay = 0.5;
    p.bearingRough = 0.9;
  }),
];

function solve(p: Player, c: Condition, random: Random): Quantities {
  const nominal = ownEntry(NOMINAL, c.setting) ?? 100 / 3;
  const fed = !p.cordOpen && !p.switchOpen;
  const volts = fed && !p.fieldOpen ? p.mainsV : 0;
  const pulls = p.step > 0 && !c.off.includes('idler');
  const cold = 1 + (p.coldTimes - 1) * (1 - c.warm);
  const friction = p.friction * cold + (pulls ? p.dragNm : 0);
  const rpm = p.seized ? 0 : inductionSpeed(p.motor, volts, MAINS_HZ, { friction, perRpm: 1.5e-6 * cold });
  // What the idler carries through friction: less with what it has to pull and with what lies on it.
  const strain = p.dragNm / 0.0005;
  const slip = Math.min(0.95, p.slip + p.glazed + p.oil + p.idlerCold * (1 - c.warm) + Math.max(0, strain - 2) * 0.012);
  const platter = pulls ? (rpm / MOTOR_RPM) * nominal * p.step * (1 - slip + 0.004) : 0;
  const winding = fed && !p.fieldOpen;
  return {
    'platter.rpm': platter,
    'platter.error.percent': 100 * (platter / nominal - 1),
    'motor.error.percent': 100 * (rpm / MOTOR_RPM - 1),
    'motor.rattle': rpm > 50 ? p.rattle : 0,
    'amplifier.loud': winding && !p.amplifierDead ? 1 : 0,
    'amplifier.hum': winding && !p.amplifierDead && p.amplifierDry ? 0.8 : 0.05,
    thump: platter > 1 && p.flat ? 1 : 0,
    'rumble.by.hand': p.bearingRough,
    'lever.stiff': p.leverStiff ? 1 : 0,
    'start.percent':
      p.seized || !winding
        ? Infinity
        : 100 * startPart(p.motor, 1.3 * (p.friction * cold + p.dragNm)) * within(random, 1, 0.02),
    'cord.itself.ohm': p.cordOpen ? Infinity : 0.2,
    'cord.leak.Mohm': p.cordLeakMohm,
    'winding.leak.Mohm': p.windingLeakMohm,
    'insulation.Mohm': 1 / (1 / p.cordLeakMohm + 1 / p.windingLeakMohm),
    'switch.ohm': p.switchOpen ? Infinity : 0.1,
    'field.ohm': p.fieldOpen ? Infinity : 210 * Math.sqrt(p.motor.peakNm / 0.02),
    'field.expected.ohm': 210,
    'shaft.drag.times': p.seized ? Infinity : cold,
    'shaft.rattle': p.rattle,
    'idler.flat': p.flat ? 1 : 0,
    'idler.glaze': p.glazed,
    'idler.stiff': p.idlerCold,
    'rim.oil': p.oil,
    'step.part': p.step,
    'linkage.bent': p.linkageBent ? 1 : 0,
    'bearing.coast.s': 30 / strain,
    'bearing.play.mm': p.bearingPlay,
    'capacitors.dry': p.amplifierDry ? 1 : 0,
    'amplifier.dead': p.amplifierDead ? 1 : 0,
    burnt: p.burnt ? 1 : 0,
    blew: 0,
    tingles: Math.min(p.cordLeakMohm, p.windingLeakMohm) < 0.2 ? 1 : 0,
  };
}

/** What its owner notices first. */
function complain(at: (quantity: string, condition?: Partial<Condition>) => Seen): string | null {
  const [cold, warm] = [at('platter.error.percent').mean, at('platter.error.percent', { warm: 1 }).mean];
  if (at('tingles').mean > 0) return say`It tingles when I touch the arm.`;
  if (cold < -90)
    return at('amplifier.loud').mean > 0 ? say`The amplifier hums, the platter stands.` : say`It is dead.`;
  if (Math.abs(cold) > 2)
    return Math.abs(warm) < 2
      ? say`Too slow until it has run a while.`
      : cold < 0
        ? say`It plays too slow.`
        : say`It plays too fast.`;
  if (at('amplifier.loud').mean === 0) return say`It turns and is silent.`;
  if (at('amplifier.hum').mean > 0.4) return say`It hums loudly.`;
  if (at('thump').mean > 0) return say`It thumps.`;
  if (at('rumble.by.hand').mean > 0.5 || at('motor.rattle').mean > 0.5) return say`It rumbles and rattles.`;
  return at('lever.stiff').mean > 0 ? say`Its lever hardly moves.` : null;
}

/** The rim drive of the practice bench. */
export const rimDrive = practiceMachine<Player>({
  id: 'rim-drive',
  name: 'portable gramophone, shaded-pole motor and idler',
  settings: ['33', '45', '78'],
  answersTo: ['warm'],
  build,
  faults: [...FEED, ...MECHANICS],
  solve,
  hands: [{ id: 'switch', name: 'switch bridged', make: (p) => void (p.switchOpen = false) }],
  complain,
  spoils: { 'the winding burns': 'field-open' },
  harm: (p) => [
    ...(Math.min(p.cordLeakMohm, p.windingLeakMohm) < 0.2 && !p.cordOpen ? ['the case is live'] : []),
    ...(p.seized && !p.cordOpen && !p.switchOpen && !p.fieldOpen ? ['the winding burns'] : []),
  ],
});
