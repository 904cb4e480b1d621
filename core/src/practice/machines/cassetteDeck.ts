/** A cassette deck with two speeds: 12 V supply, control with a mode switch, motor transistor, governed motor, belt, capstan, pinch roller, idler. */
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
  type Quantities,
  type Seen,
  between,
  chance,
  faultOf,
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
import { say } from '../../words/index.js';

interface CassetteDeck {
  supply: SmallSupply;
  drive: GovernedDrive;
  modeSwitchDirty: boolean;
  modeMotorGone: boolean;
  feederOpen: boolean;
  /** Volts that a tired motor transistor keeps. */
  feederLossV: number;
  doubleStuck: boolean;
  doubleOpen: boolean;
  wiper: number;
  trim: number;
  belt: 'sound' | 'tar' | 'wound';
  beltSlip: number;
  /** Drag of the capstan, N·m at the motor's shaft, and so many times it cold. */
  dragNm: number;
  pinchHard: number;
  oxide: number;
  armOff: boolean;
  /** Grip of the idler's tyre, and torque of the take-up clutch, against new ones. */
  tyre: number;
  clutch: number;
  counterStill: boolean;
  /** Smelt at the plug of the motor. */
  scorched: boolean;
}

/** Turns a minute of the motor at the normal speed (common practice: 2400 and 3200 are usual). */
const MOTOR_RPM = 2400;
const DRAG_NM = 2.5e-4;

const build = (random: Random): CassetteDeck => ({
  supply: smallSupply(random, { secondaryV: 15, regulatorV: 12.3, loadA: 0.15 }),
  drive: governedDrive(random, { volts: 5, rpm: MOTOR_RPM }),
  modeSwitchDirty: false,
  modeMotorGone: false,
  feederOpen: false,
  feederLossV: 0.3,
  doubleStuck: false,
  doubleOpen: false,
  wiper: 0,
  trim: swing(random, 0.003),
  belt: 'sound',
  beltSlip: 0.003,
  dragNm: DRAG_NM,
  pinchHard: 0.03,
  oxide: 0.03,
  armOff: false,
  tyre: 1,
  clutch: 1,
  counterStill: false,
  scorched: false,
});

const fault = faultOf<CassetteDeck>();
const OWN = [
  fault('mode-switch', 'mode switch dirty', 8, (p) => void (p.modeSwitchDirty = true)),
  fault('mode-motor', 'belt of the control motor gone', 5, (p) => void (p.modeMotorGone = true)),
  fault('feeder-open', 'motor transistor open', 5, (p) => {
    p.feederOpen = true;
    p.scorched = true;
  }),
  fault(
    'feeder-weak',
    'motor transistor weak from heat',
    3,
    (p, random) => void (p.feederLossV = between(random, 4, 7)),
  ),
  fault('double-stuck', 'speed switch does not change over', 3, (p) => void (p.doubleStuck = true)),
  fault('double-open', 'speed switch open at double', 2, (p) => void (p.doubleOpen = true)),
  fault('wiper-dirty', 'trim dirty', 6, (p, random) => void (p.wiper = between(random, 0.03, 0.1))),
  fault('trim-low', 'trim stands low', 3, (p, random) => void (p.trim = -between(random, 0.025, 0.08))),
  fault('trim-high', 'trim stands high', 3, (p, random) => void (p.trim = between(random, 0.025, 0.08))),
  fault('belt-slips', 'belt stretched and glazed', 12, (p, random) => void (p.beltSlip = between(random, 0.03, 0.15))),
  fault('belt-tar', 'belt turned to tar', 10, (p) => void (p.belt = 'tar')),
  {
    ...fault('belt-wound', 'belt wound round the pulley', 2, (p) => void (p.belt = 'wound')),
    // The motor stands and draws all it can: what feeds it cooks.
    victims: (_p: CassetteDeck, random: Random) => (chance(random, 0.5) ? ['feeder-open'] : []),
  },
  fault('capstan-dry', 'capstan bearing dry', 6, (p, random) => void (p.dragNm *= between(random, 16, 28))),
  fault('pinch-hard', 'pinch roller hard', 6, (p, random) => void (p.pinchHard = between(random, 0.4, 1))),
  fault('oxide', 'oxide on capstan and roller', 10, (p, random) => void (p.oxide = between(random, 0.4, 1))),
  fault('arm-off', 'pinch arm does not press', 3, (p) => void (p.armOff = true)),
  fault('tyre-glazed', 'tyre of the idler glazed', 12, (p, random) => void (p.tyre = between(random, 0.25, 0.45))),
  fault('tyre-gone', 'tyre of the idler gone', 2, (p) => void (p.tyre = 0)),
  fault('clutch-weak', 'take-up clutch weak', 4, (p, random) => void (p.clutch = between(random, 0.2, 0.4))),
  fault('counter', 'counter belt off', 5, (p) => void (p.counterStill = true)),
];

