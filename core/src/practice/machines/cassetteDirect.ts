/** A cassette deck with a direct-drive capstan: supply, servo board whose small capacitors leak, stator, FG, pinch roller, reels. */
import type { Random } from '../../numeric/index.js';
import { smallSupply, supplyFaults, supplyQuantities, supplyTrace, type SmallSupply } from '../electric/supply.js';
import {
  type Condition,
  type Quantities,
  type Seen,
  between,
  chance,
  either,
  evenly,
  faultOf,
  practiceMachine,
  swing,
  together,
} from '../machine.js';
import {
  DIRECT_SPOILS,
  directDrive,
  directFaults,
  directHands,
  directHarm,
  directQuantities,
  type DirectDrive,
} from './directDrive.js';
import { say } from '../../words/index.js';

interface Deck {
  supply: SmallSupply;
  rotor: DirectDrive;
  displayDead: boolean;
  systemDead: boolean;
  /** What leaks over the board: how far it pulls the speed wet through, and how it wanders then, as parts. */
  leak: number;
  leakWander: number;
  /** Slow while it is cold, as a part. */
  tired: number;
  saltsWander: number;
  trim: number;
  servoDead: boolean;
  servoFull: boolean;
  pinchHard: number;
  tyre: number;
  reelDead: boolean;
  recapped: boolean;
}

/** 4.76 cm/s round a capstan of 2.4 mm (definition). */
const CAPSTAN_RPM = (60 * 47.6) / (Math.PI * 2.4);

const build = (random: Random): Deck => ({
  supply: smallSupply(random, { secondaryV: 15, regulatorV: 12, loadA: 0.15 }),
  rotor: directDrive(random, { k: 0.026, friction: 3e-4, viscous: 1.5e-6 }),
  displayDead: false,
  systemDead: false,
  leak: 0,
  leakWander: 0,
  tired: 0,
  saltsWander: 0,
  trim: swing(random, 0.003),
  servoDead: false,
  servoFull: false,
  pinchHard: 0.03,
  tyre: 1,
  reelDead: false,
  recapped: false,
});

const fault = faultOf<Deck>();
const OWN = [
  fault('display-dead', 'display dead', 2, (p) => void (p.displayDead = true)),
  fault('system-dead', 'mechanism control gives no order', 3, (p) => void (p.systemDead = true)),
  fault('leaked', 'electrolyte leaked over the servo board', 15, (p, random) => {
    p.leak = either(random, 0.08, 0.3);
    p.leakWander = evenly(random, 0.05, 0.15);
  }),
  fault('tired', 'small capacitors tired', 6, (p, random) => void (p.tired = between(random, 0.03, 0.2))),
  fault('salts', 'salts left after recapping', 2, (p, random) => {
    p.saltsWander = between(random, 0.05, 0.15);
    p.recapped = true;
  }),
  fault('trim-off', 'speed trim off', 6, (p, random) => void (p.trim = either(random, 0.022, 0.07))),
  fault('servo-dead', 'servo chip gives nothing', 3, (p) => void (p.servoDead = true)),
  fault('servo-full', 'servo chip at its rail', 2, (p) => void (p.servoFull = true)),
  fault('pinch-hard', 'pinch roller hard', 8, (p, random) => void (p.pinchHard = between(random, 0.4, 1))),
  fault('tyre-glazed', 'tyre of the idler glazed', 8, (p, random) => void (p.tyre = between(random, 0.2, 0.4))),
  fault('reel-dead', 'reel motor dead', 3, (p) => void (p.reelDead = true)),
];

/** How wet the board is: breath wets it, warmth dries it (chosen). */
const wetness = (c: Condition): number => (c.damp ? 1 : 0.5 - 0.4 * c.warm);

