/** A belt turntable with a governed 12 V d.c. motor, two trims and a pitch control. */
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
  AT_REST,
  type Condition,
  type MachineFault,
  type Quantities,
  between,
  contactAt,
  either,
  evenly,
  practiceMachine,
  swing,
  together,
} from '../machine.js';
import {
  driveFaults,
  driveHands,
  driveHarm,
  driveQuantities,
  governedDrive,
  type GovernedDrive,
} from './governedDrive.js';
import { complain } from './turntableDcOwner.js';

const MOTOR_RPM = { 33: 2000, 45: 2700 } as const;
const NOMINAL = { 33: 100 / 3, 45: 45 } as const;

/** Off by e at groove radius r the wow is e/r (definition): percent for each mm at 101 mm, the middle of a side. */
const WOW_PER_MM = 100 / 101;

interface Deck {
  supply: SmallSupply;
  drive: GovernedDrive;
  lampBurnt: boolean;
  tripped: boolean;
  /** Ω of the speed contacts, and the most they wander to. */
  contactOhm: Record<'33' | '45', readonly [number, number]>;
  /** Error each trim makes, as a part of the speed; wander of a wiper that is dirty. */
  trim: Record<'33' | '45', number>;
  wiper: number;
  /** A spot of the wiper that jumps when it is tapped, and now and then. */
  spot: number;
  pitchWander: number;
  pitchOff: number;
  pitchOpen: boolean;
  pulleyWobble: number;
  pulleySlip: number;
  beltOn: boolean;
  beltSlip: number;
  beltStiff: number;
  /** Drag of the platter bearing, N·m at the motor shaft. */
  dragNm: number;
  bearingPlay: number;
  bearingRough: number;
  platterRunout: number;
  recordOff: number;
}

function build(random: Random): Deck {
  return {
    supply: smallSupply(random, { secondaryV: 14, regulatorV: 12, loadA: 0.12 }),
    drive: governedDrive(random, { volts: 5, rpm: MOTOR_RPM[33] }),
    lampBurnt: false,
    tripped: false,
    contactOhm: { 33: [0.1, 0.1], 45: [0.1, 0.1] },
    trim: { 33: swing(random, 0.002), 45: swing(random, 0.002) },
    wiper: 0,
    spot: 0,
    pitchWander: 0,
    pitchOff: 0,
    pitchOpen: false,
    pulleyWobble: evenly(random, 0, 0.02),
    pulleySlip: 0,
    beltOn: true,
    beltSlip: 0.003,
    beltStiff: evenly(random, 0, 0.03),
    dragNm: 2e-4,
    bearingPlay: 0.02,
    bearingRough: 0.1,
    platterRunout: evenly(random, 0, 0.05),
    recordOff: 0.05,
  };
}

const trimFault = (
  id: string,
  name: string,
  share: number,
  set: (by: number) => Partial<Deck['trim']>,
): MachineFault<Deck> => ({
  id,
  name,
  share,
  make: (p, random) => void Object.assign(p.trim, set(between(random, 0.018, 0.06))),
});