function solve(p: CassetteDeck, c: Condition, random: Random): Quantities {
  const double = c.setting === '9.5';
  const supply = supplyQuantities(p.supply, c);
  const board = supply['board.V'];
  const ordered = board > 3 && !p.modeSwitchDirty && !p.modeMotorGone;
  const gated = !ordered || p.feederOpen ? 0 : Math.max(0, board - p.feederLossV);
  const drives = p.belt === 'sound' && !c.off.includes('belt');
  const asked = double && !p.doubleStuck ? (p.doubleOpen ? 0.1 : 2) : 1;
  const motor = driveQuantities(
    p.belt === 'wound' && !c.off.includes('belt') ? { ...p.drive, jammed: true } : p.drive,
    {
      supplyV: gated,
      wantedRpm: MOTOR_RPM * asked * (1 + p.trim),
      loadNm: drives ? p.dragNm * (1 - 0.3 * c.warm) : 0,
      wander: p.wiper + supply['board.ripple.Vpp']! / 100,
    },
    c,
    random,
  );
  // What the belt has to pull shows as slip of it; a slack one gives way sooner.
  const pull = p.dragNm / DRAG_NM;
  const slip = Math.min(0.9, p.beltSlip * (1 + 0.3 * (pull - 1)) + Math.max(0, pull - 8) * 0.002);
  const capstan = drives ? motor['motor.rpm'] * (1 - slip) : 0;
  // A hard roller lets the tape slide under the reel's pull; dirt makes the capstan thicker.
  const tape =
    p.armOff || c.mode === 'wind'
      ? 0
      : capstan *
        (1 - 0.02 * p.pinchHard * (p.pinchHard > 0.2 ? 1 : 0)) *
        (1 + 0.012 * p.oxide * (p.oxide > 0.2 ? 1 : 0));
  const nominal = MOTOR_RPM * (double ? 2 : 1) * (1 - 0.003);
  const turns = motor['motor.rpm'] > 50 ? 1 : 0;
  const hunts = turns * 100 * (p.drive.hunts > 0.005 ? p.drive.hunts : 0);
  const warble =
    tape > 50 ? Math.max(hunts / 4, p.pinchHard, p.oxide, 100 * p.wiper * 0.1, p.drive.brushOhm > 50 ? 0.6 : 0) : 0;
  const reel = turns * Math.min(1, p.tyre);
  return together(
    supply,
    motor,
    {
      burnt: Math.max(supply.burnt ?? 0, p.scorched ? 1 : 0),
      lamps: board > 3 ? 1 : 0,
      'order.V': ordered ? 5 : 0,
      'gated.V': gated,
      'gated.ripple.Vpp': gated > 0 ? supply['board.ripple.Vpp']! : 0,
      'tape.error.percent': 100 * (tape / nominal - 1),
      'motor.error.percent': 100 * (motor['motor.rpm'] / (MOTOR_RPM * (double ? 2 : 1)) - 1),
      'warble.percent': warble,
      'reel.wind.part': reel > 0.35 ? reel : reel * (chance(random, 0.4) ? 1 : 0),
      'reel.take-up.part': reel * p.clutch,
      'stops.early': p.counterStill && board > 3 ? 1 : 0,
    },
    lookedAt(p, random),
  );
}