function solve(p: Deck, c: Condition, random: Random): Quantities {
  const supply = supplyQuantities(p.supply, c);
  const board = supply['board.V'];
  const ordered = board > 4 && !p.systemDead;
  const wet = wetness(c);
  const jumps = swing(random, p.leakWander * wet + p.saltsWander * (c.damp ? 1 : 0.15 * wet));
  const part = 1 + p.trim + p.leak * wet - p.tired * (1 - c.warm) + jumps;
  const rotor = directQuantities(
    p.rotor,
    {
      supplyV: ordered ? board : 0,
      wishRpm: p.servoDead ? 0 : CAPSTAN_RPM * Math.max(0.05, part),
      full: p.servoFull,
      wander: supply['board.ripple.Vpp']! / 60,
    },
    c,
    random,
  );
  const capstan = rotor['rotor.rpm'];
  const tape = c.mode === 'wind' ? 0 : capstan * (1 - 0.02 * p.pinchHard * (p.pinchHard > 0.2 ? 1 : 0));
  const reel = ordered && !p.reelDead ? p.tyre : 0;
  return together(supply, rotor, {
    burnt: Math.max(supply.burnt ?? 0, rotor['rotor.burnt'] ?? 0),
    lamps: supply['secondary.Vac']! > 4 && !p.displayDead ? 1 : 0,
    'lamps.ohm': p.displayDead ? Infinity : 40,
    'order.V': ordered ? 5 : 0,
    'tape.error.percent': 100 * (tape / CAPSTAN_RPM - 1),
    'capstan.error.percent': 100 * (capstan / CAPSTAN_RPM - 1),
    'warble.percent': tape > 10 ? Math.max(p.pinchHard, 100 * Math.abs(jumps) * 0.3) : 0,
    'reel.wind.part': reel > 0.5 ? reel : reel * (chance(random, 0.4) ? 1 : 0),
    'reel.take-up.part': reel,
    'board.wet': p.leak !== 0 ? 1 : p.tired > 0 ? 0.6 : 0,
    'board.salts': p.recapped ? 1 : 0,
    'trim.at': p.trim,
    'servo.dead': p.servoDead ? 1 : 0,
    'servo.full': p.servoFull ? 1 : 0,
    'pinch.hard': p.pinchHard,
    'idler.tyre': p.tyre,
    'reel.dead': p.reelDead ? 1 : 0,
    'system.dead': p.systemDead ? 1 : 0,
  });
}

function complain(at: (quantity: string, condition?: Partial<Condition>) => Seen): string | null {
  const tape = (more: Partial<Condition> = {}) => at('tape.error.percent', more);
  const [cold, warm] = [tape(), tape({ warm: 1 })];
  if (at('tingles').mean > 0) return say`It tingles when I touch it.`;
  if (at('rotor.quivers').mean > 0) return say`The capstan quivers.`;
  if (cold.mean < -90) return at('lamps').mean > 0 ? say`The display is lit, no tape moves.` : say`It is dead.`;
  if (cold.mean > 20) return say`It races.`;
  if (at('reel.take-up.part').mean < 0.5) return say`It eats the tape.`;
  if (Math.abs(warm.mean - cold.mean) > 1.5) return say`It changes its speed as it gets warm.`;
  if (cold.spread > 0.6 || tape({ damp: true }).spread > 2) return say`Its speed jumps, worst in damp weather.`;
  if (Math.abs(cold.mean) > 1.5) return cold.mean < 0 ? say`It plays too slow.` : say`It plays too fast.`;
  if (at('warble.percent').mean > 0.3) return say`It warbles.`;
  return at('lamps').mean > 0 ? null : say`Its display is dark.`;
}

/** The direct-drive cassette deck of the practice bench. */
export const cassetteDirect = practiceMachine<Deck>({
  id: 'cassette-direct',
  name: 'cassette deck with a direct-drive capstan',
  settings: ['4.76'],
  answersTo: ['warm', 'damp'],
  build,
  // A capstan cannot be left off its seat.
  faults: [...supplyFaults<Deck>(), ...directFaults<Deck>().filter(({ id }) => id !== 'unseated'), ...OWN],
  solve,
  trace: (p, condition, quantity) => supplyTrace(p.supply, condition, quantity),
  complain,
  trims: ['speed'],
  turn: (p, _trim, turns) => void (p.trim += 0.19 * turns),
  hands: directHands<Deck>(),
  spoils: DIRECT_SPOILS,
  harm: directHarm,
});