const OWN: readonly MachineFault<Deck>[] = [
  { id: 'lamp', name: 'lamp burnt out', share: 2, make: (p) => void (p.lampBurnt = true) },
  { id: 'tripped', name: 'auto-return stands tripped', share: 4, make: (p) => void (p.tripped = true) },
  {
    id: 'contacts-dirty',
    name: 'speed contacts tarnished',
    share: 4,
    make: (p) => void (p.contactOhm = { 33: [1, 3000], 45: [1, 3000] }),
  },
  {
    id: 'contact-33',
    name: 'speed contact of 33 open',
    share: 1.5,
    make: (p) => void (p.contactOhm[33] = [Infinity, Infinity]),
  },
  {
    id: 'contact-45',
    name: 'speed contact of 45 open',
    share: 1.5,
    make: (p) => void (p.contactOhm[45] = [Infinity, Infinity]),
  },
  {
    id: 'wipers-dirty',
    name: 'wipers of the trims dirty',
    share: 7,
    make: (p, random) => void (p.wiper = between(random, 0.03, 0.12)),
  },
  trimFault('low-33', 'trim of 33 stands low', 3, (by) => ({ 33: -by })),
  trimFault('high-33', 'trim of 33 stands high', 2, (by) => ({ 33: by })),
  trimFault('low-45', 'trim of 45 stands low', 3, (by) => ({ 45: -by })),
  trimFault('high-45', 'trim of 45 stands high', 2, (by) => ({ 45: by })),
  trimFault('low-both', 'both trims stand low', 2, (by) => ({ 33: -by, 45: -by })),
  {
    id: 'pitch-dirty',
    name: 'pitch control dirty',
    share: 5,
    make: (p, random) => void (p.pitchWander = between(random, 0.03, 0.1)),
  },
  {
    id: 'pitch-off',
    name: 'pitch control not at its centre',
    share: 4,
    make: (p, random) => void (p.pitchOff = either(random, 0.018, 0.06)),
  },
  {
    id: 'pulley-slips',
    name: 'pulley slips on its shaft',
    share: 2,
    make: (p, random) => void (p.pulleySlip = between(random, 0.04, 0.7)),
  },
  {
    id: 'pulley-bent',
    name: 'pulley out of true',
    share: 2.5,
    make: (p, random) => void (p.pulleyWobble = between(random, 0.4, 1.2)),
  },
  {
    id: 'belt-slips',
    name: 'belt stretched and shiny',
    share: 9,
    make: (p, random) => void (p.beltSlip = between(random, 0.02, 0.14)),
  },
  { id: 'belt-off', name: 'belt off its pulley', share: 3, make: (p) => void (p.beltOn = false) },
  {
    id: 'belt-stiff',
    name: 'belt took a set',
    share: 4,
    make: (p, random) => void (p.beltStiff = between(random, 0.35, 1)),
  },
  {
    id: 'bearing-dry',
    name: 'platter bearing dry',
    share: 5,
    make: (p, random) => {
      p.dragNm *= between(random, 15, 40);
      p.bearingRough = 0.8;
    },
  },
  {
    id: 'bearing-worn',
    name: 'platter bearing worn',
    share: 2,
    make: (p) => {
      p.bearingPlay = 0.4;
      p.bearingRough = 0.9;
    },
  },
  {
    id: 'platter-seat',
    name: 'platter not down on its seat',
    share: 4,
    make: (p, random) => void (p.platterRunout = between(random, 0.4, 1.5)),
  },
  {
    id: 'record',
    name: 'hole of the record off centre',
    share: 5,
    make: (p, random) => void (p.recordOff = between(random, 0.35, 1)),
  },
];

/** A belt that must pull more than it grips slips the more: torque over what it can carry. */
function slipOf(p: Deck): number {
  const grip = 0.012 / (1 + 40 * p.beltSlip);
  const pull = p.dragNm / grip;
  return Math.min(0.95, p.beltSlip * (1 + pull) + Math.max(0, pull - 0.5) * 0.3);
}