/** What is seen of it by looks and ohms. */
const lookedAt = (p: CassetteDeck, random: Random): Quantities => ({
  'mode.switch.dirty': p.modeSwitchDirty ? 1 : 0,
  'mode.motor.gone': p.modeMotorGone ? 1 : 0,
  'feeder.ohm': p.feederOpen ? Infinity : 100,
  'feeder.weak': p.feederLossV > 2 ? 1 : 0,
  'trim.wander': swing(random, p.wiper),
  'trim.at': p.trim,
  'double.stuck': p.doubleStuck ? 1 : 0,
  'double.open': p.doubleOpen ? 1 : 0,
  'belt.tar': p.belt === 'tar' ? 1 : 0,
  'belt.wound': p.belt === 'wound' ? 1 : 0,
  'belt.slack': p.beltSlip,
  'capstan.coast.s': 6 / (p.dragNm / DRAG_NM) ** 0.6,
  'pinch.hard': p.pinchHard,
  'pinch.oxide': p.oxide,
  'pinch.off': p.armOff ? 1 : 0,
  'idler.tyre': p.tyre,
  'idler.clutch': p.clutch,
  'counter.still': p.counterStill ? 1 : 0,
});

function complain(at: (quantity: string, condition?: Partial<Condition>) => Seen): string | null {
  const tape = (more: Partial<Condition>) => at('tape.error.percent', more);
  const [cold, warm, double] = [
    tape({ setting: '4.76' }),
    tape({ setting: '4.76', warm: 1 }),
    tape({ setting: '9.5' }),
  ];
  const winds = at('reel.wind.part', { mode: 'wind' }).mean;
  if (at('tingles').mean > 0) return say`It tingles when I touch it.`;
  if (at('lamps').mean === 0) return say`It is dead.`;
  if (cold.mean < -95) return winds > 0.3 ? say`It winds and does not play.` : say`The lamps are lit, nothing turns.`;
  if (at('stops.early').mean > 0) return say`It stops after a few seconds.`;
  if (winds < 0.5) return say`It plays and does not wind.`;
  if (at('reel.take-up.part').mean < 0.5) return say`It eats the tape.`;
  // What is wrong by much more than it drifts is wrong, not drifting.
  const drifts = Math.abs(warm.mean - cold.mean);
  if (drifts > 1.5 && drifts > Math.abs(cold.mean) / 2) return say`It changes its speed as it gets warm.`;
  if (Math.abs(cold.mean) > 2) return cold.mean < 0 ? say`It plays too slow.` : say`It plays too fast.`;
  if (Math.abs(double.mean) > 4) return say`It is wrong at double speed.`;
  if (at('warble.percent').mean > 0.3) return say`It warbles.`;
  return at('motor.roughness').mean > 0.4 || at('motor.click').mean > 0 ? say`It makes a noise.` : null;
}

/** The cassette deck of the practice bench. */
export const cassetteDeck = practiceMachine<CassetteDeck>({
  id: 'cassette-deck',
  name: 'belt-driven cassette deck with two speeds',
  settings: ['4.76', '9.5'],
  answersTo: ['warm', 'tapped'],
  build,
  faults: [...supplyFaults<CassetteDeck>(), ...driveFaults<CassetteDeck>(), ...OWN],
  solve,
  trace: (p, condition, quantity) =>
    supplyTrace(p.supply, condition, quantity === 'gated.ripple.Vpp' ? 'board.ripple.Vpp' : quantity),
  sounds: [{ quantity: 'motor.rpm', part: 'motor', lines: 'bars', count: 3, loud: 0.08 }],
  hands: driveHands(),
  complain,
  trims: ['speed'],
  turn: (p, _trim, turns) => void (p.trim += 0.19 * turns),
  spoils: {
    'the winding burns': 'winding-open',
    'the motor transistor cooks': 'feeder-open',
    'the transformer cooks': 'turns-shorted',
  },
  harm: (p) => {
    const supplied =
      supplyQuantities(p.supply, AT_REST)['board.V'] > 3 && !p.feederOpen && !p.modeSwitchDirty && !p.modeMotorGone;
    return [
      ...supplyHarm(p.supply),
      ...driveHarm(p.drive, supplied),
      ...(supplied && p.belt === 'wound' ? ['the motor transistor cooks'] : []),
    ];
  },
});
