/** A front-load washer: timer, door lock, valve, pressure switch that feeds the motor board, bridge, sensor, belt, drum. */
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
  panelDark: boolean;
  timerStuck: boolean;
  timerContactOpen: boolean;
  doorOpen: boolean;
  valveShut: boolean;
  pressureStuck: boolean;
  /** Ω of the contact of the pressure switch that feeds the board. */
  contactOhm: number;
  pumpDead: boolean;
  logicDead: boolean;
  /** The input of the board is shorted: it holds the wire up by itself. */
  backfeeds: boolean;
  fuseOpen: boolean;
  busEsr: number;
  drive: BridgeDrive;
  seized: boolean;
  /** Pulses that the sensor gives of those it should. */
  pulses: number;
  beltOn: boolean;
  beltSlip: number;
  drumPlayMm: number;
  object: boolean;
}

const build = (random: Random): Washer => ({
  mainsV: within(random, 230, 0.04),
  cordOpen: false,
  cordLeakMohm: within(random, 100, 0.5),
  panelDark: false,
  timerStuck: false,
  timerContactOpen: false,
  doorOpen: false,
  valveShut: false,
  pressureStuck: false,
  contactOhm: 0.2,
  pumpDead: false,
  logicDead: false,
  backfeeds: false,
  fuseOpen: false,
  busEsr: 0.5,
  drive: bridgeDrive(random, { ohm: 5, k: 0.65, friction: 0.15 }),
  seized: false,
  pulses: 1,
  beltOn: true,
  beltSlip: 0.01,
  drumPlayMm: 0.1,
  object: false,
});

const fault = faultOf<Washer>();
const OWN = [
  fault('cord-open', 'cord or filter open', 3, (p) => void (p.cordOpen = true)),
  fault('lead-on-case', 'a lead of the heater reaches the metal', 1, (p, random) => {
    p.cordLeakMohm = evenly(random, 1e-4, 0.1001);
  }),
  fault('panel-dark', 'panel lamp dead', 1, (p) => void (p.panelDark = true)),
  fault('timer-stuck', 'timer does not advance', 4, (p) => void (p.timerStuck = true)),
  fault('timer-contact', 'timer contact of the motor burnt', 4, (p) => void (p.timerContactOpen = true)),
  fault('door-open', 'door lock does not make', 6, (p) => void (p.doorOpen = true)),
  fault('valve-shut', 'sieve of the valve blocked', 5, (p) => void (p.valveShut = true)),
  fault('pressure-stuck', 'pressure switch never changes over', 6, (p) => void (p.pressureStuck = true)),
  fault('pressure-burnt', 'contact of the pressure switch burnt', 5, (p, random) => {
    p.contactOhm = between(random, 3e4, 3e5);
  }),
  fault('pump-dead', 'pump blocked', 5, (p) => void (p.pumpDead = true)),
  fault('logic-dead', 'logic of the board dead', 6, (p) => void (p.logicDead = true)),
  fault('backfeed', 'input of the board shorted, feeds back', 2, (p) => void (p.backfeeds = true)),
  fault('board-fuse', 'inrush part of the board open', 5, (p) => {
    p.fuseOpen = true;
    p.drive.blew = true;
  }),
  fault('bus-dry', 'bus capacitor dried out', 3, (p, random) => void (p.busEsr = between(random, 12, 30))),
  fault('seized', 'motor bearings seized', 2, (p) => void (p.seized = true)),
  fault('sensor-misses', 'sensor loose: it misses', 6, (p, random) => void (p.pulses = evenly(random, 0.4, 0.65))),
  fault('sensor-dead', 'sensor dead', 3, (p) => void (p.pulses = 0)),
  fault('belt-off', 'belt off', 6, (p) => void (p.beltOn = false)),
  fault('belt-slips', 'belt slack', 4, (p, random) => void (p.beltSlip = between(random, 0.3, 0.6))),
  fault('drum-bearing', 'drum bearings worn', 6, (p, random) => void (p.drumPlayMm = between(random, 2, 5))),
  fault('object', 'something between drum and tub', 3, (p) => void (p.object = true)),
];

/** A board takes some milliamperes: what a burnt contact lets through breaks down under it. */
const INPUT_OHM = 5000;

/** How fast the motor goes against what is asked, and whether in jerks: the board counts pulses and gives more for fewer. */
function runsAt(p: Washer, rpm: number): { readonly part: number; readonly jerks: boolean } {
  if (rpm <= 0) return { part: 0, jerks: false };
  // It sees nothing come back, lets go, and tries again: fast, for a moment at a time.
  if (p.pulses === 0) return { part: 1.6, jerks: true };
  if (p.busEsr > 10) return { part: 0.55, jerks: false };
  return { part: Math.min(1.8, 1 / p.pulses), jerks: p.pulses < 0.9 };
}

const fedOf = (p: Washer, mode: string): { readonly programme: boolean; readonly wash: number } => {
  const fed = !p.cordOpen;
  const programme = fed && !(p.timerContactOpen && mode !== 'fill');
  const through = programme && !p.doorOpen && !p.pressureStuck;
  return { programme, wash: through ? (p.mainsV * INPUT_OHM) / (INPUT_OHM + p.contactOhm) : 0 };
};

