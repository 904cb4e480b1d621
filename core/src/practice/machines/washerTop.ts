/** A top-load washer: console with its supply, lid lock, pump, inverter with bridge, motor with a Hall sensor, belt, basket on its rods. */
import type { Random } from '../../numeric/index.js';
import {
  type Condition,
  type Quantities,
  type Seen,
  between,
  evenly,
  faultOf,
  practiceMachine,
  together,
  within,
} from '../machine.js';
import { bridgeDrive, bridgeFaults, bridgeQuantities, bridgeShorted, type BridgeDrive } from './bridgeDrive.js';
import { say } from '../../words/index.js';

interface Washer {
  mainsV: number;
  cordOpen: boolean;
  cordLeakMohm: number;
  consoleDead: boolean;
  lidOpen: boolean;
  pumpBlocked: boolean;
  /** Off the middle, kg at the rim: what lies in it, and what its rods let it hang. */
  heapKg: number;
  rodOff: boolean;
  boardDead: boolean;
  driveFuseOpen: boolean;
  /** Ω of the capacitor of the drive: dried out the bus falls with every pull. */
  driveEsr: number;
  sensorRailDead: boolean;
  drive: BridgeDrive;
  /** Sensor: gap in mm, Ω of its pins, output alive, plugged. */
  gapMm: number;
  pinOhm: number;
  sensorDead: boolean;
  sensorUnplugged: boolean;
  /** Field of the sensor's magnet against a new one. */
  sensorField: number;
  beltOn: boolean;
  beltSlip: number;
}

const build = (random: Random): Washer => ({
  mainsV: within(random, 230, 0.04),
  cordOpen: false,
  cordLeakMohm: within(random, 100, 0.5),
  consoleDead: false,
  lidOpen: false,
  pumpBlocked: false,
  heapKg: 0.1,
  rodOff: false,
  boardDead: false,
  driveFuseOpen: false,
  driveEsr: 0.5,
  sensorRailDead: false,
  drive: bridgeDrive(random, { ohm: 5, k: 0.65, friction: 0.15 }),
  gapMm: within(random, 1.5, 0.1),
  pinOhm: 0.05,
  sensorDead: false,
  sensorUnplugged: false,
  sensorField: within(random, 1, 0.05),
  beltOn: true,
  beltSlip: 0.01,
});

const fault = faultOf<Washer>();
const OWN = [
  fault('cord-open', 'cord broken inside', 3, (p) => void (p.cordOpen = true)),
  fault('lead-on-case', 'a lead of the cord touches the case', 0.6, (p, random) => {
    p.cordLeakMohm = evenly(random, 1e-4, 0.1001);
  }),
  fault('console-dead', 'supply of the console board open', 4, (p) => void (p.consoleDead = true)),
  fault('lid-open', 'lid lock does not close its contact', 10, (p) => void (p.lidOpen = true)),
  fault('pump-blocked', 'pump blocked', 6, (p) => void (p.pumpBlocked = true)),
  fault('heap', 'one heavy piece on one side', 8, (p, random) => void (p.heapKg = evenly(random, 2, 5))),
  fault('rod-off', 'a suspension rod off', 8, (p) => void (p.rodOff = true)),
  fault('board-dead', 'control board gives no command', 5, (p) => void (p.boardDead = true)),
  fault('drive-fuse', 'fuse of the drive open', 4, (p) => {
    p.driveFuseOpen = true;
    p.drive.blew = true;
  }),
  fault('drive-dry', 'capacitor of the drive dried out', 3, (p, random) => void (p.driveEsr = between(random, 12, 30))),
  fault('sensor-rail', 'sensor supply of the drive dead', 3, (p) => void (p.sensorRailDead = true)),
  fault('sensor-loose', 'sensor loose on the motor', 10, (p, random) => void (p.gapMm = evenly(random, 3.2, 4.2))),
  fault('sensor-pins', 'pins of the sensor corroded', 7, (p, random) => void (p.pinOhm = between(random, 400, 3000))),
  fault('sensor-dead', 'sensor dead', 8, (p) => void (p.sensorDead = true)),
  fault('sensor-weak', 'magnet of the sensor weak', 3, (p, random) => void (p.sensorField = evenly(random, 0.4, 0.52))),
  fault('sensor-unplugged', 'plug of the sensor left off', 0.3, (p) => void (p.sensorUnplugged = true)),
  fault('belt-slips', 'belt slack', 8, (p, random) => void (p.beltSlip = between(random, 0.25, 0.6))),
  fault('belt-off', 'belt off', 5, (p) => void (p.beltOn = false)),
];

/** The Hall switches where its magnet passes near enough, and fast enough for its pins: field falls with the cube of the gap. */
const senses = (p: Washer, atSpeed: boolean): number => {
  const field = p.sensorField * (1.5 / p.gapMm) ** 3;
  // At speed the edge is over before a weak field has reached its switching point.
  return (field > 0.2 && (!atSpeed || field > 0.65) ? 1 : field > 0.08 ? 0.5 : 0) * (p.pinOhm > 100 ? 0.5 : 1);
};

/** Off the middle by more than this an unbalance switch, or the drive itself, gives up, kg. */
const MOST_HEAP_KG = 1.5;
const BASKET_RPM = 650;