function solve(p: Deck, c: Condition, random: Random): Quantities {
  const chosen = c.setting === '45' ? '45' : '33';
  const supply = supplyQuantities(p.supply, c);
  const gated = p.tripped ? 0 : supply['board.V'];
  const [, most] = p.contactOhm[chosen];
  const contact = contactAt(p.contactOhm[chosen], random);
  // A contact in series with some 40 kΩ that set the speed; 1 kΩ costs 1.2 %.
  const byContact = Number.isFinite(contact)
    ? -contact / 80_000 - (c.tapped && most > 100 ? evenly(random, 0, 0.08) : 0)
    : null;
  const wander = p.wiper + p.pitchWander + (most > 100 ? 0.02 : 0) + supply['board.ripple.Vpp']! / 300;
  const trim = p.trim[chosen] + p.pitchOff;
  const motor = driveQuantities(
    p.drive,
    {
      supplyV: gated,
      // An open contact leaves the timing to what leaks: it crawls.
      wantedRpm: MOTOR_RPM[chosen] * (byContact === null ? 0.06 : 1 + trim + byContact),
      loadNm: p.beltOn && !c.off.includes('belt') ? p.dragNm : 0,
      wander,
    },
    c,
    random,
  );
  const slip = slipOf(p);
  const pulley = motor['motor.rpm'] * (1 - p.pulleySlip * evenly(random, 0.9, 1.1));
  const belt = p.beltOn && !c.off.includes('belt') ? pulley * (1 - slip) : 0;
  // The pulley was turned to make the slip of a sound belt good.
  const platter = (belt * NOMINAL[33]) / MOTOR_RPM[33] / (1 - 0.0035);
  return together(supply, motor, {
    'gated.V': gated,
    lamp: supply['secondary.Vac']! > 4 && !p.lampBurnt ? 1 : 0,
    'pulley.rpm': pulley,
    'platter.rpm': platter,
    'platter.error.percent': 100 * (platter / NOMINAL[chosen] - 1),
    'motor.error.percent': 100 * (motor['motor.rpm'] / MOTOR_RPM[chosen] - 1),
    'wow.platter.percent': platter > 1 ? WOW_PER_MM * Math.max(p.platterRunout, p.recordOff) : 0,
    'wow.platter.other.percent': platter > 1 ? WOW_PER_MM * p.platterRunout : 0,
    'wow.belt.percent': platter > 1 ? p.beltStiff : 0,
    'wow.pulley.percent': platter > 1 ? p.pulleyWobble : 0,
    rumble: platter > 1 ? p.bearingRough : 0,
    'bearing.coast.s': 60 / (p.dragNm / 2e-4) ** 0.8,
    'bearing.play.mm': p.bearingPlay,
    'bearing.rough': p.bearingRough,
    'belt.there': p.beltOn ? 1 : 0,
    'belt.slack': p.beltSlip,
    'belt.stiff': p.beltStiff,
    'pulley.turns.on.shaft': p.pulleySlip > 0.02 ? 1 : 0,
    'pulley.runout': p.pulleyWobble,
    'platter.runout.mm': p.platterRunout,
    'contact.33.ohm': contactAt(p.contactOhm[33], random),
    'contact.45.ohm': contactAt(p.contactOhm[45], random),
    'trim.wander': swing(random, p.wiper),
    'trim.33': p.trim[33],
    'trim.45': p.trim[45],
    'pitch.wander': swing(random, p.pitchWander),
    'pitch.off': p.pitchOff,
    'return.tripped': p.tripped ? 1 : 0,
  });
}

/** The belt turntable of the practice bench. */
export const turntableDc = practiceMachine<Deck>({
  id: 'turntable-dc',
  name: 'belt turntable, 12 V motor with governor',
  settings: ['33', '45'],
  answersTo: ['warm', 'tapped'],
  build,
  faults: [...supplyFaults<Deck>(), ...driveFaults<Deck>(), ...OWN],
  solve,
  trace: (p, condition, quantity) => supplyTrace(p.supply, condition, quantity),
  sounds: [{ quantity: 'motor.rpm', part: 'motor', lines: 'bars', count: 3, loud: 0.08 }],
  hands: driveHands(),
  complain,
  // Three quarters of a turn go over some 14 %; the trim of 45 adds to what that of 33 sets (chosen).
  trims: ['33', '45'],
  turn: (p, trim, turns) => {
    const by = 0.19 * turns;
    if (trim === '33') p.trim = { 33: p.trim[33] + by, 45: p.trim[45] + by };
    if (trim === '45') p.trim = { ...p.trim, 45: p.trim[45] + by };
  },
  spoils: {
    'the winding burns': 'winding-open',
    'the governor dies': 'governor-dead',
    'the transformer cooks': 'turns-shorted',
  },
  harm: (p) => [
    ...supplyHarm(p.supply),
    ...driveHarm(p.drive, !p.tripped && supplyQuantities(p.supply, AT_REST)['board.V'] > 3),
  ],
});