function solve(p: Washer, c: Condition): Quantities {
  const mode = c.mode === '' ? 'wash' : c.mode;
  const fed = !p.cordOpen;
  const { programme, wash } = fedOf(p, mode);
  const works = wash > 150;
  const bus = works && !p.fuseOpen ? p.mainsV * Math.SQRT2 - (p.busEsr > 10 ? 90 : 0) : 0;
  const told = works && !p.logicDead && !p.backfeeds && mode !== 'fill';
  const turned = bridgeQuantities(p.drive, {
    busV: bus,
    sagOhm: p.busEsr,
    duty: told ? 0.9 : 0,
    loadNm: p.seized ? 200 : p.beltOn ? 0.4 : 0,
  });
  const { part, jerks } = runsAt(p, turned['motor.rpm']);
  const hums = told && bus > 0 && turned['motor.rpm'] === 0 && (turned['motor.kicks'] > 0 || p.seized);
  const drum = p.beltOn ? part * (1 - p.beltSlip) : 0;
  const valve = fed && programme && !p.doorOpen && !p.valveShut;
  const fault = turned['motor.rpm'] === 0 || jerks;
  return together(
    turned,
    {
      'motor.part': part,
      'motor.jerks': jerks ? 1 : 0,
      'motor.hums': hums ? 1 : 0,
      'drum.part': drum,
      'drum.rumbles': drum > 0.05 && p.drumPlayMm > 1 ? 1 : 0,
      'drum.squeals': drum > 0.05 && p.object ? 1 : 0,
      lamps: fed && !p.panelDark ? 1 : 0,
      fills: valve ? (p.pressureStuck ? 2 : 1) : 0,
      'pump.runs': fed && !p.pumpDead ? 1 : 0,
      'timer.runs': !fed || !programme ? 0 : p.timerStuck ? 0.5 : 1,
      code: !fed ? 0 : p.doorOpen ? 2 : p.valveShut ? 3 : fault && mode !== 'fill' ? 1 : 0,
      'wash.Vac': wash > 150 ? wash : 0,
      'wash.lifted.Vac': fed && p.backfeeds ? p.mainsV : 0,
      'bus.V': bus,
      tingles: Math.min(p.cordLeakMohm, p.drive.caseMohm) < 0.2 ? 1 : 0,
    },
    lyingDead(p),
  );
}

/** What is measured and seen of it lying dead. */
const lyingDead = (p: Washer): Quantities => ({
  'cord.itself.ohm': p.cordOpen ? Infinity : 0.2,
  'cord.leak.Mohm': p.cordLeakMohm,
  'insulation.Mohm': 1 / (1 / p.cordLeakMohm + 1 / p.drive.caseMohm),
  'panel.ohm': p.panelDark ? Infinity : 200,
  'timer.ohm': p.timerContactOpen ? Infinity : 0.2,
  'timer.stuck': p.timerStuck ? 1 : 0,
  'door.ohm': p.doorOpen ? Infinity : 0.2,
  'valve.shut': p.valveShut ? 1 : 0,
  'pressure.stuck': p.pressureStuck ? 1 : 0,
  'pressure.ohm': p.contactOhm,
  'pump.dead': p.pumpDead ? 1 : 0,
  'fuse.ohm': p.fuseOpen ? Infinity : 0.1,
  'bus.esr.ohm': p.busEsr,
  'logic.wrong': p.logicDead || p.backfeeds ? 1 : 0,
  seized: p.seized ? 1 : 0,
  'sensor.pulses': p.pulses,
  'belt.there': p.beltOn ? 1 : 0,
  'belt.slack': p.beltSlip,
  'drum.play.mm': p.drumPlayMm,
  'drum.object': p.object ? 1 : 0,
});

function complain(at: (quantity: string, condition?: Partial<Condition>) => Seen): string | null {
  const spin = { mode: 'spin' } as const;
  const fills = at('fills', { mode: 'fill' }).mean;
  if (at('tingles').mean > 0) return say`It tingles, or trips the breaker.`;
  if (at('timer.runs', { mode: 'fill' }).mean === 0) return say`It is dead.`;
  if (at('pump.runs').mean < 0.5) return say`The water stays in it.`;
  if (fills === 0) return say`No water comes.`;
  if (fills > 1.5) return say`The water does not stop.`;
  if (at('timer.runs', spin).mean > 0.4 && at('timer.runs', spin).mean < 0.6) return say`The programme stands.`;
  if (at('motor.hums', spin).mean > 0) return say`It hums, the drum stands.`;
  if (at('drum.part', spin).mean < 0.05) return say`The drum does not turn.`;
  if (at('motor.jerks', spin).mean > 0) return say`The drum turns in jerks, and too fast.`;
  if (at('drum.part', spin).mean < 0.8) return say`The washing comes out wet.`;
  if (at('drum.rumbles', spin).mean > 0 || at('motor.roughness', spin).mean > 0.6) return say`It roars in the spin.`;
  if (at('drum.squeals', spin).mean > 0) return say`It squeals at each turn.`;
  return at('lamps').mean > 0 ? null : say`Its lamp is out.`;
}

/** The front-load washer of the practice bench. */
export const washerFront = practiceMachine<Washer>({
  id: 'washer-front',
  name: 'front-load washer with a timer and an inverter',
  settings: ['programme'],
  answersTo: [],
  build,
  faults: [...OWN, ...bridgeFaults<Washer>()],
  solve,
  complain,
  hands: [{ id: 'sensor', name: 'plug of the sensor pulled', make: (p) => void (p.pulses = 0) }],
  spoils: { 'the bridge burns': 'switch-open', 'the winding burns': 'winding-shorted' },
  harm: (p) => {
    const works = fedOf(p, 'wash').wash > 150 && !p.fuseOpen;
    return [
      ...(Math.min(p.cordLeakMohm, p.drive.caseMohm) < 0.2 && !p.cordOpen ? ['the case is live'] : []),
      ...(works && bridgeShorted(p.drive) ? ['the bridge burns'] : []),
      ...(works && p.seized && !p.logicDead && !p.backfeeds ? ['the winding burns'] : []),
    ];
  },
});