function solve(p: Washer, c: Condition, random: Random): Quantities {
  const fed = !p.cordOpen;
  const lit = fed && !p.consoleDead;
  const locked = fed && !p.lidOpen;
  const heap = c.loaded ? p.heapKg : 0.1;
  // It does not spin on water, nor with its lid open, nor without being told.
  const spins = lit && locked && !p.boardDead && !(p.pumpBlocked && c.mode === 'spin');
  const bus = fed && !p.driveFuseOpen ? p.mainsV * Math.SQRT2 : 0;
  const rail = bus > 30 && !p.sensorRailDead;
  const turned = bridgeQuantities(p.drive, {
    busV: bus,
    sagOhm: p.driveEsr,
    duty: spins ? 0.9 : 0,
    loadNm: p.beltOn ? 0.5 : 0,
  });
  const alive = rail && !p.sensorDead && !p.sensorUnplugged;
  const seen = alive ? senses(p, true) : 0;
  // Without its sensor it starts, sees nothing, lets go, and tries again. A bus that falls with the pull does as well.
  const blind = turned['motor.rpm'] > 0 && seen < 0.9;
  const sags = turned['motor.rpm'] > 0 && p.driveEsr > 10;
  const jerks = blind;
  const off = Math.max(heap, p.rodOff ? 3 : 0);
  const share = jerks ? 0.15 : off > MOST_HEAP_KG ? 0.3 : sags ? 0.55 : 1;
  const motor = turned['motor.rpm'] > 0 ? share : 0;
  const kicks = turned['motor.kicks'] > 0 && spins;
  const slip = p.beltSlip * evenly(random, 0.9, 1.1);
  const code = !lit
    ? 0
    : !locked
      ? 2
      : off > MOST_HEAP_KG || (blind && spins)
        ? 1
        : (spins && motor === 0) || p.boardDead
          ? 3
          : 0;
  return together(
    turned,
    {
      'motor.part': motor,
      'motor.jerks': jerks ? 1 : 0,
      'motor.hums': kicks ? 1 : 0,
      'basket.rpm': p.beltOn ? motor * BASKET_RPM * (1 - slip) : 0,
      'basket.tilts': p.rodOff ? 1 : 0,
      'heap.kg': p.heapKg,
      lamps: lit ? 1 : 0,
      locked: locked ? 1 : 0,
      'pump.runs': lit && !p.pumpBlocked ? 1 : 0,
      'pump.blocked': p.pumpBlocked ? 1 : 0,
      code,
      'bus.V': bus,
      'sensor.feed.V': rail ? 9.6 : 0,
      'sensor.toggles': p.sensorUnplugged ? 0 : alive ? senses(p, false) : 0,
      'sensor.half': rail && p.sensorDead ? 1 : 0,
    },
    lyingDead(p),
  );
}

/** What is measured and seen of it lying dead. */
const lyingDead = (p: Washer): Quantities => ({
  'cord.itself.ohm': p.cordOpen ? Infinity : 0.2,
  'cord.leak.Mohm': p.cordLeakMohm,
  'insulation.Mohm': 1 / (1 / p.cordLeakMohm + 1 / p.drive.caseMohm),
  'lid.ohm': p.lidOpen ? Infinity : 0.2,
  'console.ohm': p.consoleDead ? Infinity : 60,
  'drive.fuse.ohm': p.driveFuseOpen ? Infinity : 0.1,
  'drive.esr.ohm': p.driveEsr,
  'sensor.gap.mm': p.gapMm,
  'sensor.pins.ohm': p.pinOhm,
  'sensor.unplugged': p.sensorUnplugged ? 1 : 0,
  'board.dead': p.boardDead ? 1 : 0,
  'belt.there': p.beltOn ? 1 : 0,
  'belt.slack': p.beltSlip,
  tingles: Math.min(p.cordLeakMohm, p.drive.caseMohm) < 0.2 ? 1 : 0,
});

function complain(at: (quantity: string, condition?: Partial<Condition>) => Seen): string | null {
  const spin = { mode: 'spin' } as const;
  if (at('tingles').mean > 0) return say`It tingles when I touch it.`;
  if (at('lamps').mean < 0.5) return say`It is dead.`;
  if (at('pump.runs').mean < 0.5) return say`The water stays in it.`;
  if (at('locked').mean < 0.5) return say`It does not lock, and does not spin.`;
  if (at('motor.hums', spin).mean > 0) return say`It hums and does not spin.`;
  if (at('motor.jerks', spin).mean > 0) return say`It starts and stops again, the lamps blink.`;
  if (at('basket.rpm', spin).mean < 20) return say`It does not spin.`;
  if (at('basket.rpm', { ...spin, loaded: true }).mean < 0.8 * BASKET_RPM) return say`The washing comes out wet.`;
  return at('motor.roughness', spin).mean > 0.6 ? say`It roars in the spin.` : null;
}

/** The top-load washer of the practice bench. */
export const washerTop = practiceMachine<Washer>({
  id: 'washer-top',
  name: 'top-load washer with an inverter and a Hall sensor',
  settings: ['spin'],
  answersTo: ['loaded'],
  build,
  faults: [...OWN, ...bridgeFaults<Washer>()],
  solve,
  complain,
  hands: [{ id: 'sensor', name: 'plug of the sensor pulled', make: (p) => void (p.sensorUnplugged = true) }],
  spoils: { 'the bridge burns': 'switch-open' },
  harm: (p) => [
    ...(Math.min(p.cordLeakMohm, p.drive.caseMohm) < 0.2 && !p.cordOpen ? ['the case is live'] : []),
    ...(!p.cordOpen && !p.driveFuseOpen && bridgeShorted(p.drive) ? ['the bridge burns'] : []),
  ],
});
